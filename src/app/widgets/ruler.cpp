#include "app/widgets/ruler.h"
#include "app/theme/theme.h"
#include "app/widgets/shift_speed.h"

#include <QKeyEvent>
#include <QLocale>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {
constexpr double kMargin = 4;
} // namespace

Ruler::Ruler(QWidget* parent) : QWidget(parent) {
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::SizeHorCursor);
}

void Ruler::setRange(double minimum, double maximum, double step, double defaultValue) {
    minimum_ = minimum, maximum_ = maximum, step_ = step, default_ = defaultValue;
    update();
}

void Ruler::setScale(std::function<double(double)> toPlace, std::function<double(double)> toValue) {
    toPlace_ = std::move(toPlace), toValue_ = std::move(toValue);
}

void Ruler::setStrip(const QGradientStops& stops) {
    strip_ = stops;
    update();
}

void Ruler::setValue(double value) {
    value_ = std::clamp(value, minimum_, maximum_);
    update();
}

double Ruler::place(double value) const {
    return toPlace_ ? toPlace_(value) : (value - minimum_) / (maximum_ - minimum_);
}

double Ruler::xOf(double value) const {
    return kMargin + place(value) * (width() - 2 * kMargin);
}

void Ruler::moveTo(double value, bool settled) {
    value = std::clamp(std::round(value / step_) * step_, minimum_, maximum_);
    if (value == value_ && !settled) return;
    value_ = value;
    update();
    announce(this);
    Q_EMIT edited(value_, settled);
}

void Ruler::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    if (!isEnabled()) p.setOpacity(0.35);
    const auto& c = theme::colours();
    const double y = height() / 2.0;
    if (!strip_.isEmpty()) {
        QLinearGradient gradient(kMargin, 0, width() - kMargin, 0);
        gradient.setStops(strip_);
        p.setPen(Qt::NoPen);
        p.setBrush(gradient);
        p.drawRoundedRect(QRectF(kMargin, y - 3, width() - 2 * kMargin, 6), 3, 3);
    } else {
        p.setPen(QPen(c.scroll, 2));
        p.drawLine(QPointF(kMargin, y), QPointF(width() - kMargin, y));
        const double from = xOf(std::clamp(default_, minimum_, maximum_)), to = xOf(value_);
        p.setPen(QPen(c.scroll, 1));
        p.drawLine(QPointF(from, y - 5), QPointF(from, y + 5));
        if (from != to) {
            p.setPen(QPen(c.accent, 2));
            p.drawLine(QPointF(from, y), QPointF(to, y));
        }
    }
    const QRectF handle(xOf(value_) - 2, y - 6, 4, 12);
    p.setPen(hasFocus() ? QPen(c.accent, 1.5) : QPen(c.well, 1));
    p.setBrush(theme::kind() == theme::Kind::Dark ? QColor(Qt::white) : c.text);
    p.drawRoundedRect(handle, 1.5, 1.5);
}

void Ruler::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    dragPlace_ = place(value_);
    dragX_ = event->position().x();
}

void Ruler::mouseMoveEvent(QMouseEvent* event) {
    if (!dragPlace_) return;
    const double x = event->position().x();
    const double speed = dragSpeed(event->modifiers());
    if (x == dragX_) return;
    dragPlace_ = std::clamp(*dragPlace_ + speed * (x - dragX_) / (width() - 2 * kMargin), 0.0, 1.0);
    dragX_ = x;
    moveTo(toValue_ ? toValue_(*dragPlace_) : minimum_ + *dragPlace_ * (maximum_ - minimum_), false);
}

void Ruler::mouseReleaseEvent(QMouseEvent*) {
    if (!dragPlace_) return;
    dragPlace_.reset();
    Q_EMIT edited(value_, true);
}

void Ruler::mouseDoubleClickEvent(QMouseEvent*) {
    dragPlace_.reset();
    value_ = default_;
    update();
    Q_EMIT edited(value_, true);
}

void Ruler::wheelEvent(QWheelEvent* event) {
    if (!hasFocus()) { // scrolling past must not change a picture
        event->ignore();
        return;
    }
    moveTo(value_ + (event->angleDelta().y() > 0 ? step_ : -step_), false);
    event->accept();
}

void Ruler::keyPressEvent(QKeyEvent* event) {
    const double steps = keySteps(event->modifiers());
    switch (event->key()) {
    case Qt::Key_Right:
    case Qt::Key_Up:
        moveTo(value_ + steps * step_, false);
        return;
    case Qt::Key_Left:
    case Qt::Key_Down:
        moveTo(value_ - steps * step_, false);
        return;
    case Qt::Key_Home:
        value_ = default_;
        update();
        Q_EMIT edited(value_, true);
        return;
    default:
        QWidget::keyPressEvent(event);
    }
}

QString Ruler::inWords() const {
    return QLocale::c().toString(value_, 'g', 6);
}

std::optional<Readable::Number> Ruler::readableNumber() const {
    return Number{value_, minimum_, maximum_, step_};
}

void Ruler::takeReadableNumber(double value) {
    moveTo(value, true);
}

} // namespace baryton
