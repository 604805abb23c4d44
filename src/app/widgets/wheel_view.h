#pragma once
#include "app/widgets/readable.h"

#include <QColor>
#include <QImage>
#include <QWidget>
#include <functional>

namespace baryton {

/// A disc on which a hue and an amount are set together, with a level on the ring around it. Turned as the
/// vectorscope: angles count counter-clockwise from the right, so that a pull here pushes a trace the same way there.
///
/// Drag on the disc or the ring (Shift: finely); the mouse wheel turns the level; a double click resets the disc or
/// the ring. Arrow keys pull the colour, Page Up and Page Down move the level, Home resets.
class WheelView : public QWidget, public Readable {
    Q_OBJECT
public:
    struct Setting {
        double hue = 0;    ///< degrees, 0…360
        double amount = 0; ///< 0…1
        double level = 0;  ///< −1…1
        bool operator==(const Setting&) const = default;
    };

    WheelView(const QString& name, std::function<QColor(double degrees)> colourOf, QWidget* parent = nullptr);

    /// Without a level there is no ring.
    void setHasLevel(bool has);
    void setSetting(const Setting& setting);
    const Setting& setting() const { return setting_; }

    QSize sizeHint() const override { return {140, 140}; }
    QPointF puck() const;                  ///< in widget pixels
    QPointF ringPoint(double level) const; ///< where the ring shows a level
    QPointF discPoint(double hue, double amount) const;
    QString inWords() const override;

Q_SIGNALS:
    void edited(const baryton::WheelView::Setting& setting, bool settled);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QPointF centre() const { return {width() / 2.0, height() / 2.0}; }
    double ringRadius() const;
    double discRadius() const;
    bool onRing(QPointF pixel) const;
    void pull(QPointF offset); ///< moves the colour by an offset in disc radii, y upward
    void change(const Setting& next, bool settled);
    void paintRing(QPainter& painter) const;
    void renderDisc();

    std::function<QColor(double)> colourOf_;
    Setting setting_;
    bool hasLevel_ = true;
    QImage disc_;
    enum class Drag { None, Disc, Ring } drag_ = Drag::None;
    QPointF dragAt_;
};

} // namespace baryton
