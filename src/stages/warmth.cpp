// Warmth: a shift of the light's colour relative to whatever the picture has; part of a style, not of one picture.
//
// The picture that reaches the Look has been balanced, so its light counts as 6 504 K; the shift is White balance at
// that light's mired less the shift: the same steps look the same at any light.
#include "colour/illuminant.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

namespace baryton {

namespace {

struct WarmthSettings {
    double warmth = 0, tint = 0; ///< mired; −1…1
};

} // namespace

const StageType& warmthType() {
    using namespace describe;
    using S = WarmthSettings;
    static const StageType type = stageType<S>({
        .id = "warmth",
        .name = "Warmth",
        .summary = "Makes the picture warmer or cooler than it is, whatever its own white balance.",
        .parts = {Part::Look},
        .settings = {{&S::warmth,
                      number("warmth", "Warmth", -100, 100, 1, 0,
                             "To the right warmer, to the left cooler, in mired: equal steps look equal.")},
                     {&S::tint, percent("tint", "Tint", -100, 100, 0,
                                        "To the right toward magenta, to the left toward green.")}},
        .isNeutral = [](const S& s) { return s.warmth == 0 && s.tint == 0; },
        .compile =
            [](const S& s) {
                const double mired = 1e6 / kNeutralTemperature - s.warmth;
                return matrixKernel(whiteBalanceMatrix(1e6 / mired, s.tint));
            },
    });
    return type;
}

} // namespace baryton
