// Bars: the frame outside a ratio filled with one colour. The opening is the largest of the ratio that the frame
// holds, moved along the side that is left; its edges are averaged over the pixels that they cross, in linear light,
// so that a smaller view shows what a smaller file has.
#include "stages/bars.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/bars.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

#include <algorithm>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// `open` of the picture across, from left to right in fractions of the frame's width, times `rows` of it for the
/// row.
void RunBars(const BarsConstants& c, float left, float right, float rows, const Block& block) {
    const D d;
    const V zero = hn::Zero(d), one = Splat(1.0F);
    const V perPixel = Splat(1 / std::max(block.dx, BarsConstants::kLeastPixel)), half = Splat(0.5F);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t i) {
        const V x = hn::MulAdd(hn::Iota(d, block.first + static_cast<float>(i)), Splat(block.dx), Splat(block.x));
        const V fromLeft = hn::MulAdd(hn::Sub(x, Splat(left)), perPixel, half);
        const V toRight = hn::MulAdd(hn::Sub(Splat(right), x), perPixel, half);
        const V open = hn::Mul(hn::Mul(hn::Min(hn::Max(fromLeft, zero), one), hn::Min(hn::Max(toRight, zero), one)),
                               Splat(rows));
        if (hn::AllTrue(d, hn::Ge(open, one))) return; // not a bit is changed there
        const auto isOpen = hn::Ge(open, one);
        const auto laid = [&](V v, float colour) {
            const V light = hn::MulAdd(open, hn::Sub(ToLinear(v), Splat(colour)), Splat(colour));
            return hn::IfThenElse(isOpen, v, ToEncoded(light));
        };
        r = laid(r, c.colour[0]), g = laid(g, c.colour[1]), b = laid(b, c.colour[2]);
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "colour/spaces.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/ratios.h"
#include "stages/settings.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

HWY_EXPORT(RunBars);

namespace {

/// The choices of "ratio" that stand before those of aspectRatios().
enum : std::size_t { kNone, kOwn, kNamed };

struct BarsSettings {
    std::size_t ratio = kNone;
    double proportions = 2, place = 0.5;
    double lightness = 0, hue = 0, tint = 0; ///< 0…1; degrees; 0…1

    double opening() const {
        return ratio == kNone ? 0 : ratio == kOwn ? proportions : aspectRatios()[ratio - kNamed].proportions;
    }
};

/// How much of one row (or column) between a and b lies in the opening.
float covered(double middle, double size, double low, double high) {
    const double from = std::max(middle - size / 2, low), to = std::min(middle + size / 2, high);
    // The last bit of a float's place is no bar.
    constexpr double hair = 1e-3;
    const double share = (to - from) / size;
    return static_cast<float>(share > 1 - hair ? 1 : std::max(share, 0.0));
}

void runBars(const void* constants, const Block& block) {
    const auto& c = *static_cast<const BarsConstants*>(constants);
    const double aspect = block.aspect;
    double left = 0, right = 1, top = 0, bottom = 1;
    if (aspect > c.proportions) {
        const double width = c.proportions / aspect;
        left = (1 - width) * c.place, right = left + width;
    } else {
        const double height = aspect / c.proportions;
        top = (1 - height) * c.place, bottom = top + height;
    }
    const double pixelHeight = std::max(block.dx, BarsConstants::kLeastPixel) * aspect; // pixels are square
    // The frame's own edges are no edges of the opening.
    constexpr double beyond = 1;
    const float rows = covered(block.y, pixelHeight, top > 0 ? top : -beyond, bottom < 1 ? bottom : 1 + beyond);
    HWY_DYNAMIC_DISPATCH(RunBars)
    (c, static_cast<float>(left > 0 ? left : -beyond), static_cast<float>(right < 1 ? right : 1 + beyond), rows,
     block);
}

Kernel barsKernel(const BarsSettings& s) {
    BarsConstants c;
    c.proportions = s.opening();
    c.place = s.place;
    constexpr double mostChroma = 0.15;
    const double angle = s.hue * std::numbers::pi / 180, chroma = s.tint * mostChroma;
    const Vec3 colour = linearFromOklab({s.lightness, chroma * std::cos(angle), chroma * std::sin(angle)});
    for (std::size_t k = 0; k < 3; ++k)
        c.colour[k] = static_cast<float>(std::clamp(s.tint == 0 ? std::pow(s.lightness, 3) : colour[k], 0.0, 1.0));
    Kernel kernel;
    kernel.domain = Domain::Encoded;
    kernel.constants = std::make_shared<const BarsConstants>(c);
    kernel.run = runBars;
    return kernel;
}

} // namespace

const StageType& barsType() {
    using namespace describe;
    using S = BarsSettings;
    std::vector<ParameterType::Option> ratios{{"none", "No bars"}, {"own", "Own"}};
    for (const AspectRatio& each : aspectRatios()) ratios.push_back({each.id, each.name});
    static const StageType type = stageType<S>({
        .id = "bars",
        .name = "Bars",
        .summary = "Covers what lies outside a ratio with one colour; the size of the picture stays.",
        .parts = {Part::Finish},
        .footprint = Footprint::Place,
        .settings = {{&S::ratio, choice("ratio", "Ratio", std::move(ratios), "Width to height of what stays open.")},
                     {&S::proportions, onlyWith("ratio", "own",
                                                number("proportions", "Proportions", 0.1, 10, 0.01, 2,
                                                       "Width over height, where the ratio is an own one."))},
                     {&S::place,
                      through({"ratio"}, percent("place", "Place", 0, 100, 50,
                                                 "Where the opening lies: at 0 at the left or the top, so that "
                                                 "one broad bar is left for a title."))},
                     {&S::lightness, through({"ratio"}, percent("lightness", "Lightness", 0, 100, 0,
                                                                "How light the bars are; 0 is black, 100 white."))},
                     {&S::hue, through({"tint"}, hue("hue", "Hue", "The colour of the bars."))},
                     {&S::tint,
                      through({"ratio"}, percent("tint", "Tint", 0, 100, 0, "How much of that colour they have."))}},
        .isNeutral = [](const S& s) { return s.ratio == kNone; },
        .compile = barsKernel,
        .starters = {{"ratio", std::string("2.39:1")}},
    });
    return type;
}

} // namespace baryton
#endif
