#pragma once
#include "stages/oklab.h"

namespace baryton {

/// The constants of Monochrome. In OKLCh:
///
///     L' = L + filter·fade·(Σ wᵢ·lightnessᵢ / max(1, Σ wᵢpᵢ))·0.35·smoothstep(0, 0.15, C)
///     a' = tint·0.08·cos(h)·4L'(1 − L'), b' likewise with sin: strongest in the middle, none at the ends
///
/// with pᵢ the presence of a family (see windowPresence), and the picture is mixed toward (L', a', b') by the amount.
struct MonochromeConstants {
    static constexpr int kBands = 8;
    static constexpr float kLightReach = 0.35F, kLightChroma = 0.15F, kTintReach = 0.08F;
    float amount = 0, tintA = 0, tintB = 0;
    float lightness[kBands]{}, presence[kBands]{};
    HueWindow windows[kBands];
};

} // namespace baryton
