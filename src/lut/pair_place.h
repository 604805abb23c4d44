#pragma once
#include "base/task.h"
#include "picture/picture.h"

#include <array>

namespace baryton {

/// Where a picture lies in another version of itself that was graded, resized, cropped, shifted or turned a little.
struct PairPlace {
    /// Pixel (x, y) of the one before, as {a, b, c, d, e, f}, is at (a·x + b·y + c, d·x + e·y + f) of the one after;
    /// both count from the middle of the first pixel.
    std::array<double, 6> toAfter{1, 0, 0, 0, 1, 0};
    double likeness = 0; ///< correlation of their edges there, 0…1

    double scale() const; ///< of the one after against the one before
    double turn() const;  ///< degrees clockwise
};

/// How it is looked for: on versions with so long a side, and at which sizes of the one after against the one before.
struct PlaceSearch {
    int coarseSide = 360, fineSide = 1200;
    double largest = 1.15, smallest = 0.45;
    /// Where the first look finds less likeness, or so much, that is the answer: nothing is looked at closer.
    double least = 0.1, enough = 2;
};

/// Where the edges of both fit best, however well; see findPairPlace.
PairPlace likeliestPlace(const Picture& before, const Picture& after, const PlaceSearch& search,
                         const Task* task = nullptr);

/// Finds it by their edges, which a grade leaves where they are: first at every size down to half of the picture by
/// template matching, then by maximising the enhanced correlation coefficient (Evangelidis and Psarakis 2008) of an
/// affine map; both are OpenCV's. Throws Error where they don't look like one picture.
PairPlace findPairPlace(const Picture& before, const Picture& after, const Task* task = nullptr);

/// The one after as the one before lies, of its size; `inside` receives 1 where there is something of it, else 0.
Picture laidOnto(const Picture& after, const PairPlace& place, int width, int height, std::vector<char>& inside);

} // namespace baryton
