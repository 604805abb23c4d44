#pragma once
#include "colour/encodings.h"
#include "grade/lut_table.h"
#include "stages/stage_type.h"

namespace baryton {

enum class Interpolation { Tetrahedral, Trilinear };

/// What becomes of a colour outside a table's domain: the edge's value, or that with the edge's slope carried on.
enum class OutsideDomain { Clamp, Continue };

/// How a table is meant to be used: the spaces of its numbers on both sides, the way between its nodes, and beyond
/// them.
struct LutUse {
    Encoding reads = Encoding::Srgb, writes = Encoding::Srgb;
    Interpolation interpolation = Interpolation::Tetrahedral;
    OutsideDomain outside = OutsideDomain::Clamp;

    /// True when the working encoding goes in and comes out as it is.
    bool isPlain() const { return reads == Encoding::Srgb && writes == Encoding::Srgb; }
    bool operator==(const LutUse&) const = default;
};

/// A LUT made ready to apply: the 1D table by linear interpolation, the grid by tetrahedral interpolation (Kasson et
/// al. 1995: the cell cut into six tetrahedra along its grey diagonal) or by trilinear, eight corners weighted by the
/// volumes opposite. With other spaces than sRGB the kernel works on linear light, from which it goes to the space
/// that the table reads and back from the one that it writes.
///
/// Outside the domain the edge's value T(c) is taken, c being the nearest colour within. Where it is to continue, the
/// slope along the way out is added, as it is over one cell inwards, so that what comes out is as continuous as T:
///
///     T(c) + m (T(c) − T(c − d/m))        d = x − c in cells, m = max |d|
///
/// A 1D table goes on as a straight line. What comes of either is held to ±kHeldRange.
Kernel lutKernel(const LutTable& table, const LutUse& use = {});

/// The table alone in double for one colour; what the vector code is tested against.
Vec3 applyLut(const LutTable& table, const Vec3& rgb, Interpolation interpolation = Interpolation::Tetrahedral,
              OutsideDomain outside = OutsideDomain::Clamp);

} // namespace baryton
