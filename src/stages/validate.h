#pragma once
#include "base/error.h"
#include "grade/grade.h"

#include <vector>

namespace baryton {

/// What is wrong with a grade: unknown stages or parameters, values of the wrong kind or out of range, stages where
/// they may not stand. Each names the JSON path. Empty when all is well.
std::vector<Error> validate(const Grade& grade);
/// Throws the first of them.
void requireValid(const Grade& grade);
/// The grade with every value that `validate` would refuse put right: numbers held to their ranges, values of a wrong
/// kind dropped. Unknown stages and parameters are kept. For grades that come back from a user's folder.
Grade repaired(const Grade& grade);

} // namespace baryton
