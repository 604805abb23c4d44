#pragma once
#include "app/app_state.h"

#include <QPointer>

namespace baryton {

/// Keeps a gesture of the mouse to the picture, stage and page it began on. A press on a control or on the picture
/// begins one (AppState::beginGesture): all that it sets is one step of undo. Whatever changes picture, stage or page
/// first ends it, as if the button had been let go; what the hand still does until it lets go goes nowhere. Escape
/// takes the gesture back whole.
class GestureKeeper : public QObject {
    Q_OBJECT
public:
    explicit GestureKeeper(AppState& state, QObject* parent = nullptr);
    /// Gestures that begin below this widget are kept.
    void watch(QWidget* root);
    /// Ends the gesture that is going on.
    void end();
    bool isGoingOn() const { return !pressed_.isNull(); }

Q_SIGNALS:
    /// Escape has taken a gesture back: what a widget keeps of it beside the edits goes as well.
    void takenBack();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    bool isKept(const QWidget* widget) const;

    AppState& state_;
    std::vector<QPointer<QWidget>> roots_;
    QPointer<QWidget> pressed_; ///< where the gesture began
    QPointer<QWidget> ended_;   ///< where one was ended that the hand does not know of yet
    bool isReleasing_ = false;
};

} // namespace baryton
