// OKLab for the vector code of the stages. Included once for each target, after simd-inl.h.
#if defined(BARYTON_STAGES_OKLAB_INL_H_) == defined(HWY_TARGET_TOGGLE)
#ifdef BARYTON_STAGES_OKLAB_INL_H_
#undef BARYTON_STAGES_OKLAB_INL_H_
#else
#define BARYTON_STAGES_OKLAB_INL_H_
#endif

#include "stages/oklab.h"
#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// What a perceptual stage needs of a pixel: OKLab, chroma, the hue as a unit vector (0 at grey), and the fade.
struct Perceived {
    V lightness, a, b, chroma, cosHue, sinHue, fade;
};

/// OKLab of cone responses that are not negative.
HWY_INLINE Perceived Perceive(const OklabMatrices& m, V cl, V cm, V cs) {
    const V l = CubeRoot(cl), mm = CubeRoot(cm), s = CubeRoot(cs);
    Perceived p;
    p.lightness = MatrixRow(m.fromRoots, 0, l, mm, s);
    p.a = MatrixRow(m.fromRoots, 1, l, mm, s);
    p.b = MatrixRow(m.fromRoots, 2, l, mm, s);
    const V square = hn::MulAdd(p.a, p.a, hn::Mul(p.b, p.b)), per = InverseRoot(hn::Max(square, Splat(1e-12F)));
    p.chroma = hn::Mul(square, per);
    p.cosHue = hn::Mul(p.a, per), p.sinHue = hn::Mul(p.b, per);
    p.fade = hn::Mul(SmoothStep(p.chroma, kFadeChromaLow, 1 / (kFadeChromaHigh - kFadeChromaLow)),
                     SmoothStep(p.lightness, kFadeLightLow, 1 / (kFadeLightHigh - kFadeLightLow)));
    return p;
}

/// The same of a colour in linear light; what lies outside the cones' range is cut off.
HWY_INLINE Perceived PerceiveLinear(const OklabMatrices& m, V r, V g, V b) {
    const V zero = hn::Zero(D());
    return Perceive(m, hn::Max(MatrixRow(m.toCones, 0, r, g, b), zero),
                    hn::Max(MatrixRow(m.toCones, 1, r, g, b), zero), hn::Max(MatrixRow(m.toCones, 2, r, g, b), zero));
}

HWY_INLINE V WindowWeight(const HueWindow& w, const Perceived& p) {
    const V cosDelta = hn::MulAdd(p.cosHue, Splat(w.cosCentre), hn::Mul(p.sinHue, Splat(w.sinCentre)));
    return SmoothStep(cosDelta, w.outer, w.perSpan);
}

/// Runs f(perceived), which changes lightness, a and b, on a colour in linear light. Cone responses are held at 0 or
/// above for it; what was cut off is added back unchanged, so that colours outside the gamut pass without a jump.
template <class F>
HWY_INLINE void ThroughOklab(const OklabMatrices& m, V& r, V& g, V& b, F f) {
    const V zero = hn::Zero(D());
    const auto cubed = [](V x) { return hn::Mul(hn::Mul(x, x), x); };
    const V l0 = MatrixRow(m.toCones, 0, r, g, b), m0 = MatrixRow(m.toCones, 1, r, g, b),
            s0 = MatrixRow(m.toCones, 2, r, g, b);
    const V l1 = hn::Max(l0, zero), m1 = hn::Max(m0, zero), s1 = hn::Max(s0, zero);
    Perceived p = Perceive(m, l1, m1, s1);
    f(p);
    const auto back = [&](int row, V before, V held) {
        return hn::Add(before, hn::Sub(cubed(MatrixRow(m.toRoots, row, p.lightness, p.a, p.b)), held));
    };
    const V l2 = back(0, l0, l1), m2 = back(1, m0, m1), s2 = back(2, s0, s1);
    r = MatrixRow(m.toRgb, 0, l2, m2, s2);
    g = MatrixRow(m.toRgb, 1, l2, m2, s2);
    b = MatrixRow(m.toRgb, 2, l2, m2, s2);
}

/// Sine and cosine for |x| ≤ 1.1 rad; error below 1e-7.
HWY_INLINE void SinCos(V x, V& sine, V& cosine) {
    const V t = hn::Mul(x, x);
    V s = hn::MulAdd(Splat(-1.917629364e-04F), t, Splat(8.328241124e-03F));
    s = hn::MulAdd(s, t, Splat(-1.666654045e-01F));
    sine = hn::Mul(hn::MulAdd(s, t, Splat(9.999999502e-01F)), x);
    V c = hn::MulAdd(Splat(2.394887833e-05F), t, Splat(-1.387946292e-03F));
    c = hn::MulAdd(c, t, Splat(4.166623386e-02F));
    c = hn::MulAdd(c, t, Splat(-4.999999287e-01F));
    cosine = hn::MulAdd(c, t, Splat(9.999999980e-01F));
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#endif
