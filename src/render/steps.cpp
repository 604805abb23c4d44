#include "render/steps.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "render/steps.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/blend-inl.h"
#include "stages/oklab-inl.h"
#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void ToLinearBlock(const Block& block) {
    ForEachVector(block, [](V& r, V& g, V& b, std::size_t) { r = ToLinear(r), g = ToLinear(g), b = ToLinear(b); });
}

void ToEncodedBlock(const Block& block) {
    ForEachVector(block, [](V& r, V& g, V& b, std::size_t) { r = ToEncoded(r), g = ToEncoded(g), b = ToEncoded(b); });
}

void MatrixBlock(const float* m, const Block& block) {
    const V most = Splat(20000.0F);
    const auto hold = [&](V v) { return hn::Min(hn::Max(v, hn::Neg(most)), most); };
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        const V r0 = r, g0 = g, b0 = b;
        r = hold(MatrixRow(m, 0, r0, g0, b0));
        g = hold(MatrixRow(m, 1, r0, g0, b0));
        b = hold(MatrixRow(m, 2, r0, g0, b0));
    });
}

void MixBlock(const float* kept, std::size_t stride, float strength, const Block& block) {
    const D d;
    const V s = Splat(strength);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t i) {
        V* channels[3] = {&r, &g, &b};
        for (std::size_t k = 0; k < 3; ++k) {
            const V before = hn::LoadU(d, kept + k * stride + i);
            *channels[k] = hn::MulAdd(s, hn::Sub(*channels[k], before), before);
        }
    });
}

/// Limits::weight as vectors.
HWY_INLINE V LimitWeight(const Limits& limits, const OklabMatrices& m, V r, V g, V b) {
    const V one = Splat(1.0F);
    const V y = hn::Min(hn::Max(Luma(r, g, b), hn::Zero(D())), one);
    const V rise = SmoothStep(y, limits.low - 1 / limits.perSoftness, limits.perSoftness);
    const V tone = hn::Mul(rise, hn::Sub(one, SmoothStep(y, limits.high, limits.perSoftness)));
    if (limits.openHue >= 1) return tone;
    const Perceived p = PerceiveLinear(m, ToLinear(r), ToLinear(g), ToLinear(b));
    const V closed = hn::Mul(WindowWeight(limits.hue, p), p.fade);
    return hn::Mul(tone, hn::MulAdd(hn::Sub(one, closed), Splat(limits.openHue), closed));
}

void LimitWeightsBlock(const float* kept, std::size_t stride, const Limits& limits, std::size_t count,
                       float* weights) {
    const D d;
    const OklabMatrices& m = oklabMatrices();
    for (std::size_t i = 0; i < count; i += hn::Lanes(d))
        hn::StoreU(LimitWeight(limits, m, hn::LoadU(d, kept + i), hn::LoadU(d, kept + stride + i),
                               hn::LoadU(d, kept + 2 * stride + i)),
                   d, weights + i);
}

void MixWeightedBlock(const float* kept, std::size_t stride, float strength, const float* weights,
                      const Block& block) {
    const D d;
    const V s = Splat(strength);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t i) {
        const V w = hn::Mul(s, hn::LoadU(d, weights + i));
        V* channels[3] = {&r, &g, &b};
        for (std::size_t k = 0; k < 3; ++k)
            *channels[k] = Mixed(hn::LoadU(d, kept + k * stride + i), *channels[k], w);
    });
}

void BlendBlock(const float* kept, std::size_t stride, float strength, const float* weights, BlendMode mode,
                const Block& block) {
    const D d;
    const V strengths = Splat(strength);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t i) {
        const V s = hn::Mul(strengths, hn::LoadU(d, weights + i));
        const Colour lower = {hn::LoadU(d, kept + i), hn::LoadU(d, kept + stride + i),
                              hn::LoadU(d, kept + 2 * stride + i)};
        const Colour out = Blended(mode, lower, {r, g, b});
        r = Hold(Mixed(lower.r, out.r, s)), g = Hold(Mixed(lower.g, out.g, s)), b = Hold(Mixed(lower.b, out.b, s));
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace baryton {

HWY_EXPORT(ToLinearBlock);
HWY_EXPORT(ToEncodedBlock);
HWY_EXPORT(MatrixBlock);
HWY_EXPORT(MixBlock);
HWY_EXPORT(MixWeightedBlock);
HWY_EXPORT(LimitWeightsBlock);
HWY_EXPORT(BlendBlock);

void runToLinear(const Block& block) {
    HWY_DYNAMIC_DISPATCH(ToLinearBlock)(block);
}
void runToEncoded(const Block& block) {
    HWY_DYNAMIC_DISPATCH(ToEncodedBlock)(block);
}
void runMatrix(const float* matrix, const Block& block) {
    HWY_DYNAMIC_DISPATCH(MatrixBlock)(matrix, block);
}
void runMix(const float* kept, std::size_t keptStride, float strength, const Block& block) {
    HWY_DYNAMIC_DISPATCH(MixBlock)(kept, keptStride, strength, block);
}

void runMixWeighted(const float* kept, std::size_t keptStride, float strength, const float* weights,
                    const Block& block) {
    HWY_DYNAMIC_DISPATCH(MixWeightedBlock)(kept, keptStride, strength, weights, block);
}
void runLimitWeights(const float* kept, std::size_t keptStride, const Limits& limits, std::size_t count,
                     float* weights) {
    HWY_DYNAMIC_DISPATCH(LimitWeightsBlock)(kept, keptStride, limits, count, weights);
}
void runBlend(const float* kept, std::size_t keptStride, float strength, const float* weights, BlendMode mode,
              const Block& block) {
    HWY_DYNAMIC_DISPATCH(BlendBlock)(kept, keptStride, strength, weights, mode, block);
}

} // namespace baryton
#endif
