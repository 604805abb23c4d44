#include "base/error.h"
#include "base/file.h"
#include "base/words.h"
#include "picture/metadata.h"
#include "picture/picture_writer.h"
#include "picture/profile.h"
#include "picture/quantise.h"
#include "picture/vips_support.h"

#include <algorithm>
#include <array>
#include <cstring>
#include <exception>
#include <mutex>

namespace baryton {

std::optional<FileFormat> fileFormatFromName(const std::string& name) {
    if (name == "jpeg" || name == "jpg") return FileFormat::Jpeg;
    if (name == "png") return FileFormat::Png;
    if (name == "tiff" || name == "tif") return FileFormat::Tiff;
    return std::nullopt;
}

std::string fileFormatName(FileFormat format) {
    return format == FileFormat::Jpeg ? "jpeg" : format == FileFormat::Png ? "png" : "tiff";
}

std::optional<Ground> groundFromName(const std::string& name) {
    for (const Ground ground : {Ground::White, Ground::Grey, Ground::Black})
        if (groundName(ground) == name) return ground;
    return std::nullopt;
}

std::string groundName(Ground ground) {
    return ground == Ground::White ? "white" : ground == Ground::Grey ? "grey" : "black";
}

std::string fileExtension(FileFormat format) {
    return format == FileFormat::Jpeg ? "jpg" : format == FileFormat::Png ? "png" : "tif";
}

namespace {
constexpr std::array kKeptNames = {"all", "all-but-place", "rights", "none"};
}

std::optional<MetadataKept> metadataKeptFromName(const std::string& name) {
    const auto at = std::find(kKeptNames.begin(), kKeptNames.end(), name);
    if (at == kKeptNames.end()) return std::nullopt;
    return static_cast<MetadataKept>(at - kKeptNames.begin());
}

std::string metadataKeptName(MetadataKept kept) {
    return kKeptNames[static_cast<std::size_t>(kept)];
}

QuantisedPicture::QuantisedPicture(int w, int h, int channelCount, int bitCount)
    : width(w), height(h), channels(channelCount), bits(bitCount),
      bytes(static_cast<std::size_t>(w) * static_cast<std::size_t>(h) * static_cast<std::size_t>(channelCount) *
            static_cast<std::size_t>(bitCount / 8)) {}

void QuantisedPicture::setRow(int y, int x, int count, const float* r, const float* g, const float* b,
                              const float* a) {
    const std::size_t at =
        (static_cast<std::size_t>(y) * static_cast<std::size_t>(width) + static_cast<std::size_t>(x)) *
        static_cast<std::size_t>(channels);
    const float* alpha = channels == 4 ? a : nullptr;
    if (bits == 8)
        quantise8(r, g, b, alpha, static_cast<std::size_t>(count), bytes.data() + at);
    else
        quantise16(r, g, b, alpha, static_cast<std::size_t>(count),
                   reinterpret_cast<std::uint16_t*>(bytes.data()) + at);
}

namespace {

/// What files say that nobody has thought about.
constexpr double kUsualDotsPerInch = 72;
/// A JPEG of more is encoded row by row, with the usual tables instead of the best ones for it.
constexpr double kMostGathered = 100e6;

/// Where the library gets its rows from: a band is asked for when the first row beyond the last one is wanted.
struct RowPuller {
    const FileShape& shape;
    const GiveRows& give;
    std::mutex lock;
    std::vector<std::uint8_t> band;
    int first = 0, count = 0;
    std::exception_ptr failure;

    const std::uint8_t* row(int y) {
        while (y >= first + count) {
            first += count;
            count = std::min(kBandRows, shape.height - first);
            band.resize(shape.rowBytes() * static_cast<std::size_t>(count));
            give(first, count, band.data());
        }
        return band.data() + shape.rowBytes() * static_cast<std::size_t>(y - first);
    }
};

int generateRows(VipsRegion* out, void*, void* rowSource, void*, gboolean*) {
    auto& source = *static_cast<RowPuller*>(rowSource);
    const VipsRect& wanted = out->valid;
    const std::size_t pixel = source.shape.rowBytes() / static_cast<std::size_t>(source.shape.width);
    const std::lock_guard<std::mutex> guard(source.lock);
    if (source.failure) return -1;
    try { // nothing may be thrown through the library
        for (int y = wanted.top; y < wanted.top + wanted.height; ++y)
            std::memcpy(VIPS_REGION_ADDR(out, wanted.left, y),
                        source.row(y) + pixel * static_cast<std::size_t>(wanted.left),
                        pixel * static_cast<std::size_t>(wanted.width));
    } catch (...) {
        source.failure = std::current_exception();
        return -1;
    }
    return 0;
}

vips::VImage imageOf(RowPuller& source, double dotsPerInch) {
    VipsImage* image = vips_image_new();
    const vips::VImage owner(image);
    const FileShape& shape = source.shape;
    const bool isDeep = shape.bits == 16;
    const double perMm = (dotsPerInch > 0 ? dotsPerInch : kUsualDotsPerInch) / 25.4;
    vips_image_init_fields(image, shape.width, shape.height, shape.channels,
                           isDeep ? VIPS_FORMAT_USHORT : VIPS_FORMAT_UCHAR, VIPS_CODING_NONE,
                           isDeep ? VIPS_INTERPRETATION_RGB16 : VIPS_INTERPRETATION_sRGB, perMm, perMm);
    if (vips_image_pipelinev(image, VIPS_DEMAND_STYLE_THINSTRIP, nullptr) != 0 ||
        vips_image_generate(image, nullptr, generateRows, nullptr, &source, nullptr) != 0)
        throw vips::VError();
    return owner;
}

/// In sRGB of 8 bits.
double levelOf(Ground ground) {
    return ground == Ground::White ? 255 : ground == Ground::Grey ? 119 : 0;
}

void encode(vips::VImage image, const std::filesystem::path& file, const OutputFormat& format) {
    const std::string& icc = srgbProfile();
    vips_image_set_blob_copy(image.get_image(), VIPS_META_ICC_NAME, icc.data(), icc.size());
    switch (format.format) {
    case FileFormat::Jpeg:
        if (image.bands() == 4)
            image = image.flatten(
                vips::VImage::option()->set("background", std::vector<double>(3, levelOf(format.ground))));
        image.jpegsave(file.c_str(),
                       vips::VImage::option()
                           ->set("Q", format.quality)
                           ->set("optimize_coding", double(image.width()) * image.height() <= kMostGathered)
                           ->set("subsample_mode",
                                 format.quality >= 90 ? VIPS_FOREIGN_SUBSAMPLE_OFF : VIPS_FOREIGN_SUBSAMPLE_ON));
        break;
    case FileFormat::Png:
        image.pngsave(file.c_str(), vips::VImage::option()->set("compression", 6));
        break;
    case FileFormat::Tiff: {
        const std::string packet = writerPacket();
        vips_image_set_blob_copy(image.get_image(), VIPS_META_XMP_NAME, packet.data(), packet.size());
        image.tiffsave(file.c_str(), vips::VImage::option()
                                         ->set("compression", VIPS_FOREIGN_TIFF_COMPRESSION_DEFLATE)
                                         ->set("predictor", VIPS_FOREIGN_TIFF_PREDICTOR_HORIZONTAL));
        break;
    }
    }
}

} // namespace

WrittenPicture writePictureInRows(const std::filesystem::path& file, const FileShape& shape, const GiveRows& rows,
                                  const Metadata& whole, const OutputFormat& format, const Placing& placing) {
    initVips();
    const Metadata metadata = chosenMetadata(whole, format);
    PendingFile pending(file);
    RowPuller source{shape, rows, {}, {}, 0, 0, nullptr};
    try {
        encode(imageOf(source, metadata.dotsPerInch), pending.path(), format);
    } catch (const vips::VError& e) {
        const std::string message = tidyVipsMessage(e.what());
        vips_error_clear();
        if (source.failure) std::rethrow_exception(source.failure);
        if (const auto why = pending.whyNoFurther()) throw *why;
        throw Error(file.string(), "", inWords("cannot encode: {}", message),
                    words("choose another format or a smaller size"));
    }
    // A TIFF would be rewritten in memory for it.
    const bool isBare = metadata.exif.empty() && metadata.iptc.empty() && metadata.xmp.empty();
    WrittenPicture written;
    if (!isBare || format.format != FileFormat::Tiff) {
        std::string all;
        for (const auto& part : putMetadata(pending.path(), format.format, metadata, shape.width, shape.height))
            all += (all.empty() ? "" : ", ") + part;
        if (!all.empty()) written.remarks.push_back(inWords("of its metadata could not be kept: {}", all));
    }
    written.file = pending.keep(placing);
    return written;
}

void writePicture(const std::filesystem::path& file, const QuantisedPicture& picture, const Metadata& metadata,
                  const OutputFormat& format) {
    const FileShape shape{picture.width, picture.height, picture.channels, picture.bits};
    writePictureInRows(
        file, shape,
        [&](int y, int count, std::uint8_t* out) {
            std::memcpy(out, picture.bytes.data() + shape.rowBytes() * static_cast<std::size_t>(y),
                        shape.rowBytes() * static_cast<std::size_t>(count));
        },
        metadata, format);
}

} // namespace baryton
