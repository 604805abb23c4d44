#pragma once
#include "grade/grade.h"
#include "picture/lens.h"

#include <string>

namespace baryton {

/// The id of the stage type that takes back what a lens did.
inline const std::string kLensType = "lens";

/// What a grade says of that: of its Lens stage in Prep, where that is on, at its strength.
LensSettings lensOf(const Grade& grade);
/// What a Lens stage says at full strength, on or not.
LensSettings lensOf(const Stage& stage);

} // namespace baryton
