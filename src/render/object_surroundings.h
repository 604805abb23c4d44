#pragma once
#include "grade/mask.h"
#include "render/view.h"

#include <opencv2/core.hpp>

namespace baryton {

/// What is known of a pixel before a search: it does not belong to the object, it does, or that is to be found.
enum ObjectPixel : std::uint8_t { kNotOfObject, kOfObject, kToBeFound };

/// The surroundings of an outline, at the size of what will be kept of the object.
struct ObjectSurroundings {
    /// Throws Error where the outline has no extent within the picture.
    ObjectSurroundings(const Pyramid& source, const MaskObject& drawn);

    cv::Size whole;            ///< of the level of the picture that was looked at
    cv::Rect box;              ///< in its pixels
    cv::Mat colours;           ///< OKLab
    cv::Mat known;             ///< ObjectPixel, by the outline, beyond which nothing belongs to it, and by strokes
    cv::Mat isStroked, isLast; ///< not 0 where a stroke said it, and where the last did
    ObjectPixel lastSays = kToBeFound;
    double lastRadius = 0; ///< of the last stroke, in pixels of `colours`
};

} // namespace baryton
