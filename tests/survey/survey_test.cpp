#include "base/file.h"
#include "edits/apply_strength.h"
#include "grade/grade_json.h"
#include "stages/stage_type.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/taken_set.h"
#include "survey/survey.h"

#include <filesystem>

namespace baryton::test {

namespace {

struct SurveySet {
    std::vector<SurveyPicture> pictures;
    std::vector<RunPicture> seen;
    std::vector<std::string> names;
};

SurveySet demoSet(unsigned seed, int shots) {
    SurveySet set;
    Random random(seed);
    for (const std::string& name : demoScenes()) {
        const Picture scene = demoScene(name, kSurveySide);
        for (int i = 0; i < shots; ++i) {
            Taken t;
            t.stops = i == 0 ? 0 : uniform(random, -0.4, 0.4),
            t.kelvin = i == 0 ? 6504 : 1e6 / uniform(random, 140, 170);
            t.shiftX = i == 0 ? 0 : uniform(random, -0.03, 0.03);
            set.pictures.push_back({takenAs(scene, t), false});
            set.seen.push_back({{}, sceneVersion(set.pictures.back().small)});
            set.names.push_back(name);
        }
    }
    return set;
}

/// What a preset makes of a picture with such a Prep.
Grade lookOn(const Preset& preset, const PrepLight& light = {}) {
    return appliedWithStrength(withPrepLight(startingGrade(), light), preset, ApplyMode::AddAbove, 1);
}

Preset givenPreset(const std::string& name) {
    return readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/" + name + ".bpreset");
}

bool hasFailed(const Faults& faults) {
    return std::any_of(faults.begin(), faults.end(), [](const Fault& f) { return !f.isRemark(); });
}

/// A set judged under one preset, with some pictures of it spoilt.
struct Spoilt {
    std::size_t picture;
    Grade grade;
};
std::vector<Faults> judgedWith(const SurveySet& set, const std::vector<SceneRun>& runs, const Preset& preset,
                               const std::vector<Spoilt>& spoilt) {
    std::vector<LookMeasure> measures;
    for (std::size_t i = 0; i < set.pictures.size(); ++i) {
        const auto at = std::find_if(spoilt.begin(), spoilt.end(), [i](const Spoilt& s) { return s.picture == i; });
        measures.push_back(measureLook(at == spoilt.end() ? lookOn(preset) : at->grade, set.pictures[i]));
    }
    return judged(measures, runs, set.pictures.size() - 3); // the workshop is the key
}

std::size_t shotOf(const SurveySet& set, const std::string& scene, std::size_t shot) {
    return static_cast<std::size_t>(std::find(set.names.begin(), set.names.end(), scene) - set.names.begin()) + shot;
}

bool isNamed(const Faults& faults, const std::set<FaultKind>& kinds) {
    return std::any_of(faults.begin(), faults.end(), [&](const Fault& f) { return kinds.contains(f.kind); });
}

} // namespace

TEST(Survey, NamesWrongPrepsAndRaisesFewAlarms) {
    using enum FaultKind;
    struct Plant {
        const char* scene;
        PrepLight prep;
        std::set<FaultKind> kinds; ///< any of which names it
    };
    const std::vector<Plant> plants = {{"lake-fog", {2.2}, {Clips, LosesFolds}},
                                       {"snow-yard", {1.6}, {Clips, LosesFolds}},
                                       {"portrait-dark", {-2.6}, {Darker}},
                                       {"meadow-cart", {-2.4}, {Darker}},
                                       {"portrait-light", {0, 3000}, {Cooler}},
                                       {"spotlight", {0, 12000}, {Warmer}},
                                       {"backstage-mixed", {3.2}, {Clips, LosesFolds}},
                                       {"red-curtain", {0, 4000, 0.9}, {TurnsSkin, Cooler}},
                                       {"chart-table", {-1.4}, {Darker}},
                                       {"lantern-alley", {2.5}, {Lighter}}};
    const SurveySet set = demoSet(1, 3);
    const auto runs = runsOf(set.seen);
    ASSERT_EQ(runs.size(), demoScenes().size());
    std::size_t named = 0, planted = 0, alarms = 0, others = 0;
    for (const char* name : {"Dusk/Ember", "Stage light/House lights", "Stage light/Velvet", "Chalk and ash/Linen"}) {
        if (kSanitized && planted > 0) break;
        const Preset preset = givenPreset(name);
        std::vector<Spoilt> spoilt;
        for (const Plant& plant : plants) spoilt.push_back({shotOf(set, plant.scene, 1), lookOn(preset, plant.prep)});
        const std::vector<Faults> faults = judgedWith(set, runs, preset, spoilt);
        for (std::size_t i = 0; i < faults.size(); ++i) {
            const auto at =
                std::find_if(spoilt.begin(), spoilt.end(), [i](const Spoilt& s) { return s.picture == i; });
            if (at == spoilt.end())
                ++others, alarms += hasFailed(faults[i]);
            else
                ++planted, named += isNamed(faults[i], plants[static_cast<std::size_t>(at - spoilt.begin())].kinds);
        }
    }
    EXPECT_GE(double(named), 0.9 * double(planted));
    EXPECT_LT(double(alarms), 0.05 * double(others)) << alarms;
}

TEST(Survey, EachFaultIsNamedWithTheStageThatMakesIt) {
    using enum FaultKind;
    struct Plant {
        const char* scene;
        FaultKind kind;
        const char* type;
        std::map<std::string, Value> parameters;
    };
    const std::vector<Plant> plants = {
        {"lake-fog", ShowsBands, "levels", {{"rgb.in.black", 0.5}, {"rgb.in.white", 0.7}}},
        {"meadow-cart", Clips, "levels", {{"rgb.in.white", 0.55}}},
        {"workshop-window", LosesFolds, "levels", {{"rgb.in.black", 0.3}}},
        {"portrait-dark", TurnsSkin, "hue-bands", {{"band2.shift", 40.0}, {"band2.centre", 55.0}}},
        {"portrait-light", TurnsSkin, "saturation", {{"overall", -0.8}}}};
    const SurveySet set = demoSet(2, 2);
    const auto runs = runsOf(set.seen);
    const Preset preset = givenPreset("Stage light/House lights");
    std::vector<Spoilt> spoilt;
    for (const Plant& plant : plants) {
        Grade grade = lookOn(preset);
        Stage stage = makeStage(grade, plant.type);
        stage.parameters = plant.parameters;
        stage.id = "planted";
        grade.look.back().stages.push_back(stage);
        spoilt.push_back({shotOf(set, plant.scene, 1), grade});
    }
    const std::vector<Faults> faults = judgedWith(set, runs, preset, spoilt);
    for (std::size_t p = 0; p < plants.size(); ++p) {
        const Faults& found = faults[spoilt[p].picture];
        ASSERT_TRUE(isNamed(found, {plants[p].kind})) << plants[p].scene;
        const Fault& fault =
            *std::find_if(found.begin(), found.end(), [&](const Fault& f) { return f.kind == plants[p].kind; });
        EXPECT_EQ(stageAtFault(spoilt[p].grade, set.pictures[spoilt[p].picture], fault), "planted")
            << plants[p].scene;
        EXPECT_FALSE(faultWords(fault).empty());
    }
}

TEST(Survey, AStageThatFindsNothingHereIsARemarkAndASampleThatMovesAFault) {
    const SurveySet set = demoSet(3, 1);
    const auto runs = runsOf(set.seen);
    Preset reds = givenPreset("Stage light/House lights");
    Stage bands = makeStage(reds.carried, "hue-bands"); // acts on reds alone
    bands.id = "reds";
    bands.parameters = {
        {"band1.centre", 25.0}, {"band1.shift", 30.0}, {"band1.width", 10.0}, {"band1.feather", 10.0}};
    reds.carried.look.back().stages.push_back(bands);
    const std::size_t key = shotOf(set, "red-curtain", 0), fog = shotOf(set, "lake-fog", 0);
    const Picture& curtain = set.pictures[key].small;
    const auto at = [&](int k) { return double(curtain.row(k, curtain.height() / 4)[curtain.width() / 12]); };
    const std::vector<Vec3> sampled = {{at(0), at(1), at(2)}};
    std::vector<LookMeasure> measures;
    for (const SurveyPicture& picture : set.pictures) measures.push_back(measureLook(lookOn(reds), picture, sampled));
    measures[fog].sampled[0] = {0.1, measures[key].sampled[0].turn + 40, 1};
    const std::vector<Faults> faults = judged(measures, runs, key);
    EXPECT_TRUE(isNamed(faults[fog], {FaultKind::Idle}));
    EXPECT_TRUE(isNamed(faults[fog], {FaultKind::MovesSample}));
    EXPECT_FALSE(isNamed(faults[key], {FaultKind::Idle, FaultKind::MovesSample}));
    EXPECT_FALSE(faults[fog][0].isRemark()) << "remarks come last";
}

} // namespace baryton::test
