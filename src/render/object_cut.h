#pragma once
#include "base/task.h"
#include "render/object_surroundings.h"

namespace baryton {

struct CutOut {
    cv::Mat labels; ///< 1 for pixels of the surroundings that belong to the object, else 0
    cv::Mat isNew;  ///< 0 where they are those of before
};

/// Which pixels of the surroundings belong to the object. A graph cut about 500 pixels wide, repeated with the
/// colours that it found on either side, then one at full size in a band along its edge. `before`: the labels of an
/// earlier search, at the same size, or none: only what hangs together with the last stroke, and is what it says,
/// differs from them. Throws Cancelled when the task is.
///
/// After Rother, Kolmogorov, Blake, "GrabCut", ACM Trans. Graphics 23 (2004); the cut itself is OpenCV's. What is
/// added to it: colours in OKLab with their places beside them, so that a colour counts where it is; the depth within
/// the outline, which people draw a little too large; and what strokes reach by geodesics, after Gulshan et al.,
/// "Geodesic star convexity", CVPR 2010.
CutOut cutOut(const ObjectSurroundings& around, const cv::Mat& before, const Task* task = nullptr);

} // namespace baryton
