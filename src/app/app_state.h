#pragma once
#include "app/app_task.h"
#include "app/before.h"
#include "app/carried_files.h"
#include "app/gestures.h"
#include "app/history_keeper.h"
#include "app/mask_tools.h"
#include "app/object_search.h"
#include "app/picture_set.h"
#include "app/preset_library.h"
#include "app/selection.h"
#include "app/trial.h"
#include "app/undo_history.h"
#include "base/output.h"

#include <functional>

namespace baryton {

/// What the three tasks share: the set, the key picture, the chosen stage, the presets, and the undo of all of it.
/// Every change goes through here; widgets show what this holds and ask for changes. What can be said without the
/// others is a part of its own (Selection, Gestures, Trial, Before, PresetLibrary, HistoryKeeper, UndoHistory); this
/// puts them together.
class AppState : public QObject {
    Q_OBJECT
public:
    explicit AppState(std::filesystem::path libraryRoot, QObject* parent = nullptr);
    ~AppState() override;

    PictureSet& pictures() { return pictures_; }
    /// Pixels of pictures as they lie in their files: what LUTs are measured on, behind the window.
    const std::shared_ptr<OwnPixels>& ownPixels() const { return ownPixels_; }
    const Library& library() const { return library_.files(); }
    UndoHistory& undoHistory() { return undo_; }
    MaskTools& maskTools() { return maskTools_; }
    /// What is found becomes an edit of the key picture, where it is still wanted.
    ObjectSearch& objectSearch() { return objectSearch_; }
    CarriedFiles& carriedFiles() { return carriedFiles_; }
    /// What undo reaches from a task: the key picture's steps; the library's in
    /// Package, and in Grade until another picture is taken up; in Batch its settings.
    UndoHistory::Scope undoScope(AppTask task) const;
    void goBack(AppTask task);
    void goForth(AppTask task);

    /// What is open here or stands in the library: nothing that is written may be one of these files.
    InputSet filesInUse() const;

    int key() const { return selection_.key(); } ///< −1 when nothing is open
    void setKey(int index);
    bool hasKey() const { return selection_.hasKey(); }
    const Grade& keyGrade() const;
    const PictureWork& keyWork() const;
    /// The chosen pictures of the tray, by place; the key picture is one of them.
    const std::vector<int>& selection() const { return selection_.chosen(); }
    void setSelection(std::vector<int> indexes);
    /// Adds a picture to the chosen ones, or takes it from them; see Selection::toggled.
    void toggleChosen(int index);
    /// Whether edits go to all chosen pictures or to the key picture alone.
    bool editsAll() const { return selection_.editsAll(); }
    void setEditsAll(bool all);
    /// Edits go to the key picture alone from here on. An edit of several that was the last thing done stays on the
    /// key picture and is taken back on the others.
    void editOnlyKey();
    /// The pictures that an edit changes, the key picture first.
    std::vector<int> targets() const { return selection_.targets(); }
    /// The grade that is shown: one being tried, else the key picture's.
    const Grade& shownGrade() const { return trial_.isOn() ? *trial_.shown() : keyGrade(); }
    /// The same of any picture of the set: what is being tried is tried on all.
    Grade shownGradeOf(int index) const;
    /// Shows what a change would give, without keeping it; an empty one ends it. Any edit ends it too.
    void tryChange(const std::function<Grade(const Grade&)>& change);
    /// The same for changes that need to know what is in force.
    using WorkChange = Trial::Change;
    void tryOnWorks(WorkChange change);
    bool isTrying() const { return trial_.isOn(); }

    const std::string& chosenStage() const { return chosenStage_; }
    void chooseStage(const std::string& id);

    /// Changes the key picture's grade, and the other targets by what differs from it before (see carriedOver). Edits
    /// with the same gesture name become one step of undo until endGesture.
    void editKey(const Grade& grade, const QString& gesture = {});
    /// Changes each target by itself, as one step of undo.
    void editTargets(const QString& text, const std::function<Grade(const Grade&)>& change);
    /// The same with how each picture was opened beside how it is now.
    void resetTargets(const QString& text, const std::function<Grade(const Grade& now, const Grade& opened)>& change);
    /// Changes the takes or the presets in force of each target, as one step of undo.
    void editWorks(const QString& text, const WorkChange& change);

    /// A version of a picture that can be gone back to: where it started, or a take.
    struct Version {
        static constexpr int kInHand = -2; ///< in place of a take: what is in hand
        int take = kStartTake;
        QString name;
        PictureWork work; ///< as it comes into hand
    };
    /// The start first, then the takes in the order they were kept.
    std::vector<Version> versionsOf(int index) const;
    /// What is in hand, in words: "as Take 2", "from the start, changed".
    QString handText(int index) const;
    void keepTake();
    /// Each target goes on from its start or its take at this place. What was in hand and is kept nowhere is kept as
    /// a take first: nothing is lost by looking back.
    void goOnFrom(int take);

    /// Writes the steps of pictures that were changed since, behind the window; the next start of the program finds
    /// them (see package/history_store.h). Returns when they are on the disk.
    void keepHistories() { histories_.keep(); }

    /// One step that was done to a picture, with the grades around it.
    struct HistoryEntry {
        QString text;
        Grade before, after;
        bool isDone = true; ///< false: undone, and can be done again
    };
    std::vector<HistoryEntry> history(int index) const;

    /// Changes pictures of the set by their place, whichever are chosen, as one step of undo that the other subject
    /// reaches too.
    void editPictures(const QString& text, const std::map<int, Grade>& grades, UndoSubject alsoIn);

    void editStage(const std::string& stageId, const QString& gesture, const std::function<void(Stage&)>& change);
    /// Sets parameters of a stage; values at their default are not stored. `settled` ends the gesture.
    void setParameters(const std::string& stageId, const std::map<std::string, Value>& values, bool settled);
    /// Ends what edits with the same gesture name had begun. While a hand holds a gesture it goes on.
    void endGesture() { gestures_.end(); }
    /// A hand takes hold of a control or of the picture: until it lets go, all edits are one step of undo, whatever
    /// they set. One that just let go may still set what it set last.
    void beginGesture();
    void letGo() { gestures_.letGo(); }
    bool isHeld() const { return gestures_.held() != 0; }
    /// Undoes what the last held gesture did, as if it had never been.
    void takeBackGesture();
    /// Puts a preset on each target and lists it as in force there.
    void applyPreset(const Preset& preset, ApplyMode mode = ApplyMode::Set, double strength = 1);
    /// Puts a preset of the key picture on anew, as `wanted` says: other strength, on or off, swapped. Of other
    /// targets those change that have the same preset in force. With a gesture the steps become one.
    void changePresetInForce(std::size_t index, const InForce& wanted, const QString& gesture = {});
    void takeOffPreset(std::size_t index);
    /// Saves the library's preset of that name over with the values that it has on the key picture now.
    void savePresetOver(std::size_t index);
    const LibraryEntry* sourceOf(const InForce& entry) const { return library_.sourceOf(entry); }
    /// The same as a try: the next one takes its place, as long as nothing else was done. Undo takes it back.
    void applyAsTry(const Preset& preset, ApplyMode mode, double strength);
    /// What a picture's next try goes onto: its state without the present one, as that would be taken back.
    PictureWork workForTry(const PictureWork& work) const;
    /// What is being tried stays; the next try comes on top.
    void keepTry() { tryRevision_ = -1; }

    /// As PresetLibrary has them; presetsChanged follows every change.
    const std::vector<LibraryEntry>& presets() const { return library_.entries(); }
    const std::filesystem::path& presetAddedLast() const { return library_.addedLast(); }
    const LibraryIndex& libraryIndex() const { return library_.index(); }
    const LibraryEntry* presetEntry(const std::string& item) const { return library_.entry(item); }
    /// The preset of that file, with its content; null where there is none that can be read.
    const LibraryEntry* presetIn(const std::filesystem::path& file) const;
    void reloadPresets() { library_.reload(); }
    /// Performs a change of the library that can be undone. Problems are told, nothing is then changed.
    void editLibrary(const std::function<LibraryEdit()>& make);
    void toggleFavourite(const LibraryEntry& entry);

    const Before& before() const { return before_; }
    void setBefore(const Before& before);
    Grade beforeOf(int index) const; ///< see gradeBefore
    QString beforeName() const;      ///< "before: source"

    void tell(const QString& message, bool isProblem = false) { Q_EMIT told(message, isProblem); }

Q_SIGNALS:
    /// The picture, the stage, the page or what is undone is about to change: a gesture ends first.
    void aboutToLeave();
    void keyChanged();
    void shownGradeChanged();
    void stageChosen();
    void targetsChanged();
    void presetsChanged();
    void beforeChanged();
    void told(const QString& text, bool isProblem);
    /// A preset is to be tried on the whole set.
    void surveyWanted(const std::filesystem::path& preset);
    /// A page of the guide is to be opened beside the work.
    void guideWanted(const QString& page);

private:
    using UndoParts = std::vector<std::unique_ptr<UndoPart>>;
    void endTrial() { trial_.end(); }
    /// The key picture's grade as the gesture found it.
    Grade gestureStart(int gesture) const;
    void takeFound(const ObjectSearch::Wish& wish, const MaskObject& object);
    UndoParts changedWorks(const std::function<PictureWork(const PictureWork&, int)>& change);
    void doWorks(const QString& text, int gesture, const std::function<PictureWork(const PictureWork&, int)>& change);
    void editWorksInGesture(const QString& text, const WorkChange& change);

    PictureSet pictures_;
    std::shared_ptr<OwnPixels> ownPixels_ = std::make_shared<OwnPixels>();
    PresetLibrary library_;
    UndoHistory undo_;
    HistoryKeeper histories_{pictures_, undo_};
    Selection selection_;
    Gestures gestures_;
    Trial trial_;
    Before before_;
    MaskTools maskTools_;
    ObjectSearch objectSearch_;
    CarriedFiles carriedFiles_;
    std::string chosenStage_;
    bool libraryIsInReach_ = false; ///< changed since the key picture was taken up
    int manyRevision_ = -1;         ///< the undo history's revision just after an edit of several
    QString manyText_;              ///< what that edit was
    int tryRevision_ = -1;          ///< the undo history's revision just after a try
};

} // namespace baryton
