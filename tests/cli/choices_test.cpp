// What a run is made of, through the real program: pictures by their names, takes as looks, light matched to a key.
#include "batch/plan_file.h"
#include "cli/run_cli.h"
#include "grade/json.h"
#include "package/grade_store.h"
#include "picture/picture_file.h"
#include "render/program.h"
#include "support/samples.h"
#include "support/taken_set.h"

#include <gtest/gtest.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

std::map<std::string, std::string> picturesIn(const fs::path& folder) {
    std::map<std::string, std::string> files;
    std::error_code ignored;
    for (const auto& entry : fs::directory_iterator(folder, ignored))
        if (entry.path().extension() == ".png") files[entry.path().filename().string()] = fileHash(entry.path());
    return files;
}

/// Two scenes, of which one was taken four times in other light.
struct Season {
    TempFolder folder;
    std::string set = quoted(folder / "in"), key = quoted(folder / "in/fog-0.png");
    std::string look = "--preset " +
                       quoted(fs::path(BARYTON_SOURCE) / "share/presets/Stage light/House lights.bpreset") +
                       " --format png --name '{stem}.{ext}' ";

    Season() {
        const Picture fog = demoScene("lake-fog", 320), lantern = demoScene("lantern-alley", 320);
        const std::vector<Taken> shots = {{}, {-1.2}, {0.8, 5000}, {0.3, 8000}};
        for (std::size_t i = 0; i < shots.size(); ++i)
            writePlain(folder / ("in/fog-" + std::to_string(i) + ".png"), takenAs(fog, shots[i], false),
                       {FileFormat::Png, 8});
        writePlain(folder / "in/lantern.png", lantern, {FileFormat::Png, 8});
    }
    Result apply(const std::string& out, const std::string& options) const {
        return run("apply " + look + options + " --out " + quoted(folder / out) + " " + set, folder);
    }
    Picture made(const std::string& out, const std::string& name) const {
        return readPicture(folder / out / name).picture;
    }
};

} // namespace

TEST(Choices, TheLightOfAPlanIsMatchedToItsKeyAndStandsInIt) {
    const Season season;
    const TempFolder& folder = season.folder;
    ASSERT_EQ(season.apply("own", "").code, 0);
    const Result applied = season.apply("matched", "--prep matched --key " + season.key);
    ASSERT_EQ(applied.code, 0) << applied.err;
    const Picture key = season.made("own", "fog-0.png");
    for (const char* name : {"fog-1.png", "fog-2.png", "fog-3.png"})
        EXPECT_LT(meanApart(season.made("matched", name), key), 0.3 * meanApart(season.made("own", name), key))
            << name;
    // The key, and what shows another scene, stay as they are; so do the pictures' grades.
    EXPECT_TRUE(sameBytes(season.made("matched", "fog-0.png"), key));
    EXPECT_TRUE(sameBytes(season.made("matched", "lantern.png"), season.made("own", "lantern.png")));
    EXPECT_FALSE(fs::exists(gradeFileBeside(folder / "in/fog-1.png")));

    const std::string plan = quoted(folder / "season.bplan");
    ASSERT_EQ(run("plan new " + season.look + "--prep matched --key " + season.key + " --out " +
                      quoted(folder / "planned") + " " + season.set + " -o " + plan,
                  folder)
                  .code,
              0);
    const NamedPlan named = readPlanFile(folder / "season.bplan");
    EXPECT_EQ(named.plan.lights.size(), 3U);
    EXPECT_NEAR(named.plan.lights.at(1).stops, 1.2, 0.1);
    EXPECT_EQ(planToText(planFromText(planToText(named))), planToText(named));
    EXPECT_NE(run("plan show " + plan, folder).out.find("3 of them with their light matched"), std::string::npos);
    // Parts need nothing of each other, not even the key.
    fs::rename(folder / "in/fog-0.png", folder / "fog-0.png");
    EXPECT_EQ(run("batch " + plan + " --part 1/2", folder).code + run("batch " + plan + " --part 2/2", folder).code,
              1); // the part that lacks it
    fs::rename(folder / "fog-0.png", folder / "in/fog-0.png");
    for (const char* part : {"1/2", "2/2"})
        EXPECT_EQ(run("batch " + plan + " --resume --part " + part, folder).code, 0);
    EXPECT_EQ(picturesIn(folder / "planned"), picturesIn(folder / "matched"));
}

TEST(Choices, AKeyFromElsewhereDoesAndOneThatIsNoneIsTold) {
    const Season season;
    const TempFolder& folder = season.folder;
    fs::create_directories(folder / "elsewhere");
    fs::rename(folder / "in/fog-0.png", folder / "elsewhere/key.png");
    const std::string key = quoted(folder / "elsewhere/key.png");
    ASSERT_EQ(season.apply("matched", "--prep matched --key " + key).code, 0);
    ASSERT_EQ(season.apply("own", "").code, 0);
    ASSERT_EQ(run("apply " + season.look + "--out " + quoted(folder / "own") + " " + key, folder).code, 0);
    const Picture wanted = season.made("own", "key.png");
    for (const char* name : {"fog-1.png", "fog-2.png"})
        EXPECT_LT(meanApart(season.made("matched", name), wanted), 0.3 * meanApart(season.made("own", name), wanted))
            << name;
    writeFileAtomically(folder / "notes.txt", "The heron's wing needs oil.");
    const Result broken = season.apply("broken", "--prep matched --key " + quoted(folder / "notes.txt"));
    EXPECT_EQ(broken.code, 1);
    EXPECT_NE(broken.err.find("notes.txt"), std::string::npos) << broken.err;
    EXPECT_EQ(season.apply("broken", "--prep matched").code, 2);
    EXPECT_EQ(season.apply("broken", "--key " + key).code, 2);
    EXPECT_TRUE(picturesIn(folder / "broken").empty());
}

TEST(Choices, TakesAreLooksOfThePicturesThatHaveThem) {
    const Season season;
    const TempFolder& folder = season.folder;
    const auto graded = [](double stops) {
        Grade grade = startingGrade();
        grade.look[0].stages.push_back(makeStage(grade, "exposure"));
        grade.look[0].stages.back().parameters["stops"] = stops;
        return grade;
    };
    PictureWork work;
    work.grade = graded(-1);
    work = withTakeKept(work, "Evening");
    work.grade = graded(1);
    work = withTakeKept(work, "Noon");
    work.grade = graded(0.2);
    storeWork(folder / "in/fog-0.png", work);
    storeWork(folder / "in/fog-1.png", withTakeRemoved(work, 1));
    const std::string options = "apply --format png --name '{take}/{stem}.{ext}' ";
    const Result takes = run(options + "--take Evening --take Noon --report " + quoted(folder / "report.json") +
                                 " --out " + quoted(folder / "out") + " " + season.set,
                             folder);
    ASSERT_EQ(takes.code, 0) << takes.err;
    EXPECT_EQ(picturesIn(folder / "out/Evening").size(), 2U);
    EXPECT_EQ(picturesIn(folder / "out/Noon").size(), 1U);
    const Json report = Json::parse(readFile(folder / "report.json"));
    EXPECT_EQ(report.dump().find("has no take") != std::string::npos, true);
    const Picture evening = readPicture(folder / "out/Evening/fog-0.png").picture;
    const Picture wanted = Program::compile(graded(-1)).graded(readPicture(folder / "in/fog-0.png").picture);
    EXPECT_LT(largestDifference(evening, wanted), 1.6 / 255); // of dithering
    // A grade that can't be read is a failure, not a picture without takes.
    const std::string kept = readFile(gradeFileBeside(folder / "in/fog-1.png"));
    writeFileAtomically(gradeFileBeside(folder / "in/fog-1.png"), kept.substr(0, kept.size() / 2));
    const Result broken =
        run(options + "--take Evening --out " + quoted(folder / "broken") + " " + season.set, folder);
    EXPECT_EQ(broken.code, 1);
    EXPECT_NE(broken.err.find("fog-1"), std::string::npos) << broken.err;
    EXPECT_EQ(picturesIn(folder / "broken/Evening").size(), 1U);
    writeFileAtomically(gradeFileBeside(folder / "in/fog-1.png"), kept);
    // What is in hand goes on from the last one.
    ASSERT_EQ(run(options + "--out " + quoted(folder / "own") + " " + season.set, folder).code, 0);
    EXPECT_TRUE(fs::exists(folder / "own/Noon/fog-0.png"));
    EXPECT_TRUE(fs::exists(folder / "own/start/lantern.png"));
    EXPECT_EQ(
        run(options + season.look + "--take Noon --out " + quoted(folder / "both") + " " + season.set, folder).code,
        2);
}

TEST(Choices, FoldersAreTakenByTheirNames) {
    const Season season;
    ASSERT_EQ(season.apply("lanterns", "--only 'LANT*' --only '*-3.png'").code, 0);
    EXPECT_EQ(picturesIn(season.folder / "lanterns").size(), 2U);
    const Result none = season.apply("none", "--only 'heron*'");
    EXPECT_EQ(none.code, 1);
    EXPECT_NE(none.err.find("5 pictures that --only does not name"), std::string::npos) << none.err;
}

} // namespace baryton::test
