// Fill: one colour, or a gradient between two, in place of the picture; what is seen of the picture is up to the
// layer's blend mode, mask and strength.
//
//     t = ((x − ½) aspect sin a + (y − ½) cos a) / (aspect |sin a| + |cos a|) + ½      0…1 from corner to corner
//     c = c₁ + (c₂ − c₁) clamp((t − start) / (end − start), 0, 1)                      in the working encoding
//
// Colours are given in OKLCh and held to sRGB.
#include "stages/fill.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/fill.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

#include <cmath>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunFill(const FillConstants& c, const Block& block) {
    const D d;
    const V zero = hn::Zero(d), one = Splat(1.0F);
    const float across = block.aspect * c.sinTurn;
    const float whole = std::abs(across) + std::abs(c.cosTurn);
    const float row = (block.y - 0.5F) * c.cosTurn / whole + 0.5F;
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t i) {
        const V column = hn::Iota(d, block.first + static_cast<float>(i));
        const V x = hn::MulAdd(column, Splat(block.dx), Splat(block.x - 0.5F));
        const V t = hn::MulAdd(x, Splat(across / whole), Splat(row));
        const V part = hn::Min(hn::Max(hn::Mul(hn::Sub(t, Splat(c.start)), Splat(c.perLength)), zero), one);
        r = hn::MulAdd(part, Splat(c.way[0]), Splat(c.from[0]));
        g = hn::MulAdd(part, Splat(c.way[1]), Splat(c.from[1]));
        b = hn::MulAdd(part, Splat(c.way[2]), Splat(c.from[2]));
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
#include "stages/settings.h"

#include <algorithm>
#include <numbers>

namespace baryton {

HWY_EXPORT(RunFill);

namespace {

enum : std::size_t { kNoFill, kOneColour, kGradient };

struct FillSettings {
    std::size_t fill = kNoFill;
    double lightness = 0.6, hue = 60, chroma = 0.3;        ///< 0…1; degrees; of the most chroma
    double toLightness = 0.3, toHue = 250, toChroma = 0.3; ///< the second colour
    double turn = 0, start = 0, end = 1;                   ///< degrees; of the way from corner to corner
};

Vec3 fillColour(double lightness, double hue, double chroma) {
    constexpr double mostChroma = 0.2;
    const double angle = hue * std::numbers::pi / 180, c = chroma * mostChroma;
    const Vec3 linear = linearFromOklab({lightness, c * std::cos(angle), c * std::sin(angle)});
    Vec3 encoded;
    for (std::size_t k = 0; k < 3; ++k) encoded[k] = linearToSrgb(std::clamp(linear[k], 0.0, 1.0));
    return encoded;
}

Kernel fillKernel(const FillSettings& s) {
    FillConstants c;
    const Vec3 first = fillColour(s.lightness, s.hue, s.chroma);
    const Vec3 second = s.fill == kGradient ? fillColour(s.toLightness, s.toHue, s.toChroma) : first;
    for (std::size_t k = 0; k < 3; ++k)
        c.from[k] = static_cast<float>(first[k]), c.way[k] = static_cast<float>(second[k] - first[k]);
    const double turn = s.turn * std::numbers::pi / 180;
    c.sinTurn = static_cast<float>(std::sin(turn)), c.cosTurn = static_cast<float>(std::cos(turn));
    constexpr double least = 0.001; // an edge, where both ends lie together
    const double length = s.end - s.start;
    c.start = static_cast<float>(s.start);
    c.perLength = static_cast<float>(1 / (std::abs(length) < least ? least : length));
    return kernelOf(Domain::Encoded, c, [](const auto& k, const Block& block) {
        HWY_DYNAMIC_DISPATCH(RunFill)(k, block);
    });
}

} // namespace

const StageType& fillType() {
    using namespace describe;
    using S = FillSettings;
    const std::vector<std::string> any = {"fill"};
    const auto second = [](ParameterType type) { return onlyWith("fill", "gradient", std::move(type)); };
    static const StageType type = stageType<S>({
        .id = "fill",
        .name = "Fill",
        .summary =
            "Puts a colour or a gradient in the picture's place; the layer's blend mode, mask and strength say "
            "what is seen of it.",
        .parts = {Part::Look},
        .footprint = Footprint::Place,
        .settings = {{&S::fill, choice("fill", "Fill",
                                       {{"none", "Nothing"}, {"colour", "One colour"}, {"gradient", "Gradient"}},
                                       "What stands in the picture's place.")},
                     {&S::lightness, through(any, percent("lightness", "Lightness", 0, 100, 60, "Of the colour."))},
                     {&S::hue, through(any, hueFrom("hue", "Hue", 60, "Of the colour."))},
                     {&S::chroma, through(any, percent("chroma", "Chroma", 0, 100, 30, "How colourful it is."))},
                     {&S::toLightness, second(percent("to.lightness", "Second lightness", 0, 100, 30,
                                                      "Of the colour at the gradient's other end."))},
                     {&S::toHue, second(hueFrom("to.hue", "Second hue", 250, "Of the second colour."))},
                     {&S::toChroma,
                      second(percent("to.chroma", "Second chroma", 0, 100, 30, "How colourful the second one is."))},
                     {&S::turn,
                      second(number("turn", "Turn", -180, 180, 1, 0,
                                    "Which way the gradient goes: 0 is down, 90 to the right.", Unit::Degrees))},
                     {&S::start, second(percent("start", "Start", 0, 100, 0, "Where it leaves the first colour."))},
                     {&S::end, second(percent("end", "End", 0, 100, 100, "Where it reaches the second colour."))}},
        .isNeutral = [](const S& s) { return s.fill == kNoFill; },
        .compile = fillKernel,
        .starters = {{"fill", std::string("colour")}},
    });
    return type;
}

} // namespace baryton
#endif
