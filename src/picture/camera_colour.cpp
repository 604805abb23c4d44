#include "picture/camera_colour.h"
#include "colour/spaces.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

Vec3 withGreenOne(const Vec3& v) {
    constexpr double least = 1e-4; // of a file that says anything
    const double green = std::max(v[1], least);
    return {std::max(v[0], least) / green, 1, std::max(v[2], least) / green};
}

Uv uvOf(const Vec3& xyz) {
    const double d = xyz[0] + 15 * xyz[1] + 3 * xyz[2];
    return {4 * xyz[0] / d, 6 * xyz[1] / d};
}

/// The nearest temperature and tint: along the locus first, which bends little, then across it.
TemperatureTint nameOf(const Vec3& xyz) {
    const Uv wanted = uvOf(xyz);
    const auto distance = [&](double mired) {
        const Uv at = locus(1e6 / mired);
        return std::hypot(at.u - wanted.u, at.v - wanted.v);
    };
    double low = 1e6 / kHighestTemperature, high = 1e6 / kLowestTemperature;
    double best = low;
    constexpr int steps = 64;
    for (int i = 0; i <= steps; ++i)
        if (const double mired = low + (high - low) * i / steps; distance(mired) < distance(best)) best = mired;
    double step = (high - low) / steps;
    for (int halvings = 0; halvings < 24; ++halvings, step /= 2)
        for (const double mired : {best - step, best + step})
            if (mired >= low && mired <= high && distance(mired) < distance(best)) best = mired;
    const Uv at = locus(1e6 / best), green = uvOf(illuminant(1e6 / best, kTintReach));
    const double du = green.u - at.u, dv = green.v - at.v;
    const double tint = ((wanted.u - at.u) * du + (wanted.v - at.v) * dv) / (du * du + dv * dv);
    return {1e6 / best, std::clamp(tint, -1.0, 1.0)};
}

} // namespace

Mat3 cameraFromXyz(const CameraColour& camera, double kelvin) {
    const auto& all = camera.matrices;
    if (all.size() < 2 || all[0].kelvin == all[1].kelvin) return all.front().fromXyz;
    const double at = (1 / kelvin - 1 / all[0].kelvin) / (1 / all[1].kelvin - 1 / all[0].kelvin);
    const double share = std::clamp(at, 0.0, 1.0);
    Mat3 mixed{};
    for (std::size_t i = 0; i < mixed.size(); ++i)
        mixed[i] = (1 - share) * all[0].fromXyz[i] + share * all[1].fromXyz[i];
    return mixed;
}

CameraWhite whiteFor(const CameraColour& camera, const Vec3& numbers) {
    CameraWhite white;
    white.neutral = withGreenOne(numbers);
    white.named = {5000, 0};
    constexpr int rounds = 30;
    for (int i = 0; i < rounds; ++i) {
        const Vec3 xyz = inverse(cameraFromXyz(camera, white.named.kelvin)) * white.neutral;
        if (!(xyz[1] > 0) || !(xyz[0] > 0) || !(xyz[2] > 0)) { // of no light there is
            white.xyz = kD65;
            white.named = {kNeutralTemperature, 0};
            return white;
        }
        white.xyz = {xyz[0] / xyz[1], 1, xyz[2] / xyz[1]};
        const TemperatureTint named = nameOf(white.xyz);
        const bool stands = std::abs(1e6 / named.kelvin - 1e6 / white.named.kelvin) < 1e-3;
        white.named = named;
        if (stands) break;
    }
    return white;
}

CameraWhite whiteAsShot(const CameraColour& camera) {
    return whiteFor(camera, camera.neutral);
}

CameraWhite whiteOf(const CameraColour& camera, double kelvin, double tint) {
    const double t = std::clamp(kelvin, kLowestTemperature, kHighestTemperature);
    const Vec3 light = illuminant(t, std::clamp(tint, -1.0, 1.0) * kTintReach);
    return {withGreenOne(cameraFromXyz(camera, t) * light), light, {t, tint}};
}

CameraWhite whiteOf(const CameraColour& camera, const RawSettings& settings) {
    return settings.isAsShot ? whiteAsShot(camera) : whiteOf(camera, settings.kelvin, settings.tint);
}

Mat3 linearFromBalanced(const CameraColour& camera, const CameraWhite& white) {
    const Mat3 xyzFromCamera = inverse(cameraFromXyz(camera, white.named.kelvin));
    // What the matrix makes of the camera's white is not quite the light where two matrices meet: adapted from what
    // it is, so that white stays white.
    const Vec3 light = xyzFromCamera * white.neutral;
    const Mat3 balanced{white.neutral[0], 0, 0, 0, white.neutral[1], 0, 0, 0, white.neutral[2]};
    return kXyzToSrgb * adaptation(kCat16, light, kD65) * xyzFromCamera * balanced;
}

} // namespace baryton
