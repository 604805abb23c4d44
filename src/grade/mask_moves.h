#pragma once
#include "grade/mask.h"

#include <functional>
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
/// A change of all places that leaves what is round round: how a drawn shape stands in another picture, or a frame.
struct MaskMove {
    std::function<void(double& x, double& y)> put; ///< fractions of the old sides to those of the new ones
    struct Turned {
        double scale = 1; ///< of lengths, each as a share of its long side
        double turn = 0;  ///< degrees clockwise
    };
    std::function<Turned(double x, double y)> around; ///< of an old place: what becomes of what stands there
    bool isMirrored = false;                          ///< ahead of the turn, top for bottom
    double scale = 1;                                 ///< of what the whole mask grows and fades by
    double aspect = 1;                                ///< of what it is taken from, width over height
};
/// The shape there. Objects are not mirrored; ranges and links stay as they are.
MaskShape moved(const MaskShape& shape, const MaskMove& move);
/// The mask there: its placement, growth and feather are those of its shapes; numbers are held to what a mask may
/// have.
Mask moved(const Mask& mask, const MaskMove& move);

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
