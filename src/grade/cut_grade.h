#pragma once
#include "grade/grade.h"

#include <optional>
#include <string>

namespace baryton {

/// The grade cut off before a stage; of a layer, before the Look, which is what its mask sees; the whole grade when
/// there is neither. Within its layer a stage works on what the layer has made so far, not yet laid over anything.
Grade upTo(const Grade& grade, const std::string& stageId);
Grade upTo(const Grade& grade, const StagePlace& place);
/// The rest: the grade from a stage on. Nothing where the grade can't be cut there: no such stage, or one in a layer
/// that is laid over what comes before it.
std::optional<Grade> fromOn(const Grade& grade, const std::string& stageId);

} // namespace baryton
