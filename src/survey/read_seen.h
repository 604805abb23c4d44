#pragma once
#include "grade/grade.h"
#include "survey/measure_look.h"
#include "survey/runs.h"

#include <filesystem>

namespace baryton {

/// What surveys and matches need of a picture file: a small version of its source, decoded no further than that, and
/// how it was taken.
struct SeenPicture {
    Picture small; ///< whole, without its frame
    Shot shot;
    double aspect = 0;   ///< width over height of the file, upright
    bool isFine = false; ///< more than 8 bits
};

/// Throws Error for a file that can't be read. A raw file is developed as the grade says.
SeenPicture readSeen(const std::filesystem::path& file, const Grade& grade);

/// In its frame and freed of what the lens did, as the grade says, at survey's size.
SurveyPicture surveyPicture(const SeenPicture& seen, const Grade& grade);
/// In its frame, at the size that scenes are compared at.
RunPicture runPicture(const SeenPicture& seen, const Grade& grade);

} // namespace baryton
