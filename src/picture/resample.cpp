#include "picture/resample.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "picture/resample.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

void SumRows(const float* rows, std::size_t stride, const float* weights, std::size_t count, std::size_t width,
             float* out) {
    const hn::ScalableTag<float> d;
    const std::size_t lanes = hn::Lanes(d);
    std::size_t x = 0;
    for (; x + lanes <= width; x += lanes) {
        auto sum = hn::Zero(d);
        for (std::size_t i = 0; i < count; ++i)
            sum = hn::MulAdd(hn::LoadU(d, rows + i * stride + x), hn::Set(d, weights[i]), sum);
        hn::StoreU(sum, d, out + x);
    }
    const hn::CappedTag<float, 1> one;
    for (; x < width; ++x) {
        auto sum = hn::Zero(one);
        for (std::size_t i = 0; i < count; ++i)
            sum = hn::MulAdd(hn::LoadU(one, rows + i * stride + x), hn::Set(one, weights[i]), sum);
        hn::StoreU(sum, one, out + x);
    }
}

void ResampleRow(const float* in, const ResampleAxis& axis, float* out) {
    const hn::FixedTag<float, 4> d;
    for (std::size_t x = 0; x < axis.first.size(); ++x) {
        const float* from = in + axis.first[x];
        const float* weights = axis.weights.data() + x * axis.taps;
        auto sum = hn::Zero(d);
        for (std::size_t i = 0; i < axis.taps; i += 4)
            sum = hn::MulAdd(hn::LoadU(d, from + i), hn::LoadU(d, weights + i), sum);
        out[x] = hn::GetLane(hn::SumOfLanes(d, sum));
    }
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

HWY_EXPORT(SumRows);
HWY_EXPORT(ResampleRow);

namespace {

double lanczos(double x) {
    constexpr double lobes = 3;
    if (std::abs(x) < 1e-9) return 1;
    if (std::abs(x) >= lobes) return 0;
    const double t = std::numbers::pi * x;
    return lobes * std::sin(t) * std::sin(t / lobes) / (t * t);
}

} // namespace

ResampleAxis::ResampleAxis(std::size_t from, std::size_t to) : first(to) {
    const double step = double(from) / double(to), stretch = std::max(1.0, step), reach = 3 * stretch;
    taps = (static_cast<std::size_t>(std::ceil(2 * reach)) + 1 + 3) / 4 * 4;
    weights.assign(to * taps, 0.0F);
    for (std::size_t x = 0; x < to; ++x) {
        const double centre = (double(x) + 0.5) * step - 0.5;
        const auto low = static_cast<std::ptrdiff_t>(std::ceil(centre - reach));
        const auto high = static_cast<std::ptrdiff_t>(std::floor(centre + reach));
        const auto begin = std::max<std::ptrdiff_t>(low, 0);
        const auto end = std::min<std::ptrdiff_t>(high, static_cast<std::ptrdiff_t>(from) - 1);
        first[x] = static_cast<std::size_t>(begin);
        double sum = 0;
        for (auto i = begin; i <= end; ++i) sum += lanczos((double(i) - centre) / stretch);
        for (auto i = begin; i <= end; ++i)
            weights[x * taps + static_cast<std::size_t>(i - begin)] =
                static_cast<float>(lanczos((double(i) - centre) / stretch) / sum);
    }
}

void sumRows(const float* rows, std::size_t stride, const float* weights, std::size_t count, std::size_t width,
             float* out) {
    HWY_DYNAMIC_DISPATCH(SumRows)(rows, stride, weights, count, width, out);
}

void resampleRow(const float* in, const ResampleAxis& axis, float* out) {
    HWY_DYNAMIC_DISPATCH(ResampleRow)(in, axis, out);
}

} // namespace baryton
#endif
