#include "colour/transfer.h"
#include "grade/cut_grade.h"
#include "render/histogram.h"
#include "render/program.h"
#include "render/view.h"
#include "stages/reference.h"
#include "support/dispatch.h"
#include "support/samples.h"
#include "support/sanitized.h"

#include <cmath>
#include <numeric>

namespace baryton::test {

namespace {

/// A grade evaluated stage by stage in double, as its definition reads: no fusing, no skipping of conversions. `most`
/// becomes the largest value on the way.
Vec3 slowly(const Grade& grade, Vec3 v, double x, double y, double aspect, double pixel, double& most) {
    const auto mix = [](const Vec3& a, const Vec3& b, double t) {
        return Vec3{a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t};
    };
    const auto hold = [](double c) { return std::clamp(c, -64.0, 64.0); };
    const auto run = [&](const std::vector<Stage>& stages) {
        for (const Stage& stage : stages) {
            if (isNeutral(stage)) continue;
            const bool linear = kernelOf(stage).domain == Domain::Linear;
            Vec3 out = v;
            if (linear)
                for (double& c : out) c = srgbToLinear(c);
            out = reference(stage, out, x, y, aspect, pixel);
            for (double& c : out) c = hold(linear ? linearToSrgb(c) : c), most = std::max(most, std::abs(c));
            double share = stage.strengthOrFull();
            const StageType& type = *findStageType(stage.type);
            if (type.hasLimits())
                if (const auto limits = Limits::of(stage)) share *= limits->weight(v);
            v = mix(v, out, share);
        }
    };
    run(grade.prep);
    for (const Layer& layer : grade.look) {
        if (!layer.isEnabled()) continue;
        const Vec3 before = v;
        run(layer.stages);
        v = mix(before, blended(blendModeFrom(layer.blendOrNormal()), before, v), layer.strengthOrFull());
    }
    run(grade.finish);
    return v;
}

} // namespace

TEST(Program, CompiledIsWhatTheDefinitionSays) {
    atEveryDispatchLevel([] {
        Random random(41);
        for (int i = 0; i < 25; ++i) {
            Grade grade = randomGrade(random);
            // What looks around is no function of one pixel: see around_test.cpp.
            const auto looksAround = [](const Stage& s) { return !findStageType(s.type)->compile; };
            std::erase_if(grade.prep, looksAround), std::erase_if(grade.finish, looksAround);
            for (Layer& layer : grade.look) std::erase_if(layer.stages, looksAround);
            const Picture in = randomPicture(40, 24, static_cast<unsigned>(i));
            const Picture out = Program::compile(grade).graded(in);
            for (int y = 6; y < 24; y += 5)
                for (int x = 0; x < 40; x += 7) {
                    const Vec3 v = {in.row(0, y)[x], in.row(1, y)[x], in.row(2, y)[x]};
                    double most = 1;
                    const auto beside = [&](double by) {
                        return slowly(grade, {v[0] + by, v[1] + by, v[2] + by}, (x + 0.5) / 40, (y + 0.5) / 24,
                                      40.0 / 24, 1.0 / 40, most);
                    };
                    const Vec3 want = beside(0), near = beside(1e-5);
                    for (int k = 0; k < 3; ++k) {
                        const double w = want[static_cast<std::size_t>(k)];
                        // Strong grades multiply rounding: judged relative to how far they move values, and by the
                        // largest on the way (what a curve throws far out another stage may bring back).
                        const double steep = std::abs(near[static_cast<std::size_t>(k)] - w) / 1e-5;
                        ASSERT_LT(steep, 1e4) << "so steep that nothing would be checked";
                        ASSERT_NEAR(out.row(k, y)[x], w, 1e-4 * std::max(most, steep)) << i;
                    }
                }
        }
    });
}

TEST(Program, SameBytesForAnyNumberOfThreads) {
    Random random(17);
    for (int i = 0; i < roundsOf(8); ++i) {
        const Program program = Program::compile(randomGrade(random));
        const Picture in = randomPicture(2100 + 13 * i, 37, static_cast<unsigned>(i)); // wider than a block
        const Picture one = program.graded(in, 1), two = program.graded(in, 2), seven = program.graded(in, 7);
        EXPECT_TRUE(sameBytes(one, two));
        EXPECT_TRUE(sameBytes(one, seven));
    }
}

TEST(Program, NeutralGivesTheInputsBits) {
    const Program program = Program::compile(startingGrade());
    EXPECT_TRUE(program.isEmpty());
    const Picture in = randomPicture(50, 20);
    EXPECT_TRUE(sameBytes(program.graded(in), in));
    Grade off = startingGrade();
    off.prep[0].parameters["stops"] = 2.0;
    off.prep[0].enabled = false;
    off.look[0].stages[2].parameters["overall"] = 0.5;
    off.look[0].strength = 0;
    EXPECT_TRUE(Program::compile(off).isEmpty()) << "off and strength 0 are nothing at all";
}

TEST(Program, FusesMatricesAndConvertsOnlyWhereTheDomainChanges) {
    Grade grade = startingGrade();
    grade.prep[0].parameters["stops"] = 0.5;
    grade.prep[1].parameters["temperature"] = 4500.0;
    EXPECT_EQ(Program::compile(grade).stepCount(), 3u) << "to linear, one matrix, back";
    grade.look[0].stages[2].parameters["overall"] = 0.2;
    EXPECT_EQ(Program::compile(grade).stepCount(), 4u) << "saturation stays in linear light";
}

TEST(Program, OptionsLeaveOutWhatTheyName) {
    Grade grade = startingGrade();
    grade.prep[0].parameters["stops"] = 1.0;
    grade.look[0].stages[2].parameters["overall"] = -1.0;
    grade.finish[0].parameters["stops"] = -2.0;
    const std::array<float, 3> in = {0.4F, 0.2F, 0.1F};
    CompileOptions bakeable;
    bakeable.prep = false;
    bakeable.onlyWhatBakes = true;
    const auto out = Program::compile(grade, bakeable)(in);
    EXPECT_NEAR(out[0], out[1], 1e-5);
    EXPECT_LT(out[0], 0.4F) << "no exposure";
    EXPECT_EQ(leftOutOfLut(grade), std::vector<std::string>{"Vignette"});
}

TEST(Program, CanBeCancelled) {
    Grade grade = startingGrade();
    grade.prep[0].parameters["stops"] = 1.0;
    Task task;
    task.cancel();
    EXPECT_THROW(Program::compile(grade).graded(randomPicture(100, 100), 0, &task), Cancelled);
}

TEST(Program, AlphaPassesThrough) {
    Picture in(20, 10, true);
    for (int y = 0; y < 10; ++y)
        for (int x = 0; x < 20; ++x) in.row(3, y)[x] = static_cast<float>(x) / 19;
    Grade grade = startingGrade();
    grade.prep[0].parameters["stops"] = 1.0;
    const Program program = Program::compile(grade);
    const Picture out = program.graded(in);
    ASSERT_TRUE(out.hasAlpha());
    EXPECT_EQ(out.row(3, 4)[7], in.row(3, 4)[7]);
    EXPECT_EQ(program.quantised(in, 8, true).channels, 4);
    EXPECT_EQ(program.quantised(in, 8, false).channels, 3);
}

/// What the screen would show of a source.
Picture shown(const Program& program, const ViewSource& source) {
    Picture out(source.width, source.height);
    runOverView(program, source, into(out));
    return out;
}

TEST(View, FullSizeIsThePicturesOwnPixels) {
    const Pyramid pyramid(paintedPicture(700, 500));
    const ViewSource source = viewSource(pyramid, {120, 80, 300, 200, 1});
    EXPECT_TRUE(sameBytes(source.pixels, cropped(pyramid.full(), 120, 80, 300, 200)));
    // And graded there, a place-dependent stage gives what the whole picture has.
    Grade grade = startingGrade();
    grade.finish[0].parameters["stops"] = -2.0;
    const Program program = Program::compile(grade);
    const Picture whole = program.graded(pyramid.full());
    EXPECT_TRUE(sameBytes(shown(program, source), cropped(whole, 120, 80, 300, 200)));
}

TEST(View, FittedIsWhatIsWritten) {
    const Picture full = paintedPicture(803, 602);
    const Pyramid pyramid(full);
    EXPECT_LE(pyramid.levels().back().longSide(), 32);
    for (const auto& [w, h] : {std::pair(401, 301), std::pair(640, 480), std::pair(300, 225), std::pair(97, 73)}) {
        const ViewSource source = viewSource(pyramid, {0, 0, w, h, double(w) / 803});
        EXPECT_TRUE(sameBytes(source.pixels, scaledDown(full, w, h))) << w << " × " << h;
    }
    const ViewSource large = viewSource(pyramid, {10, 10, 200, 100, 2});
    EXPECT_EQ(shown({}, large).row(1, 0)[0], full.row(1, 10)[10]);
    EXPECT_EQ(shown({}, large).row(1, 3)[5], full.row(1, 11)[12]);
    EXPECT_EQ(large.pixels.width(), 100) << "graded once, then repeated";
}

TEST(View, AStandInShowsThePictureAtItsPlace) {
    const Picture full = paintedPicture(800, 600);
    const Pyramid whole(full), standIn(halved(halved(full)), 800, 600);
    EXPECT_TRUE(standIn.isStandIn());
    EXPECT_FALSE(whole.isStandIn());
    EXPECT_EQ(standIn.width(), 800);
    // Fitted small, magnified, and a part of it: the same place of the frame, and about the same colours.
    for (const ViewRegion& region :
         {ViewRegion{0, 0, 160, 120, 0.2}, ViewRegion{200, 100, 300, 200, 1}, ViewRegion{100, 100, 200, 150, 0.5}}) {
        // Graded by a place-dependent stage, so that the place counts.
        Grade grade = startingGrade();
        grade.finish[0].parameters["stops"] = -2.0;
        const Program program = Program::compile(grade);
        const Picture a = shown(program, viewSource(whole, region)), b = shown(program, viewSource(standIn, region));
        double sum = 0;
        for (int y = 0; y < region.height; ++y)
            for (int x = 0; x < region.width; ++x) sum += std::abs(a.row(1, y)[x] - b.row(1, y)[x]);
        EXPECT_LT(sum / (region.width * region.height), 0.02) << region.scale;
    }
}

TEST(Program, ACutGradeGivesWhatTheWholeGives) {
    Random random(77);
    const Picture in = paintedPicture(48, 32);
    int cuts = 0;
    for (int i = 0; i < roundsOf(14); ++i) {
        const Grade grade = randomGrade(random);
        const Picture whole = Program::compile(grade).graded(in);
        for (const StagePlace& place : stagePlaces(grade)) {
            const std::string id = stageAt(grade, place).id;
            const auto rest = fromOn(grade, id);
            if (place.part != Part::Look) EXPECT_TRUE(rest);
            if (!rest) continue;
            ++cuts;
            const Picture head = Program::compile(upTo(grade, id)).graded(in);
            const double apart = largestDifference(Program::compile(*rest).graded(head), whole);
            EXPECT_LT(apart, 2e-3) << i << ' ' << id; // what rounding ahead of steep stages makes
        }
    }
    EXPECT_GT(cuts, roundsOf(100));
}

TEST(Histogram, CountsEveryPixelOnce) {
    const Picture picture = randomPicture(64, 64);
    const Histogram h = histogramOf(picture);
    EXPECT_EQ(h.pixels, 64u * 64u);
    for (const auto* counts : {&h.r, &h.g, &h.b, &h.luma})
        EXPECT_EQ(std::accumulate(counts->begin(), counts->end(), 0u), 64u * 64u);
    EXPECT_GT(h.r[0] + h.r[255], 64u * 8u) << "what lies outside is counted at the ends";
}

TEST(Histogram, BeforeAStageSeesJustWhatStandsAhead) {
    Grade grade = startingGrade();
    grade.prep[0].parameters["stops"] = -1.0;
    grade.look[0].stages[0].parameters["rgb"] = Curve{{0, 0.5}, {1, 1}};
    const Picture picture = paintedPicture(64, 64);
    const Histogram source = histogramOf(picture);
    EXPECT_EQ(histogramBefore(picture, grade, "exposure-1").r, source.r);
    const Histogram curves = histogramBefore(picture, grade, "curves-1");
    EXPECT_NE(curves.r, source.r);
    EXPECT_GT(curves.r[0] + curves.r[1], 0u) << "the curve itself has not lifted anything yet";
    EXPECT_EQ(histogramBefore(picture, grade, "wheels-1").r[0], 0u);
    EXPECT_TRUE(upTo(grade, "curves-1").finish.empty());
}

} // namespace baryton::test
