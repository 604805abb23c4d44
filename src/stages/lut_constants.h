#pragma once
#include "stages/lut_kernel.h"

#include <cstdint>
#include <vector>

namespace baryton {

/// The constants of LUT: tables channel by channel, and the straight lines from a value to a place in them.
struct LutConstants {
    std::vector<float> shaper[3]; ///< one run per channel
    float shaperScale[3], shaperShift[3];
    std::vector<float> grid; ///< four floats a node (r, g, b, 0), so that one load takes a whole node
    float gridScale[3], gridShift[3];
    std::int32_t size = 0;
    LutUse use;
    float toReads[9], fromWrites[9]; ///< linear sRGB → the read space's primaries; the written space's → linear sRGB
};

} // namespace baryton
