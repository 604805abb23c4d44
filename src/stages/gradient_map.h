#pragma once
#include "stages/blend.h"
#include "stages/stage_type.h"

#include <vector>

namespace baryton {

/// The constants of Gradient map: the colours of the gradient over luma 0…1 as a table per channel (1024 even steps,
/// linear between, so that a stop's corner is rounded over a thousandth), the blend mode and the amount.
///
/// Between two stops the colour goes straight in the chosen space: the working encoding, linear light, or OKLab.
/// Below the first and above the last stop their colours go on.
struct GradientMapConstants {
    static constexpr int kSteps = 1024;
    std::vector<float> table[3]; ///< kSteps + 1 entries
    BlendMode mode = BlendMode::Normal;
    float amount = 0;

    Vec3 at(double y) const;
};

/// The colour of a Gradient map stage at luma y (0…1), before it is laid over anything; in the working encoding.
Vec3 gradientColour(const Stage& stage, double y);

} // namespace baryton
