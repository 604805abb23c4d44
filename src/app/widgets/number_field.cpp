#include "app/widgets/number_field.h"
#include "app/widgets/arithmetic.h"

#include <QKeyEvent>
#include <QStyle>
#include <QWheelEvent>
#include <cmath>

namespace baryton {

NumberField::NumberField(QWidget* parent) : QLineEdit(parent) {
    setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    setFixedWidth(62);
    formatter_ = [this](double v) {
        const int digits = step_ >= 1 ? 0 : step_ >= 0.1 ? 1 : 2;
        return QString::number(v, 'f', digits).replace(u'-', QChar(0x2212));
    };
    connect(this, &QLineEdit::returnPressed, this, [this] {
        commit();
        selectAll();
    });
    display();
}

void NumberField::setRange(double minimum, double maximum, double step) {
    minimum_ = minimum, maximum_ = maximum, step_ = step;
    setValue(value_);
}

void NumberField::setFormatter(std::function<QString(double)> formatter) {
    formatter_ = std::move(formatter);
    display();
}

void NumberField::setValue(double value) {
    value_ = held(value);
    if (!(hasFocus() && isModified())) display();
}

double NumberField::held(double value) const {
    if (wraps_) {
        const double span = maximum_ - minimum_;
        value = minimum_ + std::fmod(std::fmod(value - minimum_, span) + span, span);
    }
    return std::clamp(value, minimum_, maximum_);
}

void NumberField::display() {
    setText(formatter_(value_));
    setModified(false);
    markWrong(false);
}

void NumberField::markWrong(bool wrong) {
    if (property("wrong").toBool() == wrong) return;
    setProperty("wrong", wrong);
    style()->unpolish(this);
    style()->polish(this);
    setToolTip(wrong ? tr("This is no number. Write a number or a sum such as 12+3; Escape takes it back.")
                     : QString());
}

void NumberField::commit() {
    if (!isModified()) return;
    const auto typed = evaluateArithmetic(text());
    if (!typed) {
        markWrong(true);
        return;
    }
    const double next = held(*typed);
    const bool changed = next != value_;
    value_ = next;
    display();
    if (changed) Q_EMIT edited(value_, true);
}

void NumberField::nudge(double steps) {
    const double next = held(value_ + steps * step_);
    if (next == value_) return;
    value_ = next;
    display();
    Q_EMIT edited(value_, false);
}

bool NumberField::event(QEvent* event) {
    // Undo belongs to what is being typed only while something is; else to the program.
    if (event->type() == QEvent::ShortcutOverride && !isModified()) {
        const auto* key = static_cast<QKeyEvent*>(event);
        if (key->matches(QKeySequence::Undo) || key->matches(QKeySequence::Redo)) {
            event->ignore();
            return true;
        }
    }
    return QLineEdit::event(event);
}

void NumberField::keyPressEvent(QKeyEvent* event) {
    const double steps = event->modifiers() & Qt::ShiftModifier ? 10 : 1;
    switch (event->key()) {
    case Qt::Key_Up:
        nudge(steps);
        return;
    case Qt::Key_Down:
        nudge(-steps);
        return;
    case Qt::Key_Escape:
        if (isModified()) {
            display();
            return;
        }
        break;
    default:
        break;
    }
    QLineEdit::keyPressEvent(event);
}

void NumberField::wheelEvent(QWheelEvent* event) {
    if (!hasFocus()) { // scrolling past must not change a picture
        event->ignore();
        return;
    }
    nudge(event->angleDelta().y() > 0 ? 1 : -1);
    event->accept();
}

void NumberField::focusInEvent(QFocusEvent* event) {
    QLineEdit::focusInEvent(event);
    selectAll();
}

void NumberField::focusOutEvent(QFocusEvent* event) {
    commit();
    if (property("wrong").toBool()) display(); // the mark says so while one looks at it; leaving takes it back
    QLineEdit::focusOutEvent(event);
}

} // namespace baryton
