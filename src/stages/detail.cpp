// Detail: what a picture has of fine structure made stronger or weaker. Formulas in detail.h.
#include "stages/detail.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/detail.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// Luma of a row. Rows of tiles end anywhere: the last values are worked on as a short vector each.
void LumaRow(const float* r, const float* g, const float* b, std::size_t count, float* out) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    std::size_t i = 0;
    for (; i + lanes <= count; i += lanes)
        hn::StoreU(Luma(hn::LoadU(d, r + i), hn::LoadU(d, g + i), hn::LoadU(d, b + i)), d, out + i);
    HWY_ALIGN float rest[3][HWY_MAX_BYTES / sizeof(float)] = {};
    for (std::size_t k = i; k < count; ++k) rest[0][k - i] = r[k], rest[1][k - i] = g[k], rest[2][k - i] = b[k];
    hn::Store(Luma(hn::Load(d, rest[0]), hn::Load(d, rest[1]), hn::Load(d, rest[2])), d, rest[0]);
    for (std::size_t k = i; k < count; ++k) out[k] = rest[0][k - i];
}

/// One row: `y` its luma with the rows above and below and a pixel to either side, `soft` what G makes of it.
void SharpenRow(const DetailConstants& c, const float* const* y, const float* soft, const float* const* in,
                std::size_t count, float* const* out) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    const V zero = hn::Zero(d), one = Splat(1.0F), amount = Splat(c.amount), threshold = Splat(c.threshold);
    const V allowance = Splat(c.allowance);
    const bool isGuarded = c.allowance < DetailConstants::kWidestAllowance;
    const auto step = [&](const float* const* luma, const float* blur, const float* const* from, float* const* to) {
        const V middle = hn::LoadU(d, luma[1]), h = hn::Sub(middle, hn::LoadU(d, blur));
        if (c.isHighPass) {
            const V twice = hn::Mul(hn::Add(amount, amount), h);
            for (int k = 0; k < 3; ++k) {
                const V v = hn::LoadU(d, from[k]);
                const V room = hn::Max(zero, hn::Min(v, hn::Sub(one, v)));
                hn::StoreU(Hold(hn::MulAdd(twice, room, v)), d, to[k]);
            }
            return;
        }
        V added = hn::Mul(amount, hn::CopySign(hn::Max(hn::Sub(hn::Abs(h), threshold), zero), h));
        if (isGuarded) {
            V least = middle, most = middle;
            for (int row = 0; row < 3; ++row)
                for (int across = -1; across <= 1; ++across) {
                    const V v = hn::LoadU(d, luma[row] + across);
                    least = hn::Min(least, v), most = hn::Max(most, v);
                }
            added = hn::Max(hn::Sub(hn::Sub(least, allowance), middle), added);
            added = hn::Min(hn::Sub(hn::Add(most, allowance), middle), added);
        }
        for (int k = 0; k < 3; ++k) hn::StoreU(Hold(hn::Add(hn::LoadU(d, from[k]), added)), d, to[k]);
    };
    std::size_t i = 0;
    for (; i + lanes <= count; i += lanes) {
        const float* luma[] = {y[0] + i, y[1] + i, y[2] + i};
        const float* from[] = {in[0] + i, in[1] + i, in[2] + i};
        float* to[] = {out[0] + i, out[1] + i, out[2] + i};
        step(luma, soft + i, from, to);
    }
    if (i == count) return;
    constexpr std::size_t most = HWY_MAX_BYTES / sizeof(float);
    float luma[3][most + 2] = {}, from[3][most] = {}, blur[most] = {}, to[3][most];
    for (std::size_t k = i; k < count; ++k) {
        blur[k - i] = soft[k];
        for (int row = 0; row < 3; ++row) from[row][k - i] = in[row][k];
    }
    for (int row = 0; row < 3; ++row)
        for (std::size_t k = 0; k < count - i + 2; ++k) luma[row][k] = *(y[row] + i + k - 1);
    const float* lumaRows[] = {luma[0] + 1, luma[1] + 1, luma[2] + 1};
    const float* fromRows[] = {from[0], from[1], from[2]};
    float* toRows[] = {to[0], to[1], to[2]};
    step(lumaRows, blur, fromRows, toRows);
    for (int plane = 0; plane < 3; ++plane)
        for (std::size_t k = i; k < count; ++k) out[plane][k] = to[plane][k - i];
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "picture/blur.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>

namespace baryton {

HWY_EXPORT(LumaRow);
HWY_EXPORT(SharpenRow);

namespace {

void runSharpen(const void* constants, const AreaTile& tile) {
    const auto& c = *static_cast<const DetailConstants*>(constants);
    const int reach = static_cast<int>(c.weights.size()) - 1;
    const int margin = std::max(reach, 1); // the guard looks one pixel around
    const int width = tile.width + 2 * margin, height = tile.height + 2 * margin;
    const auto stride = static_cast<std::size_t>(width);
    static thread_local std::vector<float> luma, down, soft;
    static thread_local std::vector<const float*> before, after;
    luma.resize(stride * static_cast<std::size_t>(height));
    down.resize(stride), soft.resize(static_cast<std::size_t>(tile.width));
    before.resize(static_cast<std::size_t>(reach)), after.resize(static_cast<std::size_t>(reach));
    const auto inRow = [&](int plane, int y) { return tile.in[plane] + tile.inStride * static_cast<std::size_t>(y); };
    const auto lumaRow = [&](int y) { return luma.data() + stride * static_cast<std::size_t>(y); };
    for (int y = 0; y < height; ++y)
        HWY_DYNAMIC_DISPATCH(LumaRow)(inRow(0, y), inRow(1, y), inRow(2, y), stride, lumaRow(y));
    for (int y = 0; y < tile.height; ++y) {
        const int middle = y + margin;
        for (int k = 0; k < reach; ++k)
            before[static_cast<std::size_t>(k)] = lumaRow(middle - k - 1),
            after[static_cast<std::size_t>(k)] = lumaRow(middle + k + 1);
        symmetricSum(before.data(), lumaRow(middle), after.data(), c.weights, stride, down.data());
        for (int k = 0; k < reach; ++k)
            before[static_cast<std::size_t>(k)] = down.data() + margin - k - 1,
            after[static_cast<std::size_t>(k)] = down.data() + margin + k + 1;
        symmetricSum(before.data(), down.data() + margin, after.data(), c.weights,
                     static_cast<std::size_t>(tile.width), soft.data());
        const float* around[] = {lumaRow(middle - 1) + margin, lumaRow(middle) + margin,
                                 lumaRow(middle + 1) + margin};
        const float* in[] = {inRow(0, middle) + margin, inRow(1, middle) + margin, inRow(2, middle) + margin};
        const std::size_t at = tile.outStride * static_cast<std::size_t>(y);
        float* out[] = {tile.out[0] + at, tile.out[1] + at, tile.out[2] + at};
        HWY_DYNAMIC_DISPATCH(SharpenRow)(c, around, soft.data(), in, static_cast<std::size_t>(tile.width), out);
    }
}

struct DetailSettings {
    enum class Way : std::uint8_t { Unsharp, HighPass } way = Way::Unsharp;
    double amount = 0, radius = 1; ///< −1…2; pixels of the full-size picture
    double threshold = 0.005, haloGuard = 0.5;
};

AreaKernel detailKernel(const DetailSettings& s, double scale) {
    constexpr double leastSigma = 0.05; // pixels: what is smaller has gone into the averages
    const double sigma = s.radius * scale;
    if (sigma < leastSigma) return {};
    DetailConstants c;
    c.weights = gaussianWeights(sigma);
    c.isHighPass = s.way == DetailSettings::Way::HighPass;
    c.amount = static_cast<float>(s.amount);
    c.threshold = static_cast<float>(s.threshold);
    // Even steps of the slider are even steps of what is seen.
    const double open = 1 - s.haloGuard;
    c.allowance = DetailConstants::kWidestAllowance * static_cast<float>(open * open);
    return {std::max(static_cast<int>(c.weights.size()) - 1, 1), std::make_shared<DetailConstants>(std::move(c)),
            runSharpen};
}

} // namespace

const StageType& detailType() {
    using namespace describe;
    using S = DetailSettings;
    static const StageType type = stageType<S>({
        .id = "detail",
        .name = "Detail",
        .summary = "Makes edges and fine structure clearer, or softer.",
        .parts = {Part::Look, Part::Finish},
        .footprint = Footprint::Narrow,
        .settings =
            {{&S::way,
              through({"amount"}, choice("way", "Way", {{"unsharp", "Unsharp mask"}, {"high-pass", "High-pass"}},
                                         "Unsharp mask adds what a blurred copy lacks; high-pass lays it over "
                                         "softly and leaves black and white alone."))},
             {&S::amount, percent("amount", "Amount", -100, 200, 0,
                                  "How much clearer (right) or softer (left) fine structure becomes.")},
             {&S::radius,
              through({"amount"}, number("radius", "Radius", 0.3, 5, 0.1, 1,
                                         "How coarse the structure is that it works on, in pixels of the "
                                         "full-size picture: a smaller view shows what will be left of it.",
                                         Unit::Pixels))},
             {&S::threshold, through({"amount"}, percent("threshold", "Threshold", 0, 10, 0.5,
                                                         "Leaves weaker differences alone, such as noise. Of Unsharp "
                                                         "mask."))},
             {&S::haloGuard,
              through({"amount"}, percent("halo.guard", "Halo guard", 0, 100, 50,
                                          "Holds light and dark seams along edges back: at 100 no pixel becomes "
                                          "lighter or darker than its neighbours. Of Unsharp mask."))}},
        .isNeutral = [](const S& s) { return s.amount == 0; },
        .compileNarrow = detailKernel,
        .starters = {{"amount", 0.8}},
    });
    return type;
}

} // namespace baryton
#endif
