#include "app/grade/picture_hand.h"
#include "app/widgets/shift_speed.h"

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMouseEvent>

namespace baryton {

PictureHand::PictureHand(PictureView* view, QObject* parent) : QObject(parent), view_(view) {
    view->installEventFilter(this);
}

void PictureHand::startPick(QObject* owner, Pick pick) {
    disconnect(ownerGone_);
    ownerGone_ = connect(owner, &QObject::destroyed, this, &PictureHand::endPick);
    pick_ = std::move(pick);
    view_->setFocus();
    setWorks(works_, places_);
}

void PictureHand::endPick() {
    pick_ = {};
    disconnect(ownerGone_);
    setWorks(works_, places_);
}

void PictureHand::setWorks(bool works, bool places) {
    works_ = works, places_ = places;
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
    if (!works_ || (!places_ && !isOnPicture(picture))) return false;
    drag_ = Drag::Stage;
    Q_EMIT pressed(picture);
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
            Q_EMIT draggedTo(view_->toPicture(from_ + offset * dragSpeed(mouse->modifiers())));
            return true;
        }
        if (drag_ == Drag::Mark) {
            Q_EMIT markMoved(mark_, view_->toPicture(mouse->position()));
            return true;
        }
        break;
    }
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
        break;
    default:
        break;
    }
    return QObject::eventFilter(watched, event);
}

} // namespace baryton
