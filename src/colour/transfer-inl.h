// Transfer curves and powers for vector code, written once and compiled for every instruction set. Included once for
// each target, therefore without a plain include guard.
#if defined(BARYTON_COLOUR_TRANSFER_INL_H_) == defined(HWY_TARGET_TOGGLE)
#ifdef BARYTON_COLOUR_TRANSFER_INL_H_
#undef BARYTON_COLOUR_TRANSFER_INL_H_
#else
#define BARYTON_COLOUR_TRANSFER_INL_H_
#endif

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

/// Base-2 logarithm of x > 0 (normal numbers). Exponent and mantissa are taken apart at √½; the mantissa's logarithm
/// is t·Q(t) with a minimax polynomial. Error below 2e-7·|log2 x| + 1e-7.
HWY_INLINE V Log2(V x) {
    const D d;
    const hn::Rebind<std::int32_t, D> di;
    const auto bits = hn::BitCast(di, x);
    const auto exponent = hn::ShiftRight<23>(hn::Sub(bits, hn::Set(di, 0x3F3504F3))); // the bits of √½
    const V t = hn::Sub(hn::BitCast(d, hn::Sub(bits, hn::ShiftLeft<23>(exponent))), Splat(1.0F));
    V q = hn::MulAdd(Splat(-1.458097875e-01F), t, Splat(2.340415560e-01F));
    q = hn::MulAdd(q, t, Splat(-2.488771311e-01F));
    q = hn::MulAdd(q, t, Splat(2.870988118e-01F));
    q = hn::MulAdd(q, t, Splat(-3.602396284e-01F));
    q = hn::MulAdd(q, t, Splat(4.809232384e-01F));
    q = hn::MulAdd(q, t, Splat(-7.213527882e-01F));
    q = hn::MulAdd(q, t, Splat(1.442694962e+00F));
    return hn::MulAdd(t, q, hn::ConvertTo(d, exponent));
}

/// 2^y for |y| ≤ 126 (held there). Relative error below 2e-7.
HWY_INLINE V Exp2(V y) {
    const D d;
    const hn::Rebind<std::int32_t, D> di;
    y = hn::Min(hn::Max(y, Splat(-126.0F)), Splat(126.0F));
    const V whole = hn::Round(y), f = hn::Sub(y, whole);
    V p = hn::MulAdd(Splat(1.327646680e-03F), f, Splat(9.675541293e-03F));
    p = hn::MulAdd(p, f, Splat(5.550713290e-02F));
    p = hn::MulAdd(p, f, Splat(2.402211972e-01F));
    p = hn::MulAdd(p, f, Splat(6.931469671e-01F));
    p = hn::MulAdd(p, f, Splat(1.000000072e+00F));
    return hn::BitCast(d, hn::Add(hn::BitCast(di, p), hn::ShiftLeft<23>(hn::ConvertTo(di, whole))));
}

/// x^p for x > 0. Relative error below 3e-6 for x in 1e-9…1e5 and |p| ≤ 2.4.
HWY_INLINE V Power(V x, float p) {
    return Exp2(hn::Mul(Splat(p), Log2(x)));
}

/// sRGB transfer curve, odd-extended. Within −1…1 a polynomial whose error, seen through the curve's slope, stays
/// below 2e-6 in the encoded value; beyond, the formula. Each lane depends on its own value alone.
HWY_INLINE V ToLinear(V encoded) {
    const D d;
    const V v = hn::Abs(encoded);
    V p = hn::MulAdd(Splat(-1.371062321e-01F), v, Splat(6.139656839e-01F));
    p = hn::MulAdd(p, v, Splat(-1.185805531e+00F));
    p = hn::MulAdd(p, v, Splat(1.331692434e+00F));
    p = hn::MulAdd(p, v, Splat(-1.049329903e+00F));
    p = hn::MulAdd(p, v, Splat(9.115462872e-01F));
    p = hn::MulAdd(p, v, Splat(4.784300986e-01F));
    p = hn::MulAdd(p, v, Splat(3.575979043e-02F));
    p = hn::MulAdd(p, v, Splat(8.439728615e-04F));
    const auto beyond = hn::Gt(v, Splat(1.0F));
    if (HWY_UNLIKELY(!hn::AllFalse(d, beyond)))
        p = hn::IfThenElse(beyond, Power(hn::MulAdd(v, Splat(1 / 1.055F), Splat(0.055F / 1.055F)), 2.4F), p);
    return hn::CopySign(hn::IfThenElse(hn::Le(v, Splat(0.04045F)), hn::Mul(v, Splat(1 / 12.92F)), p), encoded);
}

/// 1.055·2^(5e/12) for e = −8…7.
alignas(64) constexpr float kEncodedPowers[] = {
    1.046692569e-01F, 1.397166956e-01F, 1.864994135e-01F, 2.489468500e-01F, 3.323041769e-01F, 4.435728590e-01F,
    5.920987305e-01F, 7.903569831e-01F, 1.055000000e+00F, 1.408256046e+00F, 1.879796295e+00F, 2.509227013e+00F,
    3.349416220e+00F, 4.470934258e+00F, 5.967981233e+00F, 7.966299199e+00F};

/// The curved part of the inverse, 1.055·x^(1/2.4) − 0.055. Where a vector has eight lanes or more, x = 2^e·m with m
/// in 0.8…2: the power of two from a table of as many as there are lanes, from 2⁻⁸ on, that of m by a minimax
/// polynomial that is exact at 1 and at 2.
HWY_INLINE V CurvedToEncoded(V x) {
    const D d;
    if constexpr (hn::MaxLanes(d) >= 8) {
        const hn::Rebind<std::int32_t, D> di;
        constexpr int lowest = -8, highest = lowest + int(hn::MaxLanes(d)) - 1;
        const auto bits = hn::BitCast(di, x);
        const auto e = hn::Min(hn::Max(hn::Sub(hn::ShiftRight<23>(bits), hn::Set(di, 127)), hn::Set(di, lowest)),
                               hn::Set(di, highest));
        const V t = hn::Sub(hn::BitCast(d, hn::Sub(bits, hn::ShiftLeft<23>(e))), Splat(1.0F));
        V p = hn::MulAdd(Splat(2.885690358e-03F), t, Splat(-1.258523834e-02F));
        p = hn::MulAdd(p, t, Splat(2.650964480e-02F));
        p = hn::MulAdd(p, t, Splat(-4.143000448e-02F));
        p = hn::MulAdd(p, t, Splat(6.433902624e-02F));
        p = hn::MulAdd(p, t, Splat(-1.215432034e-01F));
        p = hn::MulAdd(p, t, Splat(4.166639390e-01F));
        p = hn::MulAdd(p, t, Splat(1.0F));
        const V power = hn::TableLookupLanes(hn::LoadU(d, kEncodedPowers),
                                             hn::IndicesFromVec(d, hn::Sub(e, hn::Set(di, lowest))));
        const V curved = hn::MulSub(p, power, Splat(0.055F));
        const auto beyond = hn::Gt(x, Splat(float(1 << (highest + 1))));
        if (HWY_LIKELY(hn::AllFalse(d, beyond))) return curved;
        return hn::IfThenElse(beyond, hn::MulSub(Splat(1.055F), Power(x, 1 / 2.4F), Splat(0.055F)), curved);
    } else {
        return hn::MulSub(Splat(1.055F), Power(hn::Max(x, Splat(1e-9F)), 1 / 2.4F), Splat(0.055F));
    }
}

/// The inverse; error below 2e-6·max(1, |encoded|). The result is held to ±kHeldRange.
HWY_INLINE V ToEncoded(V linear) {
    const V l = hn::Abs(linear);
    const V curved = CurvedToEncoded(l);
    const V encoded = hn::IfThenElse(hn::Le(l, Splat(0.0031308F)), hn::Mul(l, Splat(12.92F)), curved);
    return hn::CopySign(hn::Min(encoded, Splat(64.0F)), linear);
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#endif
