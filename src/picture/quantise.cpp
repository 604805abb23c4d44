#include "picture/quantise.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "picture/quantise.cpp"
#include <hwy/foreach_target.h>
#endif
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

template <class T>
HWY_INLINE T One(float v, float full) {
    v = v > 0.0F ? v : 0.0F;
    return static_cast<T>((v < 1.0F ? v : 1.0F) * full + 0.5F);
}

template <class T>
HWY_INLINE void Quantise(const float* r, const float* g, const float* b, const float* a, std::size_t count,
                         float full, T* out) {
    const hn::ScalableTag<float> d;
    const hn::Rebind<std::int32_t, decltype(d)> di;
    const hn::Rebind<T, decltype(d)> dt;
    const std::size_t lanes = hn::Lanes(d);
    const auto whole = [&](const float* from) {
        const auto v = hn::Min(hn::Max(hn::LoadU(d, from), hn::Zero(d)), hn::Set(d, 1.0F));
        // A product and a sum, as in the tail: one rounding more or less could end in another whole number.
        return hn::DemoteTo(dt, hn::ConvertTo(di, hn::Add(hn::Mul(v, hn::Set(d, full)), hn::Set(d, 0.5F))));
    };
    std::size_t x = 0;
    for (; x + lanes <= count; x += lanes) {
        if (a)
            hn::StoreInterleaved4(whole(r + x), whole(g + x), whole(b + x), whole(a + x), dt, out + 4 * x);
        else
            hn::StoreInterleaved3(whole(r + x), whole(g + x), whole(b + x), dt, out + 3 * x);
    }
    const std::size_t channels = a ? 4 : 3;
    for (; x < count; ++x) {
        T* pixel = out + channels * x;
        pixel[0] = One<T>(r[x], full), pixel[1] = One<T>(g[x], full), pixel[2] = One<T>(b[x], full);
        if (a) pixel[3] = One<T>(a[x], full);
    }
}

/// Of a step.
constexpr float kNoise = 0.48F;
constexpr std::uint32_t kAcross = 3242174889U, kDown = 2447445414U; ///< of 2³²: 0.7548776662, 0.5698402910
constexpr std::uint32_t kChannel[3] = {0U, 0x55555555U, 0xAAAAAAAAU};

template <class DF>
HWY_INLINE void DitherStep(DF d, const float* const* from, const float* a, std::uint32_t phase, std::uint8_t* out) {
    const hn::Rebind<std::int32_t, DF> di;
    const hn::Rebind<std::uint8_t, DF> dt;
    const auto across = hn::Mul(hn::Iota(di, 0), hn::Set(di, static_cast<std::int32_t>(kAcross)));
    const auto whole = [&](const float* plane, int channel) {
        const auto v = hn::Min(hn::Max(hn::LoadU(d, plane), hn::Zero(d)), hn::Set(d, 1.0F));
        auto level = hn::Add(hn::Mul(v, hn::Set(d, 255.0F)), hn::Set(d, 0.5F));
        if (channel < 3) {
            const hn::Rebind<std::uint32_t, DF> du;
            const auto at = hn::Add(hn::BitCast(du, across), hn::Set(du, phase + kChannel[channel]));
            const auto v24 =
                hn::Mul(hn::ConvertTo(d, hn::BitCast(di, hn::ShiftRight<8>(at))), hn::Set(d, 1.0F / (1 << 24)));
            const auto wave = hn::Sub(hn::Abs(hn::Sub(hn::Add(v24, v24), hn::Set(d, 1.0F))), hn::Set(d, 0.5F));
            level = hn::Add(level, hn::Mul(wave, hn::Set(d, 2 * kNoise)));
        }
        return hn::DemoteTo(dt, hn::ConvertTo(di, level));
    };
    if (a)
        hn::StoreInterleaved4(whole(from[0], 0), whole(from[1], 1), whole(from[2], 2), whole(a, 3), dt, out);
    else
        hn::StoreInterleaved3(whole(from[0], 0), whole(from[1], 1), whole(from[2], 2), dt, out);
}

void DitherTo8(const float* r, const float* g, const float* b, const float* a, std::uint32_t x0, std::uint32_t y,
               std::size_t count, std::uint8_t* out) {
    const hn::ScalableTag<float> d;
    const std::size_t lanes = hn::Lanes(d), channels = a ? 4 : 3;
    const auto phaseAt = [&](std::size_t x) { return (x0 + static_cast<std::uint32_t>(x)) * kAcross + y * kDown; };
    std::size_t x = 0;
    for (; x + lanes <= count; x += lanes) {
        const float* from[] = {r + x, g + x, b + x};
        DitherStep(d, from, a ? a + x : nullptr, phaseAt(x), out + channels * x);
    }
    for (; x < count; ++x) {
        const float* from[] = {r + x, g + x, b + x};
        DitherStep(hn::CappedTag<float, 1>(), from, a ? a + x : nullptr, phaseAt(x), out + channels * x);
    }
}

void Quantise8(const float* r, const float* g, const float* b, const float* a, std::size_t count, std::uint8_t* out) {
    Quantise(r, g, b, a, count, 255.0F, out);
}
void Quantise16(const float* r, const float* g, const float* b, const float* a, std::size_t count,
                std::uint16_t* out) {
    Quantise(r, g, b, a, count, 65535.0F, out);
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace baryton {

HWY_EXPORT(Quantise8);
HWY_EXPORT(DitherTo8);
HWY_EXPORT(Quantise16);

void quantise8(const float* r, const float* g, const float* b, const float* a, std::size_t count, std::uint8_t* out) {
    HWY_DYNAMIC_DISPATCH(Quantise8)(r, g, b, a, count, out);
}
void ditherTo8(const float* r, const float* g, const float* b, const float* a, DitherAt at, std::size_t count,
               std::uint8_t* out) {
    HWY_DYNAMIC_DISPATCH(DitherTo8)(r, g, b, a, at.x, at.y, count, out);
}
void quantise16(const float* r, const float* g, const float* b, const float* a, std::size_t count,
                std::uint16_t* out) {
    HWY_DYNAMIC_DISPATCH(Quantise16)(r, g, b, a, count, out);
}

} // namespace baryton
#endif
