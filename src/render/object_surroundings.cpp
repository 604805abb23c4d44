#include "render/object_surroundings.h"
#include "base/parallel.h"
#include "base/words.h"
#include "render/mask_object.h"
#include "render/mask_ranges.h"

#include <opencv2/imgproc.hpp>

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

/// How much of its own length the surroundings reach beyond an outline: what is farther away says little of what
/// stands beside the object.
constexpr double kMargin = 0.12;
constexpr int kLeastSide = 8;
constexpr double kOpenedByStroke = 0.03; ///< of the surroundings' long side

/// The level of which the surroundings have pixels enough, and no more than needed.
const Picture& levelFor(const Pyramid& source, double share) {
    const Picture* best = &source.full();
    for (const Picture& level : source.levels())
        if (share * std::max(level.width(), level.height()) >= kMostObjectSide) best = &level;
    return *best;
}

cv::Mat oklabOf(const Picture& picture, const cv::Rect& box) {
    cv::Mat colours(box.size(), CV_32FC3);
    inPieces(box.height, 16, 0, [&](int first, int last) {
        const std::size_t width = static_cast<std::size_t>(box.width),
                          padded = (width + kRowPad - 1) / kRowPad * kRowPad;
        std::vector<float> rows(6 * padded);
        const float* rgb[3];
        float* lab[3];
        for (std::size_t k = 0; k < 3; ++k)
            rgb[k] = rows.data() + k * padded, lab[k] = rows.data() + (3 + k) * padded;
        for (int y = first; y < last; ++y) {
            for (std::size_t k = 0; k < 3; ++k)
                std::copy_n(picture.row(static_cast<int>(k), box.y + y) + box.x, width, rows.data() + k * padded);
            runOklab(rgb, padded, lab);
            for (std::size_t x = 0; x < width; ++x)
                colours.at<cv::Vec3f>(y, static_cast<int>(x)) = {lab[0][x], lab[1][x], lab[2][x]};
        }
    });
    return colours;
}

Error withoutExtent() {
    return {"", "", words("the outline is too small to find anything in it"),
            words("draw round the object on the picture")};
}

cv::Rect boxRound(const MaskObject& drawn, const cv::Size& whole) {
    double left = 1, top = 1, right = 0, bottom = 0;
    const auto hold = [&](const std::vector<StrokePoint>& points) {
        for (const StrokePoint& p : points) {
            left = std::min(left, std::clamp(p.x, 0.0, 1.0)), right = std::max(right, std::clamp(p.x, 0.0, 1.0));
            top = std::min(top, std::clamp(p.y, 0.0, 1.0)), bottom = std::max(bottom, std::clamp(p.y, 0.0, 1.0));
        }
    };
    hold(drawn.outline);
    for (const SharedStroke& stroke : drawn.strokes)
        if (!stroke->erases) hold(stroke->points);
    const double margin = kMargin * std::max((right - left) * whole.width, (bottom - top) * whole.height);
    const cv::Point from(static_cast<int>(std::floor(left * whole.width - margin)),
                         static_cast<int>(std::floor(top * whole.height - margin))),
        to(static_cast<int>(std::ceil(right * whole.width + margin)),
           static_cast<int>(std::ceil(bottom * whole.height + margin)));
    return cv::Rect(from, to) & cv::Rect(cv::Point(), whole);
}

} // namespace

ObjectSurroundings::ObjectSurroundings(const Pyramid& source, const MaskObject& drawn) {
    const cv::Rect atFull = boxRound(drawn, {source.width(), source.height()});
    const Picture& level =
        levelFor(source, double(std::max(atFull.width, atFull.height)) / std::max(source.width(), source.height()));
    whole = {level.width(), level.height()};
    box = boxRound(drawn, whole);
    if (drawn.outline.size() < 3 || std::min(box.width, box.height) < kLeastSide) throw withoutExtent();
    const double by = std::min(1.0, double(kMostObjectSide - 2) / std::max(box.width, box.height));
    const auto side = [by](int length) { return std::max(kLeastSide, static_cast<int>(std::lround(length * by))); };
    const cv::Size size(side(box.width), side(box.height));
    cv::resize(oklabOf(level, box), colours, size, 0, 0, cv::INTER_AREA);

    const auto placeOf = [&](const StrokePoint& p) {
        return cv::Point(static_cast<int>(std::lround((p.x * whole.width - box.x) * by)),
                         static_cast<int>(std::lround((p.y * whole.height - box.y) * by)));
    };
    known = cv::Mat(size, CV_8U, cv::Scalar(kNotOfObject));
    isStroked = cv::Mat(size, CV_8U, cv::Scalar(0)), isLast = isStroked.clone();
    std::vector<cv::Point> outline;
    for (const StrokePoint& p : drawn.outline) outline.push_back(placeOf(p));
    cv::fillPoly(known, std::vector<std::vector<cv::Point>>{outline}, cv::Scalar(kToBeFound));
    for (const SharedStroke& stroke : drawn.strokes) {
        const double radius = stroke->size * (1 - stroke->softness / 2) * std::max(whole.width, whole.height) * by;
        const auto drawInto = [&](cv::Mat& plane, int value, int beside) {
            for (std::size_t i = 0; i < stroke->points.size(); ++i) {
                const StrokePoint &from = stroke->points[i == 0 ? 0 : i - 1], &to = stroke->points[i];
                const int thick = static_cast<int>(std::lround(radius * (from.width + to.width))) + 2 * beside;
                cv::line(plane, placeOf(from), placeOf(to), cv::Scalar(value), std::clamp(thick, 1, 4000));
            }
        };
        if (!stroke->erases) { // beside a stroke outside of the outline may be more of what it says
            cv::Mat open(size, CV_8U, cv::Scalar(0));
            drawInto(open, 255, static_cast<int>(kOpenedByStroke * std::max(size.width, size.height)));
            known.setTo(kToBeFound, open & (known == kNotOfObject) & (isStroked == 0));
        }
        drawInto(known, stroke->erases ? kNotOfObject : kOfObject, 0);
        drawInto(isStroked, 255, 0);
        if (&stroke != &drawn.strokes.back()) continue;
        drawInto(isLast, 255, 0);
        lastSays = stroke->erases ? kNotOfObject : kOfObject, lastRadius = radius;
    }
}

} // namespace baryton
