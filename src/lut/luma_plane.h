#pragma once
#include "colour/transfer.h"
#include "picture/picture.h"

#include <opencv2/core.hpp>

#include <algorithm>

namespace baryton {

/// The luma of a picture, held to 0…1, as OpenCV takes it.
inline cv::Mat lumaPlane(const Picture& picture) {
    cv::Mat plane(picture.height(), picture.width(), CV_32F);
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x) {
            const auto at = [&](int k) { return std::clamp(picture.row(k, y)[x], 0.0F, 1.0F); };
            plane.at<float>(y, x) = static_cast<float>(luma(double(at(0)), double(at(1)), double(at(2))));
        }
    return plane;
}

} // namespace baryton
