#pragma once
#include "colour/encodings.h"
#include "grade/lut_table.h"
#include "stages/stage_type.h"

namespace baryton {

enum class Interpolation { Tetrahedral, Trilinear };

/// How a table is meant to be used: the spaces of its numbers on both sides, and the way between its nodes.
struct LutUse {
    Encoding reads = Encoding::Srgb, writes = Encoding::Srgb;
    Interpolation interpolation = Interpolation::Tetrahedral;

    /// True when the working encoding goes in and comes out as it is.
    bool isPlain() const { return reads == Encoding::Srgb && writes == Encoding::Srgb; }
};

/// A LUT made ready to apply: the 1D table by linear interpolation, the grid by tetrahedral interpolation (Kasson et
/// al. 1995: the cell cut into six tetrahedra along its grey diagonal) or by trilinear, eight corners weighted by the
/// volumes opposite. Outside the domain the edge value is taken. With other spaces than sRGB the kernel works on
/// linear light, from which it goes to the space that the table reads and back from the one that it writes.
Kernel lutKernel(const LutTable& table, const LutUse& use = {});

/// The table alone in double for one colour; what the vector code is tested against.
Vec3 applyLut(const LutTable& table, const Vec3& rgb, Interpolation interpolation = Interpolation::Tetrahedral);

} // namespace baryton
