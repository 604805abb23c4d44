#include "survey/skin.h"
#include "colour/spaces.h"
#include "colour/transfer.h"

#include <cmath>
#include <numbers>

namespace baryton {

namespace {

Vec3 oklab(const Vec3& v) {
    return oklabFromLinear({srgbToLinear(v[0]), srgbToLinear(v[1]), srgbToLinear(v[2])});
}

} // namespace

bool isSkin(const Vec3& encoded) {
    // All of them are such (tried for every 8-bit colour); most others need not be asked closer.
    const double apart = encoded[0] - encoded[2];
    if (encoded[0] < encoded[1] || encoded[1] < encoded[2] || apart < 0.13 || apart > 0.7) return false;
    const Vec3 lab = oklab(encoded);
    const double chroma = std::hypot(lab[1], lab[2]), hue = std::atan2(lab[2], lab[1]) * 180 / std::numbers::pi;
    return lab[0] > 0.4 && lab[0] < 0.85 && chroma > 0.04 && chroma < 0.13 && hue > 35 && hue < 75;
}

bool isNearGrey(const Vec3& encoded) {
    const Vec3 lab = oklab(encoded);
    return std::hypot(lab[1], lab[2]) < 0.03;
}

} // namespace baryton
