#pragma once
#include <QLineEdit>
#include <functional>

namespace baryton {

/// A number that is typed (arithmetic allowed), turned with the mouse wheel or nudged with the arrow keys (Shift: ten
/// steps). Enter takes what was typed, Escape takes it back. What is no number is marked and not taken.
class NumberField : public QLineEdit {
    Q_OBJECT
public:
    explicit NumberField(QWidget* parent = nullptr);

    void setRange(double minimum, double maximum, double step);
    /// Angles: going past one end comes out at the other.
    void setWraps(bool wraps) { wraps_ = wraps; }
    /// How a value reads; by default with as many digits as the step needs.
    void setFormatter(std::function<QString(double)> formatter);
    void setValue(double value);
    double value() const { return value_; }

Q_SIGNALS:
    /// `settled` is false while more of the same gesture may follow.
    void edited(double value, bool settled);

protected:
    bool event(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;

private:
    void commit();
    void display();
    void nudge(double steps);
    double held(double value) const;
    void markWrong(bool wrong);

    double value_ = 0, minimum_ = 0, maximum_ = 1, step_ = 0.01;
    bool wraps_ = false;
    std::function<QString(double)> formatter_;
};

} // namespace baryton
