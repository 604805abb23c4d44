#pragma once
#include "app/widgets/readable.h"
#include "lut/colour_moves.h"

#include <QWidget>

namespace baryton {

/// Colours in the cube of red, green and blue, which stands on black with white above: each a dot where it is taken,
/// with a line from where it was. What meets an end of a channel that it did not meet before has a ring. The greys
/// are a line of their own.
///
/// A drag turns it, as the arrow keys do; a double press turns it back.
class CubeView : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit CubeView(QWidget* parent = nullptr);
    /// `greys` from black to white.
    void setMoves(std::vector<ColourMove> moves, std::vector<ColourMove> greys);
    /// How much of their way the colours have gone, 0…1.
    void setShare(double share);
    double share() const { return share_; }
    double turn() const { return turn_; }
    double tilt() const { return tilt_; }
    /// Where a colour lies on the widget.
    QPointF place(const std::array<double, 3>& rgb) const;
    int dots() const { return static_cast<int>(moves_.size()); }

    QSize sizeHint() const override { return {420, 380}; }
    QString inWords() const override;
    QAccessible::Role readableRole() const override { return QAccessible::Graphic; }

    static constexpr double kMostTilt = 90; ///< degrees: then white lies towards the eye

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    struct Placed {
        QPointF at;
        double depth = 0; ///< towards the eye
    };
    Placed placed(const std::array<double, 3>& rgb) const;
    void turnTo(double turn, double tilt);

    std::vector<ColourMove> moves_, greys_;
    double share_ = 1, turn_ = 0, tilt_ = 0; ///< degrees
    QPointF pressed_;
};

} // namespace baryton
