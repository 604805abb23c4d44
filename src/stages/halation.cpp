// Halation: lights shine back from behind, warm, into what surrounds them. Formula in halation.h.
#include "stages/halation.h"
#include "picture/blur.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/halation.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/laid_over-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunHalation(const HalationConstants& c, const LaidRows& laid, const Block& block) {
    const D d;
    const V one = Splat(1.0F), zero = hn::Zero(d);
    const auto give = [&](V glow, V& r, V& g, V& b) {
        r = hn::MulAdd(glow, Splat(c.colour[0]), r);
        g = hn::MulAdd(glow, Splat(c.colour[1]), g);
        b = hn::MulAdd(glow, Splat(c.colour[2]), b);
    };
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t i) {
        const V glow = hn::Max(LaidLanes<false>(laid, block, i)(0), zero);
        const V highest = hn::Max(r, hn::Max(g, b));
        // Two ways, each to its end: GCC 12 makes a wrong mask of one conditional vector (AVX-512).
        if (hn::AllFalse(d, hn::Gt(highest, Splat(c.lowLight)))) {
            give(glow, r, g, b);
            return;
        }
        const V outside = hn::Sub(one, SmoothStep(ToEncoded(highest), c.low, c.perSoftness));
        give(hn::Mul(glow, outside), r, g, b);
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "base/parallel.h"
#include "colour/smooth_step.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "picture/light.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/glow.h"
#include "stages/settings.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

HWY_EXPORT(RunHalation);

namespace {

void runHalation(const void* constants, const Block& block) {
    const auto& c = *static_cast<const HalationConstants*>(constants);
    const LaidRows laid = laidRows(c.laid, block, kOneTableStep);
    HWY_DYNAMIC_DISPATCH(RunHalation)(c, laid, block);
}

struct HalationSettings {
    double amount = 0, threshold = 0.8, softness = 0.3, reach = 6; ///< reach in thousandths of the long side
    double hue = 40, tint = 1;                                     ///< degrees; 0…1
};

/// S of the base level at half its size, in the first plane.
Picture shiningOf(const Picture& base, const HalationConstants& c) {
    Picture lights(base.width(), base.height());
    const auto width = static_cast<std::size_t>(base.width());
    float* const plane = lights.row(0, 0);
    const std::size_t stride = lights.stride();
    forRows(base.height(), [&](int y) {
        const float* v[] = {base.row(0, y), base.row(1, y), base.row(2, y)};
        float* const out = plane + stride * static_cast<std::size_t>(y);
        std::vector<float> light(width);
        constexpr float weights[] = {0.2126F, 0.7152F, 0.0722F};
        for (std::size_t k = 0; k < 3; ++k) {
            rowToLinear(v[k], light.data(), width);
            for (std::size_t x = 0; x < width; ++x) out[x] += weights[k] * light[x];
        }
        for (std::size_t x = 0; x < width; ++x)
            out[x] = smoothStep(std::max({v[0][x], v[1][x], v[2][x]}), c.low, c.perSoftness) *
                     std::clamp(out[x], 0.0F, HalationConstants::kMostLight);
    });
    return halfOf(lights);
}

/// Light of this OKLCh hue, mixed into white, with 1 in its largest channel.
void colourOf(double hue, double tint, float* colour) {
    constexpr double lightness = 0.65, chroma = 0.22;
    const double angle = hue * std::numbers::pi / 180;
    const Vec3 light = linearFromOklab({lightness, chroma * std::cos(angle), chroma * std::sin(angle)});
    const double most = std::max({light[0], light[1], light[2]});
    for (std::size_t k = 0; k < 3; ++k)
        colour[k] = static_cast<float>(1 + tint * (std::max(light[k], 0.0) / most - 1));
}

Kernel halationKernel(const HalationSettings& s, const Picture& base) {
    HalationConstants c;
    c.low = static_cast<float>(s.threshold - s.softness / 2);
    c.perSoftness = static_cast<float>(1 / std::max(s.softness, 1e-3));
    c.lowLight = static_cast<float>(srgbToLinear(c.low - 1e-4)); // a little early: encoding rounds
    colourOf(s.hue, s.tint, c.colour);
    const Picture lights = shiningOf(base, c);
    constexpr float nearShare = 0.5F;
    const Picture laid = glowOf(lights, s.reach / 1000 * lights.longSide(), HalationConstants::kFarTimes, nearShare,
                                static_cast<float>(s.amount));
    c.laid = LaidOver(laid, 1, static_cast<float>(base.width()) / 2, static_cast<float>(base.height()) / 2);
    Kernel kernel;
    kernel.domain = Domain::Linear;
    kernel.constants = std::make_shared<const HalationConstants>(std::move(c));
    kernel.run = runHalation;
    return kernel;
}

} // namespace

const StageType& halationType() {
    using namespace describe;
    using S = HalationSettings;
    ParameterType seamHue = hue("hue", "Hue", "The colour of the seam: red and orange in most films.");
    seamHue.defaultValue = HalationSettings().hue;
    static const StageType type = stageType<S>({
        .id = "halation",
        .name = "Halation",
        .summary = "A warm seam around lights, as a film's base throws their light back into its layers.",
        .parts = {Part::Finish},
        .footprint = Footprint::Wide,
        .settings = {{&S::amount, percent("amount", "Amount", 0, 100, 0,
                                          "How much of the light of bright places comes back around them.")},
                     {&S::threshold, through({"amount"}, percent("threshold", "Threshold", 0, 100, 80,
                                                                 "From which tone on a place is bright."))},
                     {&S::softness,
                      through({"amount"}, percent("softness", "Softness", 0, 100, 30,
                                                  "How gently that sets in: at 0 the threshold is a hard line."))},
                     {&S::reach,
                      through({"amount"}, number("reach", "Reach", 1, 20, 0.5, 6,
                                                 "How far the seam goes, in thousandths of the frame's long side.",
                                                 Unit::PerMille))},
                     {&S::hue, through({"amount"}, std::move(seamHue))},
                     {&S::tint,
                      through({"amount"}, percent("tint", "Tint", 0, 100, 100,
                                                  "How much of that colour it has; 0 for a mono picture."))}},
        .isNeutral = [](const S& s) { return s.amount == 0; },
        .compileWide = halationKernel,
        .starters = {{"amount", 0.4}},
    });
    return type;
}

} // namespace baryton
#endif
