#include "picture/warp.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "picture/warp.cpp"
#include <hwy/foreach_target.h>
#endif
#include <hwy/highway.h>

#ifndef BARYTON_WARP_SAMPLES
#define BARYTON_WARP_SAMPLES
namespace baryton {

/// What is to be sampled, for each colour, or for the first alone where all have one place: where the first of its
/// rows begins in the plane, and the phase of its place, across and down.
struct WarpSamples {
    const std::uint32_t* at[3];
    const std::uint16_t *across[3], *down[3];
};

} // namespace baryton
#endif

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

/// Three vectors of four lanes become one: the lanes of each joined by `op`.
template <class D, class V8, class Op>
HWY_INLINE V8 JoinedLanes(D d, V8 a, V8 b, V8 c, Op op) {
    const V8 ab = op(hn::InterleaveLower(d, a, b), hn::InterleaveUpper(d, a, b));
    const V8 cc = op(hn::InterleaveLower(d, c, c), hn::InterleaveUpper(d, c, c));
    return op(hn::ConcatLowerLower(d, cc, ab), hn::ConcatUpperUpper(d, cc, ab));
}

/// Four sums of a vector's lanes.
template <class D, class V8>
HWY_INLINE auto Folded(D /*d*/, V8 v) {
    if constexpr (hn::MaxLanes(D()) == 8) {
        const hn::FixedTag<float, 4> four;
        return hn::Add(hn::LowerHalf(four, v), hn::UpperHalf(four, v));
    } else {
        return v;
    }
}

/// Each pixel from six rows of six pixels at its place in the planes, `stride` floats apart (two more are read in
/// each): times the weights of their columns (eight, the last two 0) and rows, held to the range of the inner 4 × 4.
/// `weights`: eight for each phase.
template <int kPlaces>
HWY_INLINE void Interpolate(const float* const* planes, std::size_t stride, const WarpSamples& samples,
                            const float* weights, std::size_t count, float* const* out) {
    const hn::CappedTag<float, 8> d;
    const hn::FixedTag<float, 4> four;
    using V8 = hn::Vec<decltype(d)>;
    using V4 = hn::Vec<decltype(four)>;
    constexpr std::size_t lanes = hn::MaxLanes(d);
    for (std::size_t i = 0; i < count; ++i) {
        constexpr int kG = kPlaces == 1 ? 0 : 1, kB = kPlaces == 1 ? 0 : 2;
        const float *acrossR = weights + 8U * samples.across[0][i], *downR = weights + 8U * samples.down[0][i];
        const float *acrossG = weights + 8U * samples.across[kG][i], *downG = weights + 8U * samples.down[kG][i];
        const float *acrossB = weights + 8U * samples.across[kB][i], *downB = weights + 8U * samples.down[kB][i];
        const float *r = planes[0] + samples.at[0][i], *g = planes[1] + samples.at[kG][i],
                    *b = planes[2] + samples.at[kB][i];
        V8 sumR = hn::Zero(d), sumG = sumR, sumB = sumR;
        V4 leastR = hn::LoadU(four, r + stride + 1), leastG = hn::LoadU(four, g + stride + 1);
        V4 leastB = hn::LoadU(four, b + stride + 1), mostR = leastR, mostG = leastG, mostB = leastB;
        for (std::size_t row = 0; row < 6; ++row, r += stride, g += stride, b += stride) {
            for (std::size_t x = 0; x < 8; x += lanes) {
                // The same three times where they have one place: that is worked out once.
                const V8 wR = hn::Mul(hn::LoadU(d, acrossR + x), hn::Set(d, downR[row]));
                const V8 wG = hn::Mul(hn::LoadU(d, acrossG + x), hn::Set(d, downG[row]));
                const V8 wB = hn::Mul(hn::LoadU(d, acrossB + x), hn::Set(d, downB[row]));
                sumR = hn::MulAdd(hn::LoadU(d, r + x), wR, sumR);
                sumG = hn::MulAdd(hn::LoadU(d, g + x), wG, sumG);
                sumB = hn::MulAdd(hn::LoadU(d, b + x), wB, sumB);
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

void InterpolateRun(const float* const* planes, std::size_t stride, const WarpSamples& samples, const float* weights,
                    std::size_t count, float* const* out) {
    Interpolate<1>(planes, stride, samples, weights, count, out);
}
void InterpolateApart(const float* const* planes, std::size_t stride, const WarpSamples& samples,
                      const float* weights, std::size_t count, float* const* out) {
    Interpolate<3>(planes, stride, samples, weights, count, out);
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "base/parallel.h"
#include "picture/light.h"
#include "picture/source_places.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>
#include <numbers>
#include <vector>

namespace baryton {

HWY_EXPORT(InterpolateRun);
HWY_EXPORT(InterpolateApart);

namespace {

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

constexpr int kAway = 1 << 16; // pixels added to a place, so that cutting off is rounding down

/// A place in the source in steps of a phase, kAway pixels on: the pixel left above it, and how far it is to the
/// next.
std::int32_t stepsOf(double at) {
    constexpr double most = 1 << 20; // past all pictures: there, the edge's last pixel repeats
    return static_cast<std::int32_t>((std::clamp(at - 0.5, double(1 - kAway), most) + kAway) * kPhases + 0.5);
}

constexpr int kMostStep = 8; ///< of SourcePlaces

/// The places of a row's pixels, of one of their colours.
struct PlaceRow {
    std::vector<std::int32_t> across, down; ///< steps; what is filled in whole cells has room for them
    PlaceRow() = default;
    explicit PlaceRow(int width) : across(static_cast<std::size_t>(width + kMostStep)), down(across.size()) {}
    int x(std::size_t i) const { return (across[i] >> kPhaseBits) - kAway; }
    int y(std::size_t i) const { return (down[i] >> kPhaseBits) - kAway; }
    int phaseX(std::size_t i) const { return across[i] & (kPhases - 1); }
    int phaseY(std::size_t i) const { return down[i] & (kPhases - 1); }
};

/// The places of a turned picture's row.
void turnedPlaces(const Placement& p, int y, PlaceRow& out) {
    const double v = y + 0.5 - p.height / 2.0, c = std::cos(p.angle), s = std::sin(p.angle);
    for (std::size_t x = 0; x < static_cast<std::size_t>(p.width); ++x) {
        const double u = double(x) + 0.5 - p.width / 2.0;
        out.across[x] = stepsOf(p.centreX + u * c + v * s), out.down[x] = stepsOf(p.centreY - u * s + v * c);
    }
}

/// A part of a row, between two of its places that are worked out.
struct Span {
    int first = 0, last = 0;
};

/// Fills whole cells of `step` pixels evenly from one of `ends` to the next.
template <int step>
void fillCells(const std::int32_t* ends, std::size_t cells, std::int32_t* out) {
    for (std::size_t cell = 0; cell < cells; ++cell, out += step) {
        const std::int32_t from = ends[cell], apart = ends[cell + 1] - from;
        for (std::int32_t i = 0; i < step; ++i) out[i] = from + (apart * i + step / 2) / step;
    }
}

/// The places of a part of a row between those that are worked out, each moved by its `across` and `down` times
/// these.
void straightPlaces(const std::vector<SourcePlaces::Place>& places, int step, Span span, std::size_t colour,
                    double across, double down, PlaceRow& out) {
    static thread_local std::vector<std::int32_t> x, y;
    const auto first = static_cast<std::size_t>(span.first / step),
               cells = static_cast<std::size_t>((span.last - span.first + step - 1) / step);
    x.resize(cells + 1), y.resize(cells + 1);
    for (std::size_t i = 0; i <= cells; ++i) {
        const SourcePlaces::Place& p = places[first + i];
        x[i] = stepsOf(p.colours[colour].x + across * p.across.x + down * p.down.x);
        y[i] = stepsOf(p.colours[colour].y + across * p.across.y + down * p.down.y);
    }
    const auto fill = step == 8 ? fillCells<8> : step == 4 ? fillCells<4> : fillCells<2>;
    fill(x.data(), cells, out.across.data());
    fill(y.data(), cells, out.down.data());
}

/// The pixels at places of a source of which a band is at hand.
class Sampler {
public:
    /// `colours`: how many places each pixel has, 1 or 3.
    Sampler(const Picture& band, int bandTop, int sourceHeight, int colours)
        : band_(band), top_(bandTop), sourceHeight_(sourceHeight), colours_(colours) {}

    /// `width` pixels of a row into three or four planes.
    void row(const std::array<PlaceRow, 3>& places, int width, float* const* out) const {
        for (std::size_t x = 0, end = static_cast<std::size_t>(width); x < end; x += kRun)
            run(places, x, std::min(x + kRun, end), out);
    }

private:
    static constexpr std::size_t kRun = 256;

    /// Pixels `first` to `end`: all at once where they lie far enough inside, else in halves, down to a few.
    void run(const std::array<PlaceRow, 3>& places, std::size_t first, std::size_t end, float* const* out) const {
        constexpr std::size_t few = 8;
        const bool hasAlpha = band_.hasAlpha();
        if (!hasAlpha && areInner(places, first, end)) {
            inner(places, first, end, out);
        } else if (!hasAlpha && end - first > few) {
            const std::size_t middle = first + (end - first) / 2;
            run(places, first, middle, out);
            run(places, middle, end, out);
        } else {
            for (std::size_t x = first; x < end; ++x)
                if (hasAlpha)
                    weighted(places, x, out);
                else
                    atTheEdge(places, x, out);
        }
    }

    bool areInner(const std::array<PlaceRow, 3>& places, std::size_t first, std::size_t end) const {
        for (std::size_t k = 0; k < static_cast<std::size_t>(colours_); ++k) {
            const PlaceRow& p = places[k];
            std::int32_t left = p.across[first], right = left, top = p.down[first], bottom = top;
            for (std::size_t x = first; x < end; ++x) {
                left = std::min(left, p.across[x]), right = std::max(right, p.across[x]);
                top = std::min(top, p.down[x]), bottom = std::max(bottom, p.down[x]);
            }
            const auto pixel = [](std::int32_t steps) { return (steps >> kPhaseBits) - kAway; };
            if (pixel(left) < kWarpReach - 1 || pixel(right) + 5 >= band_.width() || pixel(top) < kWarpReach - 1 ||
                pixel(bottom) + kWarpReach >= sourceHeight_)
                return false;
        }
        return true;
    }

    void inner(const std::array<PlaceRow, 3>& places, std::size_t first, std::size_t end, float* const* out) const {
        std::uint32_t at[3][kRun];
        std::uint16_t across[3][kRun], down[3][kRun];
        const std::size_t count = end - first;
        const auto stride = static_cast<std::int32_t>(band_.stride());
        for (std::size_t k = 0; k < static_cast<std::size_t>(colours_); ++k) {
            const std::int32_t *x = places[k].across.data() + first, *y = places[k].down.data() + first;
            for (std::size_t i = 0; i < count; ++i) {
                const std::int32_t column = (x[i] >> kPhaseBits) - kAway - 2, row = (y[i] >> kPhaseBits) - kAway - 2;
                at[k][i] = static_cast<std::uint32_t>((row - top_) * stride + column);
                across[k][i] = static_cast<std::uint16_t>(x[i] & (kPhases - 1));
                down[k][i] = static_cast<std::uint16_t>(y[i] & (kPhases - 1));
            }
        }
        const float* planes[3] = {band_.row(0, 0), band_.row(1, 0), band_.row(2, 0)};
        float* to[3] = {out[0] + first, out[1] + first, out[2] + first};
        interpolate(planes, band_.stride(),
                    {{at[0], at[1], at[2]}, {across[0], across[1], across[2]}, {down[0], down[1], down[2]}}, count,
                    to);
    }

    void interpolate(const float* const* planes, std::size_t stride, const WarpSamples& samples, std::size_t count,
                     float* const* to) const {
        const float* weights = lanczosWeights().data();
        if (colours_ == 1)
            HWY_DYNAMIC_DISPATCH(InterpolateRun)(planes, stride, samples, weights, count, to);
        else
            HWY_DYNAMIC_DISPATCH(InterpolateApart)(planes, stride, samples, weights, count, to);
    }

    const PlaceRow& placesOf(const std::array<PlaceRow, 3>& places, int colour) const {
        return places[colours_ == 1 ? 0 : static_cast<std::size_t>(colour)];
    }

    float pixel(int plane, int x, int y) const {
        const int row = std::clamp(y, 0, sourceHeight_ - 1) - top_;
        return band_.row(plane, std::clamp(row, 0, band_.height() - 1))[std::clamp(x, 0, band_.width() - 1)];
    }

    void atTheEdge(const std::array<PlaceRow, 3>& places, std::size_t x, float* const* out) const {
        float around[3][6 * 8] = {};
        std::uint16_t across[3], down[3];
        for (int k = 0; k < 3; ++k) {
            const PlaceRow& p = placesOf(places, k);
            for (int j = 0; j < 6; ++j)
                for (int i = 0; i < 6; ++i) around[k][8 * j + i] = pixel(k, p.x(x) - 2 + i, p.y(x) - 2 + j);
            across[k] = static_cast<std::uint16_t>(p.phaseX(x));
            down[k] = static_cast<std::uint16_t>(p.phaseY(x));
        }
        const float* planes[3] = {around[0], around[1], around[2]};
        float* to[3] = {out[0] + x, out[1] + x, out[2] + x};
        constexpr std::uint32_t start = 0;
        interpolate(planes, 8,
                    {{&start, &start, &start}, {across, across + 1, across + 2}, {down, down + 1, down + 2}}, 1, to);
    }

    /// Transparency is that of the green's place.
    void weighted(const std::array<PlaceRow, 3>& places, std::size_t x, float* const* out) const {
        for (int k = 0; k < 3; ++k) {
            const PlaceRow& p = placesOf(places, k);
            const double tx = double(p.phaseX(x)) / kPhases, ty = double(p.phaseY(x)) / kPhases;
            double sum = 0, plain = 0, alpha = 0;
            for (int j = 0; j < 2; ++j)
                for (int i = 0; i < 2; ++i) {
                    const double w = (i ? tx : 1 - tx) * (j ? ty : 1 - ty);
                    const double a = w * pixel(3, p.x(x) + i, p.y(x) + j);
                    const double value = pixel(k, p.x(x) + i, p.y(x) + j);
                    alpha += a;
                    sum += a * value, plain += w * value;
                }
            out[k][x] = static_cast<float>(alpha > 1e-6 ? sum / alpha : plain);
            if (k == 1) out[3][x] = static_cast<float>(alpha);
        }
    }

    const Picture& band_;
    int top_, sourceHeight_, colours_;
};

/// Light added to a row, by what it is multiplied with at each of its places.
void lighten(const std::vector<SourcePlaces::Place>& places, int step, int width, float* const* planes) {
    static thread_local std::vector<float> gains;
    gains.resize(static_cast<std::size_t>(width));
    for (int start = 0; start < width; start += step) {
        const auto cell = static_cast<std::size_t>(start / step);
        const auto from = static_cast<float>(places[cell].gain);
        const float per = static_cast<float>((places[cell + 1].gain - places[cell].gain) / step);
        const int count = std::min(step, width - start);
        for (int i = 0; i < count; ++i)
            gains[static_cast<std::size_t>(start + i)] = from + per * static_cast<float>(i);
    }
    for (int k = 0; k < 3; ++k) {
        float* row = planes[k];
        rowToLinear(row, row, gains.size());
        for (std::size_t i = 0; i < gains.size(); ++i) row[i] *= gains[i];
        rowToEncoded(row, row, gains.size());
    }
}

/// Rows that are made straight, each pixel one sample or the mean of four.
class StraightRows {
public:
    StraightRows(const Sampler& sampler, const SourcePlaces& source, int width, bool hasAlpha)
        : sampler_(sampler), source_(source), width_(width), means_(source.hasMeans() && !hasAlpha) {
        for (std::size_t k = 0; k < static_cast<std::size_t>(source.colours()); ++k) rows_[k] = PlaceRow(width);
        if (means_)
            for (auto& plane : samples_) plane.resize(static_cast<std::size_t>(width));
    }

    void operator()(int y, float* const* out) {
        source_.row(y, places_);
        if (!means_) {
            sample({0, width_}, 0, 0, out);
        } else {
            // Parts of the row in which one is enough, and parts that are means.
            const int step = source_.step();
            for (Span span; span.first < width_; span.first = span.last) {
                const bool isMean = isMeanAt(span.first / step);
                for (span.last = span.first; span.last < width_ && isMeanAt(span.last / step) == isMean;)
                    span.last = std::min(span.last + step, width_);
                float* to[3] = {out[0] + span.first, out[1] + span.first, out[2] + span.first};
                if (isMean)
                    mean(span, to);
                else
                    sample(span, 0, 0, to);
            }
        }
        if (source_.lightens()) lighten(places_, source_.step(), width_, out);
    }

private:
    bool isMeanAt(int cell) const {
        const auto first = static_cast<std::size_t>(cell);
        for (const SourcePlaces::Place* p : {&places_[first], &places_[first + 1]})
            for (const PlacedPoint& way : {p->across, p->down})
                if (way.x != 0 || way.y != 0) return true;
        return false;
    }

    void sample(Span span, double across, double down, float* const* out) {
        for (std::size_t k = 0; k < static_cast<std::size_t>(source_.colours()); ++k)
            straightPlaces(places_, source_.step(), span, k, across, down, rows_[k]);
        sampler_.row(rows_, span.last - span.first, out);
    }

    void mean(Span span, float* const* out) {
        const auto count = static_cast<std::size_t>(span.last - span.first);
        float* to[3] = {samples_[0].data(), samples_[1].data(), samples_[2].data()};
        for (std::size_t k = 0; k < 3; ++k) std::fill_n(out[k], count, 0.0F);
        for (const double across : {-1.0, 1.0})
            for (const double down : {-1.0, 1.0}) {
                sample(span, across, down, to);
                for (std::size_t k = 0; k < 3; ++k) {
                    rowToLinear(to[k], to[k], count);
                    for (std::size_t i = 0; i < count; ++i) out[k][i] += 0.25F * to[k][i];
                }
            }
        for (std::size_t k = 0; k < 3; ++k) rowToEncoded(out[k], out[k], count);
    }

    const Sampler& sampler_;
    const SourcePlaces& source_;
    int width_;
    bool means_;
    std::vector<SourcePlaces::Place> places_;
    std::array<PlaceRow, 3> rows_;
    std::array<std::vector<float>, 3> samples_;
};

} // namespace

Picture warpedRows(const Picture& band, int bandTop, int sourceHeight, const Placement& placement, int y, int count,
                   int threads, const Task* task) {
    Picture out(placement.width, count, band.hasAlpha());
    out.setScale(band.scale());
    const SourcePlaces source(placement);
    const Sampler sampler(band, bandTop, sourceHeight, source.colours());
    const bool isJustTurned = placement.isStraight() && !placement.lens;
    out.row(0, 0); // its own before threads write to it
    inPieces(count, 16, threads, [&](int first, int last) {
        StraightRows straight(sampler, source, placement.width, out.hasAlpha());
        std::array<PlaceRow, 3> places{PlaceRow(isJustTurned ? placement.width : 0)};
        for (int row = first; row < last && !(task && task->isCancelled()); ++row) {
            float* planes[4] = {out.row(0, row), out.row(1, row), out.row(2, row),
                                out.hasAlpha() ? out.row(3, row) : nullptr};
            if (isJustTurned) {
                turnedPlaces(placement, y + row, places[0]);
                sampler.row(places, placement.width, planes);
            } else {
                straight(y + row, planes);
            }
        }
    });
    return out;
}

} // namespace baryton
#endif
