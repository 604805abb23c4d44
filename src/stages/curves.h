#pragma once
#include "stages/spline.h"

namespace baryton {

/// How the common curve acts: on each channel; on the largest and the smallest, the middle one keeping its place
/// between them (which keeps the hue of HSV); or on luma, the difference added to all three.
enum class CurveResponse { Channels, HoldHue, Luma };

/// The constants of Curves. They act in this order: the common curve, the channels' own (so that a cast set with them
/// stays when the common curve changes), luma, then lightness and the two opponent axes in OKLab.
///
/// The axes a and b are shown with their middle at 0.5: x = a / 0.8 + 0.5.
struct CurvesConstants {
    Spline rgb, channel[3], luma, lightness, a, b;
    CurveResponse response = CurveResponse::Channels;
    static constexpr float axisSpan = 0.8F;

    bool hasLab() const { return lightness.knots + a.knots + b.knots > 0; }
};

} // namespace baryton
