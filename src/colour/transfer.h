#pragma once

namespace baryton {

/// The sRGB transfer curve (IEC 61966-2-1), extended below 0 by odd symmetry and above 1 by its own formula.
/// Encoded (working) value → linear light.
double srgbToLinear(double encoded);
/// Linear light → encoded (working) value; the inverse of srgbToLinear.
double linearToSrgb(double linear);

/// BT.709 luma of a pixel in the working encoding.
constexpr double luma(double r, double g, double b) {
    return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

} // namespace baryton
