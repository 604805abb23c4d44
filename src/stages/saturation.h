#pragma once

namespace baryton {

/// The constants of Saturation: row-major matrices to cone responses, between their cube roots, and back.
struct SaturationConstants {
    float toCones[9], mix[9], toRgb[9];
};

} // namespace baryton
