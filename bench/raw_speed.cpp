#include "raw_speed.h"
#include "base/file.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "picture/picture_file.h"
#include "render/program.h"
#include "support/dng.h"

#include <libraw/libraw.h>
#include <stdexcept>

namespace baryton {

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

void developByLibrary(const std::filesystem::path& file, bool half) {
    LibRaw raw;
    raw.imgdata.params.half_size = half ? 1 : 0;
    raw.imgdata.params.output_color = 0;
    raw.imgdata.params.user_qual = 3;
    raw.imgdata.params.use_camera_wb = 1;
    if (raw.open_file(file.c_str()) != 0 || raw.unpack() != 0 || raw.dcraw_process() != 0)
        throw std::runtime_error("the library reads no raw file");
}

} // namespace baryton
