#pragma once
#include "stages/spline.h"

namespace baryton {

/// The tone scale of Tone as one monotone spline on luma.
///
/// On 13 evenly spaced tones x the curve is x plus
///     contrast:   0.45·c·(x − p)·4x(1 − x)       turns about the pivot p
///     shadows:    0.20·s·12.2·x(1 − x)⁴           a bump with its top at 0.2
///     highlights: the same mirrored
///     black end:  0.15·b·(1 − x)⁶, white end: 0.15·w·x⁶
/// and every step is then held to a slope of at least 0.08, so that no setting folds the scale.
struct ToneSettings {
    double blackEnd = 0, shadows = 0, contrast = 0, pivot = 0.5, highlights = 0, whiteEnd = 0; ///< −1…1, pivot 0…1
    double rollOff = 0; ///< 0…1; comes after the curve
};
Curve toneCurve(const ToneSettings& settings);

/// Constants of Tone: below `low` luma the difference is added to all channels, above `high` the channels are scaled,
/// blended between; where scaling would take a channel past white, half of what is over is given up in colour.
///
/// The roll-off comes after the curve: with t = (f − k)/(1 − k) above the shoulder k, f becomes k + (1 − k)·t/(1 +
/// r·t): slope 1 at the shoulder, white at k + (1 − k)/(1 + r), and at r = 1 nothing, however bright, reaches past 1.
struct ToneConstants {
    Spline curve;
    float rollOff = 0; ///< r, 0…1
    static constexpr float kShoulder = 0.7F;
    static constexpr float low = 0.04F, high = 0.16F;
};

} // namespace baryton
