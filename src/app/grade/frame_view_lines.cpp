// The lines that are drawn on the picture to make it straight.
#include "app/grade/frame_view.h"
#include "app/grade/framed_image.h"
#include "app/theme/theme.h"

#include <QKeyEvent>
#include <QPainter>
#include <cmath>

namespace baryton {

namespace {

constexpr double kEndReach = 10; // px, how near to its end the hand holds a line
constexpr double kShortest = 24; // px of the screen: a slip of the hand is no line

QPointF point(PlacedPoint at) {
    return {at.x, at.y};
}

} // namespace

void FrameView::setDrawsLines(bool draws) {
    if (drawsLines_ == draws) return;
    drawsLines_ = draws;
    areLinesRefused_ = false;
    lines_.clear(), pressedLines_.clear();
    if (draws) setFocus();
    setCursor(draws ? Qt::CrossCursor : Qt::ArrowCursor);
    update();
    Q_EMIT drawsLinesChanged(draws);
}

QPointF FrameView::onScreen(PlacedPoint picture) const {
    return turned(
        point(frame_.turn.isNone() ? picture : toStraight(perspective(), picture, size_.width(), size_.height())));
}

PlacedPoint FrameView::inPicture(QPointF position) const {
    const QPointF at = straight(position);
    return frame_.turn.isNone() ? PlacedPoint{at.x(), at.y()} : through(perspective(), {at.x(), at.y()});
}

void FrameView::takeBackLine() {
    lines_ = pressedLines_;
    areLinesRefused_ = false;
    update();
}

void FrameView::pressForLine(QPointF at) {
    pressedLines_ = lines_;
    grip_ = {Grip::Kind::Line, 0, 0};
    areLinesRefused_ = false;
    const PlacedPoint here = inPicture(at);
    if (!lines_.hold(here, kEndReach / pressedScale_)) lines_.begin(here);
    update();
}

void FrameView::takeLine() {
    const FrameLines::Line* held = lines_.held();
    if (!held) return;
    const QPointF along = onScreen(held->places.to) - onScreen(held->places.from);
    const bool isUpright = std::abs(along.y()) > std::abs(along.x());
    if (!lines_.letGo(isUpright, kShortest / pressedScale_) || !lines_.canStraighten()) return;
    CameraTurn known = frame_.turn;
    if (known.isNone()) known.focal = knownFocal(shot_);
    const auto made = lines_.straightening(known, size_.width(), size_.height());
    areLinesRefused_ = !made;
    if (!made) return;
    const auto tenth = [](double degrees) { return std::round(degrees * 10) / 10 + 0.0; };
    Q_EMIT edited({{"tilt", tenth(made->turn.tilt)},
                   {"swing", tenth(made->turn.swing)},
                   {"focal", std::round(made->turn.focal)},
                   {"angle", tenth(made->angle)}},
                  false);
}

void FrameView::drawLines(QPainter& p) const {
    const auto& c = theme::colours();
    for (const FrameLines::Line& line : lines_.lines()) {
        const QPointF from = onScreen(line.places.from), to = onScreen(line.places.to);
        for (const QPen& pen : {QPen(QColor(0, 0, 0, 150), 3.5), QPen(c.accentLight, 1.5)}) {
            p.setPen(pen);
            p.drawLine(from, to);
        }
        for (const QPointF end : {from, to}) {
            p.setPen(QPen(QColor(0, 0, 0, 150), 1));
            p.setBrush(c.accentLight);
            p.drawEllipse(end, 3.5, 3.5);
        }
    }
}

QString FrameView::footText() const {
    const Placement placement = placementIn(frame_, size_);
    const QString size = QStringLiteral("%1 × %2 · ").arg(placement.width).arg(placement.height);
    if (areLinesRefused_)
        return size +
               tr("These lines can't all be made straight: move an end, so that a pair lies farther apart, runs "
                  "together less, or is squarer to the other.");
    if (drawsLines_)
        return size + tr("Draw along two lines that ought to be upright, or level. Ends can be moved. Enter: done");
    return size + tr("Drag inside to move, an edge to resize, outside to turn, with Ctrl along a horizon. L: "
                     "straighten by lines. Enter: done");
}

bool FrameView::event(QEvent* event) {
    // Escape ends the lines before it does anything else.
    if (event->type() == QEvent::ShortcutOverride && drawsLines_ &&
        static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
        event->accept();
        return true;
    }
    return QWidget::event(event);
}

} // namespace baryton
