// What changes pictures: each change as a step of undo.
#include "app/app_state.h"
#include "app/undo_parts.h"
#include "base/error.h"
#include "edits/carry_over.h"
#include "edits/in_force.h"
#include "edits/preset_words.h"

#include <algorithm>
#include <cmath>

namespace baryton {

void AppState::beginGesture() {
    gestures_.begin();
}

void AppState::takeBackGesture() {
    letGo();
    endGesture();
    endTrial();
    undo_.takeBack(gestures_.lastHeld());
    // Also where no step was made: a control may show what its press was about to do.
    Q_EMIT shownGradeChanged();
}

void AppState::editKey(const Grade& grade, const QString& gesture) {
    if (!hasKey()) return;
    endTrial();
    if (grade == keyGrade()) {
        Q_EMIT shownGradeChanged();
        return;
    }
    const int number = gestures_.numberFor(gesture);
    const Grade before = keyGrade();
    // Named by all that the gesture did to the key picture.
    const Grade from = gestureStart(number);
    doWorks(QString::fromStdString(editText(from, grade)), number, [&](const PictureWork& work, int index) {
        PictureWork next = work;
        next.grade = index == key() ? grade : completed(carriedOver(work.grade, before, grade));
        return withoutSpentPresets(next);
    });
}

void AppState::editTargets(const QString& text, const std::function<Grade(const Grade&)>& change) {
    resetTargets(text, [&](const Grade& now, const Grade&) { return change(now); });
}

void AppState::resetTargets(const QString& text,
                            const std::function<Grade(const Grade& now, const Grade& opened)>& change) {
    if (!hasKey()) return;
    const bool wasTried = trial_.isOn();
    endTrial();
    endGesture();
    doWorks(text, gestures_.held(), [&](const PictureWork& work, int index) {
        PictureWork next = work;
        next.grade = completed(change(work.grade, pictures_.at(index).opened));
        return next != work ? withoutSpentPresets(next) : next;
    });
    if (wasTried) Q_EMIT shownGradeChanged();
}

void AppState::editWorks(const QString& text, const WorkChange& change) {
    endGesture();
    editWorksInGesture(text, change);
}

void AppState::editWorksInGesture(const QString& text, const WorkChange& change) {
    if (!hasKey()) return;
    const bool wasTried = trial_.isOn();
    endTrial();
    doWorks(text, gestures_.current(), [&](const PictureWork& work, int) { return change(work); });
    if (wasTried) Q_EMIT shownGradeChanged();
}

std::vector<AppState::Version> AppState::versionsOf(int index) const {
    if (index < 0) return {};
    const OpenPicture& picture = pictures_.at(index);
    PictureWork start = picture.start;
    start.takes = picture.work.takes;
    start.from = kStartTake;
    std::vector<Version> versions{{kStartTake, tr("Start"), std::move(start)}};
    for (int i = 0; i < static_cast<int>(picture.work.takes.size()); ++i)
        versions.push_back({i, QString::fromStdString(picture.work.takes[static_cast<std::size_t>(i)].name),
                            withTakeInHand(picture.work, i)});
    return versions;
}

QString AppState::handText(int index) const {
    const PictureWork& work = pictures_.at(index).work;
    for (const Version& version : versionsOf(index))
        if (version.take == work.from) {
            const bool isSame = version.work.grade == work.grade;
            const QString name = version.take == kStartTake ? tr("the start") : version.name;
            return isSame ? tr("as %1").arg(name) : tr("from %1, changed").arg(name);
        }
    return {};
}

void AppState::keepTake() {
    editWorks(tr("Keep a take"), [](const PictureWork& work) { return withTakeKept(work); });
    if (!hasKey() || keyWork().takes.empty()) return;
    tell(tr("Kept as %1. It stays as it is; what you do now goes on from it")
             .arg(QString::fromStdString(keyWork().takes.back().name)));
}

void AppState::goOnFrom(int take) {
    if (!hasKey()) return;
    Q_EMIT aboutToLeave();
    endTrial();
    endGesture();
    const auto versions = versionsOf(key());
    const auto wanted =
        std::find_if(versions.begin(), versions.end(), [take](const Version& v) { return v.take == take; });
    if (wanted == versions.end()) return;
    QString kept;
    doWorks(tr("Go on from %1").arg(wanted->name), 0, [&](const PictureWork& work, int index) {
        const PictureWork& start = pictures_.at(index).start;
        const bool isStart = work.grade == start.grade && work.inForce == start.inForce;
        PictureWork next = work;
        if (!isStart && !isKeptAsTake(work)) {
            next = withTakeKept(work);
            if (index == key()) kept = QString::fromStdString(next.takes.back().name);
        }
        if (take != kStartTake) return withTakeInHand(next, take);
        next.grade = start.grade;
        next.inForce = start.inForce;
        next.from = kStartTake;
        return next;
    });
    Q_EMIT shownGradeChanged();
    tell(kept.isEmpty() ? tr("Going on from %1").arg(wanted->name)
                        : tr("Going on from %1; what was in hand is kept as %2").arg(wanted->name, kept));
}

AppState::UndoParts AppState::changedWorks(const std::function<PictureWork(const PictureWork&, int)>& change) {
    UndoParts parts;
    for (const int index : targets()) {
        histories_.recall(index); // before anything new is done to it
        const PictureWork& work = pictures_.at(index).work;
        if (PictureWork next = change(work, index); next != work)
            parts.push_back(std::make_unique<WorkPart>(pictures_, index, work, std::move(next)));
    }
    return parts;
}

void AppState::doWorks(const QString& text, int gesture,
                       const std::function<PictureWork(const PictureWork&, int)>& change) {
    UndoParts parts = changedWorks(change);
    const std::size_t count = parts.size();
    for (const auto& part : parts) part->redo();
    manyText_ = text;
    undo_.push(count > 1 ? tr("%1 (%2 pictures)").arg(text).arg(count) : text, std::move(parts), gesture);
    manyRevision_ = count > 1 ? undo_.revision() : -1;
}

const LibraryEntry* AppState::presetIn(const std::filesystem::path& file) const {
    for (const LibraryEntry& entry : presets())
        if (entry.preset && entry.file == file) return &entry;
    return nullptr;
}

void AppState::editPictures(const QString& text, const std::map<int, Grade>& grades, UndoSubject alsoIn) {
    Q_EMIT aboutToLeave();
    endTrial();
    UndoParts parts;
    for (const auto& [index, grade] : grades) {
        histories_.recall(index);
        const PictureWork& work = pictures_.at(index).work;
        PictureWork next = work;
        next.grade = grade;
        if (next != work) parts.push_back(std::make_unique<WorkPart>(pictures_, index, work, std::move(next)));
    }
    if (parts.empty()) return;
    const std::size_t count = parts.size();
    for (const auto& part : parts) part->redo();
    parts.push_back(std::make_unique<AlsoReached>(alsoIn));
    undo_.push(count > 1 ? tr("%1 (%2 pictures)").arg(text).arg(count) : text, std::move(parts));
}

void AppState::editOnlyKey() {
    Q_EMIT aboutToLeave();
    endTrial();
    const int others = manyRevision_ == undo_.revision() ? undo_.keepOnly(key(), manyText_) : 0;
    if (others > 0)
        tell(tr("%1 stays on this picture; on %n others it was taken back", nullptr, others).arg(manyText_));
    setEditsAll(false);
}

Grade AppState::gestureStart(int gesture) const {
    const auto entries = undo_.entriesOf(key());
    const auto* last = entries.empty() ? nullptr : dynamic_cast<const WorkPart*>(entries.back().part);
    return last && entries.back().gesture == gesture ? last->before().grade : keyGrade();
}

std::vector<AppState::HistoryEntry> AppState::history(int index) const {
    std::vector<HistoryEntry> entries;
    for (const auto& entry : undo_.entriesOf(index))
        if (const auto* part = dynamic_cast<const WorkPart*>(entry.part))
            entries.push_back({entry.text, part->before().grade, part->after().grade, entry.isDone});
    return entries;
}

UndoHistory::Scope AppState::undoScope(AppTask task) const {
    if (task == AppTask::Batch) return {kBatchSubject};
    UndoHistory::Scope scope;
    if (hasKey()) scope.insert(key());
    if (task == AppTask::Package || libraryIsInReach_) scope.insert(kLibrarySubject);
    return scope;
}

void AppState::goBack(AppTask task) {
    Q_EMIT aboutToLeave();
    endGesture();
    const auto scope = undoScope(task);
    const QString text = undo_.undoText(scope);
    const int kept = undo_.undo(scope);
    if (kept > 0)
        tell(tr("Undone: %1. %n other pictures were changed since and keep their state", nullptr, kept).arg(text));
    else if (kept == 0)
        tell(tr("Undone: %1").arg(text));
}

void AppState::goForth(AppTask task) {
    Q_EMIT aboutToLeave();
    endGesture();
    const auto scope = undoScope(task);
    const QString text = undo_.redoText(scope);
    if (undo_.redo(scope) >= 0) tell(tr("Done again: %1").arg(text));
}

void AppState::takeFound(const ObjectSearch::Wish& wish, const MaskObject& object) {
    if (wish.picture != key())
        return tell(tr("The picture was left before its object was found: draw round it again"));
    Grade next = keyGrade();
    for (Layer& layer : next.look) {
        const auto at = static_cast<std::size_t>(wish.shape);
        const bool isIt = layer.id == wish.layer && layer.mask && at < layer.mask->shapes.size();
        if (!isIt || layer.mask->shapes[at] != wish.before) continue; // changed or undone meanwhile
        layer.mask->shapes[at].form = object;
        editKey(next);
        return;
    }
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
    gestures_.numberFor(gesture);
    const QString name = QString::fromStdString(old.preset.name);
    const QString text = wanted.preset.name != old.preset.name
                             ? tr("Swap preset %1 for %2").arg(name, QString::fromStdString(wanted.preset.name))
                         : wanted.isOn != old.isOn
                             ? wanted.isOn ? tr("Preset %1 on").arg(name) : tr("Preset %1 off").arg(name)
                             : tr("Preset %1: strength %2").arg(name).arg(std::lround(wanted.strength * 100));
    const PictureWork* key = &keyWork();
    editWorksInGesture(text, [&](const PictureWork& work) {
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
    if (tryRevision_ != undo_.revision()) return work;
    for (const int index : targets()) {
        const auto entries = undo_.entriesOf(index);
        const auto* part = entries.empty() ? nullptr : dynamic_cast<const WorkPart*>(entries.back().part);
        if (part && part->after() == work) return part->before();
    }
    return work;
}

void AppState::applyAsTry(const Preset& preset, ApplyMode mode, double strength) {
    if (tryRevision_ == undo_.revision()) undo_.undo({key()});
    const int before = undo_.revision();
    applyPreset(preset, mode, strength);
    tryRevision_ = undo_.revision() > before ? undo_.revision() : -1;
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
    endGesture();
    try {
        LibraryEdit edit = library().change(entry, next, tr("Save over %1").arg(name).toStdString());
        if (!library_.change([&] { perform(edit); })) return;
        UndoParts parts = changedWorks([&, key = this->key()](const PictureWork& work, int of) {
            return of == key ? withPresetSavedOver(work, index, next) : work;
        });
        for (const auto& part : parts) part->redo();
        parts.push_back(std::make_unique<LibraryPart>(library_, std::move(edit)));
        undo_.push(tr("Save over %1").arg(name), std::move(parts));
    } catch (const Error& e) {
        return tell(QString::fromStdString(e.what()), true);
    }
    tell(tr("%1: %2 values taken over. Undo brings the old ones back").arg(name).arg(changed));
}

} // namespace baryton
