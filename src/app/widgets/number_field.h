#pragma once
#include <QLineEdit>
#include <functional>

namespace baryton {

/// A number that is typed (arithmetic allowed), turned with the mouse wheel or nudged with the arrow keys (Shift: ten
/// steps). The first click chooses the whole number, a second one places the caret. Enter takes what was typed,
/// Escape takes it back. What is no number or lies out of range is marked, not taken, and the range is said below it.
class NumberField : public QLineEdit {
    Q_OBJECT
public:
    explicit NumberField(QWidget* parent = nullptr);

    void setRange(double minimum, double maximum, double step);
    /// Angles: going past one end comes out at the other. Up to a turn beyond either end may be typed.
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
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;

private:
    void commit();
    void display();
    void nudge(double steps);
    double held(double value) const;
    void markWrong(const QString& why);
    void say(const QString& text);

    double value_ = 0, minimum_ = 0, maximum_ = 1, step_ = 0.01;
    bool wraps_ = false;
    bool isFresh_ = false; ///< focus has just come: the click that brought it chooses all
    QPoint pressedAt_;
    QString wrong_; ///< why what was typed is not taken
    std::function<QString(double)> formatter_;
};

} // namespace baryton
