#pragma once
#include "grade/grade.h"
#include "picture/small_picture.h"
#include "survey/measure_look.h"
#include "survey/runs.h"

namespace baryton {

/// In its frame and freed of what the lens did, as the grade says, at survey's size.
SurveyPicture surveyPicture(const SmallPicture& seen, const Grade& grade);
/// In its frame, at the size that scenes are compared at.
RunPicture runPicture(const SmallPicture& seen, const Grade& grade);

} // namespace baryton
