#pragma once
#include <QObject>
#include <QString>
#include <memory>
#include <set>
#include <vector>

namespace baryton {

/// What a step of undo changes: a picture of the set by its place (0 and up), or one of those below.
using UndoSubject = int;
constexpr UndoSubject kLibrarySubject = -1, kBatchSubject = -2;

/// One subject's share of a step.
class UndoPart {
public:
    explicit UndoPart(UndoSubject subject) : subject_(subject) {}
    virtual ~UndoPart() = default;
    UndoSubject subject() const { return subject_; }
    /// Both return whether it could be done; a part that could not is forgotten.
    virtual bool undo() = 0;
    virtual bool redo() = 0;
    /// Takes up the part of the next step of the same gesture; false when it can't.
    virtual bool mergeWith(const UndoPart&) { return false; }
    /// After merging: nothing is left of it, the gesture came back to where it began.
    virtual bool changesNothing() const { return false; }

private:
    friend class UndoHistory;
    UndoSubject subject_;
    bool isDone_ = true;
};

/// Steps of undo, each subject with its own order. Undo on a picture takes back what was last done to that picture,
/// wherever else one has worked since. A step that was done to several is taken back on all of them together, but for
/// those that were changed again since: they keep their state, and their share of the step with it.
class UndoHistory : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;
    /// Beyond it the oldest step is forgotten: each holds whole works.
    static constexpr std::size_t kMostSteps = 500;
    /// Undo and redo look at the steps of any of these.
    using Scope = std::set<UndoSubject>;

    /// A step that has just been done. What was undone of its subjects can no longer be redone. Steps with the same
    /// gesture number (above 0), one right after the other, become one.
    void push(const QString& text, std::vector<std::unique_ptr<UndoPart>> parts, int gesture = 0);
    void clear();

    /// How many subjects of the step kept their state, because they were changed since; −1: nothing to undo.
    int undo(const Scope& scope);
    int redo(const Scope& scope);
    /// The last step stays for one subject; for the others it is undone and forgotten. How many those were; none when
    /// it was not of that subject.
    int keepOnly(UndoSubject subject, const QString& text);
    /// Undoes the last step if it is of this gesture, and forgets it.
    void takeBack(int gesture);
    /// What would be undone or redone; a null text when nothing would.
    QString undoText(const Scope& scope) const;
    QString redoText(const Scope& scope) const;

    /// The steps of one subject, in the order they were done.
    struct Entry {
        QString text;
        const UndoPart* part;
        bool isDone; ///< false: undone, and can be done again
        int gesture;
    };
    std::vector<Entry> entriesOf(UndoSubject subject) const;
    /// Changes with every push, undo and redo.
    int revision() const { return revision_; }

Q_SIGNALS:
    void changed();

private:
    struct Step {
        QString text;
        int gesture;
        std::vector<std::unique_ptr<UndoPart>> parts;
    };
    /// The place of the step that undo (redo) comes to next; the count of steps when there is none.
    std::size_t next(const Scope& scope, bool undoing) const;
    int go(const Scope& scope, bool undoing);
    bool isNextFor(const UndoPart& part, std::size_t place, bool undoing) const;
    void forgetEmpty();
    void touch();

    std::vector<Step> steps_; ///< in the order they were done
    int revision_ = 0;
};

} // namespace baryton
