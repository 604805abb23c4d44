#include "colour/spaces.h"
#include "colour/transfer.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

Vec3 xyzFromXy(double x, double y) {
    return {x / y, 1.0, (1 - x - y) / y};
}

Mat3 rgbToXyz(const Vec3& red, const Vec3& green, const Vec3& blue, const Vec3& white) {
    const Mat3 corners = {red[0], green[0], blue[0], red[1], green[1], blue[1], red[2], green[2], blue[2]};
    return corners * diagonal(inverse(corners) * white);
}

const Vec3 kD65 = xyzFromXy(0.3127, 0.3290);
const Vec3 kD50 = {0.9642, 1.0, 0.8249};
const Mat3 kSrgbToXyz = rgbToXyz(xyzFromXy(0.64, 0.33), xyzFromXy(0.30, 0.60), xyzFromXy(0.15, 0.06), kD65);
const Mat3 kXyzToSrgb = inverse(kSrgbToXyz);
const Mat3 kBradford = {0.8951, 0.2664, -0.1614, -0.7502, 1.7135, 0.0367, 0.0389, -0.0685, 1.0296};
const Mat3 kCat16 = {0.401288, 0.650173, -0.051461, -0.250268, 1.204414, 0.045854, -0.002079, 0.048952, 0.953127};

const Mat3 kOklabCones = {0.4122214708, 0.5363325363, 0.0514459929, 0.2119034982, 0.6806995451,
                          0.1073969566, 0.0883024619, 0.2817188376, 0.6299787005};
const Mat3 kOklabFromRoots = {0.2104542553, 0.7936177850, -0.0040720468, 1.9779984951, -2.4285922050,
                              0.4505937099, 0.0259040371, 0.7827717662,  -0.8086757660};

Mat3 adaptation(const Mat3& cones, const Vec3& from, const Vec3& to) {
    const Vec3 a = cones * from, b = cones * to;
    return inverse(cones) * diagonal({b[0] / a[0], b[1] / a[1], b[2] / a[2]}) * cones;
}

Vec3 oklabFromLinear(const Vec3& rgb) {
    const Vec3 cones = kOklabCones * rgb;
    return kOklabFromRoots * Vec3{std::cbrt(std::max(cones[0], 0.0)), std::cbrt(std::max(cones[1], 0.0)),
                                  std::cbrt(std::max(cones[2], 0.0))};
}

Vec3 linearFromOklab(const Vec3& lab) {
    static const Mat3 toRoots = inverse(kOklabFromRoots), toRgb = inverse(kOklabCones);
    const Vec3 r = toRoots * lab;
    return toRgb * Vec3{r[0] * r[0] * r[0], r[1] * r[1] * r[1], r[2] * r[2] * r[2]};
}

Vec3 labFromSrgb(const Vec3& encoded) {
    const Vec3 xyz = kSrgbToXyz * Vec3{srgbToLinear(encoded[0]), srgbToLinear(encoded[1]), srgbToLinear(encoded[2])};
    const auto f = [](double t) {
        constexpr double delta = 6.0 / 29;
        return t > delta * delta * delta ? std::cbrt(t) : t / (3 * delta * delta) + 4.0 / 29;
    };
    const double x = f(xyz[0] / kD65[0]), y = f(xyz[1]), z = f(xyz[2] / kD65[2]);
    return {116 * y - 16, 500 * (x - y), 200 * (y - z)};
}

double deltaE2000(const Vec3& lab1, const Vec3& lab2) {
    constexpr double degree = std::numbers::pi / 180;
    const auto pow7 = [](double v) { return std::pow(v, 7); };
    constexpr double c25to7 = 6103515625.0;

    // 1: chromas after a* is stretched for near-neutral colours
    const double c1 = std::hypot(lab1[1], lab1[2]), c2 = std::hypot(lab2[1], lab2[2]);
    const double cMean7 = pow7((c1 + c2) / 2);
    const double g = 0.5 * (1 - std::sqrt(cMean7 / (cMean7 + c25to7)));
    const double a1 = (1 + g) * lab1[1], a2 = (1 + g) * lab2[1];
    const double cp1 = std::hypot(a1, lab1[2]), cp2 = std::hypot(a2, lab2[2]);
    const auto hueOf = [&](double a, double b) {
        if (a == 0 && b == 0) return 0.0;
        const double h = std::atan2(b, a) / degree;
        return h < 0 ? h + 360 : h;
    };
    const double h1 = hueOf(a1, lab1[2]), h2 = hueOf(a2, lab2[2]);

    // 2: differences; the hue difference takes the short way round, and is zero where a colour has no hue
    const double dL = lab2[0] - lab1[0], dC = cp2 - cp1;
    double dh = 0;
    if (cp1 * cp2 != 0) {
        dh = h2 - h1;
        if (dh > 180) dh -= 360;
        if (dh < -180) dh += 360;
    }
    const double dH = 2 * std::sqrt(cp1 * cp2) * std::sin(dh / 2 * degree);

    // 3: weights at the mean colour
    const double l = (lab1[0] + lab2[0]) / 2, c = (cp1 + cp2) / 2;
    double h = h1 + h2;
    if (cp1 * cp2 != 0) {
        if (std::abs(h1 - h2) > 180) h += h < 360 ? 360 : -360;
        h /= 2;
    }
    const double t = 1 - 0.17 * std::cos((h - 30) * degree) + 0.24 * std::cos(2 * h * degree) +
                     0.32 * std::cos((3 * h + 6) * degree) - 0.20 * std::cos((4 * h - 63) * degree);
    const double turn = 30 * std::exp(-std::pow((h - 275) / 25, 2));
    const double rc = 2 * std::sqrt(pow7(c) / (pow7(c) + c25to7));
    const double sl = 1 + 0.015 * (l - 50) * (l - 50) / std::sqrt(20 + (l - 50) * (l - 50));
    const double sc = 1 + 0.045 * c, sh = 1 + 0.015 * c * t;
    const double rt = -std::sin(2 * turn * degree) * rc;
    const double tl = dL / sl, tc = dC / sc, th = dH / sh;
    return std::sqrt(std::max(0.0, tl * tl + tc * tc + th * th + rt * tc * th));
}

namespace {
// BT.709: Cb = (B − Y) / 1.8556, Cr = (R − Y) / 1.5748.
constexpr double kCb = 1.8556, kCr = 1.5748;
} // namespace

Vec3 hueDirection(double degrees) {
    const double angle = degrees * std::numbers::pi / 180;
    const double r = kCr * std::sin(angle), b = kCb * std::cos(angle);
    return {r, -(0.2126 * r + 0.0722 * b) / 0.7152, b};
}

std::array<double, 2> chromaPlane(const Vec3& encoded) {
    const double y = luma(encoded[0], encoded[1], encoded[2]);
    return {(encoded[2] - y) / kCb, (encoded[0] - y) / kCr};
}

} // namespace baryton
