#pragma once
#include "app/grade/frame_lines.h"
#include "app/widgets/readable.h"
#include "stages/frame.h"

#include <QImage>
#include <QLineF>
#include <QWidget>
#include <map>

namespace baryton {

/// The whole graded picture, turned as its frame says, with the frame upright over it; what is outside is dimmed.
/// Drag inside the frame to move it, its edges and corners to resize it, outside to turn the picture, or with Ctrl
/// along what is to be level or upright; the arrow keys move it, comma and full stop turn the picture by a quarter, M
/// mirrors it, X swaps the frame's sides, Enter is done. While the hand turns, finer lines
/// help to find the level, and the picture keeps its size. L begins to draw lines along what ought to be upright or
/// level: two of a kind, or two of each, make the picture straight; their ends can be moved until L, Enter or Escape
/// ends it.
class FrameView : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit FrameView(QWidget* parent = nullptr);

    /// The whole picture as it is in its file; the frame says how it is oriented.
    void setPictureSize(QSize size);
    void setImage(const QImage& whole);
    /// `keepsRatio`: dragging an edge keeps the proportions.
    void setFrame(const FrameSettings& frame, bool keepsRatio);
    /// Lines that help to place a frame, shown while the hand is on it.
    enum class Guide { Thirds, Golden, Diagonals, Centre, None };
    void setGuide(Guide guide); ///< kept for the next start
    static int keptGuide();
    /// A line by which the picture was made level, in fractions of the oriented picture; until something else is
    /// done.
    void setFoundLine(const QLineF& line);
    QLineF foundLine() const { return found_; }
    /// While lines are drawn the hand does nothing else.
    void setDrawsLines(bool draws);
    bool drawsLines() const { return drawsLines_; }
    /// The lines as they were before the hand's last press.
    void takeBackLine();
    const FrameLines& lines() const { return lines_; }
    /// Where a place of the oriented picture is seen, in the widget.
    QPointF onScreen(PlacedPoint picture) const;
    /// What stands below the picture: the frame's size, and what the hand can do.
    QString footText() const;
    /// How the picture was taken: its focal length is the camera's where the lines do not tell it.
    void setShot(const Shot& shot) { shot_ = shot; }
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
    void quarterTurnWanted(bool clockwise);
    void mirrorWanted();
    void swapWanted();
    void drawsLinesChanged(bool draws);
    void resized();

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    bool event(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    /// Which part of the frame is held: −1 the low side, 1 the high one, 0 neither, across and down.
    struct Grip {
        enum class Kind { None, Move, Resize, Turn, Level, Line } kind = Kind::None;
        int x = 0, y = 0;
    };
    Grip gripAt(QPointF position) const;
    Mat3 perspective() const;               ///< from the straight picture to the picture
    double fitScale() const;                ///< widget pixels for one of the straight picture
    QPointF middle() const;                 ///< where the middle of the straight picture lies in the widget
    QRectF turnedBounds() const;            ///< of the picture, straight and turned, about its middle
    QPointF turned(QPointF straight) const; ///< from the straight picture to the widget
    QPointF straight(QPointF position) const;
    PlacedPoint inPicture(QPointF position) const;
    void pressForLine(QPointF at);
    void takeLine();
    void drawLines(QPainter& painter) const;
    QRectF room() const;
    bool fits(const QRectF& rect) const; ///< a rectangle of the widget lies inside the picture
    void moveTo(QPointF offset);
    void resizeTo(QPointF position);
    void turnTo(QPointF position);
    void turnBy(double degrees);
    void levelAlong(QPointF from, QPointF to);
    void tell(const QRectF& rect, double angle, bool withShape);

    void orient();
    void drawGuide(QPainter& painter, const QRectF& frame) const;

    QSize wholeSize_; ///< before it is oriented
    QImage whole_;
    QSize size_;
    QImage image_;
    Guide guide_ = Guide::Thirds;
    QLineF found_;
    FrameSettings frame_;
    bool keepsRatio_ = false;
    Grip grip_;
    FrameLines lines_, pressedLines_;
    bool drawsLines_ = false, areLinesRefused_ = false;
    Shot shot_;
    QPointF pressedAt_, lineEnd_, pressedMiddle_;
    QRectF pressedRect_;
    double pressedScale_ = 1, pressedAngle_ = 0;
};

} // namespace baryton
