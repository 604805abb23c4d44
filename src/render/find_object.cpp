#include "render/find_object.h"
#include "picture/carried_picture.h"
#include "render/mask_object.h"
#include "render/object_cut.h"

#include <opencv2/imgproc.hpp>

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

/// Half the side of the guided filter's squares, and the variance in OKLab that it takes for noise.
constexpr int kFilterReach = 4;
constexpr double kFilterNoise = 1e-4;

cv::Mat meanAround(const cv::Mat& of) {
    cv::Mat result;
    cv::boxFilter(of, result, CV_32F, {2 * kFilterReach + 1, 2 * kFilterReach + 1});
    return result;
}

/// Labels made weights that go with the colours: in each square the line through the colours that fits them best,
/// then the mean of all lines that a pixel has a part in. Away from the edge they stay what they are.
cv::Mat softened(const cv::Mat& labels, const cv::Mat& colours) {
    cv::Mat hard, channels[3];
    labels.convertTo(hard, CV_32F);
    cv::split(colours, channels);
    cv::Mat means[3], products[3][3], shared[3];
    const cv::Mat meanHard = meanAround(hard);
    for (int a = 0; a < 3; ++a) means[a] = meanAround(channels[a]), shared[a] = meanAround(channels[a].mul(hard));
    for (int a = 0; a < 3; ++a)
        for (int b = a; b < 3; ++b) products[a][b] = meanAround(channels[a].mul(channels[b]));
    cv::Mat slopes[3], offset(hard.size(), CV_32F);
    for (cv::Mat& slope : slopes) slope = cv::Mat(hard.size(), CV_32F, cv::Scalar(0));
    for (std::size_t i = 0; i < hard.total(); ++i) {
        const float part = meanHard.ptr<float>()[i];
        offset.ptr<float>()[i] = part;
        if (part <= 0 || part >= 1) continue;
        cv::Matx33d covariance;
        cv::Vec3d with;
        for (int a = 0; a < 3; ++a) {
            const double m = double(means[a].ptr<float>()[i]);
            with[a] = double(shared[a].ptr<float>()[i]) - m * double(part);
            for (int b = a; b < 3; ++b)
                covariance(a, b) = covariance(b, a) =
                    double(products[a][b].ptr<float>()[i]) - m * double(means[b].ptr<float>()[i]);
            covariance(a, a) += kFilterNoise;
        }
        const cv::Vec3d slope = covariance.inv(cv::DECOMP_CHOLESKY) * with;
        double rest = double(part);
        for (int a = 0; a < 3; ++a) {
            slopes[a].ptr<float>()[i] = static_cast<float>(slope[a]);
            rest -= slope[a] * double(means[a].ptr<float>()[i]);
        }
        offset.ptr<float>()[i] = static_cast<float>(rest);
    }
    cv::Mat weights = meanAround(offset);
    for (int a = 0; a < 3; ++a) weights += meanAround(slopes[a]).mul(channels[a]);
    for (std::size_t i = 0; i < hard.total(); ++i) {
        // Beyond a tenth to either side it is noise of the fit.
        const double t = std::clamp((double(weights.ptr<float>()[i]) - 0.1) / 0.8, 0.0, 1.0);
        const double part = double(meanHard.ptr<float>()[i]);
        weights.ptr<float>()[i] = part <= 0 ? 0 : part >= 1 ? 1 : static_cast<float>(t);
    }
    return weights;
}

/// What is new, with what a filter there sees.
cv::Rect boxAround(const cv::Mat& isNew) {
    constexpr int reach = 2 * kFilterReach;
    const cv::Rect box = cv::boundingRect(isNew);
    return cv::Rect(box.x - reach, box.y - reach, box.width + 2 * reach, box.height + 2 * reach) &
           cv::Rect({}, isNew.size());
}

/// The weights that were found before, where they are of the same surroundings.
cv::Mat weightsBefore(const MaskObject& before, const MaskObject& now, const cv::Size& size) {
    const bool isSame = before.x == now.x && before.y == now.y && before.width == now.width &&
                        before.height == now.height && before.turn == 0;
    const auto raster = isSame ? objectRaster(before) : nullptr;
    if (!raster) return {};
    cv::Mat weights(raster->height, raster->width, CV_32F);
    std::copy(raster->values.begin(), raster->values.end(), weights.ptr<float>());
    const cv::Mat inner = weights(cv::Rect(1, 1, raster->width - 2, raster->height - 2)); // without its border
    return inner.size() == size ? inner : cv::Mat();
}

} // namespace

MaskObject foundObject(const Pyramid& source, MaskObject drawn, const Task* task) {
    const ObjectSurroundings around(source, drawn);
    if (task) task->throwIfCancelled(), task->report(0.15);
    const MaskObject before = drawn;
    const double across = around.whole.width, down = around.whole.height, longSide = std::max(across, down);
    drawn.x = (around.box.x + around.box.width / 2.0) / across;
    drawn.y = (around.box.y + around.box.height / 2.0) / down;
    drawn.width = around.box.width / longSide, drawn.height = around.box.height / longSide;
    drawn.turn = 0;
    const cv::Mat was = weightsBefore(before, drawn, around.colours.size());
    const CutOut cut = cutOut(around, was.empty() ? was : cv::Mat((was >= 0.5F) / 255), task);
    if (task) task->throwIfCancelled(), task->report(0.85);
    cv::Mat weights = was.empty() ? cv::Mat(cut.labels.size(), CV_32F) : was.clone();
    const cv::Rect box = boxAround(cut.isNew);
    cv::Mat soft = softened(cut.labels(box), around.colours(box));
    soft.copyTo(weights(box), cut.isNew(box));
    std::vector<std::uint8_t> bytes(weights.total());
    for (std::size_t i = 0; i < bytes.size(); ++i)
        bytes[i] = static_cast<std::uint8_t>(std::lround(double(weights.ptr<float>()[i]) * 255));
    drawn.found.name = "object";
    drawn.found.encoded = std::make_shared<const std::string>(encodeGrey(bytes, weights.cols, weights.rows));
    if (task) task->report(1);
    return drawn;
}

} // namespace baryton
