// Wheels: a colour and a level for shadows, midtones, highlights and the whole. Formula in wheels.h.
#include "stages/wheels.h"
#include "stages/stage_type.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/wheels.cpp"
#include <hwy/foreach_target.h>

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
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "stages/all_stages.h"
#include "stages/describe.h"

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
    const auto step = [&](double low) {
        const double t = std::clamp((y - low) * perWidth, 0.0, 1.0);
        return t * t * (3 - 2 * t);
    };
    h = step(highlightLow);
    s = 1 - step(shadowLow);
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

WheelsConstants wheelsConstants(const ParameterReader& p) {
    WheelsConstants c;
    c.lift = static_cast<float>(kLiftReach * p.number("shadows.level"));
    c.bend = static_cast<float>(kBendReach * p.number("midtones.level"));
    c.gain = static_cast<float>(kGainReach * p.number("highlights.level"));
    c.offset = static_cast<float>(kOffsetReach * p.number("whole.level"));
    const double k = p.number("softness");
    // Highlights never start before shadows end: the weights stay between 0 and 1.
    const double shadowPivot = p.number("shadows.pivot"),
                 highlightPivot = std::max(p.number("highlights.pivot"), shadowPivot);
    c.shadowLow = static_cast<float>(shadowPivot - k);
    c.highlightLow = static_cast<float>(highlightPivot - k);
    c.perWidth = static_cast<float>(1 / (2 * k));

    const auto push = [&](const std::string& range, float* out) {
        const Vec3 d = hueDirection(p.number(range + ".hue"));
        for (unsigned i = 0; i < 3; ++i)
            out[i] = static_cast<float>(kWheelReach * p.number(range + ".amount") * d[i]);
    };
    const double plain = c.leastSlope(); // tones alone: 0.09 at the least
    push("shadows", c.shadows);
    push("midtones", c.midtones);
    push("highlights", c.highlights);
    push("whole", c.whole);
    // Slopes are linear in the colours' common scale at every grey: full scale and none give the scale that just
    // holds.
    constexpr double leastAllowed = 0.05;
    if (const double slope = c.leastSlope(); slope < leastAllowed) {
        const auto scale = static_cast<float>((plain - leastAllowed) / (plain - slope));
        for (float* range : {c.shadows, c.midtones, c.highlights})
            for (int i = 0; i < 3; ++i) range[i] *= scale;
    }
    return c;
}

std::vector<ParameterType> wheelsParameters() {
    using namespace describe;
    std::vector<ParameterType> all;
    const struct {
        const char *id, *name, *where, *level;
    } ranges[] = {
        {"shadows", "Shadows", "the dark tones", "Lifts or deepens the dark tones; white stays."},
        {"midtones", "Midtones", "the middle tones", "Lightens or darkens the middle tones; black and white stay."},
        {"highlights", "Highlights", "the light tones", "Lightens or darkens the light tones; black stays."},
        {"whole", "Whole", "all tones", "Moves all tones up or down alike."},
    };
    for (const auto& range : ranges) {
        const std::string id = range.id, name = range.name;
        all.push_back(through({id + ".amount"},
                              pullHue(id + ".hue", name + " hue",
                                      std::string("The colour that ") + range.where + " are pushed toward.")));
        all.push_back(percent(id + ".amount", name + " amount", 0, 100, 0,
                              std::string("How far ") + range.where + " are pushed toward the hue."));
        all.push_back(percent(id + ".level", name + " level", -100, 100, 0, range.level));
    }
    const std::vector<std::string> colours = {"shadows.amount", "midtones.amount", "highlights.amount"};
    all.push_back(through(
        colours, percent("shadows.pivot", "Shadows reach", 5, 60, 33, "Up to which tone the shadows reach.")));
    all.push_back(through(colours, percent("highlights.pivot", "Highlights start", 40, 95, 66,
                                           "From which tone on the highlights count.")));
    all.push_back(
        through(colours, percent("softness", "Softness", 5, 50, 25, "How gently the ranges pass into one another.")));
    return all;
}

} // namespace

const StageType& wheelsType() {
    static const StageType type = {
        "wheels",
        "Wheels",
        "Pushes shadows, midtones and highlights each toward a colour of their own, and lifts or lowers them.",
        {Part::Look},
        Footprint::Colour,
        wheelsParameters(),
        [](const ParameterReader& p) {
            for (const std::string range : {"shadows", "midtones", "highlights", "whole"})
                if (p.number(range + ".amount") != 0 || p.number(range + ".level") != 0) return false;
            return true;
        },
        [](const ParameterReader& p) {
            Kernel kernel;
            kernel.constants = std::make_shared<WheelsConstants>(wheelsConstants(p));
            kernel.run = [](const void* constants, const Block& block) {
                HWY_DYNAMIC_DISPATCH(RunWheels)(*static_cast<const WheelsConstants*>(constants), block);
            };
            return kernel;
        },
    };
    return type;
}

} // namespace baryton
#endif
