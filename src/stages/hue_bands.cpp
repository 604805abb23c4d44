// Hue bands: shift, saturate and lighten families of hues, each within a soft window. Formula in hue_bands.h.
#include "stages/hue_bands.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/hue_bands.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/oklab-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunHueBands(const HueBandsConstants& c, const Block& block) {
    const OklabMatrices& m = oklabMatrices();
    const V one = Splat(1.0F), zero = hn::Zero(D());
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        ThroughOklab(m, r, g, b, [&](Perceived& p) {
            V sum = zero, shift = zero, gain = zero, light = zero;
            for (int i = 0; i < c.count; ++i) {
                const auto& band = c.bands[i];
                const V w = WindowWeight(band.window, p);
                sum = hn::MulAdd(w, Splat(band.presence), sum);
                shift = hn::MulAdd(w, Splat(band.shift), shift);
                gain = hn::MulAdd(w, Splat(band.saturation), gain);
                light = hn::MulAdd(w, Splat(band.lightness), light);
            }
            const V share = hn::Div(p.fade, hn::Max(sum, one));
            V sine, cosine;
            SinCos(hn::Mul(shift, share), sine, cosine);
            const V stretch = hn::MulAdd(gain, share, one);
            const V a = p.a, bb = p.b;
            p.a = hn::Mul(stretch, hn::Sub(hn::Mul(a, cosine), hn::Mul(bb, sine)));
            p.b = hn::Mul(stretch, hn::MulAdd(a, sine, hn::Mul(bb, cosine)));
            const V colourful = SmoothStep(p.chroma, 0, 1 / HueBandsConstants::kLightChroma);
            p.lightness = hn::MulAdd(hn::Mul(light, share), hn::Mul(colourful, Splat(HueBandsConstants::kLightReach)),
                                     p.lightness);
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

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

HWY_EXPORT(RunHueBands);

namespace {

constexpr double kMostShift = 60; ///< degrees

struct HueBandsSettings {
    struct Band {
        double centre = 0, width = 30, feather = 30;     ///< degrees of hue
        double shift = 0, saturation = 0, lightness = 0; ///< degrees; −1…1

        bool doesNothing() const { return shift == 0 && saturation == 0 && lightness == 0; }
        double most() const {
            return std::max({std::abs(shift) / kMostShift, std::abs(saturation), std::abs(lightness)});
        }
    };
    std::array<Band, HueBandsConstants::kMost> bands;
};

SettingList<HueBandsSettings> hueBandsSettings() {
    using namespace describe;
    using Band = HueBandsSettings::Band;
    SettingList<HueBandsSettings> all;
    for (std::size_t i = 0; i < HueBandsConstants::kMost; ++i) {
        const std::string id = "band" + std::to_string(i + 1), name = "Band " + std::to_string(i + 1);
        const std::vector<std::string> changes = {id + ".shift", id + ".saturation", id + ".lightness"};
        const auto add = [&](double Band::*member, ParameterType type) {
            all.emplace_back(entry(&HueBandsSettings::bands, i, member), std::move(type));
        };
        ParameterType centre = hue(id + ".centre", name + " hue", "The middle of the hues that the band takes.");
        centre.defaultValue = 360.0 * static_cast<double>(i) / HueBandsConstants::kMost;
        add(&Band::centre, through(changes, std::move(centre)));
        add(&Band::width, through(changes, number(id + ".width", name + " width", 5, 180, 1, 30,
                                                  "How many degrees of hue the band takes whole.", Unit::Degrees)));
        add(&Band::feather, through(changes, number(id + ".feather", name + " feather", 10, 90, 1, 30,
                                                    "How gently the band ends on either side.", Unit::Degrees)));
        add(&Band::shift, number(id + ".shift", name + " shift", -kMostShift, kMostShift, 1, 0,
                                 "Turns these hues round the circle.", Unit::Degrees));
        add(&Band::saturation,
            percent(id + ".saturation", name + " saturation", -100, 100, 0, "Makes these hues stronger or quieter."));
        add(&Band::lightness,
            percent(id + ".lightness", name + " lightness", -100, 100, 0, "Makes these hues lighter or darker."));
    }
    return all;
}

Kernel hueBandsKernel(const HueBandsSettings& s) {
    HueBandsConstants c;
    for (const auto& from : s.bands) {
        if (from.doesNothing()) continue;
        auto& band = c.bands[c.count++];
        band.window = HueWindow(from.centre, from.width, from.feather);
        band.presence = static_cast<float>(windowPresence(from.most()));
        band.shift = static_cast<float>(from.shift * std::numbers::pi / 180);
        band.saturation = static_cast<float>(from.saturation);
        band.lightness = static_cast<float>(from.lightness);
    }
    return kernelOf(Domain::Linear, c, [](const auto& k, const Block& block) {
        HWY_DYNAMIC_DISPATCH(RunHueBands)(k, block);
    });
}

} // namespace

const StageType& hueBandsType() {
    using S = HueBandsSettings;
    static const StageType type = stageType<S>({
        .id = "hue-bands",
        .name = "Hue bands",
        .summary = "Turns, strengthens and lightens families of hues, each on its own.",
        .parts = {Part::Look},
        .settings = hueBandsSettings(),
        .isNeutral =
            [](const S& s) {
                return std::all_of(s.bands.begin(), s.bands.end(), [](const auto& b) { return b.doesNothing(); });
            },
        .compile = hueBandsKernel,
    });
    return type;
}

} // namespace baryton
#endif
