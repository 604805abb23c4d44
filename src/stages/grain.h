#pragma once
#include "stages/spline.h"

#include <array>
#include <cstddef>
#include <cstdint>
#include <memory>
#include <vector>

namespace baryton {

/// What the points of a lattice weigh on a pixel, along one side: the cubic B-spline between the points, averaged as
/// the picture itself was. Places are in cells of the lattice.
///
/// A pixel of the full size is a square: exactly, with S the integral of the B-spline and h the pixel's width,
/// [S(x − i + h/2) − S(x − i − h/2)] / h. A smaller picture is one that was halved as often as it can be, then made
/// smaller by Lanczos of three lobes (scaledDown): a pixel is then that sum of squares of the halving, so that a view
/// has the grain that the file made smaller has.
class GrainWeights {
public:
    /// Of a square pixel.
    explicit GrainWeights(double pixel) : pixel_(pixel), square_(pixel), reach_(2 + pixel / 2) {}
    /// Of a pixel of a picture with `scale` pixels for one of the full-size one, whose corner lies at `corner`.
    GrainWeights(double pixel, double scale, double corner);

    /// How many points can weigh on a pixel, and the first that weighs on one at x.
    std::size_t taps() const;
    std::int32_t firstAt(double x) const;
    /// The weights of `taps()` points from the first on, for a pixel whose middle lies at x.
    void at(double x, double* weights) const;
    /// True where a pixel is made of several squares.
    bool isOfSquares() const { return reach_ > 2 + square_ / 2; }
    /// One of those squares alone.
    GrainWeights ofSquare() const { return GrainWeights(square_); }
    /// The squares that a pixel at x is made of: their numbers from `first` on, and what each weighs.
    struct Squares {
        int first = 0, count = 0;
        std::array<double, 16> shares{};
    };
    Squares squaresAt(double x) const;
    double middleOf(int square) const { return corner_ + (square + 0.5) * square_; }
    /// The variance that a field of variance 1 keeps along one side, its mean over all places of a pixel.
    double varianceLeft() const;

private:
    double pixel_, square_, corner_ = 0;
    double reach_; ///< from where on all is 0
};

/// One octave of grain for the columns of a view: noise on a square lattice in frame coordinates, a number from a
/// hash of each of its points.
struct GrainOctave {
    explicit GrainOctave(const GrainWeights& w) : across(w), down(w.isOfSquares() ? w.ofSquare() : w) {}

    GrainWeights across;             ///< what its points weigh on a pixel
    GrainWeights down;               ///< the same down; of one of its squares, where it is made of several
    double perLong = 1;              ///< cells along the frame's long side
    double shift = 0;                ///< of the lattice against the frame's corner, in cells
    double pixel = 0;                ///< a pixel's width in cells
    float amplitude = 1;             ///< what its numbers are multiplied by
    std::uint32_t key = 0;           ///< of its hash
    std::size_t taps = 0;            ///< points that weigh on a pixel, along one side
    std::size_t columns = 0;         ///< entries of a row of `weights`
    std::vector<float> weights;      ///< taps rows of `columns` weights, for each column of pixels
    std::vector<std::int32_t> first; ///< the first of those points
};

/// The rows of an octave's lattice that weigh on a row of pixels.
struct LatticeRows {
    std::size_t count = 0;
    std::vector<std::uint32_t> keys; ///< of each row's hash
    std::vector<float> weights;
    float sum = 0; ///< of the weights

    /// Those for pixels (or squares) whose middle lies at y, in cells.
    void take(const GrainOctave& octave, double y);
};

class KeptGrain;

/// The constants of Grain, in linear light. Y is a pixel's luminance, V its working encoding:
///
///     D  = −log₁₀ Y, held to 0…3            density
///     k  = ln 10 · amount · √D · 2·curve(V)
///     L' = L · exp(−k·n − k²·v / 2)         where L > 0 and Y > 0
///     n  = √(1 − c)·n₀ + √c·n_layer         c: the share of colour
///
/// n₀ and the three layers' fields are sums of octaves with variance 1 where a pixel is small against the grain; v is
/// what is left of it in a pixel of this size, so that the mean of the light stays where it was at any size. Grain is
/// built as density, not added: black and white keep still of themselves, and its strength grows with the root of
/// density (Nutting 1913; James, "The Theory of the Photographic Process").
struct GrainConstants {
    static constexpr float kMostAmount = 0.3F; ///< density at D = 1, per field of variance 1
    static constexpr int kOctaves = 4;
    static constexpr double kOctaveStep = 2.17; ///< no whole number, so that lattices do not meet
    static constexpr float kMostDensity = 3;

    std::uint64_t serial = 0;    ///< another one for each that is made
    int first = 0;               ///< column of the frame's grid that the octaves' tables begin with
    double longX = 1, longY = 1; ///< the frame's width and height in long sides
    std::vector<GrainOctave> octaves;
    std::shared_ptr<KeptGrain> kept; ///< while a control moves
    float amount = 0, variance = 0;
    float common = 1, coloured = 0; ///< √(1 − c), √c
    Spline curve{{}};
};

} // namespace baryton
