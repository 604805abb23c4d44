#include "batch_speed.h"
#include "base/error.h"
#include "base/parallel.h"
#include "grade/grade_json.h"
#include "lut/bake.h"
#include "lut/lut_file.h"
#include "picture/picture_file.h"
#include "processes.h"
#include "rows.h"
#include "sample_picture.h"
#include "stages/stage_type.h"
#include "survey/read_seen.h"
#include "survey/survey.h"

#include <array>
#include <chrono>
#include <cstdio>
#include <fmt/format.h>
#include <vips/vips8>

namespace baryton::bench {

namespace fs = std::filesystem;

namespace {

/// Scenes of 24 MP, each several times under another name.
std::vector<fs::path> writtenSet(const fs::path& folder, int ofEach) {
    std::vector<fs::path> files;
    fs::create_directories(folder);
    for (const char* scene : {"lantern-alley", "lake-fog", "workshop", "cover", "rehearsal"}) {
        const fs::path source = fs::path(BARYTON_SOURCE) / "demo/pictures" / (std::string(scene) + ".jpg");
        if (!fs::exists(source)) continue;
        const fs::path first = folder / (std::string(scene) + "-0.jpg");
        writeJpeg(first, samplePicture(source));
        files.push_back(first);
        for (int i = 1; i < ofEach; ++i) {
            files.push_back(folder / (std::string(scene) + "-" + std::to_string(i) + ".jpg"));
            fs::copy_file(first, files.back(), fs::copy_options::overwrite_existing);
        }
    }
    return files;
}

} // namespace

void decodeAtAnEighth(const std::vector<fs::path>& files) {
    inPieces(static_cast<int>(files.size()), 1, 0, [&](int first, int last) {
        for (int i = first; i < last; ++i)
            vips::VImage::jpegload(files[static_cast<std::size_t>(i)].c_str(),
                                   vips::VImage::option()->set("shrink", 8))
                .copy_memory();
    });
}

void compareSurvey(const Grade& look, const fs::path& folder) {
    const std::vector<fs::path> files = writtenSet(folder / "survey", 6);
    const auto count = files.size();
    std::vector<SmallPicture> seen(count);
    const SmallStore store(folder / "small");
    std::vector<SurveyPicture> pictures(count);
    std::vector<RunPicture> scenes(count);
    const auto each = [count](const auto& work) {
        inPieces(static_cast<int>(count), 1, 0, [&](int first, int last) {
            for (int i = first; i < last; ++i) work(static_cast<std::size_t>(i));
        });
    };
    const auto t = sideBySide({[&] { decodeAtAnEighth(files); },
                               [&] {
                                   fs::remove_all(folder / "small");
                                   each([&](std::size_t i) { seen[i] = store.read(files[i]); });
                               },
                               [&] { each([&](std::size_t i) { seen[i] = store.read(files[i]); }); },
                               [&] { each([&](std::size_t i) { pictures[i] = surveyPicture(seen[i], look); }); },
                               [&] { each([&](std::size_t i) { measureLook(look, pictures[i]); }); },
                               [&] { each([&](std::size_t i) { scenes[i] = runPicture(seen[i], look); }); },
                               [&] { runsOf(scenes); }},
                              3);
    const auto cost = [&](std::size_t which) { return t[which].median / static_cast<double>(count); };
    const auto tell = [&](const char* work, std::size_t which) {
        row(work, cost(which), times(cost(which) / cost(0)));
    };
    row("a 24 MP JPEG decoded at an eighth, two threads", cost(0));
    tell("  its small version read, and kept", 1);
    tell("  the small version read where it is kept", 2);
    tell("  put in its frame", 3);
    tell("  measured under the eight-stage Look", 4);
    tell("  made as small as scenes are compared", 5);
    tell("  compared with those beside it", 6);
    const double work = cost(3) + cost(4) + cost(5) + cost(6);
    row("  in all, the first time", cost(1) + work, times((cost(1) + work) / cost(0)));
    row("  in all, small versions kept", cost(2) + work, times((cost(2) + work) / cost(0)));
}

namespace {

using Words = std::vector<std::string>;

ProcessCost made(Words words, const std::vector<fs::path>& files = {}) {
    for (const fs::path& file : files) words.push_back(file.string());
    const ProcessCost cost = runProcess(words);
    if (cost.exitCode != 0) throw Error(words[0], "", "it failed", "run it by hand: " + words[1]);
    return cost;
}

/// One after the other, as a loop of a shell does it.
ProcessCost oneByOne(const std::vector<fs::path>& files, const std::function<Words(const fs::path&)>& words) {
    ProcessCost all;
    for (const fs::path& file : files) {
        const ProcessCost one = made(words(file));
        all.cpu += one.cpu, all.wall += one.wall;
        all.peakMegabytes = std::max(all.peakMegabytes, one.peakMegabytes);
    }
    return all;
}

double median(std::vector<double> values) {
    return percentile(std::move(values), 0.5);
}

/// Seconds until a program writes its first line, and until it ends.
std::pair<double, double> firstLineAndEnd(const std::string& command) {
    const auto start = std::chrono::steady_clock::now();
    const auto since = [start] {
        return std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    };
    std::FILE* pipe = ::popen(command.c_str(), "r");
    double first = 0;
    std::array<char, 4096> line{};
    while (std::fgets(line.data(), static_cast<int>(line.size()), pipe))
        if (first == 0) first = since();
    ::pclose(pipe);
    return {first, since()};
}

/// Runs over many copies of one tiny picture.
void compareMany(const fs::path& preset, const fs::path& folder) {
    writeJpeg(folder / "tiny.jpg",
              scaledDownTo(readPicture(fs::path(BARYTON_SOURCE) / "demo/pictures/lake-fog.jpg").picture, 72));
    double rate = 0;
    for (const int count : {10, 1000, 10000}) {
        const fs::path many = folder / ("many-" + std::to_string(count));
        fs::create_directories(many);
        for (int i = 0; i < count; ++i)
            fs::copy_file(folder / "tiny.jpg", many / (std::to_string(100000 + i) + ".jpg"));
        const auto [first, end] = firstLineAndEnd(
            std::string(BARYTON_CLI) + " apply --preset '" + preset.string() + "' --out '" +
            (folder / ("made-" + std::to_string(count))).string() + "' '" + many.string() + "' 2>/dev/null");
        // The first ones share the start with all others: the rate is of what came after it.
        const double now = (count - 1) / (end - first);
        row(fmt::format("{} JPEGs of 72 × 48: until the first is there", count), 1000 * first,
            fmt::format("{:.0f} a second{}", now, rate > 0 ? ", " + times(now / rate) : ""));
        rate = now;
    }
}

} // namespace

void compareRuns(const Picture& picture, const Grade& look, const fs::path& folder) {
    std::vector<fs::path> files;
    for (int i = 0; i < 16; ++i) {
        files.push_back(folder / ("run-" + std::to_string(i) + ".jpg"));
        if (i == 0)
            writeJpeg(files[0], picture);
        else
            fs::copy_file(files[0], files.back(), fs::copy_options::overwrite_existing);
    }
    Preset preset;
    preset.name = "eight";
    preset.carried = look;
    preset.carried.prep.clear(), preset.carried.finish.clear();
    const fs::path exact = folder / "eight.bpreset", finished = folder / "finished.bpreset",
                   cube = folder / "eight.cube";
    writePresetFile(exact, preset);
    preset.carried.finish = {makeStage(preset.carried, "vignette"), makeStage(preset.carried, "bloom")};
    preset.carried.finish[0].parameters["stops"] = -1.0, preset.carried.finish[1].parameters["amount"] = 0.3;
    writePresetFile(finished, preset);
    writeLutFile(cube, bakeLook(look, 33, "eight"), LutFormat::Cube);
    const auto apply = [&](const char* option, const fs::path& what) {
        return made({BARYTON_CLI, "apply", "--jobs", "2", option, what.string(), "--out", (folder / "out").string(),
                     "--exists", "replace"},
                    files);
    };
    std::vector<double> throughCube, throughLook, rates;
    ProcessCost copies, ours, byCube, byFinish, loop;
    for (int round = 0; round < 3; ++round) {
        copies = oneByOne(files, [&](const fs::path& file) {
            return Words{"vips", "copy", file.string(), (folder / "copy.jpg[Q=90,optimize-coding]").string()};
        });
        loop = oneByOne(files, [&](const fs::path& file) {
            return Words{"ffmpeg",
                         "-v",
                         "error",
                         "-y",
                         "-i",
                         file.string(),
                         "-vf",
                         "lut3d=file=" + cube.string() + ":interp=tetrahedral",
                         "-q:v",
                         "2",
                         (folder / "looped.jpg").string()};
        });
        ours = apply("--preset", exact), byCube = apply("--lut", cube), byFinish = apply("--preset", finished);
        throughLook.push_back(ours.cpu / copies.cpu), throughCube.push_back(byCube.cpu / copies.cpu);
        rates.push_back(loop.wall / byCube.wall);
    }
    row("sixteen 24 MP JPEGs copied by vips, one after another", 1000 * copies.wall,
        fmt::format("CPU {:.1f} s, {:.0f} MB", copies.cpu, copies.peakMegabytes));
    row("  ffmpeg with the cube, one after another", 1000 * loop.wall, fmt::format("CPU {:.1f} s", loop.cpu));
    row("  apply through the cube", 1000 * byCube.wall,
        fmt::format("CPU {}, {:.0f} MB", times(median(throughCube)), byCube.peakMegabytes));
    row("    pictures a second against ffmpeg's", 1000 * byCube.wall / 16, times(median(rates)));
    row("  apply through the eight stages", 1000 * ours.wall,
        fmt::format("CPU {}, {:.0f} MB", times(median(throughLook)), ours.peakMegabytes));
    row("  the same with a vignette and bloom", 1000 * byFinish.wall,
        fmt::format("CPU {}, {:.0f} MB", times(byFinish.cpu / copies.cpu), byFinish.peakMegabytes));
    compareMany(exact, folder);
}

} // namespace baryton::bench
