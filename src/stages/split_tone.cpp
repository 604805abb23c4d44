// Split tone: one colour into the shadows, another into the highlights. Formula in split_tone.h.
#include "stages/split_tone.h"
#include "stages/stage_type.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/split_tone.cpp"
#include <hwy/foreach_target.h>

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
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "stages/all_stages.h"
#include "stages/describe.h"

#include <algorithm>
#include <cmath>

namespace baryton {

HWY_EXPORT(RunSplitTone);

void SplitToneConstants::apply(double rgb[3]) const {
    const auto step = [](double start, double per, double v) {
        const double t = std::clamp((v - start) * per, 0.0, 1.0);
        return t * t * (3 - 2 * t);
    };
    const double y = luma(rgb[0], rgb[1], rgb[2]);
    double h = step(low, perWidth, y), s = 1 - h;
    if (holdEnds) {
        const double keep =
            step(0, 1 / double(endWidth), y) * (1 - step(1 - double(endWidth), 1 / double(endWidth), y));
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

const StageType& splitToneType() {
    using namespace describe;
    static const StageType type = {
        "split-tone",
        "Split tone",
        "Puts one colour into the shadows and another into the highlights.",
        {Part::Look},
        Footprint::Colour,
        {through({"shadows.amount"}, pullHue("shadows.hue", "Shadows hue", "The colour that goes into the shadows.")),
         percent("shadows.amount", "Shadows amount", 0, 100, 0, "How much of it."),
         through({"highlights.amount"},
                 pullHue("highlights.hue", "Highlights hue", "The colour that goes into the highlights.")),
         percent("highlights.amount", "Highlights amount", 0, 100, 0, "How much of it."),
         through({"shadows.amount", "highlights.amount"},
                 percent("balance", "Balance", -100, 100, 0,
                         "To the right the highlights' colour reaches further down.")),
         through({"shadows.amount", "highlights.amount"},
                 toggle("hold", "Hold black and white", "Leaves the very darkest and lightest tones neutral."))},
        [](const ParameterReader& p) {
            return p.number("shadows.amount") == 0 && p.number("highlights.amount") == 0;
        },
        [](const ParameterReader& p) {
            SplitToneConstants c;
            constexpr double half = 0.35;
            c.low = static_cast<float>(0.5 - 0.35 * p.number("balance") - half);
            c.perWidth = static_cast<float>(1 / (2 * half));
            c.holdEnds = p.toggle("hold");
            const auto push = [&](const std::string& range, float* out) {
                const Vec3 d = hueDirection(p.number(range + ".hue"));
                for (unsigned k = 0; k < 3; ++k)
                    out[k] = static_cast<float>(kSplitReach * p.number(range + ".amount") * d[k]);
            };
            push("shadows", c.shadows);
            push("highlights", c.highlights);
            constexpr double leastAllowed = 0.05;
            if (const double slope = c.leastSlope(); slope < leastAllowed) {
                const auto scale = static_cast<float>((1 - leastAllowed) / (1 - slope)); // without colour it is 1
                for (float* range : {c.shadows, c.highlights})
                    for (int k = 0; k < 3; ++k) range[k] *= scale;
            }
            Kernel kernel;
            kernel.constants = std::make_shared<SplitToneConstants>(c);
            kernel.run = [](const void* constants, const Block& block) {
                HWY_DYNAMIC_DISPATCH(RunSplitTone)(*static_cast<const SplitToneConstants*>(constants), block);
            };
            return kernel;
        },
        {},
    };
    return type;
}

} // namespace baryton
#endif
