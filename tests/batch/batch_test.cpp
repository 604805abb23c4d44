#include "batch/names.h"
#include "batch/run_memory.h"
#include "grade/grade_json.h"
#include "package/grade_store.h"
#include "picture/metadata.h"
#include "render/graded_file.h"
#include "stages/frame.h"
#include "stages/stage_type.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <algorithm>
#include <nlohmann/json.hpp>
#include <set>
#include <thread>
#include <vips/vips8>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

Preset preset(const char* name) {
    return readPresetFile(demo() / "presets" / (std::string(name) + ".bpreset"));
}

/// Small pictures in a folder of the test.
SizeWish sizeOf(int longSide) {
    return sizeWishFromText(longSide > 0 ? std::to_string(longSide) : "");
}

BatchPlan planFor(const TempFolder& folder, int count) {
    BatchPlan plan;
    for (int i = 0; i < count; ++i) {
        const Picture picture = paintedPicture(60 + 10 * i, 40);
        const auto file = folder / ("p" + std::to_string(i) + ".png");
        writePicture(file, Program::compile({}).quantised(picture, 16, false), {}, {FileFormat::Png, 16, 90});
        plan.pictures.push_back(file);
    }
    plan.looks = {{"Limelight", {preset("Limelight")}, false}};
    plan.outputs[0].format = {FileFormat::Png, 16, 90};
    plan.folder = folder / "out";
    return plan;
}

std::size_t counted(const std::vector<BatchJob>& jobs, JobState state) {
    return static_cast<std::size_t>(
        std::count_if(jobs.begin(), jobs.end(), [&](const BatchJob& j) { return j.state == state; }));
}

} // namespace

TEST(Names, SayHowAPictureWasTakenAsFarAsThatIsKnown) {
    NameParts parts{"lake-fog", "Lantern blue", "jpg", 7, "Lantern blue", "The Tin Heron Company"};
    parts.shot.cameraModel = "K1/2", parts.shot.lens = "35 mm", parts.shot.iso = 400;
    parts.shot.takenAt = 1750000000.5; // 2025-06-15 15:06:40
    EXPECT_EQ(fileNameFromTemplate("{date}/{time}-{n:00000}.{ext}", parts), "2025-06-15/150640-00007.jpg");
    EXPECT_EQ(fileNameFromTemplate("{folder}/{preset} {iso} {lens}.{ext}", parts),
              "The Tin Heron Company/Lantern blue 400 35 mm.jpg");
    EXPECT_EQ(fileNameFromTemplate("{camera}.{ext}", parts).parent_path(), "") << "no folder of a camera's name";
    parts.shot = {};
    EXPECT_EQ(fileNameFromTemplate("{date}-{camera}-{iso}.{ext}", parts), "unknown-unknown-unknown.jpg");
    EXPECT_TRUE(asksHowTaken("{date}-{n}.{ext}"));
    EXPECT_FALSE(asksHowTaken("{stem}-{look}.{ext}"));
    for (const char* wrong : {"{n:}.{ext}", "{n:x}.{ext}", "{n:0000000000000}.{ext}", "{Date}.{ext}"})
        errorOf([&] { fileNameFromTemplate(wrong, parts); });
    parts.stem = std::string(300, 'a');
    EXPECT_NE(errorOf([&] { fileNameFromTemplate("{stem}-{stem}.{ext}", parts); }).problem().find("bytes long"),
              std::string::npos);
}

TEST(Names, FillTheTemplateAndStayInTheFolder) {
    const NameParts parts{"lake-fog", "Lantern blue", "jpg", 7};
    EXPECT_EQ(fileNameFromTemplate("{stem}-{look}.{ext}", parts), "lake-fog-lantern-blue.jpg");
    EXPECT_EQ(fileNameFromTemplate("{look}/{n}.{ext}", parts), "lantern-blue/007.jpg");
    for (const char* wrong :
         {"{stem", "{wonder}.{ext}", "", "../{stem}.{ext}", "/tmp/{stem}.{ext}", "a/../../{stem}.{ext}"})
        errorOf([&] { fileNameFromTemplate(wrong, parts); });
    EXPECT_EQ(slug("Lantern blue"), "lantern-blue");
    EXPECT_EQ(fileNameFromTemplate("{look}.{ext}", {"a", "!!!", "jpg", 1}), "look.jpg") << "no hidden file";
    EXPECT_FALSE(slug("../..").find('/') != std::string::npos);
}

TEST(Batch, WritesWhatTheCoreRenders) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 3);
    Grade own = startingGrade();
    own.prep[0].parameters["stops"] = 0.7;
    own.look[0].stages[2].parameters["overall"] = -0.5;
    storeGrade(plan.pictures[1], own);
    plan.looks.push_back({"own grade", {}, true});
    const auto jobs = runBatch(plan);
    ASSERT_EQ(jobs.size(), 6u);
    EXPECT_EQ(counted(jobs, JobState::Done), 6u);
    for (const BatchJob& job : jobs) {
        const Grade base = job.picture == 1 ? own : startingGrade();
        const Grade grade = gradeFor(plan.looks[job.look], base, PrepChoice::Own);
        const Picture want = Program::compile(grade).graded(readPicture(plan.pictures[job.picture]).picture);
        const Picture got = readPicture(job.file).picture;
        for (int y = 0; y < want.height(); y += 7)
            for (int x = 0; x < want.width(); x += 5)
                EXPECT_NEAR(got.row(0, y)[x], std::clamp(want.row(0, y)[x], 0.0F, 1.0F), 1.0 / 65535) << job.file;
        EXPECT_EQ(job.bytes, fs::file_size(job.file));
    }
    EXPECT_EQ(gradeFor(plan.looks[0], own, PrepChoice::Own).prep, own.prep);
    EXPECT_EQ(gradeFor(plan.looks[0], own, PrepChoice::None).prep, startingGrade().prep);
}

TEST(Batch, OneBadFileNeverStopsTheRest) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 3);
    folder.file("p1.png", readFile(plan.pictures[1]).substr(0, 300));
    plan.pictures.push_back(folder / "missing.png");
    std::vector<JobState> told;
    const auto jobs = runBatch(plan, [&](std::size_t, const BatchJob& job) { told.push_back(job.state); });
    EXPECT_EQ(counted(jobs, JobState::Done), 2u);
    EXPECT_EQ(counted(jobs, JobState::Failed), 2u);
    for (const auto& job : jobs)
        if (job.state == JobState::Failed) {
            EXPECT_FALSE(job.error.empty());
            EXPECT_FALSE(job.errorHint.empty());
            EXPECT_FALSE(fs::exists(job.file));
        }
    EXPECT_EQ(told.size(), 8u) << "each job is told when it starts and when it ends";
    const auto report = nlohmann::json::parse(reportText(plan, jobs));
    EXPECT_EQ(report["counts"]["done"], 2);
    EXPECT_EQ(report["counts"]["failed"], 2);
    EXPECT_EQ(report["files"].size(), 4u);
}

TEST(Batch, ExistingFilesAreNumberedSkippedOrReplaced) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 1);
    const auto first = runBatch(plan)[0];
    const std::string bytes = readFile(first.file);
    EXPECT_NE(runBatch(plan)[0].file, first.file);
    plan.ifExists = IfExists::Skip;
    EXPECT_EQ(runBatch(plan)[0].state, JobState::Skipped);
    plan.ifExists = IfExists::Replace;
    // Another result of this program lies there.
    writePicture(first.file, Program::compile({}).quantised(paintedPicture(20, 20), 16, false), {},
                 plan.outputs[0].format);
    EXPECT_EQ(runBatch(plan)[0].file, first.file);
    EXPECT_EQ(readFile(first.file), bytes) << "the same input gives the same file";
}

TEST(Batch, OnlyWhatThisProgramWroteIsReplaced) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 1);
    plan.folder = folder.path();
    plan.name = "{stem}.{ext}";
    plan.outputs[0].format = {FileFormat::Jpeg, 8, 90};
    plan.ifExists = IfExists::Replace;
    // An original that is no picture of this run, under the name of a result.
    const auto original = folder / "p0.jpg";
    fs::copy_file(demo() / "pictures/lake-fog.jpg", original);
    const std::string before = readFile(original);
    const BatchJob first = runBatch(plan)[0];
    EXPECT_EQ(readFile(original), before);
    EXPECT_EQ(first.file, folder / "p0-2.jpg");
    EXPECT_NE(first.warning.find("p0.jpg"), std::string::npos) << "and it is said";
    fs::remove(original);
    EXPECT_EQ(runBatch(plan)[0].file, original);
    const BatchJob again = runBatch(plan)[0];
    EXPECT_EQ(again.file, original) << "its own result it replaces";
    EXPECT_TRUE(again.warning.empty()) << again.warning;
}

TEST(Batch, EveryFormatSaysWhoWroteIt) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 1);
    plan.ifExists = IfExists::Replace;
    const auto bare = plan.pictures[0], full = demo() / "pictures/lake-fog.jpg";
    EXPECT_FALSE(isOwnWork(full));
    for (const auto& source : {bare, full})
        for (const OutputFormat& format :
             {OutputFormat{FileFormat::Jpeg, 8, 90}, OutputFormat{FileFormat::Png, 8, 90},
              OutputFormat{FileFormat::Tiff, 16, 90}}) {
            plan.pictures = {source};
            plan.outputs[0].format = format;
            const auto file = runBatch(plan)[0].file;
            EXPECT_TRUE(isOwnWork(file)) << file;
            EXPECT_EQ(runBatch(plan)[0].file, file) << "so that it can be replaced";
        }
}

TEST(Batch, TheSameSetGivesTheSameNamesWhateverLiesThere) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 1);
    // Three pictures of one stem.
    for (const char* name : {"p0.tif", "p0.webp.png"}) fs::copy_file(plan.pictures[0], folder / name);
    fs::rename(folder / "p0.webp.png", folder / "p0.jpeg");
    plan.pictures.push_back(folder / "p0.tif");
    plan.pictures.push_back(folder / "p0.jpeg");
    const auto files = [](const std::vector<BatchJob>& jobs) {
        std::vector<fs::path> all;
        for (const BatchJob& job : jobs) all.push_back(job.file);
        return all;
    };
    const auto planned = files(jobsOf(plan));
    const fs::path out = plan.folder;
    EXPECT_EQ(planned,
              (std::vector{out / "p0-limelight.png", out / "p0-limelight-2.png", out / "p0-limelight-3.png"}));
    EXPECT_EQ(files(runBatch(plan)), planned);
    // One is gone: just that one is made again.
    fs::remove(planned[1]);
    plan.ifExists = IfExists::Skip;
    const auto skipped = runBatch(plan);
    EXPECT_EQ(skipped[0].state, JobState::Skipped);
    EXPECT_EQ(skipped[1].state, JobState::Done);
    EXPECT_EQ(skipped[1].file, planned[1]);
    EXPECT_EQ(skipped[2].state, JobState::Skipped);
    plan.ifExists = IfExists::Replace;
    for (int i = 0; i < 3; ++i) EXPECT_EQ(files(runBatch(plan)), planned);
    EXPECT_EQ(std::distance(fs::directory_iterator(out), fs::directory_iterator()), 3);
}

TEST(Batch, TwoRunsAtOnceNeverTakeOneName) {
    const TempFolder folder;
    const BatchPlan plan = planFor(folder, 6);
    std::vector<std::vector<BatchJob>> results(3);
    std::vector<std::thread> runs;
    for (auto& result : results) runs.emplace_back([&] { result = runBatch(plan); });
    for (auto& run : runs) run.join();
    std::set<fs::path> files;
    for (const auto& result : results)
        for (const BatchJob& job : result) {
            EXPECT_EQ(job.state, JobState::Done);
            files.insert(job.file);
        }
    EXPECT_EQ(files.size(), 18u);
    EXPECT_EQ(std::distance(fs::directory_iterator(plan.folder), fs::directory_iterator()), 18);
}

TEST(Batch, OriginalsAreNeverWrittenTo) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 2);
    plan.folder = folder.path();
    plan.name = "{stem}.{ext}";
    plan.ifExists = IfExists::Replace;
    const std::string before = readFile(plan.pictures[0]);
    for (const auto& job : runBatch(plan)) {
        EXPECT_EQ(job.state, JobState::Done);
        EXPECT_NE(job.file, plan.pictures[job.picture]);
    }
    EXPECT_EQ(readFile(plan.pictures[0]), before);
    plan.name = "same.{ext}";
    const auto jobs = runBatch(plan);
    EXPECT_NE(jobs[0].file, jobs[1].file) << "two jobs never share a file";
}

TEST(Batch, CancellingLeavesNothingHalfWritten) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 8);
    plan.workers = 1;
    Task task;
    const auto jobs = runBatch(
        plan,
        [&](std::size_t index, const BatchJob& job) {
            if (index == 2 && job.state == JobState::Done) task.cancel();
        },
        &task);
    EXPECT_GE(counted(jobs, JobState::Cancelled), 4u);
    std::size_t files = 0;
    for (const auto& entry : fs::directory_iterator(plan.folder)) {
        EXPECT_NO_THROW(readPicture(entry.path()));
        ++files;
    }
    EXPECT_EQ(files, counted(jobs, JobState::Done));
}

TEST(Batch, WhatIsStreamedIsWhatTheWholePictureGives) {
    // Larger than a band, turned and not, with everything that looks around; at its size and made smaller.
    const TempFolder folder;
    const Picture painted = paintedPicture(333, 517);
    for (const int longSide : {0, 200})
        for (const int framing : {0, 1, 2, 3}) {
            const int looks = framing == 1 ? 3 : 1;
            BatchPlan plan;
            plan.pictures = {folder / "tall.png", folder / "turned.tif"};
            writePicture(plan.pictures[0], Program::compile({}).quantised(painted, 16, false), {},
                         {FileFormat::Png, 16, 90});
            auto turned = vips::VImage::new_from_file(plan.pictures[0].c_str()).rot90();
            turned.set(VIPS_META_ORIENTATION, 8); // to be turned back
            turned.write_to_file(plan.pictures[1].c_str());
            Grade own = startingGrade();
            own.finish[0].parameters["stops"] = -1.0;
            for (const char* type : {"bloom", "detail"}) {
                own.finish.push_back(makeStage(own, type));
                own.finish.back().parameters["amount"] = 0.8;
            }
            if (framing > 1) {
                own.prep.push_back(makeStage(own, kFrameType));
                own.prep.back().parameters = {{"ratio", std::string("1:1")}, {"size", 0.8}, {"centre.y", 0.9}};
                if (framing == 3) own.prep.back().parameters["angle"] = 4.0;
            }
            plan.works = {{0, {own, {}, kStartTake, {}}}, {1, {own, {}, kStartTake, {}}}};
            for (int i = 0; i < looks; ++i) plan.looks.push_back({"own " + std::to_string(i), {}, true});
            plan.outputs[0].format = {FileFormat::Png, 16, 90};
            plan.outputs[0].size = sizeOf(longSide);
            plan.folder = folder / ("out" + std::to_string(longSide) + std::to_string(framing));
            const auto jobs = runBatch(plan);
            const Picture source = readPicture(plan.pictures[0]).picture;
            const Placement frame = placementOf(frameOf(own), 333, 517);
            const auto [w, h, bits] = outputSize({frame.width, frame.height}, sizeOf(longSide));
            const Picture want = Program::compile(own).graded(scaledDown(placed(source, frame), w, h));
            for (const BatchJob& job : jobs) {
                ASSERT_EQ(job.state, JobState::Done) << job.error;
                const Picture got = readPicture(job.file).picture;
                ASSERT_EQ(got.width(), w);
                ASSERT_EQ(got.height(), h);
                double worst = 0;
                for (int k = 0; k < 3; ++k)
                    for (int y = 0; y < h; ++y)
                        for (int x = 0; x < w; ++x)
                            worst = std::max(worst, std::abs(double(got.row(k, y)[x]) -
                                                             std::clamp(want.row(k, y)[x], 0.0F, 1.0F)));
                EXPECT_LE(worst, 0.51 / 65535 + 1e-7) << job.file;
            }
        }
}

TEST(Batch, APresetCanCarryARatioWithoutAPlace) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 2);
    Preset ratio;
    ratio.name = "Wide";
    ratio.carried.prep.push_back(makeStage({}, kFrameType));
    ratio.carried.prep[0].parameters["ratio"] = std::string("2:1");
    // One picture has a frame of its own, off centre: it keeps its place and takes the ratio.
    Grade own = startingGrade();
    own.prep.push_back(makeStage(own, kFrameType));
    own.prep.back().parameters = {{"ratio", std::string("1:1")}, {"size", 0.5}, {"centre.x", 0.0}};
    plan.works = {{0, {own, {}, kStartTake, {}}}, {1, {startingGrade(), {}, kStartTake, {}}}};
    plan.looks = {{"wide", {ratio}, false}, {"own", {}, true}};
    for (const BatchJob& job : runBatch(plan)) {
        ASSERT_EQ(job.state, JobState::Done) << job.error;
        const PictureSize size = readPictureSize(job.file), source = readPictureSize(plan.pictures[job.picture]);
        if (job.look == 0) EXPECT_NEAR(double(size.width) / size.height, 2, 0.1);
        if (job.look == 1 && job.picture == 1) EXPECT_EQ(size.width, source.width);
        if (job.look == 1 && job.picture == 0) EXPECT_EQ(size.width, size.height);
    }
    const FrameSettings frame = frameOf(gradeFor(plan.looks[0], own, PrepChoice::Own));
    EXPECT_EQ(frame.x, 0);
    EXPECT_EQ(frame.size, 0.5);
    EXPECT_EQ(frame.proportions, 2);
}

TEST(Batch, ARunIsASnapshot) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 3);
    plan.looks = {{"Limelight", {preset("Limelight")}, false}, {"own grade", {}, true}};
    plan.prep = PrepChoice::None; // the own grade is needed all the same, though the first look is a preset
    plan.workers = 1;
    Grade before = startingGrade(), after = startingGrade();
    before.look[0].stages[2].parameters["overall"] = -1.0;
    after.look[0].stages[2].parameters["overall"] = 1.0;
    for (const auto& picture : plan.pictures) storeGrade(picture, before);
    bool isEdited = false;
    const auto jobs = runBatch(plan, [&](std::size_t, const BatchJob& job) {
        if (job.state != JobState::Running || isEdited) return;
        isEdited = true;
        for (const auto& picture : plan.pictures) storeGrade(picture, after);
    });
    for (const BatchJob& job : jobs) {
        ASSERT_EQ(job.state, JobState::Done);
        if (job.look == 0) continue;
        const Picture got = readPicture(job.file).picture;
        EXPECT_NEAR(got.row(0, 5)[20], got.row(2, 5)[20], 2e-3) << "without colour, as it was when the run began";
    }
}

TEST(Batch, TransparentPixelsComeOutAsTheGroundInAJpeg) {
    const TempFolder folder;
    Picture picture(64, 48, true);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 48; ++y) std::fill_n(picture.row(k, y), 64, 0.8F); // hidden on the left
    for (int y = 0; y < 48; ++y) std::fill_n(picture.row(3, y) + 32, 32, 1.0F);
    BatchPlan plan;
    plan.pictures = {folder / "half.png"};
    writePicture(plan.pictures[0], Program::compile({}).quantised(picture, 8, true), {}, {FileFormat::Png, 8, 90});
    plan.looks = {{"own grade", {}, true}};
    plan.folder = folder / "out";
    const auto jobs = runBatch(plan);
    ASSERT_EQ(jobs[0].state, JobState::Done) << jobs[0].error;
    const Picture got = readPicture(jobs[0].file).picture;
    EXPECT_GT(got.row(1, 24)[8], 0.97F) << "white, unless something else is chosen";
    EXPECT_NEAR(got.row(1, 24)[56], 0.8, 0.03);
    plan.outputs[0].format.ground = Ground::Black;
    EXPECT_LT(readPicture(runBatch(plan)[0].file).picture.row(1, 24)[8], 0.05F);
    // Made smaller, it goes another way.
    plan.outputs[0].size = sizeWishFromText("32");
    EXPECT_LT(readPicture(runBatch(plan)[0].file).picture.row(1, 12)[4], 0.05F);
}

TEST(Batch, WhatOfAPictureWasNotTakenIsToldWithIt) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 2);
    vips::VImage image = vips::VImage::pngload(plan.pictures[0].c_str()).copy_memory();
    const std::string damaged = "no profile";
    image.set(VIPS_META_ICC_NAME, nullptr, const_cast<char*>(damaged.data()), damaged.size());
    fs::remove(plan.pictures[0]);
    plan.pictures[0] = folder / "tagged.tif";
    image.tiffsave(plan.pictures[0].c_str());
    const auto jobs = runBatch(plan);
    for (const auto& job : jobs) {
        EXPECT_EQ(job.state, JobState::Done) << job.error;
        EXPECT_EQ(job.warning.find("profile") != std::string::npos, job.picture == 0) << job.warning;
    }
}

TEST(Batch, TheSameBytesWithAnyNumberOfWorkers) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 5);
    std::vector<std::string> first;
    for (const int workers : {1, 2, 7}) {
        plan.workers = workers;
        plan.folder = folder / ("w" + std::to_string(workers));
        std::vector<std::string> all;
        for (const auto& job : runBatch(plan)) all.push_back(contentHash(readFile(job.file)));
        if (first.empty()) first = all;
        EXPECT_EQ(all, first);
    }
}

TEST(Batch, AnUnreadableGradeIsAFailureOfItsPictureUnlessAskedOtherwise) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 2);
    folder.file("p0.png.bgrade", "{ broken");
    auto jobs = runBatch(plan);
    EXPECT_EQ(jobs[0].state, JobState::Failed);
    EXPECT_NE(jobs[0].errorPlace.find("p0.png.bgrade"), std::string::npos);
    EXPECT_FALSE(fs::exists(jobs[0].file));
    EXPECT_EQ(jobs[1].state, JobState::Done) << "the others go on";
    plan.goesWithoutUnreadableGrades = true;
    jobs = runBatch(plan);
    EXPECT_EQ(jobs[0].state, JobState::Done);
    EXPECT_NE(jobs[0].warning.find("p0.png.bgrade"), std::string::npos);
}

TEST(Batch, FinishingUpFinishesWhatIsInHandAndWhatIsMadeIsLeft) {
    const TempFolder folder;
    BatchPlan plan = planFor(folder, 6);
    plan.workers = 1;
    Task task;
    const auto first = runBatch(
        plan,
        [&](std::size_t, const BatchJob& job) {
            if (job.state == JobState::Running) task.finishUp();
        },
        &task);
    EXPECT_EQ(counted(first, JobState::Done), 1u) << "the one in hand";
    EXPECT_EQ(counted(first, JobState::Cancelled), 5u);
    plan.made = {{0, first[0]}};
    const auto time = fs::last_write_time(first[0].file);
    const auto second = runBatch(plan);
    EXPECT_EQ(counted(second, JobState::Done), 6u);
    EXPECT_EQ(second[0].file, first[0].file);
    EXPECT_EQ(fs::last_write_time(first[0].file), time) << "left as it was";
    EXPECT_EQ(std::distance(fs::directory_iterator(plan.folder), {}), 6) << "and none is made twice";
}

TEST(RunMemory, ComesBackAsItWasWrittenAndRefusesWhatItIsNot) {
    RunMemory memory;
    memory.settings.presets = {"/a/Limelight.bpreset", "/b/ü.bpreset"};
    memory.settings.prep = PrepChoice::None;
    memory.settings.outputs = {OutputSettings(), OutputSettings()};
    memory.settings.outputs[1].format = {FileFormat::Tiff, 16, 80};
    memory.settings.outputs[1].size = sizeWishFromText("6 MP");
    memory.settings.ifExists = IfExists::Skip;
    memory.settings.folder = "/out";
    memory.ranWith.outputs[0].format.quality = 71;
    BatchJob done, failed, waiting;
    done.state = JobState::Done, done.file = "/out/a.jpg", done.bytes = 1234, done.warning = "w";
    failed.state = JobState::Failed, failed.error = "e", failed.errorHint = "h";
    waiting.state = JobState::Running;
    memory.files = {{"/p/a.jpg", "own grade", "12", done}, {"/p/b.jpg", "own grade", "34", failed}};
    EXPECT_FALSE(memory.wasInterrupted());
    memory.files.push_back({"/p/c.jpg", "Limelight", "56", waiting});
    EXPECT_TRUE(memory.wasInterrupted());
    const std::string text = runMemoryToText(memory);
    const RunMemory back = runMemoryFromText(text);
    EXPECT_EQ(back.settings, memory.settings);
    EXPECT_EQ(back.ranWith, memory.ranWith);
    ASSERT_EQ(back.files.size(), 3u);
    EXPECT_EQ(back.files[0].job.bytes, 1234u);
    EXPECT_EQ(back.files[0].grade, "12");
    EXPECT_EQ(back.files[1].job.errorHint, "h");
    EXPECT_EQ(back.files[2].job.state, JobState::Cancelled) << "what ran is not made";
    EXPECT_TRUE(back.wasInterrupted());
    for (std::size_t cut = 0; cut < text.size(); cut += 7) errorOf([&] { runMemoryFromText(text.substr(0, cut)); });
    for (const char* wrong : {"null", "[]", "{}", R"({"format":"baryton-run","version":2})",
                              R"({"format":"baryton-run","version":1,"settings":{"files":"x"}})"})
        errorOf([&] { runMemoryFromText(wrong); });
    const TempFolder folder;
    EXPECT_FALSE(loadRunMemory(folder / "none.json"));
    storeRunMemory(folder / "runs" / "a.json", memory);
    EXPECT_EQ(loadRunMemory(folder / "runs" / "a.json")->files.size(), 3u);
}

} // namespace baryton::test
