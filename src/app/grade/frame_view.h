#pragma once
#include "app/widgets/readable.h"
#include "stages/frame.h"

#include <QImage>
#include <QWidget>
#include <map>

namespace baryton {

/// The whole graded picture, turned as its frame says, with the frame upright over it; what is outside is dimmed.
/// Drag inside the frame to move it, its edges and corners to resize it, outside to turn the picture, or with Ctrl
/// along what is to be level or upright; the arrow keys move it, Enter is done. While the hand turns, finer lines
/// help to find the level, and the picture keeps its size.
class FrameView : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit FrameView(QWidget* parent = nullptr);

    void setPictureSize(QSize size);
    void setImage(const QImage& whole);
    /// `keepsRatio`: dragging an edge keeps the proportions.
    void setFrame(const FrameSettings& frame, bool keepsRatio);
    /// Device pixels for one of the picture, so that all of it is seen.
    double imageScale() const;
    /// The frame as it is seen, in pixels of the widget.
    QRectF frameRect() const;

    QString inWords() const override;
    QAccessible::Role readableRole() const override { return QAccessible::Graphic; }

Q_SIGNALS:
    /// The hand has changed the frame: the parameters of the stage that say so.
    void edited(const std::map<std::string, baryton::Value>& values, bool settled);
    void released();
    void doneWanted();
    void resized();

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    /// Which part of the frame is held: −1 the low side, 1 the high one, 0 neither, across and down.
    struct Grip {
        enum class Kind { None, Move, Resize, Turn, Level } kind = Kind::None;
        int x = 0, y = 0;
    };
    Grip gripAt(QPointF position) const;
    double fitScale() const;              ///< widget pixels for one of the picture
    QPointF middle() const;               ///< of the picture in the widget
    QPointF turned(QPointF source) const; ///< from the picture to the widget
    QPointF source(QPointF position) const;
    QRectF room() const;
    bool fits(const QRectF& rect) const; ///< a rectangle of the widget lies inside the picture
    void moveTo(QPointF offset);
    void resizeTo(QPointF position);
    void turnTo(QPointF position);
    void turnBy(double degrees);
    void levelAlong(QPointF from, QPointF to);
    void tell(const QRectF& rect, double angle, bool withShape);

    QSize size_;
    QImage image_;
    FrameSettings frame_;
    bool keepsRatio_ = false;
    Grip grip_;
    QPointF pressedAt_, lineEnd_;
    QRectF pressedRect_;
    double pressedScale_ = 1, pressedAngle_ = 0;
};

} // namespace baryton
