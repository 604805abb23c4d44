// White balance: the chosen light becomes neutral. See colour/illuminant.h for the formulas.
#include "colour/illuminant.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

namespace baryton {

namespace {

struct WhiteBalanceSettings {
    double temperature = kNeutralTemperature, tint = 0; ///< kelvin; −1…1
};

} // namespace

const StageType& whiteBalanceType() {
    using S = WhiteBalanceSettings;
    ParameterType temperature = describe::number(
        "temperature", "Temperature", kLowestTemperature, kHighestTemperature, 50, kNeutralTemperature,
        "The colour of the light the picture was taken in: lower for lamps (the picture turns "
        "bluer), higher for shade (it turns warmer).",
        Unit::Kelvin);
    temperature.inverse = true;
    static const StageType type = stageType<S>({
        .id = "white-balance",
        .name = "White balance",
        .summary = "Makes the light of the scene neutral.",
        .parts = {Part::Prep},
        .settings = {{&S::temperature, temperature},
                     {&S::tint,
                      describe::percent("tint", "Tint", -100, 100, 0,
                                        "Takes away a green cast (to the right) or a magenta one (to the left).")}},
        .isNeutral = [](const S& s) { return s.temperature == kNeutralTemperature && s.tint == 0; },
        .compile = [](const S& s) { return matrixKernel(whiteBalanceMatrix(s.temperature, s.tint)); },
    });
    return type;
}

} // namespace baryton
