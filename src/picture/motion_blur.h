#pragma once
#include "picture/picture.h"

namespace baryton {

/// The picture as if it had moved evenly along a straight line while it was taken: each pixel is the mean, in linear
/// light, of `length` pixels of a line through it (a box; its ends count by the part of a pixel that they cover).
/// `angle` in radians, 0 across, turning clockwise as seen. Past the picture's edge its last pixels repeat. Colours
/// count by their alpha. Not thinner than a line of about 1.2 pixels where the direction is neither across nor down:
/// lines are read between rows and put back between them (linearly).
Picture motionBlurred(const Picture& picture, double length, double angle);

} // namespace baryton
