#include "render/mask_ranges.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "render/mask_ranges.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/oklab-inl.h"
#include "stages/simd-inl.h"

#include "colour/smooth_step.h"
#include "colour/spaces.h"
#include "colour/transfer.h"

#include <algorithm>
#include <cmath>
#include <numbers>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

HWY_INLINE V WithinWindow(const RangeWeights::Window& w, V x) {
    return hn::Mul(SmoothStep(x, w.low - 1 / w.perSoftness, w.perSoftness),
                   hn::Sub(Splat(1.0F), SmoothStep(x, w.high, w.perSoftness)));
}

HWY_INLINE Perceived PerceiveEncoded(const OklabMatrices& m, const float* const* rgb, std::size_t i) {
    const D d;
    return PerceiveLinear(m, ToLinear(hn::LoadU(d, rgb[0] + i)), ToLinear(hn::LoadU(d, rgb[1] + i)),
                          ToLinear(hn::LoadU(d, rgb[2] + i)));
}

void RangeBlock(const RangeWeights& range, const float* const* rgb, std::size_t count, float* weights) {
    const D d;
    const V one = Splat(1.0F), zero = hn::Zero(d);
    if (range.isOfTones) {
        for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
            const V y = Luma(hn::LoadU(d, rgb[0] + i), hn::LoadU(d, rgb[1] + i), hn::LoadU(d, rgb[2] + i));
            hn::StoreU(WithinWindow(range.tone, hn::Min(hn::Max(y, zero), one)), d, weights + i);
        }
        return;
    }
    const OklabMatrices& m = oklabMatrices();
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const Perceived p = PerceiveEncoded(m, rgb, i);
        const V grey =
            hn::Mul(hn::Sub(one, SmoothStep(p.chroma, kFadeChromaLow, 1 / (kFadeChromaHigh - kFadeChromaLow))),
                    Splat(range.openGrey));
        const V closed = WindowWeight(range.hue, p);
        const V hue = hn::MulAdd(hn::Sub(one, closed), grey, closed);
        const V light = WithinWindow(range.lightness, hn::Min(hn::Max(p.lightness, zero), one));
        hn::StoreU(hn::Mul(hn::Mul(light, WithinWindow(range.chroma, p.chroma)), hue), d, weights + i);
    }
}

void OklabBlock(const float* const* rgb, std::size_t count, float* const* lab) {
    const D d;
    const OklabMatrices& m = oklabMatrices();
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const Perceived p = PerceiveEncoded(m, rgb, i);
        hn::StoreU(p.lightness, d, lab[0] + i), hn::StoreU(p.a, d, lab[1] + i), hn::StoreU(p.b, d, lab[2] + i);
    }
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace baryton {

HWY_EXPORT(RangeBlock);
HWY_EXPORT(OklabBlock);

void runRangeWeights(const RangeWeights& range, const float* const* rgb, std::size_t count, float* weights) {
    HWY_DYNAMIC_DISPATCH(RangeBlock)(range, rgb, count, weights);
}

void runOklab(const float* const* rgb, std::size_t count, float* const* lab) {
    HWY_DYNAMIC_DISPATCH(OklabBlock)(rgb, count, lab);
}

namespace {

RangeWeights::Window windowOf(double low, double high, double softness) {
    return {static_cast<float>(low), static_cast<float>(std::max(low, high)),
            static_cast<float>(1 / std::max(softness, kLeastRangeSoftness))};
}

double within(const RangeWeights::Window& w, double x) {
    const double low = double(w.low), per = double(w.perSoftness);
    return smoothStep(x, low - 1 / per, per) * (1 - smoothStep(x, double(w.high), per));
}

struct Perceptual {
    double lightness, chroma, hue; ///< degrees
};

Perceptual perceptual(const std::array<double, 3>& encoded) {
    const auto [l, a, b] = oklabOf(encoded);
    return {l, std::hypot(a, b), std::atan2(b, a) * 180 / std::numbers::pi};
}

constexpr double kGreyChroma = 0.02; // below it a hue is noise

double rounded(double v, double steps) {
    return std::round(v * steps) / steps;
}

} // namespace

std::array<double, 3> oklabOf(const std::array<double, 3>& encoded) {
    const Vec3 linear = {srgbToLinear(encoded[0]), srgbToLinear(encoded[1]), srgbToLinear(encoded[2])};
    return oklabFromLinear(linear);
}

RangeWeights::RangeWeights(const MaskTones& tones)
    : isOfTones(true), tone(windowOf(tones.low, tones.high, tones.softness)) {}

RangeWeights::RangeWeights(const MaskColours& c)
    : lightness(windowOf(c.lightnessLow, c.lightnessHigh, c.lightnessSoftness)),
      chroma(windowOf(c.chromaLow, c.chromaHigh, c.chromaSoftness)), hue(c.hue, c.hueWidth, c.hueSoftness),
      openGrey(static_cast<float>(1 - smoothStep(c.chromaLow, 0, 1 / kGreyChroma))) {}

double RangeWeights::weight(const std::array<double, 3>& encoded) const {
    if (isOfTones) return within(tone, std::clamp(luma(encoded[0], encoded[1], encoded[2]), 0.0, 1.0));
    const Perceptual p = perceptual(encoded);
    const double grey = double(openGrey) * (1 - smoothStep(p.chroma, double(kFadeChromaLow),
                                                           1 / double(kFadeChromaHigh - kFadeChromaLow)));
    const double angle = p.hue * std::numbers::pi / 180;
    // A colour without a hue has none to compare, as in the vector code.
    const double cosDelta =
        p.chroma > 1e-6 ? std::cos(angle) * double(hue.cosCentre) + std::sin(angle) * double(hue.sinCentre) : 0;
    const double closed = hue.weight(cosDelta);
    return within(lightness, std::clamp(p.lightness, 0.0, 1.0)) * within(chroma, p.chroma) *
           (closed + (1 - closed) * grey);
}

MaskColours coloursAround(const std::array<double, 3>& encoded) {
    const Perceptual p = perceptual(encoded);
    MaskColours c;
    c.hue = rounded(p.hue < 0 ? p.hue + 360 : p.hue, 1);
    // A third less colourful and any amount more is the same paint in another light; a grey is one by its lack of it.
    const bool isGrey = p.chroma < kGreyChroma;
    c.chromaLow = isGrey ? 0 : rounded(p.chroma * 0.65, 1000);
    c.chromaHigh = isGrey ? 0.02 : rounded(std::min(0.5, p.chroma * 1.4), 1000);
    c.chromaSoftness = rounded(std::clamp(p.chroma * 0.3, 0.015, 0.06), 1000);
    c.hueWidth = isGrey ? 360 : 30, c.hueSoftness = 15;
    c.lightnessLow = rounded(std::max(0.0, p.lightness - 0.15), 1000);
    c.lightnessHigh = rounded(std::min(1.0, p.lightness + 0.15), 1000);
    c.lightnessSoftness = 0.08;
    return c;
}

MaskColours widenedBy(const MaskColours& from, const std::array<double, 3>& encoded) {
    const Perceptual p = perceptual(encoded);
    MaskColours c = from;
    constexpr double room = 0.02; // so that what was pressed on lies well within
    c.lightnessLow = std::max(0.0, std::min(from.lightnessLow, rounded(p.lightness - room, 1000)));
    c.lightnessHigh = std::min(1.0, std::max(from.lightnessHigh, rounded(p.lightness + room, 1000)));
    c.chromaLow = std::max(0.0, std::min(from.chromaLow, rounded(p.chroma * 0.9, 1000)));
    c.chromaHigh = std::min(0.5, std::max(from.chromaHigh, rounded(p.chroma * 1.1, 1000)));
    if (p.chroma < kGreyChroma || from.hueWidth >= 360) return c;
    // The arc grows on the side where the colour lies.
    const double off = std::remainder(p.hue - from.hue, 360), half = from.hueWidth / 2;
    const double past = std::abs(off) + 3 - half;
    if (past <= 0) return c;
    c.hueWidth = rounded(std::min(360.0, from.hueWidth + past), 10);
    c.hue = rounded(std::remainder(from.hue + std::copysign(past / 2, off), 360), 10);
    if (c.hue < 0) c.hue += 360;
    return c;
}

MaskTones tonesAround(const std::array<double, 3>& encoded) {
    const double y = std::clamp(luma(encoded[0], encoded[1], encoded[2]), 0.0, 1.0);
    return {rounded(std::max(0.0, y - 0.1), 1000), rounded(std::min(1.0, y + 0.1), 1000), 0.1};
}

MaskTones widenedBy(const MaskTones& from, const std::array<double, 3>& encoded) {
    const double y = std::clamp(luma(encoded[0], encoded[1], encoded[2]), 0.0, 1.0);
    MaskTones t = from;
    t.low = std::min(from.low, rounded(std::max(0.0, y - 0.02), 1000));
    t.high = std::max(from.high, rounded(std::min(1.0, y + 0.02), 1000));
    return t;
}

} // namespace baryton
#endif
