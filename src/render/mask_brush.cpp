#include "render/mask_brush.h"
#include "picture/picture.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "render/mask_brush.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

#include <algorithm>
#include <cmath>

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// Lays pieces of one stroke over the shares that are left bare, 1 − what is painted: b becomes b (1 − f a), or where
/// it erases 1 − (1 − b)(1 − f a).
template <bool kKeepsToColour>
HWY_INLINE void Lay(const BrushStroke& stroke, const BrushPiece* pieces, const std::uint32_t* which,
                    std::size_t pieceCount, const float* x, const float* y, std::size_t count,
                    const float* const* lab, std::size_t at, float* bare) {
    const D d;
    const V one = Splat(1.0F), zero = hn::Zero(d), towards = Splat(stroke.erases ? 1.0F : 0.0F);
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const V px = hn::LoadU(d, x + i), py = hn::LoadU(d, y + i);
        V nearest = Splat(4.0F); // (distance / radius)²
        for (std::size_t k = 0; k < pieceCount; ++k) {
            const BrushPiece& piece = pieces[which[k]];
            const V fx = hn::Sub(px, Splat(piece.x)), fy = hn::Sub(py, Splat(piece.y));
            const V along = hn::MulAdd(fx, Splat(piece.dx), hn::Mul(fy, Splat(piece.dy)));
            const V t = hn::Min(hn::Max(hn::Mul(along, Splat(piece.perSquare)), zero), one);
            const V ex = hn::NegMulAdd(t, Splat(piece.dx), fx), ey = hn::NegMulAdd(t, Splat(piece.dy), fy);
            const V per = hn::MulAdd(t, Splat(piece.narrowing), Splat(piece.perRadius));
            nearest = hn::Min(nearest, hn::Mul(hn::MulAdd(ex, ex, hn::Mul(ey, ey)), hn::Mul(per, per)));
        }
        const V shape = hn::Sub(one, SmoothStep(hn::Sqrt(nearest), stroke.inner, stroke.perFade));
        const V weight = [&] {
            if constexpr (kKeepsToColour) {
                V square = zero;
                for (std::size_t k = 0; k < 3; ++k) {
                    const V off = hn::Sub(hn::LoadU(d, lab[k] + at + i), Splat(stroke.colour[k]));
                    square = hn::MulAdd(off, off, square);
                }
                constexpr auto reach = static_cast<float>(kKeptColourReach);
                return hn::Mul(shape, hn::Sub(one, SmoothStep(hn::Sqrt(square), reach / 2, 2 / reach)));
            } else {
                return shape;
            }
        }();
        const V before = hn::LoadU(d, bare + i);
        hn::StoreU(hn::MulAdd(hn::Mul(weight, Splat(stroke.flow)), hn::Sub(towards, before), before), d, bare + i);
    }
}

void LayStroke(const BrushStroke& stroke, const BrushPiece* pieces, const std::uint32_t* which,
               std::size_t pieceCount, const float* x, const float* y, std::size_t count, const float* const* lab,
               std::size_t at, float* bare) {
    if (stroke.keepsToColour)
        Lay<true>(stroke, pieces, which, pieceCount, x, y, count, lab, at, bare);
    else
        Lay<false>(stroke, pieces, which, pieceCount, x, y, count, lab, at, bare);
}

/// The weights of what is left bare.
void PaintedWeights(float ceiling, std::size_t count, float* bare) {
    const D d;
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const V painted = hn::Sub(Splat(1.0F), hn::LoadU(d, bare + i));
        hn::StoreU(hn::Mul(Splat(ceiling), painted), d, bare + i);
    }
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace baryton {

HWY_EXPORT(LayStroke);
HWY_EXPORT(PaintedWeights);

namespace {

constexpr int kMostCellsAcross = 96;
/// As many places in all cells as this, and the grid is made coarser: sorting is for each event of a hand, and memory
/// stays bounded whatever a file says.
constexpr double kMostCellPieces = 4e5;

} // namespace

BrushWeights::BrushWeights(const MaskBrush& brush, float width, float height, std::size_t firstStroke)
    : width_(width), height_(height), ceiling_(static_cast<float>(brush.ceiling)) {
    for (std::size_t index = firstStroke; index < brush.strokes.size(); ++index) {
        const MaskStroke& from = *brush.strokes[index];
        BrushStroke stroke;
        const double fade = std::max(from.softness, 0.002); // a step would have no edge to be averaged
        stroke.inner = static_cast<float>(1 - fade), stroke.perFade = static_cast<float>(1 / fade);
        stroke.flow = static_cast<float>(from.flow), stroke.erases = from.erases;
        stroke.keepsToColour = from.colour.has_value();
        if (from.colour)
            for (std::size_t k = 0; k < 3; ++k) stroke.colour[k] = static_cast<float>((*from.colour)[k]);
        const auto add = [&](const StrokePoint& a, const StrokePoint& b) {
            constexpr double least = kLeastMaskLength / 10; // pressed ever so lightly
            BrushPiece piece;
            piece.x = static_cast<float>(a.x) * width, piece.y = static_cast<float>(a.y) * height;
            piece.dx = static_cast<float>(b.x - a.x) * width, piece.dy = static_cast<float>(b.y - a.y) * height;
            const float square = piece.dx * piece.dx + piece.dy * piece.dy;
            piece.perSquare = square > 1e-14F ? 1 / square : 0;
            piece.radius = static_cast<float>(std::max(from.size * std::max(a.width, b.width), least));
            const double here = 1 / std::max(from.size * a.width, least),
                         there = 1 / std::max(from.size * b.width, least);
            piece.perRadius = static_cast<float>(here), piece.narrowing = static_cast<float>(there - here);
            pieces_.push_back(piece);
            strokeOf_.push_back(static_cast<std::uint32_t>(strokes_.size()));
        };
        if (from.points.size() == 1) add(from.points[0], from.points[0]);
        for (std::size_t i = 1; i < from.points.size(); ++i) add(from.points[i - 1], from.points[i]);
        keepsToColours_ = keepsToColours_ || stroke.keepsToColour;
        strokes_.push_back(stroke);
    }
    sort();
}

void BrushWeights::sort() {
    if (pieces_.empty()) return;
    struct Box {
        float left, top, right, bottom;
    };
    std::vector<Box> boxes;
    boxes.reserve(pieces_.size());
    Box all{1e9F, 1e9F, -1e9F, -1e9F};
    for (const BrushPiece& p : pieces_) {
        const float r = p.radius + 1e-4F;
        boxes.push_back({std::min(p.x, p.x + p.dx) - r, std::min(p.y, p.y + p.dy) - r, std::max(p.x, p.x + p.dx) + r,
                         std::max(p.y, p.y + p.dy) + r});
        all = {std::min(all.left, boxes.back().left), std::min(all.top, boxes.back().top),
               std::max(all.right, boxes.back().right), std::max(all.bottom, boxes.back().bottom)};
    }
    left_ = all.left, top_ = all.top;
    const float longer = std::max(all.right - all.left, all.bottom - all.top);
    int most = kMostCellsAcross;
    const auto places = [&] {
        double sum = 0;
        for (const Box& box : boxes)
            sum += (double(box.right - box.left) * perCell_ + 1) * (double(box.bottom - box.top) * perCell_ + 1);
        return sum;
    };
    for (perCell_ = float(most) / longer; most > 1 && places() > kMostCellPieces; perCell_ = float(most) / longer)
        most = most * 3 / 4;
    across_ = std::max(1, static_cast<int>(std::ceil((all.right - all.left) * perCell_)));
    down_ = std::max(1, static_cast<int>(std::ceil((all.bottom - all.top) * perCell_)));
    const auto eachCell = [&](const Box& box, const auto& visit) {
        const auto index = [&](float v, float from, int count) {
            return std::clamp(static_cast<int>((v - from) * perCell_), 0, count - 1);
        };
        const int right = index(box.right, left_, across_), bottom = index(box.bottom, top_, down_);
        for (int y = index(box.top, top_, down_); y <= bottom; ++y)
            for (int x = index(box.left, left_, across_); x <= right; ++x)
                visit(static_cast<std::size_t>(y) * static_cast<std::size_t>(across_) + static_cast<std::size_t>(x));
    };
    // Twice over the pieces in their order: how many reach into each cell, then which.
    cells_.resize(static_cast<std::size_t>(across_) * static_cast<std::size_t>(down_));
    for (const Box& box : boxes) eachCell(box, [&](std::size_t cell) { ++cells_[cell].end; });
    std::uint32_t sum = 0;
    for (Cell& cell : cells_) {
        const std::uint32_t own = cell.end;
        cell.first = cell.end = sum;
        sum += own;
    }
    reaching_.resize(sum);
    for (std::uint32_t i = 0; i < pieces_.size(); ++i)
        eachCell(boxes[i], [&](std::size_t cell) { reaching_[cells_[cell].end++] = i; });
}

int BrushWeights::cellOf(float x, float y) const {
    const float column = (x - left_) * perCell_, row = (y - top_) * perCell_;
    if (!(column >= 0 && row >= 0 && column < float(across_) && row < float(down_))) return -1;
    return static_cast<int>(row) * across_ + static_cast<int>(column);
}

void BrushWeights::leaveBare(const float* x, const float* y, std::size_t count, const float* const* lab,
                             const float* before, float* left) const {
    constexpr std::size_t most = 256;
    alignas(64) float px[most + kRowPad], py[most + kRowPad], bare[most + kRowPad];
    for (std::size_t start = 0; start < count; start += most) {
        const std::size_t pixels = std::min(most, count - start);
        for (std::size_t i = 0; i < pixels; ++i) px[i] = x[start + i] * width_, py[i] = y[start + i] * height_;
        std::fill(px + pixels, px + pixels + kRowPad, 0.0F), std::fill(py + pixels, py + pixels + kRowPad, 0.0F);
        // Runs of pixels within one cell see the same pieces. Vectors reach over a run's end; the run after it makes
        // these pixels anew.
        for (std::size_t from = 0; from < pixels;) {
            const int cell = pieces_.empty() ? -1 : cellOf(px[from], py[from]);
            std::size_t end = from + 1;
            if (!pieces_.empty())
                while (end < pixels && cellOf(px[end], py[end]) == cell) ++end;
            else
                end = pixels;
            if (before)
                std::copy(before + start + from, before + start + end, bare + from);
            else
                std::fill(bare + from, bare + end, 1.0F);
            if (cell >= 0) {
                const Cell& here = cells_[static_cast<std::size_t>(cell)];
                for (std::uint32_t first = here.first, last = first; first < here.end; first = last) {
                    // A stroke builds up on others, never on itself: all of its pieces at once.
                    const std::uint32_t stroke = strokeOf_[reaching_[first]];
                    while (last < here.end && strokeOf_[reaching_[last]] == stroke) ++last;
                    HWY_DYNAMIC_DISPATCH(LayStroke)
                    (strokes_[stroke], pieces_.data(), reaching_.data() + first, last - first, px + from, py + from,
                     end - from, lab, start + from, bare + from);
                }
            }
            from = end;
        }
        std::copy_n(bare, pixels, left + start);
    }
}

void BrushWeights::operator()(const float* x, const float* y, std::size_t count, const float* const* lab,
                              const float* bare, float* weights) const {
    leaveBare(x, y, count, lab, bare, weights);
    HWY_DYNAMIC_DISPATCH(PaintedWeights)(ceiling_, count, weights);
}

} // namespace baryton
#endif
