#pragma once
#include "stages/laid_over.h"

namespace baryton {

/// The constants of Halation, in linear light. L is a pixel's light, Y its luminance, V its working encoding, t the
/// threshold, s half the softness:
///
///     w  = smoothstep(t − s, t + s, max V)
///     S  = w · min(Y, 8)                          what shines through the layers
///     G  = ½ G₁ ∗ S + ½ G₂ ∗ S                    of the base level; G₁ of the reach, G₂ of twice it
///     L' = L + amount · G · (1 − w) · colour      only outside the lights themselves
///
/// Light that goes through all layers of a film is thrown back by its base and exposes them again from behind, the
/// red one first: a warm seam around lights, plain on dark ground (James, "The Theory of the Photographic Process",
/// 4th ed., 1977). `colour` has 1 in its largest channel, so no channel is given more than amount times the light of
/// the sources, and where nothing but them lies within reach, just that.
struct HalationConstants {
    static constexpr float kMostLight = 8;
    static constexpr float kFarTimes = 2;

    float low = 0, perSoftness = 0; ///< V from which something shines, and how fast more does
    float lowLight = 0;             ///< the same in linear light
    float colour[3] = {1, 0, 0};
    LaidOver laid; ///< amount · G in the first plane, at half the base level's size
};

} // namespace baryton
