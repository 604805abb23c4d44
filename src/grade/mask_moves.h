#pragma once
#include "grade/mask.h"

#include <optional>

namespace baryton {

/// Whether a shape has a place in the picture that does not hang on what is there: ranges, links and objects have
/// none.
bool canMirror(const MaskShape& shape);
/// The same on the other side of the picture's upright middle.
MaskShape mirrored(const MaskShape& shape);

/// A drawn shape as a placement puts it; `aspect` is the picture's width over its height. One that changes nothing
/// gives the same numbers.
MaskShape placed(const MaskShape& shape, const MaskPlacement& placement, double aspect);
/// What takes a placement back.
MaskPlacement inverse(const MaskPlacement& placement);
bool isIdentity(const MaskPlacement& placement);

/// What the drawn shapes of a mask take up, before it is placed elsewhere: an upright box in fractions of the
/// picture's sides. Nothing where none is drawn.
struct MaskBounds {
    double left = 0, top = 0, right = 0, bottom = 0;
};
std::optional<MaskBounds> boundsOf(const Mask& mask, double aspect);

/// A mask with its placement, growth and feather worked into its shapes: what is computed from. Where the whole
/// covers more, what is taken away covers less.
Mask settled(const Mask& mask, double aspect);

} // namespace baryton
