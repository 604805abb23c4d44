#pragma once
#include "grade/grade.h"
#include "picture/picture.h"

#include <filesystem>

namespace baryton::bench {

/// A set of 24 MP JPEGs looked at before its run, against the JPEG library that decodes them at an eighth.
void compareSurvey(const Grade& look, const std::filesystem::path& folder);

} // namespace baryton::bench
