// LUTs learned from pattern pictures: exact where nothing else was done to them, and told where something was.
#include "colour/spaces.h"
#include "lut/bake.h"
#include "lut/learn_pattern.h"
#include "lut/lut_file.h"
#include "lut/pattern.h"
#include "lut/pattern_found.h"
#include "picture/placement.h"
#include "stages/lut_kernel.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <set>

namespace baryton::test {

namespace {

/// The picture that a program reads from a pattern's file.
Picture asRead(const QuantisedPicture& pattern) {
    const TempFolder folder;
    const auto file = folder.path() / "pattern.png";
    writePicture(file, pattern, {}, {FileFormat::Png, pattern.bits, 90});
    return readPicture(file).picture;
}

/// What a file of so many bits holds of a picture.
Picture saved(const Picture& picture, const OutputFormat& format) {
    const TempFolder folder;
    const auto file = folder.path() / ("graded." + fileExtension(format.format));
    writePicture(file, Program::compile({}).quantised(picture, format.bits, false), {}, format);
    return readPicture(file).picture;
}

/// A look of moderate strength, another for each seed.
Grade someLook(unsigned seed) {
    Random random(seed);
    Grade grade;
    Layer& layer = grade.look.emplace_back();
    layer.id = layer.name = "look";
    const auto add = [&](const char* type, std::map<std::string, Value> parameters) {
        layer.stages.push_back(makeStage(grade, type));
        layer.stages.back().parameters = std::move(parameters);
    };
    add("curves",
        {{"rgb",
          Curve{{0, uniform(random, 0, 0.05)}, {0.5, uniform(random, 0.4, 0.6)}, {1, uniform(random, 0.93, 1)}}}});
    add("saturation", {{"overall", uniform(random, -0.4, 0.2)}});
    add("warmth", {{"warmth", uniform(random, -40, 40)}});
    return grade;
}

struct Misses {
    double mean = 0, worst = 0;
};

/// What a learned table misses of a look at its nodes, as a file holds them.
Misses missesOf(const LutTable& learnt, const Grade& look) {
    const LutTable want = bakeLook(look, learnt.gridSize(), "");
    EXPECT_EQ(learnt.grid.size(), want.grid.size());
    Misses misses;
    for (std::size_t i = 0; i + 2 < want.grid.size(); i += 3) {
        const auto lab = [i](const std::vector<float>& grid) {
            Vec3 v{};
            for (std::size_t k = 0; k < 3; ++k) v[k] = std::clamp(double(grid[i + k]), 0.0, 1.0);
            return labFromSrgb(v);
        };
        const double apart = deltaE2000(lab(learnt.grid), lab(want.grid));
        misses.mean += apart * 3 / double(want.grid.size()), misses.worst = std::max(misses.worst, apart);
    }
    return misses;
}

bool isTold(const PatternAccount& account, const std::string& words) {
    return std::any_of(account.remarks.begin(), account.remarks.end(),
                       [&](const std::string& each) { return each.find(words) != std::string::npos; });
}

/// The 17³ pattern, graded by a look.
Picture gradedPattern(const Grade& look) {
    return Program::compile(look).graded(asRead(ownPattern(17, 16)));
}

} // namespace

TEST(Pattern, ThatCameBackUntouchedIsTheIdentityToTheBit) {
    for (const int bits : {8, 16})
        for (const int size : {9, 17, kSanitized ? 12 : 33}) {
            const LearntLut learnt = learnFromPattern(asRead(ownPattern(size, bits)));
            EXPECT_EQ(learnt.table.gridSize(), size);
            EXPECT_TRUE(learnt.account.remarks.empty()) << learnt.account.remarks.front();
            EXPECT_EQ(learnt.table.grid, bakeLook({}, size, "").grid) << size << " at " << bits;
        }
    for (const int level : {2, 5, kSanitized ? 4 : 8}) {
        const LearntLut learnt = learnFromPattern(asRead(squareCube(level, 16)));
        EXPECT_TRUE(learnt.account.isSquareCube);
        EXPECT_EQ(learnt.table.grid, bakeLook({}, level * level, "").grid) << level;
    }
}

TEST(Pattern, EveryColourStandsInItTwice) {
    for (const int size : {9, 20, 33, 65}) {
        const PatternLayout layout(size);
        std::set<std::pair<int, int>> places;
        for (int copy = 0; copy < 2; ++copy)
            for (int b = 0; b < size; ++b)
                for (int g = 0; g < size; ++g)
                    for (int r = 0; r < size; ++r) {
                        const auto at = layout.cell(r, g, b, copy);
                        const int margin = PatternLayout::kMargin * layout.cellSide();
                        ASSERT_TRUE(at.x >= margin && at.y >= margin &&
                                    at.x + layout.cellSide() + margin <= layout.width() &&
                                    at.y + layout.cellSide() + margin <= layout.height());
                        ASSERT_TRUE(places.insert({at.x, at.y}).second);
                    }
    }
    for (const int size : {8, 66, -1}) errorOf([&] { ownPattern(size, 16); });
    for (const int level : {1, 17}) errorOf([&] { squareCube(level, 16); });
}

TEST(Pattern, GradedElsewhereItIsTheBakedLook) {
    for (unsigned seed = 1; seed <= unsigned(roundsOf(10)); ++seed) {
        const Grade look = someLook(seed);
        const Picture graded = gradedPattern(look);
        const LearntLut fine = learnFromPattern(saved(graded, {FileFormat::Png, 16, 90}));
        EXPECT_TRUE(fine.account.remarks.empty()) << fine.account.remarks.front();
        EXPECT_LT(missesOf(fine.table, look).mean, 0.01) << seed;
        EXPECT_LT(missesOf(fine.table, look).worst, 0.1) << seed;
        const LearntLut coarse = learnFromPattern(saved(graded, {FileFormat::Jpeg, 8, 95}));
        EXPECT_LT(missesOf(coarse.table, look).mean, 0.8) << seed;
        // A square cube as well, and what other programs' looks do past the ends is held by the file.
        const Picture cube = Program::compile(look).graded(asRead(squareCube(4, 16)));
        EXPECT_LT(missesOf(learnFromPattern(saved(cube, {FileFormat::Png, 16, 90})).table, look).mean, 0.01) << seed;
    }
}

TEST(Pattern, ResizedTurnedAndCroppedItIsReadWhereItLies) {
    const Grade look = someLook(3);
    const Picture graded = gradedPattern(look);
    const OutputFormat format{FileFormat::Png, 16, 90};
    for (const auto& [x, y] : {std::pair(0.7, 0.7), {0.9, 0.86}, {1.4, 1.4}, {0.5, 0.5}}) {
        const Picture small = resized(graded, static_cast<int>(std::lround(x * graded.width())),
                                      static_cast<int>(std::lround(y * graded.height())));
        const LearntLut learnt = learnFromPattern(saved(small, format));
        EXPECT_NEAR(learnt.account.scaleX, x, 0.002);
        EXPECT_NEAR(learnt.account.scaleY, y, 0.002);
        EXPECT_TRUE(isTold(learnt.account, "of its size"));
        EXPECT_FALSE(isTold(learnt.account, "sharpened"));
        EXPECT_LT(missesOf(learnt.table, look).mean, 0.25) << x << " × " << y;
    }
    // Cropped on all sides but the upper left mark.
    const Picture part = cropped(graded, 5, 3, graded.width() - 150, graded.height() - 205);
    const LearntLut lost = learnFromPattern(saved(part, format));
    EXPECT_EQ(lost.account.scaleX, 1);
    EXPECT_GT(lost.account.halfLost, 500U);
    EXPECT_TRUE(isTold(lost.account, "cropped"));
    EXPECT_LT(missesOf(lost.table, look).mean, 0.05);
    // So much that colours are gone.
    const LearntLut more = learnFromPattern(cropped(graded, 0, 0, graded.width() / 2, graded.height()));
    EXPECT_GT(more.account.lost, 50U);
    EXPECT_TRUE(isTold(more.account, "lost to the crop"));
    EXPECT_LT(missesOf(more.table, look).mean, 1);
    // A little askew.
    Placement askew = wholeOf(graded.width(), graded.height());
    askew.angle = 0.4 * 3.14159265358979 / 180;
    askew.width -= 8, askew.height -= 8;
    const LearntLut turned = learnFromPattern(placed(graded, askew));
    EXPECT_NEAR(std::abs(turned.account.turn), 0.4, 0.02);
    EXPECT_TRUE(isTold(turned.account, "turned"));
    EXPECT_LT(missesOf(turned.table, look).mean, 0.3);
}

TEST(Pattern, WhatWasDoneBesidesIsToldAndTakenOut) {
    const Grade look = someLook(4);
    const Picture graded = gradedPattern(look);
    const auto with = [&](const char* type, const std::map<std::string, Value>& parameters) {
        return saved(Program::compile(finishOf({{type, parameters}})).graded(graded), {FileFormat::Png, 16, 90});
    };
    const LearntLut sharp = learnFromPattern(with("detail", {{"amount", 1.0}, {"radius", 1.0}, {"halo.guard", 0.0}}));
    EXPECT_TRUE(isTold(sharp.account, "sharpened"));
    EXPECT_LT(missesOf(sharp.table, look).mean, 0.15);
    const LearntLut dim = learnFromPattern(with("vignette", {{"stops", -1.0}}));
    EXPECT_TRUE(isTold(dim.account, "vignette"));
    EXPECT_LT(dim.account.cornerStops, -0.2);
    EXPECT_LT(missesOf(dim.table, look).mean, 0.2);
    EXPECT_FALSE(isTold(sharp.account, "vignette"));
    const LearntLut grainy = learnFromPattern(with("grain", {{"amount", 0.6}, {"colour", 0.3}}));
    EXPECT_TRUE(isTold(grainy.account, "grain"));
    EXPECT_GT(grainy.account.noise, 1);
    EXPECT_LT(missesOf(grainy.table, look).mean, 1.2);
    // A light painted over a part: those cells differ from their others and are left aside.
    Picture painted = graded;
    for (int y = 200; y < 320; ++y)
        for (int x = 200; x < 420; ++x)
            for (int k = 0; k < 3; ++k) painted.row(k, y)[x] = std::min(1.0F, painted.row(k, y)[x] + 0.25F);
    const LearntLut local = learnFromPattern(painted);
    EXPECT_GT(local.account.disagreeing, 200U);
    EXPECT_TRUE(isTold(local.account, "from two places"));
    EXPECT_LT(missesOf(local.table, look).mean, 0.2);
}

TEST(Pattern, FilesTellWhatTheySayOfThemselves) {
    const TempFolder folder;
    const auto jpeg = folder.path() / "back.jpg";
    writePicture(jpeg, ownPattern(9, 8), {}, {FileFormat::Jpeg, 8, 95});
    const LearntLut learnt = learnFromPattern(jpeg);
    EXPECT_TRUE(isTold(learnt.account, "JPEG"));
    EXPECT_EQ(learnt.table.title, "back");
    const auto none = folder.path() / "none.png";
    writePicture(none, Program::compile({}).quantised(paintedPicture(300, 200), 8, false), {},
                 {FileFormat::Png, 8, 90});
    const Error error = errorOf([&] { learnFromPattern(none); });
    EXPECT_EQ(error.file(), none.string());
    errorOf([&] { learnFromPattern(Picture(1, 1)); });
    errorOf([&] { learnFromPattern(randomPicture(700, 500)); });
}

} // namespace baryton::test
