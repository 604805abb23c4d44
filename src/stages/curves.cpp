// Curves: tone curves on the channels together and each alone, on luma, and on lightness and the opponent axes.
#include "stages/curves.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/curves.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/oklab-inl.h"
#include "stages/simd-inl.h"
#include "stages/spline-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunSpline(const Spline& s, float* plane, std::size_t count) {
    const D d;
    const SplineLanes curve(s);
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) hn::StoreU(curve(hn::LoadU(d, plane + i)), d, plane + i);
}

void RunLumaCurve(const Spline& s, const Block& block) {
    const SplineLanes curve(s);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        const V y = Luma(r, g, b), shift = hn::Sub(curve(y), y);
        r = Hold(hn::Add(r, shift)), g = Hold(hn::Add(g, shift)), b = Hold(hn::Add(b, shift));
    });
}

void RunHoldHue(const Spline& s, const Block& block) {
    const SplineLanes curve(s);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        const V low = hn::Min(r, hn::Min(g, b)), range = hn::Sub(hn::Max(r, hn::Max(g, b)), low);
        const V newLow = curve(low);
        const V stretch = hn::Div(hn::Sub(curve(hn::Add(low, range)), newLow), hn::Max(range, Splat(1e-6F)));
        const auto placed = [&](V v) { return hn::MulAdd(hn::Sub(v, low), stretch, newLow); };
        r = placed(r), g = placed(g), b = placed(b);
    });
}

void RunLabCurves(const CurvesConstants& c, const Block& block) {
    const SplineLanes lightness(c.lightness), a(c.a), b(c.b);
    const OklabMatrices& m = oklabMatrices();
    const V span = Splat(CurvesConstants::axisSpan), half = Splat(0.5F), per = Splat(1 / CurvesConstants::axisSpan);
    const auto axis = [&](const SplineLanes& curve, const Spline& s, V v) {
        return s.knots == 0 ? v : hn::Mul(hn::Sub(curve(hn::MulAdd(v, per, half)), half), span);
    };
    ForEachVector(block, [&](V& red, V& green, V& blue, std::size_t) {
        V r = ToLinear(red), g = ToLinear(green), bl = ToLinear(blue);
        ThroughOklab(m, r, g, bl, [&](Perceived& p) {
            p.lightness = lightness(p.lightness);
            p.a = axis(a, c.a, p.a);
            p.b = axis(b, c.b, p.b);
        });
        red = ToEncoded(r), green = ToEncoded(g), blue = ToEncoded(bl);
    });
}

void RunCurves(const CurvesConstants& c, const Block& block) {
    float* planes[3] = {block.r, block.g, block.b};
    if (c.rgb.knots > 0) {
        if (c.response == CurveResponse::HoldHue)
            RunHoldHue(c.rgb, block);
        else if (c.response == CurveResponse::Luma)
            RunLumaCurve(c.rgb, block);
        else
            for (float* plane : planes) RunSpline(c.rgb, plane, block.count);
    }
    for (int p = 0; p < 3; ++p)
        if (c.channel[p].knots > 0) RunSpline(c.channel[p], planes[p], block.count);
    if (c.luma.knots > 0) RunLumaCurve(c.luma, block);
    if (c.hasLab()) RunLabCurves(c, block);
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>

namespace baryton {

HWY_EXPORT(RunCurves);

namespace {

struct CurvesSettings {
    Curve rgb, luma, red, green, blue, lightness, a, b;
    CurveResponse response = CurveResponse::Channels;
    SplineKind spline = SplineKind::Monotone;
};

bool isNeutralCurves(const CurvesSettings& s) {
    return isStraight(s.rgb) && isStraight(s.luma) && isStraight(s.red) && isStraight(s.green) &&
           isStraight(s.blue) && isStraight(s.lightness) && isStraight(s.a) && isStraight(s.b);
}

Kernel curvesKernel(const CurvesSettings& s) {
    const auto spline = [&](const Curve& curve) { return Spline(curve, s.spline); };
    return kernelOf(Domain::Encoded,
                    CurvesConstants{spline(s.rgb),
                                    {spline(s.red), spline(s.green), spline(s.blue)},
                                    spline(s.luma),
                                    spline(s.lightness),
                                    spline(s.a),
                                    spline(s.b),
                                    s.response},
                    [](const auto& c, const Block& block) {
                        HWY_DYNAMIC_DISPATCH(RunCurves)
                        (c, block);
                    });
}

} // namespace

const StageType& curvesType() {
    using namespace describe;
    using S = CurvesSettings;
    static const StageType type = stageType<S>({
        .id = "curves",
        .name = "Curves",
        .summary =
            "Bends the tones: what is dark, middling or light becomes darker or lighter, in all channels or in one.",
        .parts = {Part::Look},
        .settings =
            {{&S::rgb, curve("rgb", "RGB",
                             "Changes the tones of all three channels alike: an S gives contrast, a lifted left end "
                             "matte blacks.")},
             {&S::luma, curve("luma", "Luma", "Changes how light tones are and leaves their colour as it is.")},
             {&S::red, curve("r", "Red", "Upward turns these tones toward red, downward toward cyan.")},
             {&S::green, curve("g", "Green", "Upward turns these tones toward green, downward toward magenta.")},
             {&S::blue, curve("b", "Blue", "Upward turns these tones toward blue, downward toward yellow.")},
             {&S::lightness, curve("lab.l", "Lightness", "Changes lightness as the eye sees it.")},
             {&S::a, curve("lab.a", "Green to red", "The middle is neutral; steeper draws greens and reds apart.")},
             {&S::b,
              curve("lab.b", "Blue to yellow", "The middle is neutral; steeper draws blues and yellows apart.")},
             {&S::response, choice("response", "Response",
                                   {{"channels", "Channels"}, {"hold-hue", "Hold hue"}, {"luma", "Luma only"}},
                                   "How the RGB curve acts: on each channel, with hues held, or on luma alone.")},
             {&S::spline, choice("spline", "Spline", {{"monotone", "Monotone"}, {"natural", "Natural"}},
                                 "Monotone never swings past its points; natural is smoother.")}},
        .isNeutral = isNeutralCurves,
        .compile = curvesKernel,
    });
    return type;
}

} // namespace baryton
#endif
