#pragma once
#include "app/widgets/readable.h"

#include <QLinearGradient>
#include <QWidget>
#include <functional>
#include <optional>

namespace baryton {

/// A line on which a value is dragged; what lies between the default and the value is brass. A press picks it up
/// wherever it falls, and it moves by what the hand moves: nothing jumps. Shift drags finely, a double click goes
/// back to the default, arrow keys nudge.
class Ruler : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit Ruler(QWidget* parent = nullptr);

    void setRange(double minimum, double maximum, double step, double defaultValue);
    void setDefault(double value) {
        default_ = value;
        update();
    }
    /// Where a value stands on the line, 0…1, and back; evenly by default.
    void setScale(std::function<double(double)> toPlace, std::function<double(double)> toValue);
    /// Colours under the line, for values that are colours themselves.
    void setStrip(const QGradientStops& stops);
    void setValue(double value);
    double value() const { return value_; }

    QSize sizeHint() const override { return {120, 22}; }
    QSize minimumSizeHint() const override { return {60, 22}; }
    QString inWords() const override;
    std::optional<Number> readableNumber() const override;
    void takeReadableNumber(double value) override;

Q_SIGNALS:
    void edited(double value, bool settled);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    double place(double value) const;
    void moveTo(double value, bool settled);
    double xOf(double value) const;

    double value_ = 0, minimum_ = 0, maximum_ = 1, step_ = 0.01, default_ = 0;
    std::function<double(double)> toPlace_, toValue_;
    QGradientStops strip_;
    std::optional<double> dragPlace_; ///< place of the handle while dragged
    double dragX_ = 0;
};

} // namespace baryton
