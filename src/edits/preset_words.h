#pragma once
#include "stages/stage_type.h"

namespace baryton {

/// What applying a preset will do, before it is done: "sets 14 values in 3 stages, leaves exposure and white
/// balance". What it leaves is named for Prep, where a mistake hurts most.
std::string accountOf(const Preset& preset);

/// What one edit did, for the undo menu: "Curves: Red 3 points", "Wheels: 3 values", "Exposure off". Empty when
/// nothing differs.
std::string editText(const Grade& before, const Grade& after);

/// The grade with each stage in it that every picture has (see startingGrade), neutral where it was missing, so that
/// there is something to edit; what is there stays as it is.
Grade completed(const Grade& grade);

} // namespace baryton
