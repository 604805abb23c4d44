#pragma once
#include "grade/grade.h"
#include "picture/placement.h"
#include "picture/shot.h"

#include <map>
#include <string>
#include <vector>

namespace baryton {

/// The id of the stage type that says which part of a picture is shown, and how far it is turned.
inline const std::string kFrameType = "frame";

/// A frame in the terms of its parameters. It always lies inside the turned picture: its size is a share of the
/// largest one of its proportions that fits, and its middle is moved in as far as it must be. Where the camera was
/// turned, all this is of the picture made straight (see picture/perspective.h).
///
/// With half sides a, b, proportions p = a / b, picture W × H, angle t, c = |cos t|, s = |sin t|: the corners lie
/// inside when a·c + b·s ≤ W/2 and a·s + b·c ≤ H/2, so the largest has b = min(W / (2(p·c + s)), H / (2(p·s + c))).
/// Made straight, the picture is where a few half planes meet, n·x ≥ d each, and the largest frame that fits is a
/// linear program in its middle and b: n·c − b·h ≥ d, with h the reach of a frame of half height 1 along n.
struct FrameSettings {
    double proportions = 0;    ///< width over height; 0: the picture's own
    double size = 1;           ///< share of the largest that fits, along a side
    double x = 0.5, y = 0.5;   ///< the middle, in fractions of the picture
    double angle = 0;          ///< degrees, by which the picture is turned clockwise: −45…45
    Orientation orientation{}; ///< of the picture, ahead of all else: what is said above is of the oriented one
    CameraTurn turn{};         ///< that is taken back

    bool operator==(const FrameSettings&) const = default;
};

/// What a grade says of the frame: of its Frame stage in Prep, where that is on.
FrameSettings frameOf(const Grade& grade);
/// What a Frame stage says, on or not.
FrameSettings frameOf(const Stage& stage);

/// The parameters of a Frame stage once the picture, with the frame on it, is turned by a quarter (clockwise, or the
/// other way), mirrored as it is seen, or the frame's sides have changed places.
std::map<std::string, Value> quarterTurned(const Stage& stage, bool clockwise);
std::map<std::string, Value> mirrored(const Stage& stage);
std::map<std::string, Value> sidesSwapped(const Stage& stage);

/// Where the frame lies in a picture of this size. Without an angle it begins and ends at whole pixels.
Placement placementOf(const FrameSettings& frame, int width, int height);

/// The settings whose frame is a rectangle of the turned picture: its middle in pixels of the straight picture, its
/// sides in pixels. What does not fit is made smaller.
FrameSettings frameFrom(double centreX, double centreY, double width, double height, double angle,
                        const CameraTurn& turn, int pictureWidth, int pictureHeight);

/// Whether a rectangle of the turned picture (as for frameFrom) lies inside it, or leaves it by less than half a
/// pixel.
bool fitsPicture(double centreX, double centreY, double width, double height, double angle, const CameraTurn& turn,
                 int pictureWidth, int pictureHeight);

/// The focal length that a camera's turn is taken back by: that of its shot where that is known, else the default;
/// for a frame of 36 × 24 mm, whole mm.
double knownFocal(const Shot& shot);

/// The proportions of a choice of the parameter "ratio"; 0 for the picture's own, nothing for free ones.
std::optional<double> proportionsOf(const std::string& ratio);

} // namespace baryton
