// Hue bands: shift, saturate and lighten families of hues, each within a soft window. Formula in hue_bands.h.
#include "stages/hue_bands.h"
#include "stages/stage_type.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/hue_bands.cpp"
#include <hwy/foreach_target.h>

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
                sum = hn::Add(sum, w);
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

#include <numbers>

namespace baryton {

HWY_EXPORT(RunHueBands);

namespace {

std::string bandId(int index) {
    return "band" + std::to_string(index + 1);
}

bool doesNothing(const ParameterReader& p, const std::string& id) {
    return p.number(id + ".shift") == 0 && p.number(id + ".saturation") == 0 && p.number(id + ".lightness") == 0;
}

std::vector<ParameterType> bandParameters() {
    using namespace describe;
    std::vector<ParameterType> all;
    for (int i = 0; i < HueBandsConstants::kMost; ++i) {
        const std::string id = bandId(i), name = "Band " + std::to_string(i + 1);
        const std::vector<std::string> changes = {id + ".shift", id + ".saturation", id + ".lightness"};
        ParameterType centre = hue(id + ".centre", name + " hue", "The middle of the hues that the band takes.");
        centre.defaultValue = 360.0 * i / HueBandsConstants::kMost;
        all.push_back(through(changes, std::move(centre)));
        all.push_back(through(changes, number(id + ".width", name + " width", 5, 180, 1, 30,
                                              "How many degrees of hue the band takes whole.", Unit::Degrees)));
        all.push_back(through(changes, number(id + ".feather", name + " feather", 10, 90, 1, 30,
                                              "How gently the band ends on either side.", Unit::Degrees)));
        all.push_back(number(id + ".shift", name + " shift", -60, 60, 1, 0, "Turns these hues round the circle.",
                             Unit::Degrees));
        all.push_back(
            percent(id + ".saturation", name + " saturation", -100, 100, 0, "Makes these hues stronger or quieter."));
        all.push_back(
            percent(id + ".lightness", name + " lightness", -100, 100, 0, "Makes these hues lighter or darker."));
    }
    return all;
}

} // namespace

const StageType& hueBandsType() {
    static const StageType type = {
        "hue-bands",
        "Hue bands",
        "Turns, strengthens and lightens families of hues, each on its own.",
        {Part::Look},
        Footprint::Colour,
        bandParameters(),
        [](const ParameterReader& p) {
            for (int i = 0; i < HueBandsConstants::kMost; ++i)
                if (!doesNothing(p, bandId(i))) return false;
            return true;
        },
        [](const ParameterReader& p) {
            HueBandsConstants c;
            for (int i = 0; i < HueBandsConstants::kMost; ++i) {
                const std::string id = bandId(i);
                if (doesNothing(p, id)) continue;
                auto& band = c.bands[c.count++];
                band.window = HueWindow(p.number(id + ".centre"), p.number(id + ".width"), p.number(id + ".feather"));
                band.shift = static_cast<float>(p.number(id + ".shift") * std::numbers::pi / 180);
                band.saturation = static_cast<float>(p.number(id + ".saturation"));
                band.lightness = static_cast<float>(p.number(id + ".lightness"));
            }
            Kernel kernel;
            kernel.domain = Domain::Linear;
            kernel.constants = std::make_shared<HueBandsConstants>(c);
            kernel.run = [](const void* constants, const Block& block) {
                HWY_DYNAMIC_DISPATCH(RunHueBands)(*static_cast<const HueBandsConstants*>(constants), block);
            };
            return kernel;
        },
        {},
    };
    return type;
}

} // namespace baryton
#endif
