#pragma once
#include "stages/oklab.h"

namespace baryton {

/// The constants of Hue bands. In OKLCh, with wᵢ the window of band i times the fades of chroma and lightness,
/// divided by their sum where bands overlap to more than 1:
/// (each counting there by its presence, which is 1 from where it does a twentieth of what it could: see
/// windowPresence),
///
///     hue += Σ wᵢ·shiftᵢ     chroma ·= 1 + Σ wᵢ·saturationᵢ     lightness += Σ wᵢ·lightnessᵢ·0.25·smoothstep(0,
///     0.15, C)
///
/// The lightness change grows with chroma, so that greys keep their place.
struct HueBandsConstants {
    static constexpr int kMost = 12;
    static constexpr float kLightReach = 0.25F, kLightChroma = 0.15F;
    struct Band {
        HueWindow window;
        float presence = 1;
        float shift = 0, saturation = 0, lightness = 0; ///< shift in radians
    };
    int count = 0;
    Band bands[kMost];
};

} // namespace baryton
