// Warmth: a shift of the light's colour relative to whatever the picture has; part of a style, not of one picture.
//
// The picture that reaches the Look has been balanced, so its light counts as 6 504 K; the shift is White balance at
// that light's mired less the shift: the same steps look the same at any light.
#include "colour/illuminant.h"
#include "stages/all_stages.h"
#include "stages/describe.h"

namespace baryton {

const StageType& warmthType() {
    using namespace describe;
    static const StageType type = {
        "warmth",
        "Warmth",
        "Makes the picture warmer or cooler than it is, whatever its own white balance.",
        {Part::Look},
        Footprint::Colour,
        {number("warmth", "Warmth", -100, 100, 1, 0,
                "To the right warmer, to the left cooler, in mired: equal steps look equal."),
         percent("tint", "Tint", -100, 100, 0, "To the right toward magenta, to the left toward green.")},
        [](const ParameterReader& p) { return p.number("warmth") == 0 && p.number("tint") == 0; },
        [](const ParameterReader& p) {
            Kernel kernel;
            kernel.domain = Domain::Linear;
            const double mired = 1e6 / kNeutralTemperature - p.number("warmth");
            kernel.matrix = whiteBalanceMatrix(1e6 / mired, p.number("tint"));
            return kernel;
        },
        {},
    };
    return type;
}

} // namespace baryton
