// Monochrome: a picture without colour, in which each hue may come out lighter or darker. Formula in monochrome.h.
#include "stages/monochrome.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/monochrome.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/oklab-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunMonochrome(const MonochromeConstants& c, const Block& block) {
    using M = MonochromeConstants;
    const OklabMatrices& m = oklabMatrices();
    const V one = Splat(1.0F), zero = hn::Zero(D()), amount = Splat(c.amount);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        ThroughOklab(m, r, g, b, [&](Perceived& p) {
            V sum = zero, light = zero;
            for (int i = 0; i < M::kBands; ++i) {
                if (c.lightness[i] == 0) continue;
                const V w = WindowWeight(c.windows[i], p);
                sum = hn::MulAdd(w, Splat(c.presence[i]), sum);
                light = hn::MulAdd(w, Splat(c.lightness[i]), light);
            }
            const V colourful = hn::Mul(p.fade, SmoothStep(p.chroma, 0, 1 / M::kLightChroma));
            const V change = hn::Mul(hn::Div(light, hn::Max(sum, one)), hn::Mul(colourful, Splat(M::kLightReach)));
            const V lightness = hn::Add(p.lightness, change);
            const V held = hn::Min(hn::Max(lightness, zero), one);
            const V tint = hn::Mul(Splat(4.0F), hn::Mul(held, hn::Sub(one, held)));
            p.lightness = hn::MulAdd(hn::Sub(lightness, p.lightness), amount, p.lightness);
            p.a = hn::MulAdd(hn::Sub(hn::Mul(tint, Splat(c.tintA)), p.a), amount, p.a);
            p.b = hn::MulAdd(hn::Sub(hn::Mul(tint, Splat(c.tintB)), p.b), amount, p.b);
        });
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <cmath>
#include <numbers>

namespace baryton {

HWY_EXPORT(RunMonochrome);

namespace {

/// The families by their middle in OKLCh.
struct Family {
    const char *id, *name;
    double hue;
};
constexpr Family kFamilies[MonochromeConstants::kBands] = {
    {"red", "Reds", 29},    {"orange", "Oranges", 60}, {"yellow", "Yellows", 105}, {"green", "Greens", 142},
    {"cyan", "Cyans", 195}, {"blue", "Blues", 255},    {"violet", "Violets", 300}, {"magenta", "Magentas", 345}};

struct MonochromeSettings {
    double amount = 0;
    std::array<double, MonochromeConstants::kBands> lightness{}; ///< −1…1, of each family
    double filter = 1, tintHue = 0, tintAmount = 0;              ///< 0…1; degrees
};

SettingList<MonochromeSettings> monochromeSettings() {
    using namespace describe;
    using S = MonochromeSettings;
    SettingList<S> all = {
        {&S::amount, percent("amount", "Amount", 0, 100, 0, "How far the picture goes toward monochrome.")}};
    for (std::size_t i = 0; i < MonochromeConstants::kBands; ++i)
        all.emplace_back(entry(&S::lightness, i),
                         percent(std::string(kFamilies[i].id) + ".lightness", kFamilies[i].name, -100, 100, 0,
                                 "How light this family of hues comes out."));
    all.emplace_back(&S::filter,
                     percent("filter", "Filter strength", 0, 100, 100, "How much of the settings by hue is felt."));
    all.emplace_back(&S::tintHue,
                     through({"tint.amount"}, hue("tint.hue", "Tint hue", "The colour laid over the greys.")));
    all.emplace_back(&S::tintAmount, percent("tint.amount", "Tint amount", 0, 100, 0,
                                             "How much of it; black and white stay neutral."));
    return all;
}

Kernel monochromeKernel(const MonochromeSettings& s) {
    MonochromeConstants c;
    c.amount = static_cast<float>(s.amount);
    const double angle = s.tintHue * std::numbers::pi / 180, tint = s.tintAmount * MonochromeConstants::kTintReach;
    c.tintA = static_cast<float>(tint * std::cos(angle));
    c.tintB = static_cast<float>(tint * std::sin(angle));
    for (std::size_t i = 0; i < MonochromeConstants::kBands; ++i) {
        c.lightness[i] = static_cast<float>(s.lightness[i] * s.filter);
        c.presence[i] = static_cast<float>(windowPresence(s.lightness[i] * s.filter));
        c.windows[i] = HueWindow(kFamilies[i].hue, 20, 40);
    }
    return kernelOf(Domain::Linear, c, [](const auto& k, const Block& block) {
        HWY_DYNAMIC_DISPATCH(RunMonochrome)(k, block);
    });
}

} // namespace

const StageType& monochromeType() {
    using S = MonochromeSettings;
    static const StageType type = stageType<S>({
        .id = "monochrome",
        .name = "Monochrome",
        .summary = "Takes the colour away; how light each hue comes out is yours to say.",
        .parts = {Part::Look},
        .settings = monochromeSettings(),
        .isNeutral = [](const S& s) { return s.amount == 0; },
        .compile = monochromeKernel,
        .starters = {{"amount", 1.0}},
    });
    return type;
}

} // namespace baryton
#endif
