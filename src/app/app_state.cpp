#include "app/app_state.h"
#include "app/undo_parts.h"
#include "base/error.h"
#include "edits/carry_over.h"
#include "edits/in_force.h"
#include "edits/preset_words.h"
#include "package/grade_store.h"

#include <algorithm>
#include <cmath>

namespace baryton {

AppState::AppState(std::filesystem::path libraryRoot, QObject* parent)
    : QObject(parent), library_(std::move(libraryRoot)) {
    const auto tellProblem = [this](const QString& text) { tell(text, true); };
    connect(&pictures_, &PictureSet::opened, this, [this] {
        letGo();
        endGesture();
        objectSearch_.drop();
        histories_.forget();
        undo_.clear();
        selection_.clear();
        setKey(pictures_.first());
    });
    connect(&pictures_, &PictureSet::gradeChanged, this, [this](int index) {
        if (index == key()) Q_EMIT shownGradeChanged();
    });
    connect(&pictures_, &PictureSet::said, this, [this](const QString& text) { tell(text); });
    connect(&pictures_, &PictureSet::problem, this, tellProblem);
    connect(&histories_, &HistoryKeeper::problem, this, tellProblem);
    connect(&objectSearch_, &ObjectSearch::found, this, &AppState::takeFound);
    connect(&objectSearch_, &ObjectSearch::failed, this, tellProblem);
    connect(&library_, &PresetLibrary::problem, this, tellProblem);
    connect(&library_, &PresetLibrary::changed, this, [this] {
        pictures_.setStart([this](const std::filesystem::path& file,
                                  const std::string& camera) { return library_.startOf(file, camera); },
                           !library_.index().startByCamera.empty());
        Q_EMIT presetsChanged();
    });
    library_.reload();
}

AppState::~AppState() {
    histories_.keep();
}

const PictureWork& AppState::keyWork() const {
    static const PictureWork none{startingGrade(), {}, kStartTake, {}};
    return hasKey() ? pictures_.at(key()).work : none;
}

const Grade& AppState::keyGrade() const {
    return keyWork().grade;
}

InputSet AppState::filesInUse() const {
    InputSet files;
    for (int i = 0; i < pictures_.size(); ++i) {
        files.add(pictures_.at(i).file);
        for (const auto& grade : {gradeFileBeside(pictures_.at(i).file), gradeFileInDataFolder(pictures_.at(i).file)})
            files.add(grade);
    }
    for (const LibraryEntry& entry : presets()) files.add(entry.file);
    return files;
}

void AppState::setSelection(std::vector<int> indexes) {
    Selection next = selection_;
    if (!next.choose(std::move(indexes))) return;
    Q_EMIT aboutToLeave();
    selection_ = std::move(next);
    endGesture();
    Q_EMIT targetsChanged();
}

void AppState::setEditsAll(bool all) {
    selection_.setEditsAll(all);
    endGesture();
    Q_EMIT targetsChanged();
}

void AppState::toggleChosen(int index) {
    if (index < 0 || index >= pictures_.size()) return;
    auto next = selection_.toggled(index);
    if (!next) return;
    setKey(next->key);
    setSelection(std::move(next->chosen));
}

void AppState::setKey(int index) {
    if (index == key() || index < 0 || index >= pictures_.size()) return;
    Q_EMIT aboutToLeave();
    selection_.setKey(index);
    histories_.recall(index);
    libraryIsInReach_ = false;
    if (before_.kind == Before::Kind::Step) setBefore({}); // it was the other picture's
    endTrial();
    endGesture();
    if (!selection_.isChosen(index)) setSelection({index});
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
    if (index == key()) return shownGrade();
    return trial_.of(pictures_.at(index).work);
}

void AppState::tryChange(const std::function<Grade(const Grade&)>& change) {
    if (!change) return tryOnWorks({});
    tryOnWorks([change](const PictureWork& work) {
        PictureWork next = work;
        next.grade = change(work.grade);
        return next;
    });
}

void AppState::tryOnWorks(WorkChange change) {
    if (!trial_.isOn() && !change) return;
    trial_.start(std::move(change), keyWork());
    Q_EMIT shownGradeChanged();
}

void AppState::chooseStage(const std::string& id) {
    if (id == chosenStage_) return;
    Q_EMIT aboutToLeave();
    chosenStage_ = id;
    endGesture();
    Q_EMIT stageChosen();
}

void AppState::toggleFavourite(const LibraryEntry& entry) {
    const std::string item = entry.item(), name = entry.name;
    editLibrary([&] {
        LibraryIndex next = library().index();
        bool& is = next.items[item].isFavourite;
        is = !is;
        return library().setIndex(next, (is ? "Favourite " : "No longer a favourite: ") + name);
    });
}

void AppState::editLibrary(const std::function<LibraryEdit()>& make) {
    try {
        LibraryEdit edit = make();
        const QString text = QString::fromStdString(edit.description);
        if (!library_.change([&] { perform(edit); })) return;
        UndoParts parts;
        parts.push_back(std::make_unique<LibraryPart>(library_, std::move(edit)));
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
    return gradeBefore(before_, pictures_.at(index).work, shownGradeOf(index), index == key());
}

QString AppState::beforeName() const {
    return before_.kind == Before::Kind::Source        ? tr("before: source")
           : before_.kind == Before::Kind::WholeSource ? tr("before: uncut source")
           : before_.kind == Before::Kind::PrepOnly    ? tr("before: Prep only")
                                                       : tr("before: %1").arg(before_.name);
}

} // namespace baryton
