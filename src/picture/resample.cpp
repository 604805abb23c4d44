#include "picture/resample.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "picture/resample.cpp"
#include <hwy/foreach_target.h>
#endif
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

template <class D>
HWY_INLINE void SumRowsOf(D d, const float* rows, std::size_t stride, const float* weights, std::size_t count,
                          ResampleAxis::Core core, float* out) {
    auto sum = hn::Zero(d);
    for (std::size_t i = 0; i < count; ++i)
        sum = hn::MulAdd(hn::LoadU(d, rows + i * stride), hn::Set(d, weights[i]), sum);
    auto least = hn::LoadU(d, rows + core.begin * stride), most = least;
    for (std::size_t i = core.begin + 1; i < core.end; ++i) {
        const auto v = hn::LoadU(d, rows + i * stride);
        least = hn::Min(least, v), most = hn::Max(most, v);
    }
    hn::StoreU(hn::Min(hn::Max(sum, least), most), d, out);
}

void SumRows(const float* rows, std::size_t stride, const float* weights, std::size_t count, ResampleAxis::Core core,
             std::size_t width, float* out) {
    const hn::ScalableTag<float> d;
    const std::size_t lanes = hn::Lanes(d);
    std::size_t x = 0;
    for (; x + lanes <= width; x += lanes) SumRowsOf(d, rows + x, stride, weights, count, core, out + x);
    for (; x < width; ++x) SumRowsOf(hn::CappedTag<float, 1>(), rows + x, stride, weights, count, core, out + x);
}

void ResampleRow(const float* in, const ResampleAxis& axis, float* out) {
    const hn::FixedTag<float, 4> d;
    for (std::size_t x = 0; x < axis.first.size(); ++x) {
        const float* from = in + axis.first[x];
        const float* weights = axis.weights.data() + x * axis.taps;
        auto sum = hn::Zero(d);
        for (std::size_t i = 0; i < axis.taps; i += 4)
            sum = hn::MulAdd(hn::LoadU(d, from + i), hn::LoadU(d, weights + i), sum);
        float least = from[axis.core[x].begin], most = least;
        for (std::size_t i = axis.core[x].begin + 1; i < axis.core[x].end; ++i)
            least = from[i] < least ? from[i] : least, most = from[i] > most ? from[i] : most;
        const float v = hn::GetLane(hn::SumOfLanes(d, sum));
        out[x] = v < least ? least : v > most ? most : v;
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

double triangle(double x) {
    return std::max(0.0, 1 - std::abs(x));
}

} // namespace

ResampleAxis::ResampleAxis(std::size_t from, std::size_t to, ResampleKernel kernel) : first(to), core(to) {
    const auto weight = kernel == ResampleKernel::Lanczos ? lanczos : triangle;
    const double step = double(from) / double(to), stretch = std::max(1.0, step);
    const double reach = (kernel == ResampleKernel::Lanczos ? 3 : 1) * stretch;
    taps = (static_cast<std::size_t>(std::ceil(2 * reach)) + 1 + 3) / 4 * 4;
    weights.assign(to * taps, 0.0F);
    for (std::size_t x = 0; x < to; ++x) {
        const double centre = (double(x) + 0.5) * step - 0.5;
        const auto last = static_cast<std::ptrdiff_t>(from) - 1;
        const auto begin = std::max<std::ptrdiff_t>(static_cast<std::ptrdiff_t>(std::ceil(centre - reach)), 0);
        const auto end = std::min<std::ptrdiff_t>(static_cast<std::ptrdiff_t>(std::floor(centre + reach)), last);
        first[x] = static_cast<std::size_t>(begin);
        double sum = 0;
        for (auto i = begin; i <= end; ++i) sum += weight((double(i) - centre) / stretch);
        for (auto i = begin; i <= end; ++i)
            weights[x * taps + static_cast<std::size_t>(i - begin)] =
                static_cast<float>(weight((double(i) - centre) / stretch) / sum);
        const auto low = std::max(static_cast<std::ptrdiff_t>(std::ceil(centre - stretch)), begin);
        const auto high = std::min(static_cast<std::ptrdiff_t>(std::floor(centre + stretch)), end);
        core[x] = {static_cast<std::size_t>(low - begin), static_cast<std::size_t>(high - begin) + 1};
    }
}

void sumRows(const float* rows, std::size_t stride, const float* weights, std::size_t count, ResampleAxis::Core core,
             std::size_t width, float* out) {
    HWY_DYNAMIC_DISPATCH(SumRows)(rows, stride, weights, count, core, width, out);
}

void resampleRow(const float* in, const ResampleAxis& axis, float* out) {
    HWY_DYNAMIC_DISPATCH(ResampleRow)(in, axis, out);
}

} // namespace baryton
#endif
