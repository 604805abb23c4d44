#include "stages/blend.h"
#include "base/words.h"
#include "colour/smooth_step.h"

#include <algorithm>
#include <cmath>

namespace baryton {

const std::vector<ParameterType::Option>& blendModes() {
    static const std::vector<ParameterType::Option> all = [] {
        std::vector<ParameterType::Option> modes = {
            {"normal", "Normal"},         {"multiply", "Multiply"},
            {"screen", "Screen"},         {"overlay", "Overlay"},
            {"soft-light", "Soft light"}, {"hard-light", "Hard light"},
            {"darken", "Darken"},         {"lighten", "Lighten"},
            {"difference", "Difference"}, {"hue", "Hue"},
            {"saturation", "Saturation"}, {"colour", "Colour"},
            {"luminosity", "Luminosity"},
        };
        for (auto& mode : modes) mode.name = words(mode.name);
        return modes;
    }();
    return all;
}

BlendMode blendModeFrom(const std::string& id) {
    const auto& all = blendModes();
    const auto at = std::find_if(all.begin(), all.end(), [&](const auto& o) { return o.id == id; });
    return at == all.end() ? BlendMode::Normal : static_cast<BlendMode>(at - all.begin());
}

namespace {

// The names of the recommendation.
double lum(const Vec3& c) {
    return 0.3 * c[0] + 0.59 * c[1] + 0.11 * c[2];
}
double sat(const Vec3& c) {
    return std::max({c[0], c[1], c[2]}) - std::min({c[0], c[1], c[2]});
}
Vec3 setLum(Vec3 c, double l) {
    const double shift = l - lum(c);
    for (double& v : c) v += shift;
    const double n = std::min({c[0], c[1], c[2]}), x = std::max({c[0], c[1], c[2]});
    double scale = 1;
    if (n < 0) scale = std::min(scale, l / std::max(l - n, 1e-6));
    if (x > 1) scale = std::min(scale, (1 - l) / std::max(x - l, 1e-6));
    for (double& v : c) v = l + (v - l) * scale;
    return c;
}
Vec3 setSat(Vec3 c, double s) {
    const double n = std::min({c[0], c[1], c[2]}), range = std::max(sat(c), 1e-6);
    for (double& v : c) v = (v - n) / range * s;
    return c;
}
Vec3 mixed(const Vec3& a, const Vec3& b, double t) {
    return {a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t};
}

constexpr double perColour = 1 / 0.08; ///< over this much colour Hue and Saturation fade in

double separable(BlendMode mode, double b, double s) {
    switch (mode) {
    case BlendMode::Multiply:
        return b * s;
    case BlendMode::Screen:
        return b + s - b * s;
    case BlendMode::Overlay:
        return separable(BlendMode::HardLight, s, b);
    case BlendMode::HardLight:
        return s <= 0.5 ? b * 2 * s : separable(BlendMode::Screen, b, 2 * s - 1);
    case BlendMode::SoftLight: {
        if (s <= 0.5) return b - (1 - 2 * s) * b * (1 - b);
        const double d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : std::sqrt(b);
        return b + (2 * s - 1) * (d - b);
    }
    case BlendMode::Darken:
        return std::min(b, s);
    case BlendMode::Lighten:
        return std::max(b, s);
    case BlendMode::Difference:
        return std::abs(b - s);
    default:
        return s;
    }
}

} // namespace

Vec3 blended(BlendMode mode, const Vec3& lower, const Vec3& upper) {
    if (mode == BlendMode::Normal) return upper;
    Vec3 b, s, out;
    for (std::size_t k = 0; k < 3; ++k) b[k] = std::clamp(lower[k], 0.0, 1.0), s[k] = std::clamp(upper[k], 0.0, 1.0);
    switch (mode) {
    case BlendMode::Hue:
        out = mixed({lum(b), lum(b), lum(b)}, setLum(setSat(s, sat(b)), lum(b)), smoothStep(sat(s), 0, perColour));
        break;
    case BlendMode::Saturation:
        out = mixed(b, setLum(setSat(b, sat(s)), lum(b)), smoothStep(sat(b), 0, perColour));
        break;
    case BlendMode::Colour:
        out = setLum(s, lum(b));
        break;
    case BlendMode::Luminosity:
        out = setLum(b, lum(s));
        break;
    default:
        for (std::size_t k = 0; k < 3; ++k) out[k] = separable(mode, b[k], s[k]);
    }
    for (std::size_t k = 0; k < 3; ++k) out[k] += lower[k] - b[k];
    return out;
}

} // namespace baryton
