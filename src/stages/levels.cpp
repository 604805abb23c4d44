// Levels: black, white and the middle of what comes in, and the limits of what goes out; for all channels, then each.
#include "stages/levels.h"
#include "stages/stage_type.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/levels.cpp"
#include <hwy/foreach_target.h>

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

HWY_INLINE V Level(const LevelsChannel& c, V v) {
    const V zero = hn::Zero(D()), one = Splat(1.0F);
    const V t = hn::Mul(hn::Sub(v, Splat(c.inBlack)), Splat(c.perIn));
    const V inside = hn::Min(hn::Max(t, zero), one);
    const V bent =
        hn::Mul(hn::Sub(Power(hn::Add(inside, Splat(static_cast<float>(LevelsChannel::kOffset))), c.exponent),
                        Splat(c.offsetPower)),
                Splat(c.perRange));
    V u = hn::MulAdd(hn::Min(t, zero), Splat(c.slope0), bent);
    u = hn::MulAdd(hn::Max(hn::Sub(t, one), zero), Splat(c.slope1), u);
    return Hold(hn::MulAdd(u, Splat(c.scale), Splat(c.shift)));
}

void RunLevels(const LevelsConstants& c, const Block& block) {
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        V* channels[3] = {&r, &g, &b};
        for (int k = 0; k < 3; ++k) {
            if (c.hasCommon) *channels[k] = Level(c.common, *channels[k]);
            if (c.hasChannel[k]) *channels[k] = Level(c.channel[k], *channels[k]);
        }
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"

#include <algorithm>
#include <cmath>

namespace baryton {

HWY_EXPORT(RunLevels);

LevelsChannel::LevelsChannel(double black, double gamma, double white, double outBlack, double outWhite) {
    constexpr double leastSpan = 0.2; // closer, a step of the input would jump
    inBlack = static_cast<float>(black);
    perIn = static_cast<float>(1 / std::max(white - black, leastSpan));
    const double p = 1 / gamma, range = std::pow(1 + kOffset, p) - std::pow(kOffset, p);
    exponent = static_cast<float>(p);
    offsetPower = static_cast<float>(std::pow(kOffset, p));
    perRange = static_cast<float>(1 / range);
    slope0 = static_cast<float>(p * std::pow(kOffset, p - 1) / range);
    slope1 = static_cast<float>(p * std::pow(1 + kOffset, p - 1) / range);
    scale = static_cast<float>(outWhite - outBlack);
    shift = static_cast<float>(outBlack);
}

double LevelsChannel::operator()(double v) const {
    const double t = (v - inBlack) * perIn, inside = std::clamp(t, 0.0, 1.0);
    const double u = (std::pow(inside + kOffset, double(exponent)) - offsetPower) * perRange +
                     std::min(t, 0.0) * slope0 + std::max(t - 1, 0.0) * slope1;
    return std::clamp(u * scale + shift, -double(kHeldRange), double(kHeldRange));
}

namespace {

struct Range {
    const char *id, *name, *what;
};
constexpr Range kRanges[] = {
    {"rgb", "RGB", "all channels"}, {"r", "Red", "red"}, {"g", "Green", "green"}, {"b", "Blue", "blue"}};

bool isPlain(const ParameterReader& p, const std::string& id) {
    return p.number(id + ".in.black") == 0 && p.number(id + ".gamma") == 1 && p.number(id + ".in.white") == 1 &&
           p.number(id + ".out.black") == 0 && p.number(id + ".out.white") == 1;
}

LevelsChannel channelOf(const ParameterReader& p, const std::string& id) {
    return {p.number(id + ".in.black"), p.number(id + ".gamma"), p.number(id + ".in.white"),
            p.number(id + ".out.black"), p.number(id + ".out.white")};
}

std::vector<ParameterType> levelsParameters() {
    using namespace describe;
    std::vector<ParameterType> all;
    for (const Range& range : kRanges) {
        const std::string id = range.id, name = range.name, of = std::string(" of ") + range.what;
        all.push_back(
            percent(id + ".in.black", name + " black in", 0, 80, 0, "What is darker" + of + " becomes black."));
        all.push_back(number(id + ".gamma", name + " gamma", 0.33, 3, 0.01, 1,
                             "Above 1 lightens the middle" + of + ", below darkens it."));
        all.push_back(
            percent(id + ".in.white", name + " white in", 20, 100, 100, "What is lighter" + of + " becomes white."));
        all.push_back(percent(id + ".out.black", name + " black out", 0, 100, 0,
                              "The darkest that comes out" + of + ": lifted, blacks turn matte."));
        all.push_back(
            percent(id + ".out.white", name + " white out", 0, 100, 100, "The lightest that comes out" + of + "."));
    }
    return all;
}

} // namespace

const StageType& levelsType() {
    static const StageType type = {
        "levels",
        "Levels",
        "Chooses what becomes black and white, where the middle lies, and how dark and light the result may be.",
        {Part::Look},
        Footprint::Colour,
        levelsParameters(),
        [](const ParameterReader& p) {
            return std::all_of(std::begin(kRanges), std::end(kRanges),
                               [&](const Range& r) { return isPlain(p, r.id); });
        },
        [](const ParameterReader& p) {
            LevelsConstants c;
            c.common = channelOf(p, "rgb");
            c.hasCommon = !isPlain(p, "rgb");
            for (std::size_t k = 0; k < 3; ++k) {
                c.channel[k] = channelOf(p, kRanges[k + 1].id);
                c.hasChannel[k] = !isPlain(p, kRanges[k + 1].id);
            }
            Kernel kernel;
            kernel.constants = std::make_shared<LevelsConstants>(c);
            kernel.run = [](const void* constants, const Block& block) {
                HWY_DYNAMIC_DISPATCH(RunLevels)(*static_cast<const LevelsConstants*>(constants), block);
            };
            return kernel;
        },
        {},
    };
    return type;
}

} // namespace baryton
#endif
