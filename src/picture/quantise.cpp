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
HWY_EXPORT(Quantise16);

void quantise8(const float* r, const float* g, const float* b, const float* a, std::size_t count, std::uint8_t* out) {
    HWY_DYNAMIC_DISPATCH(Quantise8)(r, g, b, a, count, out);
}
void quantise16(const float* r, const float* g, const float* b, const float* a, std::size_t count,
                std::uint16_t* out) {
    HWY_DYNAMIC_DISPATCH(Quantise16)(r, g, b, a, count, out);
}

} // namespace baryton
#endif
