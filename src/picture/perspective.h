#pragma once
#include "colour/matrix.h"

#include <optional>
#include <vector>

namespace baryton {

/// A place in a picture, in pixels from its outer corner: pixel (i, j) has its centre at i + ½, j + ½.
struct PlacedPoint {
    double x = 0, y = 0;
};

/// Through a projective map of the plane, x' = (m·(x, y, 1))ₓ / (m·(x, y, 1))_w. The caller knows that w is not 0.
PlacedPoint through(const Mat3& map, PlacedPoint at);
/// The w of it: positive before the camera, growing with the distance from what is pictured.
double depthAt(const Mat3& map, PlacedPoint at);

constexpr Mat3 kNoPerspective = {1, 0, 0, 0, 1, 0, 0, 0, 1};
constexpr double kMostTurn = 35;                           ///< degrees, of tilt and swing
constexpr double kShortestFocal = 12, kLongestFocal = 300; ///< mm, for a frame of 36 × 24 mm

/// How a camera stood before something flat and upright that it pictured.
struct CameraTurn {
    double tilt = 0;   ///< degrees, upward
    double swing = 0;  ///< degrees, to the right
    double focal = 35; ///< mm, for a frame of 36 × 24 mm: the diagonal of any picture counts as 43.27 mm

    bool isNone() const { return tilt == 0 && swing == 0; }
    bool operator==(const CameraTurn&) const = default;
};

/// From the straight picture, as it were had the camera not been turned, to a picture of width × height pixels.
///
/// The straight picture is pixels too; the middle of the picture is the middle of both, and there neither is larger
/// than the other. With f the focal length in pixels, s the places of the straight picture from its optical axis, and
/// M = Rx(−tilt)·Ry(−swing), the picture's places from its middle are f·(x, y)/z of M·(s, f). (Hartley and Zisserman,
/// Multiple View Geometry, 2003, 8.4.2: the pictures of one camera turned about its middle.)
Mat3 straightToPicture(const CameraTurn& turn, double width, double height);

/// The straight picture is where a·x + b·y ≥ c holds for all of these, with (a, b) of length 1: where there is a
/// picture, and where it is neither drawn out to more than twice its width nor pressed together to less than half.
struct HalfPlane {
    double a = 0, b = 0, c = 0;
    double room(PlacedPoint at) const { return a * at.x + b * at.y - c; }
};
std::vector<HalfPlane> straightOutline(const Mat3& straightToPicture, double width, double height);

/// Where a place of the picture lies in the straight one. What has no place within its outline for being too near or
/// too far (behind the camera, past the horizon) is moved toward the picture's middle first.
PlacedPoint toStraight(const Mat3& straightToPicture, PlacedPoint picture, double width, double height);

/// A line drawn along something in a picture, from end to end.
struct DrawnLine {
    PlacedPoint from, to;
};
/// What makes lines straight: the camera's turn, and by how much the straight picture is to be turned clockwise.
struct Straightening {
    CameraTurn turn;
    double angle = 0; ///< degrees
};
/// The same once the picture, and what is made of it, is turned by a quarter.
Straightening turnedByQuarter(const Straightening& straightening, bool clockwise);

/// Two lines that ought to be upright (or none), and two that ought to be level (or none), in a picture of
/// width × height pixels: what makes them so. Where only one pair is given, the other turn stays as it is in `known`.
/// With both, the focal length is what makes the two directions square to each other, where they tell it; else that
/// of `known`. Nothing where the lines of a pair lie in one another, ask for more than kMostTurn or 45° of angle, or
/// where no camera sees two directions so that are square to each other.
std::optional<Straightening> straightenedBy(const std::vector<DrawnLine>& upright,
                                            const std::vector<DrawnLine>& level, const CameraTurn& known,
                                            double width, double height);

} // namespace baryton
