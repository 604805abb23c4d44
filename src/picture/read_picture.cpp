#include "base/file.h"
#include "base/letters.h"
#include "base/words.h"
#include "picture/memory_limit.h"
#include "picture/metadata.h"
#include "picture/picture_reader.h"
#include "picture/raw_file.h"
#include "picture/read_support.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <set>

namespace baryton {

namespace fs = std::filesystem;

namespace {

std::string lowerExtension(const fs::path& file) {
    const std::string extension = lowerCase(file.extension().string());
    return extension.empty() ? extension : extension.substr(1);
}

} // namespace

const std::vector<std::string>& readableExtensions() {
    static const std::vector<std::string> extensions = [] {
        std::vector<std::string> all = {"jpg", "jpeg", "png", "tif", "tiff", "webp", "avif"};
        all.insert(all.end(), rawExtensions().begin(), rawExtensions().end());
        return all;
    }();
    return extensions;
}

bool isReadableName(const fs::path& file) {
    const auto& all = readableExtensions();
    return std::find(all.begin(), all.end(), lowerExtension(file)) != all.end() && file.filename().string()[0] != '.';
}

namespace {

fs::path withoutExtension(const fs::path& file) {
    return file.parent_path() / file.stem();
}

} // namespace

std::size_t leaveOutPairs(std::vector<fs::path>& files) {
    std::set<fs::path> raws;
    for (const fs::path& file : files)
        if (isRawName(file)) raws.insert(withoutExtension(file));
    return std::erase_if(files, [&](const fs::path& file) {
        const std::string extension = lowerExtension(file);
        return (extension == "jpg" || extension == "jpeg") && raws.contains(withoutExtension(file));
    });
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
        throw Error(folder.string(), "", words("the folder holds no raw file, JPEG, PNG, TIFF, WebP or AVIF picture"),
                    words("choose another folder"));
    std::sort(files.begin(), files.end());
    return files;
}

PictureFile readPicture(const fs::path& file, const RawSettings& raw) {
    PictureReader reader(file, {.raw = raw});
    PictureFile result;
    result.raw = reader.raw();
    result.metadata = readMetadata(file);
    result.profileName = reader.profileName();
    result.remarks = reader.remarks();
    return tellingOf(file, [&] {
        requireMemory(double(reader.width()) * reader.height() * (reader.hasAlpha() ? 4 : 3) * sizeof(float));
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

Picture readThumbnail(const fs::path& file, int longSide, const RawSettings& raw) {
    // At an eighth a JPEG's pixels are the averages of its blocks. At a half and a quarter what it leaves out while
    // it is decoded is not an average: there it is read twice as large as wanted.
    constexpr int average = 8;
    const PictureSize size = readPictureSize(file);
    const bool toAverages = std::max(size.width, size.height) / average >= longSide;
    const int shrink = toAverages ? average : shrinkFor(size, 2 * longSide);
    PictureReader reader(file, {.shrink = shrink, .raw = raw});
    const int side = std::max(reader.width(), reader.height());
    const double scale = std::min(1.0, double(longSide) / side);
    const auto length = [&](int full) { return std::max(1, static_cast<int>(std::lround(full * scale))); };
    return tellingOf(file, [&] { return readScaledDown(reader, length(reader.width()), length(reader.height())); });
}

std::optional<Picture> readReduced(const fs::path& file, int longSide, const RawSettings& raw) {
    const int shrink = shrinkFor(readPictureSize(file), longSide);
    if (shrink == 1) return {};
    PictureReader reader(file, {.shrink = shrink, .raw = raw});
    if (reader.scale() == 1) return {}; // of a kind that is always read whole
    return tellingOf(file, [&] { return readScaledDown(reader, reader.width(), reader.height()); });
}

std::optional<Picture> readPreview(const fs::path& file, int longSide) {
    if (!isRawName(file)) return {};
    try {
        PictureReader reader(file, {.previewSide = longSide});
        return tellingOf(file, [&] { return readScaledDown(reader, reader.width(), reader.height()); });
    } catch (const Error&) {
        return {}; // what is wrong with the file is told where it is read itself
    }
}

PictureSize readPictureSize(const fs::path& file) {
    if (isRawName(file)) {
        const RawHeader raw = readRawHeader(file);
        constexpr int fine = 16;
        return orientationFromExif(raw.orientation).swapsSides() ? PictureSize{raw.height, raw.width, fine}
                                                                 : PictureSize{raw.width, raw.height, fine};
    }
    return tellingOf(file, [&] {
        const vips::VImage image = openImage(file);
        int turn = 1;
        if (image.get_typeof(VIPS_META_ORIENTATION) != 0) turn = image.get_int(VIPS_META_ORIENTATION);
        const int bits = 8 * static_cast<int>(vips_format_sizeof(image.format()));
        return turn >= 5 && turn <= 8 ? PictureSize{image.height(), image.width(), bits}
                                      : PictureSize{image.width(), image.height(), bits};
    });
}

} // namespace baryton
