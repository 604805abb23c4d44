#pragma once
#include "stages/stage_type.h"

namespace baryton::test {

/// What a stage makes of one colour, computed in double straight from the formulas of its header; the judge of the
/// vector kernels. In the stage's own domain; the position, and the width of a pixel, in fractions of the frame.
Vec3 reference(const Stage& stage, const Vec3& rgb, double x = 0.5, double y = 0.5, double aspect = 1,
               double pixel = 1e-7);

} // namespace baryton::test
