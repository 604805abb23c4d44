#pragma once
#include "grade/mask.h"
#include "picture/frame_place.h"
#include "render/frame_map.h"
#include "stages/kernel.h"

#include <memory>
#include <vector>

namespace baryton {

/// A shape over places of the source: two numbers that are even in them (a ramp has one), from which its weight
/// follows.
struct ReadiedShape {
    bool isRamp = false;
    float ux = 0, uy = 0, u0 = 0, vx = 0, vy = 0, v0 = 0;
    float inner = 0, perFade = 1; ///< of an ellipse: the radius up to which it is whole, 1 / the fading part
    float kept = 1, perOwn = -1, added = 1; ///< of the weight w ahead and its own o: w (kept + perOwn o) + added o
    float sign = 1, offset = 0;             ///< what inverts it
};

/// A mask made ready for the pixels of one view: the weight of each comes from its place in the source and nothing
/// else, so a mask stays on what it was drawn on when the frame is cut, turned or made straight, and a pixel has the
/// same weight however a picture is cut into runs.
class MaskWeights {
public:
    MaskWeights(const Mask& mask, const FrameMap& frame);

    /// The weights of a run of pixels, 0…1; `block.count` of them. False where all of them are 0.
    bool operator()(const Block& block, float* weights) const;
    /// Of one place of the source.
    float at(SharePoint source) const;

private:
    using Shape = ReadiedShape;
    static Shape readied(const MaskShape& shape, double aspect);
    void weigh(const float* x, const float* y, std::size_t count, float* weights) const;
    void places(const Block& block, float* x, float* y) const;

    std::shared_ptr<const FramePlace> frame_; ///< null: the frame is the source
    std::vector<Shape> shapes_;
    float start_ = 0, sign_ = 1, offset_ = 0;
};

/// How much of a frame of this shape a mask lets through: the mean, least and most of its weights.
struct MaskCover {
    double mean = 0, least = 1, most = 0;
    bool isNothing() const { return most < 1.0 / 255; }
    bool isEverything() const { return least > 254.0 / 255; }
};
MaskCover coverOf(const Mask& mask, const FrameMap& frame);

} // namespace baryton
