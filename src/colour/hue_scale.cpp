#include "colour/hue_scale.h"
#include "colour/spaces.h"
#include "colour/transfer.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

constexpr int kSteps = 720; ///< of half a degree
constexpr double kGrey = 0.5, kPull = 0.1;

double turned(double degrees) {
    const double held = std::fmod(degrees, 360);
    return held < 0 ? held + 360 : held;
}

/// The hue at each half degree of the vectorscope, going on past 360 where it wraps.
const std::array<double, kSteps + 1>& hues() {
    static const auto table = [] {
        std::array<double, kSteps + 1> all{};
        for (int i = 0; i <= kSteps; ++i) {
            const Vec3 d = hueDirection(360.0 * i / kSteps);
            const auto at = static_cast<std::size_t>(i);
            all[at] = hueOf({kGrey + kPull * d[0], kGrey + kPull * d[1], kGrey + kPull * d[2]});
            if (i > 0) all[at] = all[at - 1] + std::remainder(all[at] - all[at - 1], 360);
        }
        all[kSteps] = all[0] + (all[kSteps] > all[0] ? 360 : -360);
        return all;
    }();
    return table;
}

} // namespace

double hueOf(const Vec3& encoded) {
    const Vec3 lab = oklabFromLinear({srgbToLinear(encoded[0]), srgbToLinear(encoded[1]), srgbToLinear(encoded[2])});
    return turned(std::atan2(lab[2], lab[1]) * 180 / std::numbers::pi);
}

double hueOfDirection(double degrees) {
    const double place = turned(degrees) / 360 * kSteps;
    const auto i = std::min<std::size_t>(static_cast<std::size_t>(place), kSteps - 1);
    const double share = place - static_cast<double>(i);
    return turned(hues()[i] + share * (hues()[i + 1] - hues()[i]));
}

double directionOfHue(double hue) {
    // The hue goes the other way round than the angle or the same; either way it never turns back.
    const auto& all = hues();
    const double sense = all[kSteps] > all[0] ? 1 : -1;
    const double wanted = turned(sense * (hue - all[0])); // from where the table starts, along its sense
    const auto along = [&](std::size_t i) { return sense * (all[i] - all[0]); };
    std::size_t low = 0, high = kSteps;
    while (high - low > 1) {
        const std::size_t middle = (low + high) / 2;
        (along(middle) <= wanted ? low : high) = middle;
    }
    const double share = (wanted - along(low)) / (along(high) - along(low));
    return turned((static_cast<double>(low) + share) * 360 / kSteps);
}

double oppositeHue(double hue) {
    return hueOfDirection(directionOfHue(hue) + 180);
}

} // namespace baryton
