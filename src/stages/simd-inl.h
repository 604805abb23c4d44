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
/// Cube root for x ≥ 0: y, the inverse of it, by a bit trick to 4 %, and x·y²·(1 − r)^(−2/3), r = 1 − x·y³, by a
/// minimax polynomial of r taken in pairs, so that nothing waits long for what is before it. Relative error below
/// 5e-7; 0 for x below 1e-30.
HWY_INLINE V CubeRoot(V x) {
    const D d;
    const hn::Rebind<std::int32_t, D> di;
    const V safe = hn::Max(x, Splat(1e-30F));
    const V third = hn::Mul(hn::ConvertTo(d, hn::BitCast(di, safe)), Splat(1.0F / 3));
    const V y = hn::BitCast(d, hn::Sub(hn::Set(di, 0x54A1F400), hn::ConvertTo(di, third)));
    const V xy = hn::Mul(safe, y), r = hn::NegMulAdd(xy, hn::Mul(y, y), Splat(1.0F)), square = hn::Mul(r, r);
    const V low = hn::MulAdd(r, Splat(6.666667068e-01F), Splat(1.0F));
    const V middle = hn::MulAdd(r, Splat(4.937925991e-01F), Splat(5.555303907e-01F));
    const V high = hn::MulAdd(r, Splat(4.294111740e-01F), Splat(4.590366143e-01F));
    const V power = hn::MulAdd(square, hn::MulAdd(square, high, middle), low);
    return hn::IfThenElseZero(hn::Gt(x, Splat(1e-30F)), hn::Mul(hn::Mul(xy, y), power));
}

/// 1/√x for x of 1e-30 and more, by what processors know of it (at least 11 bits) and a Newton step. Relative error
/// below 5e-7.
HWY_INLINE V InverseRoot(V x) {
    const V y = hn::ApproximateReciprocalSqrt(x);
    const V rest = hn::NegMulAdd(hn::Mul(x, y), y, Splat(1.0F));
    return hn::MulAdd(hn::Mul(y, Splat(0.5F)), rest, y);
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
