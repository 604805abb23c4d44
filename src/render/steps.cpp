#include "render/steps.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "render/steps.cpp"
#include <hwy/foreach_target.h>

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

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace baryton {

HWY_EXPORT(ToLinearBlock);
HWY_EXPORT(ToEncodedBlock);
HWY_EXPORT(MatrixBlock);
HWY_EXPORT(MixBlock);

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

} // namespace baryton
#endif
