// Reading what is laid over a picture at the pixels of a block. Included once for each target, after simd-inl.h.
#if defined(BARYTON_STAGES_LAID_OVER_INL_H_) == defined(HWY_TARGET_TOGGLE)
#ifdef BARYTON_STAGES_LAID_OVER_INL_H_
#undef BARYTON_STAGES_LAID_OVER_INL_H_
#else
#define BARYTON_STAGES_LAID_OVER_INL_H_
#endif

#include "stages/laid_over.h"
#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// The weights of a vector of pixels. The coefficients of its lanes are loaded once and permuted, not gathered.
template <bool twoTables>
class LaidLanes {
public:
    HWY_INLINE LaidLanes(const LaidRows& laid, const Block& block, std::size_t i) : laid_(laid) {
        const D d;
        const hn::Rebind<std::int32_t, D> di;
        const V sixth = Splat(1.0F / 6), four = Splat(4.0F), six = Splat(6.0F), three = Splat(3.0F),
                one = Splat(1.0F);
        const V width = Splat(laid.columns);
        const V x = hn::MulAdd(hn::Iota(d, block.first + static_cast<float>(i)), Splat(block.dx), Splat(block.x));
        const V at = hn::Min(hn::Max(hn::MulSub(x, width, Splat(0.5F)), Splat(-1.0F)), width);
        const V low = hn::Floor(at), t = hn::Sub(at, low), u = hn::Sub(one, t);
        const V tt = hn::Mul(t, t), uu = hn::Mul(u, u);
        w_[0] = hn::Mul(hn::Mul(uu, u), sixth), w_[3] = hn::Mul(hn::Mul(tt, t), sixth);
        w_[1] = hn::Mul(hn::MulAdd(tt, hn::MulSub(three, t, six), four), sixth);
        w_[2] = hn::Mul(hn::MulAdd(uu, hn::MulSub(three, u, six), four), sixth);
        first_ = static_cast<int>(hn::GetLane(low));
        place_ = hn::Sub(hn::ConvertTo(di, low), hn::Set(di, first_));
    }

    HWY_INLINE V operator()(int plane) const {
        const float* from = laid_.rows[plane] + laid_.origin + first_ - 1;
        V sum = hn::Mul(w_[0], Taken(from));
        sum = hn::MulAdd(w_[1], Taken(from + 1), sum);
        sum = hn::MulAdd(w_[2], Taken(from + 2), sum);
        return hn::MulAdd(w_[3], Taken(from + 3), sum);
    }

private:
    HWY_INLINE V Taken(const float* from) const {
        const D d;
        const hn::Rebind<std::int32_t, D> di;
        if constexpr (twoTables) {
            const auto lanes = hn::Set(di, static_cast<std::int32_t>(hn::Lanes(d)));
            const auto place = hn::IndicesFromVec(d, hn::And(place_, hn::Sub(lanes, hn::Set(di, 1))));
            return hn::IfThenElse(hn::RebindMask(d, hn::Lt(place_, lanes)),
                                  hn::TableLookupLanes(hn::LoadU(d, from), place),
                                  hn::TableLookupLanes(hn::LoadU(d, from + hn::Lanes(d)), place));
        } else {
            return hn::TableLookupLanes(hn::LoadU(d, from), hn::IndicesFromVec(d, place_));
        }
    }

    const LaidRows& laid_;
    V w_[4];
    int first_ = 0;
    hn::Vec<hn::Rebind<std::int32_t, D>> place_;
};

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#endif
