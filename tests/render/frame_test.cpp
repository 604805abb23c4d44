#include "picture/find_level.h"
#include "picture/motion_blur.h"
#include "picture/picture_file.h"
#include "render/graded_file.h"
#include "render/placed_base.h"
#include "render/program.h"
#include "stages/frame.h"
#include "stages/lens.h"
#include "stages/source.h"
#include "stages/validate.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace baryton::test {

namespace {

FrameSettings randomFrame(Random& random) {
    FrameSettings frame;
    if (random() % 3) frame.proportions = uniform(random, 0.3, 3);
    frame.size = uniform(random, 0.1, 1);
    frame.x = uniform(random, 0, 1), frame.y = uniform(random, 0, 1);
    if (random() % 3) frame.angle = uniform(random, -45, 45);
    return frame;
}

std::filesystem::path lakeFog() {
    return std::filesystem::path(BARYTON_SOURCE) / "demo/pictures/lake-fog.jpg";
}

/// Where a place of the placed picture lies in its source, in pixels; written as the definition reads.
std::pair<double, double> behind(const Placement& p, double x, double y) {
    const double u = x - p.width / 2.0, v = y - p.height / 2.0;
    return {p.centreX + u * std::cos(p.angle) + v * std::sin(p.angle),
            p.centreY - u * std::sin(p.angle) + v * std::cos(p.angle)};
}

/// Gentle waves, known at every place.
float wave(int plane, double x, double y) {
    return static_cast<float>(0.5 + 0.3 * std::sin(x / 9 + plane) * std::cos(y / 7 - plane));
}
Picture waves(int width, int height) {
    Picture picture(width, height);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) picture.row(k, y)[x] = wave(k, x + 0.5, y + 0.5);
    return picture;
}

} // namespace

TEST(Frame, LiesInsideThePictureAndIsAsLargeAsItsSizeSays) {
    Random random(3);
    for (int i = 0; i < 2000; ++i) {
        const FrameSettings frame = randomFrame(random);
        const int w = 40 + static_cast<int>(random() % 900), h = 40 + static_cast<int>(random() % 900);
        const Placement p = placementOf(frame, w, h);
        double room = 1e9;
        for (const double x : {0.0, double(p.width)})
            for (const double y : {0.0, double(p.height)}) {
                const auto [sx, sy] = behind(p, x, y);
                room = std::min({room, sx, sy, w - sx, h - sy});
            }
        ASSERT_GE(room, -1e-6) << w << ' ' << h << ' ' << frame.angle;
        const double want = frame.proportions > 0 ? frame.proportions : double(w) / h;
        ASSERT_NEAR(p.width - want * p.height, 0, 1 + want) << "but for whole pixels";
        if (frame.size < 1) {
            FrameSettings whole = frame;
            whole.size = 1;
            ASSERT_NEAR(p.width, frame.size * placementOf(whole, w, h).width, 1.5);
        }
    }
    // The largest touches the picture's edge.
    const Placement most = placementOf({2, 1, 0.5, 0.5, 10}, 600, 400);
    double room = 1e9;
    for (const double x : {0.0, double(most.width)})
        for (const double y : {0.0, double(most.height)}) {
            const auto [sx, sy] = behind(most, x, y);
            room = std::min({room, sx, sy, 600 - sx, 400 - sy});
        }
    EXPECT_LT(room, 1.5);
}

TEST(Frame, PlacesAreFoundBothWays) {
    Random random(6);
    for (int i = 0; i < 200; ++i) {
        const Placement p = placementOf(randomFrame(random), 640, 420);
        const PlacedPoint at{uniform(random, 0, p.width), uniform(random, 0, p.height)};
        const PlacedPoint there = toSource(p, at), back = fromSource(p, there);
        const auto want = behind(p, at.x, at.y);
        EXPECT_NEAR(there.x, want.first, 1e-9);
        EXPECT_NEAR(there.y, want.second, 1e-9);
        EXPECT_NEAR(back.x, at.x, 1e-9);
        EXPECT_NEAR(back.y, at.y, 1e-9);
    }
}

TEST(Frame, IsFoundAgainFromItsRectangle) {
    Random random(5);
    for (int i = 0; i < 300; ++i) {
        const FrameSettings frame = randomFrame(random);
        const Placement p = placementOf(frame, 640, 420);
        const Placement again =
            placementOf(frameFrom(p.centreX, p.centreY, p.width, p.height, frame.angle, {}, 640, 420), 640, 420);
        EXPECT_NEAR(again.centreX, p.centreX, 0.51);
        EXPECT_NEAR(again.centreY, p.centreY, 0.51);
        EXPECT_NEAR(again.width, p.width, 1);
        EXPECT_NEAR(again.height, p.height, 1);
    }
}

TEST(Frame, UnturnedCopiesPixelsAndCommutesWithTheColours) {
    Random random(8);
    const Picture picture = paintedPicture(97, 61);
    for (int i = 0; i < 20; ++i) {
        FrameSettings frame = randomFrame(random);
        frame.angle = 0;
        const Placement p = placementOf(frame, 97, 61);
        ASSERT_TRUE(p.copiesPixels());
        const Picture part = placed(picture, p);
        const int left = static_cast<int>(p.centreX - p.width / 2.0),
                  top = static_cast<int>(p.centreY - p.height / 2.0);
        for (int k = 0; k < 3; ++k)
            for (int y = 0; y < part.height(); ++y)
                for (int x = 0; x < part.width(); ++x)
                    ASSERT_EQ(part.row(k, y)[x], picture.row(k, top + y)[left + x]);
        Grade grade = randomGrade(random);
        // What knows the frame differs, as it should, and so do edges where neighbours are looked at.
        grade.finish.clear();
        std::erase_if(grade.prep,
                      [](const Stage& s) { return findStageType(s.type)->footprint == Footprint::Narrow; });
        for (Layer& layer : grade.look)
            std::erase_if(layer.stages, [](const Stage& s) { return !findStageType(s.type)->bakes(); });
        const Program program = Program::compile(grade);
        EXPECT_TRUE(sameBytes(program.graded(part), placed(program.graded(picture), p)));
    }
}

TEST(Frame, TurnsAsItsDefinitionSays) {
    const Picture picture = waves(160, 120);
    for (const double angle : {-31.0, -1.3, 0.4, 12.0, 45.0}) {
        const Placement p = placementOf({0, 0.9, 0.52, 0.5, angle}, 160, 120);
        const Picture turned = placed(picture, p);
        for (int k = 0; k < 3; ++k)
            for (int y = 0; y < p.height; ++y)
                for (int x = 0; x < p.width; ++x) {
                    const auto [sx, sy] = behind(p, x + 0.5, y + 0.5);
                    // Near the edge its last pixel repeats; a place is known to 1/1024 of a pixel.
                    const bool isInner = sx > 3.5 && sy > 3.5 && sx < 156.5 && sy < 116.5;
                    ASSERT_NEAR(turned.row(k, y)[x], wave(k, sx, sy), isInner ? 1.5e-3 : 0.08) << angle;
                }
    }
}

TEST(Frame, IsTheSameInWhateverBandsItIsMade) {
    for (const bool alpha : {false, true}) {
        Picture picture(150, 130, alpha);
        const Picture colours = randomPicture(150, 130);
        for (int k = 0; k < (alpha ? 4 : 3); ++k)
            for (int y = 0; y < 130; ++y)
                for (int x = 0; x < 150; ++x)
                    picture.row(k, y)[x] = k < 3 ? colours.row(k, y)[x] : std::abs(wave(0, x, y));
        for (const double angle : {0.0, 1.3, -20.0}) {
            const Placement p = placementOf({1.7, 0.8, 0.3, 0.6, angle}, 150, 130);
            const Picture whole = placed(picture, p, 1);
            for (const int rows : {1, 16, 64})
                for (int y = 0; y < p.height; y += rows) {
                    const int count = std::min(rows, p.height - y);
                    const RowRange range = rowsBehind(p, 130, y, count);
                    const Picture band = cropped(picture, 0, range.top, 150, range.count);
                    const Picture part = placedRows(band, range.top, 130, p, y, count, 2);
                    ASSERT_TRUE(sameBytes(part, cropped(whole, 0, y, p.width, count)))
                        << angle << ' ' << rows << ' ' << y;
                }
        }
    }
}

TEST(Frame, NeverRingsAndHiddenColoursStayHidden) {
    Picture edge(90, 90);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 90; ++y)
            for (int x = 0; x < 90; ++x) edge.row(k, y)[x] = x > 45 ? 0.95F : 0.15F;
    const Picture turned = placed(edge, placementOf({0, 1, 0.5, 0.5, 7}, 90, 90));
    for (int y = 0; y < turned.height(); ++y)
        for (int x = 0; x < turned.width(); ++x) {
            ASSERT_GE(turned.row(0, y)[x], 0.15F - 1e-6F);
            ASSERT_LE(turned.row(0, y)[x], 0.95F + 1e-6F);
        }
    Picture cut(90, 90, true);
    for (int y = 0; y < 90; ++y)
        for (int x = 0; x < 90; ++x) {
            const bool isSeen = x > 45;
            cut.row(0, y)[x] = isSeen ? 0.2F : 1; // red is hidden
            cut.row(2, y)[x] = 0.7F;
            cut.row(3, y)[x] = isSeen ? 1 : 0;
        }
    const Picture turnedCut = placed(cut, placementOf({0, 1, 0.5, 0.5, 7}, 90, 90));
    int part = 0;
    for (int y = 0; y < turnedCut.height(); ++y)
        for (int x = 0; x < turnedCut.width(); ++x) {
            const float alpha = turnedCut.row(3, y)[x];
            if (alpha <= 1e-3F) continue;
            part += alpha < 0.999F;
            ASSERT_NEAR(turnedCut.row(0, y)[x], 0.2, 1e-4);
        }
    EXPECT_GT(part, 20) << "there is something between";
}

TEST(Frame, StandsInPrepAndBakesIntoNoLut) {
    Grade grade = startingGrade();
    Stage frame = makeStage(grade, kFrameType);
    EXPECT_TRUE(isNeutral(frame));
    frame.parameters["ratio"] = std::string("2:1");
    EXPECT_FALSE(isNeutral(frame));
    grade.prep.insert(grade.prep.begin(), frame);
    EXPECT_TRUE(validate(grade).empty());
    EXPECT_EQ(frameOf(grade).proportions, 2);
    EXPECT_EQ(Program::compile(grade).stepCount(), 0U) << "it is no colour";
    EXPECT_EQ(leftOutOfLut(grade), std::vector<std::string>{"Frame"});
    grade.prep[0].enabled = false;
    EXPECT_EQ(frameOf(grade), FrameSettings());
    grade.prep[0].enabled.reset();
    grade.prep[0].parameters["ratio"] = std::string("free");
    grade.prep[0].parameters["proportions"] = 0.75;
    EXPECT_EQ(frameOf(grade).proportions, 0.75);
}

TEST(Orientation, TurnsAndMirrorsAreExactAndUndoEachOther) {
    const Picture source = randomPicture(31, 18, 5);
    Orientation o;
    for (int i = 0; i < 4; ++i) o = turnedOnce(o);
    EXPECT_TRUE(o.isNone()) << "four quarters are none";
    EXPECT_TRUE(mirroredOnce(mirroredOnce(turnedOnce({}))) == turnedOnce({}));
    const Picture right = oriented(source, turnedOnce({}));
    ASSERT_EQ(right.width(), 18);
    EXPECT_EQ(right.row(0, 0)[17], source.row(0, 0)[0]) << "the upper left corner goes to the right";
    EXPECT_EQ(right.row(1, 30)[17], source.row(1, 0)[30]);
    const Picture mirror = oriented(source, mirroredOnce({}));
    EXPECT_EQ(mirror.row(2, 4)[30], source.row(2, 4)[0]);
    for (int turns = 0; turns < 4; ++turns)
        for (const bool isMirrored : {false, true}) {
            const Orientation each{turns, isMirrored};
            // As it is seen: mirroring what is shown, whatever was done before.
            EXPECT_TRUE(sameBytes(oriented(source, mirroredOnce(each)), oriented(oriented(source, each), {0, true})));
            EXPECT_TRUE(sameBytes(oriented(source, turnedOnce(each)), oriented(oriented(source, each), {1, false})));
            for (const SharePoint at : {SharePoint{0.1, 0.7}, SharePoint{0.9, 0.2}}) {
                const SharePoint there = toOriented(each, at), back = fromOriented(each, there);
                EXPECT_NEAR(back.x, at.x, 1e-12);
                EXPECT_NEAR(back.y, at.y, 1e-12);
            }
        }
}

TEST(Orientation, AFrameGoesAlongAndAFileIsTheSameAsThePicture) {
    const TempFolder folder;
    const Picture source = readPicture(lakeFog()).picture;
    Stage stage = makeStage({}, "frame");
    stage.parameters = {{"ratio", std::string("3:2")}, {"size", 0.6}, {"centre.x", 0.35}, {"centre.y", 0.45}};
    const Picture before = placed(source, placementOf(frameOf(stage), source.width(), source.height()));
    for (const auto& change : {quarterTurned(stage, true), quarterTurned(stage, false), mirrored(stage)}) {
        Stage next = stage;
        for (const auto& [id, value] : change) next.parameters[id] = value;
        const FrameSettings frame = frameOf(next);
        const Picture after = placed(source, placementOf(frame, source.width(), source.height()));
        // The same part of the picture, turned as a whole.
        EXPECT_TRUE(sameBytes(after, oriented(before, frame.orientation))) << frame.orientation.quarterTurns;
        FileSource file(lakeFog(), {{}, {}, frame}, {}, 1);
        const std::filesystem::path out = folder.path() / "out.png";
        writeGraded(out, file, Program(), Output({.format = {FileFormat::Png, 16, 90}}), 1, nullptr, {});
        EXPECT_LT(largestDifference(readPicture(out).picture, after), 2e-5);
    }
    // Turned by an angle too, and mirrored: it leans the other way.
    stage.parameters["angle"] = 5.0;
    Stage leaning = stage;
    for (const auto& [id, value] : mirrored(stage)) leaning.parameters[id] = value;
    const Picture one = placed(source, placementOf(frameOf(stage), source.width(), source.height()));
    const Picture other = placed(source, placementOf(frameOf(leaning), source.width(), source.height()));
    EXPECT_LT(meanApart(oriented(one, {0, true}), other), 0.3);
}

TEST(Frame, FilesAndTheWindowHaveTheSameBaseLevelOfWhatIsMadeStraight) {
    // It is made from a smaller picture, which is turned and freed of its lens in a fraction of the time.
    const TempFolder folder;
    const std::filesystem::path file = folder.path() / "wide.png";
    writePicture(file, Program().quantised(lampsAtNight(5100, 900), 16, false), {}, {FileFormat::Png, 16});
    const Picture source = readPicture(file).picture;
    const Program glow = Program::compile(finishOf({{"bloom", {{"amount", 1.0}, {"threshold", 0.6}}}}));
    for (const double quarters : {0.0, 1.0}) {
        if (kSanitized && quarters == 0) continue;
        Grade grade = startingGrade();
        Stage lens = makeStage(grade, kLensType), frame = makeStage(grade, "frame");
        lens.parameters = {{"barrel", 0.04}, {"red", 0.6}, {"blue", -0.4}, {"corners", 0.7}};
        frame.parameters = {{"angle", 1.0}, {"tilt", 2.0}};
        if (quarters == 1)
            for (const auto& [id, value] : quarterTurned(frame, true)) frame.parameters[id] = value;
        grade.prep = {lens, frame};
        const Geometry geometry = geometryOf(grade, {});
        FileSource opened(file, sourceSettingsOf(grade), {}, 1);
        ASSERT_EQ(baseHalvings(placementOf(geometry, source.width(), source.height())), 1);
        const auto inFile = opened.frameFor(glow, nullptr).base;
        ASSERT_TRUE(inFile);
        const auto shown = placedPyramid(Pyramid(source), geometry);
        const Picture& a = inFile->picture();
        const Picture& b = shown->base()->picture();
        ASSERT_EQ(a.width(), b.width());
        ASSERT_EQ(a.height(), b.height());
        EXPECT_LT(largestDifference(a, b), 1e-3) << "turned by quarters before or after it is made smaller";
        // And that is the placed picture made smaller: lamps of a pixel lose some of their light on its way there.
        const Picture whole = scaledDown(shown->full(), b.width(), b.height());
        EXPECT_LT(meanApart(b, whole), 1);
        EXPECT_LT(meanApart(motionBlurred(b, 30, 0), motionBlurred(whole, 30, 0)), 0.25) << "as wide stages see it";
        EXPECT_GT(meanApart(b, scaledDown(source, b.width(), b.height())), 2);
    }
}

TEST(Frame, SidesChangePlacesWhateverTheRatio) {
    Stage stage = makeStage({}, "frame");
    EXPECT_TRUE(sidesSwapped(stage).empty()) << "the picture's own ratio";
    stage.parameters["ratio"] = std::string("3:2");
    EXPECT_EQ(std::get<std::string>(sidesSwapped(stage).at("ratio")), "2:3");
    stage.parameters["ratio"] = std::string("2.39:1"); // has no name the other way round
    const auto upright = sidesSwapped(stage);
    EXPECT_EQ(std::get<std::string>(upright.at("ratio")), "free");
    EXPECT_NEAR(std::get<double>(upright.at("proportions")), 1 / 2.39, 1e-9);
}

TEST(FindLevel, FindsHowFarAPictureIsTurned) {
    // Boards and a window, turned by a known angle.
    Picture upright(700, 500);
    Random random(3);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 500; ++y)
            for (int x = 0; x < 700; ++x) {
                const bool isWindow = x > 380 && x < 560 && y > 120 && y < 300;
                const double board = y > 330 ? 0.15 * ((y / 24) % 2) : 0;
                upright.row(k, y)[x] =
                    static_cast<float>((isWindow ? 0.8 : 0.35) + board + uniform(random, -0.01, 0.01));
            }
    for (const double angle : {-7.3, -1.2, 0.0, 2.6, 11.0}) {
        const Picture turned = placed(upright, placementOf({0, 1, 0.5, 0.5, angle, {}}, 700, 500));
        const FoundLevel found = findLevel(turned);
        EXPECT_TRUE(found.isSure()) << angle;
        EXPECT_NEAR(found.angle, -angle, 0.1) << "it turns back what was turned";
        // The line it shows leans as the picture does.
        const double dx = (found.x1 - found.x0) * turned.width(), dy = (found.y1 - found.y0) * turned.height();
        EXPECT_GT(std::hypot(dx, dy), 80);
        EXPECT_NEAR(std::remainder(std::atan2(dy, dx) * 180 / M_PI, 90), angle, 0.5);
    }
    EXPECT_FALSE(findLevel(randomPicture(500, 400, 2)).isSure()) << "noise says nothing";
    Picture grey(300, 200);
    EXPECT_FALSE(findLevel(grey).isSure());
}

} // namespace baryton::test
