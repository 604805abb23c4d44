// Vector functions that the stages share, written once and compiled for every instruction set. Included once for each
// target, therefore without a plain include guard.
#if defined(BARYTON_STAGES_SIMD_INL_H_) == defined(HWY_TARGET_TOGGLE)
#ifdef BARYTON_STAGES_SIMD_INL_H_
#undef BARYTON_STAGES_SIMD_INL_H_
#else
#define BARYTON_STAGES_SIMD_INL_H_
#endif

#include "colour/transfer-inl.h"
#include "stages/kernel.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {
/// Cube root for x ≥ 0: the inverse cube root by a bit trick and three Newton steps without a division, times x².
/// Relative error below 5e-7; 0 for x below 1e-30.
HWY_INLINE V CubeRoot(V x) {
    const D d;
    const hn::Rebind<std::int32_t, D> di;
    const V safe = hn::Max(x, Splat(1e-30F));
    const V third = hn::Mul(hn::ConvertTo(d, hn::BitCast(di, safe)), Splat(1.0F / 3));
    V y = hn::BitCast(d, hn::Sub(hn::Set(di, 0x54A2FA8C), hn::ConvertTo(di, third)));
    for (int step = 0; step < 3; ++step) {
        const V yyy = hn::Mul(hn::Mul(y, y), y);
        y = hn::Mul(y, hn::NegMulAdd(hn::Mul(safe, Splat(1.0F / 3)), yyy, Splat(4.0F / 3)));
    }
    return hn::IfThenElseZero(hn::Gt(x, Splat(1e-30F)), hn::Mul(safe, hn::Mul(y, y)));
}

HWY_INLINE V Hold(V v) {
    return hn::Min(hn::Max(v, Splat(-64.0F)), Splat(64.0F));
}

HWY_INLINE V Luma(V r, V g, V b) {
    return hn::MulAdd(Splat(0.2126F), r, hn::MulAdd(Splat(0.7152F), g, hn::Mul(Splat(0.0722F), b)));
}

/// smoothstep from 0 at `low` to 1 at `low + 1 / perWidth`.
HWY_INLINE V SmoothStep(V x, float low, float perWidth) {
    const V t = hn::Min(hn::Max(hn::Mul(hn::Sub(x, Splat(low)), Splat(perWidth)), hn::Zero(D())), Splat(1.0F));
    return hn::Mul(hn::Mul(t, t), hn::NegMulAdd(Splat(2.0F), t, Splat(3.0F)));
}

/// Row `row` of a float 3×3 matrix times a colour.
HWY_INLINE V MatrixRow(const float* m, int row, V r, V g, V b) {
    return hn::MulAdd(Splat(m[3 * row]), r, hn::MulAdd(Splat(m[3 * row + 1]), g, hn::Mul(Splat(m[3 * row + 2]), b)));
}

/// Calls f(r, g, b, index) for each vector of the block and stores what it leaves in r, g, b.
template <class F>
HWY_INLINE void ForEachVector(const Block& block, F f) {
    const D d;
    const std::size_t n = hn::Lanes(d);
    for (std::size_t i = 0; i < block.count; i += n) {
        V r = hn::LoadU(d, block.r + i), g = hn::LoadU(d, block.g + i), b = hn::LoadU(d, block.b + i);
        f(r, g, b, i);
        hn::StoreU(r, d, block.r + i);
        hn::StoreU(g, d, block.g + i);
        hn::StoreU(b, d, block.b + i);
    }
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#endif
