// Looks turned back into stages: near enough, few enough, the same each time, and what is told of them is true.
#include "colour/spaces.h"
#include "edits/apply_strength.h"
#include "grade/grade_json.h"
#include "lut/look_as_stages.h"
#include "lut/scattered_table.h"
#include "lut/sought_stages.h"
#include "stages/spline.h"
#include "stages/validate.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <set>
#include <tbb/global_control.h>

namespace baryton::test {

namespace {

/// A preset of ours as a table, so that nothing tells which stages it is made of.
Grade tableOf(const std::string& name) {
    const Preset preset = readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/" + name + ".bpreset");
    return lutGrade(bakeLook(preset.carried, 33, name), name);
}

/// A table that no stages made: the cube bent by slow waves in all directions.
Grade warped(unsigned seed) {
    Random random(seed);
    struct Wave {
        double kr, kg, kb, phase, far[3];
    };
    std::vector<Wave> waves(6);
    for (Wave& w : waves) {
        w = {uniform(random, -4, 4), uniform(random, -4, 4), uniform(random, -4, 4), uniform(random, 0, 6), {}};
        for (double& v : w.far) v = uniform(random, -0.03, 0.03);
    }
    LutTable table = bakeLook({}, 17, "warped");
    for (std::size_t n = 0; n < table.grid.size(); n += 3) {
        const double r = table.grid[n], g = table.grid[n + 1], b = table.grid[n + 2];
        for (const Wave& w : waves)
            for (std::size_t k = 0; k < 3; ++k)
                table.grid[n + k] +=
                    static_cast<float>(w.far[k] * std::sin(w.kr * r + w.kg * g + w.kb * b + w.phase));
    }
    return lutGrade(table, "warped");
}

/// The mean CIEDE2000 between two grades, reckoned colour by colour without what the program measures by.
double meanBetween(const Grade& one, const Grade& other) {
    const Program a = Program::compile(one), b = Program::compile(other);
    Random random(77);
    double sum = 0;
    constexpr int colours = 3000;
    for (int i = 0; i < colours; ++i) {
        const std::array<float, 3> in{static_cast<float>(uniform(random, 0, 1)),
                                      static_cast<float>(uniform(random, 0, 1)),
                                      static_cast<float>(uniform(random, 0, 1))};
        const auto lab = [&](const Program& program) {
            Vec3 v{};
            const auto out = program(in);
            for (std::size_t k = 0; k < 3; ++k) v[k] = std::clamp(double(out[k]), 0.0, 1.0);
            return labFromSrgb(v);
        };
        sum += deltaE2000(lab(a), lab(b)) / colours;
    }
    return sum;
}

LookSearch quick() {
    LookSearch how;
    how.isThorough = false;
    return how;
}

} // namespace

TEST(FindLook, FindsPresetsOfOursInTheirTables) {
    std::vector<const char*> names = {"Stage light/Limelight", "Film responses/Harbour print",
                                      "Paper and ink/Red filter", "Meadow and lake/Morning dew"};
    if (kSanitized) names.resize(1);
    for (const std::string name : names) {
        const Grade look = tableOf(name);
        const FoundLook found = findLook(pairsOf(look), kSanitized ? quick() : LookSearch{});
        EXPECT_LE(found.stages.size(), 6U) << name;
        const Grade as = gradeOf(found.stages, "found");
        requireValid(as);
        const Fidelity apart = compareLooks(look, as, {});
        EXPECT_LT(apart.cube.mean, 0.3) << name; // promised: 0.6 and 2
        EXPECT_LT(apart.cube.percentile99, 1.5) << name;
        // Told by the search on its own colours, in its own measure, and by colours it has not seen.
        EXPECT_NEAR(found.mean, apart.cube.mean, 0.05 + 0.3 * apart.cube.mean) << name;
    }
}

TEST(FindLook, NothingDoneIsNoStage) {
    EXPECT_TRUE(findLook(pairsOf({}), quick()).stages.empty());
    errorOf([] { findLook({}, quick()); });
}

TEST(FindLook, WhatIsTableOnlyIsToldForWhatItIsAndTheRestTakesItUp) {
    const Grade look = warped(5);
    LookSearch how = quick();
    const LookAsStages found = lookAsStages(look, {}, how);
    const double left = meanBetween(look, gradeOf(found.stages, ""));
    EXPECT_GT(left, 0.3); // stages can't do this
    EXPECT_NEAR(found.apart.cube.mean, left, 0.03 + 0.05 * left);
    const Preset both = presetOf(found, true, "Warped", "“warped.cube”");
    const double withRest = meanBetween(look, both.carried);
    EXPECT_NEAR(found.withRest->cube.mean, withRest, 0.03 + 0.05 * withRest);
    EXPECT_LT(withRest, left / 3);
    EXPECT_EQ(both.carried.look[0].stages.back().type, "lut");
    EXPECT_NE(both.notes.find("warped.cube"), std::string::npos);
    const Preset alone = presetOf(found, false, "Warped", "“warped.cube”");
    EXPECT_EQ(alone.carried.look[0].stages.size() + 1, both.carried.look[0].stages.size());
    // It goes through a file as any preset does.
    EXPECT_EQ(presetFromText(presetToText(both)).carried, both.carried);
}

TEST(FindLook, TheSameColoursGiveTheSameStagesOnAnyNumberOfThreads) {
    const ColourPairs pairs = pairsOf(tableOf("Chalk and ash/Linen"));
    const auto search = [&] { return findLook(pairs, quick()).stages; };
    const std::vector<Stage> found = search();
    const tbb::global_control one(tbb::global_control::max_allowed_parallelism, 1);
    EXPECT_EQ(search(), found);
}

TEST(FindLook, CanBeStoppedWithWhatItHasAndGivenUp) {
    const ColourPairs pairs = pairsOf(tableOf("Chalk and ash/Linen"));
    Task task;
    int told = 0;
    LookSearch how;
    how.soFar = [&](const FoundLook& look) {
        ++told;
        EXPECT_FALSE(look.stages.empty());
        task.finishUp();
    };
    const FoundLook found = findLook(pairs, how, &task);
    EXPECT_EQ(told, 1);
    EXPECT_FALSE(found.stages.empty());
    Task given;
    how.soFar = [&](const FoundLook&) { given.cancel(); };
    EXPECT_THROW(findLook(pairs, how, &given), Cancelled);
}

TEST(FindLook, PicturesColoursCount) {
    const Picture picture = randomPicture(40, 40, 3);
    EXPECT_GT(pairsOf({}, {picture}).size(), pairsOf({}).size());
    for (const auto& colour : pairsOf({}, {picture}).before)
        for (const float v : colour) EXPECT_TRUE(v >= 0 && v <= 1);
}

TEST(SoughtStages, DoNothingWhereTheSearchBeginsAndAreValidAtTheirEnds) {
    for (const SoughtStage& sought : {soughtMix(), soughtCurves(), soughtWheels(), soughtHueBands(),
                                      soughtSaturation(), soughtGamut(), soughtMonochrome(), soughtGradient()}) {
        for (int end = -1; end <= 1; ++end) {
            std::vector<double> numbers;
            for (const SoughtNumber& n : sought.numbers)
                numbers.push_back(end == 0 ? n.start : end < 0 ? n.lowest : n.highest);
            Stage stage;
            stage.id = "sought-1", stage.type = sought.type;
            sought.write(numbers, stage);
            requireValid(gradeOf({stage}, "x"));
            const bool takesColour = sought.type == "monochrome" || sought.type == "gradient-map";
            if (end == 0) EXPECT_EQ(isNeutral(tidied(stage)), !takesColour) << sought.type;
        }
    }
}

TEST(SoughtStages, TidyingLeavesOutWhatNobodySees) {
    Stage curves;
    curves.type = "curves";
    Curve line, bent;
    for (int i = 0; i <= 6; ++i)
        line.push_back({i / 6.0, i / 6.0 + (i == 3 ? 2e-4 : 0)}), bent.push_back({i / 6.0, 0});
    for (CurvePoint& point : bent) point.y = 0.05 + 0.9 * point.x;
    curves.parameters = {{"rgb", bent}, {"g", line}};
    const Stage simple = tidied(curves, 4);
    EXPECT_EQ(simple.parameters.count("g"), 0U);
    const Curve& kept = std::get<Curve>(simple.parameters.at("rgb"));
    EXPECT_EQ(kept.size(), 2U);
    const Spline before(bent), after(kept);
    for (double x = 0; x <= 1; x += 0.01) EXPECT_NEAR(before(x), after(x), 2.5e-3);
    Stage bands;
    bands.type = "hue-bands";
    bands.parameters = {{"band1.shift", 0.05}, {"band1.centre", 12.3}, {"band2.shift", 5.0}, {"band2.centre", 50.0}};
    const Stage tidy = tidied(bands);
    EXPECT_EQ(tidy.parameters.count("band1.centre"), 0U); // it acts through nothing any more
    EXPECT_EQ(tidy.parameters.count("band2.centre"), 1U);
}

TEST(SoughtStages, WhatTheChannelsHaveInCommonGoesToTheCommonCurve) {
    Stage stage;
    stage.type = "curves";
    const Curve s = {{0, 0}, {0.25, 0.2}, {0.5, 0.52}, {0.75, 0.8}, {1, 1}};
    stage.parameters = {
        {"rgb", Curve{{0, 0}, {0.25, 0.25}, {0.5, 0.5}, {0.75, 0.75}, {1, 1}}}, {"r", s}, {"g", s}, {"b", s}};
    const Stage common = tidied(withCommonCurve(stage));
    EXPECT_EQ(common.parameters.size(), 1U); // no channel says anything of its own
    EXPECT_NEAR(Spline(std::get<Curve>(common.parameters.at("rgb")))(0.5), 0.52, 1e-3);
    stage.parameters["r"] = Curve{{0, 1}, {1, 0}};
    stage.parameters["g"] = stage.parameters["b"] = stage.parameters["r"];
    EXPECT_EQ(withCommonCurve(stage), stage); // it falls: no common curve can be told from it
}

TEST(ScatteredTable, PassesThroughItsColoursAndKeepsToThePriorElsewhere) {
    const LutTable prior = bakeLook({}, 17, "");
    ColourPairs pairs;
    Random random(3);
    for (int i = 0; i < 3000; ++i) { // reds and yellows, of which blue is far
        const float r = static_cast<float>(uniform(random, 0.5, 1)), g = static_cast<float>(uniform(random, 0, 1)),
                    b = static_cast<float>(uniform(random, 0, 0.3));
        pairs.add({r, g, b}, {r, g * 0.8F, b + 0.05F}, 1);
    }
    const LutTable table = tableThrough(pairs, prior);
    const Program program = Program::compile(lutGrade(table, ""));
    for (std::size_t i = 0; i < pairs.size(); i += 97) {
        const auto made = program(pairs.before[i]);
        for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(made[k], pairs.after[i][k], 4e-3);
    }
    const std::vector<float> confidence = confidenceOf(pairs, 17);
    const auto node = [](std::size_t r, std::size_t g, std::size_t b) { return r + 17 * (g + 17 * b); };
    EXPECT_GT(confidence[node(12, 8, 2)], 0.8F);
    EXPECT_EQ(confidence[node(1, 8, 15)], 0.0F);
    // Far away it is bent no further than it was where it was seen.
    const auto blue = program({0.05F, 0.2F, 0.95F});
    EXPECT_NEAR(blue[0], 0.05, 0.1);
    EXPECT_NEAR(blue[2], 0.95, 0.1);
    EXPECT_EQ(tableThrough({}, prior).grid, prior.grid);
}

TEST(ScatteredTable, GatheringKeepsTheSumOfWeightsAndTheMeans) {
    ColourPairs pairs;
    pairs.add({0.10F, 0.1F, 0.1F}, {0.2F, 0, 0}, 1);
    pairs.add({0.12F, 0.1F, 0.1F}, {0.4F, 0, 0}, 3);
    pairs.add({0.9F, 0.1F, 0.1F}, {1, 0, 0}, 2);
    const ColourPairs few = gathered(pairs, 8);
    ASSERT_EQ(few.size(), 2U);
    EXPECT_NEAR(few.before[0][0], 0.115, 1e-6);
    EXPECT_NEAR(few.after[0][0], 0.35, 1e-6);
    EXPECT_EQ(few.weights[0], 4.0F);
}

} // namespace baryton::test
