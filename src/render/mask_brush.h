#pragma once
#include "grade/mask.h"

#include <cstdint>
#include <vector>

namespace baryton {

/// One tapered capsule as the vector code uses it, in lengths of the long side.
struct BrushPiece {
    float x = 0, y = 0, dx = 0, dy = 0; ///< from, and the way to its other end
    float perSquare = 0;                ///< 1 / |d|²; 0 for a single place
    float perRadius = 1, narrowing = 0; ///< 1 / radius there, and how much more at its other end
    float radius = 0;                   ///< the larger of both ends
};

/// What the pieces of one stroke have in common.
struct BrushStroke {
    float inner = 0, perFade = 1; ///< of the radius: whole up to there, 1 / the fading part
    float flow = 1;
    bool erases = false, keepsToColour = false;
    float colour[3] = {}; ///< OKLab
};

/// A brushed shape made ready: all pieces of all strokes, and for each cell of a grid over them those that reach into
/// it. A pixel's weight follows from its place (and its colour) alone, whichever others are asked for with it.
class BrushWeights {
public:
    /// `width` and `height`: the picture's sides in lengths of its long side. Without the first strokes what these
    /// leave bare must be given with the places.
    BrushWeights(const MaskBrush& brush, float width, float height, std::size_t firstStroke = 0);

    /// Of places in fractions of the picture. `count` and all arrays are padded to whole vectors. `lab`: the colours
    /// there as three planes of OKLab, or null where no stroke keeps to a colour. `bare`: what earlier strokes left
    /// bare there, 1 − what they painted; null for no earlier ones.
    void operator()(const float* x, const float* y, std::size_t count, const float* const* lab, const float* bare,
                    float* weights) const;
    /// The share of the same places that is left bare; here `count` may be any.
    void leaveBare(const float* x, const float* y, std::size_t count, const float* const* lab, const float* before,
                   float* bare) const;
    bool keepsToColours() const { return keepsToColours_; }

private:
    struct Cell {
        std::uint32_t first = 0, end = 0; ///< in `reaching_`
    };
    void sort();
    int cellOf(float x, float y) const;

    std::vector<BrushPiece> pieces_;
    std::vector<BrushStroke> strokes_;
    std::vector<std::uint32_t> strokeOf_; ///< of each piece
    std::vector<Cell> cells_;
    std::vector<std::uint32_t> reaching_; ///< pieces, in their order, of one cell after the other
    int across_ = 0, down_ = 0;
    float left_ = 0, top_ = 0, perCell_ = 0;
    float width_, height_, ceiling_;
    bool keepsToColours_ = false;
};

} // namespace baryton
