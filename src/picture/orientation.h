#pragma once
#include "picture/picture.h"

namespace baryton {

/// Quarter turns and mirroring: pixels change their places and nothing else.
struct Orientation {
    int quarterTurns = 0;  ///< clockwise as it is seen, 0…3
    bool mirrored = false; ///< left and right change places, before the turns

    bool isNone() const { return quarterTurns == 0 && !mirrored; }
    bool swapsSides() const { return quarterTurns % 2 != 0; }
    bool operator==(const Orientation&) const = default;
};

/// What Exif's numbers 1…8 say has to be done with a picture; nothing for others.
Orientation orientationFromExif(int number);

/// What comes of an oriented picture when it is turned by another quarter clockwise, or mirrored as it is seen.
Orientation turnedOnce(const Orientation& orientation);
Orientation mirroredOnce(const Orientation& orientation);

/// A place in fractions of a picture's sides.
struct SharePoint {
    double x = 0, y = 0;
};
/// Where a place of the picture lies in the oriented one, and the other way round.
SharePoint toOriented(const Orientation& orientation, SharePoint at);
SharePoint fromOriented(const Orientation& orientation, SharePoint at);

/// The picture with its pixels in their new places.
Picture oriented(const Picture& picture, const Orientation& orientation);

} // namespace baryton
