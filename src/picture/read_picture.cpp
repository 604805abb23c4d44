#include "base/file.h"
#include "base/letters.h"
#include "base/words.h"
#include "picture/metadata.h"
#include "picture/picture_reader.h"
#include "picture/read_support.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>
#include <fstream>
#include <memory>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr double kMostPixels = 400e6;

std::string lowerExtension(const fs::path& file) {
    const std::string extension = lowerCase(file.extension().string());
    return extension.empty() ? extension : extension.substr(1);
}

} // namespace

namespace {

enum class Kind { Jpeg, Png, Tiff, Webp };

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
    return std::nullopt;
}

} // namespace

// The loaders are called by their names: asked for a file by name alone, the library takes "a.jpg[shrink=8]" for
// "a.jpg" and an option.
vips::VImage openImage(const fs::path& file, vips::VOption* options) {
    initVips();
    std::unique_ptr<vips::VOption> unused(options);
    requireReadable(file);
    std::error_code ignored;
    if (fs::file_size(file, ignored) == 0)
        throw Error(file.string(), "", words("the file is empty"),
                    words("copy it again from the camera or a backup"));
    vips_error_clear();
    const auto kind = kindOf(file);
    if (!kind)
        throw Error(file.string(), "", words("this is not a JPEG, PNG, TIFF or WebP picture"),
                    words("open it where it was made and save it as one of these"));
    vips::VOption* given = unused ? unused.release() : vips::VImage::option();
    given->set("fail_on", VIPS_FAIL_ON_TRUNCATED);
    switch (*kind) {
    case Kind::Jpeg:
        return vips::VImage::jpegload(file.c_str(), given);
    case Kind::Png:
        return vips::VImage::pngload(file.c_str(), given);
    case Kind::Tiff:
        return vips::VImage::tiffload(file.c_str(), given);
    case Kind::Webp:
        break;
    }
    return vips::VImage::webpload(file.c_str(), given);
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

const std::vector<std::string>& readableExtensions() {
    static const std::vector<std::string> extensions = {"jpg", "jpeg", "png", "tif", "tiff", "webp"};
    return extensions;
}

bool isReadableName(const fs::path& file) {
    const auto& all = readableExtensions();
    return std::find(all.begin(), all.end(), lowerExtension(file)) != all.end() && file.filename().string()[0] != '.';
}

std::vector<fs::path> picturesInFolder(const fs::path& folder) {
    std::vector<fs::path> files;
    std::error_code failed;
    for (fs::directory_iterator it(folder, failed), end; !failed && it != end; it.increment(failed)) {
        std::error_code unknown;
        // One that can't be looked at (a link that leads nowhere) stays, and says why when it is read.
        const auto status = it->status(unknown);
        if (isReadableName(it->path()) && (!fs::exists(status) || fs::is_regular_file(status)))
            files.push_back(it->path());
    }
    if (failed)
        throw Error(folder.string(), "", inWords("cannot read the folder: {}", failed.message()),
                    words("check its name and permissions"));
    if (files.empty())
        throw Error(folder.string(), "", words("the folder holds no JPEG, PNG, TIFF or WebP picture"),
                    words("choose another folder"));
    std::sort(files.begin(), files.end());
    return files;
}

PictureFile readPicture(const fs::path& file) {
    PictureReader reader(file);
    PictureFile result;
    result.metadata = readMetadata(file);
    result.profileName = reader.profileName();
    return tellingOf(file, [&] {
        result.picture = Picture(reader.width(), reader.height(), reader.hasAlpha());
        constexpr int bandRows = 256;
        for (int y = 0; y < reader.height(); y += bandRows) {
            const Picture band = reader.rows(y, std::min(bandRows, reader.height() - y));
            for (int plane = 0; plane < (band.hasAlpha() ? 4 : 3); ++plane)
                std::memcpy(result.picture.row(plane, y), band.row(plane, 0),
                            band.stride() * static_cast<std::size_t>(band.height()) * sizeof(float));
        }
        return result;
    });
}

namespace {

/// The most that a JPEG may be shrunk by while it is decoded so that `longSide` pixels remain.
int shrinkFor(const PictureSize& size, int longSide) {
    int shrink = 1;
    while (shrink < 8 && std::max(size.width, size.height) / (2 * shrink) >= longSide) shrink *= 2;
    return shrink;
}

} // namespace

Picture readThumbnail(const fs::path& file, int longSide) {
    // Twice as large as wanted: what a JPEG leaves out while it is decoded is not an average.
    PictureReader reader(file, shrinkFor(readPictureSize(file), 2 * longSide));
    const int side = std::max(reader.width(), reader.height());
    const double scale = std::min(1.0, double(longSide) / side);
    const auto length = [&](int full) { return std::max(1, static_cast<int>(std::lround(full * scale))); };
    return tellingOf(file, [&] { return readScaledDown(reader, length(reader.width()), length(reader.height())); });
}

std::optional<Picture> readReduced(const fs::path& file, int longSide) {
    const int shrink = shrinkFor(readPictureSize(file), longSide);
    if (shrink == 1) return {};
    PictureReader reader(file, shrink);
    if (reader.scale() == 1) return {}; // no JPEG
    return tellingOf(file, [&] { return readScaledDown(reader, reader.width(), reader.height()); });
}

PictureSize readPictureSize(const fs::path& file) {
    return tellingOf(file, [&] {
        const vips::VImage image = openImage(file);
        int turn = 1;
        if (image.get_typeof(VIPS_META_ORIENTATION) != 0) turn = image.get_int(VIPS_META_ORIENTATION);
        return turn >= 5 && turn <= 8 ? PictureSize{image.height(), image.width()}
                                      : PictureSize{image.width(), image.height()};
    });
}

} // namespace baryton
