#pragma once
#include "grade/mask.h"

namespace baryton {

/// A shape as it lies in the picture seen in a mirror that stands across its width. What follows colours or another
/// layer has no place that could be mirrored.
bool canMirror(const MaskShape& shape);
MaskShape mirrored(const MaskShape& shape);

} // namespace baryton
