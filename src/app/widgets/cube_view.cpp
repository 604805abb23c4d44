#include "app/widgets/cube_view.h"
#include "app/theme/theme.h"
#include "app/widgets/moved_colours.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

constexpr double kFirstTurn = 25, kFirstTilt = 18;
constexpr double kPerPixel = 0.5, kPerKey = 5; ///< degrees

} // namespace

CubeView::CubeView(QWidget* parent) : QWidget(parent), turn_(kFirstTurn), tilt_(kFirstTilt) {
    setFocusPolicy(Qt::StrongFocus);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
    setCursor(Qt::OpenHandCursor);
}

void CubeView::setMoves(std::vector<ColourMove> moves, std::vector<ColourMove> greys) {
    moves_ = std::move(moves), greys_ = std::move(greys);
    update();
    announce(this);
}

void CubeView::setShare(double share) {
    share_ = share;
    update();
}

CubeView::Placed CubeView::placed(const std::array<double, 3>& rgb) const {
    // Greys upright: along the cube's diagonal, and two directions across it.
    const double r = rgb[0] - 0.5, g = rgb[1] - 0.5, b = rgb[2] - 0.5;
    const double up = (r + g + b) / std::numbers::sqrt3, across = (r - g) / std::numbers::sqrt2,
                 along = (r + g - 2 * b) / std::sqrt(6.0);
    const double turn = turn_ * std::numbers::pi / 180, tilt = tilt_ * std::numbers::pi / 180;
    const double x = across * std::cos(turn) - along * std::sin(turn),
                 back = across * std::sin(turn) + along * std::cos(turn);
    const double y = up * std::cos(tilt) - back * std::sin(tilt);
    constexpr double margin = 0.06; // of the room
    const double scale = std::min(width(), height()) * (1 - 2 * margin) / std::numbers::sqrt3;
    return {QPointF(width() / 2.0 + x * scale, height() / 2.0 - y * scale),
            -(up * std::sin(tilt) + back * std::cos(tilt))};
}

QPointF CubeView::place(const std::array<double, 3>& rgb) const {
    return placed(rgb).at;
}

void CubeView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    p.fillRect(rect(), c.well);
    p.setRenderHint(QPainter::Antialiasing);
    // The cube's edges: from each corner to those that differ in one channel.
    p.setPen(QPen(c.scroll, 1));
    for (int corner = 0; corner < 8; ++corner)
        for (int k = 0; k < 3; ++k)
            if (!(corner >> k & 1)) {
                const auto at = [](int bits) {
                    return std::array{double(bits & 1), double(bits >> 1 & 1), double(bits >> 2 & 1)};
                };
                p.drawLine(place(at(corner)), place(at(corner | 1 << k)));
            }
    struct Dot {
        Placed to;
        QPointF from;
        const ColourMove* move;
    };
    std::vector<Dot> dots;
    for (const ColourMove& move : moves_)
        dots.push_back({placed(onItsWay(move, share_)), place(onItsWay(move, 0)), &move});
    std::sort(dots.begin(), dots.end(), [](const Dot& a, const Dot& b) { return a.to.depth < b.to.depth; });
    for (const Dot& dot : dots) {
        constexpr double size = 3.4, nearer = 1.2; // pixels, and how much the nearest are larger
        drawMove(p, *dot.move, dot.from, dot.to.at, share_, size + nearer * dot.to.depth);
    }
    QPolygonF line;
    for (const ColourMove& grey : greys_) line.append(place(onItsWay(grey, share_)));
    p.setPen(QPen(c.accent, 1.5));
    p.drawPolyline(line);
    if (hasFocus()) {
        p.setPen(QPen(c.accent, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

void CubeView::turnTo(double turn, double tilt) {
    turn_ = std::remainder(turn, 360), tilt_ = std::clamp(tilt, -kMostTilt, kMostTilt);
    update();
    announce(this);
}

void CubeView::mousePressEvent(QMouseEvent* event) {
    pressed_ = event->position();
}

void CubeView::mouseMoveEvent(QMouseEvent* event) {
    if (!(event->buttons() & Qt::LeftButton)) return;
    const QPointF way = event->position() - pressed_;
    pressed_ = event->position();
    turnTo(turn_ + way.x() * kPerPixel, tilt_ + way.y() * kPerPixel);
}

void CubeView::mouseDoubleClickEvent(QMouseEvent*) {
    turnTo(kFirstTurn, kFirstTilt);
}

void CubeView::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Left:
        return turnTo(turn_ - kPerKey, tilt_);
    case Qt::Key_Right:
        return turnTo(turn_ + kPerKey, tilt_);
    case Qt::Key_Up:
        return turnTo(turn_, tilt_ - kPerKey);
    case Qt::Key_Down:
        return turnTo(turn_, tilt_ + kPerKey);
    default:
        QWidget::keyPressEvent(event);
    }
}

QString CubeView::inWords() const {
    return tr("%1 colours, turned by %2°, tilted by %3°")
        .arg(moves_.size())
        .arg(std::lround(turn_))
        .arg(std::lround(tilt_));
}

} // namespace baryton
