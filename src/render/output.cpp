#include "render/output.h"
#include "base/enum_names.h"
#include "base/error.h"
#include "base/words.h"
#include "picture/picture_file.h"
#include "picture/text_raster.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

constexpr EnumNames<4> kSharpenNames = {"none", "screen", "matt", "gloss"};
constexpr EnumNames<9> kPlaceNames = {"top-left", "top",         "top-right", "left",        "middle",
                                      "right",    "bottom-left", "bottom",    "bottom-right"};
/// Of the file's shorter side, between a mark and the edge.
constexpr double kMarkMargin = 0.025;

Picture withAlpha(const Picture& picture) {
    if (picture.hasAlpha()) return picture;
    Picture whole(picture.width(), picture.height(), true);
    for (int y = 0; y < picture.height(); ++y) {
        for (int plane = 0; plane < 3; ++plane)
            std::copy_n(picture.row(plane, y), picture.width(), whole.row(plane, y));
        std::fill_n(whole.row(3, y), picture.width(), 1.0F);
    }
    return whole;
}

} // namespace

std::string sharpenName(SharpenFor what) {
    return nameIn(kSharpenNames, what);
}
std::optional<SharpenFor> sharpenFromName(const std::string& name) {
    return valueIn<SharpenFor>(kSharpenNames, name);
}
std::string markPlaceName(MarkPlace place) {
    return nameIn(kPlaceNames, place);
}
std::optional<MarkPlace> markPlaceFromName(const std::string& name) {
    return valueIn<MarkPlace>(kPlaceNames, name);
}

Output::Output(const OutputSettings& settings) : settings_(settings), profile_(settings.profile) {
    requireDepth(settings.format);
    if (!settings.mark.isThere()) return;
    if (settings.mark.picture.empty())
        textRaster(settings.mark.text, 20); // said now, not at the first file
    else
        markPicture_ = withAlpha(readPicture(settings.mark.picture).picture);
}

std::optional<MarkRaster> Output::markIn(int width, int height) const {
    const Mark& mark = settings_.mark;
    if (!mark.isThere()) return std::nullopt;
    const double shorter = std::min(width, height), margin = kMarkMargin * shorter;
    const double room = std::max(1.0, width - 2 * margin);
    double wanted = std::clamp(mark.size / 100 * shorter, 1.0, std::max(1.0, height - 2 * margin));
    MarkRaster raster;
    if (!markPicture_.isEmpty()) {
        // Made smaller, never larger.
        const double scale = std::min({wanted / markPicture_.height(), room / markPicture_.width(), 1.0});
        const auto side = [&](int length) { return std::max(1, static_cast<int>(std::lround(length * scale))); };
        raster.pixels = scaledDown(markPicture_, side(markPicture_.width()), side(markPicture_.height()));
    } else {
        raster.pixels = textRaster(mark.text, std::max(4, static_cast<int>(std::lround(wanted))));
        if (raster.pixels.width() > room) {
            wanted *= room / raster.pixels.width();
            raster.pixels = textRaster(mark.text, std::max(4, static_cast<int>(wanted)));
        }
    }
    const auto column = static_cast<int>(mark.place) % 3, row = static_cast<int>(mark.place) / 3;
    const auto at = [&](int which, int length, int own) {
        const double free = length - own - 2 * margin;
        return static_cast<int>(std::lround(margin + free * which / 2));
    };
    raster.x = at(column, width, raster.pixels.width());
    raster.y = at(row, height, raster.pixels.height());
    return raster;
}

OutputSharpening sharpeningFor(const OutputSettings& settings, double dotsPerInch) {
    // Ink of a fine dot runs about a tenth of a millimetre on matt paper, half as far on gloss; a screen's pixels
    // stand beside one another, and only the making smaller has to be made good. These numbers are ours.
    constexpr double matt = 0.10, gloss = 0.055, perInch = 25.4, usualPrint = 300, least = 0.45, most = 3;
    const double perMm = (dotsPerInch > 0 ? dotsPerInch : usualPrint) / perInch;
    OutputSharpening sharpening;
    switch (settings.sharpenFor) {
    case SharpenFor::None:
        return {};
    case SharpenFor::Screen:
        sharpening = {0.35, 0.5};
        break;
    case SharpenFor::Matt:
        sharpening = {0.9, std::clamp(matt * perMm, least, most)};
        break;
    case SharpenFor::Gloss:
        sharpening = {0.6, std::clamp(gloss * perMm, least, most)};
        break;
    }
    sharpening.amount = std::clamp(sharpening.amount * settings.sharpening, 0.0, 2.0);
    return sharpening;
}

} // namespace baryton
