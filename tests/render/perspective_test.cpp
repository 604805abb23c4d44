#include "picture/light.h"
#include "picture/source_places.h"
#include "stages/frame.h"
#include "support/samples.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace baryton::test {

namespace {

constexpr double kSeenWidth = 640, kSeenHeight = 420;

CameraTurn randomTurn(Random& random, double most) {
    return {uniform(random, -most, most), uniform(random, -most, most), uniform(random, 18, 120)};
}

/// A camera's picture of a line of the wall before it, written as a camera makes one: points of the wall, turned into
/// the camera's axes and divided by their distance.
DrawnLine pictured(const CameraTurn& turn, double roll, Vec3 from, Vec3 to) {
    const auto place = [&](const Vec3& wall) {
        const double t = turn.tilt * std::numbers::pi / 180, s = turn.swing * std::numbers::pi / 180,
                     r = roll * std::numbers::pi / 180;
        // Rolled, swung to the right, then tilted upward; x to the right, y down, z away.
        const Vec3 rolled = {wall[0] * std::cos(r) + wall[1] * std::sin(r),
                             -wall[0] * std::sin(r) + wall[1] * std::cos(r), wall[2]};
        const Vec3 swung = {rolled[0] * std::cos(s) - rolled[2] * std::sin(s), rolled[1],
                            rolled[0] * std::sin(s) + rolled[2] * std::cos(s)};
        const Vec3 at = {swung[0], swung[1] * std::cos(t) + swung[2] * std::sin(t),
                         -swung[1] * std::sin(t) + swung[2] * std::cos(t)};
        const double f = turn.focal / std::hypot(36, 24) * std::hypot(kSeenWidth, kSeenHeight);
        return PlacedPoint{kSeenWidth / 2 + f * at[0] / at[2], kSeenHeight / 2 + f * at[1] / at[2]};
    };
    return {place(from), place(to)};
}
std::vector<DrawnLine> uprights(const CameraTurn& turn, double roll) {
    return {pictured(turn, roll, {-0.2, -0.1, 1}, {-0.2, 0.12, 1}),
            pictured(turn, roll, {0.25, 0.1, 1}, {0.25, -0.1, 1})};
}
std::vector<DrawnLine> levels(const CameraTurn& turn, double roll) {
    return {pictured(turn, roll, {-0.2, -0.12, 1}, {0.2, -0.12, 1}),
            pictured(turn, roll, {0.2, 0.1, 1}, {-0.1, 0.1, 1})};
}

FrameSettings framed(const CameraTurn& turn, double size = 1, double angle = 0, double proportions = 0) {
    FrameSettings frame;
    frame.turn = turn, frame.size = size, frame.angle = angle, frame.proportions = proportions;
    return frame;
}

} // namespace

TEST(Perspective, LinesTellHowTheCameraWasTurned) {
    Random random(11);
    int told = 0;
    for (int i = 0; i < 500; ++i) {
        const CameraTurn turn = randomTurn(random, 20);
        const double roll = uniform(random, -12, 12);
        // Two of each: all is found, the focal length too where both pairs run together enough to tell it.
        const auto both =
            straightenedBy(uprights(turn, roll), levels(turn, roll), {0, 0, turn.focal}, kSeenWidth, kSeenHeight);
        ASSERT_TRUE(both);
        EXPECT_NEAR(both->turn.tilt, turn.tilt, 1e-6);
        EXPECT_NEAR(both->turn.swing, turn.swing, 1e-6);
        EXPECT_NEAR(both->angle, roll, 1e-6);
        if (std::abs(turn.tilt) > 3 && std::abs(turn.swing) > 3) {
            const auto unknown =
                straightenedBy(uprights(turn, roll), levels(turn, roll), {}, kSeenWidth, kSeenHeight);
            ASSERT_TRUE(unknown);
            EXPECT_NEAR(unknown->turn.focal, turn.focal, 1e-4);
            EXPECT_NEAR(unknown->turn.tilt, turn.tilt, 1e-4);
            ++told;
        }
        // Two uprights tell the tilt, two level lines the swing, each beside the other turn that is known.
        const auto upright =
            straightenedBy(uprights(turn, roll), {}, {0, turn.swing, turn.focal}, kSeenWidth, kSeenHeight);
        ASSERT_TRUE(upright);
        EXPECT_NEAR(upright->turn.tilt, turn.tilt, 1e-6);
        EXPECT_NEAR(upright->angle, roll, 1e-6);
        const auto level =
            straightenedBy({}, levels(turn, roll), {turn.tilt, 0, turn.focal}, kSeenWidth, kSeenHeight);
        ASSERT_TRUE(level);
        EXPECT_NEAR(level->turn.swing, turn.swing, 1e-6);
        EXPECT_NEAR(level->angle, roll, 1e-6);
    }
    EXPECT_GT(told, 200);
}

TEST(Perspective, LinesThatSayNothingAreRefused) {
    const DrawnLine line{{100, 50}, {110, 380}};
    EXPECT_FALSE(straightenedBy({line, line}, {}, {}, kSeenWidth, kSeenHeight)) << "one line twice";
    EXPECT_FALSE(straightenedBy({line, {{110, 380}, {100, 50}}}, {}, {}, kSeenWidth, kSeenHeight));
    EXPECT_FALSE(straightenedBy({{{5, 5}, {5, 5}}, line}, {}, {}, kSeenWidth, kSeenHeight)) << "a line of no length";
    EXPECT_FALSE(straightenedBy({}, {}, {}, kSeenWidth, kSeenHeight));
    EXPECT_FALSE(
        straightenedBy({{{50, 0}, {300, 400}}, {{590, 0}, {340, 400}}}, {}, {0, 0, 14}, kSeenWidth, kSeenHeight))
        << "more than can be straightened";
    EXPECT_FALSE(
        straightenedBy({line, {{500, 50}, {495, 380}}}, {line, {{500, 50}, {495, 380}}}, {}, kSeenWidth, kSeenHeight))
        << "upright and level at once";
    const auto straight =
        straightenedBy({{{100, 10}, {100, 400}}, {{500, 10}, {500, 400}}}, {}, {}, kSeenWidth, kSeenHeight);
    ASSERT_TRUE(straight) << "what is straight needs nothing";
    EXPECT_NEAR(straight->turn.tilt, 0, 1e-9);
}

TEST(Perspective, TheFrameLiesInsideIsAsLargeAsItSaysAndKeepsItsPlace) {
    Random random(5);
    for (int i = 0; i < 1500; ++i) {
        FrameSettings frame = framed(randomTurn(random, i % 3 ? 15 : kMostTurn), uniform(random, 0.2, 1));
        if (i % 2) frame.angle = uniform(random, -45, 45);
        if (i % 5) frame.proportions = uniform(random, 0.3, 3);
        frame.turn.focal = i % 7 ? frame.turn.focal : kShortestFocal;
        frame.x = uniform(random, 0, 1), frame.y = uniform(random, 0, 1);
        const Placement p = placementOf(frame, 640, 420);
        ASSERT_GT(p.width, 0);
        for (const double x : {0.0, double(p.width)})
            for (const double y : {0.0, double(p.height)}) {
                const PlacedPoint at = toSource(p, {x, y});
                ASSERT_TRUE(at.x > -1e-4 && at.x < 640 + 1e-4 && at.y > -1e-4 && at.y < 420 + 1e-4)
                    << at.x << ' ' << at.y << " tilt " << frame.turn.tilt << " swing " << frame.turn.swing;
                const PlacedPoint back = fromSource(p, at);
                ASSERT_NEAR(back.x, x, 1e-5);
                ASSERT_NEAR(back.y, y, 1e-5);
            }
        FrameSettings whole = frame;
        whole.size = 1;
        const Placement most = placementOf(whole, 640, 420);
        ASSERT_NEAR(p.height, frame.size * most.height, 1.5);
        ASSERT_FALSE(fitsPicture(most.centreX, most.centreY, most.width + 4, most.height + 4, frame.angle, frame.turn,
                                 640, 420))
            << "the largest can't be larger where it is";
        const FrameSettings again =
            frameFrom(p.centreX, p.centreY, p.width, p.height, frame.angle, frame.turn, 640, 420);
        const Placement second = placementOf(again, 640, 420);
        ASSERT_NEAR(second.centreX, p.centreX, 1);
        ASSERT_NEAR(second.width, p.width, 1);
        ASSERT_NEAR(second.height, p.height, 1);
    }
    // Where there is room the middle stays at its place of the picture, whatever the turn.
    for (const double tilt : {-20.0, -3.0, 12.0}) {
        FrameSettings frame = framed({tilt, 4, 35}, 0.3);
        frame.x = 0.45, frame.y = 0.55;
        const Placement p = placementOf(frame, 640, 420);
        const PlacedPoint at = toSource(p, {p.width / 2.0, p.height / 2.0});
        EXPECT_NEAR(at.x, 0.45 * 640, 1e-6);
        EXPECT_NEAR(at.y, 0.55 * 420, 1e-6);
    }
}

TEST(Perspective, TheMiddleIsNeitherLargerNorSmaller) {
    for (const CameraTurn turn : {CameraTurn{20, 0, 24}, CameraTurn{-8, 14, 50}}) {
        const Mat3 m = straightToPicture(turn, 640, 420);
        const PlacedPoint middle = through(m, {320, 210}), right = through(m, {321, 210}),
                          below = through(m, {320, 211});
        EXPECT_NEAR(middle.x, 320, 1e-9);
        EXPECT_NEAR(middle.y, 210, 1e-9);
        const double area = (right.x - middle.x) * (below.y - middle.y) - (right.y - middle.y) * (below.x - middle.x);
        EXPECT_NEAR(area, 1, 0.01) << "one pixel for one";
    }
}

TEST(Perspective, PlacesBetweenThoseWorkedOutAreWhereTheyShouldBe) {
    Random random(8);
    for (const int width : {300, 900, 5200}) {
        for (int i = 0; i < 12; ++i) {
            const Placement p =
                placementOf(framed(randomTurn(random, 20), 1, uniform(random, -5, 5)), width, width * 2 / 3);
            const SourcePlaces places(p);
            std::vector<SourcePlaces::Place> row;
            const int y = static_cast<int>(random() % static_cast<unsigned>(p.height));
            places.row(y, row);
            for (int x = 0; x < p.width; x += 3) {
                const auto first = static_cast<std::size_t>(x / places.step());
                const double share = double(x % places.step()) / places.step();
                const PlacedPoint a = row[first].colours[0], b = row[first + 1].colours[0];
                const PlacedPoint want = toSource(p, {x + 0.5, y + 0.5});
                ASSERT_NEAR(a.x + share * (b.x - a.x), want.x, 0.01) << width;
                ASSERT_NEAR(a.y + share * (b.y - a.y), want.y, 0.01) << width;
            }
        }
    }
}

TEST(Perspective, StraightLinesComeOutStraightAndUpright) {
    // A wall of upright boards as a tilted camera sees it: soft edges, so that they can be found to a part of a
    // pixel.
    const CameraTurn turn{17, -6, 28};
    const Mat3 toPicture = straightToPicture(turn, kSeenWidth, kSeenHeight), toWall = inverse(toPicture);
    Picture seen(640, 420);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 420; ++y)
            for (int x = 0; x < 640; ++x) {
                const double wall = through(toWall, {x + 0.5, y + 0.5}).x;
                seen.row(k, y)[x] = static_cast<float>(0.5 + 0.3 * std::sin(wall * 2 * std::numbers::pi / 48));
            }
    const Picture straight = placed(seen, placementOf(framed(turn), 640, 420));
    // Where a board's edge (0.5, rising) crosses each row.
    const auto crossing = [&](int y, int from) {
        for (int x = from; x + 1 < straight.width(); ++x) {
            const float a = straight.row(0, y)[x], b = straight.row(0, y)[x + 1];
            if (a < 0.5F && b >= 0.5F) return x + (0.5 - a) / (b - a);
        }
        return -1.0;
    };
    int edges = 0;
    for (double at = crossing(10, 10); at > 0 && at < straight.width() - 60;
         at = crossing(10, static_cast<int>(at) + 3), ++edges)
        for (int y = 10; y < straight.height() - 10; ++y)
            ASSERT_NEAR(crossing(y, static_cast<int>(at) - 5), at, 0.3) << "edge " << edges << ", row " << y;
    EXPECT_GT(edges, 5);
}

TEST(Perspective, IsTheSameInWhateverBandsItIsMadeAndNeverRings) {
    Random random(4);
    for (int i = 0; i < 6; ++i) {
        Picture edge = randomPicture(150, 130, static_cast<unsigned>(i));
        for (int y = 0; y < 130; ++y)
            for (int x = 0; x < 150; ++x)
                if ((x / 20 + y / 20) % 2)
                    for (int k = 0; k < 3; ++k) edge.row(k, y)[x] = x > 70 ? 0.1F : 0.9F;
        const Placement p = placementOf(framed(randomTurn(random, 22), 0.95, uniform(random, -9, 9), 1.3), 150, 130);
        const Picture whole = placed(edge, p, 1);
        for (const int count : {1, 7, 32, 64})
            for (int y = 0; y < p.height; y += count) {
                const int n = std::min(count, p.height - y);
                const RowRange range = rowsBehind(p, 130, y, n);
                const Picture part =
                    placedRows(cropped(edge, 0, range.top, 150, range.count), range.top, 130, p, y, n, 2);
                ASSERT_TRUE(sameBytes(part, cropped(whole, 0, y, p.width, n))) << i << ' ' << count << ' ' << y;
            }
        float least = 9, most = -9, leastSource = 9, mostSource = -9;
        const auto range = [](const Picture& q, float& low, float& high) {
            for (int y = 0; y < q.height(); ++y)
                for (int x = 0; x < q.width(); ++x)
                    low = std::min(low, q.row(1, y)[x]), high = std::max(high, q.row(1, y)[x]);
        };
        range(whole, least, most), range(edge, leastSource, mostSource);
        EXPECT_GE(least, leastSource - 1e-6F);
        EXPECT_LE(most, mostSource + 1e-6F);
    }
}

TEST(Perspective, WhatIsPressedTogetherKeepsItsLightAndDoesNotFlicker) {
    // A fine pattern: where it is far away, much of it lies behind one pixel of the result.
    Picture dots(900, 600);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 600; ++y)
            for (int x = 0; x < 900; ++x) dots.row(k, y)[x] = (x / 2 + y / 2) % 2 ? 0.65F : 0.45F;
    const Placement p = placementOf(framed({-34, 0, 20}, 1, 0, 0.6), 900, 600);
    const Picture straight = placed(dots, p);
    // A row where two rows of the source fall on one: the light of the dots, evenly.
    const auto covered = [&](int y) {
        return toSource(p, {p.width / 2.0, y + 1.0}).y - toSource(p, {p.width / 2.0, double(y)}).y;
    };
    const int y = covered(0) > covered(p.height - 1) ? 4 : p.height - 5;
    ASSERT_GT(covered(y), 1.5) << "it is pressed together";
    std::vector<float> linear(static_cast<std::size_t>(p.width));
    rowToLinear(straight.row(1, y), linear.data(), linear.size());
    float values[2] = {0.65F, 0.45F}, light[2];
    rowToLinear(values, light, 2);
    double sum = 0, squares = 0;
    for (const float v : linear) sum += v, squares += double(v) * v;
    const double mean = sum / p.width, spread = std::sqrt(squares / p.width - mean * mean);
    EXPECT_NEAR(mean, (light[0] + light[1]) / 2, 0.01);
    EXPECT_LT(spread, 0.35 * (light[0] - light[1]) / 2) << "of what single samples would spread";
}

TEST(Perspective, GoesAlongWithQuarterTurnsAndTheMirror) {
    const Picture source = randomPicture(90, 60, 3);
    Stage stage = makeStage({}, "frame");
    stage.parameters = {{"size", 0.7},  {"centre.x", 0.4}, {"centre.y", 0.55}, {"tilt", 9.0},
                        {"swing", 4.0}, {"focal", 40.0},   {"angle", 2.0}};
    const Picture before = placed(source, placementOf(frameOf(stage), 90, 60));
    for (const auto& change : {quarterTurned(stage, true), quarterTurned(stage, false), mirrored(stage)}) {
        Stage next = stage;
        for (const auto& [id, value] : change) next.parameters[id] = value;
        const Picture after = placed(source, placementOf(frameOf(next), 90, 60));
        const Picture want = oriented(before, frameOf(next).orientation);
        ASSERT_NEAR(after.width(), want.width(), 1);
        ASSERT_NEAR(after.height(), want.height(), 1);
        const int w = std::min(after.width(), want.width()), h = std::min(after.height(), want.height());
        EXPECT_LT(meanApart(cropped(after, 0, 0, w, h), cropped(want, 0, 0, w, h)), 0.6);
    }
    Stage back = stage;
    for (int i = 0; i < 4; ++i)
        for (const auto& [id, value] : quarterTurned(back, true)) back.parameters[id] = value;
    for (const char* id : {"tilt", "swing", "angle", "centre.x"})
        EXPECT_NEAR(std::get<double>(back.parameters.at(id)), std::get<double>(stage.parameters.at(id)), 1e-9) << id;
}

} // namespace baryton::test
