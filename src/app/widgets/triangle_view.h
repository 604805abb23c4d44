#pragma once
#include "app/widgets/readable.h"

#include <QColor>
#include <QVector>
#include <QWidget>
#include <array>

namespace baryton {

/// The chromaticity triangle (CIE xy) of the working primaries: as it stands, faintly, and as its corners have been
/// turned about white and drawn in or out; the picture's colours as a cloud in it. Corners are dragged (Shift:
/// finely), a double click resets one. Page Up and Page Down choose a corner, arrow keys turn it (left, right) and
/// change its reach (up, down), Home resets.
class TriangleView : public QWidget, public Readable {
    Q_OBJECT
public:
    struct Corner {
        double turn = 0;  ///< degrees, −45…45
        double reach = 0; ///< −0.6…0.4
        bool operator==(const Corner&) const = default;
    };

    explicit TriangleView(QWidget* parent = nullptr);
    void setCorners(const std::array<Corner, 3>& corners);
    /// How far the corners could go on their way together (1: all the way); where less, the triangle shows it.
    void setSlid(double share);
    void setCloud(const QVector<QPointF>& chromaticities, const QVector<QColor>& colours);
    QPointF cornerPoint(int corner) const; ///< in widget pixels
    QPointF fromXy(QPointF xy) const;
    QSize sizeHint() const override { return {288, 260}; }
    QString inWords() const override;

Q_SIGNALS:
    void edited(int corner, const baryton::TriangleView::Corner& value, bool settled);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QPointF xyOf(int corner, double share) const;
    void change(int corner, Corner value, bool settled);
    int near(QPointF at) const;

    std::array<Corner, 3> corners_;
    double slid_ = 1;
    QVector<QPointF> cloud_;
    QVector<QColor> colours_;
    int chosen_ = 0;
    bool dragging_ = false;
    QPointF offset_;
};

} // namespace baryton
