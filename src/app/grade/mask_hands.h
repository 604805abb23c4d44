#pragma once
#include "app/widgets/picture_figure.h"
#include "grade/mask.h"
#include "render/mask_weights.h"

#include <QImage>
#include <QSizeF>
#include <Qt>
#include <memory>

namespace baryton {

/// A mask's shapes as they are seen and pulled on the picture. What is seen is in fractions of the frame; shapes are
/// in fractions of the source, where lengths are measured in its long side.
class MaskHands {
public:
    /// Where the frame lies in its source (null: it is the source), and its width over its height; true where that is
    /// another than before.
    bool setFrame(std::shared_ptr<const FramePlace> place, double aspect);
    /// A small version of what enters the Look, which ranges of tones and colours see.
    void setColours(const Picture& colours) { scene_.colours = colours; }

    /// New shapes at a place of the frame, level with it.
    MaskShape newEllipse(QPointF at = {0.5, 0.5}) const;
    MaskShape newRamp(QPointF at = {0.5, 0.5}) const;

    /// The chosen shape with its handles, the others faintly; what follows colours has no lines.
    PictureFigure figure(const Mask& mask, int chosen) const;
    /// The reach of a brush at a place, whole up to the inner line.
    PictureFigure brushFigure(QPointF at, double size, double softness) const;
    /// A path of the source in the frame, and places along an ellipse, as a path.
    QPolygonF path(const std::vector<StrokePoint>& points) const;
    std::vector<StrokePoint> placesOn(const MaskEllipse& ellipse) const;
    /// A place of the frame as a stroke has it.
    StrokePoint strokePoint(QPointF at, double width) const;
    double sourceAspect() const { return place() ? place()->aspect() : scene_.frame.aspect; }
    /// All drawn shapes of a mask as one, pulled like an ellipse round them; nothing where none is drawn.
    std::optional<MaskShape> roundAll(const Mask& mask) const;
    /// Where a mask is once the ellipse round it has become another.
    MaskPlacement placementBy(const Mask& mask, const MaskShape& round) const;
    PictureFigure figureOf(const MaskShape& shape) const;
    /// What a pull at a place would do with a shape; `reach` is how far from a line or handle a hand may be.
    Qt::CursorShape cursorAt(const MaskShape& shape, QPointF at, QSizeF reach) const;
    void start(const MaskShape& shape, QPointF at, QSizeF reach);
    /// The shape as it is once the hand is there.
    MaskShape pulledTo(QPointF at) const;
    /// The weights over the frame, 0…255.
    QImage image(const Mask& mask, QSize size) const;
    double weightAt(const Mask& mask, QPointF at, const std::array<float, 3>& colour) const;
    /// Whether all is there that the mask follows; without it it is taken for one that lets nothing through.
    bool knows(const Mask& mask) const { return !mask.seesColours() || !scene_.colours.isEmpty(); }
    MaskCover coverOf(const Mask& mask) const;

private:
    enum class Pull { None, Move, Width, Height, Size, Turn, From, To };
    const std::shared_ptr<const FramePlace>& place() const { return scene_.frame.place; }
    QPointF toSource(QPointF frame) const;
    QPointF fromSource(QPointF source) const;
    QPointF lengths(QPointF source) const; ///< a place of the source in its long side
    QPointF share(QPointF lengths) const;  ///< and back
    QPointF onEllipse(const MaskEllipse& ellipse, double angle, double scale) const;
    /// A place in the ellipse's own coordinates: its line is 1 from the middle.
    QPointF inside(const MaskEllipse& ellipse, QPointF frame) const;
    void addForm(const MaskEllipse& ellipse, bool isFaint, PictureFigure& figure) const;
    void addForm(const MaskRamp& ramp, bool isFaint, PictureFigure& figure) const;
    Pull pullAt(const MaskShape& shape, QPointF at, QSizeF reach) const;
    MaskEllipse pulled(MaskEllipse ellipse, QPointF at) const;
    MaskRamp pulled(MaskRamp ramp, QPointF at) const;

    MaskScene scene_;
    MaskShape from_; ///< of the pull
    QPointF at_;     ///< where it began, in the frame
    Pull pull_ = Pull::Move;
};

} // namespace baryton
