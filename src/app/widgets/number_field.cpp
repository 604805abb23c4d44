#include "app/widgets/number_field.h"
#include "app/widgets/arithmetic.h"
#include "app/widgets/shift_speed.h"

#include <QApplication>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QStyle>
#include <QToolTip>
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
    const QString shown = formatter_(value_);
    // A number that is chosen whole stays chosen when it is shown anew: the next digit is to replace it.
    const bool wasWhole = hasSelectedText() && selectedText() == text();
    if (shown != text()) setText(shown);
    if (wasWhole) selectAll();
    setModified(false);
    markWrong({});
}

void NumberField::say(const QString& text) {
    QToolTip::showText(mapToGlobal(QPoint(0, height() - 8)), text, this);
}

void NumberField::markWrong(const QString& why) {
    if (wrong_ == why) return;
    wrong_ = why;
    setProperty("wrong", !why.isEmpty());
    style()->unpolish(this);
    style()->polish(this);
    if (why.isEmpty())
        QToolTip::hideText();
    else
        say(why);
}

void NumberField::commit() {
    if (!isModified()) return;
    const auto typed = evaluateArithmetic(text());
    if (!typed)
        return markWrong(tr("This is no number. Write a number or a sum such as 12+3; Escape takes it back."));
    // An angle may be given from the other side; anything further is a slip.
    const double beyond = wraps_ ? maximum_ - minimum_ : (maximum_ - minimum_) * 1e-9;
    if (*typed < minimum_ - beyond || *typed > maximum_ + beyond)
        return markWrong(tr("From %1 to %2. Escape takes it back.").arg(formatter_(minimum_), formatter_(maximum_)));
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
    if (event->type() == QEvent::ToolTip && !wrong_.isEmpty()) {
        say(wrong_);
        return true;
    }
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
    isFresh_ = false;
    const double steps = keySteps(event->modifiers());
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

void NumberField::mousePressEvent(QMouseEvent* event) {
    pressedAt_ = event->pos();
    QLineEdit::mousePressEvent(event);
    if (isFresh_) selectAll();
}

void NumberField::mouseMoveEvent(QMouseEvent* event) {
    // A hand is never quite still: only a real pull chooses a part.
    if (isFresh_ && (event->pos() - pressedAt_).manhattanLength() < QApplication::startDragDistance()) return;
    isFresh_ = false;
    QLineEdit::mouseMoveEvent(event);
}

void NumberField::mouseReleaseEvent(QMouseEvent* event) {
    isFresh_ = false;
    QLineEdit::mouseReleaseEvent(event);
}

void NumberField::focusInEvent(QFocusEvent* event) {
    QLineEdit::focusInEvent(event);
    selectAll();
    isFresh_ = true;
}

void NumberField::focusOutEvent(QFocusEvent* event) {
    commit();
    if (!wrong_.isEmpty()) {
        // The number that holds stands there again; what was wrong with the other is still said.
        const QString why = tr("%1 was not taken: %2").arg(text(), wrong_);
        display();
        say(why);
    }
    QLineEdit::focusOutEvent(event);
}

} // namespace baryton
