#pragma once
#include "app/picture_set.h"
#include "package/library.h"

#include <QUndoStack>
#include <functional>
#include <optional>

namespace baryton {

/// What the version before means in comparisons.
enum class BeforeMeans { Source, PrepOnly };

/// What the three tasks share: the set, the key picture, the chosen stage, the presets, and the undo of all of it.
/// Every change goes through here; widgets show what this holds and ask for changes.
class AppState : public QObject {
    Q_OBJECT
public:
    explicit AppState(std::filesystem::path libraryRoot, QObject* parent = nullptr);

    PictureSet& pictures() { return pictures_; }
    const Library& library() const { return library_; }
    QUndoStack& undoStack() { return undo_; }

    int key() const { return key_; } ///< −1 when nothing is open
    void setKey(int index);
    bool hasKey() const { return key_ >= 0; }
    const Grade& keyGrade() const;
    /// The grade that is shown: one being tried, else the key picture's.
    const Grade& shownGrade() const { return tried_ ? *tried_ : keyGrade(); }
    /// Shows a grade without keeping it; nothing ends it. Any edit ends it too.
    void tryGrade(std::optional<Grade> grade);

    const std::string& chosenStage() const { return chosenStage_; }
    void chooseStage(const std::string& id);

    /// Changes the key picture's grade. Edits with the same gesture name become one step of undo until endGesture.
    void editKey(const Grade& grade, const QString& gesture = {});
    void editStage(const std::string& stageId, const QString& gesture, const std::function<void(Stage&)>& change);
    /// Sets parameters of a stage; values at their default are not stored. `settled` ends the gesture.
    void setParameters(const std::string& stageId, const std::map<std::string, Value>& values, bool settled);
    void endGesture() { gesture_.clear(); }
    void applyPreset(const Preset& preset, ApplyMode mode = ApplyMode::Set);

    /// The presets, as read from disk when they last changed.
    const std::vector<LibraryEntry>& presets() const { return presets_; }
    void reloadPresets();
    /// Performs a change of the library that can be undone. Problems are told, nothing is then changed.
    void editLibrary(const std::function<LibraryEdit()>& make);

    BeforeMeans beforeMeans() const { return beforeMeans_; }
    void setBeforeMeans(BeforeMeans means);
    /// The version before of a grade.
    Grade beforeGrade(const Grade& grade) const;

    void tell(const QString& message, bool isProblem = false) { Q_EMIT told(message, isProblem); }

Q_SIGNALS:
    void keyChanged();
    void shownGradeChanged();
    void stageChosen();
    void presetsChanged();
    void beforeMeansChanged();
    /// An undone or redone step belongs to this task (0 Grade, 1 Package, 2 Batch).
    void taskTouched(int task);
    void told(const QString& text, bool isProblem);

private:
    friend class GradeStep;
    friend class LibraryStep;
    bool changeFiles(const std::function<void()>& change);

    PictureSet pictures_;
    Library library_;
    std::vector<LibraryEntry> presets_;
    QUndoStack undo_;
    int key_ = -1;
    std::optional<Grade> tried_;
    std::string chosenStage_;
    QString gesture_;
    int gestureNumber_ = 0;
    BeforeMeans beforeMeans_ = BeforeMeans::Source;
};

} // namespace baryton
