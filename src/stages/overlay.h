#pragma once
#include "grade/grade.h"
#include "stages/blend.h"
#include "stages/overlay_raster.h"

namespace baryton {

constexpr const char* kOverlayType = "overlay";

/// The constants of Overlay. With (x, y) a pixel's place in pixels of the view, counted from its frame's left upper
/// corner, the place in the raster is
///
///     u = ((x − X)·cos + (y − Y)·sin)·m·p + w/2,   v = (−(x − X)·sin + (y − Y)·cos)·p + h/2
///
/// X, Y: the overlay's middle; m: −1 where it is mirrored; p: pixels of the raster for one of the view. There it is
/// interpolated by the cubic of Keys (1981, a = −1/2), held to the range of the four pixels around it; past its
/// edges, which are averaged over the pixels that they cross, it is transparent.
struct OverlayConstants {
    std::shared_ptr<const OverlayRaster> raster;
    BlendMode blend = BlendMode::Screen;
    float perWidth = 1, perHeight = 1;    ///< pixels of the view in the frame
    float middleX = 0, middleY = 0;       ///< in pixels of the view
    float uX = 1, uY = 0, vX = 0, vY = 1; ///< steps in the raster for one pixel of the view
    float pixel = 1;                      ///< p
};

/// The blend mode that a picture is likely to be meant for: Normal where it is transparent in places, Screen where it
/// is dark on the whole, Multiply where it is light, Soft light between.
BlendMode likelyBlend(const PictureContent& picture);

/// How an overlay of a stage lies in a frame of `aspect` (width over height), in frame heights.
struct OverlayPlace {
    double centreX = 0, centreY = 0;
    double width = 0, height = 0; ///< of the overlay; 0 where there is none
    double turn = 0;              ///< radians, clockwise
};
OverlayPlace overlayPlace(const Stage& stage, double aspect);

} // namespace baryton
