#include "batch_speed.h"
#include "base/parallel.h"
#include "picture/picture_file.h"
#include "rows.h"
#include "sample_picture.h"
#include "survey/read_seen.h"
#include "survey/survey.h"

#include <chrono>
#include <vips/vips8>

namespace baryton::bench {

namespace fs = std::filesystem;

namespace {

void writeJpeg(const fs::path& file, const Picture& picture) {
    QuantisedPicture eight(picture.width(), picture.height(), 3, 8);
    for (int y = 0; y < picture.height(); ++y)
        eight.setRow(y, 0, picture.width(), picture.row(0, y), picture.row(1, y), picture.row(2, y), nullptr);
    writePicture(file, eight, {}, {FileFormat::Jpeg, 8, 90});
}

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
    const auto t = sideBySide(
        {[&] {
             each([&](std::size_t i) {
                 vips::VImage::jpegload(files[i].c_str(), vips::VImage::option()->set("shrink", 8)).copy_memory();
             });
         },
         [&] {
             fs::remove_all(folder / "small");
             each([&](std::size_t i) { seen[i] = store.read(files[i]); });
         },
         [&] { each([&](std::size_t i) { seen[i] = store.read(files[i]); }); },
         [&] { each([&](std::size_t i) { pictures[i] = surveyPicture(seen[i], look); }); },
         [&] { each([&](std::size_t i) { measureLook(look, pictures[i]); }); },
         [&] { each([&](std::size_t i) { scenes[i] = runPicture(seen[i], look); }); }, [&] { runsOf(scenes); }},
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

} // namespace baryton::bench
