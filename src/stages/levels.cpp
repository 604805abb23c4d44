// Levels: black, white and the middle of what comes in, and the limits of what goes out; for all channels, then each.
#include "stages/levels.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/levels.cpp"
#include <hwy/foreach_target.h>
#endif

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
#include "stages/settings.h"

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

struct LevelsSettings {
    struct Range {
        double inBlack = 0, gamma = 1, inWhite = 1, outBlack = 0, outWhite = 1;

        bool operator==(const Range&) const = default;
        bool isPlain() const { return *this == Range(); }
        LevelsChannel channel() const { return {inBlack, gamma, inWhite, outBlack, outWhite}; }
    };
    std::array<Range, 4> ranges; ///< all channels, red, green, blue
};

SettingList<LevelsSettings> levelsSettings() {
    using namespace describe;
    using Range = LevelsSettings::Range;
    constexpr struct {
        const char *id, *name, *what;
    } ranges[] = {
        {"rgb", "RGB", "all channels"}, {"r", "Red", "red"}, {"g", "Green", "green"}, {"b", "Blue", "blue"}};
    SettingList<LevelsSettings> all;
    for (std::size_t i = 0; i < std::size(ranges); ++i) {
        const std::string id = ranges[i].id, name = ranges[i].name, of = std::string(" of ") + ranges[i].what;
        const auto add = [&](double Range::*member, ParameterType type) {
            all.emplace_back(entry(&LevelsSettings::ranges, i, member), std::move(type));
        };
        add(&Range::inBlack,
            percent(id + ".in.black", name + " black in", 0, 80, 0, "What is darker" + of + " becomes black."));
        add(&Range::gamma, number(id + ".gamma", name + " gamma", 0.33, 3, 0.01, 1,
                                  "Above 1 lightens the middle" + of + ", below darkens it."));
        add(&Range::inWhite,
            percent(id + ".in.white", name + " white in", 20, 100, 100, "What is lighter" + of + " becomes white."));
        add(&Range::outBlack, percent(id + ".out.black", name + " black out", 0, 100, 0,
                                      "The darkest that comes out" + of + ": lifted, blacks turn matte."));
        add(&Range::outWhite,
            percent(id + ".out.white", name + " white out", 0, 100, 100, "The lightest that comes out" + of + "."));
    }
    return all;
}

Kernel levelsKernel(const LevelsSettings& s) {
    LevelsConstants c;
    c.common = s.ranges[0].channel();
    c.hasCommon = !s.ranges[0].isPlain();
    for (std::size_t k = 0; k < 3; ++k) {
        c.channel[k] = s.ranges[k + 1].channel();
        c.hasChannel[k] = !s.ranges[k + 1].isPlain();
    }
    return kernelOf(Domain::Encoded, c, [](const auto& k, const Block& block) {
        HWY_DYNAMIC_DISPATCH(RunLevels)(k, block);
    });
}

} // namespace

const StageType& levelsType() {
    using S = LevelsSettings;
    static const StageType type = stageType<S>({
        .id = "levels",
        .name = "Levels",
        .summary =
            "Chooses what becomes black and white, where the middle lies, and how dark and light the result may be.",
        .parts = {Part::Look},
        .settings = levelsSettings(),
        .isNeutral =
            [](const S& s) {
                return std::all_of(s.ranges.begin(), s.ranges.end(), [](const auto& r) { return r.isPlain(); });
            },
        .compile = levelsKernel,
    });
    return type;
}

} // namespace baryton
#endif
