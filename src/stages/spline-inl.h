// Splines for the vector code of the stages. Included once for each target, after simd-inl.h.
#if defined(BARYTON_STAGES_SPLINE_INL_H_) == defined(HWY_TARGET_TOGGLE)
#ifdef BARYTON_STAGES_SPLINE_INL_H_
#undef BARYTON_STAGES_SPLINE_INL_H_
#else
#define BARYTON_STAGES_SPLINE_INL_H_
#endif

#include "stages/simd-inl.h"
#include "stages/spline.h"

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

/// A spline ready for many vectors. As long as there are no more pieces than lanes, their coefficients stay in
/// registers and each lane picks its own; a curve of many points gathers them from memory.
class SplineLanes {
public:
    HWY_INLINE explicit SplineLanes(const Spline& s)
        : spline_(s), inRegisters_(s.knots + 1 <= hn::Lanes(D()) && hn::Lanes(D()) <= Spline::kMostPoints),
          origin_(hn::LoadU(D(), s.origin)), c0_(hn::LoadU(D(), s.c0)), c1_(hn::LoadU(D(), s.c1)),
          c2_(hn::LoadU(D(), s.c2)), c3_(hn::LoadU(D(), s.c3)) {}

    HWY_INLINE V operator()(V x) const {
        const D d;
        const Spline& s = spline_;
        if (s.knots == 0) return x;
        const auto piece = PieceOf(s, x);
        if (inRegisters_) {
            const auto at = hn::IndicesFromVec(d, piece);
            const V t = hn::Sub(x, hn::TableLookupLanes(origin_, at));
            return Cubic(t, hn::TableLookupLanes(c3_, at), hn::TableLookupLanes(c2_, at),
                         hn::TableLookupLanes(c1_, at), hn::TableLookupLanes(c0_, at));
        }
        const V t = hn::Sub(x, hn::GatherIndex(d, s.origin, piece));
        return Cubic(t, hn::GatherIndex(d, s.c3, piece), hn::GatherIndex(d, s.c2, piece),
                     hn::GatherIndex(d, s.c1, piece), hn::GatherIndex(d, s.c0, piece));
    }

private:
    const Spline& spline_;
    bool inRegisters_;
    V origin_, c0_, c1_, c2_, c3_;
};

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#endif
