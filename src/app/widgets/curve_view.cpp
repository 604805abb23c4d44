#include "app/widgets/curve_view.h"
#include "app/theme/theme.h"
#include "app/widgets/shift_speed.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {
constexpr double kPointReach = 9;            ///< pixels within which a point is taken
constexpr double kLeastDistance = 1.0 / 128; ///< between points, in x
const CurveView::Points kStraight = {{0, 0}, {1, 1}};
} // namespace

CurveView::CurveView(QWidget* parent) : QWidget(parent), points_(kStraight), rest_(kStraight) {
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    QSizePolicy policy(QSizePolicy::Expanding, QSizePolicy::Preferred);
    policy.setHeightForWidth(true);
    setSizePolicy(policy);
    setMinimumSize(200, 200);
}

void CurveView::setPoints(const Points& points) {
    const Points next = points.size() < 2 ? kStraight : points;
    if (next == points_) return;
    points_ = next;
    if (selected_ >= points_.size()) select(-1);
    update();
}

void CurveView::setRest(const Points& points) {
    rest_ = points;
    ground_ = {};
    update();
}

void CurveView::setColour(const QColor& colour) {
    colour_ = colour;
    update();
}

void CurveView::setOthers(const QVector<std::pair<Points, QColor>>& others) {
    if (others == others_) return;
    others_ = others;
    ground_ = {};
    update();
}

void CurveView::setHistogram(const QVector<double>& counts) {
    if (counts == histogram_) return;
    histogram_ = counts;
    ground_ = {};
    update();
}

void CurveView::setMarker(std::optional<double> x) {
    if (marker_ == x) return;
    marker_ = x;
    update();
}

void CurveView::select(int index) {
    selected_ = index;
    update();
    announce(this);
    Q_EMIT selectionChanged(index);
}

QRectF CurveView::square() const {
    constexpr double margin = 6;
    const double side = std::min(width(), height()) - 2 * margin;
    return {(width() - side) / 2, margin, side, side};
}

QPointF CurveView::toWidget(QPointF point) const {
    const QRectF s = square();
    return {s.left() + point.x() * s.width(), s.bottom() - point.y() * s.height()};
}

QPointF CurveView::fromWidget(QPointF pixel) const {
    const QRectF s = square();
    return {(pixel.x() - s.left()) / s.width(), (s.bottom() - pixel.y()) / s.height()};
}

void CurveView::paintShape(QPainter& painter, const Points& points, const QPen& pen) const {
    if (!makeShape_) return;
    const Shape shape = makeShape_(points);
    QPainterPath path;
    constexpr int every = 2; // pixels; a finer line looks the same
    const int steps = std::max(2, static_cast<int>(square().width()) / every);
    for (int i = 0; i <= steps; ++i) {
        const double x = double(i) / steps;
        const QPointF at = toWidget({x, std::clamp(shape(x), -0.02, 1.02)});
        i == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    painter.setPen(pen);
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(path);
}

QPixmap CurveView::drawnGround() const {
    QPixmap drawn(size() * devicePixelRatioF());
    drawn.setDevicePixelRatio(devicePixelRatioF());
    drawn.fill(Qt::transparent);
    QPainter p(&drawn);
    const QRectF s = square();
    p.fillRect(s, theme::colours().well);
    p.setRenderHint(QPainter::Antialiasing);
    if (!histogram_.isEmpty()) {
        // A root keeps a lone peak from pressing everything else flat.
        const double most = std::sqrt(std::max(1.0, *std::max_element(histogram_.begin(), histogram_.end())));
        QPainterPath path(s.bottomLeft());
        for (int i = 0; i < histogram_.size(); ++i)
            path.lineTo(s.left() + s.width() * i / (histogram_.size() - 1),
                        s.bottom() - 0.55 * s.height() * std::sqrt(histogram_[i]) / most);
        path.lineTo(s.bottomRight());
        p.fillPath(path, theme::colours().counts);
    }
    p.setPen(QPen(theme::colours().grid, 1));
    for (int i = 1; i < 4; ++i) {
        p.drawLine(toWidget({i / 4.0, 0}), toWidget({i / 4.0, 1}));
        p.drawLine(toWidget({0, i / 4.0}), toWidget({1, i / 4.0}));
    }
    p.setPen(QPen(theme::colours().edge, 1, Qt::DashLine));
    p.drawLine(toWidget(rest_.first()), toWidget(rest_.last()));
    p.setClipRect(s.adjusted(-1, -1, 1, 1));
    for (const auto& [points, colour] : others_) {
        QColor faint = colour;
        faint.setAlpha(130);
        paintShape(p, points, QPen(faint, 1.2));
    }
    return drawn;
}

void CurveView::resizeEvent(QResizeEvent*) {
    ground_ = {};
}

void CurveView::changeEvent(QEvent* event) {
    ground_ = {}; // another theme has other colours
    QWidget::changeEvent(event);
}

void CurveView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    const QRectF s = square();
    if (ground_.isNull() || ground_.devicePixelRatio() != devicePixelRatioF()) ground_ = drawnGround();
    p.drawPixmap(0, 0, ground_);
    p.setRenderHint(QPainter::Antialiasing);
    if (marker_) {
        p.setPen(QPen(c.accentDim, 1));
        p.drawLine(toWidget({*marker_, 0}), toWidget({*marker_, 1}));
        if (makeShape_) {
            p.setPen(Qt::NoPen);
            p.setBrush(c.accent);
            p.drawEllipse(toWidget({*marker_, std::clamp(makeShape_(points_)(*marker_), 0.0, 1.0)}), 3, 3);
        }
    }
    p.setClipRect(s.adjusted(-1, -1, 1, 1));
    paintShape(p, points_, QPen(colour_, 1.8));
    p.setClipping(false);
    for (int i = 0; i < points_.size(); ++i) {
        const QPointF at = toWidget(points_[i]);
        const double r = i == selected_ ? 5.5 : 4.5;
        const QPolygonF diamond({at + QPointF(0, -r), at + QPointF(r, 0), at + QPointF(0, r), at + QPointF(-r, 0)});
        p.setPen(QPen(i == selected_ ? c.accent : c.text, 1.5));
        p.setBrush(i == selected_ ? c.accent : c.well);
        p.drawPolygon(diamond);
    }
    if (hasFocus()) {
        p.setPen(QPen(c.accentDim, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(s.adjusted(-1, -1, 0, 0));
    }
}

int CurveView::pointNear(QPointF pixel) const {
    for (int i = 0; i < points_.size(); ++i)
        if (QLineF(toWidget(points_[i]), pixel).length() < kPointReach) return i;
    return -1;
}

void CurveView::takePointAt(double x) {
    x = std::clamp(x, 0.0, 1.0);
    for (int i = 0; i < points_.size(); ++i)
        if (std::abs(points_[i].x() - x) < 2 * kLeastDistance) {
            select(i);
            return;
        }
    const double y = makeShape_ ? std::clamp(makeShape_(points_)(x), 0.0, 1.0) : x;
    const auto at = std::lower_bound(points_.begin(), points_.end(), x,
                                     [](const QPointF& p, double value) { return p.x() < value; });
    const auto index = static_cast<int>(at - points_.begin());
    points_.insert(index, {x, y});
    select(index);
}

void CurveView::moveSelected(QPointF to, bool settled) {
    if (selected_ < 0 || selected_ >= points_.size()) return;
    const double low = selected_ > 0 ? points_[selected_ - 1].x() + kLeastDistance : 0;
    const double high = selected_ + 1 < points_.size() ? points_[selected_ + 1].x() - kLeastDistance : 1;
    points_[selected_] = {std::clamp(to.x(), std::min(low, high), high), std::clamp(to.y(), 0.0, 1.0)};
    update();
    announce(this);
    Q_EMIT edited(points_, settled);
}

void CurveView::removePoint(int index) {
    if (index <= 0 || index + 1 >= points_.size()) {
        // The ends stay; they go back to where they rest.
        points_[index] = index == 0 ? rest_.first() : rest_.last();
    } else {
        points_.removeAt(index);
        select(-1);
    }
    update();
    announce(this);
    Q_EMIT edited(points_, true);
}

void CurveView::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    const int near = pointNear(event->position());
    if (near >= 0) {
        select(near);
    } else {
        const QPointF at = fromWidget(event->position());
        if (at.x() < 0 || at.x() > 1) return;
        takePointAt(at.x());
        moveSelected(at, false);
    }
    dragging_ = true;
    dragAt_ = event->position();
    dragPoint_ = points_[selected_];
}

void CurveView::mouseMoveEvent(QMouseEvent* event) {
    if (!dragging_) {
        setCursor(pointNear(event->position()) >= 0 ? Qt::SizeAllCursor : Qt::CrossCursor);
        return;
    }
    const double speed = dragSpeed(event->modifiers());
    const QPointF from = fromWidget(dragAt_), to = fromWidget(event->position());
    dragPoint_ += speed * (to - from);
    dragAt_ = event->position();
    moveSelected(dragPoint_, false);
}

void CurveView::mouseReleaseEvent(QMouseEvent*) {
    if (!dragging_) return;
    dragging_ = false;
    Q_EMIT edited(points_, true);
}

void CurveView::mouseDoubleClickEvent(QMouseEvent* event) {
    dragging_ = false;
    if (const int near = pointNear(event->position()); near >= 0) removePoint(near);
}

void CurveView::keyPressEvent(QKeyEvent* event) {
    const double step = keySteps(event->modifiers()) / 255.0;
    const bool chosen = selected_ >= 0 && selected_ < points_.size();
    const auto move = [&](double dx, double dy) {
        if (chosen) moveSelected(points_[selected_] + QPointF(dx, dy), false);
    };
    switch (event->key()) {
    case Qt::Key_Up:
        return move(0, step);
    case Qt::Key_Down:
        return move(0, -step);
    case Qt::Key_Left:
        return move(-step, 0);
    case Qt::Key_Right:
        return move(step, 0);
    case Qt::Key_PageUp:
        return select((selected_ + 1) % static_cast<int>(points_.size()));
    case Qt::Key_PageDown:
        return select(selected_ <= 0 ? static_cast<int>(points_.size()) - 1 : selected_ - 1);
    case Qt::Key_Insert: { // midway to the next point
        const int from = std::clamp(selected_, 0, static_cast<int>(points_.size()) - 2);
        return takePointAt((points_[from].x() + points_[from + 1].x()) / 2);
    }
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
        if (chosen) removePoint(selected_);
        return;
    default:
        QWidget::keyPressEvent(event);
    }
}

QString CurveView::inWords() const {
    const auto count = std::max<qsizetype>(2, points_.size());
    if (selected_ < 0 || selected_ >= points_.size()) return tr("%1 points").arg(count);
    const QPointF at = points_[selected_] * 255;
    return tr("point %1 of %2: %3 to %4")
        .arg(selected_ + 1)
        .arg(count)
        .arg(std::lround(at.x()))
        .arg(std::lround(at.y()));
}

} // namespace baryton
