// Objects that are found within an outline, against what they truly are in the scenes of the demo pictures.
#include "base/error.h"
#include "grade/grade_json.h"
#include "render/find_object.h"
#include "render/mask_object.h"
#include "support/outlining_hand.h"
#include "support/sanitized.h"

#include <gtest/gtest.h>
#include <opencv2/imgproc.hpp>

namespace baryton {
namespace {

constexpr double kLoose = 0.02;

struct Overlaps {
    double outline = 0, two = 0, four = 0, edge = 0;
};

/// Means over the six, after an outline as a hand would draw it, two strokes and four.
Overlaps meansOf() {
    Overlaps mean;
    const auto count = static_cast<double>(picturesOfTrueObjects().size());
    for (const std::string& name : picturesOfTrueObjects()) {
        const TrueObject object = trueObject(name);
        MaskObject found;
        found.outline = outlineRound(object.truth, kLoose, true);
        found = foundObject(*object.picture, found);
        cv::Mat weights = weightsOf(found, object.truth.size());
        std::string told = name + ":";
        for (int strokes = 0;; ++strokes) {
            const double is = overlap(weights, object.truth);
            told += " " + std::to_string(is).substr(0, 5);
            if (strokes == 0) mean.outline += is / count;
            if (strokes == 2) mean.two += is / count;
            if (strokes == 4) mean.four += is / count;
            if (strokes == 4) break;
            if (const auto stroke = strokeFor(weights, object.truth))
                found.strokes.push_back({std::make_shared<const MaskStroke>(*stroke)});
            found = foundObject(*object.picture, found);
            weights = weightsOf(found, object.truth.size());
        }
        const double edge = edgeShareWithin(weights, object, 3);
        mean.edge += edge / count;
        std::printf("%s, edge %.3f, %zu bytes\n", told.c_str(), edge, found.found.encoded->size());
    }
    std::printf("mean %.3f %.3f %.3f, edge %.3f\n", mean.outline, mean.two, mean.four, mean.edge);
    return mean;
}

TEST(FindObject, KnowsTheSixOfTheDemoSetBetterWithEveryStroke) {
    if (test::kSanitized) GTEST_SKIP() << "thirty searches";
    const Overlaps mean = meansOf();
    EXPECT_GE(mean.outline, 0.82);
    EXPECT_GE(mean.two, 0.90);
    EXPECT_GE(mean.four, 0.95);
    EXPECT_GE(mean.edge, 0.70); // leaves of grass before a dress and ringlets are among these edges
}

MaskObject outlined(const TrueObject& object) {
    MaskObject drawn;
    drawn.outline = outlineRound(object.truth, kLoose, true);
    return drawn;
}

TEST(FindObject, HasOneAnswerWhichSurvivesItsFileAndStaysWithinTheOutline) {
    const TrueObject object = trueObject("snow-yard");
    const MaskObject found = foundObject(*object.picture, outlined(object));
    EXPECT_EQ(*foundObject(*object.picture, outlined(object)).found.encoded, *found.found.encoded);
    EXPECT_LT(found.found.encoded->size(), 60000U);
    const cv::Mat weights = weightsOf(found, object.truth.size());
    EXPECT_GT(overlap(weights, object.truth), 0.8);
    std::vector<cv::Point> line;
    for (const StrokePoint& p : found.outline)
        line.emplace_back(static_cast<int>(p.x * object.truth.cols), static_cast<int>(p.y * object.truth.rows));
    cv::Mat beyond(object.truth.size(), CV_8U, cv::Scalar(255));
    cv::fillPoly(beyond, std::vector<std::vector<cv::Point>>{line}, cv::Scalar(0));
    cv::erode(beyond, beyond,
              cv::getStructuringElement(cv::MORPH_RECT, {13, 13})); // soft edges reach a little over it
    double most = 0;
    cv::minMaxLoc(weights, nullptr, &most, nullptr, nullptr, beyond);
    EXPECT_EQ(most, 0);

    Grade grade;
    Layer layer;
    layer.id = "l1", layer.name = "Puppet", layer.mask = Mask{{{found, {}, false, {}}}, false, 1};
    grade.look.push_back(layer);
    EXPECT_EQ(gradeFromText(gradeToText(grade)), grade);
}

TEST(FindObject, AStrokeChangesNothingThatItDoesNotReach) {
    const TrueObject object = trueObject("snow-yard");
    MaskObject found = foundObject(*object.picture, outlined(object));
    const cv::Mat before = weightsOf(found, object.truth.size());
    // A hand's breadth of snow beside the boots, far below the hat.
    const cv::Point hat(static_cast<int>(0.33 * object.truth.cols), static_cast<int>(0.12 * object.truth.rows));
    MaskStroke stroke;
    stroke.size = 0.01, stroke.softness = 0;
    stroke.points = {{0.32, 0.6, 1}, {0.34, 0.66, 1}}; // over the coat
    stroke.erases = true;
    found.strokes.push_back({std::make_shared<const MaskStroke>(stroke)});
    found = foundObject(*object.picture, found);
    const cv::Mat after = weightsOf(found, object.truth.size());
    EXPECT_LT(after.at<float>(static_cast<int>(0.63 * after.rows), static_cast<int>(0.33 * after.cols)), 0.1F);
    const cv::Rect head(0, 0, object.truth.cols, object.truth.rows / 3);
    double most = 0;
    cv::minMaxLoc(cv::abs(after(head) - before(head)), nullptr, &most);
    EXPECT_EQ(most, 0);
    EXPECT_GT(before.at<float>(hat), 0.9F);
}

TEST(FindObject, RefusesAnOutlineWithoutExtentAndStopsWhenItIsCancelled) {
    const Pyramid picture(Picture(64, 64));
    EXPECT_THROW(foundObject(picture, MaskObject()), Error);
    MaskObject drawn;
    drawn.outline = {{2, 2, 1}, {3, 2, 1}, {3, 3, 1}};
    EXPECT_THROW(foundObject(picture, drawn), Error);
    drawn.outline = {{0.2, 0.2, 1}, {0.8, 0.2, 1}, {0.5, 0.8, 1}};
    EXPECT_NO_THROW(foundObject(picture, drawn)); // all alike: nothing to find, and nothing falls over
    Task task;
    task.cancel();
    EXPECT_THROW(foundObject(picture, drawn, &task), Cancelled);
}

TEST(FindObject, WhatCantBeDecodedLetsNothingThrough) {
    MaskObject broken;
    broken.found = {"object", std::make_shared<const std::string>("\x89PNG\r\n\x1a\n and no more")};
    EXPECT_EQ(objectRaster(broken), nullptr);
    double most = 1;
    cv::minMaxLoc(weightsOf(broken, {40, 30}), nullptr, &most);
    EXPECT_EQ(most, 0);
}

} // namespace
} // namespace baryton
