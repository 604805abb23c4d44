#pragma once
#include "colour/matrix.h"

namespace baryton {

/// Row-major float matrices of OKLab (Ottosson 2021) for the vector code: linear sRGB → cone responses, their cube
/// roots → Lab, and both back.
struct OklabMatrices {
    float toCones[9], fromRoots[9], toRoots[9], toRgb[9];
};
const OklabMatrices& oklabMatrices();

/// A window on the hue circle as the vector code uses it: full within `width` around the centre, falling off over
/// `softness` on either side. Written on the cosine of the angle between a hue and the centre, so that it has no
/// seam: w = smoothstep(outer, inner, cos Δ).
struct HueWindow {
    float cosCentre = 1, sinCentre = 0, outer = -2, perSpan = 1;

    HueWindow() = default;
    /// All in degrees; hue as OKLCh counts it. A width of 360 is everything.
    HueWindow(double centre, double width, double softness);
    double weight(double cosDelta) const;
    /// How much of a colour in the working encoding it takes: the window times the fades below.
    double share(const Vec3& encoded) const;
};

/// Hue and chroma stages fade in over this chroma and lightness: in dark or grey pixels noise has a hue.
constexpr float kFadeChromaLow = 0.01F, kFadeChromaHigh = 0.06F, kFadeLightLow = 0.05F, kFadeLightHigh = 0.20F;
double hueFade(double lightness, double chroma);

/// How far a window of several takes its part where they overlap, by the most that it does (0…1 of what it could):
/// one that begins to do something must not take from the others at a stroke what it shares with them.
double windowPresence(double most);

} // namespace baryton
