#include "app/picture_set.h"
#include "app/render_image.h"
#include "base/error.h"
#include "package/grade_store.h"
#include "stages/preset_words.h"

namespace baryton {

namespace fs = std::filesystem;

namespace {
constexpr int kStoreAfter = 250;         ///< milliseconds of rest before a grade is written
constexpr std::size_t kKeptPictures = 3; ///< decoded pictures held in memory
} // namespace

PictureSet::PictureSet(QObject* parent) : QObject(parent) {
    readers_.setMaxThreadCount(2);
    writer_.setMaxThreadCount(1); // in order: the last change of a grade is the one that stays
    storeTimer_.setSingleShot(true);
    storeTimer_.setInterval(kStoreAfter);
    connect(&storeTimer_, &QTimer::timeout, this, &PictureSet::storePending);
}

PictureSet::~PictureSet() {
    flush();
    readers_.clear();
    readers_.waitForDone();
}

void PictureSet::open(const std::vector<fs::path>& filesAndFolders) {
    std::vector<fs::path> files;
    for (const auto& path : filesAndFolders) {
        std::error_code ignored;
        if (!fs::is_directory(path, ignored)) {
            files.push_back(path);
            continue;
        }
        try {
            for (auto& file : picturesInFolder(path)) files.push_back(std::move(file));
        } catch (const Error& e) {
            Q_EMIT problem(QString::fromStdString(e.what()));
        }
    }
    if (files.empty()) return;
    flush();
    readers_.clear();
    ++generation_;
    pictures_.clear();
    kept_.clear();
    undrawn_.clear();
    for (auto& file : files) {
        OpenPicture picture;
        picture.grade = startingGrade();
        try {
            if (auto grade = loadGrade(file)) picture.grade = completed(*grade);
        } catch (const Error& e) {
            picture.gradeUnreadable = true;
            Q_EMIT problem(QString::fromStdString(e.what()));
        }
        picture.file = std::move(file);
        pictures_.push_back(std::move(picture));
    }
    Q_EMIT opened();
    for (int i = 0; i < size(); ++i) readSmall(i);
}

QString PictureSet::name() const {
    if (pictures_.empty()) return {};
    return QString::fromStdString(fs::absolute(pictures_.front().file).parent_path().filename().string());
}

void PictureSet::readSmall(int index) {
    const int generation = generation_;
    const fs::path file = at(index).file;
    readers_.start([this, index, generation, file] {
        Picture small;
        QString error;
        try {
            small = readThumbnail(file, kSmallSide);
        } catch (const Error& e) {
            error = QString::fromStdString(e.what());
        } catch (const std::exception& e) {
            error = QString::fromStdString(file.string() + ": " + e.what());
        }
        QMetaObject::invokeMethod(this, [this, index, generation, small, error] {
            if (generation != generation_) return;
            auto& picture = pictures_[static_cast<std::size_t>(index)];
            picture.small = small;
            picture.error = error;
            if (small.isEmpty())
                Q_EMIT thumbnailChanged(index);
            else
                drawThumbnail(index);
        });
    });
}

void PictureSet::drawThumbnail(int index) {
    if (at(index).small.isEmpty() || !undrawn_.insert(index).second) return;
    const int generation = generation_;
    // The grade is taken when the drawing starts: while a control moves, one drawing waits, not a hundred.
    QTimer::singleShot(60, this, [this, index, generation] {
        if (generation != generation_) return;
        undrawn_.erase(index);
        const Grade grade = at(index).grade;
        const Picture small = at(index).small;
        readers_.start(
            [this, index, generation, grade, small] {
                const QImage image = imageOf(grade, small);
                QMetaObject::invokeMethod(this, [this, index, generation, image] {
                    if (generation != generation_) return;
                    pictures_[static_cast<std::size_t>(index)].thumbnail = image;
                    Q_EMIT thumbnailChanged(index);
                });
            },
            1);
    });
}

void PictureSet::setGrade(int index, const Grade& grade) {
    auto& picture = pictures_[static_cast<std::size_t>(index)];
    if (picture.grade == grade) return;
    picture.grade = grade;
    unsaved_.insert(index);
    storeTimer_.start();
    drawThumbnail(index);
    Q_EMIT gradeChanged(index);
}

void PictureSet::load(int index) {
    for (std::size_t i = 0; i < kept_.size(); ++i)
        if (kept_[i].first == index) {
            std::rotate(kept_.begin(), kept_.begin() + static_cast<std::ptrdiff_t>(i),
                        kept_.begin() + static_cast<std::ptrdiff_t>(i) + 1);
            Q_EMIT loaded(index, kept_.front().second);
            return;
        }
    const int generation = generation_;
    const fs::path file = at(index).file;
    readers_.start(
        [this, index, generation, file] {
            LoadedPicture result;
            QString message;
            try {
                PictureFile read = readPicture(file);
                result.metadata = std::move(read.metadata);
                result.pyramid = std::make_shared<const Pyramid>(std::move(read.picture));
            } catch (const Error& e) {
                message = QString::fromStdString(e.what());
            } catch (const std::exception& e) {
                message = QString::fromStdString(file.string() + ": " + e.what());
            }
            QMetaObject::invokeMethod(this, [this, index, generation, result, message] {
                if (generation != generation_) return;
                if (!result.pyramid) {
                    Q_EMIT loadFailed(index, message);
                    return;
                }
                kept_.insert(kept_.begin(), {index, result});
                if (kept_.size() > kKeptPictures) kept_.pop_back();
                Q_EMIT loaded(index, result);
            });
        },
        2);
}

void PictureSet::store(int index) {
    auto& picture = pictures_[static_cast<std::size_t>(index)];
    const bool setAside = picture.gradeUnreadable;
    picture.gradeUnreadable = false;
    writer_.start([this, file = picture.file, grade = picture.grade, setAside] {
        try {
            if (setAside) {
                // What could not be read is somebody's work all the same: it stays under another name.
                for (const fs::path& old : {gradeFileBeside(file), gradeFileInDataFolder(file)}) {
                    std::error_code ignored;
                    if (fs::exists(old, ignored)) fs::rename(old, fs::path(old) += ".unreadable", ignored);
                }
            }
            storeGrade(file, grade);
        } catch (const std::exception& e) {
            const QString message = QString::fromStdString(e.what());
            QMetaObject::invokeMethod(this, [this, message] { Q_EMIT problem(message); });
        }
    });
}

void PictureSet::storePending() {
    for (const int index : unsaved_) store(index);
    unsaved_.clear();
}

void PictureSet::flush() {
    storeTimer_.stop();
    storePending();
    writer_.waitForDone();
}

} // namespace baryton
