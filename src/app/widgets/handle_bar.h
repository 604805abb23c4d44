#pragma once
#include "app/widgets/readable.h"

#include <QColor>
#include <QVector>
#include <QWidget>
#include <functional>

namespace baryton {

/// A bar with handles on a scale of 0…1: over a histogram the ends and the middle of Levels, on a ramp the stops of a
/// gradient. Handles are dragged (Shift: finely) and held between their neighbours; Page Up and Page Down choose,
/// arrow keys nudge by 1/255, with Shift by 10. A double click resets a handle, or asks for a new one beside them.
class HandleBar : public QWidget, public Readable {
    Q_OBJECT
public:
    struct Handle {
        double at = 0;
        QColor fill;
        QString name;
    };

    explicit HandleBar(const QString& name, QWidget* parent = nullptr);
    void setHandles(const QVector<Handle>& handles);
    void setHistogram(const QVector<double>& counts);
    /// The colour of the bar itself at each place; without one it is left out.
    void setRamp(std::function<QColor(double)> ramp);
    void choose(int handle);
    int chosen() const { return chosen_; }
    QPointF handlePoint(int handle) const;
    double placeAt(double x) const;
    QSize sizeHint() const override { return {288, ramp_ ? 92 : 76}; }
    QString inWords() const override;

Q_SIGNALS:
    void moved(int handle, double at, bool settled);
    void chosenChanged(int handle);
    void resetWanted(int handle);
    void addWanted(double at);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QRectF area() const;
    int near(QPointF at) const;
    void move(double to, bool settled);

    QVector<Handle> handles_;
    QVector<double> histogram_;
    std::function<QColor(double)> ramp_;
    int chosen_ = 0;
    bool dragging_ = false;
    QPointF from_;
    double atPress_ = 0;
};

} // namespace baryton
