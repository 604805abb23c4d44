// Exposure: every pixel's light times 2^stops. In the Look it comes on top of the picture's own.
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <cmath>

namespace baryton {

namespace {

struct ExposureSettings {
    double stops = 0;
};

} // namespace

const StageType& exposureType() {
    using S = ExposureSettings;
    static const StageType type = stageType<S>({
        .id = "exposure",
        .name = "Exposure",
        .summary = "Brightens or darkens the whole picture as if it had been exposed longer or shorter.",
        .parts = {Part::Prep, Part::Look},
        .settings = {{&S::stops, describe::stops("stops", "Stops", 5,
                                                 "One stop up doubles the light everywhere, one down halves it.")}},
        .isNeutral = [](const S& s) { return s.stops == 0; },
        .compile =
            [](const S& s) {
                const double gain = std::exp2(s.stops);
                return matrixKernel(diagonal({gain, gain, gain}));
            },
    });
    return type;
}

} // namespace baryton
