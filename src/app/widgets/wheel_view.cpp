#include "app/widgets/wheel_view.h"
#include "app/theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {
constexpr double kRadians = std::numbers::pi / 180;
constexpr double kRingReach = 135; ///< degrees to either side of the top for level ±100 %
constexpr double kFine = 0.1;
} // namespace

WheelView::WheelView(const QString& name, std::function<QColor(double)> colourOf, QWidget* parent)
    : QWidget(parent), colourOf_(std::move(colourOf)) {
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(name);
    setMinimumSize(110, 110);
}

double WheelView::ringRadius() const {
    return std::min(width(), height()) / 2.0 - 6;
}
double WheelView::discRadius() const {
    return ringRadius() - 10;
}

QPointF WheelView::discPoint(double hue, double amount) const {
    return centre() + discRadius() * amount * QPointF(std::cos(hue * kRadians), -std::sin(hue * kRadians));
}
QPointF WheelView::puck() const {
    return discPoint(setting_.hue, setting_.amount);
}
QPointF WheelView::ringPoint(double level) const {
    const double angle = (90 - level * kRingReach) * kRadians;
    return centre() + ringRadius() * QPointF(std::cos(angle), -std::sin(angle));
}

bool WheelView::onRing(QPointF pixel) const {
    return hasLevel_ && QLineF(centre(), pixel).length() > discRadius() + 3;
}

void WheelView::setHasLevel(bool has) {
    hasLevel_ = has;
    renderDisc();
    update();
}

void WheelView::setSetting(const Setting& setting) {
    if (setting == setting_) return;
    setting_ = setting;
    update();
}

void WheelView::change(const Setting& next, bool settled) {
    if (next == setting_ && !settled) return;
    setting_ = next;
    update();
    announce(this);
    Q_EMIT edited(setting_, settled);
}

void WheelView::renderDisc() {
    const double ratio = devicePixelRatioF();
    const int side = std::max(1, static_cast<int>(std::ceil(2 * discRadius() * ratio)));
    disc_ = QImage(side, side, QImage::Format_ARGB32_Premultiplied);
    disc_.fill(Qt::transparent);
    for (int y = 0; y < side; ++y)
        for (int x = 0; x < side; ++x) {
            const double dx = (x + 0.5) * 2 / side - 1, dy = 1 - (y + 0.5) * 2 / side, r = std::hypot(dx, dy);
            if (r > 1) continue;
            const QColor rim = colourOf_(std::atan2(dy, dx) / kRadians);
            constexpr double ground = 0x30;
            const auto mixed = [&](int channel) {
                return static_cast<int>(ground + (channel - ground) * r * r * 0.9);
            };
            disc_.setPixelColor(x, y, QColor(mixed(rim.red()), mixed(rim.green()), mixed(rim.blue())));
        }
    disc_.setDevicePixelRatio(ratio);
}

void WheelView::resizeEvent(QResizeEvent*) {
    renderDisc();
}

void WheelView::paintRing(QPainter& p) const {
    const auto& c = theme::colours();
    const double ring = ringRadius();
    // The level: from the top, clockwise for lighter.
    const QRectF arc(centre() - QPointF(ring, ring), QSizeF(2 * ring, 2 * ring));
    p.setPen(QPen(c.edge, 3, Qt::SolidLine, Qt::FlatCap));
    p.drawArc(arc, static_cast<int>((90 - kRingReach) * 16), static_cast<int>(2 * kRingReach * 16));
    if (setting_.level != 0) {
        p.setPen(QPen(c.accent, 3, Qt::SolidLine, Qt::FlatCap));
        p.drawArc(arc, 90 * 16, static_cast<int>(-setting_.level * kRingReach * 16));
    }
    p.setPen(QPen(c.well, 1));
    p.setBrush(Qt::white);
    p.drawEllipse(ringPoint(setting_.level), 4, 4);
}

void WheelView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme::colours();
    const double r = discRadius();
    p.drawImage(QRectF(centre() - QPointF(r, r), QSizeF(2 * r, 2 * r)), disc_);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(hasFocus() ? c.accent : c.edge, 1.5));
    p.drawEllipse(centre(), r, r);
    if (hasLevel_) paintRing(p);
    p.setPen(QPen(QColor(255, 255, 255, 40), 1));
    p.drawLine(centre() - QPointF(5, 0), centre() + QPointF(5, 0));
    p.drawLine(centre() - QPointF(0, 5), centre() + QPointF(0, 5));
    if (setting_.amount > 0) {
        p.setPen(QPen(QColor(255, 255, 255, 110), 1));
        p.drawLine(centre(), puck());
        // The opposite hue, where this one's complement lies.
        p.setPen(QPen(c.text, 1.5));
        p.drawLine(discPoint(setting_.hue + 180, 0.93), discPoint(setting_.hue + 180, 1.03));
        p.setPen(QPen(c.second, 1));
        for (const int beside : {150, 210})
            p.drawLine(discPoint(setting_.hue + beside, 0.95), discPoint(setting_.hue + beside, 1.02));
    }
    p.setPen(QPen(Qt::white, 1.5));
    p.setBrush(setting_.amount > 0 ? colourOf_(setting_.hue) : QColor(0x50, 0x50, 0x50));
    p.drawEllipse(puck(), 5.5, 5.5);
}

void WheelView::pull(QPointF offset) {
    const QPointF at =
        setting_.amount * QPointF(std::cos(setting_.hue * kRadians), std::sin(setting_.hue * kRadians)) + offset;
    Setting next = setting_;
    next.amount = std::clamp(std::hypot(at.x(), at.y()), 0.0, 1.0);
    if (next.amount < 5e-4) next.amount = 0;
    if (next.amount > 0) next.hue = std::fmod(std::atan2(at.y(), at.x()) / kRadians + 360, 360);
    change(next, false);
}

void WheelView::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    dragAt_ = event->position();
    drag_ = onRing(dragAt_) ? Drag::Ring : Drag::Disc;
    if (drag_ == Drag::Disc && QLineF(puck(), dragAt_).length() > 8) {
        const QPointF off = (dragAt_ - puck()) / discRadius();
        pull({off.x(), -off.y()});
    }
    if (drag_ == Drag::Ring) mouseMoveEvent(event);
}

void WheelView::mouseMoveEvent(QMouseEvent* event) {
    const QPointF at = event->position();
    const double speed = event->modifiers() & Qt::ShiftModifier ? kFine : 1;
    if (drag_ == Drag::Disc) {
        const QPointF off = speed * (at - dragAt_) / discRadius();
        pull({off.x(), -off.y()});
    } else if (drag_ == Drag::Ring) {
        const QPointF from = at - centre();
        const double angle = std::atan2(from.x(), -from.y()) / kRadians; // from the top, clockwise
        const double wanted = std::clamp(angle / kRingReach, -1.0, 1.0);
        Setting next = setting_;
        next.level = std::round((setting_.level + (speed < 1 ? speed : 1) * (wanted - setting_.level)) * 200) / 200;
        change(next, false);
    }
    dragAt_ = at;
}

void WheelView::mouseReleaseEvent(QMouseEvent*) {
    if (drag_ == Drag::None) return;
    drag_ = Drag::None;
    Q_EMIT edited(setting_, true);
}

void WheelView::mouseDoubleClickEvent(QMouseEvent* event) {
    drag_ = Drag::None;
    Setting next = setting_;
    if (onRing(event->position()))
        next.level = 0;
    else
        next.hue = next.amount = 0;
    change(next, true);
}

void WheelView::wheelEvent(QWheelEvent* event) {
    if (!hasLevel_) {
        event->ignore();
        return;
    }
    Setting next = setting_;
    next.level = std::clamp(next.level + (event->angleDelta().y() > 0 ? 0.01 : -0.01), -1.0, 1.0);
    change(next, false);
    event->accept();
}

void WheelView::keyPressEvent(QKeyEvent* event) {
    const double step = event->modifiers() & Qt::ShiftModifier ? 0.1 : 0.01;
    Setting next = setting_;
    switch (event->key()) {
    case Qt::Key_Right:
        return pull({step, 0});
    case Qt::Key_Left:
        return pull({-step, 0});
    case Qt::Key_Up:
        return pull({0, step});
    case Qt::Key_Down:
        return pull({0, -step});
    case Qt::Key_PageUp:
        next.level = std::min(1.0, next.level + step);
        return change(next, false);
    case Qt::Key_PageDown:
        next.level = std::max(-1.0, next.level - step);
        return change(next, false);
    case Qt::Key_Home:
        return change({}, true);
    default:
        QWidget::keyPressEvent(event);
    }
}

QString WheelView::inWords() const {
    const QString colour =
        tr("hue %1°, amount %2").arg(std::lround(setting_.hue)).arg(std::lround(setting_.amount * 100));
    return hasLevel_ ? tr("%1, level %2").arg(colour).arg(std::lround(setting_.level * 100)) : colour;
}

} // namespace baryton
