#pragma once
#include "picture/picture.h"

namespace baryton {

/// A line of a picture that ought to be level or upright, found by itself.
struct FoundLevel {
    double angle = 0;      ///< degrees by which the picture is to be turned clockwise: −15…15
    double sureness = 0;   ///< 0…1; below kLeastSure nothing in the picture tells
    double x0 = 0, y0 = 0; ///< the ends of the line, in fractions of the picture
    double x1 = 0, y1 = 0;

    static constexpr double kLeastSure = 0.25;
    bool isSure() const { return sureness >= kLeastSure; }
};

/// Looks for the angle within ±15° at which most of the picture's edges line up with the frame; a large picture
/// is made smaller first.
///
/// Edges that run nearly across (or down) are summed along lines of an angle; the sum of the squares of those sums is
/// largest where edges lie along them (projection profiles, as pages of text are straightened: Postl 1986). The line
/// is the one that holds most. Sureness is how far that peak stands out from what the other angles have.
FoundLevel findLevel(const Picture& picture);

} // namespace baryton
