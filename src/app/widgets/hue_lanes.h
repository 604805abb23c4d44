#pragma once
#include "app/widgets/readable.h"

#include <QVector>
#include <QWidget>

namespace baryton {

/// The hue circle (OKLCh) unrolled, over it how much colour the picture has at each hue, and three lanes in which
/// bands are handles: up and down for shift, saturation and lightness, sideways for the band's own hue. The grips
/// under the circle widen a band.
///
/// Arrow keys move the chosen band's value (up, down) and hue (left, right), with Shift by ten; Tab within the lanes
/// is Page Up and Page Down for the lane, Home resets the lane's value; comma and full stop choose the band beside.
class HueLanes : public QWidget, public Readable {
    Q_OBJECT
public:
    enum Lane { Shift, Saturation, Lightness };
    struct Band {
        double centre = 0, width = 30, feather = 30; ///< degrees
        double value[3] = {0, 0, 0};                 ///< −1…1 of each lane's reach
        bool isUsed() const { return value[0] != 0 || value[1] != 0 || value[2] != 0; }
    };

    HueLanes(const QVector<QColor>& hueStrip, QWidget* parent = nullptr);

    void setBands(const QVector<Band>& bands);
    void setHistogram(const QVector<double>& weights); ///< 360 of them
    void setMarker(std::optional<double> hue);
    /// Short ticks over the strip: the opposite of the chosen band's hue and the opposite's neighbours.
    void choose(int band);
    int chosen() const { return chosen_; }
    QPointF handle(int band, Lane lane) const;
    QSize sizeHint() const override { return {288, 216}; }
    QString inWords() const override;

Q_SIGNALS:
    void edited(int band, int lane, const baryton::HueLanes::Band& value, bool settled); ///< lane −1: hue or width
    void bandChosen(int band);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QRectF strip() const;
    QRectF lane(int index) const;
    double xOf(double hue) const;
    double hueAt(double x) const;
    bool hit(QPointF at, int& band, int& lane, int& edge) const;
    void change(int lane, bool settled);

    QVector<QColor> colours_;
    QVector<Band> bands_;
    QVector<double> histogram_;
    std::optional<double> marker_;
    int chosen_ = 0, lane_ = Shift;
    int dragLane_ = -1, edge_ = 0; ///< edge −1, 1: that end of the band's width is pulled
    bool dragging_ = false;
    QPointF from_;
    Band atPress_;
};

} // namespace baryton
