// Vignette: an exposure that grows from an ellipse outward, in linear light.
//
//     d = |ellipse coordinates|, w = smoothstep(1 − f, 1 + f, d), gain = 2^(stops·w·keep)
//
// The ellipse's radii are fractions of half the frame's width and height; it is turned in true shape (by pixels, not
// by frame fractions). keep = 1 − spare·smoothstep(0.2, 1, luminance) lets lights shine on.
#include "stages/vignette.h"
#include "stages/stage_type.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/vignette.cpp"
#include <hwy/foreach_target.h>

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunVignette(const VignetteConstants& c, const Block& block) {
    const D d;
    // Lengths in frame heights; a half-width is aspect / 2 of them.
    const float v = block.y - c.centreY;
    const V toX = Splat(2 * c.perRadiusX / block.aspect), toY = Splat(2 * c.perRadiusY);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t i) {
        const V column = hn::Iota(d, block.first + static_cast<float>(i));
        const V x = hn::MulAdd(column, Splat(block.dx), Splat(block.x - c.centreX));
        const V u = hn::Mul(x, Splat(block.aspect));
        const V ex = hn::Mul(toX, hn::MulAdd(u, Splat(c.cosTurn), Splat(v * c.sinTurn)));
        const V ey = hn::Mul(toY, hn::NegMulAdd(u, Splat(c.sinTurn), Splat(v * c.cosTurn)));
        V w = SmoothStep(hn::Sqrt(hn::MulAdd(ex, ex, hn::Mul(ey, ey))), c.low, c.perWidth);
        const V keep = hn::NegMulAdd(Splat(c.spare), SmoothStep(Luma(r, g, b), 0.2F, 1.25F), Splat(1.0F));
        w = Exp2(hn::Mul(hn::Mul(w, keep), Splat(c.stops)));
        r = hn::Mul(r, w);
        g = hn::Mul(g, w);
        b = hn::Mul(b, w);
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"

#include <cmath>
#include <numbers>

namespace baryton {

HWY_EXPORT(RunVignette);

const StageType& vignetteType() {
    using namespace describe;
    static const StageType type = {
        "vignette",
        "Vignette",
        "Darkens or lightens the picture away from a place of your choice.",
        {Part::Finish},
        Footprint::Place,
        {stops("stops", "Stops", 4, "How much darker (left) or lighter (right) the outside becomes."),
         percent("centre.x", "Centre across", 0, 100, 50, "Where the middle lies, from the left edge to the right."),
         percent("centre.y", "Centre down", 0, 100, 50, "Where the middle lies, from the top edge to the bottom."),
         percent("radius.x", "Width", 20, 200, 100, "How wide the untouched middle is; 100 reaches the sides."),
         percent("radius.y", "Height", 20, 200, 100, "How high the untouched middle is; 100 reaches top and bottom."),
         {"turn", "Turn", ParameterKind::Number, Unit::Degrees, -90, 90, 1, 0.0, "Turns the ellipse."},
         percent("falloff", "Falloff", 5, 100, 60, "How gently the change sets in."),
         percent("spare", "Spare lights", 0, 100, 0, "Keeps lights near the edge from being dimmed.")},
        [](const ParameterReader& p) { return p.number("stops") == 0; },
        [](const ParameterReader& p) {
            const double turn = p.number("turn") * std::numbers::pi / 180, falloff = p.number("falloff");
            VignetteConstants c{};
            c.centreX = static_cast<float>(p.number("centre.x"));
            c.centreY = static_cast<float>(p.number("centre.y"));
            c.perRadiusX = static_cast<float>(1 / p.number("radius.x"));
            c.perRadiusY = static_cast<float>(1 / p.number("radius.y"));
            c.cosTurn = static_cast<float>(std::cos(turn));
            c.sinTurn = static_cast<float>(std::sin(turn));
            c.low = static_cast<float>(1 - falloff);
            c.perWidth = static_cast<float>(1 / (2 * falloff));
            c.stops = static_cast<float>(p.number("stops"));
            c.spare = static_cast<float>(p.number("spare"));
            Kernel kernel;
            kernel.domain = Domain::Linear;
            kernel.constants = std::make_shared<VignetteConstants>(c);
            kernel.run = [](const void* constants, const Block& block) {
                HWY_DYNAMIC_DISPATCH(RunVignette)(*static_cast<const VignetteConstants*>(constants), block);
            };
            return kernel;
        },
    };
    return type;
}

} // namespace baryton
#endif
