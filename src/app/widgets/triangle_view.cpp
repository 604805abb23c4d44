#include "app/widgets/triangle_view.h"
#include "app/theme/theme.h"
#include "app/widgets/angles.h"
#include "app/widgets/shift_speed.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

// IEC 61966-2-1, x and y of red, green, blue, and D65.
const QPointF kCorners[3] = {{0.64, 0.33}, {0.30, 0.60}, {0.15, 0.06}};
const QPointF kWhite{0.3127, 0.3290};
const QRectF kShown{0.0, -0.10, 0.80, 0.84}; ///< of the xy plane
const QColor kColours[3] = {{0xe0, 0x60, 0x58}, {0x62, 0xb8, 0x62}, {0x60, 0x8a, 0xe0}};

} // namespace

TriangleView::TriangleView(QWidget* parent) : QWidget(parent) {
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Primaries triangle"));
    setMinimumHeight(240);
}

void TriangleView::setCorners(const std::array<Corner, 3>& corners) {
    corners_ = corners;
    update();
}

void TriangleView::setSlid(double share) {
    slid_ = share;
    update();
}

void TriangleView::setCloud(const QVector<QPointF>& chromaticities, const QVector<QColor>& colours) {
    cloud_ = chromaticities, colours_ = colours;
    update();
}

QPointF TriangleView::fromXy(QPointF xy) const {
    const double scale = std::min(width() / kShown.width(), height() / kShown.height());
    return {width() / 2.0 + (xy.x() - kShown.center().x()) * scale,
            height() / 2.0 - (xy.y() - kShown.center().y()) * scale};
}

QPointF TriangleView::xyOf(int corner, double share) const {
    const Corner& c = corners_[static_cast<std::size_t>(corner)];
    const QPointF d = kCorners[corner] - kWhite;
    const double angle = share * c.turn * kRadians, length = 1 + share * c.reach;
    return kWhite + length * QPointF(d.x() * std::cos(angle) - d.y() * std::sin(angle),
                                     d.x() * std::sin(angle) + d.y() * std::cos(angle));
}

QPointF TriangleView::cornerPoint(int corner) const {
    return fromXy(xyOf(corner, 1));
}

void TriangleView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme::colours();
    p.setPen(Qt::NoPen);
    p.setBrush(c.well);
    p.drawRoundedRect(rect(), 4, 4);
    for (qsizetype i = 0; i < cloud_.size(); ++i) {
        QColor colour = colours_[i];
        colour.setAlpha(150);
        p.setBrush(colour);
        p.drawEllipse(fromXy(cloud_[i]), 1.6, 1.6);
    }
    const auto triangle = [&](const std::function<QPointF(int)>& corner) {
        return QPolygonF({corner(0), corner(1), corner(2)});
    };
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(c.edge, 1));
    p.drawPolygon(triangle([this](int i) { return fromXy(kCorners[i]); }));
    if (slid_ < 1) { // where the corners really stand
        p.setPen(QPen(c.second, 1, Qt::DashLine));
        p.drawPolygon(triangle([this](int i) { return fromXy(xyOf(i, slid_)); }));
    }
    p.setPen(QPen(c.text, 1.5));
    p.drawPolygon(triangle([this](int i) { return cornerPoint(i); }));
    p.setPen(QPen(c.second, 1));
    p.drawLine(fromXy(kWhite) - QPointF(4, 0), fromXy(kWhite) + QPointF(4, 0));
    p.drawLine(fromXy(kWhite) - QPointF(0, 4), fromXy(kWhite) + QPointF(0, 4));
    for (int i = 0; i < 3; ++i) {
        p.setPen(QPen(i == chosen_ && hasFocus() ? c.accent : c.text, i == chosen_ ? 2 : 1));
        p.setBrush(kColours[i]);
        p.drawEllipse(cornerPoint(i), 6.5, 6.5);
    }
    if (slid_ < 1) {
        p.setPen(c.second);
        p.drawText(rect().adjusted(8, 6, -8, 0), Qt::AlignTop | Qt::AlignLeft,
                   tr("held at the dashed lines to keep white"));
    }
}

int TriangleView::near(QPointF at) const {
    constexpr double reach = 14;
    for (int i = 0; i < 3; ++i)
        if (QLineF(cornerPoint(i), at).length() < reach) return i;
    return -1;
}

void TriangleView::change(int corner, Corner value, bool settled) {
    value.turn = std::clamp(std::round(value.turn * 10) / 10, -45.0, 45.0);
    value.reach = std::clamp(std::round(value.reach * 1000) / 1000, -0.6, 0.4);
    corners_[static_cast<std::size_t>(corner)] = value;
    update();
    announce(this);
    Q_EMIT edited(corner, value, settled);
}

void TriangleView::mousePressEvent(QMouseEvent* event) {
    const int hit = near(event->position());
    if (hit < 0 || event->button() != Qt::LeftButton) return;
    chosen_ = hit;
    dragging_ = true;
    offset_ = cornerPoint(hit) - event->position();
    update();
}

void TriangleView::mouseMoveEvent(QMouseEvent* event) {
    if (!dragging_) return;
    const double scale = std::min(width() / kShown.width(), height() / kShown.height());
    QPointF to = event->position() + offset_;
    if (event->modifiers() & Qt::ShiftModifier) { // a tenth of the way from where it is
        const QPointF now = cornerPoint(chosen_);
        to = now + (to - now) * 0.1;
        offset_ += (to - event->position() - offset_);
    }
    const QPointF xy(kShown.center().x() + (to.x() - width() / 2.0) / scale,
                     kShown.center().y() - (to.y() - height() / 2.0) / scale);
    const QPointF d = kCorners[chosen_] - kWhite, now = xy - kWhite;
    Corner value;
    value.turn = std::remainder((std::atan2(now.y(), now.x()) - std::atan2(d.y(), d.x())) / kRadians, 360);
    value.reach = std::hypot(now.x(), now.y()) / std::hypot(d.x(), d.y()) - 1;
    change(chosen_, value, false);
}

void TriangleView::mouseReleaseEvent(QMouseEvent*) {
    if (!dragging_) return;
    dragging_ = false;
    change(chosen_, corners_[static_cast<std::size_t>(chosen_)], true);
}

void TriangleView::mouseDoubleClickEvent(QMouseEvent* event) {
    dragging_ = false;
    if (const int hit = near(event->position()); hit >= 0) change(hit, {}, true);
}

void TriangleView::keyPressEvent(QKeyEvent* event) {
    const double step = keySteps(event->modifiers());
    Corner value = corners_[static_cast<std::size_t>(chosen_)];
    switch (event->key()) {
    case Qt::Key_Left:
        value.turn += step;
        return change(chosen_, value, false);
    case Qt::Key_Right:
        value.turn -= step;
        return change(chosen_, value, false);
    case Qt::Key_Up:
        value.reach += step / 100;
        return change(chosen_, value, false);
    case Qt::Key_Down:
        value.reach -= step / 100;
        return change(chosen_, value, false);
    case Qt::Key_Home:
        return change(chosen_, {}, true);
    case Qt::Key_PageUp:
        chosen_ = (chosen_ + 2) % 3;
        return update();
    case Qt::Key_PageDown:
        chosen_ = (chosen_ + 1) % 3;
        return update();
    default:
        QWidget::keyPressEvent(event);
    }
}

QString TriangleView::inWords() const {
    const QString names[] = {tr("red corner"), tr("green corner"), tr("blue corner")};
    const Corner& corner = corners_[static_cast<std::size_t>(chosen_)];
    return tr("%1: turn %2°, reach %3")
        .arg(names[chosen_])
        .arg(std::lround(corner.turn))
        .arg(std::lround(corner.reach * 100));
}

} // namespace baryton
