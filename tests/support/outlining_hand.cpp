#include "support/outlining_hand.h"
#include "picture/picture_file.h"
#include "render/mask_weights.h"

#include <opencv2/imgproc.hpp>

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

cv::Mat distanceOutside(const cv::Mat& shape) {
    cv::Mat distance;
    cv::distanceTransform(1 - shape, distance, cv::DIST_L2, 5);
    return distance;
}

/// The farthest place that a straight line from `from` reaches without coming nearer to the end of `depth` than
/// `least`; only away from `not`, where that is another place.
cv::Point farthest(const cv::Mat& depth, cv::Point from, cv::Point other, double least) {
    cv::Point best = from;
    double longest = 0;
    for (int y = 0; y < depth.rows; y += 2)
        for (int x = 0; x < depth.cols; x += 2) {
            const cv::Point way = cv::Point(x, y) - from;
            const double length = std::hypot(way.x, way.y);
            if (double(depth.at<float>(y, x)) < least || length <= longest || way.dot(other - from) > 0) continue;
            bool isWithin = true;
            const int steps = static_cast<int>(length) + 1;
            for (int i = 0; i <= steps && isWithin; ++i)
                isWithin = double(depth.at<float>(from + way * i / steps)) >= least;
            if (isWithin) longest = length, best = {x, y};
        }
    return best;
}

} // namespace

const std::vector<std::string>& picturesOfTrueObjects() {
    static const std::vector<std::string> names = {"backstage-mixed", "meadow-cart",     "snow-yard",
                                                   "lake-fog",        "workshop-window", "lantern-alley"};
    return names;
}

TrueObject trueObject(const std::string& picture) {
    const std::string root = BARYTON_SOURCE;
    const Picture mask = readPicture(root + "/tests/data/masks/" + picture + ".png").picture;
    TrueObject object;
    object.picture =
        std::make_shared<const Pyramid>(readPicture(root + "/demo/pictures/" + picture + ".jpg").picture);
    object.truth = cv::Mat(mask.height(), mask.width(), CV_8U);
    for (int y = 0; y < mask.height(); ++y)
        for (int x = 0; x < mask.width(); ++x) object.truth.at<std::uint8_t>(y, x) = mask.row(0, y)[x] > 0.5F ? 1 : 0;
    return object;
}

std::vector<StrokePoint> outlineRound(const cv::Mat& truth, double loose, bool fills) {
    const double away = loose * std::max(truth.cols, truth.rows);
    cv::Mat wide = (distanceOutside(truth) < (fills ? 2 : 1) * away) / 255;
    if (fills) { // as far in again as it went too far out
        cv::Mat depth;
        cv::distanceTransform(wide, depth, cv::DIST_L2, 5);
        wide = (depth > away) / 255;
    }
    std::vector<std::vector<cv::Point>> lines;
    cv::findContours(wide, lines, cv::RETR_EXTERNAL, cv::CHAIN_APPROX_NONE);
    const auto longest = std::max_element(lines.begin(), lines.end(),
                                          [](const auto& a, const auto& b) { return a.size() < b.size(); });
    std::vector<cv::Point> few;
    cv::approxPolyDP(*longest, few, 3, true);
    std::vector<StrokePoint> outline;
    for (const cv::Point& p : few) outline.push_back({(p.x + 0.5) / truth.cols, (p.y + 0.5) / truth.rows, 1});
    return simplified(outline, double(truth.cols) / truth.rows, 0);
}

std::optional<MaskStroke> strokeFor(const cv::Mat& found, const cv::Mat& truth) {
    cv::Mat wrong, parts, numbers, middles;
    cv::bitwise_xor((found > 0.5F) / 255, truth, wrong);
    cv::morphologyEx(wrong, wrong, cv::MORPH_OPEN, cv::getStructuringElement(cv::MORPH_ELLIPSE, {5, 5}));
    const int count = cv::connectedComponentsWithStats(wrong, parts, numbers, middles);
    int largest = 0;
    for (int k = 1; k < count; ++k)
        if (largest == 0 || numbers.at<int>(k, cv::CC_STAT_AREA) > numbers.at<int>(largest, cv::CC_STAT_AREA))
            largest = k;
    if (largest == 0) return std::nullopt;
    cv::Mat depth;
    cv::distanceTransform((parts == largest) / 255, depth, cv::DIST_L2, 5);
    double deepest = 0;
    cv::Point middle;
    cv::minMaxLoc(depth, nullptr, &deepest, nullptr, &middle);
    const double least = std::max(2.0, 0.35 * deepest);
    const cv::Point one = farthest(depth, middle, middle, least), other = farthest(depth, middle, one, least);
    MaskStroke stroke;
    stroke.size = std::max(2.0, 0.8 * least) / std::max(truth.cols, truth.rows), stroke.softness = 0;
    stroke.erases = truth.at<std::uint8_t>(middle) == 0;
    for (const cv::Point& p : {one, middle, other})
        stroke.points.push_back({(p.x + 0.5) / truth.cols, (p.y + 0.5) / truth.rows, 1});
    return stroke;
}

cv::Mat weightsOf(const MaskObject& object, const cv::Size& size) {
    MaskScene scene;
    scene.frame.aspect = double(size.width) / size.height;
    const std::vector<float> weights =
        weightsOver(Mask{{{object, {}, false, {}}}, false, 1}, scene, size.width, size.height);
    cv::Mat plane(size, CV_32F);
    std::copy(weights.begin(), weights.end(), plane.ptr<float>());
    return plane;
}

double overlap(const cv::Mat& weights, const cv::Mat& truth) {
    const cv::Mat found = (weights > 0.5F) / 255;
    return double(cv::countNonZero(found & truth)) / cv::countNonZero(found | truth);
}

double edgeShareWithin(const cv::Mat& weights, const TrueObject& object, double pixels) {
    const auto edgeOf = [](const cv::Mat& shape) {
        cv::Mat inner;
        cv::erode(shape, inner, cv::Mat());
        return cv::Mat(shape - inner);
    };
    const Picture& picture = object.picture->full();
    cv::Mat green(object.truth.size(), CV_32F), across, down, steepness;
    for (int y = 0; y < green.rows; ++y) std::copy_n(picture.row(1, y), green.cols, green.ptr<float>(y));
    cv::Sobel(green, across, CV_32F, 1, 0, 3, 1.0 / 8), cv::Sobel(green, down, CV_32F, 0, 1, 3, 1.0 / 8);
    cv::magnitude(across, down, steepness);
    cv::dilate(steepness, steepness, cv::getStructuringElement(cv::MORPH_RECT, {5, 5}));
    constexpr double sharp = 0.05; // a step of a tenth within two pixels
    const cv::Mat edge = edgeOf(object.truth) & ((steepness > sharp) / 255),
                  away = distanceOutside(edgeOf((weights > 0.5F) / 255));
    return double(cv::countNonZero(edge & (away <= pixels))) / cv::countNonZero(edge);
}

} // namespace baryton
