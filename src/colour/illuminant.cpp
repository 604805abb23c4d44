#include "colour/illuminant.h"
#include "colour/smooth_step.h"
#include "colour/spaces.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

Uv planckian(double t) {
    return {
        (0.860117757 + 1.54118254e-4 * t + 1.28641212e-7 * t * t) / (1 + 8.42420235e-4 * t + 7.08145163e-7 * t * t),
        (0.317398726 + 4.22806245e-5 * t + 4.20481691e-8 * t * t) / (1 - 2.89741816e-5 * t + 1.61456053e-7 * t * t)};
}

Uv daylight(double t) {
    // Two pieces in the standard, joined at 7 000 K, where they differ by 7e-6: blended over 200 K so that nothing
    // jumps.
    const auto piece = [t](double a, double b, double c, double d) { return ((a / t + b) / t + c) / t + d; };
    const double k = std::clamp((t - 6900) / 200, 0.0, 1.0);
    const double x =
        (1 - k) * piece(-4.6070e9, 2.9678e6, 99.11, 0.244063) + k * piece(-2.0064e9, 1.9018e6, 247.48, 0.237040);
    const double y = -3 * x * x + 2.870 * x - 0.275;
    const double d = -2 * x + 12 * y + 3;
    return {4 * x / d, 6 * y / d};
}

constexpr double kMostGain = 12;

double largestGain(const Vec3& light) {
    const Vec3 cones = kCat16 * light, neutral = kCat16 * illuminant(kNeutralTemperature, 0);
    double gain = 0;
    for (unsigned i = 0; i < 3; ++i) gain = std::max(gain, cones[i] > 0 ? neutral[i] / cones[i] : 1e9);
    return gain;
}

} // namespace

Uv locus(double kelvin) {
    const double t = std::clamp(kelvin, kLowestTemperature, kHighestTemperature);
    const double k = smoothStep(t, 3500, 1.0 / 500);
    const Uv black = planckian(t), day = daylight(std::max(t, 3500.0));
    return {black.u + k * (day.u - black.u), black.v + k * (day.v - black.v)};
}

Vec3 illuminant(double kelvin, double duv) {
    const double t = std::clamp(kelvin, kLowestTemperature, kHighestTemperature);
    // The tangent runs toward lower temperatures; turned by a quarter it points to the green side (larger v).
    const double mired = 1e6 / t;
    const Uv at = locus(t), warm = locus(1e6 / (mired + 0.5)), cool = locus(1e6 / (mired - 0.5));
    const double du = warm.u - cool.u, dv = warm.v - cool.v, length = std::hypot(du, dv);
    const double u = at.u - duv * dv / length, v = at.v + duv * du / length;
    const double d = 2 * u - 8 * v + 4;
    return xyzFromXy(3 * u / d, 2 * v / d);
}

Mat3 whiteBalanceMatrix(double kelvin, double tint) {
    double duv = std::clamp(tint, -1.0, 1.0) * kTintReach;
    if (largestGain(illuminant(kelvin, duv)) > kMostGain) {
        double inside = 0, outside = duv;
        for (int i = 0; i < 40; ++i) {
            const double middle = (inside + outside) / 2;
            (largestGain(illuminant(kelvin, middle)) > kMostGain ? outside : inside) = middle;
        }
        duv = inside;
    }
    return kXyzToSrgb * adaptation(kCat16, illuminant(kelvin, duv), illuminant(kNeutralTemperature, 0)) * kSrgbToXyz;
}

TemperatureTint neutralise(const Vec3& linear) {
    const auto cast = [&](double mired, double tint) {
        const Vec3 out = whiteBalanceMatrix(1e6 / mired, tint) * linear;
        const double sum = std::abs(out[0]) + std::abs(out[1]) + std::abs(out[2]) + 1e-9;
        const double a = (out[0] - out[1]) / sum, b = (out[2] - out[1]) / sum;
        return a * a + b * b;
    };
    // A pattern search: the surface has one valley, in mired and tint both.
    double mired = 1e6 / kNeutralTemperature, tint = 0, best = cast(mired, tint);
    double stepM = 100, stepT = 0.5;
    while (stepM > 0.01) {
        bool moved = false;
        for (const auto& [dm, dt] : {std::pair{stepM, 0.0}, {-stepM, 0.0}, {0.0, stepT}, {0.0, -stepT}}) {
            const double m = std::clamp(mired + dm, 1e6 / kHighestTemperature, 1e6 / kLowestTemperature);
            const double t = std::clamp(tint + dt, -1.0, 1.0), value = cast(m, t);
            if (value < best - 1e-15) mired = m, tint = t, best = value, moved = true;
        }
        if (!moved) stepM /= 2, stepT /= 2;
    }
    return {1e6 / mired, tint};
}

} // namespace baryton
