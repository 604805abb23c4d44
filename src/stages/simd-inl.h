// Vector functions that the stages share, written once and compiled for every instruction set. Included once for each
// target, therefore without a plain include guard.
#if defined(BARYTON_STAGES_SIMD_INL_H_) == defined(HWY_TARGET_TOGGLE)
#ifdef BARYTON_STAGES_SIMD_INL_H_
#undef BARYTON_STAGES_SIMD_INL_H_
#else
#define BARYTON_STAGES_SIMD_INL_H_
#endif

#include <hwy/contrib/math/math-inl.h>
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

using D = hn::ScalableTag<float>;
using V = hn::Vec<D>;

HWY_INLINE V Splat(float value) {
    return hn::Set(D(), value);
}

/// x^p for x > 0, as exp(p·log x). Relative error below 2e-6 for x in 1e-9…1e5 and |p| ≤ 2.4.
HWY_INLINE V Power(V x, float p) {
    return hn::Exp(D(), hn::Mul(Splat(p), hn::Log(D(), x)));
}

/// Cube root for x ≥ 0: x^(1/3) with one Newton step. Relative error below 3e-7; 0 for x below 1e-30.
HWY_INLINE V CubeRoot(V x) {
    const V safe = hn::Max(x, Splat(1e-30F));
    const V y = Power(safe, 1.0F / 3);
    const V better = hn::Sub(y, hn::Mul(Splat(1.0F / 3), hn::Sub(y, hn::Div(safe, hn::Mul(y, y)))));
    return hn::IfThenElseZero(hn::Gt(x, Splat(1e-30F)), better);
}

/// sRGB transfer curve, odd-extended; error below 2e-6·max(1, |linear|).
HWY_INLINE V ToLinear(V encoded) {
    const V v = hn::Abs(encoded);
    const V curved = Power(hn::MulAdd(v, Splat(1 / 1.055F), Splat(0.055F / 1.055F)), 2.4F);
    const V linear = hn::IfThenElse(hn::Le(v, Splat(0.04045F)), hn::Mul(v, Splat(1 / 12.92F)), curved);
    return hn::CopySign(linear, encoded);
}

/// The inverse; error below 2e-6·max(1, |encoded|). The result is held to ±kHeldRange.
HWY_INLINE V ToEncoded(V linear) {
    const V l = hn::Abs(linear);
    const V curved = hn::MulSub(Splat(1.055F), Power(hn::Max(l, Splat(1e-9F)), 1 / 2.4F), Splat(0.055F));
    const V encoded = hn::IfThenElse(hn::Le(l, Splat(0.0031308F)), hn::Mul(l, Splat(12.92F)), curved);
    return hn::CopySign(hn::Min(encoded, Splat(64.0F)), linear);
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
