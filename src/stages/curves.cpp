// Curves: one curve on all three channels, then one on each. The channel curves come last so that a cast set with
// them stays where it was set when the common curve is changed.
#include "stages/curves.h"
#include "stages/stage_type.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/curves.cpp"
#include <hwy/foreach_target.h>

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

HWY_INLINE V Evaluate(const Spline& s, V x) {
    const hn::Rebind<std::int32_t, D> di;
    auto piece = hn::Zero(di);
    for (std::size_t k = 0; k < s.knots; ++k) // true is −1 in every lane
        piece = hn::Sub(piece, hn::VecFromMask(di, hn::RebindMask(di, hn::Ge(x, Splat(s.knot[k])))));
    const D d;
    const V t = hn::Sub(x, hn::GatherIndex(d, s.origin, piece));
    V y = hn::MulAdd(hn::GatherIndex(d, s.c3, piece), t, hn::GatherIndex(d, s.c2, piece));
    y = hn::MulAdd(y, t, hn::GatherIndex(d, s.c1, piece));
    return Hold(hn::MulAdd(y, t, hn::GatherIndex(d, s.c0, piece)));
}

void RunCurves(const CurvesConstants& c, const Block& block) {
    float* planes[3] = {block.r, block.g, block.b};
    const D d;
    for (int p = 0; p < 3; ++p)
        for (const Spline* spline : {&c.rgb, &c.channel[p]}) {
            if (spline->knots == 0) continue;
            for (std::size_t i = 0; i < block.count; i += hn::Lanes(d))
                hn::StoreU(Evaluate(*spline, hn::LoadU(d, planes[p] + i)), d, planes[p] + i);
        }
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"

namespace baryton {

HWY_EXPORT(RunCurves);

const StageType& curvesType() {
    static const StageType type = {
        "curves",
        "Curves",
        "Bends the tones: what is dark, middling or light becomes darker or lighter, in all channels or in one.",
        {Part::Look},
        true,
        {describe::curve(
             "rgb", "RGB",
             "Changes the tones of all three channels alike: an S gives contrast, a lifted left end matte blacks."),
         describe::curve("r", "Red", "Upward turns these tones toward red, downward toward cyan."),
         describe::curve("g", "Green", "Upward turns these tones toward green, downward toward magenta."),
         describe::curve("b", "Blue", "Upward turns these tones toward blue, downward toward yellow.")},
        [](const ParameterReader& p) {
            return isStraight(p.curve("rgb")) && isStraight(p.curve("r")) && isStraight(p.curve("g")) &&
                   isStraight(p.curve("b"));
        },
        [](const ParameterReader& p) {
            Kernel kernel;
            kernel.constants = std::make_shared<CurvesConstants>(CurvesConstants{
                Spline(p.curve("rgb")), {Spline(p.curve("r")), Spline(p.curve("g")), Spline(p.curve("b"))}});
            kernel.run = [](const void* constants, const Block& block) {
                HWY_DYNAMIC_DISPATCH(RunCurves)(*static_cast<const CurvesConstants*>(constants), block);
            };
            return kernel;
        },
    };
    return type;
}

} // namespace baryton
#endif
