#include "edits/apply_strength.h"
#include "edits/carry_over.h"
#include "edits/preset_words.h"
#include "grade/grade_json.h"
#include "stages/validate.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"

namespace baryton::test {

TEST(Takes, AKeptOneNeverChanges) {
    PictureWork work{startingGrade(), {}, kStartTake, {}};
    EXPECT_FALSE(isKeptAsTake(work));
    work.grade.prep[0].parameters["stops"] = 1.0;
    const Grade first = work.grade;
    work = withTakeKept(work, "Bright");
    ASSERT_EQ(work.takes.size(), 1u);
    EXPECT_EQ(work.takes[0].name, "Bright");
    EXPECT_EQ(work.from, 0);
    EXPECT_EQ(work.grade, first) << "work goes on from it";
    EXPECT_TRUE(isKeptAsTake(work));
    work.grade.prep[0].parameters["stops"] = -1.0;
    EXPECT_EQ(work.takes[0].grade, first) << "what is done now does not reach it";
    EXPECT_FALSE(isKeptAsTake(work));
    const Grade second = work.grade;
    work = withTakeKept(work);
    EXPECT_EQ(work.takes[1].name, "Take 1");
    work = withTakeInHand(work, 0);
    EXPECT_EQ(work.grade, first);
    EXPECT_EQ(work.from, 0);
    EXPECT_EQ(work.takes[1].grade, second);
    work = withTakeRenamed(work, 1, "Dark");
    EXPECT_EQ(work.takes[1].name, "Dark");
    PictureWork without = withTakeRemoved(work, 0);
    EXPECT_EQ(without.grade, first) << "the one in hand stays when its take goes";
    EXPECT_EQ(without.from, kStartTake);
    ASSERT_EQ(without.takes.size(), 1u);
    EXPECT_EQ(withTakeRemoved(withTakeInHand(work, 1), 0).from, 0) << "its place has moved up";
    EXPECT_TRUE(withTakeRemoved(without, 0).takes.empty());
    for (const int wrong : {-1, 2, 7}) {
        EXPECT_EQ(withTakeInHand(work, wrong), work);
        EXPECT_EQ(withTakeRemoved(work, wrong), work);
        EXPECT_EQ(withTakeRenamed(work, wrong, "a"), work);
    }
    EXPECT_EQ(withTakeRenamed(work, 0, ""), work);
}

TEST(Takes, AreWrittenAndReadBack) {
    Random random(5);
    for (int i = 0; i < roundsOf(20); ++i) {
        PictureWork work{randomGrade(random), {}, kStartTake, {}};
        for (int k = 0; k < i % 4; ++k) {
            work = withTakeKept(work);
            work.grade = randomGrade(random);
        }
        if (i % 3 == 0) work = withTakeInHand(work, 0);
        const std::string text = workToText(work);
        EXPECT_EQ(workFromText(text), work) << i;
        EXPECT_EQ(gradeFromText(text).look, work.grade.look) << "readers that know no takes see the one in hand";
        EXPECT_EQ(workFromText(gradeToText(gradeFromText(text))), work) << "and lose none when they write";
    }
    // As it was written before takes were kept apart from what is in hand.
    const PictureWork older = workFromText(
        R"({"format":"baryton-grade","version":1,"prep":[{"type":"exposure","id":"e","parameters":{"stops":1}}],
            "take":{"name":"Second","place":1},"takes":[{"name":"First","prep":[]}]})");
    ASSERT_EQ(older.takes.size(), 2u);
    EXPECT_EQ(older.from, 1);
    EXPECT_EQ(older.takes[1].name, "Second");
    EXPECT_EQ(older.takes[1].grade.prep, older.grade.prep);
    EXPECT_EQ(workFromText(workToText(older)), older);
    EXPECT_EQ(workFromText(R"({"format":"baryton-grade","version":1,"from":40})").from, kStartTake);
    errorOf([] { workFromText(R"({"format":"baryton-grade","version":1,"take":{"name":1}})"); });
    errorOf([] { workFromText(R"({"format":"baryton-grade","version":1,"from":"a"})"); });
    errorOf(
        [] { workFromText(R"({"format":"baryton-grade","version":1,"takes":[{"look":[]}],"take":{"name":"a"}})"); });
}

TEST(CarriedOver, TakesJustWhatDiffers) {
    Random random(8);
    for (int i = 0; i < 60; ++i) {
        const Grade key = completed(randomGrade(random)), other = completed(randomGrade(random));
        Grade edited = key;
        edited.prep[0].parameters["stops"] = 0.123;
        Grade want = other;
        want.prep[0].parameters["stops"] = 0.123;
        EXPECT_EQ(carriedOver(other, key, edited), want);
        EXPECT_EQ(carriedOver(other, key, key), other);
        EXPECT_EQ(carriedOver(key, key, edited), edited) << "the picture itself becomes what was made of it";
    }
}

TEST(CarriedOver, AddsRemovesAndFindsStages) {
    const Grade key = startingGrade();
    Grade other = key;
    other.prep[0].parameters["stops"] = -0.5;
    other.look[0].stages[0].parameters["rgb"] = Curve{{0, 0.1}, {1, 1}};
    Grade edited = key;
    edited.look[0].stages.push_back(makeStage(edited, "primaries"));
    Grade result = carriedOver(other, key, edited);
    ASSERT_EQ(result.look[0].stages.size(), other.look[0].stages.size() + 1);
    EXPECT_EQ(result.look[0].stages[0], other.look[0].stages[0]) << "its own curve stays";
    EXPECT_EQ(result.prep, other.prep);
    edited = key;
    edited.look[0].stages.erase(edited.look[0].stages.begin() + 1); // Wheels
    result = carriedOver(other, key, edited);
    ASSERT_EQ(result.look[0].stages.size(), other.look[0].stages.size() - 1);
    EXPECT_EQ(result.look[0].stages[1].type, "saturation");
    // Back to a default is carried, too.
    Grade set = key;
    set.look[0].stages[2].parameters["overall"] = 0.4;
    Grade otherSet = other;
    otherSet.look[0].stages[2].parameters["overall"] = 0.7;
    EXPECT_EQ(std::get<double>(carriedOver(otherSet, set, key).look[0].stages[2].parameters.at("overall")), 0);
}

TEST(EditText, TellsWhatBecameOfACurve) {
    const Grade a = startingGrade();
    const auto with = [&](const Curve& curve) {
        Grade g = a;
        g.look[0].stages[0].parameters["rgb"] = curve;
        return g;
    };
    const Curve two = {{0, 0}, {1, 1}}, three = {{0, 0}, {64.0 / 255, 48.0 / 255}, {1, 1}};
    Curve moved = three;
    moved[1].y = 40.0 / 255;
    EXPECT_EQ(editText(a, with(three)), "Curves: RGB point added at 64 → 48");
    EXPECT_EQ(editText(with(three), with(moved)), "Curves: RGB point 2 to 64 → 40");
    EXPECT_EQ(editText(with(moved), with(two)), "Curves: RGB point removed at 64 → 40");
}

TEST(Strength, GoesThatPartOfTheWayAndStaysInRange) {
    Random random(19);
    for (int i = 0; i < 60; ++i) {
        const Grade grade = completed(randomGrade(random));
        Preset preset;
        preset.name = "p";
        preset.carried = randomGrade(random);
        const ApplyMode mode = i % 2 ? ApplyMode::Set : ApplyMode::AddAbove;
        EXPECT_EQ(appliedWithStrength(grade, preset, mode, 0), grade);
        EXPECT_EQ(appliedWithStrength(grade, preset, mode, 1), applied(grade, preset, mode));
        for (const double strength : {0.3, 0.7, 1.6, 2.0})
            EXPECT_TRUE(validate(appliedWithStrength(grade, preset, mode, strength)).empty()) << i << ' ' << strength;
    }
    const ParameterType& stops = *findStageType("exposure")->parameter("stops");
    EXPECT_DOUBLE_EQ(std::get<double>(between(stops, 1.0, 2.0, 0.5)), 1.5);
    EXPECT_DOUBLE_EQ(std::get<double>(between(stops, 1.0, 2.0, 2)), 3);
    EXPECT_DOUBLE_EQ(std::get<double>(between(stops, 1.0, 4.0, 2)), 5) << "held to the range";
    const ParameterType& hue = *findStageType("wheels")->parameter("shadows.hue");
    EXPECT_NEAR(std::get<double>(between(hue, 350.0, 10.0, 0.5)), 0, 1e-9) << "the short way round";
    EXPECT_NEAR(std::get<double>(between(hue, 10.0, 350.0, 1)), 350, 1e-9);
    const ParameterType& rgb = *findStageType("curves")->parameter("rgb");
    const auto half = std::get<Curve>(between(rgb, Curve{}, Curve{{0, 0.2}, {1, 1}}, 0.5));
    EXPECT_NEAR(half.front().y, 0.1, 1e-6);
    EXPECT_EQ(std::get<bool>(between(*findStageType("split-tone")->parameter("hold"), false, true, 0.4)), false);
    EXPECT_EQ(std::get<bool>(between(*findStageType("split-tone")->parameter("hold"), false, true, 0.6)), true);
}

namespace {

/// Two stages of one type in a layer are told apart by their order: a preset that carries the second alone means the
/// first of where it is put.
bool hasTwins(const Grade& grade) {
    for (const Layer& layer : grade.look)
        for (std::size_t i = 0; i < layer.stages.size(); ++i)
            for (std::size_t j = 0; j < i; ++j)
                if (layer.stages[i].type == layer.stages[j].type) return true;
    return false;
}

} // namespace

TEST(SavedOver, TakesValuesAndKeepsWhatIsCarried) {
    Random random(23);
    int tried = 0;
    for (int i = 0; i < 80; ++i) {
        const Grade made = completed(randomGrade(random));
        if (hasTwins(made)) continue;
        ++tried;
        IncludeSet include = presentIn(made);
        std::erase_if(include, [&](const CarryPath&) { return random() % 2 == 0; });
        Preset preset;
        preset.name = "p";
        preset.carried = carve(made, include, defaultsFor(made));
        EXPECT_EQ(savedOver(preset, made), preset) << "from where it came nothing is new";
        Grade changed = made;
        for (const StagePlace& place : stagePlaces(changed)) {
            Stage& stage = stageAt(changed, place);
            const Stage other = randomStage(random, {}, stage.type);
            stage.parameters = other.parameters, stage.strength = other.strength;
        }
        const Preset over = savedOver(preset, changed);
        EXPECT_EQ(presentIn(over.carried), presentIn(preset.carried)) << "the include-set stays";
        EXPECT_EQ(over.carried, carve(changed, include, defaultsFor(changed)));
    }
    EXPECT_GT(tried, 30);
}

TEST(Replace, TheLookBecomesThePresetsAndStaysSo) {
    Random random(29);
    for (int i = 0; i < 40; ++i) {
        const Grade grade = completed(randomGrade(random));
        Preset preset;
        preset.name = "p";
        preset.carried = randomGrade(random);
        for (std::size_t l = 0; l < preset.carried.look.size(); ++l) preset.carried.look[l].name = std::to_string(l);
        preset.carried.prep.clear();
        if (i % 2) preset.carried.finish.clear();
        const Grade once = applied(grade, preset, ApplyMode::Replace);
        Grade twice = applied(once, preset, ApplyMode::Replace), first = once;
        for (Grade* each : {&twice, &first}) // what is replaced has ids of its own
            for (Layer& layer : each->look) {
                layer.id.clear();
                for (Stage& stage : layer.stages) stage.id.clear();
            }
        EXPECT_EQ(twice, first) << "applied again it changes nothing";
        EXPECT_EQ(once.prep, grade.prep);
        if (i % 2) EXPECT_EQ(once.finish, grade.finish);
        ASSERT_EQ(once.look.size(), preset.carried.look.size());
        for (std::size_t l = 0; l < once.look.size(); ++l) {
            ASSERT_EQ(once.look[l].stages.size(), preset.carried.look[l].stages.size());
            for (std::size_t s = 0; s < once.look[l].stages.size(); ++s)
                EXPECT_EQ(once.look[l].stages[s].parameters, preset.carried.look[l].stages[s].parameters);
        }
    }
}

} // namespace baryton::test
