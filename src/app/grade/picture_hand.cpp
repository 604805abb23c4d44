#include "app/grade/picture_hand.h"
#include "app/widgets/shift_speed.h"

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QTabletEvent>
#include <QWheelEvent>
#include <cmath>

namespace baryton {

PictureHand::PictureHand(PictureView* view, QObject* parent) : QObject(parent), view_(view) {
    view->installEventFilter(this);
}

void PictureHand::startPick(QObject* owner, Pick pick) {
    disconnect(ownerGone_);
    ownerGone_ = connect(owner, &QObject::destroyed, this, &PictureHand::endPick);
    pick_ = std::move(pick);
    view_->setFocus();
    setWorks(works_, how_);
}

void PictureHand::endPick() {
    pick_ = {};
    disconnect(ownerGone_);
    setWorks(works_, how_);
}

void PictureHand::setWorks(bool works, Work how) {
    works_ = works, how_ = how;
    view_->setPressCursor(works || pick_ ? std::optional(Qt::CrossCursor) : std::nullopt);
}

bool PictureHand::isOnPicture(QPointF picture) const {
    return QRectF(QPointF(), QSizeF(view_->pictureSize())).contains(picture);
}

bool PictureHand::press(QMouseEvent* event) {
    const QPointF picture = view_->toPicture(event->position());
    const auto reference = view_->toReference(event->position());
    // The wipe's line is the line all along it, whatever else a press could do there.
    if (view_->onWipeLine(event->position()) && !view_->isPanHeld()) return false;
    if (pick_) {
        if (!reference && !isOnPicture(picture)) return true;
        const Pick take = std::move(pick_);
        endPick();
        take(reference.value_or(picture), reference.has_value());
        return true;
    }
    if (event->button() != Qt::LeftButton || view_->isPanHeld() || reference) return false;
    from_ = event->position();
    mark_ = view_->markAt(from_);
    if (mark_ >= 0) {
        drag_ = Drag::Mark;
        return true;
    }
    if (!works_ || (how_ == Work::Colours && !isOnPicture(picture))) return false;
    drag_ = Drag::Stage;
    Q_EMIT pressed(picture);
    return true;
}

/// Alt with the wheel or with Up and Down changes the size; with Shift too, or with Left and Right, the softness.
bool PictureHand::turnBrush(QEvent* event) {
    if (!works_ || how_ != Work::Paints) return false;
    double larger = 0, softer = 0; // in steps
    if (event->type() == QEvent::Wheel) {
        const auto* wheel = static_cast<QWheelEvent*>(event);
        if (!(wheel->modifiers() & Qt::AltModifier)) return false;
        const QPoint turned = wheel->angleDelta(); // with Alt it comes sideways on some desktops
        (wheel->modifiers() & Qt::ShiftModifier ? softer : larger) =
            (turned.y() != 0 ? turned.y() : turned.x()) / 120.0;
    } else {
        const auto* key = static_cast<QKeyEvent*>(event);
        if (!(key->modifiers() & Qt::AltModifier)) return false;
        larger = (key->key() == Qt::Key_Up) - (key->key() == Qt::Key_Down);
        softer = (key->key() == Qt::Key_Right) - (key->key() == Qt::Key_Left);
        if (larger == 0 && softer == 0) return false;
    }
    constexpr double sizeStep = 1.12, softStep = 0.05;
    Q_EMIT brushTurned(std::pow(sizeStep, larger), softStep * softer);
    return true;
}

bool PictureHand::eventFilter(QObject* watched, QEvent* event) {
    switch (event->type()) {
    case QEvent::MouseButtonPress:
        if (press(static_cast<QMouseEvent*>(event))) return true;
        break;
    case QEvent::MouseMove: {
        const auto* mouse = static_cast<QMouseEvent*>(event);
        const QPointF offset = mouse->position() - from_;
        if (drag_ == Drag::Stage) {
            Q_EMIT dragged({offset.x(), -offset.y()}, mouse->modifiers());
            const double speed = how_ == Work::Places ? dragSpeed(mouse->modifiers()) : 1;
            Q_EMIT draggedTo(view_->toPicture(from_ + offset * speed));
            return true;
        }
        if (drag_ == Drag::Mark) {
            Q_EMIT markMoved(mark_, view_->toPicture(mouse->position()));
            return true;
        }
        break;
    }
    case QEvent::TabletPress:
    case QEvent::TabletMove:
        pressure_ = static_cast<QTabletEvent*>(event)->pressure();
        break; // it comes again as one of the mouse
    case QEvent::TabletRelease:
        pressure_ = 1;
        break;
    case QEvent::Wheel:
        if (turnBrush(event)) return true;
        break;
    case QEvent::MouseButtonRelease:
        if (drag_ == Drag::None) break;
        if (drag_ == Drag::Stage) Q_EMIT released();
        drag_ = Drag::None;
        return true;
    case QEvent::ContextMenu: {
        const auto* menu = static_cast<QContextMenuEvent*>(event);
        Q_EMIT menuWanted(menu->pos(), menu->globalPos());
        return true;
    }
    case QEvent::KeyPress:
        if (pick_ && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
            endPick();
            return true;
        }
        if (turnBrush(event)) return true;
        break;
    default:
        break;
    }
    return QObject::eventFilter(watched, event);
}

} // namespace baryton
