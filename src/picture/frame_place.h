#pragma once
#include "picture/orientation.h"
#include "picture/placement.h"

namespace baryton {

/// Where the places of a frame lie in the picture that it was taken from, as that picture's file has it: upright, but
/// neither turned, cut, made straight nor freed of what its lens did. In fractions of the sides of both, so that it
/// holds for frame and source at any size.
class FramePlace {
public:
    /// The placement's part, of an oriented source of width × height.
    FramePlace(const Placement& placement, int width, int height)
        : placement_(placement), width_(width), height_(height) {}

    SharePoint toSource(SharePoint frame) const;
    /// Far outside for what no frame shows (behind the camera).
    SharePoint fromSource(SharePoint source) const;
    /// The source's width over its height, and the frame's.
    double aspect() const;
    double frameAspect() const { return double(placement_.width) / placement_.height; }
    /// Whether places that lie evenly in the frame lie evenly in the source.
    bool isEven() const { return placement_.isStraight() && !placement_.lens; }

private:
    Placement placement_;
    double width_, height_; ///< of the oriented source
};

} // namespace baryton
