#pragma once
#include "stages/laid_over.h"

namespace baryton {

/// The constants of Bloom, in linear light. L is a pixel's light, V its working encoding, t the threshold, s half the
/// softness:
///
///     S  = min(L, 8) · smoothstep(t − s, t + s, max V)    what shines
///     G  = ⅗ G₁ ∗ S + ⅖ G₃ ∗ S                            of the base level; G₁ of the reach, G₃ of three times it
///     D  = amount · (G − S · min(1, M / max S))           M: the most of S around, of the base level
///     L' = max(0, L + D⁺ · tint + D⁻)
///
/// What surrounds a lamp is what is taken from it; where everything is bright D is 0 and nothing changes. What is
/// taken is cut as sharply as the picture itself (taken from the base level it left black seams where a dark edge
/// stands before a light), but is never more than the base level has seen, so that a lamp of a pixel does not vanish.
/// `tint` has the luminance of white. The sum of two Gaussians is a common model of the glare of lens and eye
/// (Spencer and others, "Physically-based glare effects", 1995).
struct BloomConstants {
    static constexpr float kMostLight = 8;
    static constexpr float kNearShare = 0.6F, kFarTimes = 3;

    float amount = 0, low = 0, perSoftness = 0; ///< V from which something shines, and how fast more does
    float lowLight = 0;                         ///< the same in linear light
    float tint[3] = {1, 1, 1};
    /// Amount · G in three planes and M in the fourth, at half the base level's size.
    LaidOver laid;
};

} // namespace baryton
