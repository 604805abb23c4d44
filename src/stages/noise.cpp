// Noise: what a sensor adds by chance, taken out of brightness and colour. Formulas in noise.h.
#include "stages/noise.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/noise.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

// Rows are padded: all work on whole vectors, and what stands past their ends is never looked at.

void SplitRow(const float* r, const float* g, const float* b, std::size_t count, float* const* out) {
    const D d;
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const V red = hn::LoadU(d, r + i), blue = hn::LoadU(d, b + i), y = Luma(red, hn::LoadU(d, g + i), blue);
        hn::StoreU(y, d, out[0] + i);
        hn::StoreU(hn::Sub(red, y), d, out[1] + i);
        hn::StoreU(hn::Sub(blue, y), d, out[2] + i);
    }
}

void JoinRow(const float* const* in, std::size_t count, float* const* out) {
    const D d;
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const V y = hn::LoadU(d, in[0] + i), red = hn::LoadU(d, in[1] + i), blue = hn::LoadU(d, in[2] + i);
        // Luma of the three is y again.
        const V green = hn::MulAdd(Splat(0.2126F / 0.7152F), red, hn::Mul(Splat(0.0722F / 0.7152F), blue));
        hn::StoreU(Hold(hn::Add(y, red)), d, out[0] + i);
        hn::StoreU(Hold(hn::Sub(y, green)), d, out[1] + i);
        hn::StoreU(Hold(hn::Add(y, blue)), d, out[2] + i);
    }
}

/// Five rows, or one at five places, by the B3 spline.
void SmoothRow(const float* const* five, std::size_t count, float* out) {
    const D d;
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const V far = hn::Add(hn::LoadU(d, five[0] + i), hn::LoadU(d, five[4] + i));
        const V near = hn::Add(hn::LoadU(d, five[1] + i), hn::LoadU(d, five[3] + i));
        const V middle = hn::Mul(Splat(0.375F), hn::LoadU(d, five[2] + i));
        hn::StoreU(hn::MulAdd(Splat(0.0625F), far, hn::MulAdd(Splat(0.25F), near, middle)), d, out + i);
    }
}

/// Adds what is left of the difference of two levels.
void AddLeft(const float* fine, const float* coarse, float threshold, std::size_t count, float* sum) {
    const D d;
    const V weak = Splat(threshold * threshold * threshold * threshold), least = Splat(1e-30F);
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const V w = hn::Sub(hn::LoadU(d, fine + i), hn::LoadU(d, coarse + i)), square = hn::Mul(w, w);
        const V fourth = hn::Mul(square, square);
        const V share = hn::Div(hn::Max(hn::Sub(fourth, weak), hn::Zero(d)), hn::Max(fourth, least));
        hn::StoreU(hn::MulAdd(w, share, hn::LoadU(d, sum + i)), d, sum + i);
    }
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/padded_plane.h"
#include "stages/settings.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace baryton {

HWY_EXPORT(SplitRow);
HWY_EXPORT(JoinRow);
HWY_EXPORT(SmoothRow);
HWY_EXPORT(AddLeft);

int NoiseConstants::margin() const {
    const std::size_t levels = std::max(luma.size(), colour.size());
    return 2 * ((1 << levels) - 1);
}

namespace {

/// Takes the noise out of a plane that has `margin` pixels around what is wanted; the result stands in `sum`.
void takeOut(PaddedPlane& plane, int width, int height, int margin, const std::vector<float>& thresholds,
             PaddedPlane& sum) {
    static thread_local PaddedPlane other, down;
    const int wide = width + 2 * margin, high = height + 2 * margin;
    other.reset(wide, high), down.reset(wide, 1), sum.reset(width, height);
    for (int y = 0; y < height; ++y) std::fill_n(sum.row(y), wholeVectors(width), 0.0F);
    PaddedPlane *fine = &plane, *coarse = &other;
    int inset = 0;
    for (std::size_t level = 0; level < thresholds.size(); ++level) {
        const int step = 1 << level;
        const int left = inset; // columns that hold anything
        inset += 2 * step;
        for (int y = inset; y < high - inset; ++y) {
            const float* rows[5];
            for (int k = 0; k < 5; ++k) rows[k] = fine->row(y + (k - 2) * step) + left;
            HWY_DYNAMIC_DISPATCH(SmoothRow)(rows, wholeVectors(wide - 2 * left), down.row(0) + left);
            const float* places[5];
            for (int k = 0; k < 5; ++k) places[k] = down.row(0) + inset + (k - 2) * step;
            HWY_DYNAMIC_DISPATCH(SmoothRow)(places, wholeVectors(wide - 2 * inset), coarse->row(y) + inset);
            if (y >= margin && y < margin + height) HWY_DYNAMIC_DISPATCH(AddLeft)
            (fine->row(y) + margin, coarse->row(y) + margin, thresholds[level], wholeVectors(width),
             sum.row(y - margin));
        }
        std::swap(fine, coarse);
    }
    for (int y = 0; y < height; ++y) {
        const float* rest = fine->row(y + margin) + margin;
        float* to = sum.row(y);
        for (int x = 0; x < width; ++x) to[x] += rest[x];
    }
}

void runNoise(const void* constants, const AreaTile& tile) {
    const auto& c = *static_cast<const NoiseConstants*>(constants);
    static thread_local PaddedPlane planes[3], sums[3], joined[3];
    const int margin = c.margin(), width = tile.width + 2 * margin, height = tile.height + 2 * margin;
    for (PaddedPlane& plane : planes) plane.reset(width, height);
    for (PaddedPlane& row : joined) row.reset(tile.width, 1);
    for (int y = 0; y < height; ++y) {
        const std::size_t at = tile.inStride * static_cast<std::size_t>(y);
        float* out[] = {planes[0].row(y), planes[1].row(y), planes[2].row(y)};
        HWY_DYNAMIC_DISPATCH(SplitRow)
        (tile.in[0] + at, tile.in[1] + at, tile.in[2] + at, wholeVectors(width), out);
    }
    for (int k = 0; k < 3; ++k)
        takeOut(planes[k], tile.width, tile.height, margin, k == 0 ? c.luma : c.colour, sums[k]);
    for (int y = 0; y < tile.height; ++y) {
        const float* in[] = {sums[0].row(y), sums[1].row(y), sums[2].row(y)};
        float* out[] = {joined[0].row(0), joined[1].row(0), joined[2].row(0)};
        HWY_DYNAMIC_DISPATCH(JoinRow)(in, wholeVectors(tile.width), out);
        for (int k = 0; k < 3; ++k)
            std::copy_n(out[k], tile.width, tile.out[k] + tile.outStride * static_cast<std::size_t>(y));
    }
}

/// Shares of demosaiced noise by level: colour is blotched over more pixels than brightness.
constexpr std::array kLumaShares{0.80, 0.35, 0.16};
constexpr std::array kColourShares{0.80, 0.45, 0.25, 0.13};
constexpr double kLumaReach = 0.15, kColourReach = 0.25;

template <std::size_t count>
std::vector<float> thresholdsOf(double amount, double reach, const std::array<double, count>& shares, double scale) {
    std::vector<float> thresholds;
    constexpr double least = 0.03; // what is weaker is not seen
    const double k = std::max(0.0, -std::log2(scale)), last = double(count) - 1, averaged = shares[0] * std::exp2(-k);
    if (amount <= 0) return thresholds;
    for (double level = k; level < last + 1 || (level == k && averaged > least); ++level) {
        const double at = std::min(level, last), whole = std::min(std::floor(at), last - 1);
        const auto i = static_cast<std::size_t>(whole);
        // Even steps of levels are even factors; past the last level it fades.
        double share = shares[i] * std::pow(shares[i + 1] / shares[i], at - whole);
        share *= std::clamp(last + 1 - level, 0.0, 1.0);
        if (level == k) share = std::max(share, averaged);
        thresholds.push_back(static_cast<float>(reach * amount * amount * share));
    }
    return thresholds;
}

struct NoiseSettings {
    double luma = 0, colour = 0; ///< 0…1
};

AreaKernel noiseKernel(const NoiseSettings& s, double scale) {
    NoiseConstants c{thresholdsOf(s.luma, kLumaReach, kLumaShares, scale),
                     thresholdsOf(s.colour, kColourReach, kColourShares, scale)};
    if (c.luma.empty() && c.colour.empty()) return {};
    const int margin = c.margin();
    return {margin, std::make_shared<const NoiseConstants>(std::move(c)), runNoise};
}

} // namespace

double noiseLumaAmount(std::size_t level, double threshold) {
    return std::sqrt(threshold / (kLumaReach * kLumaShares.at(level)));
}

double noiseColourAmount(std::size_t level, double threshold) {
    return std::sqrt(threshold / (kColourReach * kColourShares.at(level)));
}

const StageType& noiseType() {
    using namespace describe;
    using S = NoiseSettings;
    static const StageType type = stageType<S>({
        .id = "noise",
        .name = "Noise",
        .summary = "Takes out what a sensor adds by chance, ahead of all else. Judge it at 100 %.",
        .parts = {Part::Prep},
        .footprint = Footprint::Narrow,
        .settings = {{&S::luma, percent("luma", "In brightness", 0, 100, 0,
                                        "How strong the differences in brightness are that go: fine structure "
                                        "goes with them where it is no stronger.")},
                     {&S::colour, percent("colour", "In colour", 0, 100, 0,
                                          "How strong the specks and blotches of colour are that go.")}},
        .isNeutral = [](const S& s) { return s.luma == 0 && s.colour == 0; },
        .compileNarrow = noiseKernel,
        .starters = {{"luma", 0.3}, {"colour", 0.5}},
    });
    return type;
}

} // namespace baryton
#endif
