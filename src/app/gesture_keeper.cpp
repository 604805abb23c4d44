#include "app/gesture_keeper.h"

#include <QAbstractButton>
#include <QAbstractScrollArea>
#include <QApplication>
#include <QComboBox>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMouseEvent>
#include <QScrollBar>
#include <algorithm>

namespace baryton {

GestureKeeper::GestureKeeper(AppState& state, QObject* parent) : QObject(parent), state_(state) {
    connect(&state, &AppState::aboutToLeave, this, &GestureKeeper::end);
    qApp->installEventFilter(this);
}

void GestureKeeper::watch(QWidget* root) {
    roots_.emplace_back(root);
}

bool GestureKeeper::isKept(const QWidget* widget) const {
    // These act as the button is let go, or not on the picture at all.
    if (qobject_cast<const QAbstractButton*>(widget) || qobject_cast<const QLineEdit*>(widget) ||
        qobject_cast<const QComboBox*>(widget) || qobject_cast<const QScrollBar*>(widget) ||
        qobject_cast<const QAbstractScrollArea*>(widget->parentWidget()))
        return false;
    return std::any_of(roots_.begin(), roots_.end(), [widget](const QPointer<QWidget>& root) {
        return root && (root == widget || root->isAncestorOf(widget));
    });
}

void GestureKeeper::end() {
    if (!pressed_ || isReleasing_) return;
    QWidget* widget = pressed_;
    isReleasing_ = true;
    const QPointF at = widget->mapFromGlobal(QCursor::pos());
    QMouseEvent release(QEvent::MouseButtonRelease, at, QPointF(QCursor::pos()), Qt::LeftButton, Qt::NoButton,
                        Qt::NoModifier);
    QCoreApplication::sendEvent(widget, &release);
    isReleasing_ = false;
    ended_ = pressed_;
    pressed_.clear();
    state_.letGo();
    state_.endGesture();
}

bool GestureKeeper::eventFilter(QObject* watched, QEvent* event) {
    switch (event->type()) {
    case QEvent::MouseButtonPress: {
        ended_.clear();
        auto* widget = qobject_cast<QWidget*>(watched);
        // An event that a widget leaves alone comes again to its parents: the first one is it.
        if (!widget || (pressed_ && widget->isAncestorOf(pressed_)) ||
            static_cast<QMouseEvent*>(event)->button() != Qt::LeftButton || !isKept(widget))
            break;
        pressed_ = widget;
        state_.beginGesture();
        break;
    }
    case QEvent::MouseMove:
        return ended_ && watched == ended_;
    case QEvent::MouseButtonRelease:
        if (isReleasing_) break;
        if (ended_ && watched == ended_) {
            ended_.clear();
            return true;
        }
        if (watched == pressed_) {
            // What the release itself still sets belongs to the gesture by its name.
            pressed_.clear();
            state_.letGo();
        }
        break;
    case QEvent::ShortcutOverride:
    case QEvent::KeyPress:
        if (pressed_ && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
            if (event->type() == QEvent::ShortcutOverride) {
                event->accept();
                return true;
            }
            end();
            state_.takeBackGesture();
            Q_EMIT takenBack();
            return true;
        }
        break;
    default:
        break;
    }
    return QObject::eventFilter(watched, event);
}

} // namespace baryton
