// Bloom: bright places give light to what surrounds them. Formula in bloom.h.
#include "stages/bloom.h"
#include "picture/blur.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/bloom.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/laid_over-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunBloom(const BloomConstants& c, const LaidRows& laid, const Block& block) {
    const D d;
    const V one = Splat(1.0F), zero = hn::Zero(d), most = Splat(BloomConstants::kMostLight);
    const V amount = Splat(c.amount), least = Splat(1e-6F);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t i) {
        const LaidLanes<false> spline(laid, block, i);
        V* channels[] = {&r, &g, &b};
        const V highest = hn::Max(r, hn::Max(g, b));
        if (hn::AllFalse(d, hn::Gt(highest, Splat(c.lowLight)))) { // as most of most pictures: nothing shines here
            for (int k = 0; k < 3; ++k)
                *channels[k] = hn::MulAdd(hn::Max(spline(k), zero), Splat(c.tint[k]), *channels[k]);
            return;
        }
        const V weight = SmoothStep(ToEncoded(highest), c.low, c.perSoftness);
        const V shines = hn::Mul(weight, hn::Min(hn::Max(highest, zero), most));
        const V share = hn::Min(one, hn::Div(hn::Max(spline(3), zero), hn::Max(shines, least)));
        const V taken = hn::Mul(hn::Mul(amount, weight), share);
        for (int k = 0; k < 3; ++k) {
            V& v = *channels[k];
            const V given = hn::Max(spline(k), zero);
            const V change = hn::NegMulAdd(taken, hn::Min(hn::Max(v, zero), most), given);
            const V more = hn::Max(change, zero), less = hn::Min(change, zero);
            // Where nothing is taken the sum is the one above, to the bit. Light that is below 0 already is no shade
            // of Bloom's.
            v = hn::Max(hn::Min(v, zero), hn::Add(hn::MulAdd(more, Splat(c.tint[k]), v), less));
        }
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "base/parallel.h"
#include "colour/smooth_step.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "picture/light.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/glow.h"
#include "stages/settings.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

HWY_EXPORT(RunBloom);

namespace {

void runBloom(const void* constants, const Block& block) {
    const auto& c = *static_cast<const BloomConstants*>(constants);
    const LaidRows laid = laidRows(c.laid, block, kOneTableStep);
    HWY_DYNAMIC_DISPATCH(RunBloom)(c, laid, block);
}

struct BloomSettings {
    double amount = 0, threshold = 0.75, softness = 0.3, reach = 12; ///< reach in thousandths of the long side
    double hue = 0, tint = 0;                                        ///< degrees; 0…1
};

/// S at half the base level's size in three planes, and the most of it around in the fourth.
Picture lightsOf(const Picture& base, const BloomConstants& c) {
    Picture lights(base.width(), base.height());
    Picture most((base.width() + 1) / 2, (base.height() + 1) / 2); // in each two by two, plane 0
    const auto width = static_cast<std::size_t>(base.width()), halfWidth = static_cast<std::size_t>(most.width());
    float* const planes[] = {lights.row(0, 0), lights.row(1, 0), lights.row(2, 0)};
    float* const mostRows = most.row(0, 0);
    forRows(most.height(), [&](int half) {
        float* const highest = mostRows + most.stride() * static_cast<std::size_t>(half);
        for (int y = 2 * half; y < std::min(2 * half + 2, base.height()); ++y) {
            const float* v[] = {base.row(0, y), base.row(1, y), base.row(2, y)};
            float* out[3];
            for (std::size_t k = 0; k < 3; ++k) {
                out[k] = planes[k] + lights.stride() * static_cast<std::size_t>(y);
                rowToLinear(v[k], out[k], width);
            }
            for (std::size_t x = 0; x < width; ++x) {
                const float weight = smoothStep(std::max({v[0][x], v[1][x], v[2][x]}), c.low, c.perSoftness);
                for (float* plane : out) {
                    plane[x] = weight * std::clamp(plane[x], 0.0F, BloomConstants::kMostLight);
                    highest[x / 2] = std::max(highest[x / 2], plane[x]);
                }
            }
        }
    });
    Picture result(most.width(), most.height(), true);
    const Picture halved = halfOf(lights);
    float* const out[] = {result.row(0, 0), result.row(1, 0), result.row(2, 0), result.row(3, 0)};
    const Picture& from = most;
    forRows(result.height(), [&](int y) {
        const std::size_t start = result.stride() * static_cast<std::size_t>(y);
        for (std::size_t k = 0; k < 3; ++k)
            std::copy_n(halved.row(static_cast<int>(k), y), halfWidth, out[k] + start);
        const auto row = [&](int at) { return from.row(0, std::clamp(at, 0, from.height() - 1)); };
        const float *above = row(y - 1), *middle = row(y), *below = row(y + 1);
        const auto down = [&](std::size_t x) { return std::max({above[x], middle[x], below[x]}); };
        for (std::size_t x = 0; x < halfWidth; ++x)
            out[3][start + x] = std::max({down(x > 0 ? x - 1 : 0), down(x), down(std::min(x + 1, halfWidth - 1))});
    });
    return result;
}

/// A colour of this OKLCh hue in linear light with the luminance of white, mixed into white.
std::array<float, 3> tintOf(const BloomSettings& s) {
    constexpr double lightness = 0.75, chroma = 0.12;
    const double angle = s.hue * std::numbers::pi / 180;
    Vec3 light = linearFromOklab({lightness, chroma * std::cos(angle), chroma * std::sin(angle)});
    for (double& v : light) v = std::max(v, 0.0);
    const double y = 0.2126 * light[0] + 0.7152 * light[1] + 0.0722 * light[2];
    std::array<float, 3> tint{};
    for (std::size_t k = 0; k < 3; ++k) tint[k] = static_cast<float>(1 + s.tint * (light[k] / y - 1));
    return tint;
}

Kernel bloomKernel(const BloomSettings& s, const Picture& base) {
    auto constants = std::make_shared<BloomConstants>();
    constants->amount = static_cast<float>(s.amount);
    constants->low = static_cast<float>(s.threshold - s.softness / 2);
    constants->perSoftness = static_cast<float>(1 / std::max(s.softness, 1e-3));
    constants->lowLight = static_cast<float>(srgbToLinear(constants->low - 1e-4)); // a little early: encoding rounds
    std::copy_n(tintOf(s).begin(), 3, constants->tint);
    const Picture lights = lightsOf(base, *constants);
    const Picture glow = glowOf(lights, s.reach / 1000 * lights.longSide(), BloomConstants::kFarTimes,
                                BloomConstants::kNearShare, constants->amount);
    Picture laid = lights; // its fourth plane stays
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < laid.height(); ++y) std::copy_n(glow.row(k, y), laid.width(), laid.row(k, y));
    constants->laid = LaidOver(laid, 4, static_cast<float>(base.width()) / 2, static_cast<float>(base.height()) / 2);
    Kernel kernel;
    kernel.domain = Domain::Linear;
    kernel.constants = std::move(constants);
    kernel.run = runBloom;
    return kernel;
}

} // namespace

const StageType& bloomType() {
    using namespace describe;
    using S = BloomSettings;
    static const StageType type = stageType<S>({
        .id = "bloom",
        .name = "Bloom",
        .summary = "Lets bright places glow into what surrounds them, as light does in a lens or in haze.",
        .parts = {Part::Look, Part::Finish},
        .footprint = Footprint::Wide,
        .settings =
            {{&S::amount, percent("amount", "Amount", 0, 100, 0, "How much of their light bright places give away.")},
             {&S::threshold, through({"amount"}, percent("threshold", "Threshold", 0, 100, 75,
                                                         "From which tone on a place is bright."))},
             {&S::softness,
              through({"amount"}, percent("softness", "Softness", 0, 100, 30,
                                          "How gently that sets in: at 0 the threshold is a hard line."))},
             {&S::reach, through({"amount"}, number("reach", "Reach", 1, 40, 0.5, 12,
                                                    "How far the glow goes, in thousandths of the frame's long side.",
                                                    Unit::PerMille))},
             {&S::hue, through({"tint"}, hue("tint.hue", "Tint hue", "The colour of the glow."))},
             {&S::tint,
              through({"amount"},
                      percent("tint", "Tint", 0, 100, 0,
                              "How far the glow takes that colour; the lights themselves keep "
                              "theirs."))}},
        .isNeutral = [](const S& s) { return s.amount == 0; },
        .compileWide = bloomKernel,
        .starters = {{"amount", 0.5}},
    });
    return type;
}

} // namespace baryton
#endif
