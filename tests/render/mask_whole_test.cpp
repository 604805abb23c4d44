// A whole mask grown, softened and taken elsewhere, and an object's raster laid over the picture.
#include "base/error.h"
#include "grade/grade_json.h"
#include "grade/mask_moves.h"
#include "picture/carried_picture.h"
#include "render/mask_weights.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace baryton {
namespace {

constexpr double kAspect = 1.5;
constexpr int kWidth = 300, kHeight = 200;

std::vector<float> weightsOf(const Mask& mask) {
    MaskScene scene;
    scene.frame.aspect = kAspect;
    return weightsOver(mask, scene, kWidth, kHeight);
}

float at(const std::vector<float>& weights, double x, double y) {
    return weights[static_cast<std::size_t>(y * kHeight) * kWidth + static_cast<std::size_t>(x * kWidth)];
}

/// A disc of this radius in the middle of a box of 0.4 × 0.4 of the long side.
MaskObject discObject(double radius) {
    constexpr int side = 200;
    std::vector<std::uint8_t> pixels(static_cast<std::size_t>(side * side));
    for (int y = 0; y < side; ++y)
        for (int x = 0; x < side; ++x) {
            const double r = std::hypot(x + 0.5 - side / 2.0, y + 0.5 - side / 2.0) * 0.4 / side;
            pixels[static_cast<std::size_t>(y * side + x)] =
                static_cast<std::uint8_t>(std::lround(255 * std::clamp((radius - r) / (0.4 / side) + 0.5, 0.0, 1.0)));
        }
    MaskObject object;
    object.x = 0.4, object.y = 0.5, object.width = object.height = 0.4;
    object.found = {"object", std::make_shared<const std::string>(encodeGrey(pixels, side, side))};
    object.outline = {{0.2, 0.2, 1}, {0.6, 0.2, 1}, {0.6, 0.8, 1}};
    return object;
}

MaskBrush brushed() {
    MaskStroke stroke;
    stroke.size = 0.05, stroke.softness = 0.3;
    stroke.points = {{0.3, 0.3, 1}, {0.5, 0.45, 0.6}};
    return {{{std::make_shared<const MaskStroke>(stroke)}}, 1};
}

std::vector<MaskShape> drawnShapes() {
    std::vector<MaskShape> shapes;
    shapes.push_back({MaskEllipse{0.35, 0.5, 0.15, 0.1, 20, 0.4}, {}, false, {}});
    shapes.push_back({MaskRamp{0.3, 0.3, 0.45, 0.6}, {}, false, {}});
    shapes.push_back({brushed(), {}, false, {}});
    shapes.push_back({discObject(0.12), {}, false, {}});
    return shapes;
}

TEST(WholeMask, AFullTurnGivesTheSameBitsAndAPlacementIsTakenBack) {
    const MaskPlacement there{0.3, 0.6, 0.12, -0.07, 1.7, 35};
    for (const MaskShape& shape : drawnShapes()) {
        Mask mask{{shape}, false, 1};
        const std::vector<float> before = weightsOf(mask);
        mask.placement.turn = 360, mask.placement.x = 0.2;
        EXPECT_EQ(weightsOf(mask), before);
        mask.shapes[0] = placed(placed(shape, there, kAspect), inverse(there), kAspect);
        mask.placement = {};
        const std::vector<float> after = weightsOf(mask);
        for (std::size_t i = 0; i < after.size(); ++i) ASSERT_NEAR(after[i], before[i], 2e-5) << shape.form.index();
    }
}

TEST(WholeMask, LiesElsewhereAsItLay) {
    const MaskPlacement there{0.4, 0.5, 0.1, 0.05, 1.4, 30};
    const double angle = there.turn * std::numbers::pi / 180;
    for (const MaskShape& shape : drawnShapes()) {
        Mask mask{{shape}, false, 1};
        const std::vector<float> before = weightsOf(mask);
        mask.placement = there;
        // Each weight is the one that lay where its place comes from.
        MaskScene scene;
        scene.frame.aspect = kAspect;
        const MaskWeights now(mask, scene.frame);
        for (int y = 20; y < kHeight - 20; y += 7)
            for (int x = 20; x < kWidth - 20; x += 7) {
                const double dx = ((x + 0.5) / kWidth - there.x) * there.scale,
                             dy = ((y + 0.5) / kHeight - there.y) / kAspect * there.scale;
                const SharePoint place = {there.x + there.moveX + std::cos(angle) * dx - std::sin(angle) * dy,
                                          there.y +
                                              (there.moveY + std::sin(angle) * dx + std::cos(angle) * dy) * kAspect};
                ASSERT_NEAR(now.at(place, {}), before[static_cast<std::size_t>(y * kWidth + x)], 1e-4)
                    << shape.form.index() << " at " << x << ", " << y;
            }
    }
}

TEST(WholeMask, GrowsByALengthWhateverItsShapesDo) {
    const auto reach = [](const Mask& mask) { // to the right of the middle, where a half is passed
        const std::vector<float> weights = weightsOf(mask);
        double x = 0.4;
        while (x < 0.99 && at(weights, x, 0.5) >= 0.5F) x += 0.25 / kWidth;
        return x;
    };
    MaskStroke dot;
    dot.size = 0.1, dot.softness = 0.5, dot.points = {{0.4, 0.5, 1}};
    const std::vector<MaskShape> round = {{MaskEllipse{0.4, 0.5, 0.1, 0.1, 0, 0.5}, {}, false, {}},
                                          {MaskBrush{{{std::make_shared<const MaskStroke>(dot)}}, 1}, {}, false, {}},
                                          {discObject(0.1), {}, false, {}},
                                          {MaskRamp{0.45, 0.5, 0.55, 0.5}, {}, false, {}}};
    for (const MaskShape& shape : round) {
        Mask mask{{shape}, false, 1};
        const double before = reach(mask);
        mask.grow = 0.03;
        EXPECT_NEAR(reach(mask) - before, 0.03, 0.005) << shape.form.index();
        mask.grow = -0.03;
        EXPECT_NEAR(reach(mask) - before, -0.03, 0.005) << shape.form.index();
        // Turned round it is the other side that grows.
        mask.isInverted = true;
        const std::vector<float> less = weightsOf(mask);
        mask.grow = 0.03;
        const std::vector<float> more = weightsOf(mask);
        for (std::size_t i = 0; i < more.size(); ++i) ASSERT_GE(more[i], less[i] - 1e-5F);
    }
    // Out of its box as well.
    Mask wide{{{discObject(0.19), {}, false, {}}}, false, 1};
    const double atFirst = reach(wide);
    wide.grow = 0.06;
    EXPECT_NEAR(reach(wide) - atFirst, 0.06, 0.005);
    // What is taken away gets less where the whole grows.
    Mask mask{{round[3], {std::get<MaskEllipse>(round[0].form), MaskShape::Way::TakeAway, false, {}}}, false, 1};
    const std::vector<float> before = weightsOf(mask);
    mask.grow = 0.03;
    const std::vector<float> after = weightsOf(mask);
    for (std::size_t i = 0; i < after.size(); ++i) ASSERT_GE(after[i], before[i] - 1e-5F);
    EXPECT_GT(at(after, 0.33, 0.5), at(before, 0.33, 0.5) + 0.2F);
}

TEST(WholeMask, SoftensOnBothSidesOfAnEdge) {
    for (const MaskShape& shape : {MaskShape{MaskEllipse{0.4, 0.5, 0.15, 0.15, 0, 0.1}, {}, false, {}},
                                   MaskShape{discObject(0.15), {}, false, {}}}) {
        Mask mask{{shape}, false, 1};
        const std::vector<float> before = weightsOf(mask);
        mask.feather = 0.08;
        const std::vector<float> after = weightsOf(mask);
        EXPECT_GT(at(before, 0.53, 0.5), 0.95F);
        EXPECT_GT(at(after, 0.53, 0.5), 0.5F);
        EXPECT_LT(at(after, 0.53, 0.5), 0.95F);
        EXPECT_LT(at(before, 0.57, 0.5), 0.05F);
        EXPECT_GT(at(after, 0.57, 0.5), 0.05F);
    }
}

TEST(WholeMask, OfAnotherLayerStaysItsComplementElsewhere) {
    Mask inner{drawnShapes(), false, 1};
    inner.grow = 0.01, inner.feather = 0.02, inner.placement = {0.4, 0.5, 0.05, 0, 1.2, 15};
    Mask outer{{{MaskOfLayer{"l1", std::make_shared<const Mask>(inner)}, {}, true, {}}}, false, 1};
    const auto complement = [&](const Mask& one, const Mask& other) {
        const std::vector<float> a = weightsOf(one), b = weightsOf(other);
        for (std::size_t i = 0; i < a.size(); ++i) ASSERT_NEAR(a[i] + b[i], 1, 1e-6);
    };
    complement(inner, outer);
    // Moved on, it is the complement of the other moved on.
    const MaskPlacement further{0.5, 0.5, -0.1, 0.1, 0.8, -20};
    Mask same = inner, shifted = settled(inner, kAspect);
    shifted.placement = further, outer.placement = further;
    complement(shifted, outer);
}

TEST(WholeMask, IsWrittenReadAndRefused) {
    Grade grade;
    Layer layer;
    layer.id = "l1", layer.name = "Boat";
    layer.mask = Mask{drawnShapes(), true, 0.5};
    layer.mask->grow = -0.02, layer.mask->feather = 0.1, layer.mask->placement = {0.25, 0.75, 0.125, -0.5, 2, 45};
    grade.look.push_back(layer);
    EXPECT_EQ(gradeFromText(gradeToText(grade)), grade);
    layer.mask->placement.scale = 0;
    EXPECT_EQ(problemOf(*layer.mask).place, "/placement/scale");
    layer.mask->placement.scale = 1, layer.mask->grow = 3;
    EXPECT_EQ(problemOf(*layer.mask).place, "/grow");
    std::get<MaskObject>(layer.mask->shapes[3].form).outline.push_back({9, 0, 1});
    layer.mask->grow = 0;
    EXPECT_EQ(problemOf(*layer.mask).place, "/shapes/3/outline");
    EXPECT_TRUE(layer.mask->isOfOnePicture());
}

TEST(WholeMask, WhatWasFoundIsSharedByAllThatHoldIt) {
    Grade grade;
    for (const char* id : {"l1", "l2"}) {
        Layer layer;
        layer.id = id, layer.name = id;
        layer.mask = Mask{{{discObject(0.1), {}, false, {}}}, false, 1};
        grade.look.push_back(layer);
    }
    PictureWork work;
    work.grade = grade;
    const PictureWork read = workFromText(workToText(work));
    const auto found = [&](std::size_t layer) {
        return std::get<MaskObject>(read.grade.look[layer].mask->shapes[0].form).found.encoded;
    };
    EXPECT_EQ(found(0), found(1)) << "one content, by pointer";
    EXPECT_EQ(read.grade, grade);
}

} // namespace
} // namespace baryton
