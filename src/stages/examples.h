#pragma once
#include "stages/stage_type.h"

namespace baryton {

/// Parameters at which a stage shows what it is for: for lists of stages and for the docs. On a picture that has
/// something for it to work on they make a plain difference.
std::map<std::string, Value> exampleOf(const std::string& type);

} // namespace baryton
