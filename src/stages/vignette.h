#pragma once

namespace baryton {

/// The constants of Vignette; formula in vignette.cpp.
struct VignetteConstants {
    float centreX, centreY, perRadiusX, perRadiusY, cosTurn, sinTurn, low, perWidth, stops, spare;
};

} // namespace baryton
