#include "app/grade/stage_card.h"
#include "app/grade/miniatures.h"
#include "app/grade/stage_commands.h"
#include "app/theme/theme.h"

#include <QApplication>
#include <QContextMenuEvent>
#include <QMouseEvent>
#include <QPainter>
#include <cmath>

namespace baryton {

StageCard::StageCard(AppState& state, const std::string& stageId, QWidget* parent)
    : QWidget(parent), state_(state), stageId_(stageId) {
    resize(kSize);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    setMouseTracking(true);
    rest_.setSingleShot(true);
    rest_.setInterval(250);
    connect(&rest_, &QTimer::timeout, this, [this] { setOff(true); });
    if (const auto place = findStage(state.shownGrade(), stageId))
        setAccessibleName(
            QString::fromStdString(stageTitle(state.shownGrade(), stageAt(state.shownGrade(), *place))));
}

void StageCard::paintEvent(QPaintEvent*) {
    const Grade& grade = state_.shownGrade();
    const auto place = findStage(grade, stageId_);
    if (!place) return;
    const Stage& stage = stageAt(grade, *place);
    const StageType* type = findStageType(stage.type);
    const auto& c = theme::colours();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const bool isChosen = state_.chosenStage() == stageId_;
    const bool isOn = stage.isEnabled();
    const QRectF box = QRectF(rect()).adjusted(1, 1, -1, -1);
    const bool lit = isLit();
    p.setPen(QPen(isChosen || lit ? c.accent : hasFocus() ? c.second : c.edge, isChosen ? 2 : 1));
    p.setBrush(lit ? c.accentDim : isOn ? c.raised : c.panel);
    p.drawRoundedRect(box, 4, 4);
    // A stage that is off lets the string pass under it, dimmed.
    if (!isOn) {
        p.setPen(QPen(c.accentDim, 1));
        p.drawLine(QPointF(1, kStringY - kTop), QPointF(width() - 1, kStringY - kTop));
    }
    p.setPen(isOn ? c.text : c.second);
    const QString title = QString::fromStdString(stageTitle(grade, stage));
    QFont font = this->font();
    font.setPixelSize(width() < kSize.width() - 16 ? 10 : 11);
    p.setFont(font);
    // A name that does not fit on one line goes on below, beneath the dot.
    const QFontMetrics metrics(font);
    const int room = width() - 24;
    const qsizetype gap = metrics.horizontalAdvance(title) > room ? title.lastIndexOf(u' ') : -1;
    const QString first = gap > 0 ? title.left(gap) : title, second = gap > 0 ? title.mid(gap + 1) : QString();
    p.drawText(QRectF(7, 4, room, 16), Qt::AlignVCenter | Qt::AlignLeft,
               metrics.elidedText(first, Qt::ElideRight, room));
    p.drawText(QRectF(7, 17, width() - 12, 14), Qt::AlignVCenter | Qt::AlignLeft,
               metrics.elidedText(second, Qt::ElideRight, width() - 12));
    p.setOpacity(isOn ? 1 : 0.45);
    paintMiniature(p, second.isEmpty() ? QRectF(14, 30, width() - 28, 40) : QRectF(14, 36, width() - 28, 35), stage);
    p.setOpacity(1);
    p.setPen(QPen(isOn ? c.accent : c.second, 1.5));
    p.setBrush(isOn && !isNeutral(stage) ? QBrush(c.accent) : isOn ? QBrush(c.accentDim) : QBrush(Qt::NoBrush));
    p.drawEllipse(dot().adjusted(1.5, 1.5, -1.5, -1.5));
    p.setPen(c.second);
    font.setPixelSize(10);
    p.setFont(font);
    const QString foot = !type                        ? tr("unknown")
                         : !type->bakes()             ? tr("not in LUTs")
                         : stage.strengthOrFull() < 1 ? tr("%1 %").arg(std::lround(stage.strengthOrFull() * 100))
                                                      : QString();
    if (mark_.isEmpty() || !isOn || !warns_) {
        p.drawText(QRectF(4, height() - 17, width() - 8, 14), Qt::AlignCenter,
                   mark_.isEmpty() || !isOn ? foot : mark_);
        return;
    }
    // A small triangle and the words, so that it is never told by colour alone.
    const int textWidth = QFontMetrics(font).horizontalAdvance(mark_);
    const double left = (width() - textWidth - 12) / 2.0, base = height() - 6.5;
    p.setPen(QPen(c.error, 1.2));
    p.setBrush(Qt::NoBrush);
    p.drawPolygon(QPolygonF({QPointF(left, base), QPointF(left + 8, base), QPointF(left + 4, base - 7)}));
    p.setPen(c.error);
    p.drawText(QRectF(left + 12, height() - 17, textWidth + 4, 14), Qt::AlignVCenter | Qt::AlignLeft, mark_);
}

bool StageCard::isLit() const {
    if (!state_.isTrying()) return false;
    const auto tried = findStage(state_.shownGrade(), stageId_), own = findStage(state_.keyGrade(), stageId_);
    if (!tried) return false;
    return !own || !(stageAt(state_.shownGrade(), *tried) == stageAt(state_.keyGrade(), *own));
}

void StageCard::refresh() {
    const auto place = findStage(state_.shownGrade(), stageId_);
    if (!place || (stageAt(state_.shownGrade(), *place) == painted_ && isLit() == paintedLit_)) return;
    painted_ = stageAt(state_.shownGrade(), *place);
    paintedLit_ = isLit();
    update();
}

QString StageCard::inWords() const {
    const auto place = findStage(state_.shownGrade(), stageId_);
    if (!place) return {};
    const QString on = stageAt(state_.shownGrade(), *place).isEnabled() ? tr("on") : tr("off");
    return mark_.isEmpty() ? on : tr("%1, %2").arg(on, mark_);
}

void StageCard::setMark(const QString& mark, const QString& sentence, bool warns) {
    setToolTip(sentence);
    if (mark == mark_ && warns == warns_) return;
    mark_ = mark, warns_ = warns;
    update();
}

void StageCard::toggle() {
    state_.editStage(stageId_, {}, [](Stage& stage) {
        if (stage.isEnabled())
            stage.enabled = false;
        else
            stage.enabled.reset();
    });
}

void StageCard::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    if (dot().adjusted(-5, -5, 5, 5).contains(event->position())) {
        rest_.stop();
        setOff(false);
        toggle();
        return;
    }
    pressedAt_ = event->position().toPoint();
    Q_EMIT chosen();
}

void StageCard::mouseMoveEvent(QMouseEvent* event) {
    if (pressedAt_) {
        if ((event->position().toPoint() - *pressedAt_).manhattanLength() > QApplication::startDragDistance())
            dragging_ = true;
        if (dragging_) Q_EMIT dragged(mapToParent(event->position().toPoint()), false);
        return;
    }
    const bool onDot = dot().adjusted(-5, -5, 5, 5).contains(event->position());
    if (onDot && !rest_.isActive() && !isOff_) rest_.start();
    if (!onDot) {
        rest_.stop();
        setOff(false);
    }
}

void StageCard::mouseReleaseEvent(QMouseEvent* event) {
    pressedAt_.reset();
    if (!dragging_) return;
    dragging_ = false;
    Q_EMIT dragged(mapToParent(event->position().toPoint()), true);
}

void StageCard::mouseDoubleClickEvent(QMouseEvent* event) {
    if (!dot().adjusted(-5, -5, 5, 5).contains(event->position())) resetStage(state_, stageId_);
}

void StageCard::leaveEvent(QEvent*) {
    rest_.stop();
    setOff(false);
}

void StageCard::setOff(bool off) {
    if (off == isOff_) return;
    isOff_ = off;
    Q_EMIT heldOff(off);
}

void StageCard::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Space:
        toggle();
        return;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        Q_EMIT chosen();
        return;
    case Qt::Key_Left:
        Q_EMIT walk(-1);
        return;
    case Qt::Key_Right:
        Q_EMIT walk(1);
        return;
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
        Q_EMIT removeWanted();
        return;
    case Qt::Key_Menu:
        Q_EMIT menuWanted(mapToGlobal(rect().center()));
        return;
    default:
        QWidget::keyPressEvent(event);
    }
}

void StageCard::contextMenuEvent(QContextMenuEvent* event) {
    Q_EMIT menuWanted(event->globalPos());
}

} // namespace baryton
