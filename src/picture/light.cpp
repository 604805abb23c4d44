#include "picture/light.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "picture/light.cpp"
#include <hwy/foreach_target.h>
#endif

#include "colour/transfer-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// The last values of a row are worked on in a copy padded to a whole vector: by the same code as all others.
template <class F>
HWY_INLINE void ForRow(const float* in, float* out, std::size_t count, F f) {
    const D d;
    const std::size_t lanes = hn::Lanes(d), whole = count / lanes * lanes;
    for (std::size_t i = 0; i < whole; i += lanes) hn::StoreU(f(hn::LoadU(d, in + i)), d, out + i);
    if (whole == count) return;
    HWY_ALIGN float rest[HWY_MAX_BYTES / sizeof(float)] = {};
    for (std::size_t i = whole; i < count; ++i) rest[i - whole] = in[i];
    hn::Store(f(hn::Load(d, rest)), d, rest);
    for (std::size_t i = whole; i < count; ++i) out[i] = rest[i - whole];
}

void RowToLinear(const float* in, float* out, std::size_t count) {
    ForRow(in, out, count, [](V v) { return ToLinear(v); });
}
void RowToEncoded(const float* in, float* out, std::size_t count) {
    ForRow(in, out, count, [](V v) { return ToEncoded(v); });
}

void HalveRow(const float* above, const float* below, std::size_t width, bool plain, float* out) {
    const D d;
    const std::size_t lanes = hn::Lanes(d), count = (width + 1) / 2;
    const auto mean = [&](const float* top, const float* bottom) {
        V a, b, c, e;
        hn::LoadInterleaved2(d, top, a, b);
        hn::LoadInterleaved2(d, bottom, c, e);
        const V quarter = Splat(0.25F);
        if (plain) return hn::Mul(hn::Add(hn::Add(a, b), hn::Add(c, e)), quarter);
        const V sum = hn::Add(hn::Add(ToLinear(a), ToLinear(b)), hn::Add(ToLinear(c), ToLinear(e)));
        return ToEncoded(hn::Mul(sum, quarter));
    };
    std::size_t x = 0;
    for (; 2 * (x + lanes) <= width; x += lanes) hn::StoreU(mean(above + 2 * x, below + 2 * x), d, out + x);
    if (x == count) return;
    constexpr std::size_t most = HWY_MAX_BYTES / sizeof(float);
    HWY_ALIGN float top[2 * most] = {}, bottom[2 * most] = {}, rest[most];
    for (std::size_t i = 0; i < 2 * (count - x); ++i) {
        const std::size_t from = 2 * x + i < width ? 2 * x + i : width - 1;
        top[i] = above[from], bottom[i] = below[from];
    }
    hn::Store(mean(top, bottom), d, rest);
    for (std::size_t i = x; i < count; ++i) out[i] = rest[i - x];
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace baryton {

HWY_EXPORT(RowToLinear);
HWY_EXPORT(RowToEncoded);
HWY_EXPORT(HalveRow);

void rowToLinear(const float* in, float* out, std::size_t count) {
    HWY_DYNAMIC_DISPATCH(RowToLinear)(in, out, count);
}
void rowToEncoded(const float* in, float* out, std::size_t count) {
    HWY_DYNAMIC_DISPATCH(RowToEncoded)(in, out, count);
}
void halveRow(const float* above, const float* below, std::size_t width, bool plain, float* out) {
    HWY_DYNAMIC_DISPATCH(HalveRow)(above, below, width, plain, out);
}

} // namespace baryton
#endif
