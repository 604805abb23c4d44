#include "app/app_state.h"
#include "base/error.h"
#include "stages/preset_words.h"

namespace baryton {

/// One step of a picture's grade.
class GradeStep : public QUndoCommand {
public:
    GradeStep(AppState& state, int index, Grade before, Grade after, int gesture)
        : QUndoCommand(QString::fromStdString(editText(before, after))), state_(state), index_(index),
          before_(std::move(before)), after_(std::move(after)), gesture_(gesture) {}

    void undo() override { put(before_); }
    void redo() override {
        // The first redo is the edit itself: the picture is already in sight.
        if (isDone_)
            put(after_);
        else
            state_.pictures_.setGrade(index_, after_);
        isDone_ = true;
    }
    int id() const override { return 1; }
    bool mergeWith(const QUndoCommand* other) override {
        const auto* next = static_cast<const GradeStep*>(other);
        if (next->index_ != index_ || next->gesture_ != gesture_) return false;
        after_ = next->after_;
        setText(QString::fromStdString(editText(before_, after_)));
        setObsolete(before_ == after_);
        return true;
    }

private:
    void put(const Grade& grade) {
        Q_EMIT state_.taskTouched(0);
        state_.setKey(index_);
        state_.pictures_.setGrade(index_, grade);
    }

    AppState& state_;
    int index_;
    Grade before_, after_;
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
        if (!state_.changeFiles([&] { Library::revert(edit_); })) setObsolete(true);
    }
    void redo() override {
        if (isDone_) Q_EMIT state_.taskTouched(1);
        isDone_ = true;
        if (!state_.changeFiles([&] { Library::perform(edit_); })) setObsolete(true);
    }

private:
    AppState& state_;
    LibraryEdit edit_;
    bool isDone_ = false;
};

AppState::AppState(std::filesystem::path libraryRoot, QObject* parent)
    : QObject(parent), library_(std::move(libraryRoot)) {
    connect(&pictures_, &PictureSet::opened, this, [this] {
        undo_.clear();
        key_ = -1;
        setKey(0);
    });
    connect(&pictures_, &PictureSet::gradeChanged, this, [this](int index) {
        if (index == key_) Q_EMIT shownGradeChanged();
    });
    connect(&pictures_, &PictureSet::problem, this, [this](const QString& text) { tell(text, true); });
    reloadPresets();
}

const Grade& AppState::keyGrade() const {
    static const Grade none = startingGrade();
    return hasKey() ? pictures_.at(key_).grade : none;
}

void AppState::setKey(int index) {
    if (index == key_ || index < 0 || index >= pictures_.size()) return;
    key_ = index;
    tried_.reset();
    endGesture();
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

void AppState::tryGrade(std::optional<Grade> grade) {
    if (!tried_ && !grade) return;
    tried_ = std::move(grade);
    Q_EMIT shownGradeChanged();
}

void AppState::chooseStage(const std::string& id) {
    if (id == chosenStage_) return;
    chosenStage_ = id;
    endGesture();
    Q_EMIT stageChosen();
}

void AppState::editKey(const Grade& grade, const QString& gesture) {
    if (!hasKey()) return;
    tried_.reset();
    if (grade == keyGrade()) {
        Q_EMIT shownGradeChanged();
        return;
    }
    if (gesture.isEmpty() || gesture != gesture_) ++gestureNumber_;
    gesture_ = gesture;
    undo_.push(new GradeStep(*this, key_, keyGrade(), grade, gestureNumber_));
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

void AppState::applyPreset(const Preset& preset, ApplyMode mode) {
    if (!hasKey()) return;
    editKey(completed(applied(keyGrade(), preset, mode)));
    tell(tr("%1: %2").arg(QString::fromStdString(preset.name), QString::fromStdString(accountOf(preset))));
}

void AppState::reloadPresets() {
    presets_ = library_.entries();
    Q_EMIT presetsChanged();
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

void AppState::setBeforeMeans(BeforeMeans means) {
    if (means == beforeMeans_) return;
    beforeMeans_ = means;
    Q_EMIT beforeMeansChanged();
}

Grade AppState::beforeGrade(const Grade& grade) const {
    Grade before;
    if (beforeMeans_ == BeforeMeans::PrepOnly) before.prep = grade.prep;
    return before;
}

} // namespace baryton
