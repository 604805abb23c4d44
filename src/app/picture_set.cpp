#include "app/picture_set.h"
#include "app/behind.h"
#include "app/render_image.h"
#include "base/error.h"
#include "base/file.h"
#include "base/first_free.h"
#include "base/output.h"
#include "edits/preset_words.h"
#include "grade/grade_json.h"
#include "package/grade_store.h"
#include "picture/metadata.h"
#include "stages/finish_order.h"
#include "stages/stage_type.h"

#include <QBuffer>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace fs = std::filesystem;

namespace {
constexpr int kStoreAfter = 250;        ///< milliseconds of rest before a grade is written
constexpr int kDevelopAfter = 150;      ///< milliseconds of rest before a raw file is developed whole
constexpr int kRetryAfter = 10000;      ///< ms after a grade could not be written
constexpr std::size_t kKeptSmalls = 48; ///< small versions held in memory; others are read again when needed
constexpr int kThumbnailSide = 320;
} // namespace

PictureSet::PictureSet(QObject* parent) : QObject(parent) {
    readers_.setMaxThreadCount(2);
    writer_.setMaxThreadCount(1); // in order: the last change of a grade is the one that stays
    storeTimer_.setSingleShot(true);
    storeTimer_.setInterval(kStoreAfter);
    retryTimer_.setSingleShot(true);
    retryTimer_.setInterval(kRetryAfter);
    for (QTimer* each : {&storeTimer_, &retryTimer_})
        connect(each, &QTimer::timeout, this, &PictureSet::storePending);
    developTimer_.setSingleShot(true);
    developTimer_.setInterval(kDevelopAfter);
    connect(&developTimer_, &QTimer::timeout, this, &PictureSet::developWhole);
}

PictureSet::~PictureSet() {
    storePending();
    waitFor(writer_);
    readers_.clear();
    waitFor(readers_);
}

namespace {

Grade startOf(const fs::path& file, const Grade& grade) {
    return completed(isRawName(file) ? withRaw(grade) : grade);
}

} // namespace

bool PictureSet::open(const std::vector<fs::path>& filesAndFolders, const fs::path& inHand) {
    std::vector<fs::path> files;
    for (const auto& path : filesAndFolders) {
        std::error_code ignored;
        if (!fs::is_directory(path, ignored)) {
            files.push_back(path);
            continue;
        }
        try {
            std::vector<fs::path> found = picturesInFolder(path);
            if (const auto pairs = pairsAsOne_ ? leaveOutPairs(found) : 0; pairs > 0)
                Q_EMIT said(tr("%n JPEGs lie beside raw files of the same name: each two are one picture here",
                               nullptr, static_cast<int>(pairs)));
            files.insert(files.end(), found.begin(), found.end());
        } catch (const Error& e) {
            Q_EMIT problem(QString::fromStdString(e.what()));
        }
    }
    std::set<FileIdentity> known; // one that is named twice, also by its folder, is there once
    std::erase_if(files, [&known](const fs::path& file) {
        const auto identity = identityOf(file);
        return identity && !known.insert(*identity).second;
    });
    if (files.empty()) return false;
    if (!flush()) {
        Q_EMIT problem(
            tr("Nothing else is opened now: %n grades are not on the disk yet. Make room, then open it again",
               nullptr, static_cast<int>(unsaved_.size())));
        return false;
    }
    readers_.clear();
    ++generation_;
    remarked_.clear();
    pictures_.clear();
    kept_.clear();
    shown_ = -1;
    undrawn_.clear();
    unread_.clear();
    wanted_.clear();
    smalls_.clear();
    reading_ = loading_ = 0;
    smallsDue_.clear();
    isDeveloping_ = developsAgain_ = false;
    readHashes_.clear(); // the writer is at rest: flush waited for it
    written_.clear();
    toldElsewhere_ = false;
    for (auto& file : files) {
        OpenPicture picture;
        picture.work.grade = startingGrade();
        picture.start =
            start_ && !startByCamera_ ? start_(file, {}) : PictureWork{startingGrade(), {}, kStartTake, {}};
        picture.start.grade = startOf(file, picture.start.grade);
        try {
            if (auto work = loadWork(file)) {
                picture.work = std::move(*work);
                for (const fs::path& kept : {gradeFileBeside(file), gradeFileInDataFolder(file)})
                    if (std::error_code ignored; fs::exists(kept, ignored))
                        readHashes_[kept] = contentHash(readFile(kept));
            } else {
                picture.isNew = true;
                picture.work = picture.start;
            }
            picture.work.grade = startOf(file, picture.work.grade);
            for (Take& take : picture.work.takes) take.grade = completed(take.grade);
        } catch (const Error& e) {
            picture.gradeUnreadable = true;
            Q_EMIT problem(QString::fromStdString(e.what()));
        }
        picture.opened = picture.work.grade;
        picture.file = std::move(file);
        pictures_.push_back(std::move(picture));
    }
    for (int i = 0; i < size(); ++i) unread_.insert(unread_.end(), i);
    const auto first = std::find_if(pictures_.begin(), pictures_.end(),
                                    [&](const OpenPicture& each) { return each.file == inHand; });
    first_ = first == pictures_.end() ? 0 : static_cast<int>(first - pictures_.begin());
    Q_EMIT opened();
    if (start_ && startByCamera_)
        for (int i = 0; i < size(); ++i) startByCamera(i);
    readNext();
    runBehind(
        readers_, [smalls = onDisk_] { smalls.trim(); }, -1); // when nothing else is to be done
    return true;
}

void PictureSet::startByCamera(int index) {
    const int generation = generation_;
    const fs::path file = at(index).file;
    runBehind(readers_, [this, index, generation, file] {
        const std::string camera = readMetadata(file).camera;
        tellWindow(this, [this, index, generation, camera] {
            if (generation != generation_) return;
            auto& picture = pictures_[static_cast<std::size_t>(index)];
            if (!start_) return;
            picture.start = start_(picture.file, camera);
            picture.start.grade = startOf(picture.file, picture.start.grade);
            // It comes into hand where nothing was done before, nor meanwhile.
            if (!picture.isNew || !(picture.work.grade == picture.opened)) return;
            picture.work = picture.start;
            picture.opened = picture.work.grade;
            drawThumbnail(index);
            geometryChanged(index);
            if (isRawName(picture.file)) rawChanged(index);
            Q_EMIT gradeChanged(index);
        });
    });
}

QString PictureSet::name() const {
    if (pictures_.empty()) return {};
    return QString::fromStdString(fs::absolute(pictures_.front().file).parent_path().filename().string());
}

void PictureSet::want(int index) {
    constexpr std::size_t inSight = 40; // about as many as are seen at once: older wishes are given up
    if (!unread_.contains(index) || std::find(wanted_.begin(), wanted_.end(), index) != wanted_.end()) return;
    wanted_.push_back(index);
    if (wanted_.size() > inSight) wanted_.pop_front();
    readNext();
}

Picture PictureSet::smallOf(int index) {
    const OpenPicture& picture = at(index);
    if (picture.small.isEmpty() && picture.error.isEmpty()) {
        drawThumbnail(index);
        want(index);
    } else if (std::erase(smalls_, index) > 0) {
        smalls_.push_back(index); // used last, given up last
    }
    return framedSmall(index);
}

SourceFile PictureSet::sourceOf(int index) const {
    return {at(index).file, rawOf(at(index).work.grade)};
}

void PictureSet::readNext() {
    // One core is left to a picture that is being read for the viewer.
    while (reading_ < (loading_ > 0 ? 1 : 2)) {
        while (!wanted_.empty() && !unread_.contains(wanted_.front())) wanted_.pop_front();
        const auto next = !wanted_.empty() ? unread_.find(wanted_.front()) : unread_.begin();
        if (next == unread_.end()) return;
        const int index = *next;
        unread_.erase(next);
        readSmall(index);
    }
}

namespace {

/// Counts the ways of drawing: what an older program drew is not used.
constexpr const char* kThumbnailDrawing = "1";

/// The name of a drawing: all that a thumbnail depends on but the picture's file.
std::string drawingOf(Grade grade, const std::string& screen) {
    grade.picture = {}; // is of the file
    return contentHash(kThumbnailDrawing + screen + '\n' + gradeToText(grade));
}

QByteArray jpegOf(const QImage& image) {
    QByteArray bytes;
    QBuffer buffer(&bytes);
    constexpr int quality = 95;
    return image.save(&buffer, "JPG", quality) ? bytes : QByteArray();
}

} // namespace

void PictureSet::readSmall(int index) {
    const int generation = generation_;
    const fs::path file = at(index).file;
    const RawSettings raw = rawOf(at(index).work.grade);
    ++reading_;
    const LensSettings lens = lensOf(at(index).work.grade);
    const std::optional<Grade> knownAs = std::exchange(pictures_[static_cast<std::size_t>(index)].mayBeKnown, false)
                                             ? std::optional(at(index).work.grade)
                                             : std::nullopt;
    runBehind(readers_, [this, index, generation, file, raw, lens, knownAs, screen = screenId(), smalls = onDisk_] {
        if (const auto known = knownAs ? smalls.known(file, drawingOf(*knownAs, screen)) : std::nullopt) {
            const QImage thumbnail = QImage::fromData(QByteArray::fromStdString(known->drawn));
            if (!thumbnail.isNull()) {
                correctionFor(lens, known->shot);
                tellWindow(this, [this, index, generation, known, thumbnail] {
                    if (generation == generation_) takeKnown(index, *known, thumbnail);
                });
                return;
            }
        }
        SmallPicture small;
        QString error;
        try {
            small = smalls.read(file, raw);
        } catch (const Error& e) {
            error = QString::fromStdString(e.what());
        } catch (const std::exception& e) {
            error = QString::fromStdString(file.string() + ": " + e.what());
        }
        if (small.picture.isEmpty()) small.shot = readShot(file); // it may tell what the pixels don't
        correctionFor(lens, small.shot);                          // so that the window finds it at once
        tellWindow(this, [this, index, generation, small, error] {
            if (generation != generation_) return;
            --reading_;
            takeFacts(index, small.shot, small.size, small.state);
            takeSmall(index, small.picture, error);
            readNext();
        });
    });
}

void PictureSet::takeFacts(int index, const Shot& shot, const PictureSize& size, const FileState& state) {
    OpenPicture& picture = pictures_[static_cast<std::size_t>(index)];
    picture.shot = shot, picture.size = size, picture.state = state;
    noteShape(index, size.width, size.height);
}

void PictureSet::takeKnown(int index, const KnownPicture& known, const QImage& thumbnail) {
    --reading_;
    takeFacts(index, known.shot, known.size, known.state);
    pictures_[static_cast<std::size_t>(index)].thumbnail = thumbnail.convertToFormat(QImage::Format_RGB888);
    Q_EMIT thumbnailChanged(index);
    readNext(); // this one too, where another grade came meanwhile or its pixels were asked for
}

void PictureSet::noteShape(int index, int width, int height) {
    if (width < 1 || height < 1) return;
    const PictureShape shape{double(width) / height};
    OpenPicture& picture = pictures_[static_cast<std::size_t>(index)];
    picture.work.grade.picture = picture.start.grade.picture = shape;
}

void PictureSet::takeSmall(int index, const Picture& small, const QString& error) {
    auto& picture = pictures_[static_cast<std::size_t>(index)];
    picture.small = small;
    picture.framedSmall = {};
    picture.error = error;
    unread_.erase(index);
    if (small.isEmpty()) {
        Q_EMIT thumbnailChanged(index);
        return;
    }
    smalls_.push_back(index);
    if (smalls_.size() > kKeptSmalls) {
        OpenPicture& oldest = pictures_[static_cast<std::size_t>(smalls_.front())];
        oldest.small = oldest.framedSmall = {};
        smalls_.pop_front();
    }
    drawThumbnail(index);
}

void PictureSet::drawThumbnail(int index) {
    if (at(index).small.isEmpty()) { // given up for others, or not there yet: the drawing follows the reading
        if (at(index).error.isEmpty()) {
            unread_.insert(index);
            readNext();
        }
        return;
    }
    if (!undrawn_.insert(index).second) return;
    const int generation = generation_;
    // The grade is taken when the drawing starts: while a control moves, one drawing waits, not a hundred.
    QTimer::singleShot(60, this, [this, index, generation] {
        if (generation != generation_) return;
        undrawn_.erase(index);
        const Grade grade = at(index).work.grade;
        const Picture small = framedSmall(index);
        if (small.isEmpty()) {
            drawThumbnail(index);
            return;
        }
        // What is kept is how it will be found the next time; while a control moves there would be many.
        const OpenPicture& picture = at(index);
        const bool isKept = picture.state.bytes > 0 && grade == picture.opened;
        runBehind(
            readers_,
            [this, index, generation, grade, small, isKept, screen = screenId(), file = picture.file,
             known = KnownPicture{picture.shot, picture.size, picture.state, {}}, smalls = onDisk_]() mutable {
                QImage image;
                try {
                    image = imageOf(grade, small)
                                .scaled(kThumbnailSide, kThumbnailSide, Qt::KeepAspectRatio, Qt::SmoothTransformation)
                                .convertToFormat(QImage::Format_RGB888);
                } catch (const std::exception&) {
                    return; // no memory for it just now: the one before stays
                }
                tellWindow(this, [this, index, generation, image] {
                    if (generation != generation_) return;
                    pictures_[static_cast<std::size_t>(index)].thumbnail = image;
                    Q_EMIT thumbnailChanged(index);
                });
                if (!isKept) return;
                known.drawn = jpegOf(image).toStdString();
                if (!known.drawn.empty()) smalls.keep(file, drawingOf(grade, screen), known);
            },
            1);
    });
}

void PictureSet::redrawAll() {
    for (int i = 0; i < size(); ++i) {
        if (at(i).thumbnail.isNull()) continue;
        pictures_[static_cast<std::size_t>(i)].mayBeKnown = true;
        drawThumbnail(i);
    }
}

void PictureSet::setWork(int index, const PictureWork& work) {
    auto& picture = pictures_[static_cast<std::size_t>(index)];
    if (picture.work == work) return;
    const SourceSettings before = sourceSettingsOf(picture.work.grade);
    const GivenIds given = picture.work.grade.given;
    const PictureShape shape = picture.work.grade.picture;
    picture.work = work;
    // Undo and takes bring back grades that know less.
    noteGivenIds(picture.work.grade, given);
    if (shape.aspect > 0) picture.work.grade.picture = shape;
    orderFinish(picture.work.grade);
    unsaved_.insert(index);
    storeTimer_.start();
    drawThumbnail(index);
    const bool isFrameElsewhere = !showsWhole_ && frameOf(picture.work.grade) != before.frame;
    if (isFrameElsewhere || lensOf(picture.work.grade) != before.lens) geometryChanged(index);
    if (isRawName(picture.file) && rawOf(picture.work.grade) != before.raw) rawChanged(index);
    Q_EMIT gradeChanged(index);
}

namespace {

/// A name for another version of a file, beside it, that nothing has yet.
fs::path freeBeside(const fs::path& file, const char* mark) {
    return freeFile(fs::path(file) += mark, [](const fs::path& each) {
        std::error_code ignored;
        return fs::exists(each, ignored);
    });
}

} // namespace

void PictureSet::store(int index) {
    auto& picture = pictures_[static_cast<std::size_t>(index)];
    const bool setAside = picture.gradeUnreadable;
    picture.gradeUnreadable = false;
    runBehind(writer_, [this, index, generation = generation_, file = picture.file, work = picture.work, setAside] {
        QStringList problems;
        QString elsewhere;
        bool isStored = false;
        try {
            if (setAside) {
                // What could not be read is somebody's work all the same: it stays under another name.
                for (const fs::path& old : {gradeFileBeside(file), gradeFileInDataFolder(file)}) {
                    std::error_code ignored;
                    if (fs::exists(old, ignored)) fs::rename(old, freeBeside(old, ".unreadable"), ignored);
                }
            }
            // So is what another window, or a hand, has written there since.
            if (const auto other = changedBehindUs(file)) {
                const fs::path kept = freeBeside(*other, ".other");
                fs::copy_file(*other, kept);
                problems.append(
                    tr("%1 was changed by someone else: that version is kept as %2")
                        .arg(QString::fromStdString(other->string()), QString::fromStdString(kept.string())));
            }
            std::string why;
            const fs::path stored = storeWork(file, work, &why);
            written_[stored] = contentHash(workToText(work));
            isStored = true;
            if (!why.empty() && !toldElsewhere_.exchange(true))
                elsewhere =
                    tr("Grades of this folder are kept in %1, because they can't be written beside the pictures: %2")
                        .arg(QString::fromStdString(stored.parent_path().string()), QString::fromStdString(why));
        } catch (const std::exception& e) {
            problems.append(QString::fromStdString(e.what()));
        }
        tellWindow(this, [this, index, generation, problems, elsewhere, isStored] {
            for (const QString& each : problems)
                if (isStored || !isFailing_) Q_EMIT problem(each);
            if (!elsewhere.isEmpty()) Q_EMIT said(elsewhere);
            if (generation == generation_) takeStored(index, isStored);
        });
    });
}

void PictureSet::takeStored(int index, bool isStored) {
    if (!isStored) {
        unsaved_.insert(index);
        isFailing_ = true;
        retryTimer_.start();
    } else if (isFailing_ && unsaved_.empty()) {
        isFailing_ = false;
        Q_EMIT said(tr("All grades are on the disk again"));
    }
}

std::optional<fs::path> PictureSet::changedBehindUs(const fs::path& picture) const {
    for (const fs::path& file : {gradeFileBeside(picture), gradeFileInDataFolder(picture)}) {
        std::error_code ignored;
        if (!fs::exists(file, ignored)) continue;
        const auto ours = written_.find(file);
        const std::string now = contentHash(readFile(file));
        // Not yet written from here: what was read when the set was opened, which may be nothing.
        const auto read = readHashes_.find(file);
        const std::string known = ours != written_.end()      ? ours->second
                                  : read != readHashes_.end() ? read->second
                                                              : std::string();
        if (now != known) return file;
    }
    return {};
}

void PictureSet::storePending() {
    for (const int index : unsaved_) store(index);
    unsaved_.clear();
}

bool PictureSet::flush() {
    storeTimer_.stop();
    storePending();
    waitFor(writer_);
    QCoreApplication::sendPostedEvents(this, QEvent::MetaCall); // what the writer has to say
    return unsaved_.empty();
}

} // namespace baryton
