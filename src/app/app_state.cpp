#include "app/undo_parts.h"
#include "base/error.h"
#include "edits/carry_over.h"
#include "edits/in_force.h"
#include "edits/preset_words.h"

#include <algorithm>
#include <cmath>

namespace baryton {

AppState::AppState(std::filesystem::path libraryRoot, QObject* parent)
    : QObject(parent), library_(std::move(libraryRoot)) {
    watchTimer_.setSingleShot(true);
    watchTimer_.setInterval(200); // files come in bursts
    connect(&watcher_, &QFileSystemWatcher::directoryChanged, &watchTimer_, qOverload<>(&QTimer::start));
    connect(&watchTimer_, &QTimer::timeout, this, [this] {
        const auto now = library_.entries(Library::Luts::Pending);
        const auto same = [](const LibraryEntry& a, const LibraryEntry& b) {
            return a.file == b.file && (a.contentId == b.contentId || a.isPending || b.isPending);
        };
        if (!std::equal(now.begin(), now.end(), presets_.begin(), presets_.end(), same) ||
            library_.groups() != groups_ || !(library_.index() == index_))
            reloadPresets();
    });
    connect(&pictures_, &PictureSet::opened, this, [this] {
        letGo();
        endGesture();
        recalled_.clear();
        historyChanged_.clear();
        undo_.clear();
        key_ = -1;
        selection_.clear();
        setKey(0);
    });
    connect(&pictures_, &PictureSet::gradeChanged, this, [this](int index) {
        if (index == key_) Q_EMIT shownGradeChanged();
        if (recalled_.contains(index)) historyChanged_.insert(index), historyTimer_.start();
    });
    historyTimer_.setSingleShot(true);
    historyTimer_.setInterval(3000);
    historyWriter_.setMaxThreadCount(1);
    connect(&historyTimer_, &QTimer::timeout, this, &AppState::storeHistories);
    connect(&pictures_, &PictureSet::said, this, [this](const QString& text) { tell(text); });
    connect(&pictures_, &PictureSet::problem, this, [this](const QString& text) { tell(text, true); });
    reloadPresets();
}

const PictureWork& AppState::keyWork() const {
    static const PictureWork none{startingGrade(), {}, kStartTake, {}};
    return hasKey() ? pictures_.at(key_).work : none;
}

const Grade& AppState::keyGrade() const {
    return keyWork().grade;
}

void AppState::setSelection(std::vector<int> indexes) {
    std::sort(indexes.begin(), indexes.end());
    if (indexes == selection_) return;
    Q_EMIT aboutToLeave();
    // A choice of several is made to edit them together, until that is said otherwise.
    if (indexes.size() < 2) editsAll_ = true;
    selection_ = std::move(indexes);
    endGesture();
    Q_EMIT targetsChanged();
}

void AppState::setEditsAll(bool all) {
    editsAll_ = all;
    endGesture();
    Q_EMIT targetsChanged();
}

void AppState::toggleChosen(int index) {
    if (index < 0 || index >= pictures_.size()) return;
    std::vector<int> chosen = selection_;
    const auto at = std::find(chosen.begin(), chosen.end(), index);
    if (at == chosen.end()) {
        chosen.push_back(index);
    } else {
        if (chosen.size() == 1) return;
        chosen.erase(at);
    }
    if (index == key_) {
        const auto nearest = std::min_element(
            chosen.begin(), chosen.end(), [this](int a, int b) { return std::abs(a - key_) < std::abs(b - key_); });
        setKey(*nearest);
    }
    setSelection(std::move(chosen));
}

std::vector<int> AppState::targets() const {
    std::vector<int> all{key_};
    if (editsAll())
        for (const int index : selection_)
            if (index != key_) all.push_back(index);
    return all;
}

void AppState::setKey(int index) {
    if (index == key_ || index < 0 || index >= pictures_.size()) return;
    Q_EMIT aboutToLeave();
    key_ = index;
    recallHistory(index);
    libraryIsInReach_ = false;
    if (before_.kind == Before::Kind::Step) setBefore({}); // it was the other picture's
    endTrial();
    endGesture();
    if (!std::binary_search(selection_.begin(), selection_.end(), index)) setSelection({index});
    // The same kind of stage stays open from picture to picture.
    if (!findStage(keyGrade(), chosenStage_)) {
        const auto places = stagePlaces(keyGrade());
        chosenStage_.clear();
        for (const auto& place : places)
            if (place.part == Part::Look && chosenStage_.empty()) chosenStage_ = stageAt(keyGrade(), place).id;
        if (chosenStage_.empty() && !places.empty()) chosenStage_ = stageAt(keyGrade(), places.front()).id;
    }
    Q_EMIT keyChanged();
    Q_EMIT stageChosen();
    Q_EMIT shownGradeChanged();
}

Grade AppState::shownGradeOf(int index) const {
    if (index == key_) return shownGrade();
    const PictureWork& own = pictures_.at(index).work;
    return trial_ ? completed(trial_(own).grade) : own.grade;
}

void AppState::tryChange(const Trial& change) {
    if (!change) return tryOnWorks({});
    tryOnWorks([change](const PictureWork& work) {
        PictureWork next = work;
        next.grade = change(work.grade);
        return next;
    });
}

void AppState::tryOnWorks(WorkChange change) {
    if (!tried_ && !change) return;
    trial_ = std::move(change);
    tried_.reset();
    if (trial_) tried_ = completed(trial_(keyWork()).grade);
    Q_EMIT shownGradeChanged();
}

void AppState::endTrial() {
    trial_ = {};
    tried_.reset();
}

void AppState::chooseStage(const std::string& id) {
    if (id == chosenStage_) return;
    Q_EMIT aboutToLeave();
    chosenStage_ = id;
    endGesture();
    Q_EMIT stageChosen();
}

AppState::~AppState() {
    keepHistories();
    reader_.waitForDone();
}

const LibraryEntry* AppState::presetEntry(const std::string& item) const {
    for (const LibraryEntry& entry : presets_)
        if (entry.item() == item) return &entry;
    return nullptr;
}

void AppState::watchLibrary() {
    QStringList folders{QString::fromStdString(library_.root().string())};
    for (const auto& group : library_.groups())
        folders.append(QString::fromStdString((library_.root() / group).string()));
    const QStringList watched = watcher_.directories();
    for (const QString& folder : folders)
        if (!watched.contains(folder) && std::filesystem::is_directory(folder.toStdString()))
            watcher_.addPath(folder);
}

void AppState::reloadPresets() {
    std::string error;
    index_ = library_.index(&error);
    if (error != toldIndexError_ && !error.empty()) tell(QString::fromStdString(error), true);
    toldIndexError_ = error;
    presets_ = library_.entries(Library::Luts::Pending);
    pictures_.setStart(
        [this](const std::filesystem::path& file, const std::string& camera) { return startOf(file, camera); },
        !index_.startByCamera.empty());
    groups_ = library_.groups();
    watchLibrary();
    Q_EMIT presetsChanged();
    if (std::none_of(presets_.begin(), presets_.end(), [](const LibraryEntry& e) { return e.isPending; })) return;
    reader_.start([this] {
        auto read = library_.entries(Library::Luts::Read);
        QMetaObject::invokeMethod(this, [this, read = std::move(read)] {
            presets_ = read;
            Q_EMIT presetsChanged();
        });
    });
}

PictureWork AppState::startOf(const std::filesystem::path& file, const std::string& camera) {
    PictureWork work{startingGrade(), {}, kStartTake, {}};
    std::string type = file.extension().string();
    if (!type.empty()) type = QString::fromStdString(type.substr(1)).toLower().toStdString();
    const std::string item = index_.startFor(camera, type);
    const LibraryEntry* entry = item.empty() ? nullptr : presetEntry(item);
    if (entry && entry->preset) return withPreset(work, *entry->preset, ApplyMode::Set);
    if (!item.empty() && item != toldStart_) {
        toldStart_ = item;
        tell(tr("New pictures are to start from %1, but it is not in the library. They start neutral.")
                 .arg(QString::fromStdString(item)),
             true);
    }
    return work;
}

void AppState::toggleFavourite(const LibraryEntry& entry) {
    const std::string item = entry.item(), name = entry.name;
    editLibrary([&] {
        LibraryIndex next = library_.index();
        bool& is = next.items[item].isFavourite;
        is = !is;
        return library_.setIndex(next, (is ? "Favourite " : "No longer a favourite: ") + name);
    });
}

bool AppState::changeFiles(const std::function<void()>& change) {
    bool done = true;
    try {
        change();
    } catch (const Error& e) {
        done = false;
        tell(QString::fromStdString(e.what()), true);
    }
    reloadPresets();
    return done;
}

void AppState::editLibrary(const std::function<LibraryEdit()>& make) {
    try {
        LibraryEdit edit = make();
        const QString text = QString::fromStdString(edit.description);
        if (!changeFiles([&] { perform(edit); })) return;
        UndoParts parts;
        parts.push_back(std::make_unique<LibraryPart>(*this, std::move(edit)));
        libraryIsInReach_ = true;
        undo_.push(text, std::move(parts));
    } catch (const Error& e) {
        tell(QString::fromStdString(e.what()), true);
    }
}

void AppState::setBefore(const Before& before) {
    if (before == before_) return;
    before_ = before;
    Q_EMIT beforeChanged();
}

Grade AppState::beforeOf(int index) const {
    const Grade now = shownGradeOf(index);
    Grade before;
    switch (before_.kind) {
    case Before::Kind::Source:
        break;
    case Before::Kind::PrepOnly:
        before.prep = now.prep;
        break;
    case Before::Kind::Take:
        for (const Take& take : pictures_.at(index).work.takes)
            if (QString::fromStdString(take.name) == before_.name) return take.grade;
        break;
    case Before::Kind::Step:
        before = before_.grade;
        if (index != key_) before.prep = now.prep;
        break;
    }
    return before;
}

QString AppState::beforeName() const {
    return before_.kind == Before::Kind::Source     ? tr("before: source")
           : before_.kind == Before::Kind::PrepOnly ? tr("before: Prep only")
                                                    : tr("before: %1").arg(before_.name);
}

} // namespace baryton
