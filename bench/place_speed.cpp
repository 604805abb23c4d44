#include "place_speed.h"
#include "base/error.h"
#include "grade/grade_json.h"
#include "in_vips.h"
#include "picture/picture_file.h"
#include "processes.h"
#include "render/program.h"
#include "rows.h"
#include "sample_picture.h"
#include "stages/examples.h"
#include "stages/source.h"

namespace baryton::bench {

namespace fs = std::filesystem;

namespace {

/// A lens's calibration of our own.
LensCorrection someLens(bool withAll) {
    LensCorrection lens;
    lens.settings.isWanted = true;
    lens.distortionModel = 3, lens.distortion = {0.012F, -0.055F, 0.008F};
    lens.focal = 24, lens.lensCrop = lens.crop = 1.5;
    if (!withAll) return lens;
    lens.fringeModel = 2, lens.fringes = {1.0007F, 0.9994F, 0, 0, 0.0002F, -0.0001F};
    lens.shadingModel = 1, lens.shading = {-1.1F, 0.8F, -0.3F};
    return lens;
}

void placeInWays(const Picture& picture) {
    const auto placement = [&](double angle, const CameraTurn& turn, double proportions, const LensCorrection& lens) {
        FrameSettings frame;
        frame.angle = angle, frame.turn = turn, frame.proportions = proportions;
        return placementOf(Geometry{lens, frame}, picture.width(), picture.height());
    };
    const Placement turned = placement(1.3, {}, 0, {}), straight = placement(0, {7, 2, 28}, 0, {}),
                    pressed = placement(0, {-30, 0, 20}, 0.7, {}), distortion = placement(0, {}, 0, someLens(false)),
                    lens = placement(0, {}, 0, someLens(true)), all = placement(1.3, {7, 2, 28}, 0, someLens(true));
    const vips::VImage source = inVips(picture);
    std::vector<float> places;
    for (int y = 0; y < all.height; ++y)
        for (int x = 0; x < all.width; ++x) {
            const PlacedPoint at = toSource(all, {x + 0.5, y + 0.5});
            places.push_back(static_cast<float>(at.x - 0.5)), places.push_back(static_cast<float>(at.y - 0.5));
        }
    const vips::VImage map = vips::VImage::new_from_memory(places.data(), places.size() * sizeof(float), all.width,
                                                           all.height, 2, VIPS_FORMAT_FLOAT);
    const auto bicubic = vips::VInterpolate::new_from_name("bicubic");
    vips_concurrency_set(2);
    const auto place = [&](const Placement& each) { return [&picture, &each] { placed(picture, each, 2); }; };
    const auto t =
        sideBySide({place(turned),
                    [&] { source.rotate(1.3, vips::VImage::option()->set("interpolate", bicubic)).copy_memory(); },
                    place(straight), place(pressed), place(distortion), place(lens), place(all),
                    [&] { source.mapim(map, vips::VImage::option()->set("interpolate", bicubic)).copy_memory(); }},
                   kRounds);
    row("picture of 24 MP turned by 1.3°", t[0].median, times(t[0].median / t[1].median) + " vips, bicubic");
    row("  made straight", t[2].median, fmt::format("pressed together {:.0f}", t[3].median));
    row("  freed of a lens's distortion", t[4].median, fmt::format("fringes, shading {:.0f}", t[5].median));
    row("  all of it and turned", t[6].median, times(t[6].median / t[7].median) + " vips, map given");
}

void finishAFile(const Picture& picture, const fs::path& folder) {
    const fs::path source = folder / "whole.jpg"; // of a TIFF most of the time goes into packing it
    writePicture(source, Program::compile({}).quantised(picture, 8, false), {}, {});
    const auto write = [&](const Grade& grade, const char* name) {
        Preset preset;
        preset.name = name;
        preset.carried = grade;
        writePresetFile(folder / (preset.name + ".bpreset"), preset);
        return std::vector<std::string>{BARYTON_CLI,    "apply",
                                        "--preset",     (folder / (preset.name + ".bpreset")).string(),
                                        "--out",        (folder / "out").string(),
                                        "--exists",     "replace",
                                        source.string()};
    };
    Grade all;
    for (const StageType* type : stageTypes())
        if (type->standsIn(Part::Finish)) {
            all.finish.push_back(makeStage(all, type->id));
            all.finish.back().parameters = exampleOf(type->id);
        }
    Stage lens = makeStage(all, kLensType), frame = makeStage(all, kFrameType);
    lens.parameters = {{"barrel", 0.04}, {"red", 0.6}, {"blue", -0.4}, {"corners", 0.7}};
    frame.parameters = {{"angle", 1.3}, {"tilt", 6.0}, {"swing", 2.0}};
    all.prep = {lens, frame};
    const auto finished = write(all, "finished"), plain = write({}, "plain");
    std::vector<double> walls, plainWalls;
    double megabytes = 0, plainMegabytes = 0;
    for (int round = 0; round < 5; ++round) {
        const ProcessCost a = runProcess(finished), b = runProcess(plain);
        if (a.exitCode != 0 || b.exitCode != 0) throw Error("baryton-cli", "", "apply failed", "run it by hand");
        walls.push_back(a.wall * 1000), plainWalls.push_back(b.wall * 1000);
        megabytes = std::max(megabytes, a.peakMegabytes);
        plainMegabytes = std::max(plainMegabytes, b.peakMegabytes);
    }
    row("baryton-cli: a JPEG, frame, lens, all of Finish", percentile(walls, 0.5),
        fmt::format("without any {:.0f}", percentile(plainWalls, 0.5)));
    row("  peak memory, MB", megabytes, fmt::format("without any {:.0f}", plainMegabytes));
}

} // namespace

void comparePlaces(const Picture& picture, const fs::path& folder) {
    placeInWays(picture);
    finishAFile(picture, folder);
}

} // namespace baryton::bench
