#include "base/file.h"
#include "base/words.h"
#include "picture/metadata.h"
#include "picture/picture_file.h"
#include "picture/profile.h"
#include "picture/vips_support.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <tbb/parallel_for.h>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr double kMostPixels = 400e6;
constexpr float kMostValue = 64;

std::string lowerExtension(const fs::path& file) {
    std::string ext = file.extension().string();
    if (!ext.empty()) ext.erase(0, 1);
    std::transform(ext.begin(), ext.end(), ext.begin(), [](unsigned char c) { return std::tolower(c); });
    return ext;
}

/// Checks what can be told before decoding, and opens the file with one of our four loaders only.
vips::VImage openImage(const fs::path& file) {
    initVips();
    std::error_code failed;
    const auto size = fs::file_size(file, failed);
    if (failed) readFile(file, 1); // says why: missing, a folder, no permission
    if (size == 0)
        throw Error(file.string(), "", words("the file is empty"),
                    words("copy it again from the camera or a backup"));
    if (std::FILE* probe = std::fopen(file.c_str(), "rb"))
        std::fclose(probe);
    else
        readFile(file);

    vips_error_clear();
    const char* loader = vips_foreign_find_load(file.c_str());
    const std::string name = loader ? loader : "";
    for (const char* known : {"VipsForeignLoadJpegFile", "VipsForeignLoadPngFile", "VipsForeignLoadTiffFile",
                              "VipsForeignLoadWebpFile"}) {
        if (name != known) continue;
        return vips::VImage::new_from_file(file.c_str(),
                                           vips::VImage::option()->set("fail_on", VIPS_FAIL_ON_TRUNCATED));
    }
    vips_error_clear();
    throw Error(file.string(), "", words("this is not a JPEG, PNG, TIFF or WebP picture"),
                words("open it where it was made and save it as one of these"));
}

void checkSize(const vips::VImage& image, const fs::path& file) {
    if (double(image.width()) * image.height() > kMostPixels)
        throw Error(file.string(), "", words("the picture has more than 400 megapixels"),
                    words("scale it down or cut it into parts first"));
}

std::string profileOf(const vips::VImage& image) {
    if (image.get_typeof(VIPS_META_ICC_NAME) == 0) return {};
    size_t size = 0;
    const void* data = image.get_blob(VIPS_META_ICC_NAME, &size);
    return {static_cast<const char*>(data), size};
}

template <class T>
void spread(const void* bytes, int bands, float scale, Picture& picture, const int* bandOfPlane, int planes,
            Picture* black) {
    const auto* values = static_cast<const T*>(bytes);
    const auto width = static_cast<std::size_t>(picture.width()), n = static_cast<std::size_t>(bands);
    std::vector<float*> rows(static_cast<std::size_t>(planes));
    for (int p = 0; p < planes; ++p) rows[static_cast<std::size_t>(p)] = picture.row(p, 0);
    float* const blackRow = black ? black->row(0, 0) : nullptr;
    tbb::parallel_for(0, picture.height(), [&](int y) {
        const T* in = values + static_cast<std::size_t>(y) * width * n;
        const std::size_t start = picture.stride() * static_cast<std::size_t>(y);
        const auto fill = [&](float* out, std::size_t band) {
            for (std::size_t x = 0; x < width; ++x) out[x] = static_cast<float>(in[x * n + band]) / scale;
        };
        for (int p = 0; p < planes; ++p)
            fill(rows[static_cast<std::size_t>(p)] + start, static_cast<std::size_t>(bandOfPlane[p]));
        if (blackRow) fill(blackRow + start, 3);
    });
}

void tame(Picture& picture) {
    for (int plane = 0; plane < (picture.hasAlpha() ? 4 : 3); ++plane)
        for (int y = 0; y < picture.height(); ++y) {
            float* row = picture.row(plane, y);
            for (int x = 0; x < picture.width(); ++x)
                row[x] = std::isnan(row[x]) ? 0.0F : std::clamp(row[x], -kMostValue, kMostValue);
        }
}

/// Decoded pixels → the working encoding.
Picture convert(const vips::VImage& opened, std::string& profileName) {
    vips::VImage image = opened;
    const VipsInterpretation meaning = image.interpretation();
    if (meaning == VIPS_INTERPRETATION_LAB || meaning == VIPS_INTERPRETATION_LABS) {
        image = image.colourspace(VIPS_INTERPRETATION_sRGB);
    }
    std::string icc = profileOf(image);
    bool cmyk = image.interpretation() == VIPS_INTERPRETATION_CMYK && image.bands() >= 4;
    if (cmyk && icc.empty()) { // the library's own stand-in for an unknown press
        image = image.colourspace(VIPS_INTERPRETATION_sRGB);
        cmyk = false;
    }
    if (image.format() == VIPS_FORMAT_DOUBLE) image = image.cast(VIPS_FORMAT_FLOAT);
    const VipsBandFormat format = image.format();
    if (format != VIPS_FORMAT_UCHAR && format != VIPS_FORMAT_USHORT && format != VIPS_FORMAT_FLOAT)
        throw Error("", "",
                    inWords("its numbers are of a kind that pictures seldom have ({})",
                            vips_enum_nick(VIPS_TYPE_BAND_FORMAT, format)),
                    words("save it with 8 or 16 bits or as 32-bit float"));
    const int bands = image.bands();
    const bool grey = bands < 3;
    const bool alpha = bands == 2 || (!cmyk && bands >= 4) || (cmyk && bands >= 5);
    size_t size = 0;
    const VipsBytes bytes(image.write_to_memory(&size));

    Picture picture(image.width(), image.height(), alpha);
    Picture black;
    if (cmyk) black = Picture(image.width(), image.height());
    const int greyBands[4] = {0, 0, 0, 1}, colourBands[4] = {0, 1, 2, cmyk ? 4 : 3};
    const int* order = grey ? greyBands : colourBands;
    const int planes = alpha ? 4 : 3;
    Picture* blackPlane = cmyk ? &black : nullptr;
    if (format == VIPS_FORMAT_UCHAR)
        spread<std::uint8_t>(bytes.get(), bands, 255, picture, order, planes, blackPlane);
    else if (format == VIPS_FORMAT_USHORT)
        spread<std::uint16_t>(bytes.get(), bands, 65535, picture, order, planes, blackPlane);
    else
        spread<float>(bytes.get(), bands, 1, picture, order, planes, blackPlane);
    if (format == VIPS_FORMAT_FLOAT) tame(picture);

    if (icc.empty()) {
        profileName = "untagged";
        return picture;
    }
    const ProfileKind kind = profileKind(icc);
    profileName = kind == ProfileKind::Srgb     ? "sRGB"
                  : kind == ProfileKind::Matrix ? "matrix profile"
                                                : "table profile";
    if (kind != ProfileKind::Srgb) {
        toWorkingEncoding(picture, icc, cmyk ? 4 : grey ? 1 : 3, blackPlane);
        tame(picture);
    }
    return picture;
}

/// Runs a reading function and tells any failure of the library as an error of ours about that file.
template <class Read>
auto telling(const fs::path& file, Read read) {
    try {
        return read();
    } catch (const vips::VError& e) {
        const std::string message = tidyVipsMessage(e.what());
        vips_error_clear();
        throw Error(file.string(), "", inWords("cannot decode: {}", message),
                    words("the file is damaged or ends early: copy it again from the camera or a backup"));
    } catch (const Error& e) {
        if (!e.file().empty()) throw;
        throw e.inFile(file.string());
    } catch (const std::bad_alloc&) {
        throw Error(file.string(), "", words("there is not enough memory for this picture"),
                    words("close other programs or scale it down"));
    }
}

} // namespace

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
        if (isReadableName(it->path()) && !it->is_directory(unknown)) files.push_back(it->path());
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
    return telling(file, [&] {
        PictureFile result;
        const vips::VImage image = openImage(file);
        checkSize(image, file);
        result.metadata = readMetadata(file);
        result.picture = convert(image.autorot(), result.profileName);
        return result;
    });
}

Picture readThumbnail(const fs::path& file, int longSide) {
    return telling(file, [&] {
        const vips::VImage image = openImage(file);
        checkSize(image, file);
        std::string profileName;
        if (image.width() <= longSide && image.height() <= longSide) return convert(image.autorot(), profileName);
        const auto small = vips::VImage::thumbnail(file.c_str(), longSide,
                                                   vips::VImage::option()
                                                       ->set("height", longSide)
                                                       ->set("size", VIPS_SIZE_DOWN)
                                                       ->set("fail_on", VIPS_FAIL_ON_TRUNCATED));
        return convert(small, profileName);
    });
}

std::optional<Picture> readReduced(const fs::path& file, int longSide) {
    return telling(file, [&]() -> std::optional<Picture> {
        const vips::VImage image = openImage(file);
        checkSize(image, file);
        const char* loader = image.get_string(VIPS_META_LOADER);
        int shrink = 1;
        while (shrink < 8 && std::max(image.width(), image.height()) / (2 * shrink) >= longSide) shrink *= 2;
        if (shrink == 1 || std::string(loader) != "jpegload") return {};
        std::string profileName;
        const auto small = vips::VImage::jpegload(
            file.c_str(), vips::VImage::option()->set("shrink", shrink)->set("fail_on", VIPS_FAIL_ON_TRUNCATED));
        return convert(small.autorot(), profileName);
    });
}

PictureSize readPictureSize(const fs::path& file) {
    return telling(file, [&] {
        const vips::VImage image = openImage(file);
        int turn = 1;
        if (image.get_typeof(VIPS_META_ORIENTATION) != 0) turn = image.get_int(VIPS_META_ORIENTATION);
        return turn >= 5 && turn <= 8 ? PictureSize{image.height(), image.width()}
                                      : PictureSize{image.width(), image.height()};
    });
}

} // namespace baryton
