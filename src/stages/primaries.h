#pragma once
#include "colour/matrix.h"

namespace baryton {

/// Turn (degrees, counter-clockwise in the xy plane) and reach (−0.6…0.4 of the way from white) of each corner.
struct PrimariesSettings {
    double turn[3]{}, reach[3]{};
};

/// Linear sRGB → linear sRGB as if the picture's red, green and blue had stood elsewhere: each corner of the
/// chromaticity triangle is moved about D65, white is kept.
///
/// Where a combination would leave white with less than a quarter of its usual weight on a corner (or outside the
/// triangle), all corners slide back on their paths until it doesn't; the result is never singular. `slid` receives
/// how far they went, 1 for all the way.
Mat3 primariesMatrix(const PrimariesSettings& settings, double* slid = nullptr);

} // namespace baryton
