#pragma once
#include "grade/mask.h"
#include "picture/frame_place.h"
#include "picture/picture.h"
#include "render/frame_map.h"
#include "render/kept_paint.h"
#include "render/mask_brush.h"
#include "render/mask_object.h"
#include "render/mask_ranges.h"
#include "stages/kernel.h"

#include <memory>
#include <variant>
#include <vector>

namespace baryton {

/// An ellipse or ramp over places of the source: two numbers that are even in them (a ramp has one), from which its
/// weight follows.
struct ReadiedForm {
    bool isRamp = false;
    float ux = 0, uy = 0, u0 = 0, vx = 0, vy = 0, v0 = 0;
    float inner = 0, perFade = 1; ///< of an ellipse: the radius up to which it is whole, 1 / the fading part
};

/// How a shape's own weights are laid over those ahead of it.
struct ReadiedWay {
    float kept = 1, perOwn = -1, added = 1; ///< of the weight w ahead and its own o: w (kept + perOwn o) + added o
    float sign = 1, offset = 0;             ///< what inverts it
};

/// A mask made ready for the pixels of one view: the weight of each comes from its place in the source, and for
/// ranges from the colour that enters the Look there, and from nothing else, so a mask stays on what it was drawn on
/// when the frame is cut, turned or made straight, and a pixel has the same weight however a picture is cut into
/// runs.
class MaskWeights {
public:
    /// Links must be resolved (grade/mask_links.h); those that are not let nothing through. With the size of a view,
    /// what earlier strokes of its brushes left bare is kept with the frame, or taken from there.
    MaskWeights(const Mask& mask, const FrameMap& frame, int width = 0, int height = 0, int threads = 1);

    bool seesColours() const { return seesColours_; }
    /// The weights of a run of pixels, 0…1; `block.count` of them. `rgb`: the colours that enter the Look there,
    /// three planes padded as the block's own; null where the mask sees none. False where all weights are 0.
    bool operator()(const Block& block, const float* const* rgb, float* weights) const;
    /// Of one place of the source and the colour there.
    float at(SharePoint source, const std::array<float, 3>& rgb) const;

private:
    /// A brush, and what its strokes ahead of those in `weights` left bare of the view.
    struct Brush {
        BrushWeights weights;
        KeptPaint::Plane bare;
    };
    struct Shape {
        std::variant<ReadiedForm, Brush, RangeWeights, ObjectWeights, std::shared_ptr<const MaskWeights>> form;
        ReadiedWay way;
    };
    struct Pixels {
        std::size_t at = 0;             ///< of the first, in the planes that are kept of the view
        float left, top, right, bottom; ///< round all of their places
        const float *x, *y;
        const float *const *rgb, *const *lab; ///< lab: null where no brush keeps to a colour
        std::size_t count;                    ///< whole vectors
    };
    bool add(const MaskShape& shape, const KeptPaint::View& view, double aspect, int threads);
    Brush readied(const MaskBrush& brush, const KeptPaint::View& view, float width, float height, int threads) const;
    std::size_t placeInView(const Block& block) const;
    void weigh(const Pixels& pixels, float* weights) const;
    bool keepsToColours() const;
    void places(const Block& block, float* x, float* y) const;

    std::shared_ptr<const FramePlace> frame_; ///< null: the frame is the source
    std::vector<Shape> shapes_;
    KeptPaint::View view_;                      ///< without a size nothing is kept of it
    bool seesColours_ = false, isWhole_ = true; ///< isWhole_: every shape can be worked out
    float start_ = 0, sign_ = 1, offset_ = 0;
};

/// What a mask is asked about away from a picture that is being rendered: its frame, and a small version of what
/// enters the Look there, which ranges see (empty: they let nothing through).
struct MaskScene {
    FrameMap frame;
    Picture colours;
};

/// How much of a frame of this shape a mask lets through: the mean, least and most of its weights.
struct MaskCover {
    double mean = 0, least = 1, most = 0;
    bool isNothing() const { return most < 1.0 / 255; }
    bool isEverything() const { return least > 254.0 / 255; }
};
MaskCover coverOf(const std::vector<float>& weights);
/// The weights at width × height places that lie evenly in the frame, row by row.
std::vector<float> weightsOver(const Mask& mask, const MaskScene& scene, int width, int height);

} // namespace baryton
