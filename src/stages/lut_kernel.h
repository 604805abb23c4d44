#pragma once
#include "grade/lut_table.h"
#include "stages/stage_type.h"

namespace baryton {

/// A LUT made ready to apply: the 1D table by linear interpolation, the grid by tetrahedral interpolation (Kasson et
/// al. 1995: the cell cut into six tetrahedra along its grey diagonal). Outside the domain the edge value is taken.
Kernel lutKernel(const LutTable& table);

/// The same in double for one colour; what the vector code is tested against.
Vec3 applyLut(const LutTable& table, const Vec3& rgb);

} // namespace baryton
