#pragma once
#include "colour/matrix.h"

namespace baryton {

/// Linear sRGB → CIE XYZ (white D65, Y of white = 1), computed from the primaries of IEC 61966-2-1.
extern const Mat3 kSrgbToXyz;
extern const Mat3 kXyzToSrgb;

/// White points as XYZ with Y = 1: D65 from x = 0.3127, y = 0.3290; D50 as the ICC profile connection space has it.
extern const Vec3 kD65;
extern const Vec3 kD50;

/// XYZ of chromaticity x, y with Y = 1.
Vec3 xyzFromXy(double x, double y);
/// Linear RGB → XYZ for primaries given as XYZ of any brightness and a white point.
Mat3 rgbToXyz(const Vec3& red, const Vec3& green, const Vec3& blue, const Vec3& white);

/// Bradford cone matrix (Lam 1985; the one ICC profiles use).
extern const Mat3 kBradford;
/// CAT16 cone matrix (Li et al. 2017, "Comprehensive color solutions: CAM16, CAT16, and CAM16-UCS").
extern const Mat3 kCat16;

/// Von Kries adaptation in the given cone space: maps `from` exactly onto `to`.
Mat3 adaptation(const Mat3& cones, const Vec3& from, const Vec3& to);

/// OKLab (Ottosson 2020, matrices of 2021) of a linear sRGB colour. Cone responses are held at 0 or above.
Vec3 oklabFromLinear(const Vec3& rgb);
Vec3 linearFromOklab(const Vec3& lab);
/// Linear sRGB → OKLab's cone responses, and cube-rooted cone responses → OKLab.
extern const Mat3 kOklabCones;
extern const Mat3 kOklabFromRoots;

/// CIE L*a*b* under D65 of a colour in the working encoding (0…1).
Vec3 labFromSrgb(const Vec3& encoded);

/// CIEDE2000 colour difference (Sharma, Wu, Dalal 2005), kL = kC = kH = 1.
double deltaE2000(const Vec3& lab1, const Vec3& lab2);

/// d(θ): the unit vector at angle θ (degrees, counter-clockwise from +Cb) of the vectorscope's BT.709 CbCr plane, as
/// an RGB offset whose luma is zero. The same amount moves a vectorscope trace equally far in every direction.
Vec3 hueDirection(double degrees);

/// BT.709 (Cb, Cr) of a pixel in the working encoding, each −0.5…0.5 inside the cube.
std::array<double, 2> chromaPlane(const Vec3& encoded);

} // namespace baryton
