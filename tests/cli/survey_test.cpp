// What comes before a run, through the real program: which pictures of a set fail, and the set matched.
#include "cli/run_cli.h"
#include "grade/json.h"
#include "package/grade_store.h"
#include "picture/picture_file.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/taken_set.h"

#include <gtest/gtest.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

Json told(const Result& result) {
    EXPECT_EQ(result.code, 0) << result.err;
    return Json::parse(result.out, nullptr, false);
}

const std::string kLook =
    "--preset " + quoted(fs::path(BARYTON_SOURCE) / "share/presets/Stage light/House lights.bpreset");

} // namespace

TEST(SurveyCommand, NamesTheSpoiltOfFortyAndMatchesTheRest) {
    if (kSanitized) GTEST_SKIP() << "as the next one, with more pictures";
    const TempFolder folder;
    Random random(19);
    const std::map<std::string, Taken> spoilt = {
        {"03-1", {1.9}}, {"05-2", {-2.3}}, {"08-1", {0, 2600}}, {"10-2", {0, 16000}}, {"11-1", {-2.0}}};
    std::map<std::string, std::pair<std::string, Taken>> shots;
    std::size_t count = 0;
    for (const std::string& scene : demoScenes()) {
        const Picture picture = demoScene(scene);
        for (int shot = 0; shot < (count < 4 ? 4 : 3); ++shot) {
            const std::string name = (count < 10 ? "0" : "") + std::to_string(count) + "-" + std::to_string(shot);
            Taken t;
            if (shot > 0)
                t = {uniform(random, -0.5, 0.5), 1e6 / uniform(random, 130, 180), uniform(random, -0.03, 0.03)};
            if (const auto at = spoilt.find(name); at != spoilt.end()) t = at->second;
            shots[name] = {scene, t};
            writePlain(folder / (name + ".jpg"), takenAs(picture, t), {FileFormat::Jpeg, 8, 95});
        }
        ++count;
    }
    ASSERT_EQ(shots.size(), 40U);
    const std::string set = quoted(folder.path()), key = " --key " + quoted(folder / "00-0.jpg");
    const Json survey = told(run("survey --json " + kLook + " " + set + key, folder));
    ASSERT_EQ(survey["pictures"].size(), 40U);
    std::set<std::string> failing;
    for (const Json& picture : survey["pictures"])
        if (picture["fails"]) failing.insert(fs::path(picture["picture"].get<std::string>()).stem().string());
    for (const auto& [name, t] : spoilt) EXPECT_TRUE(failing.contains(name)) << name;
    EXPECT_LE(failing.size(), spoilt.size() + 2);
    EXPECT_EQ(survey["failing"], failing.size());
    double severity = 1e9;
    for (const Json& picture : survey["pictures"]) {
        const double worst = picture["fails"] ? picture["faults"][0]["severity"].get<double>() : 0;
        EXPECT_LE(worst, severity) << "the worst first";
        severity = worst;
    }
    // Told alone it writes nothing; asked to, it keeps what it told.
    const Json match = told(run("match --json " + set + key, folder));
    EXPECT_EQ(match["runs"], 12);
    EXPECT_FALSE(fs::exists(gradeFileBeside(folder / "01-1.jpg")));
    EXPECT_EQ(told(run("match --write --json " + set + key, folder)), match);
    // All of a run are to lie as its reference does, whichever of them that is.
    const auto shotOf = [&](const Json& picture) {
        const auto& [scene, t] = shots.at(fs::path(picture["picture"].get<std::string>()).stem().string());
        return takenAs(demoScene(scene), t, false);
    };
    std::map<int, Picture> references;
    for (const Json& picture : match["pictures"])
        if (picture["by"] == "reference") references[picture["run"]] = shotOf(picture);
    double before = 0, after = 0;
    for (const Json& picture : match["pictures"]) {
        if (picture["by"] == "reference") continue;
        const fs::path file = picture["picture"].get<std::string>();
        const PrepLight light = prepLightOf(loadGrade(file).value_or(startingGrade()));
        EXPECT_NEAR(light.stops, picture["stops"], 1e-9) << file;
        const Picture &reference = references.at(picture["run"]), shot = shotOf(picture);
        before += trustedApart(reference, shot, {}), after += trustedApart(reference, shot, light);
    }
    EXPECT_LT(after, before / 3);
}

TEST(SurveyCommand, TellsWhatCannotBeReadAndRefusesAKeyThatIsNone) {
    const TempFolder folder;
    const Picture scene = demoScene("lake-fog", 240);
    writePlain(folder / "fog.jpg", scene, {FileFormat::Jpeg, 8, 95});
    writePlain(folder / "fog-dark.jpg", takenAs(scene, {-1}), {FileFormat::Jpeg, 8, 95});
    writeFileAtomically(folder / "broken.jpg", "\xff\xd8\xff nothing");
    const Result survey = run("survey " + kLook + " " + quoted(folder.path()), folder);
    EXPECT_EQ(survey.code, 1);
    EXPECT_NE(survey.err.find("broken.jpg"), std::string::npos);
    EXPECT_NE(survey.out.find("of 2 pictures fail"), std::string::npos) << survey.out;
    EXPECT_EQ(run("match --key " + quoted(folder / "broken.jpg") + " " + quoted(folder.path()), folder).code, 1);
    EXPECT_EQ(run("match " + quoted(folder.path()), folder).code, 2);
    EXPECT_EQ(run("survey " + kLook, folder).code, 2);
    const Result match =
        run("match --key " + quoted(folder / "fog.jpg") + " " + quoted(folder / "fog-dark.jpg"), folder);
    EXPECT_EQ(match.code, 0);
    EXPECT_NE(match.out.find("stops darker"), std::string::npos) << match.out;
}

} // namespace baryton::test
