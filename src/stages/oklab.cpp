#include "stages/oklab.h"
#include "colour/smooth_step.h"
#include "colour/spaces.h"
#include "colour/transfer.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

const OklabMatrices& oklabMatrices() {
    static const OklabMatrices all = [] {
        OklabMatrices m{};
        const auto copy = [](const Mat3& from, float* to) {
            std::transform(from.begin(), from.end(), to, [](double v) { return static_cast<float>(v); });
        };
        copy(kOklabCones, m.toCones);
        copy(kOklabFromRoots, m.fromRoots);
        copy(inverse(kOklabFromRoots), m.toRoots);
        copy(inverse(kOklabCones), m.toRgb);
        return m;
    }();
    return all;
}

HueWindow::HueWindow(double centre, double width, double softness) {
    constexpr double radians = std::numbers::pi / 180;
    cosCentre = static_cast<float>(std::cos(centre * radians));
    sinCentre = static_cast<float>(std::sin(centre * radians));
    const double half = std::min(width / 2, 180.0), far = std::min(half + softness, 180.0);
    const double inner = std::cos(half * radians);
    // The span never closes: at half 180° the cosine has nowhere further to fall.
    const double span = std::max(0.02, inner - std::cos(far * radians));
    outer = static_cast<float>(inner - span);
    perSpan = static_cast<float>(1 / span);
}

double HueWindow::weight(double cosDelta) const {
    return smoothStep(cosDelta, outer, perSpan);
}

double HueWindow::share(const Vec3& encoded) const {
    const Vec3 lab = oklabFromLinear({srgbToLinear(encoded[0]), srgbToLinear(encoded[1]), srgbToLinear(encoded[2])});
    const double chroma = std::hypot(lab[1], lab[2]);
    return weight((lab[1] * cosCentre + lab[2] * sinCentre) / std::max(chroma, 1e-6)) * hueFade(lab[0], chroma);
}

double hueFade(double lightness, double chroma) {
    constexpr double perChroma = 1 / (double(kFadeChromaHigh) - kFadeChromaLow),
                     perLight = 1 / (double(kFadeLightHigh) - kFadeLightLow);
    return smoothStep(chroma, kFadeChromaLow, perChroma) * smoothStep(lightness, kFadeLightLow, perLight);
}

double windowPresence(double most) {
    constexpr double whole = 0.05;
    return smoothStep(std::abs(most), 0, 1 / whole);
}

} // namespace baryton
