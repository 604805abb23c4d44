// Planes of the base level laid over the picture: their rows at the height of a block.
#include "stages/laid_over.h"
#include "picture/blur.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/laid_over.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

template <class Tag>
HWY_INLINE void SumFourOf(Tag d, const float* const* rows, const float* weights, std::size_t x, float* out) {
    auto sum = hn::Mul(hn::Set(d, weights[0]), hn::LoadU(d, rows[0] + x));
    for (std::size_t k = 1; k < 4; ++k) sum = hn::MulAdd(hn::Set(d, weights[k]), hn::LoadU(d, rows[k] + x), sum);
    hn::StoreU(sum, d, out + x);
}

/// Σ weights[k]·rows[k], four of them.
void SumFour(const float* const* rows, const float* weights, std::size_t count, float* out) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    std::size_t x = 0;
    for (; x + lanes <= count; x += lanes) SumFourOf(d, rows, weights, x, out);
    for (; x < count; ++x) SumFourOf(hn::CappedTag<float, 1>(), rows, weights, x, out);
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "base/parallel.h"

#include <algorithm>
#include <cmath>

namespace baryton {

HWY_EXPORT(SumFour);

namespace {

constexpr int kSmallestLevel = 48; ///< on the long side

/// [−1 8 −1] / 6 both ways: the coefficients of a spline that passes nearly through the samples.
Plane coefficientsOf(const Plane& samples) {
    constexpr float side = -1.0F / 6, middle = 8.0F / 6;
    Plane out(samples.width, samples.height);
    forRows(out.height, [&](int y) {
        const float *a = samples.nearestRow(y - 1), *b = samples.row(y), *c = samples.nearestRow(y + 1);
        const auto width = static_cast<std::size_t>(out.width);
        static thread_local std::vector<float> down;
        down.resize(width + 2);
        for (std::size_t x = 0; x < width; ++x) down[x + 1] = side * (a[x] + c[x]) + middle * b[x];
        down[0] = down[1], down[width + 1] = down[width];
        float* const to = out.row(y);
        for (std::size_t x = 0; x < width; ++x) to[x] = side * (down[x] + down[x + 2]) + middle * down[x + 1];
    });
    return out;
}

/// Half the size, rounded up, by Lanczos of two lobes over the larger step: eight samples both ways.
Plane sharplyHalved(const Plane& from) {
    constexpr float weights[4] = {0.4343F, 0.1165F, -0.0419F, -0.0089F}; // from the middle outward
    Plane to((from.width + 1) / 2, (from.height + 1) / 2);
    forRows(to.height, [&](int y) {
        const auto width = static_cast<std::size_t>(from.width);
        static thread_local std::vector<float> down;
        down.assign(width + 8, 0);
        for (int k = 0; k < 4; ++k) {
            const float *above = from.nearestRow(2 * y - k), *below = from.nearestRow(2 * y + 1 + k);
            const float weight = weights[k];
            for (std::size_t x = 0; x < width; ++x) down[x + 3] += weight * (above[x] + below[x]);
        }
        std::fill_n(down.begin(), 3, down[3]);
        std::fill(down.begin() + static_cast<std::ptrdiff_t>(width) + 3, down.end(), down[width + 2]);
        float* const out = to.row(y);
        for (std::size_t x = 0; x < static_cast<std::size_t>(to.width); ++x) {
            const float* at = down.data() + 2 * x + 3; // of sample 2x
            float sum = 0;
            for (int k = 0; k < 4; ++k) sum += weights[k] * (at[-k] + at[1 + k]);
            out[x] = sum;
        }
    });
    return to;
}

} // namespace

LaidOver::LaidOver(const Picture& coefficients, int planes, float columns, float rows) {
    Picture picture = coefficients;
    while (true) {
        Level level{{}, columns, rows};
        for (int k = 0; k < planes; ++k) {
            Plane plane(picture.width(), picture.height());
            const Picture& from = picture;
            for (int y = 0; y < plane.height; ++y) std::copy_n(from.row(k, y), plane.width, plane.row(y));
            level.planes.push_back(std::move(plane));
        }
        levels_.push_back(std::move(level));
        if (picture.longSide() <= kSmallestLevel) return;
        picture = halfOf(picture);
        columns /= 2, rows /= 2;
    }
}

LaidOver::LaidOver(Plane samples) {
    auto columns = static_cast<float>(samples.width), rows = static_cast<float>(samples.height);
    while (true) {
        Level level{{}, columns, rows};
        level.planes.push_back(coefficientsOf(samples));
        levels_.push_back(std::move(level));
        if (std::max(samples.width, samples.height) <= kSmallestLevel) return;
        samples = sharplyHalved(samples);
        columns /= 2, rows /= 2;
    }
}

LaidRows laidRows(const LaidOver& over, const Block& block, float mostStep) {
    const auto& levels = over.levels();
    std::size_t index = 0;
    while (index + 1 < levels.size() && levels[index].columns * block.dx > mostStep) ++index;
    const float columns = levels[index].columns;
    const std::vector<Plane>& planes = levels[index].planes;
    const int width = planes[0].width;
    const BsplineRow row(static_cast<double>(block.y) * levels[index].rows - 0.5, planes[0].height);
    // The coefficients that the block needs, with those past the ends repeated.
    const auto columnOf = [&](float pixel) {
        const float at = (block.x + (block.first + pixel) * block.dx) * columns - 0.5F;
        return std::clamp(static_cast<int>(std::floor(at)), -1, width);
    };
    const int left = std::max(columnOf(0) - 2, 0);
    const int right = std::min(columnOf(static_cast<float>(block.count)) + 4, width);
    constexpr std::size_t most = 4, before = 4, after = 3 * kRowPad + 8; // the widest vector, three times
    static thread_local std::vector<float> sums[most];
    LaidRows result;
    const auto count = static_cast<std::size_t>(right - left);
    for (std::size_t k = 0; k < planes.size(); ++k) {
        std::vector<float>& sum = sums[k];
        sum.resize(before + count + after);
        const float* in[4];
        for (std::size_t tap = 0; tap < 4; ++tap) in[tap] = planes[k].row(row.rows[tap]) + left;
        HWY_DYNAMIC_DISPATCH(SumFour)(in, row.weights, count, sum.data() + before);
        std::fill_n(sum.begin(), before, sum[before]);
        std::fill(sum.begin() + static_cast<std::ptrdiff_t>(before + count), sum.end(), sum[before + count - 1]);
        result.rows[k] = sum.data();
    }
    result.origin = static_cast<int>(before) - left;
    result.columns = columns;
    return result;
}

} // namespace baryton
#endif
