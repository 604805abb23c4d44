// Exposure: every pixel's light times 2^stops. In the Look it comes on top of the picture's own.
#include "stages/all_stages.h"
#include "stages/describe.h"

#include <cmath>

namespace baryton {

const StageType& exposureType() {
    static const StageType type = {
        "exposure",
        "Exposure",
        "Brightens or darkens the whole picture as if it had been exposed longer or shorter.",
        {Part::Prep, Part::Look},
        Footprint::Colour,
        {describe::stops("stops", "Stops", 5, "One stop up doubles the light everywhere, one down halves it.")},
        [](const ParameterReader& p) { return p.number("stops") == 0; },
        [](const ParameterReader& p) {
            const double gain = std::exp2(p.number("stops"));
            Kernel kernel;
            kernel.domain = Domain::Linear;
            kernel.matrix = diagonal({gain, gain, gain});
            return kernel;
        },
    };
    return type;
}

} // namespace baryton
