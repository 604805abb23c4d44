#include "base/file.h"
#include "cli/run_cli.h"
#include "grade/grade_json.h"
#include "grade/json.h"
#include "picture/picture_file.h"
#include "render/program.h"
#include "stages/stage_type.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <gtest/gtest.h>
#include <sys/stat.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

fs::path limelight() {
    return demo() / "presets/Limelight.bpreset";
}

fs::path smallPicture(const TempFolder& folder, const std::string& name) {
    const Picture picture = readThumbnail(demo() / "pictures/lake-fog.jpg", 200);
    writePicture(folder / name, Program::compile({}).quantised(picture, 16, false), {}, {FileFormat::Png, 16, 90});
    return folder / name;
}

} // namespace

TEST(Cli, HelpOnEveryLevel) {
    const TempFolder folder;
    for (const char* command : {"--help", "apply --help", "lut --help", "lut bake --help", "lut info --help",
                                "stages --help", "preset --help", "preset show --help", "preset unpack --help"}) {
        const Result r = run(command, folder);
        EXPECT_EQ(r.code, 0) << command;
        EXPECT_NE(r.out.find("Usage"), std::string::npos) << command;
    }
}

TEST(Cli, WrongUsageIsTwoAndWritesNothing) {
    const TempFolder folder;
    const auto picture = smallPicture(folder, "a.png");
    const std::string out = quoted(folder / "out");
    for (const std::string& command :
         {std::string(), std::string("nonsense"), "apply " + quoted(picture),
          "apply --preset " + quoted(limelight()) + " --out " + out,
          "apply --preset " + quoted(limelight()) + " --out " + out + " --format gif " + quoted(picture),
          "apply --preset " + quoted(limelight()) + " --out " + out + " --quality 101 " + quoted(picture),
          "apply --preset " + quoted(limelight()) + " --out " + out + " --format jpeg --bits 16 " + quoted(picture),
          "apply --preset " + quoted(limelight()) + " --out " + out + " --name '../{stem}' " + quoted(picture),
          "lut bake --preset " + quoted(limelight()) + " --size 300 -o x.cube"}) {
        const Result r = run(command, folder);
        EXPECT_EQ(r.code, 2) << command;
        EXPECT_FALSE(fs::exists(folder / "out")) << command;
    }
}

TEST(Cli, AppliesPresetsAndReportsEachFailure) {
    const TempFolder folder;
    const auto good = smallPicture(folder, "good.png");
    const auto bad = folder.file("bad.jpg", "no picture");
    const Result r = run("apply --preset " + quoted(limelight()) + " --out " + quoted(folder / "out") +
                             " --format tiff --bits 16 --report " + quoted(folder / "report.json") + " " +
                             quoted(good) + " " + quoted(bad),
                         folder);
    EXPECT_EQ(r.code, 1);
    EXPECT_NE(r.err.find("bad.jpg: "), std::string::npos);
    EXPECT_NE(r.err.find(": open it where it was made"), std::string::npos) << r.err;
    const auto file = folder / "out/good-limelight.tif";
    ASSERT_TRUE(fs::exists(file));
    const Picture want = Program::compile(readPresetFile(limelight()).carried).graded(readPicture(good).picture);
    Picture clipped = want;
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < want.height(); ++y)
            for (int x = 0; x < want.width(); ++x) clipped.row(k, y)[x] = std::clamp(want.row(k, y)[x], 0.0F, 1.0F);
    EXPECT_LT(largestDifference(readPicture(file).picture, clipped), 1.0 / 65535);
    const Json report = Json::parse(readFile(folder / "report.json"));
    EXPECT_EQ(report["counts"]["done"], 1);
    EXPECT_EQ(report["counts"]["failed"], 1);
}

TEST(Cli, ABakedLutReproducesThePreset) {
    const TempFolder folder;
    constexpr int size = kSanitized ? 17 : 65;
    const auto picture = smallPicture(folder, "a.png");
    Preset preset = readPresetFile(limelight());
    preset.carried.finish.clear();
    writePresetFile(folder / "plain.bpreset", preset);
    const Result baked = run("lut bake --preset " + quoted(folder / "plain.bpreset") + " --size " +
                                 std::to_string(size) + " -o " + quoted(folder / "l.cube"),
                             folder);
    EXPECT_EQ(baked.code, 0) << baked.err;
    EXPECT_LT(Json::parse(baked.out)["deltaE2000"]["percentile99"], 1);
    EXPECT_EQ(run("apply --preset " + quoted(folder / "plain.bpreset") + " --out " + quoted(folder / "p") +
                      " --format png --bits 16 --name '{stem}.{ext}' " + quoted(picture),
                  folder)
                  .code,
              0);
    EXPECT_EQ(run("apply --lut " + quoted(folder / "l.cube") + " --out " + quoted(folder / "l") +
                      " --format png --bits 16 --name '{stem}.{ext}' " + quoted(picture),
                  folder)
                  .code,
              0);
    EXPECT_LT(largestDifference(readPicture(folder / "p/a.png").picture, readPicture(folder / "l/a.png").picture),
              0.02);
    const Json info = Json::parse(run("lut info " + quoted(folder / "l.cube"), folder).out);
    EXPECT_EQ(info["size"], size);
    EXPECT_EQ(info["kind"], "3D");
    EXPECT_EQ(info["title"], "Limelight");
    EXPECT_EQ(info["domain"]["max"], Json::parse("[1.0,1.0,1.0]"));
    ASSERT_EQ(info["range"].size(), 2u);
}

TEST(Cli, LeavesOutOfALutWhatCannotBeInOne) {
    const TempFolder folder;
    const Result r = run(
        "lut bake --preset " + quoted(limelight()) + " --size 9 --format 3dl -o " + quoted(folder / "l.3dl"), folder);
    EXPECT_EQ(r.code, 0);
    EXPECT_NE(r.err.find("left out: Vignette"), std::string::npos);
    EXPECT_EQ(Json::parse(run("lut info " + quoted(folder / "l.3dl"), folder).out)["format"], "3dl");
}

TEST(Cli, BakesMaskedLayersByChoice) {
    const TempFolder folder;
    Preset preset = exposurePreset("Lamp");
    Layer& layer = preset.carried.look.emplace_back();
    layer.id = "layer-1", layer.name = "Front";
    layer.stages.push_back(makeStage({}, "saturation"));
    layer.stages[0].parameters["overall"] = -1.0;
    layer.mask = Mask{{{MaskEllipse{}, MaskShape::Way::Add, false}}, false, 1};
    folder.file("lamp.bpreset", presetToText(preset));
    const auto bake = [&](const std::string& options, const char* name) {
        return run("lut bake --preset " + quoted(folder / "lamp.bpreset") + " --size 5 " + options + " -o " +
                       quoted(folder / name),
                   folder);
    };
    EXPECT_NE(bake("", "without.cube").err.find("left out: Front"), std::string::npos);
    EXPECT_NE(bake("--ignore-masks", "with.cube").err.find("mask ignored: Front"), std::string::npos);
    EXPECT_NE(readFile(folder / "without.cube"), readFile(folder / "with.cube"));
}

TEST(Cli, PresetsAndLutsActInTheOrderGiven) {
    const TempFolder folder;
    const auto picture = smallPicture(folder, "a.png");
    folder.file("invert.cube", "LUT_3D_SIZE 2\n1 1 1\n0 1 1\n1 0 1\n0 0 1\n1 1 0\n0 1 0\n1 0 0\n0 0 0\n");
    const auto out = [&](const std::string& order, const char* name) {
        EXPECT_EQ(run("apply " + order + " --out " + quoted(folder / name) +
                          " --format png --bits 16 --name x.{ext} " + quoted(picture),
                      folder)
                      .code,
                  0);
        return readPicture(folder / name / "x.png").picture;
    };
    const std::string p = " --preset " + quoted(limelight()), l = " --lut " + quoted(folder / "invert.cube");
    const Picture presetFirst = out(p + l, "a"), lutFirst = out(l + p, "b"), twice = out(l + l, "c");
    EXPECT_GT(largestDifference(presetFirst, lutFirst), 0.05);
    EXPECT_LT(largestDifference(twice, readPicture(picture).picture), 1e-4);
}

TEST(Cli, ListsStagesAndShowsPresets) {
    const TempFolder folder;
    const Json stages = Json::parse(run("stages --json", folder).out);
    ASSERT_EQ(stages.size(), stageTypes().size());
    for (const Json& stage : stages) {
        EXPECT_TRUE(stage["bakes"].is_boolean());
        for (const Json& p : stage["parameters"])
            for (const char* key : {"id", "name", "kind", "unit", "default"})
                EXPECT_TRUE(p.contains(key)) << stage["id"];
    }
    EXPECT_NE(run("stages", folder).out.find("Vignette"), std::string::npos);
    EXPECT_NE(run("preset show " + quoted(limelight()), folder).out.find("Shadows amount"), std::string::npos);
    const Result twice = run("preset pack --out " + quoted(folder / "twice.bpack") + " " + quoted(limelight()) + " " +
                                 quoted(limelight()),
                             folder);
    EXPECT_NE(twice.out.find(": 1 item\n"), std::string::npos) << "what is named twice goes in once: " << twice.out;
    EXPECT_EQ(run("preset validate " + quoted(limelight()), folder).code, 0);
    const struct {
        const char *name, *text, *told;
    } wrong[] = {
        {"unknown.bpreset",
         R"({"format":"baryton-preset","version":1,"name":"x","look":[{"name":"B","stages":[{"type":"shimmer"}]}]})",
         "shimmer"},
        {"range.bpreset",
         R"({"format":"baryton-preset","version":1,"name":"x","prep":[{"type":"exposure","parameters":{"stops":99}}]})",
         "/prep/0/parameters/stops"},
        {"newer.bpreset", R"({"format":"baryton-preset","version":9,"name":"x"})", "/version"},
        {"json.bpreset", "{\n\"format\": oh", "line 2"}};
    for (const auto& w : wrong) {
        const auto file = folder.file(w.name, w.text);
        const Result r = run("preset validate " + quoted(file), folder);
        EXPECT_EQ(r.code, 1);
        EXPECT_NE(r.err.find(w.told), std::string::npos) << r.err;
        EXPECT_NE(r.err.find(w.name), std::string::npos) << r.err;
        const Result applied =
            run("apply --preset " + quoted(file) + " --out " + quoted(folder / "never") + " " + quoted(folder.path()),
                folder);
        EXPECT_EQ(applied.code, 1) << "the same fault, the same code";
        EXPECT_FALSE(fs::exists(folder / "never"));
    }
}

TEST(Cli, WritesThePageOfItsStages) {
    const TempFolder folder;
    const std::string page = run("stages --markdown", folder).out;
    EXPECT_EQ(page, readFile(fs::path(BARYTON_SOURCE) / "docs/stages.md")) << "run ./run shots to write it anew";
    for (const StageType* type : stageTypes()) {
        EXPECT_NE(page.find("## " + type->name + "\n"), std::string::npos);
        EXPECT_TRUE(fs::exists(fs::path(BARYTON_SOURCE) / "docs/stages" / (type->id + ".png"))) << type->id;
    }
}

TEST(Cli, TellsOfFoldersItCannotUse) {
    const TempFolder folder;
    fs::create_directory(folder / "void");
    const Result none = run("apply --preset " + quoted(limelight()) + " --out " + quoted(folder / "out") + " " +
                                quoted(folder / "void"),
                            folder);
    EXPECT_EQ(none.code, 1);
    EXPECT_NE(none.err.find("void"), std::string::npos);
    const auto picture = smallPicture(folder, "a.png");
    folder.file("blocked", "a file where the folder should be");
    const Result blocked =
        run("apply --preset " + quoted(limelight()) + " --out " + quoted(folder / "blocked") + " " + quoted(picture),
            folder);
    EXPECT_EQ(blocked.code, 1);
    EXPECT_NE(blocked.err.find("blocked"), std::string::npos);
    if (fs::exists("/dev/full") && ::geteuid() != 0) {
        fs::create_directory(folder / "readonly");
        fs::permissions(folder / "readonly", fs::perms::owner_read | fs::perms::owner_exec);
        EXPECT_EQ(run("apply --preset " + quoted(limelight()) + " --out " + quoted(folder / "readonly") + " " +
                          quoted(picture),
                      folder)
                      .code,
                  1);
    }
}

TEST(Core, LinksNoQt) {
    const TempFolder folder;
    const std::string command = std::string("readelf -d ") + BARYTON_CLI + " > " + (folder / "needed").string();
    ASSERT_EQ(std::system(command.c_str()), 0);
    const std::string needed = readFile(folder / "needed");
    EXPECT_NE(needed.find("libvips"), std::string::npos) << "the list was read";
    EXPECT_EQ(needed.find("Qt"), std::string::npos);
    // And no header of it is named on any floor below the window.
    for (const auto& entry : fs::recursive_directory_iterator(fs::path(BARYTON_SOURCE) / "src")) {
        if (!entry.is_regular_file() || entry.path().string().find("/src/app/") != std::string::npos) continue;
        EXPECT_EQ(readFile(entry.path()).find("#include <Q"), std::string::npos) << entry.path();
    }
}

TEST(Cli, PacksUnpacksListsAndComparesPresets) {
    const TempFolder folder;
    const fs::path given = fs::path(BARYTON_SOURCE) / "share/presets", pack = folder / "own.bpack";
    Result r = run("preset pack " + quoted(given / "Dusk") + " " + quoted(given / "Stage light" / "Velvet.bpreset") +
                       " --out " + quoted(pack) + " --author 'The Tin Heron Company'",
                   folder);
    EXPECT_EQ(r.code, 0) << r.err;
    EXPECT_NE(r.out.find("7 items"), std::string::npos) << r.out;
    const std::string library = " --library " + quoted(folder / "library");
    r = run("preset unpack " + quoted(pack) + library + " --dry-run", folder);
    EXPECT_NE(r.out.find("7 of 7 would be added"), std::string::npos) << r.out;
    EXPECT_FALSE(fs::exists(folder / "library"));
    EXPECT_EQ(run("preset unpack " + quoted(pack) + library, folder).code, 0);
    EXPECT_EQ(readFile(folder / "library/Dusk/Ember.bpreset"), readFile(given / "Dusk/Ember.bpreset"));
    r = run("preset unpack " + quoted(pack) + library, folder);
    EXPECT_NE(r.out.find("0 of 7 added"), std::string::npos) << r.out;
    r = run("preset list --json" + library, folder);
    EXPECT_EQ(Json::parse(r.out).size(), 7u);
    folder.file("library/Dusk/torn.bpreset", "{");
    r = run("preset list" + library, folder);
    EXPECT_EQ(r.code, 1);
    EXPECT_NE(r.err.find("torn.bpreset"), std::string::npos);
    EXPECT_NE(r.out.find("Ember"), std::string::npos);
    r = run("preset unpack " + quoted(folder.file("bad.bpack", "no zip")) + library, folder);
    EXPECT_EQ(r.code, 1);
    EXPECT_NE(r.err.find("bad.bpack"), std::string::npos);
}

TEST(Cli, ExplainsAndComparesPresets) {
    const TempFolder folder;
    Result r = run("preset explain " + quoted(limelight()), folder);
    EXPECT_EQ(r.code, 0);
    for (const char* word : {"leaves exposure and white balance", "1. Curves", "can't be part of a LUT"})
        EXPECT_NE(r.out.find(word), std::string::npos) << word << " in " << r.out;
    EXPECT_EQ(run("preset diff " + quoted(limelight()) + " " + quoted(limelight()), folder).code, 0);
    Preset other = readPresetFile(limelight());
    other.carried.look[0].stages[2].parameters["overall"] = 0.3;
    writePresetFile(folder / "other.bpreset", other);
    r = run("preset diff " + quoted(limelight()) + " " + quoted(folder / "other.bpreset"), folder);
    EXPECT_EQ(r.code, 1);
    EXPECT_EQ(r.out, "Saturation: Saturation  +10 → +30\n");
}

TEST(Cli, StrengthAndModeAreFelt) {
    const TempFolder folder;
    const fs::path picture = smallPicture(folder, "fog.png");
    const auto mean = [&](const std::string& options) {
        const fs::path out = folder / "out";
        fs::remove_all(out);
        const Result r = run("apply --preset " + quoted(limelight()) + options + " --format png --bits 16 --out " +
                                 quoted(out) + " --name '{stem}.{ext}' " + quoted(picture),
                             folder);
        EXPECT_EQ(r.code, 0) << r.err;
        return readPicture(out / "fog.png").picture;
    };
    const Picture source = readPicture(picture).picture, none = mean(" --strength 0"), half = mean(" --strength 50"),
                  full = mean(""), set = mean(" --mode set"), replace = mean(" --mode replace");
    EXPECT_LT(largestDifference(none, source), 1e-4);
    EXPECT_GT(largestDifference(full, source), 0.05);
    EXPECT_GT(largestDifference(half, source), 0.02);
    EXPECT_GT(largestDifference(full, half), 0.02);
    EXPECT_LT(largestDifference(set, full), 1e-4) << "on a bare Look the modes come to the same";
    EXPECT_LT(largestDifference(replace, full), 1e-4);
    EXPECT_EQ(
        run("apply --preset " + quoted(limelight()) + " --strength 300 --out x " + quoted(picture), folder).code, 2);
}

TEST(Cli, NoOutputIsAnInputOrSomethingElse) {
    const TempFolder folder;
    const auto picture = smallPicture(folder, "a.png");
    const auto preset = folder / "p1.bpreset";
    fs::copy_file(limelight(), preset);
    const std::string photo = readFile(picture), words = readFile(preset);
    const auto refused = [&](const std::string& command) {
        const Result r = run(command, folder);
        EXPECT_EQ(r.code, 2) << command << '\n' << r.err;
        EXPECT_FALSE(r.err.empty());
        EXPECT_FALSE(fs::exists(folder / "out")) << "before anything is written";
    };
    const std::string apply = "apply --preset " + quoted(preset) + " --out " + quoted(folder / "out");
    refused(apply + " --report " + quoted(picture)); // and no picture: its name went to the report
    refused(apply + " --report " + quoted(picture) + " " + quoted(picture));
    refused(apply + " --report " + quoted(preset) + " " + quoted(picture));
    refused(apply + " --report /dev/null " + quoted(picture));
    refused(apply + " --report " + quoted(folder / "out/../out/a-limelight.jpg") + " " + quoted(picture));
    refused(apply + " --report " + quoted(folder.file("other.json", "{\"format\":\"another\"}")) + " " +
            quoted(picture));
    refused("lut bake --preset " + quoted(preset) + " -o " + quoted(picture));
    refused("lut bake --preset " + quoted(preset) + " -o " + quoted(preset));
    refused("preset pack --out " + quoted(preset) + " " + quoted(limelight()));
    EXPECT_EQ(readFile(picture), photo);
    EXPECT_EQ(readFile(preset), words);
    // Its own results it writes over.
    const std::string again = apply + " --report " + quoted(folder / "report.json") + " " + quoted(picture);
    for (int i = 0; i < 2; ++i) EXPECT_EQ(run(again, folder).code, 0);
    for (int i = 0; i < 2; ++i)
        EXPECT_EQ(
            run("lut bake --size 5 --preset " + quoted(preset) + " -o " + quoted(folder / "x.cube"), folder).code, 0);
}

TEST(Cli, NamesAreNames) {
    const TempFolder folder;
    fs::create_directory(folder / "[2024]");
    fs::create_directory(folder / "2024");
    fs::copy_file(smallPicture(folder, "whole.png"), folder / "[2024]" / "right.png");
    fs::copy_file(folder / "whole.png", folder / "2024" / "wrong.png");
    // With what would be the picture library's options; without them there is another picture.
    fs::copy_file(demo() / "pictures/lake-fog.jpg", folder / "x.jpg[shrink=8]");
    fs::copy_file(demo() / "pictures/meadow-cart.jpg", folder / "x.jpg");
    const std::string out = " --format png --name '{stem}.{ext}' --out " + quoted(folder / "out");
    Result r = run("apply" + out + " '[2024]'", folder);
    EXPECT_NE(r.code, 0) << "there is none here";
    const std::string here = "cd " + quoted(folder.path()) + " && " + BARYTON_CLI;
    ASSERT_EQ(std::system((here + " apply" + out + " '[2024]' > said").c_str()), 0);
    EXPECT_TRUE(fs::exists(folder / "out/right.png"));
    EXPECT_FALSE(fs::exists(folder / "out/wrong.png"));
    r = run("apply" + out + " " + quoted(folder / "x.jpg[shrink=8]"), folder);
    ASSERT_EQ(r.code, 0) << r.err;
    const auto same = [](const PictureSize& a, const PictureSize& b) {
        return a.width == b.width && a.height == b.height;
    };
    EXPECT_TRUE(same(readPictureSize(folder / "out/x.png"), readPictureSize(demo() / "pictures/lake-fog.jpg")));
}

TEST(Cli, APipeIsRefusedAtOnce) {
    const TempFolder folder;
    const auto picture = smallPicture(folder, "a.png");
    for (const char* pipe : {"x.jpg", "a.png.bgrade", "p.bpreset"})
        ASSERT_EQ(::mkfifo((folder / pipe).c_str(), 0600), 0);
    const std::string out = " --out " + quoted(folder / "out") + " ", timed = "timeout 20 ";
    const auto code = [&](const std::string& command) {
        return WEXITSTATUS(
            std::system((timed + BARYTON_CLI + " " + command + " >/dev/null 2>" + quoted(folder / "said")).c_str()));
    };
    EXPECT_EQ(code("apply" + out + quoted(folder / "x.jpg")), 1);
    EXPECT_NE(readFile(folder / "said").find("no ordinary file"), std::string::npos);
    EXPECT_EQ(code("apply --preset " + quoted(folder / "p.bpreset") + out + quoted(picture)), 1);
    EXPECT_LE(code("apply" + out + quoted(picture)), 1) << "its grade is one";
    EXPECT_NE(readFile(folder / "said").find("no ordinary file"), std::string::npos);
    EXPECT_LE(code("apply --prep none --preset " + quoted(limelight()) + out + quoted(folder.path())), 1)
        << "a folder that holds one";
    EXPECT_EQ(code("lut info " + quoted(folder / "x.jpg")), 1);
}

TEST(Cli, ASignalEndsARunAndWhatIsDoneIsTold) {
    for (const char* signal : {"INT", "TERM"}) {
        const TempFolder folder;
        std::string pictures;
        for (int i = 0; i < 60; ++i) {
            const auto file = folder / ("p" + std::to_string(100 + i) + ".jpg");
            fs::copy_file(demo() / "pictures/lake-fog.jpg", file);
            pictures += " " + quoted(file);
        }
        const std::string program = std::string(BARYTON_CLI) + " apply --jobs 1 --out " + quoted(folder / "out") +
                                    " --report " + quoted(folder / "report.json") + pictures + " >" +
                                    quoted(folder / "done") + " &\n";
        const auto script =
            folder.file("script", program + "program=$!\nwhile [ ! -s " + quoted(folder / "done") +
                                      " ]; do sleep 0.02; done\nkill -" + signal + " $program\nwait $program\n");
        EXPECT_EQ(WEXITSTATUS(std::system(("bash " + quoted(script)).c_str())), 1) << signal;
        const auto report = Json::parse(readFile(folder / "report.json"));
        const auto done = report["counts"].value("done", 0);
        EXPECT_GT(done, 0);
        EXPECT_LT(done, 60);
        EXPECT_EQ(done, std::distance(fs::directory_iterator(folder / "out"), fs::directory_iterator()))
            << "nothing half made is left";
    }
}

TEST(Cli, NumbersAndNamesAreTakenAsWritten) {
    const TempFolder folder;
    const auto picture = smallPicture(folder, "a.png");
    const std::string apply = "apply --preset " + quoted(limelight()) + " --out " + quoted(folder / "out") + " ";
    for (const char* wrong : {"--strength nan", "--strength inf", "--quality 010", "--quality 0x10", "--jobs 1e1",
                              "--name '{stem}.png'", "--format png --name '{stem}.JPG'"}) {
        const Result r = run(apply + wrong + " " + quoted(picture), folder);
        EXPECT_EQ(r.code, 2) << wrong;
        EXPECT_FALSE(fs::exists(folder / "out")) << wrong;
    }
    const Result r = run(apply + "--strength 12.5 --quality 8 --name '{stem}.jpeg' " + quoted(picture), folder);
    EXPECT_EQ(r.code, 0) << r.err;
    EXPECT_TRUE(fs::exists(folder / "out/a.jpeg"));
}

TEST(Cli, LutFilesAreWhatTheirNamesSayAndCanBeReadAgain) {
    const TempFolder folder;
    const std::string bake = "lut bake --preset " + quoted(limelight()) + " -o ";
    EXPECT_EQ(run(bake + quoted(folder / "x.3DL") + " --size 5", folder).code, 0);
    EXPECT_NE(run("lut info " + quoted(folder / "x.3DL"), folder).out.find("\"3dl\""), std::string::npos);
    for (const char* size : {"2", "3"}) {
        EXPECT_NE(run(bake + quoted(folder / "small.3dl") + " --size " + size, folder).code, 0);
        EXPECT_FALSE(fs::exists(folder / "small.3dl"));
    }
    EXPECT_EQ(run(bake + quoted(folder / "small.3dl") + " --size 4", folder).code, 0);
    EXPECT_EQ(run("lut info " + quoted(folder / "small.3dl"), folder).code, 0);
    EXPECT_EQ(run(bake + quoted(folder / "x.txt"), folder).code, 2) << "which format?";
}

TEST(Cli, OrderCountsWhenPresetsAreCompared) {
    const TempFolder folder;
    Preset preset;
    preset.name = "Lamps";
    preset.carried.look.emplace_back();
    preset.carried.look[0].id = "layer-1";
    auto& stages = preset.carried.look[0].stages;
    for (const char* type : {"exposure", "saturation"}) stages.push_back(makeStage(preset.carried, type));
    stages[0].parameters["stops"] = 1.0, stages[1].parameters["overall"] = 0.5;
    writePresetFile(folder / "a.bpreset", preset);
    std::swap(stages[0], stages[1]);
    writePresetFile(folder / "b.bpreset", preset);
    const std::string diff = "preset diff " + quoted(folder / "a.bpreset") + " ";
    EXPECT_EQ(run(diff + quoted(folder / "a.bpreset"), folder).code, 0);
    Result r = run(diff + quoted(folder / "b.bpreset"), folder);
    EXPECT_EQ(r.code, 1);
    EXPECT_NE(r.out.find("order"), std::string::npos) << r.out;
    std::swap(stages[0], stages[1]);
    preset.carried.look[0].blend = "screen";
    writePresetFile(folder / "c.bpreset", preset);
    EXPECT_EQ(run(diff + quoted(folder / "c.bpreset"), folder).code, 1) << "so does how a layer is laid over";
    preset.carried.look[0].blend.reset();
    stages[0].strength = 0.5;
    writePresetFile(folder / "d.bpreset", preset);
    EXPECT_EQ(run(diff + quoted(folder / "d.bpreset"), folder).code, 1) << "and a stage's strength";
    stages[0].strength.reset();
    stages[1].enabled = false;
    writePresetFile(folder / "e.bpreset", preset);
    EXPECT_EQ(run(diff + quoted(folder / "e.bpreset"), folder).code, 1) << "and whether it is on";
}

TEST(Cli, TheSameFaultHasTheSameCodeInEveryCommand) {
    const TempFolder folder;
    const auto picture = smallPicture(folder, "a.png");
    const std::string none = quoted(folder / "none.bpreset"), out = " --out " + quoted(folder / "out") + " ";
    for (const std::string& command :
         {"preset show " + none, "preset validate " + none, "preset explain " + none,
          "preset diff " + none + " " + none, "apply --preset " + none + out + quoted(picture),
          "lut bake --preset " + none + " -o " + quoted(folder / "x.cube"),
          "lut info " + quoted(folder / "none.cube"), "preset pack " + none + " --out " + quoted(folder / "x.bpack"),
          "apply" + out + quoted(folder / "none.png"), "preset list --library " + quoted(folder / "nowhere")}) {
        const Result r = run(command, folder);
        EXPECT_EQ(r.code, 1) << command << '\n' << r.err;
        EXPECT_NE(r.err.find("no"), std::string::npos) << command;
    }
    for (const char* wrong : {"aply", "preset lst", "lut bakee"}) {
        const Result r = run(wrong, folder);
        EXPECT_EQ(r.code, 2);
        EXPECT_NE(r.err.find("did you mean"), std::string::npos) << r.err;
    }
    EXPECT_NE(
        run("nonsense", folder).err.find("there are apply, lut, preset, plan, batch, watch, survey, match, stages"),
        std::string::npos);
    EXPECT_EQ(run("--version", folder).out.rfind("Baryton ", 0), 0U);
}

TEST(Cli, TakesPicturesFromListsAndFoldersBelowAndTellsWhatItPassesOver) {
    const TempFolder folder;
    const auto set = folder / "set";
    fs::create_directories(set / "act two");
    const auto photo = demo() / "pictures/lake-fog.jpg"; // not one that this program wrote
    fs::copy_file(photo, set / "a.jpg");
    fs::copy_file(photo, set / "act two/b.jpg");
    for (const char* other : {"c.heic", "d.heic", "notes"})
        folder.file("set/" + std::string(other), "something else");
    const std::string apply = "apply --preset " + quoted(limelight()) + " --size 40 --out ";
    const Result dry = run(apply + quoted(folder / "out") + " --dry-run " + quoted(set), folder);
    EXPECT_EQ(dry.code, 0);
    EXPECT_FALSE(fs::exists(folder / "out"));
    EXPECT_NE(dry.out.find("a.jpg → "), std::string::npos) << dry.out;
    EXPECT_NE(dry.err.find("3 files of other kinds (without an ending 1, .heic 2), 1 folder (--recursive"),
              std::string::npos)
        << dry.err;
    const auto lines = [](const std::string& text) { return std::count(text.begin(), text.end(), '\n'); };
    EXPECT_EQ(lines(run(apply + quoted(folder / "out") + " --recursive " + quoted(set), folder).out), 2);
    // A second run into the folder itself does not grade the results of the first.
    EXPECT_EQ(lines(run(apply + quoted(set) + " " + quoted(set), folder).out), 1);
    const Result again = run(apply + quoted(set) + " --exists skip " + quoted(set), folder);
    EXPECT_EQ(lines(again.out), 0) << again.out;
    EXPECT_NE(again.err.find("1 result of an earlier run"), std::string::npos) << again.err;
    // What is named is meant.
    EXPECT_EQ(lines(run(apply + quoted(folder / "more") + " " + quoted(set / "a-limelight.jpg"), folder).out), 1);
    // Names that end in NUL may hold anything.
    fs::copy_file(photo, folder / "line\nend.jpg");
    const std::string list = (folder / "line\nend.jpg").string() + '\0' + (set / "a.jpg").string() + '\0';
    folder.file("list", list);
    const std::string from = apply + quoted(folder / "listed") + " --quiet --files-from ";
    const Result quiet = run(from + "- <" + quoted(folder / "list"), folder);
    EXPECT_EQ(quiet.code, 0) << quiet.err;
    EXPECT_EQ(quiet.out + quiet.err, "");
    EXPECT_EQ(std::distance(fs::directory_iterator(folder / "listed"), fs::directory_iterator()), 2);
    EXPECT_EQ(run(from + quoted(folder.file("lines", "a.png\nb.png\n")), folder).code, 2);
}

TEST(Cli, WritesOneFileToStandardOutput) {
    const TempFolder folder;
    const auto picture = smallPicture(folder, "a.png");
    const Result cube = run("lut bake --preset " + quoted(limelight()) + " --size 5 --format cube -o -", folder);
    EXPECT_EQ(cube.code, 0) << cube.err;
    EXPECT_NE(cube.err.find("deltaE2000"), std::string::npos);
    run("lut bake --preset " + quoted(limelight()) + " --size 5 -o " + quoted(folder / "l.cube"), folder);
    EXPECT_EQ(cube.out, readFile(folder / "l.cube"));
    const Result report = run("apply --preset " + quoted(limelight()) + " --report - --out " +
                                  quoted(folder / "out") + " " + quoted(picture),
                              folder);
    EXPECT_EQ(Json::parse(report.out)["counts"]["done"], 1);
    EXPECT_EQ(Json::parse(report.out)["program"].get<std::string>().rfind("Baryton ", 0), 0U);
    folder.file("kit.bpack", run("preset pack --out - " + quoted(limelight()), folder).out);
    EXPECT_EQ(
        run("preset unpack --library " + quoted(folder / "library") + " " + quoted(folder / "kit.bpack"), folder)
            .code,
        0);
    EXPECT_EQ(
        run("preset validate " + quoted(limelight()) + " " + quoted(demo() / "presets/Lantern blue.bpreset"), folder)
                .out.find("Lantern blue.bpreset: valid") != std::string::npos,
        true);
}

TEST(Cli, NamesFromFilesGiveATerminalNoOrdersAndLatin1IsRead) {
    const TempFolder folder;
    Preset preset = readPresetFile(limelight());
    preset.name = "Red \x1b[31mcurtain";
    writePresetFile(folder / "red.bpreset", preset);
    const Result shown = run("preset show " + quoted(folder / "red.bpreset"), folder);
    EXPECT_EQ(shown.out.find('\x1b'), std::string::npos);
    EXPECT_NE(shown.out.find("Red ?[31mcurtain"), std::string::npos) << shown.out;
    const Result missing = run("preset show " + quoted(folder / "no\x1b[2Jthing.bpreset"), folder);
    EXPECT_EQ(missing.err.find('\x1b'), std::string::npos);
    const auto latin = folder.file("library/G\xfcte/a.bpreset", R"({"format":"baryton-preset","version":1,"name":"Gr)"
                                                                "\xfc"
                                                                R"(n"})");
    EXPECT_NE(run("preset show " + quoted(latin), folder).out.find("Grün"), std::string::npos);
    const Result list = run("preset list --json --library " + quoted(folder / "library"), folder);
    EXPECT_EQ(list.code, 0) << list.err;
    EXPECT_EQ(Json::parse(list.out)[0]["group"], "Güte");
    const auto cube = folder.file(
        "l.cube", "TITLE \"Sp\xe4t\"\nLUT_3D_SIZE 2\n0 0 0\n1 0 0\n0 1 0\n1 1 0\n0 0 1\n1 0 1\n0 1 1\n1 1 1\n");
    EXPECT_EQ(Json::parse(run("lut info " + quoted(cube), folder).out)["title"], "Spät");
}

TEST(Cli, TooLittleMemoryIsNotADamagedFile) {
    const TempFolder folder;
    const Picture picture(4000, 3000);
    writePicture(folder / "a.png", Program::compile({}).quantised(picture, 8, false), {}, {FileFormat::Png, 8, 90});
    const std::string program = BARYTON_CLI;
    for (const int megabytes : {150, 250, 400}) {
        const std::string command = "bash -c 'ulimit -v " + std::to_string(megabytes * 1000) + "; exec \"" + program +
                                    "\" apply --out \"" + (folder / "out").string() + "\" \"" +
                                    (folder / "a.png").string() + "\"' 2>\"" + (folder / "said").string() +
                                    "\" >/dev/null";
        const int status = std::system(command.c_str());
        EXPECT_TRUE(WIFEXITED(status)) << megabytes;
        EXPECT_EQ(readFile(folder / "said").find("damaged"), std::string::npos) << readFile(folder / "said");
    }
}

} // namespace baryton::test
