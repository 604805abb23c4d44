#pragma once
#include "picture/perspective.h"

#include <vector>

namespace baryton {

/// What room a picture that is made straight has for a frame of given proportions, turned by an angle.
class FrameRoom {
public:
    /// `outline` encloses a place of some size; the angle is in radians.
    FrameRoom(std::vector<HalfPlane> outline, double proportions, double angle);

    /// Half the height of the largest frame that fits.
    double largest() const;
    /// The middle nearest to `wanted` for a frame of half height `b`, which fits.
    PlacedPoint middleNear(PlacedPoint wanted, double b) const;
    /// How far a frame keeps from the edge that it is nearest to; negative where it leaves the picture.
    double roomAround(PlacedPoint middle, double b) const;

private:
    std::vector<HalfPlane> outline_;
    std::vector<double> reach_; ///< along each normal, of a frame of half height 1
};

} // namespace baryton
