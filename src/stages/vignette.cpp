// Vignette: an exposure that grows from an ellipse outward, in linear light.
//
//     d = |ellipse coordinates|, w = smoothstep(1 − f, 1 + f, d), gain = 2^(stops·w·keep)
//
// The ellipse's radii are fractions of half the frame's width and height; it is turned in true shape (by pixels, not
// by frame fractions). keep = 1 − spare·smoothstep(0.2, 1, luminance) lets lights shine on.
#include "stages/vignette.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/vignette.cpp"
#include <hwy/foreach_target.h>
#endif

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
#include "stages/settings.h"

#include <cmath>
#include <numbers>

namespace baryton {

HWY_EXPORT(RunVignette);

namespace {

struct VignetteSettings {
    double stops = 0, centreX = 0.5, centreY = 0.5, radiusX = 1, radiusY = 1; ///< fractions of the frame
    double turn = 0, falloff = 0.6, spare = 0;                                ///< degrees; 0…1
};

Kernel vignetteKernel(const VignetteSettings& s) {
    const double turn = s.turn * std::numbers::pi / 180;
    VignetteConstants c{};
    c.centreX = static_cast<float>(s.centreX), c.centreY = static_cast<float>(s.centreY);
    c.perRadiusX = static_cast<float>(1 / s.radiusX), c.perRadiusY = static_cast<float>(1 / s.radiusY);
    c.cosTurn = static_cast<float>(std::cos(turn)), c.sinTurn = static_cast<float>(std::sin(turn));
    c.low = static_cast<float>(1 - s.falloff), c.perWidth = static_cast<float>(1 / (2 * s.falloff));
    c.stops = static_cast<float>(s.stops), c.spare = static_cast<float>(s.spare);
    return kernelOf(Domain::Linear, c, [](const auto& k, const Block& block) {
        HWY_DYNAMIC_DISPATCH(RunVignette)(k, block);
    });
}

} // namespace

const StageType& vignetteType() {
    using namespace describe;
    using S = VignetteSettings;
    static const StageType type = stageType<S>({
        .id = "vignette",
        .name = "Vignette",
        .summary = "Darkens or lightens the picture away from a place of your choice.",
        .parts = {Part::Finish},
        .footprint = Footprint::Place,
        .settings = {{&S::stops,
                      stops("stops", "Stops", 4, "How much darker (left) or lighter (right) the outside becomes.")},
                     {&S::centreX, percent("centre.x", "Centre across", 0, 100, 50,
                                           "Where the middle lies, from the left edge to the right.")},
                     {&S::centreY, percent("centre.y", "Centre down", 0, 100, 50,
                                           "Where the middle lies, from the top edge to the bottom.")},
                     {&S::radiusX, percent("radius.x", "Width", 20, 200, 100,
                                           "How wide the untouched middle is; 100 reaches the sides.")},
                     {&S::radiusY, percent("radius.y", "Height", 20, 200, 100,
                                           "How high the untouched middle is; 100 reaches top and bottom.")},
                     {&S::turn, number("turn", "Turn", -90, 90, 1, 0, "Turns the ellipse.", Unit::Degrees)},
                     {&S::falloff, percent("falloff", "Falloff", 5, 100, 60, "How gently the change sets in.")},
                     {&S::spare,
                      percent("spare", "Spare lights", 0, 100, 0, "Keeps lights near the edge from being dimmed.")}},
        .isNeutral = [](const S& s) { return s.stops == 0; },
        .compile = vignetteKernel,
    });
    return type;
}

} // namespace baryton
#endif
