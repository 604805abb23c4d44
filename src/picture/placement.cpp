#include "picture/placement.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "picture/placement.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

/// Three vectors of four lanes become one: the lanes of each joined by `op`.
template <class D, class V, class Op>
HWY_INLINE V JoinedLanes(D d, V a, V b, V c, Op op) {
    const V ab = op(hn::InterleaveLower(d, a, b), hn::InterleaveUpper(d, a, b));
    const V cc = op(hn::InterleaveLower(d, c, c), hn::InterleaveUpper(d, c, c));
    return op(hn::ConcatLowerLower(d, cc, ab), hn::ConcatUpperUpper(d, cc, ab));
}

/// Four sums of a vector's lanes.
template <class D, class V>
HWY_INLINE auto Folded(D /*d*/, V v) {
    if constexpr (hn::MaxLanes(D()) == 8) {
        const hn::FixedTag<float, 4> four;
        return hn::Add(hn::LowerHalf(four, v), hn::UpperHalf(four, v));
    } else {
        return v;
    }
}

/// Each pixel from six rows of six pixels at its place in the planes, `stride` floats apart (two more are read in
/// each): times the weights of their columns (eight, the last two 0) and rows, held to the range of the inner 4 × 4.
/// `phases` are pairs, across and down, of eight weights each.
void InterpolateRun(const float* const* planes, std::size_t stride, const std::uint32_t* places,
                    const std::uint16_t* phases, const float* weights, std::size_t count, float* const* out) {
    const hn::CappedTag<float, 8> d;
    const hn::FixedTag<float, 4> four;
    using V = hn::Vec<decltype(d)>;
    using V4 = hn::Vec<decltype(four)>;
    constexpr std::size_t lanes = hn::MaxLanes(d);
    for (std::size_t i = 0; i < count; ++i) {
        const float* across = weights + 8U * phases[2 * i];
        const float* down = weights + 8U * phases[2 * i + 1];
        const float *r = planes[0] + places[i], *g = planes[1] + places[i], *b = planes[2] + places[i];
        V sumR = hn::Zero(d), sumG = sumR, sumB = sumR;
        V4 leastR = hn::LoadU(four, r + stride + 1), leastG = hn::LoadU(four, g + stride + 1);
        V4 leastB = hn::LoadU(four, b + stride + 1), mostR = leastR, mostG = leastG, mostB = leastB;
        for (std::size_t row = 0; row < 6; ++row, r += stride, g += stride, b += stride) {
            const V weight = hn::Set(d, down[row]);
            for (std::size_t x = 0; x < 8; x += lanes) {
                const V w = hn::Mul(hn::LoadU(d, across + x), weight);
                sumR = hn::MulAdd(hn::LoadU(d, r + x), w, sumR);
                sumG = hn::MulAdd(hn::LoadU(d, g + x), w, sumG);
                sumB = hn::MulAdd(hn::LoadU(d, b + x), w, sumB);
            }
            if (row < 2 || row > 4) continue; // the first of the inner rows has begun them
            const V4 innerR = hn::LoadU(four, r + 1), innerG = hn::LoadU(four, g + 1),
                     innerB = hn::LoadU(four, b + 1);
            leastR = hn::Min(leastR, innerR), mostR = hn::Max(mostR, innerR);
            leastG = hn::Min(leastG, innerG), mostG = hn::Max(mostG, innerG);
            leastB = hn::Min(leastB, innerB), mostB = hn::Max(mostB, innerB);
        }
        const auto add = [](V4 x, V4 y) { return hn::Add(x, y); };
        const V4 sum = JoinedLanes(four, Folded(d, sumR), Folded(d, sumG), Folded(d, sumB), add);
        const V4 least = JoinedLanes(four, leastR, leastG, leastB, [](V4 x, V4 y) { return hn::Min(x, y); });
        const V4 most = JoinedLanes(four, mostR, mostG, mostB, [](V4 x, V4 y) { return hn::Max(x, y); });
        HWY_ALIGN float result[4];
        hn::Store(hn::Min(hn::Max(sum, least), most), four, result);
        out[0][i] = result[0], out[1][i] = result[1], out[2][i] = result[2];
    }
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "base/parallel.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>
#include <cstring>
#include <numbers>
#include <vector>

namespace baryton {

HWY_EXPORT(InterpolateRun);

namespace {

constexpr int kReach = 3; // pixels to either side
constexpr int kPhaseBits = 10;
constexpr int kPhases = 1 << kPhaseBits; // places between two pixels; the nearest is taken

/// Eight weights (the last two 0) for each phase, which sum to 1.
const std::vector<float>& lanczosWeights() {
    static const std::vector<float> all = [] {
        std::vector<float> weights(8U * kPhases, 0.0F);
        for (int p = 0; p < kPhases; ++p) {
            std::array<double, 6> w{};
            double sum = 0;
            for (int i = 0; i < 6; ++i) {
                const double x = std::numbers::pi * (i - 2 - double(p) / kPhases);
                w[static_cast<std::size_t>(i)] = std::abs(x) < 1e-9 ? 1 : 3 * std::sin(x) * std::sin(x / 3) / (x * x);
                sum += w[static_cast<std::size_t>(i)];
            }
            for (std::size_t i = 0; i < 6; ++i)
                weights[8U * static_cast<std::size_t>(p) + i] = static_cast<float>(w[i] / sum);
        }
        return weights;
    }();
    return all;
}

/// A place in the source: the pixel left above it, and how far it is to the next.
struct Place {
    int x, y, phaseX, phaseY;
};

class Turner {
public:
    Turner(const Picture& band, int bandTop, int sourceHeight, const Placement& placement)
        : band_(band), top_(bandTop), sourceHeight_(sourceHeight), placement_(placement),
          cos_(std::cos(placement.angle)), sin_(std::sin(placement.angle)) {}

    void row(int y, int outRow, Picture& out) const {
        const double v = y + 0.5 - placement_.height / 2.0;
        std::uint32_t places[kRun];
        std::uint16_t phases[2 * kRun];
        const float* planes[3] = {band_.row(0, 0), band_.row(1, 0), band_.row(2, 0)};
        const auto& weights = lanczosWeights();
        int first = 0; // of the run of inner pixels that is not yet written
        std::size_t count = 0;
        const auto flush = [&] {
            if (count == 0) return;
            float* to[3] = {out.row(0, outRow) + first, out.row(1, outRow) + first, out.row(2, outRow) + first};
            HWY_DYNAMIC_DISPATCH(InterpolateRun)(planes, band_.stride(), places, phases, weights.data(), count, to);
            count = 0;
        };
        for (int x = 0; x < placement_.width; ++x) {
            const Place place = placeOf(x, v);
            const bool isInner = !band_.hasAlpha() && place.x >= kReach - 1 && place.x + 5 < band_.width() &&
                                 place.y >= kReach - 1 && place.y + kReach < sourceHeight_;
            if (!isInner || count == kRun) flush();
            if (isInner) {
                if (count == 0) first = x;
                places[count] =
                    static_cast<std::uint32_t>(static_cast<std::size_t>(place.y - 2 - top_) * band_.stride() +
                                               static_cast<std::size_t>(place.x - 2));
                phases[2 * count] = static_cast<std::uint16_t>(place.phaseX);
                phases[2 * count + 1] = static_cast<std::uint16_t>(place.phaseY);
                ++count;
            } else if (band_.hasAlpha()) {
                weighted(place, x, outRow, out);
            } else {
                atTheEdge(place, x, outRow, out);
            }
        }
        flush();
    }

private:
    static constexpr std::size_t kRun = 256;

    Place placeOf(int x, double v) const {
        const double u = x + 0.5 - placement_.width / 2.0;
        const double sx = placement_.centreX + u * cos_ + v * sin_ - 0.5;
        const double sy = placement_.centreY - u * sin_ + v * cos_ - 0.5;
        // In steps of a phase, and far enough from 0 that cutting off is rounding down.
        constexpr int away = 1024;
        const auto steps = [](double at) { return static_cast<std::int64_t>((at + away) * kPhases + 0.5); };
        const std::int64_t x1 = steps(sx), y1 = steps(sy);
        return {static_cast<int>(x1 >> kPhaseBits) - away, static_cast<int>(y1 >> kPhaseBits) - away,
                static_cast<int>(x1 & (kPhases - 1)), static_cast<int>(y1 & (kPhases - 1))};
    }

    float pixel(int plane, int x, int y) const {
        const int row = std::clamp(y, 0, sourceHeight_ - 1) - top_;
        return band_.row(plane, std::clamp(row, 0, band_.height() - 1))[std::clamp(x, 0, band_.width() - 1)];
    }

    void atTheEdge(const Place& place, int x, int outRow, Picture& out) const {
        float around[3][6 * 8] = {};
        for (int k = 0; k < 3; ++k)
            for (int j = 0; j < 6; ++j)
                for (int i = 0; i < 6; ++i) around[k][8 * j + i] = pixel(k, place.x - 2 + i, place.y - 2 + j);
        const float* planes[3] = {around[0], around[1], around[2]};
        float* to[3] = {out.row(0, outRow) + x, out.row(1, outRow) + x, out.row(2, outRow) + x};
        const float* weights = lanczosWeights().data();
        const std::uint32_t at = 0;
        const std::uint16_t phases[2] = {static_cast<std::uint16_t>(place.phaseX),
                                         static_cast<std::uint16_t>(place.phaseY)};
        HWY_DYNAMIC_DISPATCH(InterpolateRun)(planes, 8, &at, phases, weights, 1, to);
    }

    void weighted(const Place& place, int x, int outRow, Picture& out) const {
        const double tx = double(place.phaseX) / kPhases, ty = double(place.phaseY) / kPhases;
        double sums[3] = {}, plain[3] = {}, alpha = 0;
        for (int j = 0; j < 2; ++j)
            for (int i = 0; i < 2; ++i) {
                const double w = (i ? tx : 1 - tx) * (j ? ty : 1 - ty);
                const double a = w * pixel(3, place.x + i, place.y + j);
                alpha += a;
                for (int k = 0; k < 3; ++k)
                    sums[k] += a * pixel(k, place.x + i, place.y + j),
                        plain[k] += w * pixel(k, place.x + i, place.y + j);
            }
        for (int k = 0; k < 3; ++k)
            out.row(k, outRow)[x] = static_cast<float>(alpha > 1e-6 ? sums[k] / alpha : plain[k]);
        out.row(3, outRow)[x] = static_cast<float>(alpha);
    }

    const Picture& band_;
    int top_, sourceHeight_;
    const Placement& placement_;
    double cos_, sin_;
};

/// Of the part in the source, where nothing is turned.
int leftOf(const Placement& p) {
    return static_cast<int>(std::lround(p.centreX - p.width / 2.0));
}
int topOf(const Placement& p) {
    return static_cast<int>(std::lround(p.centreY - p.height / 2.0));
}

} // namespace

bool Placement::copiesPixels() const {
    const double left = centreX - width / 2.0, top = centreY - height / 2.0;
    return angle == 0 && left == std::round(left) && top == std::round(top);
}

Placement wholeOf(int width, int height) {
    return {width, height, width / 2.0, height / 2.0, 0, {}};
}

PlacedPoint toSource(const Placement& p, PlacedPoint at) {
    const double u = at.x - p.width / 2.0, v = at.y - p.height / 2.0, c = std::cos(p.angle), s = std::sin(p.angle);
    return {p.centreX + u * c + v * s, p.centreY - u * s + v * c};
}

PlacedPoint fromSource(const Placement& p, PlacedPoint at) {
    const double x = at.x - p.centreX, y = at.y - p.centreY, c = std::cos(p.angle), s = std::sin(p.angle);
    return {p.width / 2.0 + x * c - y * s, p.height / 2.0 + x * s + y * c};
}

RowRange rowsBehind(const Placement& p, int sourceHeight, int y, int count) {
    if (p.copiesPixels()) return {topOf(p) + y, count};
    const double u = p.width / 2.0, v0 = y + 0.5 - p.height / 2.0, v1 = v0 + count - 1;
    const double reach = u * std::abs(std::sin(p.angle)), c = std::cos(p.angle);
    const double low = p.centreY + std::min(v0 * c, v1 * c) - reach,
                 high = p.centreY + std::max(v0 * c, v1 * c) + reach;
    const int top = std::clamp(static_cast<int>(std::floor(low)) - kReach - 1, 0, sourceHeight - 1);
    const int end = std::clamp(static_cast<int>(std::ceil(high)) + kReach + 2, top + 1, sourceHeight);
    return {top, end - top};
}

Picture placedRows(const Picture& band, int bandTop, int sourceHeight, const Placement& placement, int y, int count,
                   int threads) {
    if (placement.copiesPixels())
        return cropped(band, leftOf(placement), topOf(placement) + y - bandTop, placement.width, count);
    Picture out(placement.width, count, band.hasAlpha());
    out.setScale(band.scale());
    const Turner turner(band, bandTop, sourceHeight, placement);
    out.row(0, 0); // its own before threads write to it
    inPieces(count, 16, threads, [&](int first, int last) {
        for (int row = first; row < last; ++row) turner.row(y + row, row, out);
    });
    return out;
}

Picture placed(const Picture& picture, const Placement& placement, int threads, const Task* task) {
    if (placement == wholeOf(picture.width(), picture.height())) return picture;
    if (task) task->throwIfCancelled();
    if (!placement.orientation.isNone()) {
        Placement rest = placement;
        rest.orientation = {};
        return placed(oriented(picture, placement.orientation), rest, threads, task);
    }
    return placedRows(picture, 0, picture.height(), placement, 0, placement.height, threads);
}

} // namespace baryton
#endif
