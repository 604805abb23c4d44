// The commands that make LUTs of patterns and of other LUTs, through the real program.
#include "cli/run_cli.h"
#include "grade/grade_json.h"
#include "grade/json.h"
#include "lut/bake.h"
#include "lut/lut_file.h"
#include "picture/own_pixels.h"
#include "render/program.h"
#include "stages/lut_kernel.h"
#include "support/samples.h"
#include "support/sanitized.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <sstream>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

Json account(const Result& result) {
    EXPECT_EQ(result.code, 0) << result.err;
    return Json::parse(result.out, nullptr, false);
}

/// A preset that warms and fades, without a Finish.
fs::path fadedPreset(const TempFolder& folder) {
    Preset preset;
    preset.name = "Faded";
    Layer& layer = preset.carried.look.emplace_back();
    layer.id = layer.name = "faded";
    for (const char* type : {"curves", "warmth"}) layer.stages.push_back(makeStage(preset.carried, type));
    layer.stages[0].parameters["rgb"] = Curve{{0, 0.06}, {0.5, 0.52}, {1, 0.95}};
    layer.stages[1].parameters["warmth"] = 20.0;
    writeFileAtomically(folder / "faded.bpreset", presetToText(preset));
    return folder / "faded.bpreset";
}

} // namespace

TEST(LutTools, APatternThatIsGradedByALutTeachesThatLut) {
    const TempFolder folder;
    const auto at = [&](const char* name) { return quoted(folder / name); };
    const std::string bake = "lut bake --preset " + quoted(fadedPreset(folder)) + " --size 17 -o " + at("look.cube");
    account(run(bake, folder));
    for (const std::string& layout : {std::string("--size 17"), std::string("--square-cube 4")}) {
        const Json pattern = account(run("lut pattern " + layout + " -o " + at("pattern.png"), folder));
        EXPECT_EQ(pattern["size"], layout == "--size 17" ? 17 : 16);
        EXPECT_EQ(
            run("lut apply " + at("look.cube") + " " + at("pattern.png") + " -o " + at("graded.png"), folder).code,
            0);
        const Json learnt =
            account(run("lut learn --pattern " + at("graded.png") + " -o " + at("learnt.cube"), folder));
        EXPECT_EQ(learnt["size"], pattern["size"]);
        const Json apart = account(run("lut compare " + at("look.cube") + " " + at("learnt.cube"), folder));
        EXPECT_LT(apart["cube"]["mean"], layout == "--size 17" ? 0.005 : 0.3) << "other nodes, other ways between";
        // Such a picture is a LUT wherever one is asked for.
        const Json told = Json::parse(run("lut info " + at("graded.png"), folder).out);
        EXPECT_EQ(told["format"], "picture");
        EXPECT_EQ(told["size"], pattern["size"]);
        const Json same = account(run("lut compare " + at("graded.png") + " " + at("learnt.cube"), folder));
        EXPECT_EQ(same["cube"]["worst"], 0);
        account(run("lut convert " + at("graded.png") + " -o " + at("copy.cube"), folder));
        EXPECT_EQ(readLutFile(folder / "copy.cube").table.grid, readLutFile(folder / "learnt.cube").table.grid);
        EXPECT_NE(run("lut check " + at("pattern.png"), folder).out.find("nobody graded this pattern"),
                  std::string::npos);
        fs::remove(folder / "pattern.png"), fs::remove(folder / "graded.png");
    }
    const Result photograph = run("lut info " + quoted(demo() / "pictures/lake-fog.jpg"), folder);
    EXPECT_NE(photograph.code, 0);
    EXPECT_NE(photograph.err.find("the picture is no LUT"), std::string::npos) << photograph.err;
    // Compared with itself nothing is apart; on pictures that is told too.
    const Json same = account(
        run("lut compare " + at("look.cube") + " " + at("look.cube") + " " + quoted(demo() / "pictures/lake-fog.jpg"),
            folder));
    EXPECT_EQ(same["cube"]["worst"], 0);
    EXPECT_EQ(same["pictures"]["worst"], 0);
    // A JPEG comes back, and that is said; another size is made of it.
    run("lut pattern --size 9 --bits 8 -o " + at("p.tif"), folder);
    run("lut apply " + at("look.cube") + " " + at("p.tif") + " --quality 95 -o " + at("p.jpg"), folder);
    const Result jpeg =
        run("lut learn --pattern " + at("p.jpg") + " --size 21 --format 3dl -o " + at("p.lut"), folder);
    EXPECT_EQ(account(jpeg)["size"], 21);
    EXPECT_NE(jpeg.err.find("JPEG"), std::string::npos);
    EXPECT_EQ(readLutFile(folder / "p.lut").format, LutFormat::ThreeDl);
}

TEST(LutTools, SeveralPresetsBecomeLutsInAFolderEachAsFineAsItNeedsToBe) {
    const TempFolder folder;
    const std::string both = quoted(fadedPreset(folder)) + " " + quoted(demo() / "presets/Limelight.bpreset");
    const auto at = [&](const char* name) { return quoted(folder / name); };
    const Result result =
        run("lut bake --preset " + both + " --within 0.4 --names '{n:00}-{look}.{ext}' -o " + at("luts"), folder);
    EXPECT_EQ(result.code, 0) << result.err;
    EXPECT_NE(result.err.find("left out: Vignette"), std::string::npos);
    std::istringstream lines(result.out);
    std::vector<fs::path> files;
    for (std::string line; std::getline(lines, line);) {
        const Json told = Json::parse(line);
        files.push_back(told["file"].get<std::string>());
        EXPECT_EQ(readLutFile(files.back()).table.gridSize(), told["size"]);
        EXPECT_LE(told["deltaE2000"]["percentile99"], 0.4);
        EXPECT_LT(told["size"], 65);
    }
    EXPECT_EQ(files, (std::vector<fs::path>{folder / "luts/01-faded.cube", folder / "luts/02-limelight.cube"}));
    // A name that says another format than is written is refused; that no grid is near enough is told.
    EXPECT_EQ(run("lut bake --preset " + both + " --format 3dl --names '{look}.cube' -o " + at("luts"), folder).code,
              2);
    const Result none =
        run("lut bake --preset " + quoted(fadedPreset(folder)) + " --within 0.00001 --sample -o " + at("near.cube"),
            folder);
    EXPECT_EQ(account(none)["size"], 65);
    EXPECT_NE(none.err.find("no grid is within 1e-05"), std::string::npos) << none.err;
    // Nothing is dropped in silence, masks ignored or not.
    const Result ignoring = run("lut bake --preset " + both + " --ignore-masks --size 5 -o " + at("more"), folder);
    EXPECT_NE(ignoring.err.find("left out: Vignette"), std::string::npos);
    // One preset alone takes its own name, and Prep only where that is asked for.
    EXPECT_EQ(run("lut bake --preset " + both + " --names same.cube -o " + at("luts"), folder).code, 2);
    EXPECT_EQ(run("lut bake --preset " + both + " -o -", folder).code, 2);
    Preset lit = readPresetFile(folder / "faded.bpreset");
    lit.carried.prep.push_back(makeStage(lit.carried, "exposure"));
    lit.carried.prep.back().parameters["stops"] = 0.7;
    writeFileAtomically(folder / "lit.bpreset", presetToText(lit));
    const auto mean = [&](const std::string& how) {
        account(run("lut bake --preset " + at("lit.bpreset") + " --size 9 -o " + at("l.cube") + how, folder));
        return account(run("lut compare " + at("l.cube") + " " + at("faded.bpreset"), folder))["cube"]["mean"]
            .get<double>();
    };
    EXPECT_LT(mean(""), 0.5);
    EXPECT_GT(mean(" --prep"), 3);
    // Measured on pictures too, at their own pixels.
    const fs::path lake = demo() / "pictures/lake-fog.jpg";
    const Json on = account(run("lut bake --preset " + at("faded.bpreset") + " --size 9 --sample -o " +
                                    at("on.cube") + " --on " + quoted(lake),
                                folder));
    const Fidelity want =
        measureFidelity(readLutFile(folder / "on.cube").table, readPresetFile(folder / "faded.bpreset").carried,
                        {readOwnPixels({lake}, OwnPixels::kMostPixels)});
    EXPECT_EQ(on["picturesDeltaE2000"]["worst"], want.pictures.worst);
    EXPECT_EQ(
        run("lut bake --preset " + at("faded.bpreset") + " -o " + at("none.cube") + " --on " + at("gone.jpg"), folder)
            .code,
        1);
    EXPECT_FALSE(fs::exists(folder / "none.cube"));
}

TEST(LutTools, ConvertsWithoutTouchingWhatTheFormatHolds) {
    const TempFolder folder;
    const auto at = [&](const char* name) { return quoted(folder / name); };
    account(run("lut bake --preset " + quoted(fadedPreset(folder)) + " --size 9 -o " + at("a.cube"), folder));
    const LutTable a = readLutFile(folder / "a.cube").table;
    account(run("lut convert " + at("a.cube") + " -o " + at("b.cube"), folder));
    EXPECT_EQ(readLutFile(folder / "b.cube").table.grid, a.grid);
    const Json coarse = account(run("lut convert " + at("a.cube") + " -o " + at("c.3dl"), folder));
    EXPECT_LT(coarse["deltaE2000"]["worst"], 0.5) << "12 bits";
    EXPECT_EQ(coarse["size"], 9);
    const Json other = account(run("lut convert " + at("a.cube") + " --size 17 -o " + at("d.cube"), folder));
    EXPECT_EQ(other["size"], 17);
    EXPECT_LT(other["deltaE2000"]["worst"], 1e-3) << "its nodes hold those of the first, and lie on its planes";
    // A table of one dimension with a wider domain: kept in a .cube, made a grid in a .3dl, with a word.
    writeFileAtomically(folder / "one.cube",
                        "LUT_1D_SIZE 3\nDOMAIN_MIN 0 0 0\nDOMAIN_MAX 2 2 2\n0 0 0\n0.8 0.8 0.8\n1 1 1\n");
    account(run("lut convert " + at("one.cube") + " -o " + at("same.cube"), folder));
    EXPECT_EQ(readLutFile(folder / "same.cube").table.shaper, readLutFile(folder / "one.cube").table.shaper);
    const Result grid = run("lut convert " + at("one.cube") + " -o " + at("grid.3dl"), folder);
    EXPECT_EQ(account(grid)["size"], 33);
    EXPECT_NE(grid.err.find("outside"), std::string::npos);
}

TEST(LutTools, TakesBackWhatALutDoes) {
    const TempFolder folder;
    const auto at = [&](const char* name) { return quoted(folder / name); };
    account(
        run("lut bake --preset " + quoted(fadedPreset(folder)) + " --size 17 --sample -o " + at("a.cube"), folder));
    const Json back = account(run("lut invert " + at("a.cube") + " --size 33 -o " + at("back.cube"), folder));
    EXPECT_LT(back["thereAndBack"]["mean"], 0.2);
    EXPECT_GT(back["unreached"], 0.1) << "what is faded reaches neither black nor white";
    // Behind the first it leaves colours where they were.
    account(run("lut combine " + at("a.cube") + " " + at("back.cube") + " --size 17 -o " + at("both.cube"), folder));
    const LutTable both = readLutFile(folder / "both.cube").table;
    double sum = 0;
    for (int i = 0; i < 17 * 17 * 17; ++i)
        for (int k = 0, rest = i; k < 3; ++k, rest /= 17)
            sum += std::abs(both.grid[static_cast<std::size_t>(3 * i + k)] - rest % 17 / 16.0);
    EXPECT_LT(sum / double(both.grid.size()), 0.004) << "a level of 8 bits";
    // Tones alone: exactly, over what they give; what goes back is refused by its line.
    writeFileAtomically(folder / "tones.cube", "LUT_1D_SIZE 4\n0.1 0 0\n0.2 0.5 0.2\n0.5 0.5 0.6\n0.9 1 1\n");
    const Json tones = account(run("lut invert " + at("tones.cube") + " -o " + at("t.cube"), folder));
    EXPECT_EQ(tones["unreached"], 0);
    const LutTable t = readLutFile(folder / "t.cube").table;
    EXPECT_NEAR(t.shaperMin[0], 0.1, 1e-6);
    EXPECT_NEAR(t.shaperMax[0], 0.9, 1e-6);
    EXPECT_NEAR(applyLut(t, {0.35, 0.5, 0.8})[0], 0.5, 1e-3);
    EXPECT_NEAR(applyLut(t, {0.35, 0.5, 0.8})[1], 0.5, 1e-3) << "the middle of where it stands still";
    EXPECT_NEAR(applyLut(t, {0.35, 0.5, 0.8})[2], 2.5 / 3, 1e-3);
    writeFileAtomically(folder / "back.cube", "LUT_1D_SIZE 3\n0 0 0\n0.6 0.6 0.6\n0.5 1 1\n");
    const Result refused = run("lut invert " + at("back.cube") + " -o " + at("no.cube"), folder);
    EXPECT_NE(refused.code, 0);
    EXPECT_NE(refused.err.find("entry 3"), std::string::npos) << refused.err;
    EXPECT_FALSE(fs::exists(folder / "no.cube"));
}

TEST(LutTools, CombinesLutsAndPresetsInTheirOrder) {
    const TempFolder folder;
    const auto at = [&](const char* name) { return quoted(folder / name); };
    const auto faded = fadedPreset(folder);
    writeFileAtomically(folder / "invert.cube",
                        "LUT_3D_SIZE 2\n1 1 1\n0 1 1\n1 0 1\n0 0 1\n1 1 0\n0 1 0\n1 0 0\n0 0 0\n");
    account(run("lut combine " + quoted(faded) + " " + at("invert.cube") + " -o " + at("ab.cube"), folder));
    account(run("lut combine " + at("invert.cube") + " " + quoted(faded) + " --size 17 -o " + at("ba.cube"), folder));
    EXPECT_EQ(readLutFile(folder / "ab.cube").table.gridSize(), 33);
    const Preset preset = readPresetFile(faded);
    Grade inverted = lutGrade(readLutFile(folder / "invert.cube").table, "invert");
    const auto look = [&](const LutTable& table, const std::array<float, 3>& rgb) {
        return Program::compile(lutGrade(table, "t"))(rgb);
    };
    const Program exact = Program::compile(preset.carried), invert = Program::compile(inverted);
    for (const std::array<float, 3> rgb : {std::array{0.25F, 0.5F, 0.75F}, std::array{0.0F, 1.0F, 0.5F}}) {
        const auto ab = look(readLutFile(folder / "ab.cube").table, rgb),
                   ba = look(readLutFile(folder / "ba.cube").table, rgb);
        const auto wantAb = invert(exact(rgb)), wantBa = exact(invert(rgb));
        for (std::size_t k = 0; k < 3; ++k) {
            EXPECT_NEAR(ab[k], wantAb[k], 3e-3);
            EXPECT_NEAR(ba[k], wantBa[k], 3e-3);
        }
    }
}

TEST(LutTools, NodesAreFittedOrSampledAsIsAsked) {
    const TempFolder folder;
    const std::string bake = "lut bake --preset " + quoted(fadedPreset(folder)) + " --size 9 ";
    const auto made = [&](const std::string& options, const char* name) {
        return account(run(bake + options + " -o " + quoted(folder / name), folder));
    };
    const Json sampled = made("--sample", "s.cube"), fitted = made("--fit", "f.cube"), best = made("", "b.cube");
    EXPECT_EQ(sampled["nodes"], "sampled");
    EXPECT_EQ(fitted["nodes"], "fitted");
    EXPECT_LT(fitted["deltaE2000"]["mean"], sampled["deltaE2000"]["mean"]);
    EXPECT_EQ(readFile(folder / (best["nodes"] == "fitted" ? "f.cube" : "s.cube")), readFile(folder / "b.cube"));
    EXPECT_EQ(run(bake + "--fit --sample -o " + quoted(folder / "x.cube"), folder).code, 2);
}

TEST(LutTools, ChecksWhatATableDoes) {
    const TempFolder folder;
    const auto at = [&](const char* name) { return quoted(folder / name); };
    writeFileAtomically(folder / "bright.cube", "LUT_1D_SIZE 3\n0 0 0\n1 0.5 0.5\n1 1 1\n");
    const Result words = run("lut check " + at("bright.cube"), folder);
    EXPECT_EQ(words.code, 0);
    EXPECT_NE(words.out.find("clips red at the light end"), std::string::npos) << words.out;
    EXPECT_NE(words.out.find("tints greys"), std::string::npos);
    const Json json = account(run("lut check --json " + at("bright.cube"), folder));
    EXPECT_NEAR(json["clipped"]["high"][0].get<double>(), 0.5, 0.05);
    EXPECT_EQ(json["clipped"]["high"][1], 0);
    EXPECT_EQ(json["sentences"].size(), std::size_t(std::count(words.out.begin(), words.out.end(), '\n')));
    writeFileAtomically(folder / "same.cube", "LUT_1D_SIZE 2\n0 0 0\n1 1 1\n");
    EXPECT_EQ(run("lut check " + at("same.cube"), folder).out, "nothing of it stands out\n");
    EXPECT_EQ(run("lut check " + at("none.cube"), folder).code, 1);
}

TEST(LutTools, WhatIsWrongIsToldAndNothingIsWritten) {
    const TempFolder folder;
    const auto at = [&](const char* name) { return quoted(folder / name); };
    const std::string lake = quoted(demo() / "pictures/lake-fog.jpg");
    const auto code = [&](const std::string& command) { return run("lut " + command, folder).code; };
    for (const std::string& command :
         {"pattern --size 8 -o " + at("x.png"), "pattern --size 66 -o " + at("x.png"), "pattern -o " + at("x.jpg"),
          "pattern -o " + at("x"), "pattern --size 17 --square-cube 4 -o " + at("x.png"),
          "pattern --bits 12 -o " + at("x.png"), "learn -o " + at("x.cube"),
          "learn --pattern " + lake + " -o " + at("x.gif"), "combine -o " + at("x.cube"),
          std::string("compare a.cube")})
        EXPECT_EQ(code(command), 2) << command;
    writeFileAtomically(folder / "broken.cube", "LUT_3D_SIZE 2\n0 0 nan\n");
    for (const std::string& command : {"learn --pattern " + lake + " -o " + at("x.cube"),
                                       "learn --pattern " + at("none.png") + " -o " + at("x.cube"),
                                       "convert " + at("broken.cube") + " -o " + at("x.3dl"),
                                       "combine " + at("broken.cube") + " -o " + at("x.cube"),
                                       "compare " + at("broken.cube") + " " + at("broken.cube"),
                                       "apply " + at("broken.cube") + " " + lake + " -o " + at("x.png")})
        EXPECT_EQ(code(command), 1) << command;
    for (const auto& entry : fs::directory_iterator(folder.path())) EXPECT_NE(entry.path().stem(), "x");
    // Nothing that is read is written over, and no picture of somebody else's.
    fs::copy(demo() / "pictures/lake-fog.jpg", folder / "mine.jpg");
    writeFileAtomically(folder / "id.cube",
                        "LUT_3D_SIZE 2\n0 0 0\n1 0 0\n0 1 0\n1 1 0\n0 0 1\n1 0 1\n0 1 1\n1 1 1\n");
    const std::string before = readFile(folder / "mine.jpg");
    EXPECT_NE(code("apply " + at("id.cube") + " " + at("mine.jpg") + " -o " + at("mine.jpg")), 0);
    EXPECT_NE(code("apply " + at("id.cube") + " " + lake + " -o " + at("mine.jpg")), 0);
    EXPECT_NE(code("convert " + at("id.cube") + " -o " + at("id.cube")), 0);
    EXPECT_EQ(readFile(folder / "mine.jpg"), before);
}

TEST(LutTools, ALutTurnsIntoAPresetOfStagesThatSaysWhereItCameFrom) {
    if (kSanitized) GTEST_SKIP() << "how near it comes is measured without them";
    const TempFolder folder;
    const auto at = [&](const char* name) { return quoted(folder / name); };
    account(run("lut bake --preset " + quoted(fadedPreset(folder)) + " --size 17 -o " + at("look.cube"), folder));
    const std::string picture = quoted(demo() / "pictures/lake-fog.jpg");
    const Json found =
        account(run("lut stages " + at("look.cube") + " --on " + picture + " -o " + at("found.bpreset"), folder));
    EXPECT_LT(found["deltaE2000"]["mean"], 0.3);
    EXPECT_LT(found["picturesDeltaE2000"]["mean"], 0.3);
    const Preset preset = readPresetFile(folder / "found.bpreset");
    EXPECT_EQ(preset.name, "found");
    EXPECT_NE(preset.notes.find("look.cube"), std::string::npos);
    ASSERT_EQ(preset.carried.look.size(), 1U);
    EXPECT_EQ(preset.carried.look[0].stages.size(), found["stages"].size());
    // What it tells is what another command measures.
    const Json measured = account(run("lut compare " + at("look.cube") + " " + at("found.bpreset"), folder));
    EXPECT_NEAR(measured["cube"]["mean"].get<double>(), found["deltaE2000"]["mean"].get<double>(), 0.02);
    // A preset is no place for it that is read, nor is another kind of file.
    EXPECT_EQ(run("lut stages " + at("look.cube") + " -o " + at("look.cube"), folder).code, 2);
    writeFileAtomically(folder / "mine.bpreset", "my notes");
    EXPECT_EQ(run("lut stages " + at("look.cube") + " -o " + at("mine.bpreset"), folder).code, 2);
    EXPECT_EQ(readFile(folder / "mine.bpreset"), "my notes");
}

TEST(LutTools, PicturesBeforeAndAfterTeachALutAndStages) {
    if (kSanitized) GTEST_SKIP() << "how near it comes is measured without them";
    const TempFolder folder;
    const auto at = [&](const char* name) { return quoted(folder / name); };
    const std::string before = quoted(demo() / "pictures/meadow-cart.jpg");
    account(run("lut bake --preset " + quoted(fadedPreset(folder)) + " -o " + at("look.cube"), folder));
    EXPECT_EQ(run("lut apply " + at("look.cube") + " " + before + " -o " + at("after.jpg"), folder).code, 0);
    const std::string pair = " --before " + before + " --after " + at("after.jpg");
    const Json learnt = account(run("lut learn" + pair + " --size 17 -o " + at("learnt.cube"), folder));
    EXPECT_LT(learnt["learned"]["heldBackDeltaE2000"]["mean"], 0.5);
    EXPECT_EQ(learnt["learned"]["pairs"].size(), 1U);
    const Json apart = account(run("lut compare " + at("look.cube") + " " + at("learnt.cube") + " " +
                                       quoted(demo() / "pictures/workshop-window.jpg"),
                                   folder));
    EXPECT_LT(apart["pictures"]["mean"], 0.8);
    for (const std::string& wrong : {" --before " + before, pair + " --pattern " + before, std::string(),
                                     " --before " + before + " --before " + before + " --after " + at("after.jpg")})
        EXPECT_EQ(run("lut learn" + wrong + " -o " + at("x.cube"), folder).code, 2) << wrong;
    const Result other = run("lut learn --before " + before + " --after " + quoted(demo() / "pictures/lake-fog.jpg") +
                                 " -o " + at("x.cube"),
                             folder);
    EXPECT_EQ(other.code, 1);
    EXPECT_NE(other.err.find("not one picture"), std::string::npos) << other.err;
    EXPECT_FALSE(fs::exists(folder / "x.cube"));
}

} // namespace baryton::test
