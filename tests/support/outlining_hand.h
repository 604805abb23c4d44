#pragma once
#include "grade/mask.h"
#include "render/view.h"

#include <opencv2/core.hpp>
#include <string>

namespace baryton {

/// An object of a demo picture, and what it truly is (demo/scenes/object-masks.sh): 1 where it is seen, else 0.
struct TrueObject {
    std::shared_ptr<const Pyramid> picture;
    cv::Mat truth;
};
TrueObject trueObject(const std::string& picture);
/// The six whose true masks are known.
const std::vector<std::string>& picturesOfTrueObjects();

/// What a hand might do who wants just this object: a closed line this far outside of it, of the picture's long side;
/// with `fills` it passes over what is narrow, as hands do.
std::vector<StrokePoint> outlineRound(const cv::Mat& truth, double loose, bool fills);
/// And a stroke along the largest part that was found wrongly, well within it; nothing where there is none.
std::optional<MaskStroke> strokeFor(const cv::Mat& found, const cv::Mat& truth);

/// The weights of an object at the size of the truth.
cv::Mat weightsOf(const MaskObject& object, const cv::Size& size);
/// Intersection over union, of what is more than half.
double overlap(const cv::Mat& weights, const cv::Mat& truth);
/// Of the places along the object's true edge that are in focus, where the picture has a sharp step: which share have
/// the found edge within so many pixels.
double edgeShareWithin(const cv::Mat& weights, const TrueObject& object, double pixels);

} // namespace baryton
