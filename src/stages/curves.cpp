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

using DI = hn::Rebind<std::int32_t, D>;

/// Which piece holds x: the number of knots that do not lie above it.
HWY_INLINE hn::Vec<DI> PieceOf(const Spline& s, V x) {
    const DI di;
    auto piece = hn::Zero(di);
    for (std::size_t k = 0; k < s.knots; ++k) // true is −1 in every lane
        piece = hn::Sub(piece, hn::VecFromMask(di, hn::RebindMask(di, hn::Ge(x, Splat(s.knot[k])))));
    return piece;
}

HWY_INLINE V Cubic(V t, V c3, V c2, V c1, V c0) {
    return Hold(hn::MulAdd(hn::MulAdd(hn::MulAdd(c3, t, c2), t, c1), t, c0));
}

/// Runs one spline over a plane. As long as there are no more pieces than lanes, their coefficients stay in registers
/// and each lane picks its own; a curve of many points gathers them from memory.
void RunSpline(const Spline& s, float* plane, std::size_t count) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    if (s.knots + 1 <= lanes && lanes <= Spline::kMostPoints) {
        const V origin = hn::LoadU(d, s.origin), c0 = hn::LoadU(d, s.c0), c1 = hn::LoadU(d, s.c1),
                c2 = hn::LoadU(d, s.c2), c3 = hn::LoadU(d, s.c3);
        for (std::size_t i = 0; i < count; i += lanes) {
            const V x = hn::LoadU(d, plane + i);
            const auto at = hn::IndicesFromVec(d, PieceOf(s, x));
            const V t = hn::Sub(x, hn::TableLookupLanes(origin, at));
            hn::StoreU(Cubic(t, hn::TableLookupLanes(c3, at), hn::TableLookupLanes(c2, at),
                             hn::TableLookupLanes(c1, at), hn::TableLookupLanes(c0, at)),
                       d, plane + i);
        }
        return;
    }
    for (std::size_t i = 0; i < count; i += lanes) {
        const V x = hn::LoadU(d, plane + i);
        const auto piece = PieceOf(s, x);
        const V t = hn::Sub(x, hn::GatherIndex(d, s.origin, piece));
        hn::StoreU(Cubic(t, hn::GatherIndex(d, s.c3, piece), hn::GatherIndex(d, s.c2, piece),
                         hn::GatherIndex(d, s.c1, piece), hn::GatherIndex(d, s.c0, piece)),
                   d, plane + i);
    }
}

void RunCurves(const CurvesConstants& c, const Block& block) {
    float* planes[3] = {block.r, block.g, block.b};
    for (int p = 0; p < 3; ++p)
        for (const Spline* spline : {&c.rgb, &c.channel[p]})
            if (spline->knots > 0) RunSpline(*spline, planes[p], block.count);
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
