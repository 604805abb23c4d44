#pragma once
#include "grade/grade.h"

namespace baryton {

/// Checks a parsed file against the shipped schema. Throws Error with the JSON path of the first place that does not
/// fit.
void checkAgainstSchema(const Json& json);

} // namespace baryton
