// White balance: the chosen light becomes neutral. See colour/illuminant.h for the formulas.
#include "colour/illuminant.h"
#include "stages/all_stages.h"
#include "stages/describe.h"

namespace baryton {

const StageType& whiteBalanceType() {
    static const StageType type = [] {
        ParameterType temperature{"temperature",
                                  "Temperature",
                                  ParameterKind::Number,
                                  Unit::Kelvin,
                                  kLowestTemperature,
                                  kHighestTemperature,
                                  50,
                                  kNeutralTemperature,
                                  "The colour of the light the picture was taken in: lower for lamps (the picture "
                                  "turns bluer), higher for shade (it turns warmer)."};
        temperature.mired = true;
        return StageType{
            "white-balance",
            "White balance",
            "Makes the light of the scene neutral.",
            {Part::Prep},
            Footprint::Colour,
            {temperature,
             describe::percent("tint", "Tint", -100, 100, 0,
                               "Takes away a green cast (to the right) or a magenta one (to the left).")},
            [](const ParameterReader& p) {
                return p.number("temperature") == kNeutralTemperature && p.number("tint") == 0;
            },
            [](const ParameterReader& p) {
                Kernel kernel;
                kernel.domain = Domain::Linear;
                kernel.matrix = whiteBalanceMatrix(p.number("temperature"), p.number("tint"));
                return kernel;
            },
        };
    }();
    return type;
}

} // namespace baryton
