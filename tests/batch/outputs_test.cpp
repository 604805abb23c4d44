// Several kinds of file of each picture, their names, the accounts of a run, and the hand on it while it goes on.
#include "batch/batch.h"
#include "batch/contact_sheet.h"
#include "batch/foresee.h"
#include "batch/names.h"
#include "batch/output_json.h"
#include "package/grade_store.h"
#include "picture/metadata.h"
#include "picture/picture_file.h"
#include "render/program.h"
#include "stages/frame.h"
#include "support/bytes_of.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <atomic>
#include <thread>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

/// Pictures of 90 × 60 pixels, 10 wider each, two looks, a small JPEG and a TIFF.
BatchPlan seasonPlan(const TempFolder& folder, int count) {
    BatchPlan plan;
    for (int i = 0; i < count; ++i) {
        const auto file = folder / ("heron-" + std::to_string(i) + ".png");
        writePicture(file, Program().quantised(paintedPicture(90 + 10 * i, 60), 16, false), {},
                     {FileFormat::Png, 16});
        plan.pictures.push_back(file);
    }
    plan.looks = {{"Limelight", {exposurePreset("Limelight", 0.4)}}, {"Dim", {exposurePreset("Dim", -0.8)}}};
    plan.outputs.resize(2);
    plan.outputs[0].size = sizeWishFromText("45");
    plan.outputs[1].format = {FileFormat::Tiff, 16};
    plan.folder = folder / "out";
    return plan;
}

} // namespace

TEST(Outputs, EachPictureAndLookGetsEachKindOfFile) {
    const TempFolder folder;
    BatchPlan plan = seasonPlan(folder, 3);
    const auto jobs = runBatch(plan);
    ASSERT_EQ(jobs.size(), 12U);
    for (std::size_t i = 0; i < jobs.size(); ++i) {
        const BatchJob& job = jobs[i];
        ASSERT_EQ(job.state, JobState::Done) << job.error;
        EXPECT_EQ(placeOf(plan, job.picture, job.look, job.output), i);
        EXPECT_EQ(job.file.extension(), job.output == 0 ? ".jpg" : ".tif");
        const PictureSize size = readPictureSize(job.file);
        EXPECT_EQ(size.width, job.output == 0 ? 45 : 90 + 10 * static_cast<int>(job.picture));
        EXPECT_EQ(size.bits, job.output == 0 ? 8 : 16);
    }
    // As many workers as one likes, and each kind by itself: the same bytes.
    const auto whole = bytesOf(plan.folder);
    plan.folder = folder / "other", plan.workers = 1;
    runBatch(plan);
    EXPECT_EQ(bytesOf(plan.folder), whole);
    BatchPlan alone = plan;
    alone.folder = folder / "alone", alone.outputs.erase(alone.outputs.begin());
    runBatch(alone);
    for (const auto& [name, bytes] : bytesOf(alone.folder)) EXPECT_EQ(bytes, whole.at(name)) << name;
}

TEST(Outputs, NamesKnowTheSizesOfFiles) {
    const TempFolder folder;
    BatchPlan plan = seasonPlan(folder, 2);
    plan.name = "{width}x{height}/{stem}-{look}.{ext}";
    Grade square = startingGrade();
    square.prep.push_back(makeStage(square, kFrameType));
    square.prep.back().parameters["ratio"] = std::string("1:1");
    storeGrade(plan.pictures[1], square); // by what lies beside the picture
    for (const BatchJob& job : runBatch(plan)) {
        ASSERT_EQ(job.state, JobState::Done) << job.error;
        const PictureSize size = readPictureSize(job.file);
        EXPECT_EQ(job.file.parent_path().filename(), std::to_string(size.width) + "x" + std::to_string(size.height));
    }
    // One that can't be read fails alone.
    writeFileAtomically(folder / "broken.png", "no picture");
    BatchPlan withBroken = plan;
    withBroken.pictures.push_back(folder / "broken.png");
    withBroken.folder = folder / "with-broken";
    const auto some = runBatch(withBroken);
    EXPECT_EQ(
        std::count_if(some.begin(), some.end(), [](const BatchJob& job) { return job.state == JobState::Done; }), 8);
    EXPECT_EQ(some.back().state, JobState::Failed);
    // The same kind twice: the sizes tell them apart, else numbers do.
    plan.outputs[1] = plan.outputs[0];
    plan.outputs[1].size = sizeWishFromText("20");
    std::set<fs::path> names;
    for (const BatchJob& job : jobsOf(plan)) {
        EXPECT_EQ(job.file.string().find("-2."), std::string::npos);
        names.insert(job.file);
    }
    plan.name = "{stem}-{look}.{ext}";
    for (const BatchJob& job : jobsOf(plan)) names.insert(job.file);
    EXPECT_EQ(names.size(), 16U);
    plan.outputs.clear();
    errorOf([&] { jobsOf(plan); });
}

TEST(Outputs, AreReadFromWordsAndWrittenAgain) {
    OutputSettings usual;
    usual.format.quality = 81, usual.format.copyright = "2026";
    const OutputSettings tiff =
        outputFromText("tiff,bits=16,size=,profile=display-p3,sharpen=matt,enlarge=true", usual);
    EXPECT_EQ(tiff.format.format, FileFormat::Tiff);
    EXPECT_EQ(tiff.format.bits, 16);
    EXPECT_EQ(tiff.format.copyright, "2026") << "as the others";
    EXPECT_EQ(tiff.profile.space, ProfileWish::Space::DisplayP3);
    EXPECT_TRUE(tiff.size.enlarges);
    EXPECT_EQ(outputFromText("format=jpeg,copyright=1999", usual).format.copyright, "1999") << "a text, not a number";
    EXPECT_EQ(outputFromText("jpeg", tiff).format.bits, 8);
    for (const OutputSettings& each : {usual, tiff}) EXPECT_EQ(outputFromJson(outputToJson(each)), each);
    EXPECT_EQ(outputToJson({}).size(), 1U) << "what is usual is not written";
    for (const char* wrong :
         {"", "gif", "jpeg,bits=16", "tiff,depth=16", "jpeg,quality=0", "jpeg,quality=80.5", "jpeg,quality=x",
          "jpeg,size=5 km", "jpeg,enlarge=yes", "tiff,bits", "jpeg,profile=wide", "jpeg,dpi=-1"})
        errorOf([&] { outputFromText(wrong, {}); });
}

TEST(Outputs, APausedRunRestsAndWhatIsAskedForComesNext) {
    const TempFolder folder;
    BatchPlan plan = seasonPlan(folder, 6);
    plan.looks.resize(1), plan.outputs.resize(1), plan.workers = 1;
    Task task;
    RunOrder order;
    std::atomic<std::size_t> begun{0};
    std::vector<std::size_t> pictures; // one call at a time
    std::thread run([&] {
        runBatch(
            plan,
            [&](std::size_t, const BatchJob& job) {
                if (job.state != JobState::Running) return;
                pictures.push_back(job.picture);
                if (++begun == 2) task.setPaused(true), order.makeNext(3), order.makeNext(5);
            },
            &task, &order);
    });
    const auto soon = std::chrono::steady_clock::now() + std::chrono::seconds(30);
    while (begun < 2 && std::chrono::steady_clock::now() < soon)
        std::this_thread::sleep_for(std::chrono::milliseconds(2));
    std::this_thread::sleep_for(std::chrono::milliseconds(200));
    EXPECT_EQ(begun, 2U) << "it rests";
    task.setPaused(false);
    run.join();
    EXPECT_EQ(pictures, (std::vector<std::size_t>{0, 1, 5, 3, 2, 4}));
    // One that is paused can be ended.
    task.setPaused(true);
    task.finishUp();
    plan.folder = folder / "none";
    for (const BatchJob& job : runBatch(plan, {}, &task)) EXPECT_EQ(job.state, JobState::Cancelled);
}

TEST(Report, IsATableForSpreadsheetsToo) {
    const TempFolder folder;
    BatchPlan plan = seasonPlan(folder, 2);
    writeFileAtomically(folder / "=1+1, a \"formula\".png", "no picture");
    plan.pictures.push_back(folder / "=1+1, a \"formula\".png");
    plan.looks[0].name = "=Limelight, \"bright\"";
    const auto jobs = runBatch(plan);
    const std::string table = reportTable(plan, jobs);
    EXPECT_EQ(std::count(table.begin(), table.end(), '\n'), 13) << "a row for each, and the names of the columns";
    EXPECT_NE(table.find("\"'=Limelight, \"\"bright\"\"\""), std::string::npos) << "a text, and no formula\n"
                                                                                << table;
    EXPECT_NE(table.find(",failed,"), std::string::npos);
    writeFileAtomically(folder / "r.csv", table);
    EXPECT_TRUE(isReport(folder / "r.csv"));
    writeFileAtomically(folder / "other.csv", "picture,file\r\n");
    EXPECT_FALSE(isReport(folder / "other.csv"));
}

TEST(Foresight, TellsWhatIsThereAndWhetherThereIsRoom) {
    const TempFolder folder;
    BatchPlan plan = seasonPlan(folder, 3);
    EXPECT_EQ(foresee(plan).files, 12U);
    EXPECT_EQ(foresee(plan).there, 0U);
    EXPECT_GT(foresee(plan).free, 0U) << "though the folder is not there yet";
    EXPECT_FALSE(foresee(plan).isTight());
    const auto jobs = runBatch(plan);
    EXPECT_EQ(foresee(plan).there, 12U);
    plan.made = {{0, jobs[0]}, {1, jobs[1]}};
    EXPECT_EQ(foresee(plan).files, 10U) << "what is made is not made again";
    // Against files that were made: no more than three times as much.
    BatchPlan photos;
    for (const char* name : {"lake-fog", "meadow-cart", "snow-yard", "workshop-window"})
        photos.pictures.push_back(fs::path(BARYTON_SOURCE) / "demo/pictures" / (std::string(name) + ".jpg"));
    photos.looks = {{"plain", {exposurePreset("plain", 0.1)}}};
    photos.folder = folder / "photos";
    for (const OutputFormat& format : {OutputFormat{FileFormat::Jpeg, 8, 90}, OutputFormat{FileFormat::Jpeg, 8, 60},
                                       OutputFormat{FileFormat::Png, 8}, OutputFormat{FileFormat::Tiff, 16},
                                       OutputFormat{FileFormat::WebP, 8, 90}}) {
        photos.outputs = {OutputSettings{.format = format, .size = sizeWishFromText("700")}};
        const double told = double(foresee(photos).bytes);
        double bytes = 0;
        for (const BatchJob& job : runBatch(photos)) bytes += double(job.bytes);
        EXPECT_LT(bytes, 3 * told) << fileFormatName(format.format) << format.bits;
        EXPECT_GT(bytes, told / 5) << "rendered, they have no noise: " << fileFormatName(format.format)
                                   << format.bits;
    }
    for (const FileFormat format :
         {FileFormat::Jpeg, FileFormat::Png, FileFormat::Tiff, FileFormat::WebP, FileFormat::Avif})
        EXPECT_GT(usualBytes({format, 8, 90}, 24e6), usualBytes({format, 8, 90}, 6e6));
}

TEST(ContactSheet, ShowsWhatWasMadeWithItsNames) {
    const TempFolder folder;
    const BatchPlan plan = seasonPlan(folder, 5);
    auto jobs = runBatch(plan);
    auto cells = sheetCells(plan, jobs);
    ASSERT_EQ(cells.size(), 10U) << "each picture and look once";
    EXPECT_EQ(cells[1].look, "Dim");
    writeContactSheet(folder / "sheet.png", "Season", cells, 4);
    const Picture sheet = readPicture(folder / "sheet.png").picture;
    EXPECT_EQ(sheet.width(), 2400);
    // The first is brighter than the one beside it, and both are there.
    const auto meanAt = [&](int column) {
        double sum = 0;
        const int left = 92 + column * 566;
        for (int y = 250; y < 400; ++y)
            for (int x = left + 60; x < left + 460; ++x) sum += sheet.row(1, y)[x];
        return sum / (150 * 400);
    };
    EXPECT_GT(meanAt(0), meanAt(1) + 0.1);
    EXPECT_LT(meanAt(1), 0.95) << "no white paper";
    writeContactSheet(folder / "sheet.pdf", "Season", cells, 4);
    const std::string pdf = readFile(folder / "sheet.pdf");
    EXPECT_TRUE(pdf.starts_with("%PDF"));
    EXPECT_TRUE(isContactSheet(folder / "sheet.pdf"));
    EXPECT_TRUE(isContactSheet(folder / "sheet.png"));
    writeFileAtomically(folder / "other.pdf", "%PDF-1.5\n/Creator (Heron 1)");
    EXPECT_FALSE(isContactSheet(folder / "other.pdf"));
    std::size_t pictures = 0;
    for (auto at = pdf.find("/DCTDecode"); at != std::string::npos; at = pdf.find("/DCTDecode", at + 1)) ++pictures;
    EXPECT_EQ(pictures, 10U) << "as the JPEGs that they are";
    // What can't be read keeps its place.
    cells[3].file = folder / "gone.jpg";
    writeContactSheet(folder / "sheet.png", "Season", cells, 4);
    errorOf([&] { writeContactSheet(folder / "sheet.doc", "Season", cells, 4); });
    errorOf([&] { writeContactSheet(folder / "sheet.png", "Season", {}, 4); });
    errorOf([&] { writeContactSheet(folder / "sheet.png", "Season", std::vector<SheetCell>(3000, cells[0]), 1); });
    Task cancelled;
    cancelled.cancel();
    EXPECT_THROW(writeContactSheet(folder / "late.pdf", "Season", cells, 4, &cancelled), Cancelled);
    EXPECT_FALSE(fs::exists(folder / "late.pdf"));
}

} // namespace baryton::test
