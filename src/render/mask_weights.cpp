#include "render/mask_weights.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "render/mask_weights.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

#include "base/parallel.h"
#include "grade/mask_moves.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <numbers>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// Lays a shape's own weights over those ahead of it.
HWY_INLINE void LayOver(const ReadiedWay& way, V shape, float* weights) {
    const D d;
    const V own = hn::MulAdd(Splat(way.sign), shape, Splat(way.offset)), before = hn::LoadU(d, weights);
    const V share = hn::MulAdd(Splat(way.perOwn), own, Splat(way.kept));
    hn::StoreU(hn::MulAdd(before, share, hn::Mul(Splat(way.added), own)), d, weights);
}

/// Which kind it is, is no condition within the loop: a vector chosen by one is miscompiled (docs/architecture.md).
template <bool kIsRamp>
HWY_INLINE void Weigh(const ReadiedForm& s, const ReadiedWay& way, const float* x, const float* y, std::size_t count,
                      float* weights) {
    const D d;
    const V zero = hn::Zero(d), one = Splat(1.0F);
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const V px = hn::LoadU(d, x + i), py = hn::LoadU(d, y + i);
        const V u = hn::MulAdd(Splat(s.ux), px, hn::MulAdd(Splat(s.uy), py, Splat(s.u0)));
        const V shape = [&] {
            if constexpr (kIsRamp) {
                const V t = hn::Min(hn::Max(u, zero), one);
                const V inner = hn::MulAdd(t, hn::MulAdd(t, Splat(6.0F), Splat(-15.0F)), Splat(10.0F));
                return hn::NegMulAdd(hn::Mul(t, hn::Mul(t, t)), inner, one);
            } else {
                const V v = hn::MulAdd(Splat(s.vx), px, hn::MulAdd(Splat(s.vy), py, Splat(s.v0)));
                const V r = hn::Sqrt(hn::MulAdd(u, u, hn::Mul(v, v)));
                return hn::Sub(one, SmoothStep(r, s.inner, s.perFade));
            }
        }();
        LayOver(way, shape, weights + i);
    }
}

void WeighForm(const ReadiedForm& s, const ReadiedWay& way, const float* x, const float* y, std::size_t count,
               float* weights) {
    if (s.isRamp)
        Weigh<true>(s, way, x, y, count, weights);
    else
        Weigh<false>(s, way, x, y, count, weights);
}

void WeighOwn(const float* own, const ReadiedWay& way, std::size_t count, float* weights) {
    const D d;
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) LayOver(way, hn::LoadU(d, own + i), weights + i);
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace baryton {

HWY_EXPORT(WeighForm);
HWY_EXPORT(WeighOwn);

namespace {

/// Where a frame bends, places are worked out for every so many columns, counted from the frame's first, and lie
/// evenly between them: within 0.01 px.
constexpr int kKnot = 16;
/// Pixels are weighed in pieces: what a few shapes need for them stays in the first cache.
constexpr std::size_t kPiece = 512;

} // namespace

namespace {

ReadiedForm readied(const MaskRamp& ramp, double width, double height) {
    ReadiedForm form;
    form.isRamp = true;
    const double x = (ramp.toX - ramp.fromX) * width, y = (ramp.toY - ramp.fromY) * height;
    const double square = std::max(x * x + y * y, kLeastMaskLength * kLeastMaskLength);
    form.ux = static_cast<float>(x * width / square), form.uy = static_cast<float>(y * height / square);
    form.u0 = static_cast<float>(-(x * width * ramp.fromX + y * height * ramp.fromY) / square);
    return form;
}

ReadiedForm readied(const MaskEllipse& e, double width, double height) {
    ReadiedForm form;
    const auto number = [](double v) { return static_cast<float>(v); };
    const double angle = std::remainder(e.turn, 360) * std::numbers::pi / 180, c = std::cos(angle),
                 s = std::sin(angle);
    const double rx = std::max(e.radiusX, kLeastMaskLength), ry = std::max(e.radiusY, kLeastMaskLength);
    form.ux = number(c * width / rx), form.uy = number(s * height / rx);
    form.u0 = number(-(c * width * e.x + s * height * e.y) / rx);
    form.vx = number(-s * width / ry), form.vy = number(c * height / ry);
    form.v0 = number(-(-s * width * e.x + c * height * e.y) / ry);
    const double fade = std::max(e.feather, 0.002); // a step would have no edge to be averaged
    form.inner = number(1 - fade), form.perFade = number(1 / fade);
    return form;
}

ReadiedWay readied(const MaskShape& from) {
    ReadiedWay way;
    way.kept = from.way == MaskShape::Way::Intersect ? 0.0F : 1.0F;
    way.perOwn = from.way == MaskShape::Way::Intersect ? 1.0F : -1.0F;
    way.added = from.way == MaskShape::Way::Add ? 1.0F : 0.0F;
    if (from.isInverted) way.sign = -1, way.offset = 1;
    return way;
}

} // namespace

/// False for a shape that lets nothing through, whatever way it has: one that this version does not know, and a link
/// that leads nowhere.
bool MaskWeights::add(const MaskShape& shape, const KeptPaint::View& view, double aspect, int threads) {
    // Places in the long side, from fractions of the sides.
    const double width = std::min(1.0, aspect), height = std::min(1.0, 1 / aspect);
    const ReadiedWay way = baryton::readied(shape);
    if (const auto* ellipse = std::get_if<MaskEllipse>(&shape.form)) {
        shapes_.push_back({baryton::readied(*ellipse, width, height), way});
    } else if (const auto* ramp = std::get_if<MaskRamp>(&shape.form)) {
        shapes_.push_back({baryton::readied(*ramp, width, height), way});
    } else if (const auto* brush = std::get_if<MaskBrush>(&shape.form)) {
        shapes_.push_back(
            {readied(*brush, view, static_cast<float>(width), static_cast<float>(height), threads), way});
    } else if (const auto* tones = std::get_if<MaskTones>(&shape.form)) {
        shapes_.push_back({RangeWeights(*tones), way});
    } else if (const auto* colours = std::get_if<MaskColours>(&shape.form)) {
        shapes_.push_back({RangeWeights(*colours), way});
    } else if (const auto* object = std::get_if<MaskObject>(&shape.form)) {
        shapes_.push_back({ObjectWeights(*object, width, height), way});
    } else if (const auto* other = std::get_if<MaskOfLayer>(&shape.form); other && other->mask) {
        auto nested = std::make_shared<const MaskWeights>(*other->mask, view.frame, view.width, view.height, threads);
        const bool isWhole = nested->isWhole_;
        shapes_.push_back({std::move(nested), way});
        return isWhole;
    } else {
        return false;
    }
    return true;
}

namespace {

/// A row of a view, with its pixels as a plan has them.
Block blockOf(const KeptPaint::View& view, int row) {
    Block block;
    block.first = static_cast<float>(view.frame.column);
    block.x = static_cast<float>(view.frame.left + 0.5 * view.frame.perPixelX);
    block.dx = static_cast<float>(view.frame.perPixelX);
    block.y = static_cast<float>(view.frame.top + (view.frame.row + row + 0.5) * view.frame.perPixelY);
    block.count = static_cast<std::size_t>(view.width);
    return block;
}

} // namespace

MaskWeights::Brush MaskWeights::readied(const MaskBrush& brush, const KeptPaint::View& view, float width,
                                        float height, int threads) const {
    const std::vector<SharedStroke>& strokes = brush.strokes;
    constexpr std::size_t fewLeft = 4; // strokes that are laid over a plane without making the next one
    const bool isOfPlaces = std::none_of(strokes.begin(), strokes.end(),
                                         [](const SharedStroke& stroke) { return stroke->colour.has_value(); });
    if (!view.frame.painted || view.width < 1 || strokes.size() < 2 || !isOfPlaces)
        return {BrushWeights(brush, width, height), nullptr};
    KeptPaint::Found found = view.frame.painted->find(strokes, view);
    if (!found.bare || found.strokes + fewLeft < strokes.size()) {
        MaskBrush earlier;
        earlier.strokes.assign(strokes.begin(), strokes.end() - 1); // the last may be the one that is being painted
        const BrushWeights more(earlier, width, height, found.strokes);
        const auto columns = static_cast<std::size_t>(view.width);
        auto plane = std::make_shared<std::vector<float>>(columns * static_cast<std::size_t>(view.height) + kRowPad);
        inPieces(view.height, 16, threads, [&](int first, int last) {
            std::vector<float> x(columns + kRowPad), y(columns + kRowPad);
            for (int row = first; row < last; ++row) {
                const std::size_t at = static_cast<std::size_t>(row) * columns;
                places(blockOf(view, row), x.data(), y.data());
                more.leaveBare(x.data(), y.data(), columns, nullptr, found.bare ? found.bare->data() + at : nullptr,
                               plane->data() + at);
            }
        });
        found = {earlier.strokes.size(), std::move(plane)};
        view.frame.painted->keep(std::move(earlier.strokes), view, found.bare);
    }
    return {BrushWeights(brush, width, height, found.strokes), found.bare};
}

std::size_t MaskWeights::placeInView(const Block& block) const {
    const auto column =
        static_cast<std::size_t>(std::lround(block.first)) - static_cast<std::size_t>(view_.frame.column);
    const auto row = std::lround((double(block.y) - view_.frame.top) / view_.frame.perPixelY - 0.5) - view_.frame.row;
    return static_cast<std::size_t>(row) * static_cast<std::size_t>(view_.width) + column;
}

MaskWeights::MaskWeights(const Mask& asSaid, const FrameMap& frame, int width, int height, int threads)
    : frame_(frame.place), view_{frame, width, height}, seesColours_(asSaid.seesColours()) {
    const double aspect = frame_ ? frame_->aspect() : frame.aspect;
    const Mask mask = settled(asSaid, aspect);
    for (const MaskShape& shape : mask.shapes) isWhole_ = add(shape, view_, aspect, threads) && isWhole_;
    start_ = !mask.shapes.empty() && mask.shapes.front().way == MaskShape::Way::Add ? 0.0F : 1.0F;
    const auto density = static_cast<float>(mask.density);
    sign_ = mask.isInverted ? -density : density, offset_ = mask.isInverted ? density : 0;
    // With a shape that can't be worked out nobody knows where the layer was meant to act: nowhere, rather than
    // wrong.
    if (!isWhole_) shapes_.clear(), start_ = 0, sign_ = 1, offset_ = 0;
}

bool MaskWeights::keepsToColours() const {
    return std::any_of(shapes_.begin(), shapes_.end(), [](const Shape& shape) {
        if (const auto* brush = std::get_if<Brush>(&shape.form)) return brush->weights.keepsToColours();
        const auto* other = std::get_if<std::shared_ptr<const MaskWeights>>(&shape.form);
        return other && (*other)->keepsToColours();
    });
}

namespace {

/// The least and the most of u x + v y + c over a rectangle.
std::pair<float, float> rangeOf(float u, float v, float c, float left, float top, float right, float bottom) {
    const float x0 = u * left, x1 = u * right, y0 = v * top, y1 = v * bottom;
    return {std::min(x0, x1) + std::min(y0, y1) + c, std::max(x0, x1) + std::max(y0, y1) + c};
}

/// False where the form's weights are 0 in all of a rectangle, for certain: a hair beyond its line.
bool reaches(const ReadiedForm& form, float left, float top, float right, float bottom) {
    constexpr float beyond = 1.001F; // places there are rounded another way
    const auto [low, high] = rangeOf(form.ux, form.uy, form.u0, left, top, right, bottom);
    if (form.isRamp) return low < beyond;
    const auto [lowV, highV] = rangeOf(form.vx, form.vy, form.v0, left, top, right, bottom);
    return low < beyond && high > -beyond && lowV < beyond && highV > -beyond;
}

} // namespace

void MaskWeights::weigh(const Pixels& pixels, float* weights) const {
    std::fill(weights, weights + pixels.count, start_);
    alignas(64) float own[kPiece];
    for (const Shape& shape : shapes_) {
        // Added or taken away, a weight of 0 changes not a bit.
        const bool isPlain = shape.way.kept == 1 && shape.way.offset == 0;
        if (const auto* form = std::get_if<ReadiedForm>(&shape.form)) {
            if (isPlain && !reaches(*form, pixels.left, pixels.top, pixels.right, pixels.bottom)) continue;
            HWY_DYNAMIC_DISPATCH(WeighForm)(*form, shape.way, pixels.x, pixels.y, pixels.count, weights);
            continue;
        }
        if (const auto* object = std::get_if<ObjectWeights>(&shape.form)) {
            if (isPlain && !object->reaches(pixels.left, pixels.top, pixels.right, pixels.bottom)) continue;
            (*object)(pixels.x, pixels.y, pixels.count, own);
        } else if (const auto* brush = std::get_if<Brush>(&shape.form))
            brush->weights(pixels.x, pixels.y, pixels.count, pixels.lab,
                           brush->bare ? brush->bare->data() + pixels.at : nullptr, own);
        else if (const auto* range = std::get_if<RangeWeights>(&shape.form))
            runRangeWeights(*range, pixels.rgb, pixels.count, own);
        else
            std::get<std::shared_ptr<const MaskWeights>>(shape.form)->weigh(pixels, own);
        HWY_DYNAMIC_DISPATCH(WeighOwn)(own, shape.way, pixels.count, weights);
    }
    for (std::size_t i = 0; i < pixels.count; ++i) weights[i] = offset_ + sign_ * weights[i];
}

void MaskWeights::places(const Block& block, float* x, float* y) const {
    // By the column's number in the frame, never by where a run began.
    const auto first = static_cast<long>(block.first);
    const auto across = [&](long column) { return double(block.x) + double(column) * double(block.dx); };
    if (!frame_) {
        for (std::size_t i = 0; i < block.count; ++i)
            x[i] = static_cast<float>(across(first + static_cast<long>(i))), y[i] = block.y;
        return;
    }
    const auto placeOf = [&](long column) { return frame_->toSource({across(column), block.y}); };
    if (frame_->isEven()) {
        const SharePoint a = placeOf(0), b = placeOf(kKnot);
        const double dx = (b.x - a.x) / kKnot, dy = (b.y - a.y) / kKnot;
        for (std::size_t i = 0; i < block.count; ++i) {
            const auto column = double(first + static_cast<long>(i));
            x[i] = static_cast<float>(a.x + dx * column), y[i] = static_cast<float>(a.y + dy * column);
        }
        return;
    }
    long knot = first / kKnot;
    SharePoint a = placeOf(knot * kKnot), b = placeOf((knot + 1) * kKnot);
    for (std::size_t i = 0; i < block.count; ++i) {
        const long column = first + static_cast<long>(i);
        if (column / kKnot != knot) {
            ++knot;
            a = b, b = placeOf((knot + 1) * kKnot);
        }
        const double part = double(column - knot * kKnot) / kKnot;
        x[i] = static_cast<float>(a.x + (b.x - a.x) * part), y[i] = static_cast<float>(a.y + (b.y - a.y) * part);
    }
}

bool MaskWeights::operator()(const Block& whole, const float* const* rgb, float* weights) const {
    alignas(64) float x[kPiece], y[kPiece], found[kPiece], planes[3][kPiece], lab[3][kPiece];
    const bool needsLab = seesColours_ && keepsToColours();
    bool isAny = false;
    for (std::size_t start = 0; start < whole.count; start += kPiece) {
        Block block = whole;
        block.count = std::min(kPiece, whole.count - start);
        block.first += static_cast<float>(start);
        places(block, x, y);
        const auto [left, right] = std::minmax_element(x, x + block.count);
        const auto [top, bottom] = std::minmax_element(y, y + block.count);
        Pixels pixels{0, *left, *top,    *right,  *bottom,
                      x, y,     nullptr, nullptr, (block.count + kRowPad - 1) / kRowPad * kRowPad};
        if (view_.width > 0) pixels.at = placeInView(block);
        std::fill(x + block.count, x + pixels.count, 0.0F), std::fill(y + block.count, y + pixels.count, 0.0F);
        const float* colours[] = {planes[0], planes[1], planes[2]};
        const float* perceived[] = {lab[0], lab[1], lab[2]};
        if (seesColours_) {
            for (std::size_t k = 0; k < 3; ++k) {
                if (rgb)
                    std::copy_n(rgb[k] + start, block.count, planes[k]);
                else
                    std::fill_n(planes[k], block.count, 0.0F);
                std::fill(planes[k] + block.count, planes[k] + pixels.count, 0.0F);
            }
            pixels.rgb = colours;
        }
        if (needsLab) {
            float* const to[] = {lab[0], lab[1], lab[2]};
            runOklab(colours, pixels.count, to);
            pixels.lab = perceived;
        }
        weigh(pixels, found);
        std::copy_n(found, block.count, weights + start);
        isAny = isAny || std::any_of(found, found + block.count, [](float w) { return w != 0; });
    }
    return isAny;
}

float MaskWeights::at(SharePoint source, const std::array<float, 3>& rgb) const {
    alignas(64) float x[kRowPad], y[kRowPad], planes[3][kRowPad], lab[3][kRowPad], weights[kRowPad];
    std::fill(std::begin(x), std::end(x), static_cast<float>(source.x));
    std::fill(std::begin(y), std::end(y), static_cast<float>(source.y));
    for (std::size_t k = 0; k < 3; ++k) std::fill(std::begin(planes[k]), std::end(planes[k]), rgb[k]);
    const float* const colours[] = {planes[0], planes[1], planes[2]};
    float* const to[] = {lab[0], lab[1], lab[2]};
    runOklab(colours, kRowPad, to);
    weigh({0, x[0], y[0], x[0], y[0], x, y, colours, to, kRowPad}, weights);
    return weights[0];
}

std::vector<float> weightsOver(const Mask& mask, const MaskScene& scene, int width, int height) {
    FrameMap frame = scene.frame;
    frame.left = frame.top = 0, frame.column = frame.row = 0;
    frame.perPixelX = 1.0 / width, frame.perPixelY = 1.0 / height;
    const MaskWeights weights(mask, frame, width, height);
    const auto columns = static_cast<std::size_t>(width);
    std::vector<float> all(columns * static_cast<std::size_t>(height)), planes(3 * (columns + kRowPad));
    const bool seen = weights.seesColours() && !scene.colours.isEmpty();
    // Where nothing is known of the colours, nothing is let through for them.
    if (weights.seesColours() && !seen) return all;
    Block block;
    block.count = columns;
    block.dx = 1.0F / static_cast<float>(width), block.x = 0.5F * block.dx;
    block.aspect = static_cast<float>(scene.frame.aspect);
    for (int y = 0; y < height; ++y) {
        block.y = (static_cast<float>(y) + 0.5F) / static_cast<float>(height);
        const float* rgb[3];
        for (std::size_t k = 0; k < 3; ++k) {
            float* to = planes.data() + k * (columns + kRowPad);
            rgb[k] = to;
            if (!seen) continue;
            const int row = std::min(scene.colours.height() - 1, (2 * y + 1) * scene.colours.height() / (2 * height));
            const float* from = scene.colours.row(static_cast<int>(k), row);
            for (int x = 0; x < width; ++x)
                to[x] = from[std::min(scene.colours.width() - 1, (2 * x + 1) * scene.colours.width() / (2 * width))];
        }
        weights(block, seen ? rgb : nullptr, all.data() + static_cast<std::size_t>(y) * columns);
    }
    return all;
}

MaskCover coverOf(const std::vector<float>& weights) {
    MaskCover cover;
    for (const float w : weights) {
        cover.mean += double(w) / double(weights.size());
        cover.least = std::min(cover.least, double(w)), cover.most = std::max(cover.most, double(w));
    }
    return cover;
}

} // namespace baryton
#endif
