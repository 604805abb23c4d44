#pragma once
#include "stages/oklab.h"
#include "stages/stage_type.h"

#include <optional>

namespace baryton {

/// Where a Look stage acts: a range of tones (luma of its input) and one of hues (OKLCh), as the vector code uses
/// them.
///
///     w = smoothstep(low − s, low, y) · (1 − smoothstep(high, high + s, y)) · h      y = luma held to 0…1
///     h = window(hue)·fade, going over to 1 everywhere as the width passes from 300° to 360°
///
/// The tone range is whole between low and high and fades outside it, so that a range from black to white is
/// everything. Its parameters are part of every Look stage, so that files, presets and editors know them as any
/// other.
struct Limits {
    float low = 0, high = 1, perSoftness = 5;
    HueWindow hue;
    float openHue = 1; ///< 1 where every hue is let through, grey too

    /// Nothing when the stage acts everywhere.
    static std::optional<Limits> of(const Stage& stage);
    /// The weight of one colour in the working encoding; the vector code computes the same.
    double weight(const Vec3& encoded) const;
};

/// The parameters that every stage of the Look has beside its own.
const std::vector<ParameterType>& limitParameters();

} // namespace baryton
