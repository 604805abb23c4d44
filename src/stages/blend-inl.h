// Blend modes for the vector code. Included once for each target. Formulas: blend.h.
#if defined(BARYTON_STAGES_BLEND_INL_H_) == defined(HWY_TARGET_TOGGLE)
#ifdef BARYTON_STAGES_BLEND_INL_H_
#undef BARYTON_STAGES_BLEND_INL_H_
#else
#define BARYTON_STAGES_BLEND_INL_H_
#endif

#include "stages/blend.h"
#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

struct Colour {
    V r, g, b;
};

HWY_INLINE V Least(const Colour& c) {
    return hn::Min(c.r, hn::Min(c.g, c.b));
}
HWY_INLINE V Most(const Colour& c) {
    return hn::Max(c.r, hn::Max(c.g, c.b));
}
HWY_INLINE V Sat(const Colour& c) {
    return hn::Sub(Most(c), Least(c));
}
HWY_INLINE V Lum(const Colour& c) {
    return hn::MulAdd(Splat(0.3F), c.r, hn::MulAdd(Splat(0.59F), c.g, hn::Mul(Splat(0.11F), c.b)));
}
HWY_INLINE V Mixed(V a, V b, V t) {
    return hn::MulAdd(hn::Sub(b, a), t, a);
}
template <class F>
HWY_INLINE Colour Each(F f) {
    return {f(0), f(1), f(2)};
}
HWY_INLINE V Channel(const Colour& c, int k) {
    return k == 0 ? c.r : k == 1 ? c.g : c.b;
}

HWY_INLINE Colour SetLum(const Colour& c, V l) {
    const V shift = hn::Sub(l, Lum(c)), tiny = Splat(1e-6F), one = Splat(1.0F), zero = hn::Zero(D());
    const Colour m = {hn::Add(c.r, shift), hn::Add(c.g, shift), hn::Add(c.b, shift)};
    const V n = Least(m), x = Most(m);
    const V low = hn::IfThenElse(hn::Lt(n, zero), hn::Div(l, hn::Max(hn::Sub(l, n), tiny)), one);
    const V high = hn::IfThenElse(hn::Gt(x, one), hn::Div(hn::Sub(one, l), hn::Max(hn::Sub(x, l), tiny)), one);
    const V scale = hn::Min(one, hn::Min(low, high));
    return Each([&](int k) { return hn::MulAdd(hn::Sub(Channel(m, k), l), scale, l); });
}

HWY_INLINE Colour SetSat(const Colour& c, V s) {
    const V n = Least(c), per = hn::Div(s, hn::Max(Sat(c), Splat(1e-6F)));
    return Each([&](int k) { return hn::Mul(hn::Sub(Channel(c, k), n), per); });
}

HWY_INLINE V HardLight(V b, V s) {
    const V two = hn::Add(s, s), upper = hn::Sub(two, Splat(1.0F));
    return hn::IfThenElse(hn::Le(s, Splat(0.5F)), hn::Mul(b, two), hn::Sub(hn::Add(b, upper), hn::Mul(b, upper)));
}

HWY_INLINE V SoftLight(V b, V s) {
    const V one = Splat(1.0F), two = hn::Sub(hn::Add(s, s), one);
    const V dark = hn::MulAdd(two, hn::Mul(b, hn::Sub(one, b)), b);
    const V near = hn::Mul(hn::MulAdd(hn::MulAdd(Splat(16.0F), b, Splat(-12.0F)), b, Splat(4.0F)), b);
    const V d = hn::IfThenElse(hn::Le(b, Splat(0.25F)), near, hn::Sqrt(b));
    return hn::IfThenElse(hn::Le(s, Splat(0.5F)), dark, hn::MulAdd(two, hn::Sub(d, b), b));
}

HWY_INLINE V Separable(BlendMode mode, V b, V s) {
    switch (mode) {
    case BlendMode::Multiply:
        return hn::Mul(b, s);
    case BlendMode::Screen:
        return hn::Sub(hn::Add(b, s), hn::Mul(b, s));
    case BlendMode::Overlay:
        return HardLight(s, b);
    case BlendMode::HardLight:
        return HardLight(b, s);
    case BlendMode::SoftLight:
        return SoftLight(b, s);
    case BlendMode::Darken:
        return hn::Min(b, s);
    case BlendMode::Lighten:
        return hn::Max(b, s);
    case BlendMode::Difference:
        return hn::AbsDiff(b, s);
    default:
        return s;
    }
}

HWY_INLINE Colour Blended(BlendMode mode, const Colour& lower, const Colour& upper) {
    if (mode == BlendMode::Normal) return upper;
    const V one = Splat(1.0F), zero = hn::Zero(D());
    const auto held = [&](const Colour& c) {
        return Each([&](int k) { return hn::Min(hn::Max(Channel(c, k), zero), one); });
    };
    const Colour b = held(lower), s = held(upper);
    Colour out;
    switch (mode) {
    case BlendMode::Hue: {
        const V l = Lum(b), t = SmoothStep(Sat(s), 0, 1 / 0.08F);
        const Colour full = SetLum(SetSat(s, Sat(b)), l);
        out = Each([&](int k) { return Mixed(l, Channel(full, k), t); });
        break;
    }
    case BlendMode::Saturation: {
        const V t = SmoothStep(Sat(b), 0, 1 / 0.08F);
        const Colour full = SetLum(SetSat(b, Sat(s)), Lum(b));
        out = Each([&](int k) { return Mixed(Channel(b, k), Channel(full, k), t); });
        break;
    }
    case BlendMode::Colour:
        out = SetLum(s, Lum(b));
        break;
    case BlendMode::Luminosity:
        out = SetLum(b, Lum(s));
        break;
    default:
        out = Each([&](int k) { return Separable(mode, Channel(b, k), Channel(s, k)); });
    }
    return Each([&](int k) { return hn::Add(Channel(out, k), hn::Sub(Channel(lower, k), Channel(b, k))); });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#endif
