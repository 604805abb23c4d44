#include "base/file.h"
#include "base/letters.h"
#include "base/words.h"
#include "picture/picture_file.h"
#include "picture/read_support.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fstream>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr double kMostPixels = 400e6;

enum class Kind { Jpeg, Png, Tiff, Webp, Avif };

/// By the first bytes, whatever the name says.
std::optional<Kind> kindOf(const fs::path& file) {
    std::array<char, 12> head{};
    std::ifstream(file, std::ios::binary).read(head.data(), head.size());
    const std::string_view start(head.data(), head.size());
    using namespace std::string_view_literals;
    if (start.starts_with("\xff\xd8\xff"sv)) return Kind::Jpeg;
    if (start.starts_with("\x89PNG\r\n\x1a\n"sv)) return Kind::Png;
    for (const auto mark : {"II*\0"sv, "MM\0*"sv, "II+\0"sv, "MM\0+"sv})
        if (start.starts_with(mark)) return Kind::Tiff;
    if (start.starts_with("RIFF"sv) && start.substr(8) == "WEBP"sv) return Kind::Webp;
    if (start.substr(4) == "ftypavif"sv) return Kind::Avif; // ISO/IEC 14496-12, its major brand
    return std::nullopt;
}

vips::VOption* careful(vips::VOption* options) {
    return (options ? options : vips::VImage::option())->set("fail_on", VIPS_FAIL_ON_TRUNCATED);
}

int numberOf(const vips::VImage& image, const char* field, int otherwise) {
    return image.get_typeof(field) != 0 ? image.get_int(field) : otherwise;
}

Error unknownColours() {
    return {"", "", words("its numbers or colours are of a kind that can't be read here"),
            words("save it as RGB with 8 or 16 bits or as 32-bit float")};
}

/// One of the pictures in a TIFF: a page, or a picture that hangs below the page.
struct TiffPart {
    int page = 0, below = -1; ///< −1 for the page itself
    int width = 0, height = 0;
    bool isReadable = true;
    double pixels() const { return double(width) * height; }
};

/// The header of a part; nothing where the library can make nothing of it.
std::optional<vips::VImage> openPart(const fs::path& file, int page, int below) {
    auto* options = careful(nullptr)->set("page", page);
    if (below >= 0) options->set("subifd", below);
    try {
        return vips::VImage::tiffload(file.c_str(), options);
    } catch (const vips::VError&) {
        vips_error_clear();
        return std::nullopt;
    }
}

/// Sensor data and other colours that have no name come as just many bands.
bool hasNamedColours(const vips::VImage& image) {
    return image.interpretation() != VIPS_INTERPRETATION_MULTIBAND;
}

/// All pictures of a TIFF whose first page is `first`, in the order of the file.
std::vector<TiffPart> partsOf(const fs::path& file, const vips::VImage& first) {
    constexpr int mostParts = 256; // a file may say that it holds millions
    std::vector<TiffPart> parts;
    const auto add = [&](const vips::VImage& image, int page, int below) {
        parts.push_back({page, below, image.width(), image.height(), hasNamedColours(image)});
    };
    const int pages = std::min(numberOf(first, VIPS_META_N_PAGES, 1), mostParts);
    for (int page = 0; page < pages; ++page) {
        const auto image = page == 0 ? std::optional(first) : openPart(file, page, -1);
        if (!image) continue;
        add(*image, page, -1);
        const int below = numberOf(*image, VIPS_META_N_SUBIFDS, 0);
        for (int i = 0; i < below && parts.size() < mostParts; ++i)
            if (const auto image2 = openPart(file, page, i)) add(*image2, page, i);
    }
    return parts;
}

/// True where `small` may be `whole` made smaller, as previews and the steps of a pyramid are.
bool mayBeReduced(const TiffPart& small, const TiffPart& whole) {
    if (2 * small.width > whole.width + 1) return false;
    return std::abs(double(small.width) * whole.height - double(small.height) * whole.width) <=
           2.0 * std::max(whole.width, whole.height);
}

/// The largest picture of a TIFF: the first page is a small one in files of many cameras.
TiffPart largestPart(const fs::path& file, const vips::VImage& first, std::vector<std::string>* remarks) {
    const std::vector<TiffPart> parts = partsOf(file, first);
    TiffPart best;
    double mostUnreadable = 0;
    for (const TiffPart& part : parts) {
        if (!part.isReadable) mostUnreadable = std::max(mostUnreadable, part.pixels());
        if (part.isReadable && part.pixels() > best.pixels()) best = part;
    }
    if (best.width == 0) throw unknownColours();
    if (mostUnreadable > best.pixels())
        throw Error("", "",
                    inWords("the full picture in it is raw sensor data; what can be read is just {} × {} pixels",
                            best.width, best.height),
                    words("name it as the raw file that it is (.dng), or develop it to a TIFF first"));
    const bool othersAreReduced = std::all_of(parts.begin(), parts.end(), [&](const TiffPart& part) {
        return (part.page == best.page && part.below == best.below) || mayBeReduced(part, best);
    });
    if (remarks && !othersAreReduced)
        remarks->push_back(inWords("it holds {} pictures: the largest, of {} × {} pixels, is taken", parts.size(),
                                   best.width, best.height));
    return best;
}

vips::VImage openTiff(const fs::path& file, vips::VOption* options, std::vector<std::string>* remarks) {
    std::unique_ptr<vips::VOption> given(options);
    vips::VImage first;
    try {
        first = vips::VImage::tiffload(file.c_str(), careful(nullptr));
    } catch (const vips::VError& e) {
        // What is unsupported is not damaged.
        if (std::string(e.what()).find("unsupported") == std::string::npos) throw;
        vips_error_clear();
        throw unknownColours();
    }
    TiffPart part;
    if (numberOf(first, VIPS_META_N_PAGES, 1) > 1 || numberOf(first, VIPS_META_N_SUBIFDS, 0) > 0)
        part = largestPart(file, first, remarks);
    else if (!hasNamedColours(first))
        throw unknownColours();
    given->set("page", part.page);
    if (part.below >= 0) given->set("subifd", part.below);
    return vips::VImage::tiffload(file.c_str(), given.release());
}

} // namespace

// The loaders are called by their names: asked for a file by name alone, the library takes "a.jpg[shrink=8]" for
// "a.jpg" and an option.
vips::VImage openImage(const fs::path& file, vips::VOption* options, std::vector<std::string>* remarks) {
    initVips();
    std::unique_ptr<vips::VOption> unused(careful(options));
    requireReadable(file);
    std::error_code ignored;
    if (fs::file_size(file, ignored) == 0)
        throw Error(file.string(), "", words("the file is empty"),
                    words("copy it again from the camera or a backup"));
    vips_error_clear();
    const auto kind = kindOf(file);
    if (!kind)
        throw Error(file.string(), "", words("this is not a JPEG, PNG, TIFF, WebP or AVIF picture"),
                    words("open it where it was made and save it as one of these"));
    switch (*kind) {
    case Kind::Jpeg:
        return vips::VImage::jpegload(file.c_str(), unused.release());
    case Kind::Png:
        return vips::VImage::pngload(file.c_str(), unused.release());
    case Kind::Tiff:
        return openTiff(file, unused.release(), remarks);
    case Kind::Avif:
        return vips::VImage::heifload(file.c_str(), unused.release());
    case Kind::Webp:
        break;
    }
    const vips::VImage image = vips::VImage::webpload(file.c_str(), unused.release());
    if (remarks && numberOf(image, VIPS_META_N_PAGES, 1) > 1)
        remarks->push_back(words("it is an animation: its first picture is taken"));
    return image;
}

bool isAvif(const fs::path& file) {
    return kindOf(file) == Kind::Avif;
}

bool isAboutMemory(const std::string& message) {
    const std::string text = lowerCase(message);
    return text.find("memory") != std::string::npos || text.find("thread") != std::string::npos ||
           text.find("malloc") != std::string::npos;
}

Error noMemory(const fs::path& file) {
    return {file.string(), "", words("there is not enough memory for this picture"),
            words("close other programs or scale it down")};
}

bool isPictureFile(const fs::path& file) {
    try {
        readPictureSize(file);
        return true;
    } catch (const Error&) {
        return false;
    }
}

void checkSize(const vips::VImage& image, const fs::path& file) {
    if (double(image.width()) * image.height() > kMostPixels)
        throw Error(file.string(), "", words("the picture has more than 400 megapixels"),
                    words("scale it down or cut it into parts first"));
}

double bytesToDecode(const vips::VImage& image) {
    const double pixels = double(image.width()) * image.height();
    const std::string loader = image.get_string(VIPS_META_LOADER);
    const bool isInterlaced = image.get_typeof("interlaced") != 0 || image.get_typeof("jpeg-multiscan") != 0;
    if (loader == "webpload" || loader == "heifload") return pixels * 4;
    if (!isInterlaced) return 0;
    // A progressive JPEG is put together from its coefficients, two bytes each.
    return loader == "jpegload" ? pixels * 2 * image.bands()
                                : static_cast<double>(VIPS_IMAGE_SIZEOF_IMAGE(image.get_image()));
}

} // namespace baryton
