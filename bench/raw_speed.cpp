#include "raw_speed.h"
#include "base/file.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "picture/picture_reader.h"
#include "picture/raw_file.h"
#include "render/program.h"
#include "rows.h"
#include "sample_picture.h"
#include "support/dng.h"

#include <libraw/libraw.h>
#include <stdexcept>

namespace baryton::bench {

namespace {

/// A raw file of a scene, with a preview of its size.
void writeRawFile(const std::filesystem::path& file, const Picture& picture, const std::filesystem::path& folder) {
    writePicture(folder / "preview.jpg", Program::compile({}).quantised(picture, 8, false), {}, {});
    test::Dng dng;
    dng.width = picture.width(), dng.height = picture.height();
    dng.previewJpeg = readFile(folder / "preview.jpg");
    dng.scene = [&](int x, int y) {
        const Vec3 linear{srgbToLinear(picture.row(0, y)[x]), srgbToLinear(picture.row(1, y)[x]),
                          srgbToLinear(picture.row(2, y)[x])};
        return test::seenBy(test::kDayCamera, kD65, linear);
    };
    test::writeDng(file, dng);
}

/// From opening to the library's own linear picture: halved, or demosaiced by AHD.
void developByLibrary(const std::filesystem::path& file, bool half) {
    LibRaw raw;
    raw.imgdata.params.half_size = half ? 1 : 0;
    raw.imgdata.params.output_color = 0;
    raw.imgdata.params.user_qual = 3;
    raw.imgdata.params.use_camera_wb = 1;
    if (raw.open_file(file.c_str()) != 0 || raw.unpack() != 0 || raw.dcraw_process() != 0)
        throw std::runtime_error("the library reads no raw file");
}

} // namespace

void compareRaw(const Picture& picture, const std::filesystem::path& folder) {
    const std::filesystem::path file = folder / "shot.dng";
    writeRawFile(file, picture, folder);
    constexpr int fitted = 1400;
    RawSettings quick, warm;
    quick.demosaic = RawDemosaic::Quick;
    warm.isAsShot = false;
    const PictureFile kept = readPicture(file);
    const RawPixels small(*kept.raw, kept.raw->longSide() / fitted);
    const auto t = sideBySide({[&] { readPreview(file, fitted); }, [&] { readReduced(file, fitted); },
                               [&] { readPicture(file); }, [&] { readPicture(file, quick); },
                               [&] { developByLibrary(file, true); }, [&] { developByLibrary(file, false); },
                               [&] { developed(small, warm); }, [&] { developed(*kept.raw, warm); }},
                              kRounds);
    row("raw file of 24 MP → its camera's preview", t[0].median);
    row("  → half-size picture", t[1].median, times(t[1].median / t[4].median) + " the library");
    row("  → whole, AHD", t[2].median, times(t[2].median / t[5].median) + " the library");
    row("  → whole, PPG", t[3].median);
    row("  white set anew on the small version", t[6].median, fmt::format("whole {:.0f}", t[7].median));
}

} // namespace baryton::bench
