#pragma once
#include "stages/film_response.h"

namespace baryton {

/// The constants of Film response.
///
/// In linear light, held at 0 or above, for layer i:
///
///     E = log10(L + 0.0006)                              a mono film first sums the channels by its sensitivity
///     D = filmᵢ(E + speedᵢ)
///     D' = D + coupling·(D − mean of D)                   layers hold one another back: stronger colour
///     D'' = D' + bendᵢ·(D' − anchor densityᵢ)             crossover: the layer's slope about the anchored grey
///     P = print(printerᵢ − D''), printerᵢ set so that the anchored grey stays      (negative and mono)
///     P = full density − D''                                                       (reversal)
///     x = (10^−P − black) / (white − black)               black and white: the print of L = 0 and of L = 1
///     out = x + lift·0.15·anchor·max(0, 1 − x/anchor)²    matte blacks; the anchored grey and all above stay
///
/// Printer points shift printerᵢ after it has been set. What lay below 0 in the input is lost, as light is.
struct FilmConstants {
    struct Knee {
        float gamma, toeAt, perToe, toeScale, shoulderAt, perShoulder, shoulderScale;
    };
    bool isMono = false, isReversal = false;
    float sensitivity[3]{};
    Knee film[3]{}, print{};
    float speed[3]{}, coupling = 0, bend[3]{}, anchorDensity[3]{}, printer[3]{}, full[3]{};
    float subtract = 0, perRange = 1, lift = 0, perAnchor = 1;
};

} // namespace baryton
