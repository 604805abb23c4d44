#pragma once
#include <QString>

namespace baryton {

/// Which edits become one step of undo: those of one gesture number, one right after the other. While a hand holds a
/// control every edit is of its gesture; else those of the same name are, until that ends.
class Gestures {
public:
    /// The number of an edit with this name; without one it stands alone.
    int numberFor(const QString& name);
    /// The number that goes on: that of the gesture in hand, or of the name last used; 0 when neither.
    int current() const { return held_ != 0 ? held_ : name_.isEmpty() ? 0 : number_; }
    /// Ends what edits of one name had begun. While a hand holds a gesture it goes on.
    void end() {
        if (held_ == 0) name_.clear();
    }
    /// A hand takes hold, and lets go. One that just let go may still set what it set last.
    void begin();
    void letGo() { held_ = 0; }
    int held() const { return held_; }         ///< 0 when no hand holds one
    int lastHeld() const { return lastHeld_; } ///< the one in a hand, or the last one that was

private:
    QString name_;
    int number_ = 0, held_ = 0, lastHeld_ = 0;
};

} // namespace baryton
