#include "app/widgets/scrub_cell.h"
#include "app/theme/theme.h"
#include "app/widgets/number_field.h"
#include "app/widgets/shift_speed.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace baryton {

ScrubCell::ScrubCell(const QString& name, double minimum, double maximum, double defaultValue, QWidget* parent)
    : QWidget(parent), value_(defaultValue), minimum_(minimum), maximum_(maximum), default_(defaultValue) {
    setAccessibleName(name);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::SizeHorCursor);
    setMinimumSize(40, 26);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

void ScrubCell::setValue(double value) {
    if (dragging_ || value == value_) return;
    value_ = value;
    update();
}

void ScrubCell::setFaint(bool faint) {
    faint_ = faint;
    update();
}

void ScrubCell::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme::colours();
    const QRectF box = QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5);
    p.setPen(QPen(hasFocus() ? c.accent : c.well, 1));
    p.setBrush(c.well);
    p.drawRoundedRect(box, 3, 3);
    if (wash_ && value_ != default_) {
        QColor wash = wash_(value_);
        const double reach = value_ > default_ ? maximum_ - default_ : default_ - minimum_;
        wash.setAlphaF(static_cast<float>(0.15 + 0.45 * std::min(1.0, std::abs(value_ - default_) / reach)));
        p.setPen(Qt::NoPen);
        p.setBrush(wash);
        p.drawRoundedRect(box, 3, 3);
    }
    p.setPen(faint_ ? c.faint : value_ == default_ ? c.second : c.text);
    const long shown = std::lround(value_);
    const QString sign = shown > 0 && minimum_ < 0 ? QStringLiteral("+")
                         : shown < 0               ? QStringLiteral("−")
                                                   : QString();
    p.drawText(rect(), Qt::AlignCenter, sign + QString::number(std::abs(shown)));
}

void ScrubCell::change(double value, bool settled) {
    value = std::clamp(std::round(value * 10) / 10, minimum_, maximum_);
    if (value == value_ && !settled) return;
    value_ = value;
    update();
    announce(this);
    Q_EMIT edited(value_, settled);
}

void ScrubCell::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    dragging_ = true, moved_ = false;
    from_ = event->position();
    atPress_ = value_;
}

void ScrubCell::mouseMoveEvent(QMouseEvent* event) {
    if (!dragging_) return;
    const double speed = dragSpeed(event->modifiers());
    const double by = (event->position().x() - from_.x()) * speed;
    if (std::abs(by) < 1 && !moved_) return;
    moved_ = true;
    change(std::round(atPress_ + by), false);
}

void ScrubCell::mouseReleaseEvent(QMouseEvent*) {
    if (dragging_ && moved_) Q_EMIT edited(value_, true);
    dragging_ = false;
}

void ScrubCell::mouseDoubleClickEvent(QMouseEvent*) {
    dragging_ = false;
    change(default_, true);
}

void ScrubCell::wheelEvent(QWheelEvent* event) {
    // Only where it was chosen: a table is also scrolled past.
    if (!hasFocus()) {
        event->ignore();
        return;
    }
    change(value_ + (event->angleDelta().y() > 0 ? 1 : -1), false);
    event->accept();
}

void ScrubCell::keyPressEvent(QKeyEvent* event) {
    const double step = keySteps(event->modifiers());
    switch (event->key()) {
    case Qt::Key_Up:
        return change(value_ + step, false);
    case Qt::Key_Down:
        return change(value_ - step, false);
    case Qt::Key_Home:
        return change(default_, true);
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_F2:
        return write({});
    default:
        break;
    }
    const QString text = event->text();
    if (!text.isEmpty() && (text[0].isDigit() || QStringLiteral("+-−(.,").contains(text[0])) &&
        !(event->modifiers() & (Qt::ControlModifier | Qt::AltModifier)))
        return write(text);
    QWidget::keyPressEvent(event);
}

void ScrubCell::focusInEvent(QFocusEvent* event) {
    QWidget::focusInEvent(event);
    Q_EMIT focused();
}

void ScrubCell::write(const QString& begun) {
    auto* field = new NumberField(this);
    field->setAccessibleName(accessibleName());
    field->setGeometry(rect());
    field->setRange(minimum_, maximum_, 0.1);
    field->setFormatter([](double v) { return QString::number(v); });
    field->setValue(value_);
    connect(field, &NumberField::edited, this, &ScrubCell::change);
    // A number that is not taken stays to be mended.
    connect(field, &QLineEdit::editingFinished, this, [this, field] {
        if (field->hasFocus() && field->isModified()) return;
        if (field->hasFocus()) setFocus();
        field->hide();
        field->deleteLater();
    });
    field->show();
    field->setFocus();
    if (begun.isEmpty()) return field->selectAll();
    field->setText(begun);
    field->setModified(true);
}

QString ScrubCell::inWords() const {
    return QString::number(std::lround(value_));
}

std::optional<Readable::Number> ScrubCell::readableNumber() const {
    return Number{value_, minimum_, maximum_, 1};
}

void ScrubCell::takeReadableNumber(double value) {
    change(value, true);
}

} // namespace baryton
