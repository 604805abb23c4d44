#include "app/app_state.h"
#include "base/error.h"
#include "stages/carry_over.h"
#include "stages/in_force.h"
#include "stages/preset_words.h"

#include <algorithm>
#include <cmath>

namespace baryton {

/// One step of the grades and takes of one picture or of several.
class WorkStep : public QUndoCommand {
public:
    struct Item {
        int index;
        PictureWork before, after;
    };

    WorkStep(AppState& state, std::vector<Item> items, const QString& text, int gesture)
        : state_(state), items_(std::move(items)), text_(text), gesture_(gesture) {
        name();
    }

    const std::vector<Item>& items() const { return items_; }

    void undo() override { put(&Item::before); }
    void redo() override {
        // The first redo is the edit itself: the picture is already in sight.
        if (isDone_) return put(&Item::after);
        for (const Item& item : items_) state_.pictures_.setWork(item.index, item.after);
        isDone_ = true;
    }
    int id() const override { return 1; }
    bool mergeWith(const QUndoCommand* other) override {
        const auto* next = static_cast<const WorkStep*>(other);
        if (next->gesture_ != gesture_ || next->items_.size() != items_.size()) return false;
        text_ = next->text_;
        for (std::size_t i = 0; i < items_.size(); ++i)
            if (next->items_[i].index != items_[i].index) return false;
        bool changes = false;
        for (std::size_t i = 0; i < items_.size(); ++i) {
            items_[i].after = next->items_[i].after;
            changes = changes || items_[i].before != items_[i].after;
        }
        name();
        setObsolete(!changes);
        return true;
    }

private:
    void name() {
        QString text = text_;
        if (text.isEmpty())
            text = QString::fromStdString(editText(items_.front().before.grade, items_.front().after.grade));
        if (items_.size() > 1) text = AppState::tr("%1 (%2 pictures)").arg(text).arg(items_.size());
        setText(text);
    }
    void put(PictureWork Item::*side) {
        Q_EMIT state_.taskTouched(0);
        const bool inSight =
            std::any_of(items_.begin(), items_.end(), [this](const Item& item) { return item.index == state_.key_; });
        if (!inSight) state_.setKey(items_.front().index);
        for (const Item& item : items_) state_.pictures_.setWork(item.index, item.*side);
    }

    AppState& state_;
    std::vector<Item> items_;
    QString text_; ///< empty: told from what differs
    int gesture_;
    bool isDone_ = false;
};

/// One change of the preset files.
class LibraryStep : public QUndoCommand {
public:
    LibraryStep(AppState& state, LibraryEdit edit)
        : QUndoCommand(QString::fromStdString(edit.description)), state_(state), edit_(std::move(edit)) {}

    void undo() override {
        Q_EMIT state_.taskTouched(1);
        if (!state_.changeFiles([&] { revert(edit_); })) setObsolete(true);
    }
    void redo() override {
        if (isDone_) Q_EMIT state_.taskTouched(1);
        isDone_ = true;
        if (!state_.changeFiles([&] { perform(edit_); })) setObsolete(true);
    }

private:
    AppState& state_;
    LibraryEdit edit_;
    bool isDone_ = false;
};

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
        undo_.clear();
        key_ = -1;
        selection_.clear();
        setKey(0);
    });
    connect(&pictures_, &PictureSet::gradeChanged, this, [this](int index) {
        if (index == key_) Q_EMIT shownGradeChanged();
    });
    connect(&pictures_, &PictureSet::said, this, [this](const QString& text) { tell(text); });
    connect(&pictures_, &PictureSet::problem, this, [this](const QString& text) { tell(text, true); });
    reloadPresets();
}

const PictureWork& AppState::keyWork() const {
    static const PictureWork none{startingGrade(), {}, 0, {}};
    return hasKey() ? pictures_.at(key_).work : none;
}

const Grade& AppState::keyGrade() const {
    return keyWork().grade;
}

void AppState::setSelection(std::vector<int> indexes) {
    std::sort(indexes.begin(), indexes.end());
    if (indexes == selection_) return;
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

std::vector<int> AppState::targets() const {
    std::vector<int> all{key_};
    if (editsAll())
        for (const int index : selection_)
            if (index != key_) all.push_back(index);
    return all;
}

void AppState::setKey(int index) {
    if (index == key_ || index < 0 || index >= pictures_.size()) return;
    key_ = index;
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
    chosenStage_ = id;
    endGesture();
    Q_EMIT stageChosen();
}

void AppState::editKey(const Grade& grade, const QString& gesture) {
    if (!hasKey()) return;
    endTrial();
    if (grade == keyGrade()) {
        Q_EMIT shownGradeChanged();
        return;
    }
    if (gesture.isEmpty() || gesture != gesture_) ++gestureNumber_;
    gesture_ = gesture;
    const Grade before = keyGrade();
    std::vector<WorkStep::Item> items;
    for (const int index : targets()) {
        const PictureWork& work = pictures_.at(index).work;
        PictureWork next = work;
        next.grade = index == key_ ? grade : completed(carriedOver(work.grade, before, grade));
        items.push_back({index, work, withoutSpentPresets(next)});
    }
    undo_.push(new WorkStep(*this, std::move(items), {}, gestureNumber_));
}

void AppState::editTargets(const QString& text, const std::function<Grade(const Grade&)>& change) {
    if (!hasKey()) return;
    const bool wasTried = tried_.has_value();
    endTrial();
    std::vector<WorkStep::Item> items;
    for (const int index : targets()) {
        const PictureWork& work = pictures_.at(index).work;
        PictureWork next = work;
        next.grade = completed(change(work.grade));
        if (next != work) items.push_back({index, work, withoutSpentPresets(next)});
    }
    endGesture();
    if (!items.empty()) undo_.push(new WorkStep(*this, std::move(items), text, ++gestureNumber_));
    if (wasTried) Q_EMIT shownGradeChanged();
}

void AppState::editWorks(const QString& text, const WorkChange& change) {
    endGesture();
    pushWorks(text, change);
}

void AppState::pushWorks(const QString& text, const WorkChange& change) {
    if (!hasKey()) return;
    const bool wasTried = tried_.has_value();
    endTrial();
    std::vector<WorkStep::Item> items;
    for (const int index : targets()) {
        const PictureWork& work = pictures_.at(index).work;
        if (PictureWork next = change(work); next != work) items.push_back({index, work, std::move(next)});
    }
    if (gesture_.isEmpty()) ++gestureNumber_;
    if (!items.empty()) undo_.push(new WorkStep(*this, std::move(items), text, gestureNumber_));
    if (wasTried) Q_EMIT shownGradeChanged();
}

std::vector<AppState::HistoryEntry> AppState::history(int index) const {
    std::vector<HistoryEntry> entries;
    for (int i = 0; i < undo_.count(); ++i)
        if (const auto* step = dynamic_cast<const WorkStep*>(undo_.command(i)))
            for (const auto& item : step->items())
                if (item.index == index)
                    entries.push_back({step->text(), item.before.grade, item.after.grade, i < undo_.index()});
    return entries;
}

void AppState::editStage(const std::string& stageId, const QString& gesture,
                         const std::function<void(Stage&)>& change) {
    Grade next = keyGrade();
    const auto place = findStage(next, stageId);
    if (!place) return;
    change(stageAt(next, *place));
    editKey(next, gesture);
}

void AppState::setParameters(const std::string& stageId, const std::map<std::string, Value>& values, bool settled) {
    QString gesture = QString::fromStdString(stageId);
    for (const auto& [id, value] : values) gesture += u'/' + QString::fromStdString(id);
    editStage(stageId, gesture, [&](Stage& stage) {
        const StageType* type = findStageType(stage.type);
        for (const auto& [id, value] : values) {
            const ParameterType* parameter = type ? type->parameter(id) : nullptr;
            if (parameter && value == parameter->defaultValue)
                stage.parameters.erase(id);
            else
                stage.parameters[id] = value;
        }
    });
    if (settled) endGesture();
}

void AppState::applyPreset(const Preset& preset, ApplyMode mode, double strength) {
    if (!hasKey()) return;
    editWorks(tr("Preset %1").arg(QString::fromStdString(preset.name)),
              [&](const PictureWork& work) { return withPreset(work, preset, mode, strength); });
    tell(tr("%1: %2").arg(QString::fromStdString(preset.name), QString::fromStdString(accountOf(preset))));
}

namespace {

/// The place of a preset among those in force of a picture, by name and mode.
std::optional<std::size_t> placeOf(const InForce& entry, const PictureWork& work) {
    for (std::size_t i = 0; i < work.inForce.size(); ++i)
        if (work.inForce[i].preset.name == entry.preset.name && work.inForce[i].mode == entry.mode) return i;
    return std::nullopt;
}

} // namespace

void AppState::changePresetInForce(std::size_t index, const InForce& wanted, const QString& gesture) {
    if (!hasKey() || index >= keyWork().inForce.size()) return;
    const InForce old = keyWork().inForce[index];
    if (gesture.isEmpty() || gesture != gesture_) ++gestureNumber_;
    gesture_ = gesture;
    const QString name = QString::fromStdString(old.preset.name);
    const QString text = wanted.preset.name != old.preset.name
                             ? tr("Swap preset %1 for %2").arg(name, QString::fromStdString(wanted.preset.name))
                         : wanted.isOn != old.isOn
                             ? wanted.isOn ? tr("Preset %1 on").arg(name) : tr("Preset %1 off").arg(name)
                             : tr("Preset %1: strength %2").arg(name).arg(std::lround(wanted.strength * 100));
    const PictureWork* key = &keyWork();
    pushWorks(text, [&](const PictureWork& work) {
        const auto place = &work == key ? std::optional(index) : placeOf(old, work);
        return place ? withPresetChanged(work, *place, wanted) : work;
    });
}

void AppState::takeOffPreset(std::size_t index) {
    if (!hasKey() || index >= keyWork().inForce.size()) return;
    const InForce old = keyWork().inForce[index];
    const PictureWork* key = &keyWork();
    editWorks(tr("Take off preset %1").arg(QString::fromStdString(old.preset.name)), [&](const PictureWork& work) {
        const auto place = &work == key ? std::optional(index) : placeOf(old, work);
        return place ? withoutPreset(work, *place) : work;
    });
}

PictureWork AppState::workForTry(const PictureWork& work) const {
    if (tryIndex_ <= 0 || tryIndex_ != undo_.index()) return work;
    if (const auto* step = dynamic_cast<const WorkStep*>(undo_.command(tryIndex_ - 1)))
        for (const auto& item : step->items())
            if (item.after == work) return item.before;
    return work;
}

void AppState::applyAsTry(const Preset& preset, ApplyMode mode, double strength) {
    if (tryIndex_ == undo_.index() && tryIndex_ > 0) undo_.undo();
    const int before = undo_.index();
    applyPreset(preset, mode, strength);
    tryIndex_ = undo_.index() > before ? undo_.index() : -1;
}

const LibraryEntry* AppState::sourceOf(const InForce& entry) const {
    for (const LibraryEntry& each : presets_)
        if (each.preset && each.kind == LibraryEntry::Kind::Preset && each.name == entry.preset.name) return &each;
    return nullptr;
}

void AppState::savePresetOver(std::size_t index) {
    if (!hasKey() || index >= keyWork().inForce.size()) return;
    const LibraryEntry* source = sourceOf(keyWork().inForce[index]);
    if (!source) return;
    const LibraryEntry entry = *source;
    Preset next = presetAsWorn(keyWork(), index);
    next.covers = entry.preset->covers;
    const std::size_t changed = diff(entry.preset->carried, next.carried).size();
    const QString name = QString::fromStdString(entry.name);
    undo_.beginMacro(tr("Save over %1").arg(name));
    editLibrary([&] { return library_.change(entry, next, tr("Save over %1").arg(name).toStdString()); });
    editWorks(tr("Save over %1").arg(name), [&, key = &keyWork()](const PictureWork& work) {
        return &work == key ? withPresetSavedOver(work, index, next) : work;
    });
    undo_.endMacro();
    tell(tr("%1: %2 values taken over. Undo brings the old ones back").arg(name).arg(changed));
}

AppState::~AppState() {
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
    PictureWork work{startingGrade(), {}, 0, {}};
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
        undo_.push(new LibraryStep(*this, make()));
    } catch (const Error& e) {
        tell(QString::fromStdString(e.what()), true);
    }
}

void AppState::setBefore(const Before& before) {
    if (before == before_) return;
    before_ = before;
    Q_EMIT beforeChanged();
}

Grade AppState::beforeGrade(const Grade& grade) const {
    if (before_.kind == Before::Kind::Kept) return before_.grade;
    Grade before;
    if (before_.kind == Before::Kind::PrepOnly) before.prep = grade.prep;
    return before;
}

} // namespace baryton
