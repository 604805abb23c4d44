#pragma once
#include "app/widgets/readable.h"

#include <QColor>
#include <QPointF>
#include <QVector>
#include <QWidget>
#include <functional>
#include <optional>

namespace baryton {

/// A curve through points on the unit square, edited by mouse and keyboard. What a curve through points looks like is
/// told by the owner; the view only draws and moves points.
///
/// Press on the line or beside it: a point is made (or taken) and dragged, Shift drags finely; a double click removes
/// a point, an end point goes back to where it rests. Arrow keys nudge the chosen point by 1/255, with Shift by 10;
/// Page Up and Page Down choose, Delete removes.
class CurveView : public QWidget, public Readable {
    Q_OBJECT
public:
    using Points = QVector<QPointF>; ///< by rising x
    using Shape = std::function<double(double)>;

    explicit CurveView(QWidget* parent = nullptr);

    void setShapeMaker(std::function<Shape(const Points&)> maker) { makeShape_ = std::move(maker); }
    void setPoints(const Points& points); ///< empty: the straight line
    /// What the curve is measured against, drawn dashed; its ends are where the ends go back to. At first the
    /// straight line.
    void setRest(const Points& points);
    const Points& points() const { return points_; }
    void setColour(const QColor& colour);
    /// Curves drawn faintly beside the one that is edited.
    void setOthers(const QVector<std::pair<Points, QColor>>& others);
    /// Counts of 256 levels, drawn behind.
    void setHistogram(const QVector<double>& counts);
    /// Where the colour under the pointer lies, 0…1.
    void setMarker(std::optional<double> x);
    int selected() const { return selected_; }
    void select(int index);
    /// Moves the chosen point; held between its neighbours.
    void moveSelected(QPointF to, bool settled);
    /// Takes or makes the point at `x` and chooses it.
    void takePointAt(double x);

    QSize sizeHint() const override { return {288, 288}; }
    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override { return width; }

    QPointF toWidget(QPointF point) const;
    QPointF fromWidget(QPointF pixel) const;
    QString inWords() const override;

Q_SIGNALS:
    void edited(const QVector<QPointF>& points, bool settled);
    void selectionChanged(int index);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void changeEvent(QEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    int pointNear(QPointF pixel) const;
    void removePoint(int index);
    QRectF square() const;
    QPixmap drawnGround() const;
    void paintShape(QPainter& painter, const Points& points, const QPen& pen) const;

    Points points_, rest_;
    QVector<std::pair<Points, QColor>> others_;
    QVector<double> histogram_;
    QPixmap ground_; ///< what stays as it is while a point is dragged: counts, grid, the other curves
    std::function<Shape(const Points&)> makeShape_;
    QColor colour_ = Qt::white;
    std::optional<double> marker_;
    int selected_ = -1;
    bool dragging_ = false;
    QPointF dragAt_, dragPoint_;
};

} // namespace baryton
