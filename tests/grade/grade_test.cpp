#include "edits/carry_over.h"
#include "edits/in_force.h"
#include "edits/preset_words.h"
#include "grade/grade_json.h"
#include "grade/json.h"
#include "stages/own_field_type.h"
#include "stages/validate.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <functional>
#include <set>

namespace baryton::test {

namespace {

Preset presetOf(const Grade& carried) {
    Preset preset;
    preset.name = "Curtain call";
    preset.notes = "For the last bow";
    preset.carried = carried;
    return preset;
}

/// The values of a grade by their path, independent of ids.
std::map<std::string, Value> flat(const Grade& grade) {
    std::map<std::string, Value> all;
    for (const auto& path : presentIn(grade)) {
        if (path.stage.empty()) continue;
        const Stage& stage = stageAt(grade, *findStage(grade, path.stage));
        const std::string key = partName(path.part) + "/" + path.layer + "/" + path.stage + "/" + path.parameter;
        const auto* field = ownField(stage, path.parameter);
        all[key] = field ? *field->get(stage) : stage.parameters.at(path.parameter);
    }
    return all;
}

} // namespace

TEST(GradeJson, RoundTripsToTheSameValueAndText) {
    Random random(7);
    for (int i = 0; i < roundsOf(60); ++i) {
        const Grade grade = randomGrade(random);
        const std::string text = gradeToText(grade);
        const Grade back = gradeFromText(text);
        EXPECT_EQ(back, grade);
        EXPECT_EQ(gradeToText(back), text);
        const Preset preset = presetOf(grade);
        EXPECT_EQ(presetFromText(presetToText(preset)), preset);
    }
}

namespace {

/// A value of an own field that is not its default.
Value awayFromDefault(const std::string& word) {
    const ParameterType& type = ownFieldType(word);
    if (type.kind == ParameterKind::Number) return (type.minimum + type.maximum) / 2;
    if (type.kind == ParameterKind::Toggle) return !std::get<bool>(type.defaultValue);
    if (type.kind == ParameterKind::Mask) return Mask{{MaskShape()}, true, 0.5};
    return type.options.back().id;
}

/// What holds for any own field, whichever there are.
template <class Item>
void checkOwnFields(const std::function<Item&(Grade&)>& itemOf, CarryPath path) {
    for (const auto& field : ownFieldsOf(Item())) {
        SCOPED_TRACE(field.word);
        const Grade bare = startingGrade();
        Grade set = bare;
        const Value value = awayFromDefault(field.word);
        ASSERT_EQ(value.index(), field.defaultValue.index());
        EXPECT_EQ(field.getOrDefault(itemOf(set)), ownFieldType(field.word).defaultValue);
        field.set(itemOf(set), value);
        EXPECT_NE(set, bare);
        EXPECT_EQ(gradeFromText(gradeToText(set)), set);
        path.parameter = field.word;
        const auto changes = diff(bare, set);
        ASSERT_EQ(changes.size(), 1u);
        EXPECT_EQ(changes[0], (Change{path, std::nullopt, value}));
        const Grade carried = carve(set, {path}, {});
        EXPECT_EQ(presentIn(carried), IncludeSet{path});
        Preset preset = presetOf(carried);
        EXPECT_EQ(applied(bare, preset, ApplyMode::Set), set);
        EXPECT_EQ(carriedOver(bare, bare, set), set);
        EXPECT_EQ(presentIn(carve(bare, {path}, {})), IncludeSet{path}) << "carried, though at its default";
        EXPECT_EQ(applied(bare, withEntry(preset, path, field.defaultValue), ApplyMode::Set), [&] {
            Grade back = bare;
            field.set(itemOf(back), field.defaultValue);
            return back;
        }());
        EXPECT_TRUE(presentIn(withoutEntries(preset, {path}).carried).empty());
        EXPECT_EQ(withoutPreset(withPreset({bare, {}, kStartTake, {}}, preset, ApplyMode::Set), 0).grade, bare);
        EXPECT_TRUE(validate(set).empty());
        field.set(itemOf(set), Value(field.word == kBlendWord ? Value(std::string("glue")) : value));
        if (field.defaultValue.index() == Value(0.0).index()) field.set(itemOf(set), 7.0);
        if (field.word == kMaskWord) field.set(itemOf(set), Mask{{MaskShape()}, false, 7.0});
        if (field.defaultValue.index() == Value(true).index()) continue;
        ASSERT_EQ(validate(set).size(), 1u);
        EXPECT_NE(validate(set)[0].place().find("/" + field.word), std::string::npos) << validate(set)[0].place();
        EXPECT_TRUE(validate(repaired(set)).empty());
    }
}

} // namespace

TEST(GradeFields, EveryOwnFieldIsWrittenCarriedAppliedTakenOffAndChecked) {
    const Grade grade = startingGrade();
    checkOwnFields<Layer>([](Grade& g) -> Layer& { return g.look[0]; }, {Part::Look, grade.look[0].id, "", ""});
    checkOwnFields<Stage>([](Grade& g) -> Stage& { return g.look[0].stages[1]; },
                          {Part::Look, grade.look[0].id, grade.look[0].stages[1].id, ""});
    checkOwnFields<Stage>([](Grade& g) -> Stage& { return g.finish[0]; }, {Part::Finish, "", grade.finish[0].id, ""});
    // No parameter is called like one: in a preset's paths they would be the same.
    for (const StageType* type : stageTypes())
        for (const auto& field : ownFieldsOf(Stage())) EXPECT_EQ(type->parameter(field.word), nullptr) << type->id;
}

TEST(GradeIds, AreNeverGivenAgain) {
    Grade grade = startingGrade();
    const std::string first = freeId(grade, "curves");
    EXPECT_EQ(freeId(grade, "curves"), first) << "asking gives nothing away";
    grade.look[0].stages.push_back(makeStage(grade, "curves"));
    noteGivenIds(grade);
    grade.look[0].stages.pop_back();
    EXPECT_NE(freeId(grade, "curves"), first);
    EXPECT_NE(freeId(gradeFromText(gradeToText(grade)), "curves"), first) << "also after it was written and read";
    EXPECT_EQ(gradeToText(startingGrade()).find("givenIds"), std::string::npos) << "what ids tell is not written";
    Grade other = startingGrade();
    noteGivenIds(other, grade.given);
    EXPECT_NE(freeId(other, "curves"), first);
    EXPECT_EQ(other, startingGrade()) << "it is no part of what a grade is";
    // Ids of another kind, such as hands write, are passed over.
    for (const char* id : {"curves-", "curves-999999999999", "curves-012", "-3", "curves--2", "x"}) {
        Grade odd = startingGrade();
        odd.look[0].stages[0].id = id;
        noteGivenIds(odd);
        EXPECT_TRUE(findStage(odd, freeId(odd, "curves")) == std::nullopt) << id;
    }
}

TEST(GradeJson, KeepsWhatANewerVersionWrote) {
    const std::string text = R"({"format":"baryton-grade","version":1,"mood":"merry",
        "prep":[{"type":"exposure","id":"exposure-1","parameters":{"stops":0.5},"later":[1,2]}],
        "look":[{"name":"Base","id":"layer-1","tint":{"a":1},"stages":[{"type":"shimmer","id":"s","parameters":{"amount":3}}]}],
        "finish":[]})";
    const Grade grade = gradeFromText(text);
    const Json back = Json::parse(gradeToText(grade));
    EXPECT_EQ(back["mood"], "merry");
    EXPECT_EQ(back["prep"][0]["later"], Json::parse("[1,2]"));
    EXPECT_EQ(back["look"][0]["tint"]["a"], 1);
    EXPECT_EQ(back["look"][0]["stages"][0]["parameters"]["amount"], 3);
    EXPECT_FALSE(validate(grade).empty()) << "an unknown stage is told";
    EXPECT_EQ(repaired(grade), grade) << "and kept";
}

TEST(GradeJson, RefusesWithThePlace) {
    const struct {
        const char* text;
        const char* place;
    } wrong[] = {
        {"{\"format\":\"baryton-grade\",\n\"version\":1,\n\"prep\": [,]}", "line 3"},
        {"", "line"},
        {R"({"format":"baryton-grade","version":2})", "/version"},
        {R"({"format":"something else","version":1})", "/format"},
        {R"({"format":"baryton-grade","version":1,"prep":{}})", "/prep"},
        {R"({"format":"baryton-grade","version":1,"prep":[{"type":"exposure","parameters":{"stops":{"a":1}}}]})",
         "/prep/0/parameters/stops"},
        {R"({"format":"baryton-grade","version":1,"look":[{"name":"x","strength":3,"stages":[]}]})",
         "/look/0/strength"},
        {R"({"format":"baryton-grade","version":1,"look":[{"stages":[]}]})", "/look/0"},
        {R"([1,2])", ""},
    };
    for (const auto& w : wrong) {
        const Error e = errorOf([&] { gradeFromText(w.text); });
        EXPECT_EQ(e.place().rfind(w.place, 0), 0u) << w.text << " → " << e.place();
    }
    // Deep nesting must not end the program.
    errorOf([] { gradeFromText(std::string(200000, '[')); });
    errorOf([] { gradeFromText(R"({"format":"baryton-grade","version":1,"x":1e999})"); });
}

TEST(GradeJson, ErrorsNameTheFile) {
    const TempFolder folder;
    const auto file = folder.file("broken.bpreset", "{");
    EXPECT_EQ(errorOf([&] { readPresetFile(file); }).file(), file.string());
    errorOf([&] { readGradeFile(folder.file("preset.bgrade", presetToText(presetOf({})))); });
    errorOf([&] { readPresetFile(folder / "none.bpreset"); });
}

TEST(GradeJson, SurvivesAnyCutOrFlippedByte) {
    Random random(3);
    Grade whole = randomGrade(random);
    whole.look.front().mask = randomMask(random);
    const std::string text = gradeToText(whole);
    for (int i = 0; i < 400; ++i) {
        std::string damaged = text;
        if (i % 2)
            damaged.resize(random() % text.size());
        else
            damaged[random() % text.size()] = static_cast<char>(random());
        try {
            const Grade grade = gradeFromText(damaged);
            EXPECT_TRUE(validate(repaired(grade)).size() <= validate(grade).size());
        } catch (const Error& e) {
            EXPECT_FALSE(e.problem().empty());
        }
    }
}

TEST(Validate, NamesWhatIsOutOfRange) {
    Grade grade = startingGrade();
    grade.prep[0].parameters["stops"] = 99.0;
    grade.look[0].stages[0].parameters["rgb"] = Curve{{0.5, 0}, {0.2, 1}};
    grade.look[0].stages[1].parameters["nonsense"] = 1.0;
    grade.finish[0].parameters["stops"] = true;
    const auto problems = validate(grade);
    ASSERT_EQ(problems.size(), 4u);
    EXPECT_EQ(problems[0].place(), "/prep/0/parameters/stops");
    EXPECT_EQ(problems[1].place(), "/look/0/stages/0/parameters/rgb");
    EXPECT_EQ(problems[3].place(), "/finish/0/parameters/stops");
    for (const auto& p : problems) EXPECT_FALSE(p.hint().empty());
    const Grade fixed = repaired(grade);
    EXPECT_EQ(std::get<double>(fixed.prep[0].parameters.at("stops")), 5);
    EXPECT_FALSE(fixed.finish[0].parameters.contains("stops"));
    EXPECT_TRUE(fixed.look[0].stages[1].parameters.contains("nonsense"));
    Stage misplaced = makeStage(grade, "vignette");
    grade.look[0].stages.push_back(misplaced);
    EXPECT_EQ(validate(grade).size(), 5u);
}

TEST(Carve, CarriesExactlyWhatIsIncluded) {
    Random random(11);
    for (int i = 0; i < 80; ++i) {
        const Grade grade = randomGrade(random);
        IncludeSet include;
        for (const auto& path : presentIn(grade))
            if (random() % 2) include.push_back(path);
        EXPECT_EQ(presentIn(carve(grade, include, defaultsFor(grade))).size(), include.size());
        const auto all = flat(grade), carried = flat(carve(grade, include, defaultsFor(grade)));
        for (const auto& [key, value] : carried) EXPECT_EQ(value, all.at(key)) << key;
    }
}

TEST(Carve, CanCarryADefault) {
    const Grade grade = startingGrade();
    const Grade carried = carve(grade, {{Part::Look, "layer-1", "saturation-1", "overall"}}, defaultsFor(grade));
    ASSERT_EQ(carried.look.size(), 1u);
    EXPECT_EQ(std::get<double>(carried.look[0].stages[0].parameters.at("overall")), 0);
    Grade strong = grade;
    strong.look[0].stages[2].parameters["overall"] = 0.5;
    const Grade out = applied(strong, presetOf(carried), ApplyMode::Set);
    EXPECT_EQ(std::get<double>(out.look[0].stages[2].parameters.at("overall")), 0) << "an included default is set";
}

TEST(Apply, SetChangesJustWhatIsCarried) {
    Random random(23);
    for (int i = 0; i < 80; ++i) {
        const Grade target = randomGrade(random), source = randomGrade(random);
        IncludeSet include;
        for (const auto& path : presentIn(source))
            if (random() % 2) include.push_back(path);
        const Preset preset = presetOf(carve(source, include, defaultsFor(source)));
        const Grade out = applied(target, preset, ApplyMode::Set);
        // Every value of the target is still there, or a carried value of the same type and parameter took its place.
        const auto before = flat(target), after = flat(out);
        std::size_t changed = 0;
        for (const auto& [key, value] : before) {
            ASSERT_TRUE(after.contains(key)) << key;
            changed += !(after.at(key) == value);
        }
        EXPECT_LE(changed, include.size());
        EXPECT_EQ(applied(out, preset, ApplyMode::Set), out) << "a second time changes nothing";
    }
}

TEST(Apply, SecondOfAKindStaysTheSecond) {
    // It comes behind the first, even where its neighbour in the preset stands before that one.
    Grade target, carried;
    for (Grade* grade : {&target, &carried}) {
        grade->look.emplace_back();
        grade->look[0].id = "layer-1", grade->look[0].name = "Base";
    }
    for (const char* type : {"saturation", "channel-mix"}) target.look[0].stages.push_back(makeStage(target, type));
    for (const char* type : {"channel-mix", "saturation", "channel-mix"})
        carried.look[0].stages.push_back(makeStage(carried, type));
    carried.look[0].stages[0].parameters["red.from.red"] = 0.9;
    carried.look[0].stages[2].parameters["red.from.red"] = 0.4;
    const Grade once = applied(target, presetOf(carried), ApplyMode::Set);
    ASSERT_EQ(once.look[0].stages.size(), 3u);
    EXPECT_EQ(once.look[0].stages[1].parameters.at("red.from.red"), Value(0.9));
    EXPECT_EQ(once.look[0].stages[2].parameters.at("red.from.red"), Value(0.4));
    EXPECT_EQ(applied(once, presetOf(carried), ApplyMode::Set), once);
}

TEST(Apply, WhatSetChangesIsWhatIsCarriedByteForByte) {
    Random random(24);
    for (int i = 0; i < roundsOf(120); ++i) {
        const Grade target = randomGrade(random), source = randomGrade(random);
        IncludeSet include;
        for (const auto& path : presentIn(source))
            if (random() % 3 == 0) include.push_back(path);
        const Preset preset = presetOf(carve(source, include, defaultsFor(source)));
        const Grade out = applied(target, preset, ApplyMode::Set);
        Grade back = out;
        for (const Change& change : diff(target, out)) {
            if (change.path.stage.empty()) {
                for (Layer& layer : back.look)
                    for (const Layer& old : target.look)
                        if (layer.id == change.path.layer && old.id == layer.id)
                            layer.enabled = old.enabled, layer.strength = old.strength, layer.blend = old.blend;
                continue;
            }
            const auto place = findStage(back, change.path.stage);
            ASSERT_TRUE(place);
            Stage& stage = stageAt(back, *place);
            const auto old = findStage(target, stage.id);
            if (!old) continue; // a stage it made: taken out below
            // The value is one that the preset carries for a stage of this type.
            const bool carried = std::any_of(include.begin(), include.end(), [&](const CarryPath& path) {
                return path.parameter == change.path.parameter;
            });
            EXPECT_TRUE(carried) << change.path.parameter;
            stage = stageAt(target, *old);
        }
        for (auto* stages : {&back.prep, &back.finish})
            std::erase_if(*stages, [&](const Stage& s) { return !findStage(target, s.id); });
        for (Layer& layer : back.look)
            std::erase_if(layer.stages, [&](const Stage& s) { return !findStage(target, s.id); });
        std::erase_if(back.look, [&](const Layer& l) {
            return std::none_of(target.look.begin(), target.look.end(), [&](const Layer& t) { return t.id == l.id; });
        });
        EXPECT_EQ(gradeToText(back), gradeToText(target)) << "nothing else moved";
    }
}

TEST(Apply, SetLeavesPrepAloneAndMeetsStagesByTypeAndLabel) {
    Grade target = startingGrade();
    target.prep[0].parameters["stops"] = 1.3;
    Grade source = startingGrade();
    source.prep[0].parameters["stops"] = -2.0;
    source.look[0].stages[1].parameters["shadows.amount"] = 0.4;
    Stage second = makeStage(source, "curves");
    second.label = "Toe";
    second.parameters["b"] = Curve{{0, 0.1}, {1, 1}};
    source.look[0].stages.push_back(second);
    IncludeSet include;
    for (const auto& path : presentIn(source))
        if (path.part != Part::Prep) include.push_back(path);
    const Preset preset = presetOf(carve(source, include, defaultsFor(source)));
    const Grade out = applied(target, preset, ApplyMode::Set);
    EXPECT_EQ(out.prep, target.prep);
    EXPECT_EQ(std::get<double>(out.look[0].stages[1].parameters.at("shadows.amount")), 0.4);
    EXPECT_EQ(accountOf(preset), "sets 2 values in 2 stages, leaves exposure and white balance");
    Grade labelled = target;
    labelled.look[0].stages.push_back(second);
    labelled.look[0].stages.back().parameters.clear();
    const Grade met = applied(labelled, preset, ApplyMode::Set);
    EXPECT_TRUE(met.look[0].stages.back().parameters.contains("b"));
    EXPECT_FALSE(met.look[0].stages[0].parameters.contains("b"));
}

TEST(Apply, AddAboveKeepsTheOldLayersAndTheNewStagesIds) {
    Random random(5);
    for (int i = 0; i < 40; ++i) {
        const Grade target = randomGrade(random);
        Preset preset = presetOf(randomGrade(random));
        preset.carried.prep.clear();
        preset.carried.finish.clear();
        const Grade out = applied(target, preset, ApplyMode::AddAbove, 0.5);
        ASSERT_EQ(out.look.size(), target.look.size() + preset.carried.look.size());
        for (std::size_t l = 0; l < target.look.size(); ++l) EXPECT_EQ(out.look[l], target.look[l]);
        std::set<std::string> ids;
        for (const auto& place : stagePlaces(out)) EXPECT_TRUE(ids.insert(stageAt(out, place).id).second);
        EXPECT_EQ(out.look.back().strengthOrFull(), preset.carried.look.back().strengthOrFull() * 0.5);
    }
}

TEST(Diff, SaysWhatIsDifferentAndNothingElse) {
    Random random(31);
    for (int i = 0; i < 60; ++i) {
        const Grade grade = randomGrade(random);
        EXPECT_TRUE(diff(grade, grade).empty());
        Grade changed = grade;
        changed.prep[0].parameters["stops"] = 0.123;
        const auto changes = diff(grade, changed);
        ASSERT_EQ(changes.size(), 1u);
        EXPECT_EQ(changes[0].path.parameter, "stops");
        EXPECT_EQ(std::get<double>(*changes[0].after), 0.123);
    }
    Grade a = startingGrade(), b = a;
    b.prep[0].parameters["stops"] = 0.4;
    EXPECT_EQ(editText(a, b), "Exposure: Stops +0.40");
    b = a;
    b.look[0].stages[0].enabled = false;
    EXPECT_EQ(editText(a, b), "Curves off");
    EXPECT_EQ(editText(a, a), "");
}

TEST(Completed, FillsInWhatEveryPictureHas) {
    const Grade empty;
    const Grade full = completed(empty);
    EXPECT_TRUE(isNeutral(full));
    EXPECT_EQ(stagePlaces(full).size(), stagePlaces(startingGrade()).size());
    EXPECT_EQ(completed(full), full);
}

TEST(Files, HaveBoundsAndAreReadInTimeThatGrowsWithTheirSize) {
    const auto presetOf = [](int layers, int stages) {
        std::string stage = R"({"type":"saturation","parameters":{"overall":0.1}})", list, look;
        for (int i = 0; i < stages; ++i) list += (i ? "," : "") + stage;
        for (int i = 0; i < layers; ++i)
            look += std::string(i ? ",{" : "{") + R"("name":"L","stages":[)" + list + "]}";
        return R"({"format":"baryton-preset","version":1,"name":"x","look":[)" + look + "]}";
    };
    EXPECT_EQ(stagePlaces(presetFromText(presetOf(10, 100)).carried).size(), kMostStages);
    const Error many = errorOf([&] { presetFromText(presetOf(10, 101)); });
    EXPECT_NE(many.problem().find("1010 stages; 1000 is the most"), std::string::npos) << many.what();
    // Half a million of them are refused before anything looks through them.
    const Error more = errorOf([&] { presetFromText(presetOf(1, 500000)); });
    EXPECT_NE(more.problem().find("more than 100000 objects"), std::string::npos) << more.what();
    // Ids of their own are found without trying all of them again for each.
    const Grade grade = presetFromText(presetOf(10, 100)).carried;
    std::set<std::string> ids;
    for (const StagePlace& place : stagePlaces(grade)) ids.insert(stageAt(grade, place).id);
    EXPECT_EQ(ids.size(), kMostStages);
}

} // namespace baryton::test
