#include "picture/picture_reader.h"
#include "base/file.h"
#include "base/parallel.h"
#include "base/words.h"
#include "picture/development.h"
#include "picture/memory_limit.h"
#include "picture/metadata.h"
#include "picture/profile.h"
#include "picture/raw_file.h"
#include "picture/read_support.h"
#include "picture/vips_support.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <optional>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr float kMostValue = 64;

std::string profileOf(const vips::VImage& image) {
    if (image.get_typeof(VIPS_META_ICC_NAME) == 0) return {};
    size_t size = 0;
    const void* data = image.get_blob(VIPS_META_ICC_NAME, &size);
    return {static_cast<const char*>(data), size};
}

template <class T>
void spread(const VipsRegion* region, int y0, int bands, float scale, Picture& picture, const int* bandOfPlane,
            int planes, Picture* black) {
    const auto width = static_cast<std::size_t>(picture.width()), n = static_cast<std::size_t>(bands);
    std::vector<float*> rows(static_cast<std::size_t>(planes));
    for (int p = 0; p < planes; ++p) rows[static_cast<std::size_t>(p)] = picture.row(p, 0);
    float* const blackRow = black ? black->row(0, 0) : nullptr;
    forRows(picture.height(), [&](int y) {
        const T* in = reinterpret_cast<const T*>(VIPS_REGION_ADDR(region, 0, y0 + y));
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

/// Turns a picture as Exif's number says, and then as is wanted.
vips::VImage oriented(vips::VImage image, const Orientation& orientation) {
    if (image.get_typeof(VIPS_META_ORIENTATION) != 0 && image.get_int(VIPS_META_ORIENTATION) > 1)
        image = image.autorot();
    if (orientation.mirrored) image = image.fliphor();
    if (orientation.quarterTurns != 0) image = image.rot(static_cast<VipsAngle>(orientation.quarterTurns));
    return image;
}

int orientationOf(const vips::VImage& image) {
    return image.get_typeof(VIPS_META_ORIENTATION) != 0 ? image.get_int(VIPS_META_ORIENTATION) : 1;
}

/// A JPEG without a profile whose camera wrote the wide colour space of DCF (2.0, option file "R03").
bool isWideDcf(const vips::VImage& image) {
    const auto begins = [&](const char* field, const char* with) {
        return image.get_typeof(field) != 0 && std::string(image.get_string(field)).starts_with(with);
    };
    constexpr const char* colourSpace = "exif-ifd2-ColorSpace";
    return begins("exif-ifd4-InteroperabilityIndex", "R03") && !begins(colourSpace, "1 ");
}

void develop(const Development& development, Picture& picture) {
    float* planes[3] = {picture.row(0, 0), picture.row(1, 0), picture.row(2, 0)};
    forRows(picture.height(), [&](int y) {
        const std::size_t start = picture.stride() * static_cast<std::size_t>(y);
        development(planes[0] + start, planes[1] + start, planes[2] + start,
                    static_cast<std::size_t>(picture.width()));
    });
}

} // namespace

/// What is known of the decoded pixels, and the way from them to the working encoding.
struct PictureReader::Decoder {
    vips::VImage image;
    double scale = 1;
    bool isGrey = false, isCmyk = false, hasAlpha = false;
    std::string profileName;
    std::optional<ProfileConversion> conversion; ///< none for sRGB
    float fullScale = 1;                         ///< of the colours of float pictures
    std::vector<std::string> remarks;
    std::shared_ptr<const RawPixels> raw;
    std::string preview;                    ///< the bytes that `image` decodes, where it is one
    std::optional<Development> development; ///< of a raw file

    Decoder(const fs::path& file, const ReadOptions& options, std::shared_ptr<const RawPixels> known) {
        initVips(); // a raw file may be the first that is read
        const bool isRaw = isRawName(file);
        if (isRaw && options.previewSide > 0)
            takePreview(file, options);
        else if (isRaw)
            takeRaw(file, options, std::move(known));
        else
            takeFile(file, options.shrink, options.orientation);
    }

    void takeRaw(const fs::path& file, const ReadOptions& options, std::shared_ptr<const RawPixels> known) {
        raw = known ? std::move(known)
                    : std::make_shared<const RawPixels>(file, options.raw.demosaic, options.shrink > 1);
        // The library only looks at them.
        image = vips::VImage::new_from_memory(const_cast<std::uint16_t*>(raw->data()), raw->bytes(), raw->width(),
                                              raw->height(), 3, VIPS_FORMAT_USHORT);
        image.set(VIPS_META_ORIENTATION, raw->header().orientation);
        image = oriented(image, options.orientation);
        scale = raw->scale();
        development.emplace(raw->header().colour, raw->toSensor(), options.raw);
        profileName = "raw";
    }

    void takePreview(const fs::path& file, const ReadOptions& options) {
        preview = rawPreview(file);
        const RawHeader header = readRawHeader(file);
        const std::unique_ptr<VipsBlob, void (*)(VipsBlob*)> bytes(
            vips_blob_new(nullptr, preview.data(), preview.size()),
            [](VipsBlob* blob) { vips_area_unref(VIPS_AREA(blob)); });
        const auto open = [&](int shrink) {
            return vips::VImage::jpegload_buffer(bytes.get(), vips::VImage::option()->set("shrink", shrink));
        };
        if (preview.empty())
            throw Error(file.string(), "", words("the camera put no picture to look at into the raw file"),
                        words("wait for the file itself"));
        image = open(1);
        checkSize(image, file);
        int shrink = 1;
        while (shrink < 8 && std::max(image.width(), image.height()) / (2 * shrink) >= options.previewSide)
            shrink *= 2;
        if (shrink > 1) image = open(shrink);
        scale =
            std::min(1.0, double(std::max(image.width(), image.height())) / std::max(header.width, header.height));
        // Few of them say themselves how the camera was held.
        image.set(VIPS_META_ORIENTATION, header.orientation);
        image = oriented(image.copy_memory(), options.orientation);
        isGrey = image.bands() < 3;
        profileName = "untagged";
    }

    void takeFile(const fs::path& file, int shrink, const Orientation& orientation) {
        const vips::VImage header = openImage(file, nullptr, &remarks);
        checkSize(header, file);
        const bool isTurned = orientationOf(header) > 1 || orientation.quarterTurns != 0;
        const bool isShrunk = shrink > 1 && std::string(header.get_string(VIPS_META_LOADER)) == "jpegload";
        requireMemory(bytesToDecode(header)); // the coefficients of a JPEG are all wanted, however small it becomes
        // A turned picture begins somewhere within the file: the library puts it aside whole.
        auto* options = vips::VImage::option()->set("access", isTurned ? VIPS_ACCESS_RANDOM : VIPS_ACCESS_SEQUENTIAL);
        if (isShrunk) options->set("shrink", shrink);
        image = openImage(file, options);
        scale = double(std::max(image.width(), image.height())) / std::max(header.width(), header.height());
        image = oriented(image, orientation);
        if (image.interpretation() == VIPS_INTERPRETATION_LAB || image.interpretation() == VIPS_INTERPRETATION_LABS ||
            image.interpretation() == VIPS_INTERPRETATION_LABQ) {
            takeLab();
            return;
        }
        isCmyk = image.interpretation() == VIPS_INTERPRETATION_CMYK && image.bands() >= 4;
        isGrey = image.bands() < 3;
        profileName = "untagged";
        const std::string icc = profileOf(image);
        if (!icc.empty())
            takeProfile(icc);
        else if (isWideDcf(image))
            takeProfile(dcfWideProfile());
        if (isCmyk && !conversion) { // the library's own stand-in for an unknown press
            image.remove(VIPS_META_ICC_NAME);
            image = image.colourspace(VIPS_INTERPRETATION_sRGB);
            isCmyk = false;
        }
        if (image.format() == VIPS_FORMAT_DOUBLE) image = image.cast(VIPS_FORMAT_FLOAT);
        const VipsBandFormat format = image.format();
        if (format != VIPS_FORMAT_UCHAR && format != VIPS_FORMAT_USHORT && format != VIPS_FORMAT_FLOAT)
            throw Error("", "",
                        inWords("its numbers are of a kind that pictures seldom have ({})",
                                vips_enum_nick(VIPS_TYPE_BAND_FORMAT, format)),
                        words("save it with 8 or 16 bits or as 32-bit float"));
        const int bands = image.bands();
        hasAlpha = bands == 2 || (!isCmyk && bands >= 4) || (isCmyk && bands >= 5);
        // The library parts the colours of floats from their alpha as if that went to 255.
        if (hasAlpha && format == VIPS_FORMAT_FLOAT && hasAssociatedAlpha(file)) fullScale = 255;
    }

    /// In floats: converted by the library's way for 8 bits, a picture of 16 would keep 256 levels.
    void takeLab() {
        if (image.bands() > 3) {
            image = image.extract_band(0, vips::VImage::option()->set("n", 3));
            remarks.push_back(words("its transparency is left out: Lab is read without"));
        }
        image = image.colourspace(VIPS_INTERPRETATION_LAB).cast(VIPS_FORMAT_FLOAT);
        profileName = "Lab";
        conversion = ProfileConversion::fromLab();
    }

    /// A profile that can't be used is told of, and the picture read as if it had none.
    void takeProfile(const std::string& icc) {
        try {
            const ProfileKind kind = profileKind(icc);
            // Grey that was tagged as colour: three channels that are alike.
            const int channels = isCmyk ? 4 : isGrey && profileChannels(icc) == 1 ? 1 : 3;
            if (kind != ProfileKind::Srgb || isCmyk)
                conversion.emplace(icc, channels); // throws where it does not fit
            profileName = kind == ProfileKind::Srgb     ? "sRGB"
                          : kind == ProfileKind::Matrix ? "matrix profile"
                                                        : "table profile";
        } catch (const Error& e) {
            remarks.push_back(isCmyk ? inWords("{}: its inks are read as those of an ordinary press", e.problem())
                                     : inWords("{}: its colours are read as sRGB", e.problem()));
        }
    }

    Picture rows(int y, int count) const {
        const std::unique_ptr<VipsRegion, decltype(&g_object_unref)> region(vips_region_new(image.get_image()),
                                                                            &g_object_unref);
        const VipsRect wanted{0, y, image.width(), count};
        if (!region || vips_region_prepare(region.get(), &wanted) != 0) throw vips::VError();
        Picture picture(image.width(), count, hasAlpha);
        picture.setScale(scale);
        Picture black;
        if (isCmyk) black = Picture(image.width(), count);
        Picture* const blackPlane = isCmyk ? &black : nullptr;
        const int greyBands[4] = {0, 0, 0, 1}, colourBands[4] = {0, 1, 2, isCmyk ? 4 : 3};
        const int* order = isGrey ? greyBands : colourBands;
        const int planes = hasAlpha ? 4 : 3, bands = image.bands();
        if (image.format() == VIPS_FORMAT_UCHAR)
            spread<std::uint8_t>(region.get(), y, bands, 255, picture, order, planes, blackPlane);
        else if (image.format() == VIPS_FORMAT_USHORT)
            spread<std::uint16_t>(region.get(), y, bands, 65535, picture, order, planes, blackPlane);
        else
            spread<float>(region.get(), y, bands, 1, picture, order, planes, blackPlane);
        if (fullScale != 1)
            for (int plane = 0; plane < 3; ++plane)
                for (int row = 0; row < count; ++row)
                    for (int x = 0; x < picture.width(); ++x) picture.row(plane, row)[x] /= fullScale;
        if (image.format() == VIPS_FORMAT_FLOAT && profileName != "Lab") tame(picture);
        if (development) develop(*development, picture);
        if (conversion) {
            (*conversion)(picture, blackPlane);
            tame(picture);
        }
        return picture;
    }
};

PictureReader::PictureReader(const fs::path& file, const ReadOptions& options) : file_(file), options_(options) {
    rewind();
}

PictureReader::~PictureReader() = default;

int PictureReader::width() const {
    return decoder_->image.width();
}
int PictureReader::height() const {
    return decoder_->image.height();
}
bool PictureReader::hasAlpha() const {
    return decoder_->hasAlpha;
}
const std::string& PictureReader::profileName() const {
    return decoder_->profileName;
}
const std::vector<std::string>& PictureReader::remarks() const {
    return decoder_->remarks;
}
const std::shared_ptr<const RawPixels>& PictureReader::raw() const {
    return decoder_->raw;
}
double PictureReader::scale() const {
    return decoder_->scale;
}

Picture PictureReader::rows(int y, int count) {
    return tellingOf(file_, [&] { return decoder_->rows(y, count); });
}

void PictureReader::keepDecoded() {
    if (decoder_->raw) return; // it is in memory
    tellingOf(file_, [&] {
        requireMemory(static_cast<double>(decodedBytes()));
        decoder_->image = decoder_->image.copy_memory();
    });
}

std::size_t PictureReader::decodedBytes() const {
    return VIPS_IMAGE_SIZEOF_IMAGE(decoder_->image.get_image());
}

void PictureReader::rewind() {
    tellingOf(file_,
              [&] { decoder_ = std::make_unique<Decoder>(file_, options_, decoder_ ? decoder_->raw : nullptr); });
}

Picture developed(const RawPixels& raw, const RawSettings& settings) {
    const Development development(raw.header().colour, raw.toSensor(), settings);
    Picture picture(raw.width(), raw.height());
    picture.setScale(raw.scale());
    float* planes[3] = {picture.row(0, 0), picture.row(1, 0), picture.row(2, 0)};
    forRows(picture.height(), [&](int y) {
        const std::size_t start = picture.stride() * static_cast<std::size_t>(y),
                          count = static_cast<std::size_t>(picture.width());
        const std::uint16_t* in = raw.data() + 3 * count * static_cast<std::size_t>(y);
        for (std::size_t c = 0; c < 3; ++c)
            for (std::size_t x = 0; x < count; ++x)
                planes[c][start + x] = static_cast<float>(in[3 * x + c]) / 65535.0F;
        development(planes[0] + start, planes[1] + start, planes[2] + start, count);
    });
    return oriented(picture, orientationFromExif(raw.header().orientation));
}

Picture readScaledDown(const RowSource& source, int width, int height, const Task* task) {
    int halvings = 0, levelWidth = source.width, levelHeight = source.height;
    // As scaledDown goes.
    while ((levelWidth + 1) / 2 >= width && (levelHeight + 1) / 2 >= height && std::max(levelWidth, levelHeight) > 1)
        levelWidth = (levelWidth + 1) / 2, levelHeight = (levelHeight + 1) / 2, ++halvings;
    Picture level(levelWidth, levelHeight, source.hasAlpha);
    level.setScale(source.scale * level.longSide() / std::max(source.width, source.height));
    // Bands that begin at a multiple of all halvings become the rows of the halved picture.
    const int bandRows = std::max(128, 1 << halvings);
    for (int y = 0; y < source.height; y += bandRows) {
        if (task) task->throwIfCancelled();
        Picture band = source.rows(y, std::min(bandRows, source.height - y));
        for (int i = 0; i < halvings; ++i) band = halved(band);
        for (int plane = 0; plane < (level.hasAlpha() ? 4 : 3); ++plane)
            for (int row = 0; row < band.height(); ++row)
                std::memcpy(level.row(plane, (y >> halvings) + row), band.row(plane, row),
                            static_cast<std::size_t>(levelWidth) * sizeof(float));
    }
    return resized(level, width, height);
}

Picture readScaledDown(PictureReader& reader, int width, int height, const Task* task) {
    return readScaledDown({reader.width(), reader.height(), reader.hasAlpha(), reader.scale(),
                           [&](int y, int count) { return reader.rows(y, count); }},
                          width, height, task);
}

} // namespace baryton
