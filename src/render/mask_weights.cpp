#include "render/mask_weights.h"
#include "render/point_run.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "render/mask_weights.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <numbers>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// Lays one shape over the weights of those ahead of it. Which kind it is, is no condition within the loop: a vector
/// chosen by one is miscompiled (docs/architecture.md).
template <bool kIsRamp>
HWY_INLINE void Weigh(const ReadiedShape& s, const float* x, const float* y, std::size_t count, float* weights) {
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
        const V own = hn::MulAdd(Splat(s.sign), shape, Splat(s.offset)), before = hn::LoadU(d, weights + i);
        const V share = hn::MulAdd(Splat(s.perOwn), own, Splat(s.kept));
        hn::StoreU(hn::MulAdd(before, share, hn::Mul(Splat(s.added), own)), d, weights + i);
    }
}

void WeighShape(const ReadiedShape& s, const float* x, const float* y, std::size_t count, float* weights) {
    if (s.isRamp)
        Weigh<true>(s, x, y, count, weights);
    else
        Weigh<false>(s, x, y, count, weights);
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace baryton {

HWY_EXPORT(WeighShape);

namespace {

/// Where a frame bends, places are worked out for every so many columns, counted from the frame's first, and lie
/// evenly between them: within 0.01 px.
constexpr int kKnot = 16;

} // namespace

MaskWeights::Shape MaskWeights::readied(const MaskShape& from, double aspect) {
    // Places in the long side, from fractions of the sides.
    const double width = std::min(1.0, aspect), height = std::min(1.0, 1 / aspect);
    Shape shape;
    const auto number = [](double v) { return static_cast<float>(v); };
    if (const auto* ramp = std::get_if<MaskRamp>(&from.form)) {
        shape.isRamp = true;
        const double x = (ramp->toX - ramp->fromX) * width, y = (ramp->toY - ramp->fromY) * height;
        const double square = std::max(x * x + y * y, kLeastMaskLength * kLeastMaskLength);
        shape.ux = number(x * width / square), shape.uy = number(y * height / square);
        shape.u0 = number(-(x * width * ramp->fromX + y * height * ramp->fromY) / square);
    } else {
        const auto& e = std::get<MaskEllipse>(from.form);
        const double angle = std::remainder(e.turn, 360) * std::numbers::pi / 180, c = std::cos(angle),
                     s = std::sin(angle);
        const double rx = std::max(e.radiusX, kLeastMaskLength), ry = std::max(e.radiusY, kLeastMaskLength);
        shape.ux = number(c * width / rx), shape.uy = number(s * height / rx);
        shape.u0 = number(-(c * width * e.x + s * height * e.y) / rx);
        shape.vx = number(-s * width / ry), shape.vy = number(c * height / ry);
        shape.v0 = number(-(-s * width * e.x + c * height * e.y) / ry);
        const double fade = std::max(e.feather, 0.002); // a step would have no edge to be averaged
        shape.inner = number(1 - fade), shape.perFade = number(1 / fade);
    }
    shape.kept = from.way == MaskShape::Way::Intersect ? 0.0F : 1.0F;
    shape.perOwn = from.way == MaskShape::Way::Intersect ? 1.0F : -1.0F;
    shape.added = from.way == MaskShape::Way::Add ? 1.0F : 0.0F;
    if (from.isInverted) shape.sign = -1, shape.offset = 1;
    return shape;
}

MaskWeights::MaskWeights(const Mask& mask, const FrameMap& frame) : frame_(frame.place) {
    const double aspect = frame_ ? frame_->aspect() : frame.aspect;
    for (const MaskShape& shape : mask.shapes) shapes_.push_back(readied(shape, aspect));
    start_ = !mask.shapes.empty() && mask.shapes.front().way == MaskShape::Way::Add ? 0.0F : 1.0F;
    const auto density = static_cast<float>(mask.density);
    sign_ = mask.isInverted ? -density : density, offset_ = mask.isInverted ? density : 0;
}

void MaskWeights::weigh(const float* x, const float* y, std::size_t count, float* weights) const {
    std::fill(weights, weights + count, start_);
    for (const Shape& shape : shapes_) HWY_DYNAMIC_DISPATCH(WeighShape)(shape, x, y, count, weights);
    for (std::size_t i = 0; i < count; ++i) weights[i] = offset_ + sign_ * weights[i];
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

bool MaskWeights::operator()(const Block& whole, float* weights) const {
    alignas(64) static thread_local float x[kBlockPixels], y[kBlockPixels], found[kBlockPixels];
    bool isAny = false;
    for (std::size_t start = 0; start < whole.count; start += kBlockPixels) {
        Block block = whole;
        block.count = std::min(kBlockPixels, whole.count - start);
        block.first += static_cast<float>(start);
        places(block, x, y);
        const std::size_t padded = (block.count + kRowPad - 1) / kRowPad * kRowPad;
        std::fill(x + block.count, x + padded, 0.0F), std::fill(y + block.count, y + padded, 0.0F);
        weigh(x, y, padded, found);
        std::copy_n(found, block.count, weights + start);
        isAny = isAny || std::any_of(found, found + block.count, [](float w) { return w != 0; });
    }
    return isAny;
}

float MaskWeights::at(SharePoint source) const {
    float x[kRowPad], y[kRowPad], weights[kRowPad];
    std::fill(std::begin(x), std::end(x), static_cast<float>(source.x));
    std::fill(std::begin(y), std::end(y), static_cast<float>(source.y));
    weigh(x, y, kRowPad, weights);
    return weights[0];
}

MaskCover coverOf(const Mask& mask, const FrameMap& frame) {
    constexpr int side = 96; // what is smaller than a hundredth of the frame is nothing to the eye
    const MaskWeights weights(mask, frame);
    MaskCover cover;
    alignas(64) float row[side];
    Block block;
    block.count = side, block.dx = 1.0F / side, block.x = 0.5F / side;
    block.aspect = static_cast<float>(frame.aspect);
    for (int y = 0; y < side; ++y) {
        block.y = (static_cast<float>(y) + 0.5F) / side;
        weights(block, row);
        for (const float w : row) {
            cover.mean += double(w) / (side * side);
            cover.least = std::min(cover.least, double(w)), cover.most = std::max(cover.most, double(w));
        }
    }
    return cover;
}

} // namespace baryton
#endif
