#pragma once
#include "app/picture_set.h"
#include "app/undo_history.h"
#include "package/library.h"

#include <QFileSystemWatcher>
#include <QThreadPool>
#include <QTimer>
#include <functional>
#include <optional>
#include <set>

namespace baryton {

/// What the version before means in comparisons: the source, each picture's Prep alone, each picture's take of a
/// name, or a step of the key picture's history.
struct Before {
    enum class Kind { Source, PrepOnly, Take, Step } kind = Kind::Source;
    QString name; ///< of the take or the step
    Grade grade;  ///< of the step
    bool operator==(const Before&) const = default;
};

/// What the three tasks share: the set, the key picture, the chosen stage, the presets, and the undo of all of it.
/// Every change goes through here; widgets show what this holds and ask for changes.
class AppState : public QObject {
    Q_OBJECT
public:
    explicit AppState(std::filesystem::path libraryRoot, QObject* parent = nullptr);
    ~AppState() override;

    PictureSet& pictures() { return pictures_; }
    const Library& library() const { return library_; }
    UndoHistory& undoHistory() { return undo_; }
    /// What undo reaches from a task (0 Grade, 1 Package, 2 Batch): the key picture's steps; the library's in
    /// Package, and in Grade until another picture is taken up; in Batch its settings.
    UndoHistory::Scope undoScope(int task) const;
    void goBack(int task);
    void goForth(int task);

    int key() const { return key_; } ///< −1 when nothing is open
    void setKey(int index);
    bool hasKey() const { return key_ >= 0; }
    const Grade& keyGrade() const;
    const PictureWork& keyWork() const;
    /// The chosen pictures of the tray, by place; the key picture is one of them.
    const std::vector<int>& selection() const { return selection_; }
    void setSelection(std::vector<int> indexes);
    /// Adds a picture to the chosen ones, or takes it from them. Where that was the key picture, the nearest one that
    /// is still chosen becomes it; the last one stays.
    void toggleChosen(int index);
    /// Whether edits go to all chosen pictures or to the key picture alone.
    bool editsAll() const { return editsAll_ && selection_.size() > 1; }
    void setEditsAll(bool all);
    /// Edits go to the key picture alone from here on. An edit of several that was the last thing done stays on the
    /// key picture and is taken back on the others.
    void editOnlyKey();
    /// The pictures that an edit changes, the key picture first.
    std::vector<int> targets() const;
    /// The grade that is shown: one being tried, else the key picture's.
    const Grade& shownGrade() const { return tried_ ? *tried_ : keyGrade(); }
    /// The same of any picture of the set: what is being tried is tried on all.
    Grade shownGradeOf(int index) const;
    /// Shows what a change would give, without keeping it; an empty one ends it. Any edit ends it too.
    using Trial = std::function<Grade(const Grade&)>;
    void tryChange(const Trial& change);
    /// The same for changes that need to know what is in force.
    using WorkChange = std::function<PictureWork(const PictureWork&)>;
    void tryOnWorks(WorkChange change);
    bool isTrying() const { return tried_.has_value(); }

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
    void keepHistories();

    /// One step that was done to a picture, with the grades around it.
    struct HistoryEntry {
        QString text;
        Grade before, after;
        bool isDone = true; ///< false: undone, and can be done again
    };
    std::vector<HistoryEntry> history(int index) const;

    void editStage(const std::string& stageId, const QString& gesture, const std::function<void(Stage&)>& change);
    /// Sets parameters of a stage; values at their default are not stored. `settled` ends the gesture.
    void setParameters(const std::string& stageId, const std::map<std::string, Value>& values, bool settled);
    /// Ends what edits with the same gesture name had begun. While a hand holds a gesture it goes on.
    void endGesture() {
        if (held_ == 0) gesture_.clear();
    }
    /// A hand takes hold of a control or of the picture: until it lets go, all edits are one step of undo, whatever
    /// they set. One that just let go may still set what it set last.
    void beginGesture();
    void letGo() { held_ = 0; }
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
    /// The library's preset that one in force came from, by name; null when there is none any more.
    const LibraryEntry* sourceOf(const InForce& entry) const;
    /// The same as a try: the next one takes its place, as long as nothing else was done. Undo takes it back.
    void applyAsTry(const Preset& preset, ApplyMode mode, double strength);
    /// What a picture's next try goes onto: its state without the present one, as that would be taken back.
    PictureWork workForTry(const PictureWork& work) const;
    /// What is being tried stays; the next try comes on top.
    void keepTry() { tryRevision_ = -1; }

    /// The presets and LUTs, as read from disk when they last changed. LUT files are read behind the window: until
    /// then they are pending, and presetsChanged follows.
    const std::vector<LibraryEntry>& presets() const { return presets_; }
    const LibraryIndex& libraryIndex() const { return index_; }
    const LibraryEntry* presetEntry(const std::string& item) const;
    void reloadPresets();
    /// Performs a change of the library that can be undone. Problems are told, nothing is then changed.
    void editLibrary(const std::function<LibraryEdit()>& make);
    void toggleFavourite(const LibraryEntry& entry);

    const Before& before() const { return before_; }
    void setBefore(const Before& before);
    /// The version before of a picture. A step is laid over the own Prep of pictures other than the key picture; a
    /// picture without a take of that name shows its source.
    Grade beforeOf(int index) const;
    QString beforeName() const; ///< "before: source"

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

private:
    friend class WorkPart;
    friend class LibraryPart;
    using UndoParts = std::vector<std::unique_ptr<UndoPart>>;
    /// What was done to a picture at an earlier start becomes the first of its steps, once.
    void recallHistory(int index);
    void storeHistories();
    PictureWork startOf(const std::filesystem::path& file, const std::string& camera);
    void endTrial();
    void watchLibrary();
    /// The number that makes edits one step: that of the gesture in hand, or of edits by the same name; 0 for none.
    int gestureFor(const QString& name);
    /// The key picture's grade as the gesture found it.
    Grade gestureStart(int gesture) const;
    UndoParts changedWorks(const std::function<PictureWork(const PictureWork&, int)>& change);
    void doWorks(const QString& text, int gesture, const std::function<PictureWork(const PictureWork&, int)>& change);
    void editWorksInGesture(const QString& text, const WorkChange& change);
    bool changeFiles(const std::function<void()>& change);

    PictureSet pictures_;
    Library library_;
    std::vector<LibraryEntry> presets_;
    LibraryIndex index_;
    std::vector<std::string> groups_;
    std::string toldIndexError_, toldStart_;
    QThreadPool reader_;         ///< of LUT files
    QFileSystemWatcher watcher_; ///< of the library's folders: files put there by hand appear at once
    QTimer watchTimer_;
    UndoHistory undo_;
    std::set<int> recalled_, historyChanged_; ///< pictures
    QTimer historyTimer_;
    QThreadPool historyWriter_;
    bool libraryIsInReach_ = false; ///< changed since the key picture was taken up
    int key_ = -1;
    WorkChange trial_;
    std::optional<Grade> tried_; ///< what the trial makes of the key picture
    std::vector<int> selection_;
    bool editsAll_ = true;
    int manyRevision_ = -1; ///< the undo history's revision just after an edit of several
    QString manyText_;      ///< what that edit was
    std::string chosenStage_;
    QString gesture_;
    int gestureNumber_ = 0;
    int held_ = 0, lastHeld_ = 0; ///< the numbers of the gesture in a hand, and of the last one that was
    int tryRevision_ = -1;        ///< the undo history's revision just after a try
    Before before_;
};

} // namespace baryton
