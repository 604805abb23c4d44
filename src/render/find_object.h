#pragma once
#include "base/task.h"
#include "grade/mask.h"
#include "render/view.h"

namespace baryton {

/// The object that `drawn` has an outline round, with what is found of it: box and weights. Strokes say what belongs
/// to it and what does not; what was found before is where the search begins, so that a stroke changes little
/// elsewhere.
///
/// By two graph cuts (render/object_cut.h), whose edge is then made soft by He, Sun, Tang's "Guided Image Filtering",
/// IEEE PAMI 35 (2013). Outside of the outline nothing belongs to it but what strokes say. The same question has the
/// same answer.
///
/// `source`: the picture as its file has it, upright, also a stand-in. Throws Error where the outline has no extent
/// within the picture, Cancelled when the task is.
MaskObject foundObject(const Pyramid& source, MaskObject drawn, const Task* task = nullptr);

/// Places of an outline that a hand drew, as it is kept: few enough, and enough to see no difference.
constexpr double kOutlineTolerance = 0.001;

} // namespace baryton
