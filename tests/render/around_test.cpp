// Stages that look around: what they compute, and that it does not depend on how a picture was cut or made smaller.
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "picture/blur.h"
#include "render/plan.h"
#include "render/view.h"
#include "stages/examples.h"
#include "stages/validate.h"
#include "support/dispatch.h"
#include "support/samples.h"
#include "support/sanitized.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton::test {

namespace {

/// Curves, and everything that depends on places or neighbours.
Grade everythingAround() {
    Grade grade = finishOf({{"local-contrast", {{"amount", 0.7}, {"reach", 30.0}}},
                            {"bloom", {{"amount", 0.8}, {"threshold", 0.5}, {"reach", 9.0}, {"tint", 0.5}}},
                            {"halation", {{"amount", 0.5}, {"threshold", 0.6}, {"reach", 12.0}}},
                            {"vignette", {{"stops", -1.0}, {"turn", 20.0}}},
                            {"detail", {{"amount", 0.9}, {"radius", 1.4}}},
                            {"grain", {{"amount", 0.8}, {"size", 2.0}, {"colour", 0.5}}},
                            {"bars", {{"ratio", std::string("2:1")}, {"place", 0.3}, {"lightness", 0.4}}}});
    grade.prep.push_back(makeStage(grade, "noise"));
    grade.prep.front().parameters = {{"luma", 0.6}, {"colour", 0.5}};
    grade.prep.push_back(makeStage(grade, "defringe"));
    grade.prep.back().parameters = {{"purple", 0.9}, {"green", 0.8}, {"reach", 3.0}};
    grade.finish[1].strength = 0.7, grade.finish[4].strength = 0.8, grade.finish[5].strength = 0.6;
    Layer layer;
    layer.id = "layer-1";
    layer.stages.push_back(makeStage(grade, "curves"));
    layer.stages[0].parameters["rgb"] = Curve{{0, 0.05}, {0.4, 0.3}, {1, 0.95}};
    grade.look.push_back(layer);
    // And within a layer, behind its mask.
    Layer local;
    local.id = "layer-2", local.strength = 0.9, local.blend = "soft-light";
    for (const Stage& stage : {grade.finish[0], grade.finish[4], grade.finish[1]}) {
        local.stages.push_back(stage);
        local.stages.back().id = freeId(grade, stage.type);
    }
    local.mask = Mask{{{MaskRamp{0.3, 0.2, 0.6, 0.7}, MaskShape::Way::Add, false}}, false, 1};
    grade.look.push_back(local);
    return grade;
}

Picture pictureOf(const Plan& plan, const Picture& source, const PixelRect& rect, int threads) {
    Picture out(rect.width, rect.height);
    plan.run(source, rect, into(out, rect.x, rect.y), threads);
    return out;
}

} // namespace

TEST(Blur, IsTheGaussianThatItIsSaidToBe) {
    for (const double sigma : {0.3, 0.6, 1.0, 2.0, 5.0, 9.0, 20.0, 41.0}) {
        const int side = static_cast<int>(std::ceil(10 * sigma)) * 2 + 9;
        for (const int shift : {0, 1, 3}) { // the halvings must not care where a point lies
            Picture point(side, side);
            const int middle = side / 2 + shift;
            for (int k = 0; k < 3; ++k) point.row(k, middle)[middle] = 1;
            const Picture out = blurred(point, sigma);
            const double peak = sigma < 0.8 ? out.row(0, middle)[middle] : 1 / (2 * std::numbers::pi * sigma * sigma);
            double sum = 0, across = 0, variance = 0, worst = 0;
            for (int y = 0; y < side; ++y)
                for (int x = 0; x < side; ++x) {
                    const double v = out.row(1, y)[x], dx = x - middle, dy = y - middle;
                    sum += v, across += v * dx, variance += v * dx * dx;
                    if (sigma >= 0.8)
                        worst = std::max(worst,
                                         std::abs(v - peak * std::exp(-0.5 * (dx * dx + dy * dy) / (sigma * sigma))));
                }
            EXPECT_NEAR(sum, 1, 2e-3) << sigma;
            EXPECT_NEAR(across, 0, 0.01 * sigma) << sigma;
            EXPECT_LT(worst, 0.005 * peak) << sigma << " at " << shift;
            if (sigma >= 0.8) EXPECT_NEAR(std::sqrt(variance), sigma, 0.01 * sigma) << sigma;
        }
    }
}

TEST(Blur, LeavesAnEvenPictureAndItsEdgesAlone) {
    Picture even(151, 97);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 97; ++y) std::fill_n(even.row(k, y), 151, 0.37F);
    for (const double sigma : {0.5, 3.0, 30.0, 300.0}) EXPECT_LT(largestDifference(blurred(even, sigma), even), 1e-5);
}

TEST(Plan, IsTheSameBytesHoweverThePictureIsCut) {
    const Picture source = randomPicture(301, 173, 21);
    const Program program = Program::compile(everythingAround());
    const Plan plan(program, FrameMap::whole(source), source);
    EXPECT_GT(plan.margin(), 2);
    const Picture whole = program.graded(source, 1);
    EXPECT_GT(largestDifference(whole, source), 0.05);
    for (const int threads : {1, 2, 5}) EXPECT_TRUE(sameBytes(program.graded(source, threads), whole)) << threads;
    for (const auto& [width, height] : {std::pair(301, 1), std::pair(301, 16), std::pair(301, 64), std::pair(64, 64),
                                        std::pair(37, 23), std::pair(1, 1)}) {
        const int down = height == 1 && width == 1 ? 11 : 1; // single pixels: some of them
        for (int y = 0; y < 173; y += height * down)
            for (int x = 0; x < 301; x += width * down) {
                const PixelRect rect{x, y, std::min(width, 301 - x), std::min(height, 173 - y)};
                ASSERT_TRUE(sameBytes(pictureOf(plan, source, rect, 1),
                                      cropped(whole, rect.x, rect.y, rect.width, rect.height)))
                    << width << " × " << height << " at " << x << ", " << y;
            }
    }
}

TEST(Plan, ABandOfAPictureIsEnoughWithItsMargin) {
    // As a stream has it: never the whole picture, only the band and what lies around it.
    const Picture source = randomPicture(130, 200, 22);
    const Program program = Program::compile(everythingAround());
    const Picture whole = program.graded(source);
    FrameMap map = FrameMap::whole(source);
    map.base = BaseLevel::of(source);
    const int margin = program.needs(1).margin;
    for (const int height : {1, 16, 64})
        for (int y = 0; y < 200; y += height) {
            const int rows = std::min(height, 200 - y), top = std::max(0, y - margin),
                      end = std::min(200, y + rows + margin);
            const Picture band = cropped(source, 0, top, 130, end - top);
            const Plan plan(program, map.part(0, top), band);
            ASSERT_TRUE(sameBytes(pictureOf(plan, band, {0, y - top, 130, rows}, 1), cropped(whole, 0, y, 130, rows)))
                << height << " at " << y;
        }
}

TEST(Plan, ShowsAtFullSizeWhatTheFileWillHave) {
    const Picture source = kSanitized ? lampsAtNight(600, 400) : lampsAtNight(900, 600);
    const Pyramid pyramid(source);
    const Program program = Program::compile(everythingAround());
    const Picture whole = program.graded(source);
    const ViewRegion region{333, 210, 240, 160, 1};
    const ViewSource view = viewSource(pyramid, region, program.needs(1));
    Picture out(240, 160);
    runOverView(program, view, into(out));
    EXPECT_TRUE(sameBytes(out, cropped(whole, 333, 210, 240, 160)));
}

TEST(Plan, ShowsFittedWhatTheFileWillLookLike) {
    for (const auto& [width, height] : {std::pair(1224, 816), std::pair(3000, 2000)}) {
        if (kSanitized && width > 1224) continue;
        const Picture source = lampsAtNight(width, height);
        const Pyramid pyramid(source);
        constexpr int w = 600, h = 400;
        const ViewRegion fitted{0, 0, w, h, double(w) / width};
        for (const Grade& grade :
             {finishOf({{"bloom", {{"amount", 1.0}, {"threshold", 0.6}, {"reach", 20.0}}}}),
              finishOf({{"detail", {{"amount", 1.0}, {"radius", 1.0}}}}),
              finishOf({{"detail", {{"amount", 1.0}, {"radius", 1.0}, {"way", std::string("high-pass")}}}})}) {
            const Program program = Program::compile(grade);
            const Picture file = scaledDown(program.graded(source), w, h);
            const ViewSource view = viewSource(pyramid, fitted, program.needs(fitted.scale));
            const Plan plan(program, view.frame, view.pixels);
            const Picture shown = pictureOf(plan, view.pixels, view.wanted, 0);
            EXPECT_LT(meanApart(shown, file), 0.5) << grade.finish[0].type << " at " << width;
            const Picture without = scaledDown(source, w, h);
            if (grade.finish[0].type == "bloom") {
                EXPECT_GT(meanApart(file, without), 1) << "there is something to agree on";
                EXPECT_LT(meanApart(shown, file), 0.1 * meanApart(file, without));
            }
        }
    }
}

TEST(Detail, IsAnUnsharpMaskInDouble) {
    atEveryDispatchLevel([] {
        const Picture source = randomPicture(70, 50, 8);
        for (const double radius : {0.4, 0.9, 2.3})
            for (const double guard : {0.0, 0.6, 1.0}) {
                constexpr double amount = 1.3, threshold = 0.03;
                const Grade grade = finishOf(
                    {{"detail",
                      {{"amount", amount}, {"radius", radius}, {"threshold", threshold}, {"halo.guard", guard}}}});
                const Picture out = Program::compile(grade).graded(source);
                const auto luma = [&](int x, int y) {
                    x = std::clamp(x, 0, 69), y = std::clamp(y, 0, 49);
                    return 0.2126 * source.row(0, y)[x] + 0.7152 * source.row(1, y)[x] + 0.0722 * source.row(2, y)[x];
                };
                // The kernel of the definition: sampled, or of three weights with the three responses asked for.
                std::vector<double> w;
                if (radius >= 0.8) {
                    double sum = 0;
                    for (int k = 0; k <= 12; ++k) w.push_back(std::exp(-k * k / (2 * radius * radius)));
                    for (int k = -12; k <= 12; ++k) sum += w[static_cast<std::size_t>(std::abs(k))];
                    for (double& v : w) v /= sum;
                } else {
                    const double half = std::exp(-radius * radius * std::pow(std::numbers::pi / 2, 2) / 2);
                    const double end = std::exp(-radius * radius * std::pow(std::numbers::pi, 2) / 2);
                    // w0 + 2w1 + 2w2 = 1, w0 − 2w2 = half, w0 − 2w1 + 2w2 = end
                    const double w1 = (1 - end) / 4, w0 = (1 - 2 * w1 + half) / 2;
                    w = {w0, w1, (w0 - half) / 2};
                }
                const int reach = static_cast<int>(w.size()) - 1;
                for (int y = 20; y < 50; y += 3)
                    for (int x = 0; x < 70; x += 7) {
                        double blur = 0, least = 1e9, most = -1e9;
                        for (int dy = -reach; dy <= reach; ++dy)
                            for (int dx = -reach; dx <= reach; ++dx) {
                                const double v = luma(x + dx, y + dy);
                                blur += w[static_cast<std::size_t>(std::abs(dx))] *
                                        w[static_cast<std::size_t>(std::abs(dy))] * v;
                                if (std::abs(dx) <= 1 && std::abs(dy) <= 1)
                                    least = std::min(least, v), most = std::max(most, v);
                            }
                        const double h = luma(x, y) - blur;
                        double d = amount * std::copysign(std::max(0.0, std::abs(h) - threshold), h);
                        if (guard > 0) {
                            const double allowance = 0.25 * (1 - guard) * (1 - guard);
                            d = std::clamp(d, least - allowance - luma(x, y), most + allowance - luma(x, y));
                        }
                        for (int k = 0; k < 3; ++k)
                            ASSERT_NEAR(out.row(k, y)[x], source.row(k, y)[x] + d, 2e-4)
                                << "radius " << radius << " guard " << guard << " at " << x << ", " << y;
                    }
            }
    });
}

TEST(Detail, AtFullGuardNothingIsLighterOrDarkerThanItsNeighbours) {
    const Picture source = paintedPicture(120, 80);
    const Picture out =
        Program::compile(finishOf({{"detail", {{"amount", 2.0}, {"radius", 2.0}, {"halo.guard", 1.0}}}}))
            .graded(source);
    EXPECT_GT(largestDifference(out, source), 0.02);
    const auto luma = [](const Picture& p, int x, int y) {
        return 0.2126 * p.row(0, y)[x] + 0.7152 * p.row(1, y)[x] + 0.0722 * p.row(2, y)[x];
    };
    for (int y = 1; y < 79; ++y)
        for (int x = 1; x < 119; ++x) {
            double least = 9, most = -9;
            for (int dy = -1; dy <= 1; ++dy)
                for (int dx = -1; dx <= 1; ++dx) {
                    least = std::min(least, luma(source, x + dx, y + dy));
                    most = std::max(most, luma(source, x + dx, y + dy));
                }
            ASSERT_GE(luma(out, x, y), least - 1e-5);
            ASSERT_LE(luma(out, x, y), most + 1e-5);
        }
}

TEST(Detail, HighPassLeavesBlackAndWhiteAlone) {
    Picture edge(40, 20);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 20; ++y)
            for (int x = 0; x < 40; ++x) edge.row(k, y)[x] = x < 10 ? 0.0F : x < 20 ? 0.4F : x < 30 ? 0.6F : 1.0F;
    const Picture out =
        Program::compile(finishOf({{"detail", {{"amount", 2.0}, {"way", std::string("high-pass")}}}})).graded(edge);
    EXPECT_LT(out.row(0, 10)[19], 0.4F - 0.02F) << "the edge in the middle is made steeper";
    EXPECT_GT(out.row(0, 10)[20], 0.6F + 0.02F);
    for (const int x : {0, 9, 30, 39}) EXPECT_NEAR(out.row(1, 10)[x], edge.row(1, 10)[x], 1e-6) << x;
}

TEST(Bloom, GivesAwayTheLightOfBrightPlacesAndNoMore) {
    atEveryDispatchLevel([] {
        // A lamp in the dark: what the formula says, in double, as the sum of two Gaussians.
        constexpr int side = 241, middle = 120;
        Picture night(side, side);
        for (int k = 0; k < 3; ++k)
            for (int y = 0; y < side; ++y) std::fill_n(night.row(k, y), side, 0.2F);
        for (int k = 0; k < 3; ++k)
            for (int y = middle - 3; y <= middle + 3; ++y) std::fill_n(night.row(k, y) + middle - 3, 7, 1.0F);
        constexpr double amount = 0.6, reach = 25, sigma = reach / 1000 * side;
        const Picture out =
            Program::compile(finishOf({{"bloom", {{"amount", amount}, {"reach", reach}}}})).graded(night);
        const double ground = srgbToLinear(0.2);
        double before = 0, after = 0;
        for (int y = 0; y < side; ++y)
            for (int x = 0; x < side; ++x)
                before += srgbToLinear(night.row(0, y)[x]), after += srgbToLinear(out.row(0, y)[x]);
        EXPECT_NEAR(after / before, 1, 2e-3) << "no light is made";
        for (const int distance : {8, 12, 20, 30}) {
            double glow = 0;
            for (int y = -3; y <= 3; ++y)
                for (int x = -3; x <= 3; ++x) {
                    const double d2 = (distance - x) * (distance - x) + y * y;
                    for (const auto& [share, s] : {std::pair(0.6, sigma), std::pair(0.4, 3 * sigma)})
                        glow += share * std::exp(-d2 / (2 * s * s)) / (2 * std::numbers::pi * s * s);
                }
            EXPECT_NEAR(srgbToLinear(out.row(1, middle)[middle + distance]), ground + amount * glow,
                        0.03 * amount * glow + 1e-4)
                << distance;
        }
        EXPECT_LT(out.row(0, middle)[middle], 0.95F) << "the lamp gives it";
    });
}

TEST(Bloom, LeavesWhatIsAllBrightOrAllDarkAlone) {
    for (const float v : {0.2F, 0.95F}) {
        Picture even(200, 120);
        for (int k = 0; k < 3; ++k)
            for (int y = 0; y < 120; ++y) std::fill_n(even.row(k, y), 200, v);
        const Grade grade = finishOf(
            {{"bloom", {{"amount", 1.0}, {"tint", 1.0}, {"threshold", 0.5}}}, {"detail", {{"amount", 2.0}}}});
        const Program program = Program::compile(grade);
        EXPECT_LT(largestDifference(program.graded(even), even), 1e-4);
        EXPECT_NEAR(program({v, v, v})[1], v, 1e-5) << "as for one colour asked for";
    }
}

TEST(Plan, KeepsWhatASmallerViewStandsFor) {
    // A fine radius has gone into the averages of a smaller picture: little is left of it.
    const Picture source = randomPicture(800, 600, 4);
    const Program program = Program::compile(finishOf({{"detail", {{"amount", 1.0}, {"radius", 0.7}}}}));
    const Picture small = scaledDown(source, 200, 150);
    EXPECT_NEAR(small.scale(), 0.25, 1e-9);
    EXPECT_NEAR(cropped(halved(small), 5, 5, 9, 9).scale(), 0.125, 1e-9);
    const double full = largestDifference(program.graded(source), source);
    EXPECT_LT(largestDifference(program.graded(small), small), 0.25 * full);
    Picture taken = small; // as a file of its own it is sharpened as any other
    taken.setScale(1);
    EXPECT_GT(largestDifference(program.graded(taken), taken), 2 * largestDifference(program.graded(small), small));
}

TEST(Plan, LeavesOutWhatCanHardlyBeSeenWhileAControlMoves) {
    const Picture source = randomPicture(300, 200, 6);
    const auto moving = [&](double radius) {
        const Program program = Program::compile(finishOf({{"detail", {{"amount", 1.0}, {"radius", radius}}}}));
        FrameMap map = FrameMap::whole(source);
        map.isMoving = true;
        return pictureOf(Plan(program, map, source), source, {0, 0, 300, 200}, 1);
    };
    EXPECT_TRUE(sameBytes(moving(0.5), source));
    EXPECT_GT(largestDifference(moving(2), source), 0.1) << "what is plain to see stays";
}

TEST(Plan, TakesNoHarmFromAStageThatStandsWhereItMayNot) {
    Grade grade;
    Layer layer;
    layer.id = "layer-1";
    for (const char* type : {"halation", "grain", "noise"}) {
        layer.stages.push_back(makeStage(grade, type));
        layer.stages.back().parameters[type == std::string("noise") ? "luma" : "amount"] = 1.0;
    }
    grade.look.push_back(layer);
    const Picture source = randomPicture(30, 20);
    EXPECT_TRUE(sameBytes(Program::compile(grade).graded(source), source));
    EXPECT_FALSE(validate(grade).empty());
    for (const StageType* type : stageTypes()) {
        const bool isLate = type->compileForPixels || type->compileNarrow || type->compileWide;
        EXPECT_EQ(isLate || type->footprint == Footprint::Source, !type->compile) << type->id;
        EXPECT_TRUE(std::is_sorted(type->parts.begin(), type->parts.end())) << type->id;
        // What looks at neighbours may clean the picture before all else; the rest lies over it, or in a layer.
        if (isLate && type->footprint != Footprint::Narrow)
            EXPECT_TRUE(type->standsIn(Part::Finish) && !type->standsIn(Part::Prep)) << type->id;
        if (isLate) EXPECT_FALSE(type->hasLimits()) << type->id;
    }
}

} // namespace baryton::test
