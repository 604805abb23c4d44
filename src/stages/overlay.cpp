// Overlay: a picture laid over the frame. Formulas in overlay.h.
#include "stages/overlay.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/overlay.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/blend-inl.h"
#include "stages/overlay_samples-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// How much of a pixel lies between the edges 0 and `size` of the raster, along one of its axes.
HWY_INLINE V Inside(V at, float size, V perPixel) {
    const V zero = hn::Zero(D()), one = Splat(1.0F), half = Splat(0.5F);
    const V fromLow = hn::Min(hn::Max(hn::MulAdd(at, perPixel, half), zero), one);
    const V toHigh = hn::Min(hn::Max(hn::MulAdd(hn::Sub(Splat(size), at), perPixel, half), zero), one);
    return hn::Mul(fromLow, toHigh);
}

template <bool hasAlpha, class Samples>
HWY_INLINE void Lay(const OverlayConstants& c, const Block& block) {
    const D d;
    const auto width = static_cast<float>(c.raster->width), height = static_cast<float>(c.raster->height);
    // What a float loses of a place is no edge.
    constexpr float hair = 1e-2F;
    const V perPixel = Splat(1 / c.pixel), tenBits = Splat(1 / OverlayRaster::kMost), one = Splat(1.0F);
    const float dy = block.y * c.perHeight - c.middleY;
    const V fromU = Splat(width / 2 + dy * c.uY), fromV = Splat(height / 2 + dy * c.vY);
    const Samples samplesAt(c, block);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t i) {
        const V column = hn::Iota(d, block.first + static_cast<float>(i));
        const V x =
            hn::MulAdd(hn::MulAdd(column, Splat(block.dx), Splat(block.x)), Splat(c.perWidth), Splat(-c.middleX));
        const V u = hn::MulAdd(x, Splat(c.uX), fromU), v = hn::MulAdd(x, Splat(c.vX), fromV);
        V cover = hn::Mul(Inside(u, width, perPixel), Inside(v, height, perPixel));
        cover = hn::IfThenElse(hn::Ge(cover, Splat(1 - hair)), one, cover);
        if (hn::AllTrue(d, hn::Le(cover, Splat(hair)))) return; // not a bit is changed there
        const V atU = hn::Sub(hn::Min(hn::Max(u, hn::Zero(d)), Splat(width)), Splat(0.5F));
        const V atV = hn::Sub(hn::Min(hn::Max(v, hn::Zero(d)), Splat(height)), Splat(0.5F));
        const RasterSamples<hasAlpha> samples = samplesAt(atU, atV);
        Colour upper = Each([&](int k) { return hn::Mul(samples.colours[k].held(), tenBits); });
        V share = cover;
        if constexpr (hasAlpha) {
            const V opaque = samples.alpha.held();
            const V per = hn::Div(one, hn::Max(opaque, Splat(1e-4F)));
            upper = Each([&](int k) { return hn::Min(hn::Mul(Channel(upper, k), per), one); });
            share = hn::Mul(cover, opaque);
        }
        const Colour out = Blended(c.blend, {r, g, b}, upper);
        r = Hold(Mixed(r, out.r, share)), g = Hold(Mixed(g, out.g, share)), b = Hold(Mixed(b, out.b, share));
    });
}

template <bool hasAlpha>
HWY_INLINE void LayEither(const OverlayConstants& c, const Block& block) {
    if (c.vX == 0 && std::abs(c.uX) <= SamplesAlong<hasAlpha>::kMostStep)
        Lay<hasAlpha, SamplesAlong<hasAlpha>>(c, block);
    else
        Lay<hasAlpha, SamplesAround<hasAlpha>>(c, block);
}

void LayOpaque(const OverlayConstants& c, const Block& block) {
    LayEither<false>(c, block);
}
void LayTransparent(const OverlayConstants& c, const Block& block) {
    LayEither<true>(c, block);
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

HWY_EXPORT(LayOpaque);
HWY_EXPORT(LayTransparent);

namespace {

struct OverlaySettings {
    PictureContent picture;
    BlendMode blend = BlendMode::Screen;
    double scale = 1, turn = 0, x = 0, y = 0; ///< of what covers the frame; degrees; fractions of the frame
    bool mirror = false;
    double blurLength = 0, blurAngle = 0; ///< thousandths of the long side; degrees
};

constexpr double kPerDegree = std::numbers::pi / 180;

/// The overlay's width in units of the frame's height.
double widthIn(const OverlaySettings& s, const OverlayShape& own, double aspect) {
    return std::max(aspect, double(own.width) / own.height) * s.scale;
}

/// The raster's own size for a view in which the overlay is `width` pixels wide: made smaller exactly, so that each
/// of its pixels is one of the view's; while a control moves, by halves, which are at hand for the next frame.
OverlayShape shapeFor(const OverlaySettings& s, const OverlayShape& own, double width, bool isMoving) {
    if (width >= own.width) return own;
    const double by = width / own.width;
    const OverlayShape exact{std::max(1, static_cast<int>(std::lround(width))),
                             std::max(1, static_cast<int>(std::lround(own.height * by)))};
    if (!isMoving || (s.blurLength == 0 && keptOverlayRaster(s.picture, exact))) return exact;
    // Blurred anew with every frame, and softer for it: half as many pixels along a side do.
    const double wanted = s.blurLength > 0 ? width / 2 : width;
    OverlayShape half = own;
    while (half.width * 0.7 > wanted && half.width > 1)
        half.width = (half.width + 1) / 2, half.height = (half.height + 1) / 2;
    return half;
}

Kernel overlayKernel(const OverlaySettings& s, const PixelColumns& columns) {
    const OverlayShape own = overlaySize(s.picture);
    Kernel nothing = kernelOf(Domain::Encoded, 0, [](const int&, const Block&) {});
    if (own.width == 0) return nothing;
    const double frameWidth = 1 / columns.dx, frameHeight = frameWidth / columns.aspect;
    const double width = widthIn(s, own, columns.aspect) * frameHeight;
    OverlayShape shape = shapeFor(s, own, width, columns.isMoving);
    OverlayConstants c;
    const double pixel = shape.width / width, mirror = s.mirror ? -1 : 1;
    if (s.blurLength > 0) {
        shape.blurLength = s.blurLength / 1000 * std::max(frameWidth, frameHeight) * pixel;
        shape.blurAngle = mirror * (s.blurAngle - s.turn) * kPerDegree;
    }
    c.raster = overlayRaster(s.picture, shape);
    if (!c.raster) return nothing;
    const double cosine = std::cos(s.turn * kPerDegree) * pixel, sine = std::sin(s.turn * kPerDegree) * pixel;
    c.blend = s.blend;
    c.perWidth = static_cast<float>(frameWidth), c.perHeight = static_cast<float>(frameHeight);
    c.middleX = static_cast<float>((0.5 + s.x) * frameWidth);
    c.middleY = static_cast<float>((0.5 + s.y) * frameHeight);
    c.uX = static_cast<float>(mirror * cosine), c.uY = static_cast<float>(mirror * sine);
    c.vX = static_cast<float>(-sine), c.vY = static_cast<float>(cosine);
    c.pixel = static_cast<float>(pixel);
    return kernelOf(Domain::Encoded, std::move(c), [](const auto& k, const Block& block) {
        if (k.raster->alpha.empty())
            HWY_DYNAMIC_DISPATCH(LayOpaque)(k, block);
        else
            HWY_DYNAMIC_DISPATCH(LayTransparent)(k, block);
    });
}

SettingList<OverlaySettings> overlaySettings() {
    using namespace describe;
    using S = OverlaySettings;
    ParameterType blend =
        choice("blend", "Blend", blendModes(), "How the overlay's colours are laid over the picture.");
    blend.defaultValue = std::string("screen"); // what is laid over most, light on black, needs no mask in it
    return {
        {&S::picture, picture("picture", "Picture", "The picture that is laid over; it goes along in presets.")},
        {&S::blend, through({"picture"}, std::move(blend))},
        {&S::scale, through({"picture"}, percent("scale", "Size", 5, 400, 100,
                                                 "How large it is; at 100 it just covers the frame."))},
        {&S::turn, through({"picture"}, number("turn", "Turn", -180, 180, 1, 0,
                                               "Turns it about its middle, clockwise to the right.", Unit::Degrees))},
        {&S::x, through({"picture"}, percent("shift.x", "Across", -100, 100, 0,
                                             "How far it lies right of the frame's middle; at 50 its own "
                                             "middle stands on the edge."))},
        {&S::y, through({"picture"}, percent("shift.y", "Down", -100, 100, 0,
                                             "How far it lies below the frame's middle; at 50 its own "
                                             "middle stands on the edge."))},
        {&S::mirror, through({"picture"}, toggle("mirror", "Mirror", "Left and right change places in it."))},
        {&S::blurLength, through({"picture"}, number("blur.length", "Motion blur", 0, 200, 1, 0,
                                                     "Smears it along a line, in thousandths of the frame's "
                                                     "long side.",
                                                     Unit::PerMille))},
        {&S::blurAngle,
         through({"blur.length"}, number("blur.angle", "Direction", -90, 90, 1, 0,
                                         "Along which line: at 0 across the frame, at 90 down it.", Unit::Degrees))}};
}

} // namespace

BlendMode likelyBlend(const PictureContent& picture) {
    const OverlayShape own = overlaySize(picture);
    constexpr int small = 64;
    const double by = std::min(1.0, double(small) / std::max({own.width, own.height, 1}));
    const auto raster = overlayRaster(
        picture, {std::max(1, static_cast<int>(own.width * by)), std::max(1, static_cast<int>(own.height * by))});
    if (!raster) return BlendMode::Screen;
    if (!raster->alpha.empty()) return BlendMode::Normal;
    double sum = 0;
    for (const std::uint32_t word : raster->colours)
        sum += 0.2126 * (word & 1023U) + 0.7152 * (word >> 10U & 1023U) + 0.0722 * (word >> 20U);
    const int rows = raster->height + 2 * OverlayRaster::kBorder; // what lies behind them is 0
    const double mean = sum / (static_cast<double>(raster->stride) * rows * OverlayRaster::kMost);
    constexpr double dark = 0.35, light = 0.65;
    return mean < dark ? BlendMode::Screen : mean > light ? BlendMode::Multiply : BlendMode::SoftLight;
}

OverlayPlace overlayPlace(const Stage& stage, double aspect) {
    static const auto list = overlaySettings();
    const OverlaySettings s = readSettings(list, stage);
    const OverlayShape own = overlaySize(s.picture);
    OverlayPlace place;
    place.centreX = (0.5 + s.x) * aspect, place.centreY = 0.5 + s.y;
    place.turn = s.turn * kPerDegree;
    if (own.width == 0) return place;
    place.width = widthIn(s, own, aspect), place.height = place.width * own.height / own.width;
    return place;
}

const StageType& overlayType() {
    using S = OverlaySettings;
    static const StageType type = stageType<S>({
        .id = kOverlayType,
        .name = "Overlay",
        .summary = "Lays another picture over this one: steam, dust, paper, a light that fell into the lens.",
        .parts = {Part::Look, Part::Finish},
        .footprint = Footprint::Place,
        .settings = overlaySettings(),
        .isNeutral = [](const S& s) { return !s.picture.encoded; },
        .compileForPixels = overlayKernel,
        .lateDomain = Domain::Encoded,
    });
    return type;
}

} // namespace baryton
#endif
