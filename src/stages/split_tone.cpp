// Split tone: one colour into the shadows, another into the highlights. Formula in split_tone.h.
#include "stages/split_tone.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/split_tone.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunSplitTone(const SplitToneConstants& c, const Block& block) {
    const V one = Splat(1.0F);
    constexpr float end = SplitToneConstants::endWidth;
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        const V y = Luma(r, g, b);
        V h = SmoothStep(y, c.low, c.perWidth), s = hn::Sub(one, h);
        if (c.holdEnds) {
            const V keep = hn::Mul(SmoothStep(y, 0, 1 / end), hn::Sub(one, SmoothStep(y, 1 - end, 1 / end)));
            h = hn::Mul(h, keep), s = hn::Mul(s, keep);
        }
        V* channels[3] = {&r, &g, &b};
        for (int k = 0; k < 3; ++k)
            *channels[k] =
                Hold(hn::MulAdd(h, Splat(c.highlights[k]), hn::MulAdd(s, Splat(c.shadows[k]), *channels[k])));
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

HWY_EXPORT(RunSplitTone);

void SplitToneConstants::apply(double rgb[3]) const {
    const double y = luma(rgb[0], rgb[1], rgb[2]);
    double h = smoothStep(y, low, perWidth), s = 1 - h;
    if (holdEnds) {
        constexpr double per = 1 / double(endWidth);
        const double keep = smoothStep(y, 0, per) * (1 - smoothStep(y, 1 - double(endWidth), per));
        h *= keep, s *= keep;
    }
    for (int k = 0; k < 3; ++k)
        rgb[k] = std::clamp(rgb[k] + s * shadows[k] + h * highlights[k], -double(kHeldRange), double(kHeldRange));
}

double SplitToneConstants::leastSlope() const {
    constexpr int steps = 512;
    double least = 1e9, before[3] = {};
    for (int i = 0; i <= steps; ++i) {
        double rgb[3];
        std::fill(std::begin(rgb), std::end(rgb), double(i) / steps);
        apply(rgb);
        for (int k = 0; k < 3; ++k) {
            if (i > 0) least = std::min(least, (rgb[k] - before[k]) * steps);
            before[k] = rgb[k];
        }
    }
    return least;
}

namespace {

struct SplitToneSettings {
    struct Colour {
        double hue = 0, amount = 0; ///< an angle of the vectorscope; 0…1
    } shadows, highlights;
    double balance = 0;
    bool holdsEnds = false;
};

Kernel splitToneKernel(const SplitToneSettings& s) {
    SplitToneConstants c;
    constexpr double half = 0.35;
    c.low = static_cast<float>(0.5 - 0.35 * s.balance - half);
    c.perWidth = static_cast<float>(1 / (2 * half));
    c.holdEnds = s.holdsEnds;
    const auto push = [](const SplitToneSettings::Colour& colour, float* out) {
        const Vec3 d = hueDirection(colour.hue);
        for (unsigned k = 0; k < 3; ++k) out[k] = static_cast<float>(kSplitReach * colour.amount * d[k]);
    };
    push(s.shadows, c.shadows);
    push(s.highlights, c.highlights);
    constexpr double leastAllowed = 0.05;
    if (const double slope = c.leastSlope(); slope < leastAllowed) {
        const auto scale = static_cast<float>((1 - leastAllowed) / (1 - slope)); // without colour it is 1
        for (float* range : {c.shadows, c.highlights})
            for (int k = 0; k < 3; ++k) range[k] *= scale;
    }
    return kernelOf(Domain::Encoded, c, [](const auto& k, const Block& block) {
        HWY_DYNAMIC_DISPATCH(RunSplitTone)(k, block);
    });
}

} // namespace

const StageType& splitToneType() {
    using namespace describe;
    using S = SplitToneSettings;
    const std::vector<std::string> amounts = {"shadows.amount", "highlights.amount"};
    static const StageType type = stageType<S>({
        .id = "split-tone",
        .name = "Split tone",
        .summary = "Puts one colour into the shadows and another into the highlights.",
        .parts = {Part::Look},
        .settings =
            {{[](S& s) -> double& { return s.shadows.hue; },
              through({"shadows.amount"},
                      pullHue("shadows.hue", "Shadows hue", "The colour that goes into the shadows."))},
             {[](S& s) -> double& { return s.shadows.amount; },
              percent("shadows.amount", "Shadows amount", 0, 100, 0, "How much of it.")},
             {[](S& s) -> double& { return s.highlights.hue; },
              through({"highlights.amount"},
                      pullHue("highlights.hue", "Highlights hue", "The colour that goes into the highlights."))},
             {[](S& s) -> double& { return s.highlights.amount; },
              percent("highlights.amount", "Highlights amount", 0, 100, 0, "How much of it.")},
             {&S::balance, through(amounts, percent("balance", "Balance", -100, 100, 0,
                                                    "To the right the highlights' colour reaches further down."))},
             {&S::holdsEnds, through(amounts, toggle("hold", "Hold black and white",
                                                     "Leaves the very darkest and lightest tones neutral."))}},
        .isNeutral = [](const S& s) { return s.shadows.amount == 0 && s.highlights.amount == 0; },
        .compile = splitToneKernel,
    });
    return type;
}

} // namespace baryton
#endif
