#include "edits/carry_over.h"
#include "edits/in_force.h"
#include "edits/preset_words.h"
#include "grade/grade_json.h"
#include "grade/json.h"
#include "stages/validate.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"

#include <set>

namespace baryton::test {

namespace {

constexpr ApplyMode kModes[] = {ApplyMode::Set, ApplyMode::AddAbove, ApplyMode::Replace};

Preset randomPreset(Random& random, const std::string& name) {
    const Grade grade = randomGrade(random);
    IncludeSet include;
    for (const auto& path : presentIn(grade))
        if (random() % 2) include.push_back(path);
    Preset preset;
    preset.name = name;
    preset.carried = carve(grade, include, defaultsFor(grade));
    return preset;
}

PictureWork randomWork(Random& random) {
    return {completed(randomGrade(random)), {}, kStartTake, {}};
}

/// A preset with one value of the saturation stage in the layer "Base".
Preset saturation(const std::string& name, double overall) {
    Grade grade = startingGrade();
    grade.look[0].stages[2].parameters["overall"] = overall;
    Preset preset;
    preset.name = name;
    preset.carried = carve(grade, {{Part::Look, "layer-1", "saturation-1", "overall"}}, {});
    return preset;
}

double overallOf(const PictureWork& work) {
    const auto& values = work.grade.look.at(0).stages.at(2).parameters;
    return values.contains("overall") ? std::get<double>(values.at("overall")) : 0;
}

InForce changed(const InForce& entry, double strength, bool isOn = true) {
    InForce wanted = entry;
    wanted.strength = strength;
    wanted.isOn = isOn;
    return wanted;
}

} // namespace

TEST(InForce, TakingOffGivesBackTheOriginal) {
    Random random(41);
    for (int i = 0; i < roundsOf(150); ++i) {
        const PictureWork work = randomWork(random);
        const double strength = i % 3 == 0 ? 1 : uniform(random, 0.1, 2);
        const PictureWork worn = withPreset(work, randomPreset(random, "P"), kModes[i % 3], strength);
        if (worn.inForce.empty()) continue;
        EXPECT_EQ(withoutPreset(worn, 0).grade, work.grade) << "round " << i << ", mode " << i % 3;
        EXPECT_TRUE(withoutPreset(worn, 0).inForce.empty());
        EXPECT_FALSE(isChangedSince(worn, 0));
        EXPECT_EQ(withoutSpentPresets(worn), worn);
    }
}

TEST(InForce, TakingOffAllOfAStackGivesBackTheOriginal) {
    Random random(42);
    for (int i = 0; i < roundsOf(80); ++i) {
        const PictureWork work = randomWork(random);
        PictureWork worn = work;
        for (int k = 0; k < 3; ++k)
            worn = withPreset(worn, randomPreset(random, "P" + std::to_string(k)), kModes[random() % 3],
                              uniform(random, 0.5, 1.5));
        while (!worn.inForce.empty()) worn = withoutPreset(worn, worn.inForce.size() - 1);
        EXPECT_EQ(worn.grade, work.grade) << i;
    }
}

TEST(InForce, AnyOrderOfTakingOffSetPresetsGivesBackTheOriginal) {
    Random random(43);
    for (int i = 0; i < roundsOf(80); ++i) {
        const PictureWork work{startingGrade(), {}, kStartTake, {}};
        PictureWork worn = work;
        for (int k = 0; k < 4; ++k)
            worn = withPreset(worn, saturation("P" + std::to_string(k), uniform(random, -1, 1)), ApplyMode::Set);
        while (!worn.inForce.empty()) worn = withoutPreset(worn, random() % worn.inForce.size());
        EXPECT_EQ(worn.grade, work.grade) << i;
    }
}

TEST(InForce, ApplyingAgainChangesNothing) {
    Random random(44);
    for (int i = 0; i < roundsOf(100); ++i) {
        const ApplyMode mode = i % 2 ? ApplyMode::Set : ApplyMode::Replace;
        const Preset preset = randomPreset(random, "P");
        const double strength = uniform(random, 0.2, 1.8);
        const PictureWork once = withPreset(randomWork(random), preset, mode, strength);
        const PictureWork twice = withPreset(once, preset, mode, strength);
        EXPECT_EQ(twice, once) << i;
    }
}

TEST(InForce, WhatAHandChangedStays) {
    PictureWork work{startingGrade(), {}, kStartTake, {}};
    Preset preset = saturation("Vivid", 0.4);
    preset.carried.look[0].stages[0].parameters["muted"] = 0.2;
    work = withPreset(work, preset, ApplyMode::Set);
    EXPECT_EQ(overallOf(work), 0.4);
    work.grade.look[0].stages[2].parameters["overall"] = 0.1;
    EXPECT_TRUE(isChangedSince(work, 0));
    work = withoutPreset(work, 0);
    EXPECT_EQ(overallOf(work), 0.1);
    EXPECT_FALSE(work.grade.look[0].stages[2].parameters.contains("muted"));
}

TEST(InForce, ALaterPresetKeepsItsValueAndKnowsWhatWasBefore) {
    PictureWork work{startingGrade(), {}, kStartTake, {}};
    work = withPreset(work, saturation("First", 0.4), ApplyMode::Set);
    work = withPreset(work, saturation("Second", -0.5), ApplyMode::Set);
    EXPECT_EQ(overallOf(work), -0.5);
    EXPECT_FALSE(isChangedSince(work, 0)) << "a later preset is no hand";
    const PictureWork second = withoutPreset(work, 0);
    EXPECT_EQ(overallOf(second), -0.5);
    EXPECT_EQ(overallOf(withoutPreset(second, 0)), 0);
    // The first one's strength changes beneath the second.
    const PictureWork weaker = withPresetChanged(work, 0, changed(work.inForce[0], 0.5));
    EXPECT_EQ(overallOf(weaker), -0.5);
    EXPECT_DOUBLE_EQ(overallOf(withoutPreset(weaker, 1)), 0.2);
}

TEST(InForce, StrengthSwapAndSwitchKeepThePlace) {
    Random random(45);
    for (int i = 0; i < roundsOf(60); ++i) {
        PictureWork work = randomWork(random);
        const Preset low = randomPreset(random, "Low"), high = randomPreset(random, "High");
        if (low.carried.look.empty() || high.carried.look.empty()) continue;
        work = withPreset(withPreset(work, low, ApplyMode::AddAbove), high, ApplyMode::AddAbove);
        if (work.inForce.size() != 2) continue;
        const PictureWork off = withPresetChanged(work, 0, changed(work.inForce[0], 1, false));
        EXPECT_EQ(off.inForce.size(), 2u);
        EXPECT_LT(off.grade.look.size(), work.grade.look.size());
        const PictureWork on = withPresetChanged(off, 0, changed(off.inForce[0], 1));
        std::vector<std::string> names, back;
        for (const Layer& layer : work.grade.look) names.push_back(layer.name);
        for (const Layer& layer : on.grade.look) back.push_back(layer.name);
        EXPECT_EQ(back, names) << i;
    }
    PictureWork work{startingGrade(), {}, kStartTake, {}};
    work = withPreset(work, saturation("Vivid", 0.4), ApplyMode::Set);
    InForce wanted = work.inForce[0];
    wanted.preset = saturation("Quiet", -0.3);
    work = withPresetChanged(work, 0, wanted);
    EXPECT_EQ(overallOf(work), -0.3);
    EXPECT_EQ(work.inForce[0].preset.name, "Quiet");
    EXPECT_EQ(withoutPreset(work, 0).grade, startingGrade());
}

TEST(InForce, IdsStayTheOnesOfTheirOwnStagesWhateverIsDone) {
    const auto shared = [](const Grade& grade) {
        std::set<std::string> seen;
        std::string twice;
        for (const StagePlace& place : stagePlaces(grade))
            if (const std::string& id = stageAt(grade, place).id; !seen.insert(id).second) twice += id + " ";
        for (const Layer& layer : grade.look)
            if (!seen.insert(layer.id).second) twice += layer.id + " ";
        return twice;
    };
    Random random(46);
    for (int i = 0; i < roundsOf(60); ++i) {
        PictureWork work = randomWork(random);
        for (int step = 0; step < 12; ++step) {
            const std::size_t index = work.inForce.empty() ? 0 : random() % work.inForce.size();
            const int what = static_cast<int>(random() % 5);
            if (what == 0 || work.inForce.empty())
                work = withPreset(work, randomPreset(random, "P" + std::to_string(step)), kModes[random() % 3]);
            else if (what == 1)
                work = withPresetChanged(work, index, changed(work.inForce[index], 1, !work.inForce[index].isOn));
            else if (what == 2)
                work = withPresetChanged(work, index, changed(work.inForce[index], uniform(random, 0.1, 2)));
            else if (what == 3)
                work = withoutPreset(work, index);
            else { // a hand adds a layer with a stage
                Layer layer;
                layer.id = freeId(work.grade, "layer");
                layer.stages.push_back(makeStage(work.grade, "wheels"));
                layer.stages[0].parameters["shadows.amount"] = 0.3;
                work.grade.look.push_back(layer);
            }
            ASSERT_EQ(shared(work.grade), "") << "round " << i << ", step " << step << ", what " << what;
        }
    }
    // What was put aside by Replace gives way where its ids were given again, and its presets go on speaking of it.
    PictureWork work{startingGrade(), {}, kStartTake, {}};
    work = withPreset(work, saturation("Vivid", 0.4), ApplyMode::Set);
    Preset bare = saturation("Bare", 0.1);
    work = withPreset(work, bare, ApplyMode::Replace);
    Layer mine;
    ASSERT_NE(freeId(work.grade, "layer"), "layer-1") << "it was put aside, but had that id";
    mine.id = "layer-1"; // as a file written by a hand may have it
    mine.stages.push_back(makeStage(work.grade, "saturation"));
    mine.stages[0].parameters["overall"] = -0.5;
    work.grade.look.push_back(mine);
    work = withoutPreset(work, 0);
    EXPECT_EQ(shared(work.grade), "");
    EXPECT_EQ(overallOf(work), 0.4) << "the Look came back";
    work = withoutPreset(work, 0);
    EXPECT_EQ(overallOf(work), 0) << "and its preset was taken off it";
    EXPECT_EQ(work.grade.look.back().id, "layer-1");
    EXPECT_EQ(std::get<double>(work.grade.look.back().stages[0].parameters.at("overall")), -0.5);
}

TEST(InForce, ReplaceBringsTheLookBackAndWhatWasInForce) {
    PictureWork work{startingGrade(), {}, kStartTake, {}};
    work = withPreset(work, saturation("Vivid", 0.4), ApplyMode::Set);
    Preset bare;
    bare.name = "Bare";
    bare.carried.look.push_back(Layer{});
    bare.carried.look[0].name = "Bare";
    bare.carried.look[0].stages.push_back(makeStage({}, "monochrome"));
    bare.carried.look[0].stages[0].parameters["reds"] = 0.2;
    const PictureWork replaced = withPreset(work, bare, ApplyMode::Replace);
    ASSERT_EQ(replaced.grade.look.size(), 1u);
    EXPECT_EQ(replaced.grade.look[0].name, "Bare");
    EXPECT_EQ(replaced.inForce.size(), 1u);
    EXPECT_EQ(withoutPreset(replaced, 0), work);
    PictureWork touched = replaced;
    touched.grade.look[0].stages[0].parameters["blues"] = 0.3;
    const PictureWork back = withoutPreset(touched, 0);
    ASSERT_EQ(back.grade.look.size(), 2u) << "what a hand did stays, above the Look that came back";
    EXPECT_EQ(back.grade.look[1].stages[0].parameters.size(), 1u);
}

TEST(InForce, IsWrittenReadAndDroppedWhenSpent) {
    Random random(46);
    for (int i = 0; i < roundsOf(30); ++i) {
        PictureWork work = randomWork(random);
        for (int k = 0; k < 3; ++k)
            work = withPreset(work, randomPreset(random, "P" + std::to_string(k)), kModes[random() % 3], 0.8);
        EXPECT_EQ(workFromText(workToText(work)), work) << i;
        work.grade = startingGrade();
        EXPECT_TRUE(withoutSpentPresets(work).inForce.size() <= work.inForce.size());
    }
    PictureWork work = withPreset({startingGrade(), {}, kStartTake, {}}, saturation("Vivid", 0.4), ApplyMode::Set);
    work.grade = startingGrade();
    EXPECT_TRUE(withoutSpentPresets(work).inForce.empty());
    EXPECT_EQ(
        errorOf([] { workFromText(R"({"format":"baryton-grade","version":1,"inForce":[{"mode":"set"}]})"); }).place(),
        "/inForce/0");
}

TEST(InForce, ALutStandsInTheFileOnce) {
    LutTable table;
    table.grid.resize(std::size_t(3) * 17 * 17 * 17);
    for (std::size_t i = 0; i < table.grid.size(); ++i) table.grid[i] = static_cast<float>(i % 97) / 97;
    Preset preset;
    preset.name = "Dusk";
    Layer layer;
    layer.name = "Dusk";
    layer.stages.push_back(makeStage({}, "lut"));
    layer.stages[0].parameters["file"] = LutContent{"dusk.cube", std::make_shared<const LutTable>(table)};
    preset.carried.look.push_back(layer);
    preset = presetFromText(presetToText(preset)); // with ids
    const PictureWork work = withPreset({startingGrade(), {}, kStartTake, {}}, preset, ApplyMode::AddAbove);
    const std::string text = workToText(work);
    EXPECT_LT(text.size(), 1.5 * gradeToText(work.grade).size());
    EXPECT_EQ(workFromText(text), work);
    EXPECT_EQ(gradeFromText(text).look, work.grade.look) << "readers of the grade alone have the content too";
    EXPECT_EQ(workFromText(gradeToText(gradeFromText(text))), work);
    std::string lost = text;
    lost.replace(lost.find("\"grid\""), 6, "\"gird\"");
    const PictureWork missing = workFromText(lost); // named without content: kept, told on its card
    EXPECT_EQ(std::get<LutContent>(missing.grade.look.back().stages[0].parameters.at("file")).table, nullptr);
}

TEST(InForce, ValuesFromADamagedFileAreHeldToTheirRanges) {
    PictureWork work = withPreset({startingGrade(), {}, kStartTake, {}}, saturation("Vivid", 0.4), ApplyMode::Set);
    work.inForce[0].set[0].before = Value(std::string("nonsense"));
    EXPECT_TRUE(validate(withoutPreset(work, 0).grade).empty());
    work.inForce[0].set[0].before = 99.0;
    EXPECT_TRUE(validate(withoutPreset(work, 0).grade).empty());
    EXPECT_EQ(withoutPreset(work, 5), work);
}

TEST(SavedOver, KeepsWhatItCarries) {
    Random random(47);
    for (int i = 0; i < roundsOf(60); ++i) {
        const Preset preset = randomPreset(random, "P");
        const Preset next = savedOver(preset, completed(randomGrade(random)));
        EXPECT_EQ(presentIn(next.carried), presentIn(preset.carried));
        EXPECT_EQ(presetFromText(presetToText(next)), next);
        EXPECT_EQ(presetToText(presetFromText(presetToText(next))), presetToText(next));
    }
}

TEST(PresetFile, CarriesAuthorAndCoversAndKeepsWhatANewerMinorVersionAdds) {
    Preset preset = saturation("Vivid", 0.4);
    preset.author = "The Tin Heron Company";
    preset.covers = {std::string("\xff\xd8\xff\xe0 picture", 12)};
    EXPECT_EQ(presetFromText(presetToText(preset)), preset);
    Json json = Json::parse(presetToText(preset));
    json["minor"] = 4;
    json["weather"] = {{"rain", true}};
    EXPECT_EQ(Json::parse(presetToText(presetFromText(json.dump()))), json);
    json["version"] = 2;
    EXPECT_EQ(errorOf([&] { presetFromText(json.dump()); }).place(), "/version");
    json["version"] = 1;
    json["covers"] = {"bm8gcGljdHVyZQ=="};
    EXPECT_EQ(errorOf([&] { presetFromText(json.dump()); }).place(), "/covers/0");
    json["covers"] = {"*"};
    EXPECT_EQ(errorOf([&] { presetFromText(json.dump()); }).place(), "/covers/0");
}

} // namespace baryton::test
