// Side by side in one run: our LUT apply against OpenColorIO and ffmpeg, the command line against a plain copy, and
// the preview's answer to a moving control. Prints the table of docs/performance.md;
// with luts, tables, learning, stages, around, finish, masks, survey, batch, preview, raw, places or plot just
// that part.
#include "app/theme/theme.h"
#include "base/file.h"
#include "batch_speed.h"
#include "cost_plot.h"
#include "finish_speed.h"
#include "grade/grade_json.h"
#include "library_speed.h"
#include "lut/bake.h"
#include "lut_speed.h"
#include "mask_speed.h"
#include "picture/blur.h"
#include "picture/picture_file.h"
#include "place_speed.h"
#include "preview_speed.h"
#include "processes.h"
#include "raw_speed.h"
#include "render/base_level.h"
#include "rows.h"
#include "sample_picture.h"
#include "stages/frame.h"
#include "stages/lut_kernel.h"
#include "start_speed.h"
#include "window_speed.h"

#include <OpenColorIO/OpenColorIO.h>
#include <QApplication>
#include <cstring>
#include <fmt/format.h>
#include <hwy/highway.h>
#include <hwy/targets.h>
#include <iostream>
#include <malloc.h>
#include <sys/resource.h>
#include <thread>
#include <unistd.h>

namespace ocio = OCIO_NAMESPACE;
namespace fs = std::filesystem;
using namespace baryton;
using namespace baryton::bench;

namespace {

constexpr double kMegapixels = 24;

Grade fiveStages() {
    Grade grade = startingGrade();
    auto& stages = grade.look[0].stages;
    stages[0].parameters["rgb"] = Curve{{0, 0.02}, {0.25, 0.2}, {0.7, 0.76}, {1, 0.98}};
    stages[0].parameters["r"] = Curve{{0, 0}, {0.5, 0.53}, {1, 1}};
    stages[0].parameters["b"] = Curve{{0, 0.02}, {0.5, 0.48}, {1, 0.96}};
    stages[1].parameters["shadows.hue"] = 350.0, stages[1].parameters["shadows.amount"] = 0.2;
    stages[1].parameters["highlights.hue"] = 150.0, stages[1].parameters["highlights.amount"] = 0.1;
    stages[1].parameters["midtones.level"] = 0.1;
    stages[2].parameters["overall"] = -0.1;
    Stage second = makeStage(grade, "curves");
    second.parameters["rgb"] = Curve{{0, 0.03}, {0.5, 0.5}, {1, 0.97}};
    stages.push_back(second);
    grade.finish[0].parameters["stops"] = -0.6;
    return grade;
}

/// The Look of docs/performance.md: Exposure, Warmth, Curves (RGB, red, blue), Wheels, Split tone, Hue bands ×3, Push
/// table ×3 rows, Saturation.
Grade eightStages() {
    Grade grade = startingGrade();
    auto& stages = grade.look[0].stages;
    stages.clear();
    const auto add = [&](const char* type, std::map<std::string, Value> values) {
        Stage stage = makeStage(grade, type);
        stage.parameters = std::move(values);
        stages.push_back(std::move(stage));
    };
    add("exposure", {{"stops", 0.3}});
    add("warmth", {{"warmth", 12.0}});
    add("curves", {{"rgb", Curve{{0, 0.02}, {0.25, 0.2}, {0.7, 0.76}, {1, 0.98}}},
                   {"r", Curve{{0, 0}, {0.5, 0.53}, {1, 1}}},
                   {"b", Curve{{0, 0.02}, {0.5, 0.48}, {1, 0.96}}}});
    add("wheels", {{"shadows.hue", 350.0},
                   {"shadows.amount", 0.2},
                   {"highlights.hue", 150.0},
                   {"highlights.amount", 0.1},
                   {"midtones.level", 0.1}});
    add("split-tone",
        {{"shadows.hue", 330.0}, {"shadows.amount", 0.15}, {"highlights.hue", 130.0}, {"highlights.amount", 0.1}});
    add("hue-bands",
        {{"band1.shift", 8.0}, {"band5.shift", -20.0}, {"band5.saturation", -0.2}, {"band9.lightness", -0.2}});
    add("push-table", {{"row1.yellow.blue", 0.2}, {"row2.cyan.red", 0.1}, {"row3.yellow.blue", -0.2}});
    add("saturation", {{"overall", -0.1}});
    return grade;
}

/// One filter run of ffmpeg over a frame of its own pixel format: what more frames cost, less what they cost
/// unfiltered.
double ffmpegFrame(const fs::path& raw, const std::string& format, const fs::path& lut, int threads) {
    const auto run = [&](int frames, const std::string& filter) {
        return runProcess({"ffmpeg",
                           "-v",
                           "error",
                           "-filter_threads",
                           std::to_string(threads),
                           "-threads",
                           "1",
                           "-stream_loop",
                           std::to_string(frames - 1),
                           "-f",
                           "rawvideo",
                           "-pix_fmt",
                           format,
                           "-s",
                           "6000x4000",
                           "-i",
                           raw.string(),
                           "-vf",
                           filter,
                           "-f",
                           "null",
                           "-"})
            .wall;
    };
    constexpr int few = 2, many = 8;
    const std::string filter = "lut3d=file=" + lut.string() + ":interp=tetrahedral";
    std::vector<double> costs;
    for (int i = 0; i < 3; ++i) {
        const double with = run(many, filter) - run(few, filter), without = run(many, "null") - run(few, "null");
        costs.push_back(1000 * (with - without) / (many - few));
    }
    return percentile(costs, 0.5);
}

void compareLuts(const Picture& picture, const fs::path& folder) {
    const LutTable table = bakeLook(fiveStages(), 33, "bench");
    const fs::path file = folder / "bench.cube";
    writeLutFile(file, table, LutFormat::Cube);
    const Program ours = Program::compile(lutGrade(table, "bench"));
    Picture out(picture.width(), picture.height());
    const auto apply = [&](int threads) { ours.run(picture, FrameMap::whole(picture), into(out), threads); };
    auto transform = ocio::FileTransform::Create();
    transform->setSrc(file.c_str());
    transform->setInterpolation(ocio::INTERP_TETRAHEDRAL);
    const auto cpu = ocio::Config::CreateRaw()->getProcessor(transform)->getDefaultCPUProcessor();
    // OpenColorIO is fastest on four interleaved floats.
    const auto pixels = static_cast<std::size_t>(picture.width()) * static_cast<std::size_t>(picture.height());
    std::vector<float> source(pixels * 4, 1), target(pixels * 4);
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x)
            for (int k = 0; k < 3; ++k)
                source[4 * (static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.width()) +
                            static_cast<std::size_t>(x)) +
                       static_cast<std::size_t>(k)] = picture.row(k, y)[x];
    const auto ocioPart = [&](int from, int rows) {
        const std::size_t start = static_cast<std::size_t>(from) * static_cast<std::size_t>(picture.width()) * 4;
        const ocio::PackedImageDesc in(source.data() + start, picture.width(), rows, 4);
        ocio::PackedImageDesc to(target.data() + start, picture.width(), rows, 4);
        cpu->apply(in, to);
    };
    const auto ocioTwo = [&] {
        const int half = picture.height() / 2;
        std::thread other([&] { ocioPart(0, half); });
        ocioPart(half, picture.height() - half);
        other.join();
    };
    const auto copy = [&] { std::memcpy(target.data(), source.data(), pixels * 3 * sizeof(float)); };
    const auto t = sideBySide(
        {[&] { apply(1); }, [&] { ocioPart(0, picture.height()); }, [&] { apply(2); }, ocioTwo, copy}, kRounds);

    QuantisedPicture eight(picture.width(), picture.height(), 3, 8);
    for (int y = 0; y < picture.height(); ++y)
        eight.setRow(y, 0, picture.width(), picture.row(0, y), picture.row(1, y), picture.row(2, y), nullptr);
    std::string planar(pixels * 6, '\0');
    auto* words = reinterpret_cast<std::uint16_t*>(planar.data());
    const int order[3] = {1, 2, 0}; // gbrp: green, blue, red
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < picture.height(); ++y)
            for (int x = 0; x < picture.width(); ++x)
                *words++ = static_cast<std::uint16_t>(picture.row(order[k], y)[x] * 65535 + 0.5F);
    writeFileAtomically(folder / "rgb24.raw",
                        {reinterpret_cast<const char*>(eight.bytes.data()), eight.bytes.size()});
    writeFileAtomically(folder / "gbrp16.raw", planar);
    const double f8 = ffmpegFrame(folder / "rgb24.raw", "rgb24", file, 1),
                 f16 = ffmpegFrame(folder / "gbrp16.raw", "gbrp16le", file, 1),
                 f16Two = ffmpegFrame(folder / "gbrp16.raw", "gbrp16le", file, 2);

    row("33³ tetrahedral, f32, 1 thread: Baryton", t[0].median);
    row("  OpenColorIO CPU processor, f32 RGBA, 1 thread", t[1].median, times(t[1].median / t[0].median) + " ours");
    row("  ffmpeg lut3d rgb24, 1 thread", f8, times(f8 / t[0].median) + " ours");
    row("  ffmpeg lut3d gbrp16le, 1 thread", f16, times(f16 / t[0].median) + " ours");
    row("33³ tetrahedral, f32, 2 threads: Baryton", t[2].median);
    row("  OpenColorIO, 2 threads", t[3].median, times(t[3].median / t[2].median) + " ours");
    row("  ffmpeg lut3d gbrp16le, 2 threads", f16Two, times(f16Two / t[2].median) + " ours");
    row("memcpy of the picture, 1 thread, warm", t[4].median);
}

void compareStages(const Picture& picture) {
    const Program five = Program::compile(fiveStages()), eight = Program::compile(eightStages());
    const auto run = [&](const Program& program, int threads) {
        program.run(
            picture, FrameMap::whole(picture), [](int, int, int, const float*, const float*, const float*) {},
            threads);
    };
    const std::size_t bytes = picture.bytes();
    Picture target(picture.width(), picture.height());
    float* to = target.row(0, 0);
    const auto copy = [&] { std::memcpy(to, picture.row(0, 0), bytes); };
    const auto bake33 = [] { bakeLook(eightStages(), 33, "b"); };
    const auto bake65 = [] { bakeLook(eightStages(), 65, "b"); };
    const auto withAvx2 = [&] {
        hwy::GetChosenTarget().Update(HWY_AVX2);
        run(eight, 2);
        hwy::GetChosenTarget().Update(hwy::SupportedTargets());
    };
    const auto t = sideBySide({[&] { run(five, 1); }, [&] { run(five, 2); }, [&] { run(eight, 1); },
                               [&] { run(eight, 2); }, copy, bake33, bake65, withAvx2},
                              kRounds);
    row("five stages, exact, f32, 1 thread", t[0].median, times(t[0].median / t[4].median) + " memcpy");
    row("five stages, exact, f32, 2 threads", t[1].median, times(t[1].median / t[4].median) + " memcpy");
    row("eight-stage Look, exact, f32, 1 thread", t[2].median, times(t[2].median / t[4].median) + " memcpy");
    row("eight-stage Look, exact, f32, 2 threads", t[3].median, times(t[3].median / t[4].median) + " memcpy");
    row("eight-stage Look, exact, f32, 2 threads, held to AVX2", t[7].median,
        times(t[7].median / t[4].median) + " memcpy");
    row("eight-stage Look on 33³, 2 threads", t[5].median);
    row("eight-stage Look on 65³, 2 threads", t[6].median);
}

/// The eight stages with Bloom and Detail behind them.
Grade eightAndAround() {
    Grade grade = eightStages();
    for (const auto& [type, values] :
         {std::pair<const char*, std::map<std::string, Value>>{"bloom", {{"amount", 0.5}, {"threshold", 0.6}}},
          std::pair<const char*, std::map<std::string, Value>>{"detail", {{"amount", 0.8}}}}) {
        grade.finish.push_back(makeStage(grade, type));
        grade.finish.back().parameters = values;
    }
    return grade;
}

void compareAround(const Picture& picture) {
    const auto blur = [&](double sigma) { return [&picture, sigma] { blurred(picture, sigma); }; };
    const Grade whole = eightAndAround();
    const auto only = [&](std::size_t which) {
        Grade grade;
        grade.finish = {whole.finish[which]};
        return Program::compile(grade);
    };
    const std::size_t last = whole.finish.size() - 1;
    const Program bloom = only(last - 1), detail = only(last);
    FrameMap map = FrameMap::whole(picture);
    map.base = BaseLevel::of(picture);
    const auto run = [&](const Program& program) {
        program.run(
            picture, map, [](int, int, int, const float*, const float*, const float*) {}, 2);
    };
    const Stage& stage = whole.finish[last - 1];
    const StageType& type = *findStageType("bloom");
    const auto onBase = [&] { type.compileWide(stage, map.base->picture()); };
    const Placement turned = placementOf({0, 1, 0.5, 0.5, 1.3}, picture.width(), picture.height());
    const Placement cut = placementOf({2, 0.9, 0.6, 0.5, 0}, picture.width(), picture.height());
    const auto t = sideBySide({blur(2), blur(20), blur(200), [&] { run(bloom); }, [&] { run(detail); }, onBase,
                               [&] { BaseLevel::of(picture); }, [&] { placed(picture, turned, 2); },
                               [&] { placed(picture, cut, 2); }},
                              kRounds);
    row("Gaussian blur, sigma 2 px, 2 threads", t[0].median);
    row("Gaussian blur, sigma 20 px, 2 threads", t[1].median, times(t[1].median / t[0].median) + " of 2 px");
    row("Gaussian blur, sigma 200 px, 2 threads", t[2].median, times(t[2].median / t[0].median) + " of 2 px");
    row("Bloom over the whole picture, base level known", t[3].median);
    row("Bloom worked out on the base level", t[5].median);
    row("Detail, radius 1 px, over the whole picture", t[4].median);
    row("the base level made from the picture", t[6].median);
    row("the frame turned by 1.3°, 2 threads", t[7].median);
    row("the frame cut to 2 : 1, not turned", t[8].median);
}

/// A control of the Look that moves, in a view of 1280 × 800.
void comparePreview(const Picture& picture) {
    const Grade whole = eightAndAround();
    const Placement turned = placementOf({0, 1, 0.5, 0.5, 1.3}, picture.width(), picture.height());
    Grade finished = eightStages();
    for (const auto& [id, values] :
         {std::pair<const char*, std::map<std::string, Value>>{"local-contrast", {{"amount", 0.5}}},
          {"halation", {{"amount", 0.4}}},
          {"vignette", {{"stops", -1.0}}},
          {"grain", {{"amount", 0.4}}}}) {
        finished.finish.push_back(makeStage(finished, id));
        finished.finish.back().parameters = values;
    }
    const Picture inFrame = placed(picture, turned, 2);
    const std::tuple<const char*, Grade, const Picture&> cases[] = {
        {"five stages", fiveStages(), picture},
        {"eight-stage Look", eightStages(), picture},
        {"the same, frame turned, Bloom and Detail", whole, inFrame},
        {"the Look, local contrast, halation, vignette, grain", finished, picture}};
    for (const auto& [name, grade, pixels] : cases) {
        const auto latency = previewTimes(pixels, grade, 200);
        row(fmt::format("control moves → painted 1280 × 800, {}", name), percentile(latency, 0.5),
            fmt::format("95 % {:.1f}", percentile(latency, 0.95)));
    }
    Grade finishOnly;
    finishOnly.finish = finished.finish;
    for (const MovedNumber& moved :
         {MovedNumber{"local-contrast", "amount", 0.2, 0.002}, MovedNumber{"halation", "amount", 0.2, 0.002},
          MovedNumber{"vignette", "stops", -0.5, -0.005}, MovedNumber{"grain", "amount", 0.2, 0.002}}) {
        const auto latency = previewTimes(picture, finishOnly, 200, moved);
        row(fmt::format("{} moves, the other three of Finish on → painted", moved.type), percentile(latency, 0.5),
            fmt::format("95 % {:.1f}", percentile(latency, 0.95)));
    }
}

void compareOpening(const Picture& picture, const fs::path& folder) {
    writeJpeg(folder / "open.jpg", picture);
    std::vector<double> first, whole;
    for (int round = 0; round < kRounds; ++round) {
        const OpenTimes times = openTimes(folder / "open.jpg", folder);
        first.push_back(times.first), whole.push_back(times.whole);
    }
    row("24 MP JPEG opened → first picture painted", percentile(first, 0.5));
    row("  → all levels, painted", percentile(whole, 0.5));
}

void compareDrags(const Picture& picture, const fs::path& folder) {
    fs::create_directories(folder / "large");
    writeJpeg(folder / "large" / "open.jpg", picture);
    // Five that see a pixel's colour alone.
    Grade five = eightStages();
    std::erase_if(five.look[0].stages, [](const Stage& stage) {
        return stage.type == "exposure" || stage.type == "warmth" || stage.type == "push-table";
    });
    Grade turned = eightAndAround();
    turned.prep.push_back(makeStage(turned, "frame"));
    turned.prep.back().parameters = {{"angle", 1.3}};
    const std::tuple<const char*, Grade, bool> cases[] = {{"five stages", five, false},
                                                          {"eight stages", eightStages(), false},
                                                          {"eight, frame turned, Bloom, Detail", turned, false},
                                                          {"eight stages, a second window", eightStages(), true}};
    for (const auto& [what, grade, withSecond] : cases) {
        const DragsTimes drags = dragTimes(folder / "large" / "open.jpg", grade, folder, withSecond);
        for (const auto& [name, times] :
             {std::pair("a curve's point", drags.curve), std::pair("a wheel", drags.wheel),
              std::pair("a band", drags.band), std::pair("a brush on forty strokes", drags.brush)})
            row(fmt::format("{} dragged, 24 MP, {}, scopes open: p95", name, what), percentile(times.whole, 0.95),
                fmt::format("median {:.1f}: taken {:.1f}, drawn {:.1f}", percentile(times.whole, 0.5),
                            percentile(times.taking, 0.5), percentile(times.drawing, 0.5)));
    }
}

void compareWindow(const fs::path& folder) {
    const fs::path demo = fs::path(BARYTON_SOURCE) / "demo";
    fs::create_directories(folder / "set");
    for (const auto& entry : fs::directory_iterator(demo / "pictures"))
        if (entry.path().extension() == ".jpg") fs::copy_file(entry.path(), folder / "set" / entry.path().filename());
    row("preset pointed at → nine pictures of the grid, median",
        percentile(gridTimes(folder / "set", demo / "presets", folder), 0.5));
    row("to a picture in memory, median", percentile(changeTimes(folder / "set", folder), 0.5));
}

void compareStart(const fs::path& folder) {
    fs::create_directories(folder / "started");
    for (const auto& entry : fs::directory_iterator(fs::path(BARYTON_SOURCE) / "demo/pictures"))
        if (entry.path().extension() == ".jpg")
            fs::copy_file(entry.path(), folder / "started" / entry.path().filename());
    qputenv("XDG_CACHE_HOME", (folder / "cache").c_str());
    std::vector<StartTimes> starts;
    for (int i = 0; i <= kRounds; ++i) starts.push_back(startTimes(folder / "started", folder));
    const auto tell = [&](const char* what, double StartTimes::*until) {
        std::vector<double> times;
        for (std::size_t i = 1; i < starts.size(); ++i) times.push_back(starts[i].*until);
        row(what, percentile(times, 0.5), fmt::format("the very first {:.0f}", starts[0].*until));
    };
    tell("a process is started → Qt and its platform", &StartTimes::application);
    tell("  → the window is made", &StartTimes::window);
    tell("  → shown, the folder is listed", &StartTimes::shown);
    tell("  → the first picture of the demo set", &StartTimes::picture);
}

void compareMany(const fs::path& folder) {
    constexpr int pictures = 1000;
    fs::create_directories(folder / "sources");
    std::vector<fs::path> sources;
    for (const auto& entry : fs::directory_iterator(fs::path(BARYTON_SOURCE) / "demo/pictures")) {
        if (entry.path().extension() != ".jpg") continue;
        sources.push_back(folder / "sources" / entry.path().filename());
        writeJpeg(sources.back(), samplePicture(entry.path()));
    }
    ::malloc_trim(0); // memory is counted
    fs::create_directories(folder / "many");
    for (int i = 0; i < pictures; ++i)
        // Files of their own: several names of one are one picture.
        fs::copy_file(sources[static_cast<std::size_t>(i) % sources.size()],
                      folder / "many" / fmt::format("{:04}.jpg", i));
    ::sync(); // ten gigabytes on their way to the disk would be measured too
    qputenv("XDG_CACHE_HOME", (folder / "cache").c_str());
    const double eighth = sideBySide({[&] { decodeAtAnEighth(sources); }}, 3)[0].median * pictures /
                          static_cast<double>(sources.size());
    row("1 000 JPEGs of 24 MP decoded at an eighth, two threads", eighth);
    for (const char* visit : {"opened for the first time", "opened again"}) {
        const ManyTimes many = manyTimes(folder / "many", folder);
        row(fmt::format("  {} → the window answers", visit), many.usable);
        row("    → those in sight are drawn", many.inSight);
        row("    → all thumbnails", many.thumbnails,
            fmt::format("{:.2f}×, {:.0f} MB resident", many.thumbnails / eighth, many.megabytes));
    }
}

void compareLibrary(const fs::path& folder) {
    const fs::path source(BARYTON_SOURCE);
    fs::create_directories(folder / "checks");
    for (const auto& entry : fs::directory_iterator(source / "demo/pictures"))
        if (entry.path().extension() == ".jpg")
            fs::copy_file(entry.path(), folder / "checks" / entry.path().filename());
    const LibraryTimes times = libraryTimes(source / "share/presets", folder / "checks", folder);
    row("500 presets in 20 groups: the library read", percentile(times.open, 0.5));
    row("  a letter of the search → painted list, 95th percentile", percentile(times.keys, 0.95),
        fmt::format("median {:.1f}", percentile(times.keys, 0.5)));
    row("  a tile (three pictures) drawn for the first time", times.coldTile);
    row("  a tile of one of 300 LUT files of 33³, drawn for the first time", times.lutTile,
        fmt::format("the file read alone {:.1f}", times.lutsRead));
    row("  a screenful of tiles from the disk", percentile(times.warm, 0.5));
    row("  preset pointed at → nine check pictures, median", percentile(times.hovers, 0.5),
        fmt::format("95 % {:.1f}", percentile(times.hovers, 0.95)));
}

} // namespace

int main(int argc, char** argv) {
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
    if (argc == 4 && argv[1] == std::string("start-once")) return startOnce(argc, argv, argv[2], argv[3]);
    QApplication application(argc, argv);
    theme::install(application);
    std::string pattern = (fs::temp_directory_path() / "baryton-bench-XXXXXX").string();
    const fs::path folder = ::mkdtemp(pattern.data());
    int code = 0;
    const auto wants = [&](const std::string& part) { return argc < 2 || part == argv[1]; };
    try {
        if (argc > 1 && wants("many")) { // before the large picture is made: memory is counted
            compareMany(folder);
            fs::remove_all(folder);
            return 0;
        }
        const Picture picture = samplePicture(fs::path(BARYTON_SOURCE) / "demo/pictures/lantern-alley.jpg");
        const auto best = hwy::SupportedTargets() & HWY_TARGETS;
        std::cout << fmt::format("{} threads, {}, {:.0f} megapixels; medians of {} rounds, contestants in turn\n\n",
                                 std::thread::hardware_concurrency(), hwy::TargetName(best & -best), kMegapixels,
                                 kRounds);
        std::cout << fmt::format("| {:<58} | {:>9} | {:>24} |\n|{:-<60}|{:-<11}|{:-<26}|\n", "Work", "ms", "against",
                                 "", "", "");
        if (wants("luts")) compareLuts(picture, folder);
        if (wants("stages")) compareStages(picture);
        if (wants("around")) compareAround(picture);
        if (wants("finish")) compareFinish(picture);
        if (wants("tables")) compareTables();
        if (wants("learning")) compareLearning();
        if (wants("masks")) compareMasks(picture);
        if (wants("survey")) compareSurvey(eightStages(), folder);
        if (wants("batch")) compareRuns(picture, eightStages(), folder);
        if (wants("preview")) comparePreview(picture);
        if (wants("raw")) compareRaw(picture, folder);
        if (wants("places")) comparePlaces(picture, folder);
        if (wants("open")) compareOpening(picture, folder);
        if (wants("drags")) compareDrags(picture, folder);
        if (wants("window")) compareWindow(folder);
        if (wants("start")) compareStart(folder);
        if (wants("library")) compareLibrary(folder);
        if (wants("plot")) plotCosts(QStringLiteral(BARYTON_SOURCE "/docs/performance.png"));
        rusage usage{};
        ::getrusage(RUSAGE_SELF, &usage);
        std::cout << fmt::format("| {:<58} | {:>6.0f} MB | {:>24} |\n",
                                 "peak memory of this program (several 24 MP pictures)",
                                 static_cast<double>(usage.ru_maxrss) / 1024, "");
    } catch (const std::exception& e) {
        std::cerr << e.what() << '\n';
        code = 1;
    }
    std::error_code ignored;
    fs::remove_all(folder, ignored);
    return code;
}
