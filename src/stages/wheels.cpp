// Wheels: a colour and a level for shadows, midtones, highlights and the whole. Formula in wheels.h.
#include "stages/wheels.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/wheels.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunWheels(const WheelsConstants& c, const Block& block) {
    const V one = Splat(1.0F), zero = hn::Zero(D());
    const auto tone = [&](V v) {
        v = hn::MulAdd(Splat(c.lift), hn::Sub(one, v), v);
        const V inside = hn::Min(hn::Max(v, zero), one);
        const V below = hn::Min(v, zero), above = hn::Max(hn::Sub(v, one), zero);
        V bent = hn::MulAdd(hn::Mul(Splat(c.bend), inside), hn::Sub(one, inside), inside);
        bent = hn::MulAdd(below, Splat(1 + c.bend), bent);
        bent = hn::MulAdd(above, Splat(1 - c.bend), bent);
        return hn::MulAdd(bent, Splat(1 + c.gain), Splat(c.offset));
    };
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        const V y = Luma(r, g, b);
        const V notShadow = SmoothStep(y, c.shadowLow, c.perWidth);
        const V h = SmoothStep(y, c.highlightLow, c.perWidth);
        const V s = hn::Sub(one, notShadow), m = hn::Sub(notShadow, h);
        V* channels[3] = {&r, &g, &b};
        for (int k = 0; k < 3; ++k) {
            V v = hn::Add(tone(*channels[k]), Splat(c.whole[k]));
            v = hn::MulAdd(s, Splat(c.shadows[k]), v);
            v = hn::MulAdd(m, Splat(c.midtones[k]), v);
            *channels[k] = Hold(hn::MulAdd(h, Splat(c.highlights[k]), v));
        }
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "colour/smooth_step.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>
#include <cmath>

namespace baryton {

HWY_EXPORT(RunWheels);

double WheelsConstants::tone(double v) const {
    v += lift * (1 - v);
    const double inside = std::clamp(v, 0.0, 1.0);
    v = inside + bend * inside * (1 - inside) + std::min(v, 0.0) * (1 + bend) + std::max(v - 1, 0.0) * (1 - bend);
    return v * (1 + gain) + offset;
}

void WheelsConstants::weights(double y, double& s, double& m, double& h) const {
    h = smoothStep(y, highlightLow, perWidth);
    s = 1 - smoothStep(y, shadowLow, perWidth);
    m = 1 - s - h;
}

void WheelsConstants::apply(double rgb[3]) const {
    double s = 0, m = 0, h = 0;
    weights(luma(rgb[0], rgb[1], rgb[2]), s, m, h);
    for (int k = 0; k < 3; ++k)
        rgb[k] = std::clamp<double>(tone(rgb[k]) + s * shadows[k] + m * midtones[k] + h * highlights[k] + whole[k],
                                    -kHeldRange, kHeldRange);
}

double WheelsConstants::leastSlope() const {
    constexpr int steps = 512;
    double least = 1e9, before[3] = {};
    for (int i = 0; i <= steps; ++i) {
        const double v = double(i) / steps;
        double rgb[3] = {v, v, v};
        apply(rgb);
        for (int k = 0; k < 3; ++k) {
            if (i > 0) least = std::min(least, (rgb[k] - before[k]) * steps);
            before[k] = rgb[k];
        }
    }
    return least;
}

namespace {

struct WheelsSettings {
    struct Wheel {
        double hue = 0, amount = 0, level = 0; ///< an angle of the vectorscope; 0…1; −1…1
    };
    std::array<Wheel, 4> wheels; ///< shadows, midtones, highlights, whole
    double shadowsPivot = 0.33, highlightsPivot = 0.66, softness = 0.25;
};

Kernel wheelsKernel(const WheelsSettings& s) {
    const auto& [shadows, midtones, highlights, whole] = s.wheels;
    WheelsConstants c;
    c.lift = static_cast<float>(kLiftReach * shadows.level);
    c.bend = static_cast<float>(kBendReach * midtones.level);
    c.gain = static_cast<float>(kGainReach * highlights.level);
    c.offset = static_cast<float>(kOffsetReach * whole.level);
    // Highlights never start before shadows end: the weights stay between 0 and 1.
    const double highlightsPivot = std::max(s.highlightsPivot, s.shadowsPivot);
    c.shadowLow = static_cast<float>(s.shadowsPivot - s.softness);
    c.highlightLow = static_cast<float>(highlightsPivot - s.softness);
    c.perWidth = static_cast<float>(1 / (2 * s.softness));

    const auto push = [](const WheelsSettings::Wheel& wheel, float* out) {
        const Vec3 d = hueDirection(wheel.hue);
        for (unsigned i = 0; i < 3; ++i) out[i] = static_cast<float>(kWheelReach * wheel.amount * d[i]);
    };
    const double plain = c.leastSlope(); // tones alone: 0.09 at the least
    push(shadows, c.shadows);
    push(midtones, c.midtones);
    push(highlights, c.highlights);
    push(whole, c.whole);
    // Slopes are linear in the colours' common scale at every grey: full scale and none give the scale that just
    // holds.
    constexpr double leastAllowed = 0.05;
    if (const double slope = c.leastSlope(); slope < leastAllowed) {
        const auto scale = static_cast<float>((plain - leastAllowed) / (plain - slope));
        for (float* range : {c.shadows, c.midtones, c.highlights})
            for (int i = 0; i < 3; ++i) range[i] *= scale;
    }
    return kernelOf(Domain::Encoded, c, [](const auto& k, const Block& block) {
        HWY_DYNAMIC_DISPATCH(RunWheels)(k, block);
    });
}

SettingList<WheelsSettings> wheelsSettings() {
    using namespace describe;
    using S = WheelsSettings;
    using Wheel = S::Wheel;
    constexpr struct {
        const char *id, *name, *where, *level;
    } ranges[] = {
        {"shadows", "Shadows", "the dark tones", "Lifts or deepens the dark tones; white stays."},
        {"midtones", "Midtones", "the middle tones", "Lightens or darkens the middle tones; black and white stay."},
        {"highlights", "Highlights", "the light tones", "Lightens or darkens the light tones; black stays."},
        {"whole", "Whole", "all tones", "Moves all tones up or down alike."},
    };
    SettingList<S> all;
    for (std::size_t i = 0; i < std::size(ranges); ++i) {
        const std::string id = ranges[i].id, name = ranges[i].name, where = ranges[i].where;
        const auto add = [&](double Wheel::*member, ParameterType type) {
            all.emplace_back(entry(&S::wheels, i, member), std::move(type));
        };
        add(&Wheel::hue, through({id + ".amount"}, pullHue(id + ".hue", name + " hue",
                                                           "The colour that " + where + " are pushed toward.")));
        add(&Wheel::amount,
            percent(id + ".amount", name + " amount", 0, 100, 0, "How far " + where + " are pushed toward the hue."));
        add(&Wheel::level, percent(id + ".level", name + " level", -100, 100, 0, ranges[i].level));
    }
    const std::vector<std::string> colours = {"shadows.amount", "midtones.amount", "highlights.amount"};
    all.emplace_back(&S::shadowsPivot, through(colours, percent("shadows.pivot", "Shadows reach", 5, 60, 33,
                                                                "Up to which tone the shadows reach.")));
    all.emplace_back(&S::highlightsPivot, through(colours, percent("highlights.pivot", "Highlights start", 40, 95, 66,
                                                                   "From which tone on the highlights count.")));
    all.emplace_back(&S::softness, through(colours, percent("softness", "Softness", 5, 50, 25,
                                                            "How gently the ranges pass into one another.")));
    return all;
}

} // namespace

const StageType& wheelsType() {
    using S = WheelsSettings;
    static const StageType type = stageType<S>({
        .id = "wheels",
        .name = "Wheels",
        .summary =
            "Pushes shadows, midtones and highlights each toward a colour of their own, and lifts or lowers them.",
        .parts = {Part::Look},
        .settings = wheelsSettings(),
        .isNeutral =
            [](const S& s) {
                return std::all_of(s.wheels.begin(), s.wheels.end(),
                                   [](const auto& wheel) { return wheel.amount == 0 && wheel.level == 0; });
            },
        .compile = wheelsKernel,
    });
    return type;
}

} // namespace baryton
#endif
