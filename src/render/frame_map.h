#pragma once
#include "picture/picture.h"

#include <memory>

namespace baryton {

class BaseLevel;
class FramePlace;
class KeptPaint;

/// Where the pixels that a program runs over lie in the whole frame: what looks at places, or around itself, needs
/// it.
///
/// Pixel (x, y) of the picture at hand is column + x, row + y of a grid that begins at left, top.
struct FrameMap {
    double left = 0, top = 0;            ///< of the grid's outer corner, in fractions of the frame
    double perPixelX = 0, perPixelY = 0; ///< width and height of one pixel, in fractions of the frame
    double aspect = 1;                   ///< the frame's width over its height
    int column = 0, row = 0;             ///< of the first pixel at hand
    double scale = 1;                    ///< pixels at hand for one of the full-size picture
    bool isMoving = false; ///< a control moves: Narrow stages that can hardly be seen at this scale are left out
    /// The frame as Wide stages see it. Without one it is made of the pixels at hand, which must then be the frame.
    std::shared_ptr<const BaseLevel> base{};
    /// Where the frame lies in the picture it was taken from, for masks; null where it is all of it.
    std::shared_ptr<const FramePlace> place{};
    /// What is kept of brushed masks from one frame of a view to the next; null: nothing.
    std::shared_ptr<KeptPaint> painted{};

    /// The map of a picture that is the whole frame, at the picture's own scale.
    static FrameMap whole(const Picture& picture);
    /// The map of a part of the pixels, from x, y on.
    FrameMap part(int x, int y) const;
};

/// What a program must be given beside the pixels that are wanted of it.
struct ViewNeeds {
    int margin = 0;    ///< pixels around them
    bool base = false; ///< the base level
    bool time = false; ///< something takes its time over each pixel, and has a quicker way while a control moves

    bool covers(const ViewNeeds& other) const { return margin >= other.margin && base >= other.base; }
};

/// A rectangle of pixels.
struct PixelRect {
    int x = 0, y = 0, width = 0, height = 0;
    bool operator==(const PixelRect&) const = default;
};

} // namespace baryton
