#pragma once
#include "grade/grade.h"
#include "picture/raw_settings.h"

#include <string>

namespace baryton {

/// The id of the stage type that says how a raw file becomes a picture.
inline const std::string kRawType = "raw";

/// What a grade says of that: of its Raw stage in Prep, where that is on.
RawSettings rawOf(const Grade& grade);
/// What a Raw stage says, on or not.
RawSettings rawOf(const Stage& stage);

/// A grade for a raw file has a Raw stage, ahead of all others: puts one there where none is.
Grade withRaw(Grade grade);

} // namespace baryton
