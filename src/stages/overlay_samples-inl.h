// Reading an overlay's raster between its pixels. Included once for each target, after simd-inl.h.
#if defined(BARYTON_STAGES_OVERLAY_SAMPLES_INL_H_) == defined(HWY_TARGET_TOGGLE)
#ifdef BARYTON_STAGES_OVERLAY_SAMPLES_INL_H_
#undef BARYTON_STAGES_OVERLAY_SAMPLES_INL_H_
#else
#define BARYTON_STAGES_OVERLAY_SAMPLES_INL_H_
#endif

#include "stages/overlay.h"
#include "stages/simd-inl.h"

#include <algorithm>
#include <cmath>
#include <vector>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

using DI = hn::Rebind<std::int32_t, D>;

/// The four weights of the cubic at a fraction t of the way from the second pixel to the third.
HWY_INLINE void CubicWeights(V t, V (&w)[4]) {
    const V half = Splat(0.5F), tt = hn::Mul(t, t), ttt = hn::Mul(tt, t);
    w[0] = hn::Mul(half, hn::Sub(hn::Sub(hn::Add(tt, tt), ttt), t));
    w[1] = hn::MulAdd(half, hn::Sub(hn::Mul(Splat(3.0F), ttt), hn::Mul(Splat(5.0F), tt)), Splat(1.0F));
    w[2] = hn::Mul(half, hn::Add(hn::Sub(hn::Mul(Splat(4.0F), tt), hn::Mul(Splat(3.0F), ttt)), t));
    w[3] = hn::Mul(half, hn::Sub(ttt, tt));
}

/// A sum over the 4 × 4 pixels and the range of the inner ones.
struct Sampled {
    V sum, least, most;

    HWY_INLINE void add(V value, V weight, bool isInner, bool isFirst) {
        sum = isFirst ? hn::Mul(value, weight) : hn::MulAdd(value, weight, sum);
        if (!isInner) return;
        least = hn::Min(least, value), most = hn::Max(most, value);
    }
    HWY_INLINE V held() const { return hn::Min(hn::Max(sum, least), most); }
};

/// The colours of a vector of pixels, as they are stored, and how opaque they are.
template <bool hasAlpha>
struct RasterSamples {
    Sampled colours[3], alpha;

    HWY_INLINE RasterSamples() {
        for (Sampled& each : colours) each.least = Splat(OverlayRaster::kMost), each.most = hn::Zero(D());
        alpha.least = Splat(1.0F), alpha.most = hn::Zero(D());
    }
    HWY_INLINE void add(hn::Vec<DI> word, V opaque, V weight, bool isInner, bool isFirst) {
        const D d;
        const auto mask = hn::Set(DI(), 1023);
        colours[0].add(hn::ConvertTo(d, hn::And(word, mask)), weight, isInner, isFirst);
        colours[1].add(hn::ConvertTo(d, hn::And(hn::ShiftRight<10>(word), mask)), weight, isInner, isFirst);
        colours[2].add(hn::ConvertTo(d, hn::ShiftRight<20>(word)), weight, isInner, isFirst);
        if constexpr (hasAlpha) alpha.add(opaque, weight, isInner, isFirst);
    }
};

/// Pixels anywhere: sixteen gathers for each vector.
template <bool hasAlpha>
class SamplesAround {
public:
    SamplesAround(const OverlayConstants& c, const Block& /*block*/) : raster_(*c.raster) {}

    HWY_INLINE RasterSamples<hasAlpha> operator()(V atU, V atV) const {
        const DI di;
        const auto stride = hn::Set(di, static_cast<std::int32_t>(raster_.stride));
        const auto* words = reinterpret_cast<const std::int32_t*>(raster_.colours.data());
        const V left = hn::Floor(atU), top = hn::Floor(atV);
        V across[4], down[4];
        CubicWeights(hn::Sub(atU, left), across);
        CubicWeights(hn::Sub(atV, top), down);
        // The first of the 4 × 4, one to the left and above, counted with the border.
        const auto toFirst = hn::Set(di, OverlayRaster::kBorder - 1);
        auto row = hn::Add(hn::Mul(hn::Add(hn::ConvertTo(di, top), toFirst), stride),
                           hn::Add(hn::ConvertTo(di, left), toFirst));
        RasterSamples<hasAlpha> samples;
        for (int j = 0; j < 4; ++j, row = hn::Add(row, stride))
            for (int k = 0; k < 4; ++k) {
                const bool isInner = (j == 1 || j == 2) && (k == 1 || k == 2), isFirst = j == 0 && k == 0;
                const auto at = hn::Add(row, hn::Set(di, k));
                V opaque = hn::Zero(D());
                if constexpr (hasAlpha) opaque = hn::GatherIndex(D(), raster_.alpha.data(), at);
                samples.add(hn::GatherIndex(di, words, at), opaque, hn::Mul(across[k], down[j]), isInner, isFirst);
            }
        return samples;
    }

private:
    const OverlayRaster& raster_;
};

/// Pixels of a row of the view that runs along the raster's rows, none more than 1.5 of its pixels from the next: the
/// four rows around it are summed once for all columns of the block, with the range of the inner two. What a vector
/// of pixels takes of a sum then lies within two vectors.
template <bool hasAlpha>
class SamplesAlong {
public:
    static constexpr float kMostStep = 1.5F;

    SamplesAlong(const OverlayConstants& c, const Block& block) : raster_(*c.raster) {
        const auto end = static_cast<float>(block.count - 1);
        const auto columnAt = [&](float pixel) {
            const float x = ((block.first + pixel) * block.dx + block.x) * c.perWidth - c.middleX;
            const auto width = static_cast<float>(raster_.width);
            return static_cast<int>(std::floor(std::clamp(x * c.uX + width / 2, 0.0F, width) - 0.5F));
        };
        const auto [low, high] = std::minmax({columnAt(0), columnAt(end)});
        // One more on either side for what floats lose of a place.
        constexpr int border = OverlayRaster::kBorder;
        first_ = std::max(low - 2 + border, 0);
        end_ = std::min(high + 4 + border, static_cast<int>(raster_.stride));
        const auto height = static_cast<float>(raster_.height);
        const float v = height / 2 + (block.y * c.perHeight - c.middleY) * c.vY;
        sum(std::clamp(v, 0.0F, height) - 0.5F);
    }

    HWY_INLINE RasterSamples<hasAlpha> operator()(V atU, V /*atV*/) const {
        const D d;
        const DI di;
        const V left = hn::Floor(atU);
        V across[4];
        CubicWeights(hn::Sub(atU, left), across);
        const auto lowest = static_cast<std::int32_t>(hn::GetLane(hn::MinOfLanes(d, left)));
        const auto place = hn::Sub(hn::ConvertTo(di, left), hn::Set(di, lowest));
        const auto lanes = hn::Set(di, static_cast<std::int32_t>(hn::Lanes(d)));
        const auto isNear = hn::RebindMask(d, hn::Lt(place, lanes));
        const auto lane = hn::IndicesFromVec(d, hn::And(place, hn::Sub(lanes, hn::Set(di, 1))));
        const float* from = sums().data() + (lowest - 1 + OverlayRaster::kBorder - first_);
        const auto taken = [&](std::size_t plane, std::size_t k) {
            const float* at = from + plane * pitch_ + k;
            return hn::IfThenElse(isNear, hn::TableLookupLanes(hn::LoadU(d, at), lane),
                                  hn::TableLookupLanes(hn::LoadU(d, at + hn::Lanes(d)), lane));
        };
        RasterSamples<hasAlpha> samples;
        const auto take = [&](Sampled& out, std::size_t plane) {
            out.sum = hn::Mul(across[0], taken(plane, 0));
            for (std::size_t k = 1; k < 4; ++k) out.sum = hn::MulAdd(across[k], taken(plane, k), out.sum);
            out.least = hn::Min(taken(plane + 1, 1), taken(plane + 1, 2));
            out.most = hn::Max(taken(plane + 2, 1), taken(plane + 2, 2));
        };
        for (std::size_t k = 0; k < 3; ++k) take(samples.colours[k], 3 * k);
        if constexpr (hasAlpha) take(samples.alpha, 9);
        return samples;
    }

private:
    /// For each channel a row of sums, of the least and of the most.
    static std::vector<float>& sums() {
        static thread_local std::vector<float> all;
        return all;
    }

    void sum(float atV) {
        const DI di;
        const std::size_t lanes = hn::Lanes(di), columns = static_cast<std::size_t>(end_ - first_);
        constexpr std::size_t planes = hasAlpha ? 12 : 9;
        pitch_ = columns + 4 * lanes; // what is read of two vectors past the last column
        sums().resize(planes * pitch_);
        const float top = std::floor(atV);
        V down[4];
        CubicWeights(Splat(atV - top), down);
        const std::size_t start =
            static_cast<std::size_t>(static_cast<int>(top) - 1 + OverlayRaster::kBorder) * raster_.stride +
            static_cast<std::size_t>(first_);
        const auto* words = reinterpret_cast<const std::int32_t*>(raster_.colours.data()) + start;
        for (std::size_t x = 0; x < columns; x += lanes) {
            RasterSamples<hasAlpha> samples;
            for (std::size_t j = 0; j < 4; ++j) {
                const std::size_t at = j * raster_.stride + x;
                V opaque = hn::Zero(D());
                if constexpr (hasAlpha) opaque = hn::LoadU(D(), raster_.alpha.data() + start + at);
                samples.add(hn::LoadU(di, words + at), opaque, down[j], j == 1 || j == 2, j == 0);
            }
            const auto keep = [&](const Sampled& each, std::size_t plane) {
                float* const to = sums().data() + plane * pitch_ + x;
                hn::StoreU(each.sum, D(), to);
                hn::StoreU(each.least, D(), to + pitch_);
                hn::StoreU(each.most, D(), to + 2 * pitch_);
            };
            for (std::size_t k = 0; k < 3; ++k) keep(samples.colours[k], 3 * k);
            if constexpr (hasAlpha) keep(samples.alpha, 9);
        }
    }

    const OverlayRaster& raster_;
    int first_ = 0, end_ = 0; ///< columns that are summed, counted with the border
    std::size_t pitch_ = 0;
};

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#endif
