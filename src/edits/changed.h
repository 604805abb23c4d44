#pragma once
#include "stages/stage_type.h"

namespace baryton {

/// False for a value that acts only through others of its stage which all stand at their defaults: the hue of a wheel
/// that pulls nothing, the centre of a band that changes nothing. True for everything else.
bool isFelt(const Stage& stage, const std::string& parameter);

/// What was changed in the Look and the Finish and is felt: what a preset carries unless told otherwise. Prep is the
/// picture's own; leavings of what was tried and taken back are no part of a style.
IncludeSet changedIn(const Grade& grade);

} // namespace baryton
