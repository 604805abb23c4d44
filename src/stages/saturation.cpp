// Saturation: OKLCh chroma (Ottosson 2020) times a gain, at constant lightness and hue.
//
// Scaling a and b is one matrix between the cube roots of the cone responses. Responses are held at 0 or above, and
// what was cut off is added back unchanged, so that colours outside the gamut pass without a jump.
#include "stages/saturation.h"
#include "colour/matrix.h"
#include "stages/stage_type.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/saturation.cpp"
#include <hwy/foreach_target.h>

#include "stages/oklab-inl.h"
#include "stages/spline-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// With a gain of its own for each colour.
void RunByChroma(const SaturationConstants& c, const Block& block) {
    const OklabMatrices& m = oklabMatrices();
    const V one = Splat(1.0F), zero = hn::Zero(D());
    const SplineLanes curve(c.chroma);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        ThroughOklab(m, r, g, b, [&](Perceived& p) {
            const V vivid = SmoothStep(p.chroma, SaturationConstants::kMuted,
                                       1 / (SaturationConstants::kVivid - SaturationConstants::kMuted));
            V gain = hn::MulAdd(Splat(c.muted), hn::Sub(one, vivid),
                                hn::MulAdd(Splat(c.vivid), vivid, Splat(1 + c.overall)));
            gain = hn::Max(gain, zero);
            if (c.chroma.knots > 0) {
                const V x = hn::Mul(p.chroma, Splat(1 / SaturationConstants::kChromaSpan));
                V bent = hn::Div(curve(x), hn::Max(x, Splat(1e-4F)));
                bent = hn::Min(hn::Max(bent, zero), Splat(SaturationConstants::kMostGain));
                gain = hn::Mul(gain, hn::MulAdd(hn::Sub(bent, one), p.fade, one));
            }
            const V guarded = hn::Mul(hn::Mul(WindowWeight(c.guard, p), p.fade), Splat(c.guardStrength));
            gain = hn::MulAdd(hn::Sub(one, gain), guarded, gain);
            p.a = hn::Mul(p.a, gain), p.b = hn::Mul(p.b, gain);
        });
    });
}

void RunSaturation(const SaturationConstants& c, const Block& block) {
    if (!c.isPlain) {
        RunByChroma(c, block);
        return;
    }
    const V zero = hn::Zero(D());
    const auto cubed = [](V x) { return hn::Mul(hn::Mul(x, x), x); };
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        const V l0 = MatrixRow(c.toCones, 0, r, g, b), m0 = MatrixRow(c.toCones, 1, r, g, b),
                s0 = MatrixRow(c.toCones, 2, r, g, b);
        const V l = CubeRoot(hn::Max(l0, zero)), m = CubeRoot(hn::Max(m0, zero)), s = CubeRoot(hn::Max(s0, zero));
        // The change of each cone response is added to the response itself: what was held back stays as it was.
        const V dl = hn::Add(l0, hn::Sub(cubed(MatrixRow(c.mix, 0, l, m, s)), hn::Max(l0, zero)));
        const V dm = hn::Add(m0, hn::Sub(cubed(MatrixRow(c.mix, 1, l, m, s)), hn::Max(m0, zero)));
        const V ds = hn::Add(s0, hn::Sub(cubed(MatrixRow(c.mix, 2, l, m, s)), hn::Max(s0, zero)));
        r = MatrixRow(c.toRgb, 0, dl, dm, ds);
        g = MatrixRow(c.toRgb, 1, dl, dm, ds);
        b = MatrixRow(c.toRgb, 2, dl, dm, ds);
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "colour/spaces.h"
#include "stages/all_stages.h"
#include "stages/describe.h"

#include <algorithm>

namespace baryton {

HWY_EXPORT(RunSaturation);

const StageType& saturationType() {
    static const StageType type = {
        "saturation",
        "Saturation",
        "Makes all colours stronger or quieter without changing how light they are.",
        {Part::Look},
        Footprint::Colour,
        {describe::percent("overall", "Saturation", -100, 100, 0,
                           "To the right colours grow stronger, to the left quieter; at −100 the picture is grey."),
         describe::percent("muted", "Muted colours", -100, 100, 0, "Strengthens or quiets what has little colour."),
         describe::percent("vivid", "Vivid colours", -100, 100, 0, "Strengthens or quiets what has much colour."),
         describe::curve("chroma", "Curve over chroma",
                         "Across: how strong a colour is, grey at the left. Up: how strong it becomes."),
         describe::through({"guard.strength"}, describe::hue("guard.hue", "Guarded hue",
                                                             "The hue that is left as it is: faces lie about 50°.")),
         describe::through({"guard.strength"},
                           describe::number("guard.width", "Guard width", 10, 180, 1, 40,
                                            "How many degrees of hue are guarded.", Unit::Degrees)),
         describe::percent("guard.strength", "Guard", 0, 100, 0, "How firmly the guarded hue is kept.")},
        [](const ParameterReader& p) {
            return p.number("overall") == 0 && p.number("muted") == 0 && p.number("vivid") == 0 &&
                   isStraight(p.curve("chroma"));
        },
        [](const ParameterReader& p) {
            const double gain = 1 + p.number("overall");
            SaturationConstants c{};
            const auto copy = [](const Mat3& from, float* to) {
                std::transform(from.begin(), from.end(), to, [](double v) { return static_cast<float>(v); });
            };
            copy(kOklabCones, c.toCones);
            copy(inverse(kOklabCones), c.toRgb);
            copy(inverse(kOklabFromRoots) * diagonal({1, gain, gain}) * kOklabFromRoots, c.mix);
            c.chroma = Spline(p.curve("chroma"));
            c.isPlain = p.number("muted") == 0 && p.number("vivid") == 0 && c.chroma.knots == 0 &&
                        p.number("guard.strength") == 0;
            c.overall = static_cast<float>(p.number("overall"));
            c.muted = static_cast<float>(p.number("muted"));
            c.vivid = static_cast<float>(p.number("vivid"));
            c.guardStrength = static_cast<float>(p.number("guard.strength"));
            constexpr double guardSoftness = 30;
            c.guard = HueWindow(p.number("guard.hue"), p.number("guard.width"), guardSoftness);
            Kernel kernel;
            kernel.domain = Domain::Linear;
            kernel.constants = std::make_shared<SaturationConstants>(c);
            kernel.run = [](const void* constants, const Block& block) {
                HWY_DYNAMIC_DISPATCH(RunSaturation)(*static_cast<const SaturationConstants*>(constants), block);
            };
            return kernel;
        },
    };
    return type;
}

} // namespace baryton
#endif
