// Saturation: OKLCh chroma (Ottosson 2020) times a gain, at constant lightness and hue.
//
// Scaling a and b is one matrix between the cube roots of the cone responses. Responses are held at 0 or above, and
// what was cut off is added back unchanged, so that colours outside the gamut pass without a jump.
#include "stages/saturation.h"
#include "colour/matrix.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/saturation.cpp"
#include <hwy/foreach_target.h>
#endif

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
#include "stages/settings.h"

#include <algorithm>

namespace baryton {

HWY_EXPORT(RunSaturation);

namespace {

struct SaturationSettings {
    double overall = 0, muted = 0, vivid = 0; ///< −1…1
    Curve chroma;
    double guardHue = 0, guardWidth = 40, guardStrength = 0; ///< degrees; 0…1
};

Kernel saturationKernel(const SaturationSettings& s) {
    const double gain = 1 + s.overall;
    SaturationConstants c{};
    const auto copy = [](const Mat3& from, float* to) {
        std::transform(from.begin(), from.end(), to, [](double v) { return static_cast<float>(v); });
    };
    copy(kOklabCones, c.toCones);
    copy(inverse(kOklabCones), c.toRgb);
    copy(inverse(kOklabFromRoots) * diagonal({1, gain, gain}) * kOklabFromRoots, c.mix);
    c.chroma = Spline(s.chroma);
    c.isPlain = s.muted == 0 && s.vivid == 0 && c.chroma.knots == 0 && s.guardStrength == 0;
    c.overall = static_cast<float>(s.overall);
    c.muted = static_cast<float>(s.muted);
    c.vivid = static_cast<float>(s.vivid);
    c.guardStrength = static_cast<float>(s.guardStrength);
    constexpr double guardSoftness = 30;
    c.guard = HueWindow(s.guardHue, s.guardWidth, guardSoftness);
    return kernelOf(Domain::Linear, c, [](const auto& k, const Block& block) {
        HWY_DYNAMIC_DISPATCH(RunSaturation)(k, block);
    });
}

} // namespace

const StageType& saturationType() {
    using namespace describe;
    using S = SaturationSettings;
    static const StageType type = stageType<S>({
        .id = "saturation",
        .name = "Saturation",
        .summary = "Makes all colours stronger or quieter without changing how light they are.",
        .parts = {Part::Look},
        .settings =
            {{&S::overall,
              percent("overall", "Saturation", -100, 100, 0,
                      "To the right colours grow stronger, to the left quieter; at −100 the picture is grey.")},
             {&S::muted,
              percent("muted", "Muted colours", -100, 100, 0, "Strengthens or quiets what has little colour.")},
             {&S::vivid,
              percent("vivid", "Vivid colours", -100, 100, 0, "Strengthens or quiets what has much colour.")},
             {&S::chroma, curve("chroma", "Curve over chroma",
                                "Across: how strong a colour is, grey at the left. Up: how strong it becomes.")},
             {&S::guardHue, through({"guard.strength"}, hue("guard.hue", "Guarded hue",
                                                            "The hue that is left as it is: faces lie about 50°."))},
             {&S::guardWidth,
              through({"guard.strength"}, number("guard.width", "Guard width", 10, 180, 1, 40,
                                                 "How many degrees of hue are guarded.", Unit::Degrees))},
             {&S::guardStrength,
              percent("guard.strength", "Guard", 0, 100, 0, "How firmly the guarded hue is kept.")}},
        .isNeutral =
            [](const S& s) { return s.overall == 0 && s.muted == 0 && s.vivid == 0 && isStraight(s.chroma); },
        .compile = saturationKernel,
    });
    return type;
}

} // namespace baryton
#endif
