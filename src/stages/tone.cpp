// Tone: the scale from dark to light as one curve on luma that leaves hues alone. Formula in tone_curve.h.
#include "stages/stage_type.h"
#include "stages/tone_curve.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/tone.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"
#include "stages/spline-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunTone(const ToneConstants& c, const Block& block) {
    const SplineLanes curve(c.curve);
    const V one = Splat(1.0F), shoulder = Splat(ToneConstants::kShoulder);
    const V lost = Splat((1 - ToneConstants::kShoulder) * c.rollOff);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        const V y = Luma(r, g, b), bent = curve(y);
        const V t =
            hn::Mul(hn::Max(hn::Sub(bent, shoulder), hn::Zero(D())), Splat(1 / (1 - ToneConstants::kShoulder)));
        const V f = hn::Sub(bent, hn::Div(hn::Mul(hn::Mul(t, t), lost), hn::MulAdd(t, Splat(c.rollOff), one)));
        const V gain = hn::Div(f, hn::Max(y, Splat(ToneConstants::low)));
        const V scaled = SmoothStep(y, ToneConstants::low, 1 / (ToneConstants::high - ToneConstants::low));
        const V shift = hn::Sub(f, y);
        const auto moved = [&](V v) {
            const V added = hn::Add(v, shift);
            return hn::MulAdd(scaled, hn::Sub(hn::Mul(v, gain), added), added);
        };
        r = moved(r), g = moved(g), b = moved(b);
        const V most = hn::Max(r, hn::Max(g, b));
        const V over = hn::Max(hn::Sub(most, hn::Max(one, f)), hn::Zero(D()));
        const V keep = hn::NegMulAdd(Splat(0.5F), hn::Div(over, hn::Max(hn::Sub(most, f), Splat(1e-4F))), one);
        const auto eased = [&](V v) { return Hold(hn::MulAdd(hn::Sub(v, f), keep, f)); };
        r = eased(r), g = eased(g), b = eased(b);
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>
#include <cmath>

namespace baryton {

HWY_EXPORT(RunTone);

Curve toneCurve(const ToneSettings& s) {
    constexpr int steps = 12;
    constexpr double leastSlope = 0.08;
    Curve curve;
    for (int i = 0; i <= steps; ++i) {
        const double x = double(i) / steps, m = 1 - x;
        double y = x + 0.45 * s.contrast * (x - s.pivot) * 4 * x * m;
        y += 0.20 * 12.2 * (s.shadows * x * std::pow(m, 4) + s.highlights * m * std::pow(x, 4));
        y += 0.15 * (s.blackEnd * std::pow(m, 6) + s.whiteEnd * std::pow(x, 6));
        if (i > 0) y = std::max(y, curve.back().y + leastSlope / steps);
        curve.push_back({x, y});
    }
    return curve;
}

const StageType& toneType() {
    using namespace describe;
    using S = ToneSettings;
    static const StageType type = stageType<S>({
        .id = "tone",
        .name = "Tone",
        .summary =
            "Sets the scale from dark to light: its two ends, the shadows, the highlights and the contrast between.",
        .parts = {Part::Prep, Part::Look},
        .settings =
            {{&S::blackEnd,
              percent("black.end", "Black end", -100, 100, 0, "Lifts or deepens the darkest tones alone.")},
             {&S::shadows, percent("shadows", "Shadows", -100, 100, 0, "Opens or closes the shadows; black stays.")},
             {&S::contrast,
              percent("contrast", "Contrast", -100, 100, 0, "Draws tones apart or together about the pivot.")},
             {&S::pivot, percent("pivot", "Pivot", 20, 80, 50, "The tone that contrast leaves where it is.")},
             {&S::highlights,
              percent("highlights", "Highlights", -100, 100, 0, "Lightens or recovers the highlights; white stays.")},
             {&S::whiteEnd,
              percent("white.end", "White end", -100, 100, 0, "Lifts or lowers the lightest tones alone.")},
             {&S::rollOff,
              percent("roll.off", "Roll-off", 0, 100, 0,
                      "Lets the lights run gently out into a white that lies a little lower: what is burnt has no "
                      "hard edge, and what lies past white comes back.")}},
        .isNeutral =
            [](const S& s) {
                return s.blackEnd == 0 && s.shadows == 0 && s.contrast == 0 && s.highlights == 0 && s.whiteEnd == 0 &&
                       s.rollOff == 0;
            },
        .compile =
            [](const S& s) {
                return kernelOf(Domain::Encoded, ToneConstants{Spline(toneCurve(s)), static_cast<float>(s.rollOff)},
                                [](const auto& c, const Block& block) {
                                    HWY_DYNAMIC_DISPATCH(RunTone)
                                    (c, block);
                                });
            },
    });
    return type;
}

} // namespace baryton
#endif
