#pragma once
#include "app/widgets/readable.h"

#include <QColor>
#include <QWidget>
#include <functional>

class QLineEdit;

namespace baryton {

/// A number in a table: drag sideways to change it (Shift: finely), type to write it (arithmetic allowed), double
/// click to reset it; arrow keys turn it. Its ground is washed with a colour that the owner chooses for the value.
class ScrubCell : public QWidget, public Readable {
    Q_OBJECT
public:
    ScrubCell(const QString& name, double minimum, double maximum, double defaultValue, QWidget* parent = nullptr);

    void setValue(double value);
    double value() const { return value_; }
    void setWash(std::function<QColor(double value)> wash) { wash_ = std::move(wash); }
    void setFaint(bool faint);
    QSize sizeHint() const override { return {48, 26}; }
    QString inWords() const override;
    std::optional<Number> readableNumber() const override;
    void takeReadableNumber(double value) override;

Q_SIGNALS:
    void edited(double value, bool settled);
    void focused();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;

private:
    void change(double value, bool settled);
    void write(const QString& begun);

    double value_ = 0, minimum_, maximum_, default_;
    std::function<QColor(double)> wash_;
    bool faint_ = false, dragging_ = false, moved_ = false;
    QPointF from_;
    double atPress_ = 0;
};

} // namespace baryton
