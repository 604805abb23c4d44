#include "picture/development.h"
#include "picture/picture.h"

#include <algorithm>
#include <cmath>

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "picture/development.cpp"
#include <hwy/foreach_target.h>
#endif

#include "colour/transfer-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// How far a channel has ended, of b over the multiplier.
HWY_INLINE V Ended(V balanced, float multiplier) {
    constexpr float begins = 0.96F;
    const V u =
        hn::Min(hn::Max(hn::MulSub(balanced, Splat(1 / (multiplier * (1 - begins))), Splat(begins / (1 - begins))),
                        Splat(0.0F)),
                Splat(1.0F));
    return hn::Mul(hn::Mul(u, u), hn::NegMulAdd(Splat(2.0F), u, Splat(3.0F)));
}

HWY_INLINE V Flat(V linear) {
    constexpr float perLog = 0.126376088F; // 1 / log2(241)
    const V l = hn::MulAdd(Splat(60.0F), hn::Abs(linear), Splat(1.0F));
    return hn::CopySign(hn::Mul(Splat(perLog), Log2(l)), linear);
}

template <bool kRebuilt, bool kFlat>
void Develop(const Development::Constants& k, float* r, float* g, float* b, std::size_t count) {
    const D d;
    float* planes[3] = {r, g, b};
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        V v[3];
        for (std::size_t c = 0; c < 3; ++c) v[c] = hn::Mul(hn::LoadU(d, planes[c] + i), Splat(k.toBalanced[c]));
        if constexpr (kRebuilt) {
            V w[3], sum = Splat(0.0F), left = Splat(0.0F);
            for (std::size_t c = 0; c < 3; ++c) {
                w[c] = Ended(v[c], k.multiplier[c]);
                const V tells = hn::Sub(Splat(1.0F), w[c]);
                sum = hn::MulAdd(tells, v[c], sum);
                left = hn::Add(left, tells);
            }
            const V most = hn::Max(v[0], hn::Max(v[1], v[2]));
            // One channel alone does not tell the hue of the light, and none how bright it was.
            const V missing = hn::Min(hn::Max(hn::Sub(Splat(2.0F), left), Splat(0.02F)), Splat(1.0F));
            const V expected = hn::Div(hn::MulAdd(missing, most, sum), hn::Add(left, missing));
            for (std::size_t c = 0; c < 3; ++c)
                v[c] = hn::MulAdd(w[c], hn::Max(Splat(0.0F), hn::Sub(expected, v[c])), v[c]);
        } else {
            for (auto& each : v) each = hn::Min(each, Splat(1.0F));
        }
        for (std::size_t c = 0; c < 3; ++c) {
            const float* row = k.matrix + 3 * c;
            const V linear =
                hn::MulAdd(Splat(row[0]), v[0], hn::MulAdd(Splat(row[1]), v[1], hn::Mul(Splat(row[2]), v[2])));
            if constexpr (kFlat)
                hn::StoreU(Flat(linear), d, planes[c] + i);
            else
                hn::StoreU(ToEncoded(linear), d, planes[c] + i);
        }
    }
}

void Even(const Development::Constants& k, float* r, float* g, float* b, std::size_t count) {
    Develop<false, false>(k, r, g, b, count);
}
void EvenRebuilt(const Development::Constants& k, float* r, float* g, float* b, std::size_t count) {
    Develop<true, false>(k, r, g, b, count);
}
void FlatNeutral(const Development::Constants& k, float* r, float* g, float* b, std::size_t count) {
    Develop<false, true>(k, r, g, b, count);
}
void FlatRebuilt(const Development::Constants& k, float* r, float* g, float* b, std::size_t count) {
    Develop<true, true>(k, r, g, b, count);
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "colour/transfer.h"

namespace baryton {

HWY_EXPORT(Even);
HWY_EXPORT(EvenRebuilt);
HWY_EXPORT(FlatNeutral);
HWY_EXPORT(FlatRebuilt);

Development::Development(const CameraColour& camera, const Vec3& toSensor, const RawSettings& settings)
    : isRebuilt_(settings.highlights == RawHighlights::Rebuilt), isFlat_(settings.response == RawResponse::Flat) {
    const CameraWhite white = whiteOf(camera, settings);
    for (std::size_t c = 0; c < 3; ++c) multipliers_[c] = 1 / white.neutral[c];
    const double least = *std::min_element(multipliers_.begin(), multipliers_.end());
    for (double& each : multipliers_) each /= least;
    linearFromBalanced_ = linearFromBalanced(camera, white);
    for (double& each : linearFromBalanced_) each *= std::exp2(camera.exposure);
    for (std::size_t c = 0; c < 3; ++c) {
        constants_.multiplier[c] = static_cast<float>(multipliers_[c]);
        constants_.toBalanced[c] = static_cast<float>(multipliers_[c] * toSensor[c]);
    }
    std::transform(linearFromBalanced_.begin(), linearFromBalanced_.end(), constants_.matrix,
                   [](double v) { return static_cast<float>(v); });
}

void Development::operator()(float* r, float* g, float* b, std::size_t count) const {
    if (isFlat_ && isRebuilt_)
        HWY_DYNAMIC_DISPATCH(FlatRebuilt)(constants_, r, g, b, count);
    else if (isFlat_)
        HWY_DYNAMIC_DISPATCH(FlatNeutral)(constants_, r, g, b, count);
    else if (isRebuilt_)
        HWY_DYNAMIC_DISPATCH(EvenRebuilt)(constants_, r, g, b, count);
    else
        HWY_DYNAMIC_DISPATCH(Even)(constants_, r, g, b, count);
}

Vec3 Development::sensorOf(const Vec3& encoded) const {
    Vec3 linear;
    for (std::size_t c = 0; c < 3; ++c)
        linear[c] = isFlat_ ? std::copysign((std::pow(241, std::abs(encoded[c])) - 1) / 60, encoded[c])
                            : srgbToLinear(encoded[c]);
    Vec3 sensor = inverse(linearFromBalanced_) * linear;
    for (std::size_t c = 0; c < 3; ++c) sensor[c] /= multipliers_[c];
    return sensor;
}

} // namespace baryton
#endif
