#include "batch/batch.h"
#include "batch/names.h"
#include "grade/grade_json.h"
#include "package/grade_store.h"
#include "render/program.h"
#include "stages/stage_type.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <algorithm>
#include <nlohmann/json.hpp>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

Preset preset(const char* name) {
    return readPresetFile(demo() / "presets" / (std::string(name) + ".bpreset"));
}

/// Small pictures in a folder of the test.
BatchPlan planFor(const TempFolder& folder, int count) {
    BatchPlan plan;
    for (int i = 0; i < count; ++i) {
        const Picture picture = paintedPicture(60 + 10 * i, 40);
        const auto file = folder / ("p" + std::to_string(i) + ".png");
        writePicture(file, Program::compile({}).quantised(picture, 16, false), {}, {FileFormat::Png, 16, 90});
        plan.pictures.push_back(file);
    }
    plan.looks = {{"Limelight", {preset("Limelight")}, false}};
    plan.format = {FileFormat::Png, 16, 90};
    plan.folder = folder / "out";
    return plan;
}

std::size_t counted(const std::vector<BatchJob>& jobs, JobState state) {
    return static_cast<std::size_t>(
        std::count_if(jobs.begin(), jobs.end(), [&](const BatchJob& j) { return j.state == state; }));
}

} // namespace

TEST(Names, FillTheTemplateAndStayInTheFolder) {
    const NameParts parts{"lake-fog", "Lantern blue", "jpg", 7};
    EXPECT_EQ(fileNameFromTemplate("{stem}-{look}.{ext}", parts), "lake-fog-lantern-blue.jpg");
    EXPECT_EQ(fileNameFromTemplate("{look}/{n}.{ext}", parts), "lantern-blue/007.jpg");
    for (const char* wrong :
         {"{stem", "{wonder}.{ext}", "", "../{stem}.{ext}", "/tmp/{stem}.{ext}", "a/../../{stem}.{ext}"})
        errorOf([&] { fileNameFromTemplate(wrong, parts); });
    EXPECT_EQ(slug("Lantern blue"), "lantern-blue");
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
    writeFileAtomically(first.file, "old");
    EXPECT_EQ(runBatch(plan)[0].file, first.file);
    EXPECT_EQ(readFile(first.file), bytes) << "the same input gives the same file";
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

TEST(Batch, ScalesDownNeverUp) {
    const Picture picture = paintedPicture(200, 100);
    EXPECT_EQ(scaledForOutput(picture, 80).width(), 80);
    EXPECT_EQ(scaledForOutput(picture, 80).height(), 40);
    EXPECT_EQ(scaledForOutput(picture, 400).width(), 200);
    EXPECT_EQ(scaledForOutput(picture, 0).width(), 200);
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

TEST(Batch, AnUnreadableGradeIsToldAndThePictureGoesWithout) {
    const TempFolder folder;
    const BatchPlan plan = planFor(folder, 1);
    folder.file("p0.png.bgrade", "{ broken");
    const auto jobs = runBatch(plan);
    EXPECT_EQ(jobs[0].state, JobState::Done);
    EXPECT_NE(jobs[0].warning.find("p0.png.bgrade"), std::string::npos);
}

} // namespace baryton::test
