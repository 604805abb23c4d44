#pragma once
#include "grade/own_fields.h"
#include "stages/stage_type.h"

namespace baryton {

/// What a stage's or layer's own field is called and which values it takes, as of a parameter, without a tooltip.
/// Throws std::logic_error for a word that is no field.
const ParameterType& ownFieldType(const std::string& word);

} // namespace baryton
