#pragma once
#include "colour/matrix.h"

namespace baryton {

constexpr double kNeutralTemperature = 6504; ///< kelvin; the correlated colour temperature of D65
constexpr double kLowestTemperature = 2000, kHighestTemperature = 25000;
constexpr double kTintReach = 0.02; ///< Duv at tint ±100 %

struct Uv {
    double u, v; ///< CIE 1960 UCS
};

/// The locus of white lights at a temperature of 2 000…25 000 K: the Planckian locus (Krystek 1985, rational formula
/// in 1960 u, v) below 3 500 K, the CIE daylight locus (CIE 15:2004) above 4 000 K, blended between.
Uv locus(double kelvin);

/// XYZ (Y = 1) of the light at `kelvin`, `duv` away from the locus at a right angle; positive is greener.
Vec3 illuminant(double kelvin, double duv);

/// The matrix in linear sRGB that makes a light of `kelvin` and `tint` (−1…1, Duv = 0.02·tint) neutral: CAT16 from
/// that light to the locus at 6 504 K, so 6 504 K with tint 0 is the identity. Tint is eased back where a cone gain
/// would pass 12.
Mat3 whiteBalanceMatrix(double kelvin, double tint);

struct TemperatureTint {
    double kelvin, tint;
};
/// The setting that makes a colour (linear sRGB) neutral, found by search within the ranges; the nearest where none
/// does.
TemperatureTint neutralise(const Vec3& linear);

} // namespace baryton
