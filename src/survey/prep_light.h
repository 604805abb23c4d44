#pragma once
#include "grade/grade.h"

namespace baryton {

/// What a picture's Prep makes of its light: the settings of its Exposure and White balance.
struct PrepLight {
    double stops = 0;     ///< −5…5
    double kelvin = 6504; ///< 2 000…25 000
    double tint = 0;      ///< −1…1
    bool operator==(const PrepLight&) const = default;
};
PrepLight prepLightOf(const Grade& grade);
/// The grade with those two stages set so, made where they are missing, and on.
Grade withPrepLight(Grade grade, const PrepLight& light);

} // namespace baryton
