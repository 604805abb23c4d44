#pragma once
#include "picture/picture_file.h"
#include "render/view.h"
#include "stages/source.h"

namespace baryton {

// The base level of a picture that is turned, made straight or freed of its lens is made from a smaller version of
// its source, which is placed in a fraction of the time; what it loses of sharpness that way the base level would not
// have had. Files and the window do the same, so they agree.

/// How often the source is halved for it; 0: the base level is made of the placed picture itself, because that copies
/// its pixels or is not large enough.
int baseHalvings(const Placement& placement);
/// The base level's pixels, from a source that was halved so often and its placement at that size. `size` is that of
/// the placed picture.
Picture placedBase(const Picture& source, const Placement& placement, PictureSize size, const Task* task = nullptr);

/// A picture in its place, at all its halvings. Throws Cancelled.
std::shared_ptr<const Pyramid> placedPyramid(const Pyramid& source, const Geometry& geometry,
                                             const Task* task = nullptr);

} // namespace baryton
