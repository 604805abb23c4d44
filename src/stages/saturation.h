#pragma once
#include "stages/oklab.h"
#include "stages/spline.h"

namespace baryton {

/// The constants of Saturation. With one gain for all, `mix` goes straight from cube-rooted cone responses to
/// cube-rooted cone responses; else the gain follows the chroma and the guarded hue:
///
///     gain = 1 + overall + muted·(1 − v) + vivid·v      v = smoothstep(0.03, 0.17, C), held at 0 or above
///     gain → gain · curve(C / 0.4) · 0.4 / C, eased in by the fades and held to 8, where a curve over chroma is set
///     gain → 1 within the guarded window by its strength times the fades
struct SaturationConstants {
    float toCones[9], toRgb[9], mix[9];
    bool isPlain = true;
    float overall = 0, muted = 0, vivid = 0, guardStrength = 0;
    HueWindow guard;
    Spline chroma{{}};
    static constexpr float kChromaSpan = 0.4F, kMostGain = 8;
    static constexpr float kMuted = 0.03F, kVivid = 0.17F; ///< where chroma counts as one and as the other
};

} // namespace baryton
