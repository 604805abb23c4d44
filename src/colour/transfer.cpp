#include "colour/transfer.h"

#include <cmath>

namespace baryton {

double srgbToLinear(double encoded) {
    const double v = std::abs(encoded);
    const double linear = v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
    return std::copysign(linear, encoded);
}

double linearToSrgb(double linear) {
    const double l = std::abs(linear);
    const double encoded = l <= 0.0031308 ? 12.92 * l : 1.055 * std::pow(l, 1 / 2.4) - 0.055;
    return std::copysign(encoded, linear);
}

} // namespace baryton
