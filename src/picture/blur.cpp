#include "picture/blur.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "picture/blur.cpp"
#include <hwy/foreach_target.h>
#endif
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

template <class D>
HWY_INLINE void SymmetricSumOf(D d, const float* const* before, const float* middle, const float* const* after,
                               const float* weights, std::size_t reach, std::size_t i, float* out) {
    auto sum = hn::Mul(hn::Set(d, weights[0]), hn::LoadU(d, middle + i));
    for (std::size_t k = 0; k < reach; ++k)
        sum = hn::MulAdd(hn::Set(d, weights[k + 1]), hn::Add(hn::LoadU(d, before[k] + i), hn::LoadU(d, after[k] + i)),
                         sum);
    hn::StoreU(sum, d, out + i);
}

void SymmetricSum(const float* const* before, const float* middle, const float* const* after, const float* weights,
                  std::size_t reach, std::size_t count, float* out) {
    const hn::ScalableTag<float> d;
    const std::size_t lanes = hn::Lanes(d);
    std::size_t i = 0;
    for (; i + lanes <= count; i += lanes) SymmetricSumOf(d, before, middle, after, weights, reach, i, out);
    for (; i < count; ++i) SymmetricSumOf(hn::CappedTag<float, 1>(), before, middle, after, weights, reach, i, out);
}

/// Means of two by two with [1 3 3 1] / 8 across a row that has two values of room at either end.
void HalveAcross(const float* in, std::size_t count, float* out) {
    const hn::ScalableTag<float> d;
    const std::size_t lanes = hn::Lanes(d);
    const auto weigh = [](auto tag, auto a, auto b, auto c, auto e) {
        return hn::Mul(hn::Set(tag, 0.125F), hn::MulAdd(hn::Set(tag, 3.0F), hn::Add(b, c), hn::Add(a, e)));
    };
    std::size_t x = 0;
    for (; x + lanes <= count; x += lanes) {
        hn::Vec<decltype(d)> a, b, c, e;
        hn::LoadInterleaved2(d, in + 2 * x - 1, a, b);
        hn::LoadInterleaved2(d, in + 2 * x + 1, c, e);
        hn::StoreU(weigh(d, a, b, c, e), d, out + x);
    }
    const hn::CappedTag<float, 1> one;
    for (; x < count; ++x)
        hn::StoreU(weigh(one, hn::Set(one, in[2 * x - 1]), hn::Set(one, in[2 * x]), hn::Set(one, in[2 * x + 1]),
                         hn::Set(one, in[2 * x + 2])),
                   one, out + x);
}

/// out[i] = Σ weights[k][i]·in[first[i] + k], four of them.
void FourAcross(const float* in, const int* first, const float* const* weights, std::size_t count, float* out) {
    const hn::ScalableTag<float> d;
    const hn::Rebind<std::int32_t, decltype(d)> di;
    const std::size_t lanes = hn::Lanes(d);
    std::size_t i = 0;
    for (; i + lanes <= count; i += lanes) {
        const auto at = hn::LoadU(di, first + i);
        auto sum = hn::Mul(hn::LoadU(d, weights[0] + i), hn::GatherIndex(d, in, at));
        for (std::size_t k = 1; k < 4; ++k)
            sum = hn::MulAdd(hn::LoadU(d, weights[k] + i), hn::GatherIndex(d, in + k, at), sum);
        hn::StoreU(sum, d, out + i);
    }
    const hn::CappedTag<float, 1> one;
    for (; i < count; ++i) {
        auto sum = hn::Mul(hn::Set(one, weights[0][i]), hn::Set(one, in[first[i]]));
        for (std::size_t k = 1; k < 4; ++k)
            sum = hn::MulAdd(hn::Set(one, weights[k][i]), hn::Set(one, in[static_cast<std::size_t>(first[i]) + k]),
                             sum);
        hn::StoreU(sum, one, out + i);
    }
}

/// The same where each input stands for `times` outputs, a multiple of 8: `weights` are for each output of one input,
/// of the five inputs about it.
void SpreadAcross(const float* in, std::size_t count, std::size_t times, const float* const* weights, float* out) {
    const hn::CappedTag<float, 8> d;
    const std::size_t lanes = hn::Lanes(d);
    for (std::size_t i = 0; i < count; ++i)
        for (std::size_t p = 0; p < times; p += lanes) {
            auto sum = hn::Mul(hn::LoadU(d, weights[0] + p), hn::Set(d, in[i]));
            for (std::size_t k = 1; k < 5; ++k)
                sum = hn::MulAdd(hn::LoadU(d, weights[k] + p), hn::Set(d, in[i + k]), sum);
            hn::StoreU(sum, d, out + i * times + p);
        }
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "base/parallel.h"

#include <algorithm>
#include <cmath>

namespace baryton {

HWY_EXPORT(SymmetricSum);
HWY_EXPORT(HalveAcross);
HWY_EXPORT(FourAcross);
HWY_EXPORT(SpreadAcross);

std::vector<float> gaussianWeights(double sigma) {
    constexpr double leastSampled = 0.8, reachInSigmas = 3.6;
    if (sigma < leastSampled) {
        const double v = sigma * sigma * M_PI * M_PI;
        const double atHalf = std::exp(-v / 8), atEnd = std::exp(-v / 2), even = (1 + atEnd) / 2;
        return {static_cast<float>((even + atHalf) / 2), static_cast<float>((1 - atEnd) / 4),
                static_cast<float>((even - atHalf) / 4)};
    }
    const int reach = static_cast<int>(std::ceil(reachInSigmas * sigma));
    std::vector<double> weights;
    double sum = 0;
    for (int k = 0; k <= reach; ++k) {
        weights.push_back(std::exp(-0.5 * k * k / (sigma * sigma)));
        sum += (k ? 2 : 1) * weights.back();
    }
    std::vector<float> normed;
    for (const double w : weights) normed.push_back(static_cast<float>(w / sum));
    return normed;
}

void symmetricSum(const float* const* before, const float* middle, const float* const* after,
                  const std::vector<float>& weights, std::size_t count, float* out) {
    HWY_DYNAMIC_DISPATCH(SymmetricSum)(before, middle, after, weights.data(), weights.size() - 1, count, out);
}

void bsplineWeights(float t, float* w) {
    const float u = 1 - t;
    w[0] = u * u * u / 6;
    w[1] = (4 + t * t * (3 * t - 6)) / 6;
    w[2] = (4 + u * u * (3 * u - 6)) / 6;
    w[3] = t * t * t / 6;
}

BsplineRow::BsplineRow(double y, int height) {
    const double low = std::floor(y);
    for (int k = 0; k < 4; ++k) rows[k] = std::clamp(static_cast<int>(low) - 1 + k, 0, height - 1);
    bsplineWeights(static_cast<float>(y - low), weights);
}

namespace {

/// The index mirrored at both ends, the last value once more.
int mirrored(int i, int count) {
    const int period = 2 * count;
    i = ((i % period) + period) % period;
    return i < count ? i : period - 1 - i;
}

/// A row with `room` mirrored values at either end; the picture's row begins at `room`.
void widen(std::vector<float>& row, std::size_t room, std::size_t width) {
    for (std::size_t k = 0; k < room; ++k) {
        const auto count = static_cast<int>(width), at = static_cast<int>(k);
        row[room - 1 - k] = row[room + static_cast<std::size_t>(mirrored(-1 - at, count))];
        row[room + width + k] = row[room + static_cast<std::size_t>(mirrored(count + at, count))];
    }
}

Picture convolved(const Picture& picture, const std::vector<float>& weights) {
    Picture result(picture.width(), picture.height());
    const std::size_t reach = weights.size() - 1, width = static_cast<std::size_t>(picture.width());
    for (int plane = 0; plane < 3; ++plane) {
        float* const base = result.row(plane, 0);
        forRows(picture.height(), [&](int y) {
            static thread_local std::vector<float> whole;
            static thread_local std::vector<const float*> before, after;
            whole.resize(width + 2 * reach);
            before.resize(reach), after.resize(reach);
            for (std::size_t k = 0; k < reach; ++k) {
                const int step = static_cast<int>(k) + 1;
                before[k] = picture.row(plane, mirrored(y - step, picture.height()));
                after[k] = picture.row(plane, mirrored(y + step, picture.height()));
            }
            symmetricSum(before.data(), picture.row(plane, y), after.data(), weights, width, whole.data() + reach);
            widen(whole, reach, width);
            for (std::size_t k = 0; k < reach; ++k)
                before[k] = whole.data() + reach - k - 1, after[k] = whole.data() + reach + k + 1;
            symmetricSum(before.data(), whole.data() + reach, after.data(), weights, width,
                         base + result.stride() * static_cast<std::size_t>(y));
        });
    }
    return result;
}

} // namespace

Picture halfOf(const Picture& picture) {
    const std::size_t width = static_cast<std::size_t>(picture.width()), room = 2;
    Picture half((picture.width() + 1) / 2, (picture.height() + 1) / 2, picture.hasAlpha());
    static const std::vector<float> outer = {0.0F, 0.375F, 0.125F};
    for (int plane = 0; plane < (picture.hasAlpha() ? 4 : 3); ++plane) {
        float* const base = half.row(plane, 0);
        forRows(half.height(), [&](int y) {
            static thread_local std::vector<float> whole;
            whole.resize(width + 2 * room + 1);
            const auto row = [&](int at) { return picture.row(plane, mirrored(at, picture.height())); };
            const float *before[] = {row(2 * y), row(2 * y - 1)}, *after[] = {row(2 * y + 1), row(2 * y + 2)};
            symmetricSum(before, before[0], after, outer, width, whole.data() + room);
            widen(whole, room, width);
            whole.back() = whole[whole.size() - 2];
            HWY_DYNAMIC_DISPATCH(HalveAcross)
            (whole.data() + room, static_cast<std::size_t>(half.width()),
             base + half.stride() * static_cast<std::size_t>(y));
        });
    }
    return half;
}

namespace {

/// The B-spline of these coefficients at a larger size: `times` samples for each, from the same corner.
Picture laidOut(const Picture& coefficients, int width, int height, double times) {
    Picture result(width, height);
    const auto count = static_cast<std::size_t>(width), from = static_cast<std::size_t>(coefficients.width());
    std::vector<int> first(count);
    std::vector<float> weights[4];
    for (auto& each : weights) each.resize(count);
    for (std::size_t x = 0; x < count; ++x) {
        const double at = (static_cast<double>(x) + 0.5) / times - 0.5, low = std::floor(at);
        // The row has two values of room at its start.
        first[x] = static_cast<int>(low) + 1;
        float w[4];
        bsplineWeights(static_cast<float>(at - low), w);
        for (std::size_t k = 0; k < 4; ++k) weights[k][x] = w[k];
    }
    const float* across[] = {weights[0].data(), weights[1].data(), weights[2].data(), weights[3].data()};
    // Of the first outputs of an input the four lie from two before it on, of the others from one before it.
    const auto step = static_cast<std::size_t>(times);
    const bool isSpread = step >= 8;
    std::vector<float> five[5];
    for (std::size_t k = 0; k < 5 && isSpread; ++k) {
        five[k].resize(step);
        for (std::size_t p = 0; p < step; ++p) {
            float w[4];
            const double t = (static_cast<double>(p) + 0.5) / times + 0.5;
            bsplineWeights(static_cast<float>(t - std::floor(t)), w);
            const std::size_t skip = p < step / 2 ? 0 : 1;
            five[k][p] = k >= skip && k - skip < 4 ? w[k - skip] : 0.0F;
        }
    }
    const float* spread[] = {five[0].data(), five[1].data(), five[2].data(), five[3].data(), five[4].data()};
    for (int plane = 0; plane < 3; ++plane) {
        float* const base = result.row(plane, 0);
        forRows(height, [&](int y) {
            static thread_local std::vector<float> whole;
            constexpr std::size_t room = 2;
            whole.assign(from + 2 * room, 0.0F);
            const BsplineRow row((y + 0.5) / times - 0.5, coefficients.height());
            for (int k = 0; k < 4; ++k) {
                const float* in = coefficients.row(plane, row.rows[k]);
                for (std::size_t x = 0; x < from; ++x) whole[room + x] += row.weights[k] * in[x];
            }
            for (std::size_t k = 0; k < room; ++k)
                whole[k] = whole[room], whole[room + from + k] = whole[room + from - 1];
            float* const out = base + result.stride() * static_cast<std::size_t>(y);
            if (!isSpread) {
                HWY_DYNAMIC_DISPATCH(FourAcross)(whole.data(), first.data(), across, count, out);
                return;
            }
            // Whole inputs into the row, the last one beside it.
            const std::size_t inputs = count / step;
            HWY_DYNAMIC_DISPATCH(SpreadAcross)(whole.data(), inputs, step, spread, out);
            static thread_local std::vector<float> rest;
            rest.resize(step);
            if (inputs * step < count) {
                HWY_DYNAMIC_DISPATCH(SpreadAcross)(whole.data() + inputs, 1, step, spread, rest.data());
                std::copy_n(rest.begin(), count - inputs * step, out + inputs * step);
            }
        });
    }
    return result;
}

} // namespace

Picture blurred(const Picture& picture, double sigma) {
    if (sigma <= 0) return picture;
    // So far down that what is left is still wide enough to be sampled well.
    constexpr double leastLeft = 2.2;
    Picture small = picture;
    double times = 1;
    while (sigma / (2 * times) >= leastLeft && small.longSide() > 1) small = halfOf(small), times *= 2;
    if (times == 1) return convolved(picture, gaussianWeights(sigma));
    // n halvings spread by (4ⁿ − 1) / 4, the spline by a third of its own step squared.
    const double left = (sigma * sigma - (times * times - 1) / 4) / (times * times) - 1.0 / 3;
    return laidOut(convolved(small, gaussianWeights(std::sqrt(std::max(left, 0.0)))), picture.width(),
                   picture.height(), times);
}

} // namespace baryton
#endif
