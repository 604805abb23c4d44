#include "base/error.h"
#include "base/file.h"
#include "base/thread_edge.h"
#include "base/words.h"
#include "picture/metadata.h"
#include "picture/picture_writer.h"
#include "picture/profile.h"
#include "picture/quantise.h"
#include "picture/vips_support.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>
#include <exception>
#include <mutex>

namespace baryton {

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
    int bandRows = kBandRows;
    std::mutex lock;
    std::vector<std::uint8_t> band;
    int first = 0, count = 0;
    std::exception_ptr failure;
    ThreadEdge edge; ///< the library asks in a thread of its own

    const std::uint8_t* row(int y) {
        while (y >= first + count) {
            first += count;
            count = std::min(bandRows, shape.height - first);
            band.resize(shape.rowBytes() * static_cast<std::size_t>(count));
            give(first, count, band.data());
        }
        return band.data() + shape.rowBytes() * static_cast<std::size_t>(y - first);
    }
};

int generateRows(VipsRegion* out, void*, void* rowSource, void*, gboolean*) {
    auto& source = *static_cast<RowPuller*>(rowSource);
    const CalledInThread called(source.edge);
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
    const double perMm = (dotsPerInch > 0 ? dotsPerInch : kUsualDotsPerInch) / 25.4;
    vips_image_init_fields(image, shape.width, shape.height, shape.channels,
                           shape.bits == 32   ? VIPS_FORMAT_FLOAT
                           : shape.bits == 16 ? VIPS_FORMAT_USHORT
                                              : VIPS_FORMAT_UCHAR,
                           VIPS_CODING_NONE, shape.bits == 16 ? VIPS_INTERPRETATION_RGB16 : VIPS_INTERPRETATION_sRGB,
                           perMm, perMm);
    if (vips_image_pipelinev(image, VIPS_DEMAND_STYLE_THINSTRIP, nullptr) != 0 ||
        vips_image_generate(image, nullptr, generateRows, nullptr, &source, nullptr) != 0)
        throw vips::VError();
    return owner;
}

/// What the ground is in the numbers of a profile, of 8 bits.
std::vector<double> levelsOf(Ground ground, const OutputProfile* profile) {
    const float grey = ground == Ground::White ? 1 : ground == Ground::Grey ? 119.0F / 255 : 0;
    std::array<float, 3> level{grey, grey, grey};
    if (profile) (*profile)(&level[0], &level[1], &level[2], 1);
    std::vector<double> levels;
    for (const float each : level) levels.push_back(std::round(255.0 * std::clamp(each, 0.0F, 1.0F)));
    return levels;
}

VipsForeignSubsample subsamplingOf(const OutputFormat& format) {
    constexpr int allFrom = 90;
    const bool isHalf = format.chroma == Chroma::Half || (format.chroma == Chroma::Auto && format.quality < allFrom);
    return isHalf ? VIPS_FOREIGN_SUBSAMPLE_ON : VIPS_FOREIGN_SUBSAMPLE_OFF;
}

void encode(vips::VImage image, const std::filesystem::path& file, const FileShape& shape,
            const OutputFormat& format) {
    using vips::VImage;
    const std::string& icc = shape.profile ? shape.profile->icc() : srgbProfile();
    vips_image_set_blob_copy(image.get_image(), VIPS_META_ICC_NAME, icc.data(), icc.size());
    switch (format.format) {
    case FileFormat::Jpeg:
        if (image.bands() == 4)
            image = image.flatten(VImage::option()->set("background", levelsOf(format.ground, shape.profile)));
        image.jpegsave(file.c_str(),
                       VImage::option()
                           ->set("Q", format.quality)
                           ->set("interlace", format.isProgressive)
                           ->set("optimize_coding", double(image.width()) * image.height() <= kMostGathered)
                           ->set("subsample_mode", subsamplingOf(format)));
        break;
    case FileFormat::Png:
        image.pngsave(file.c_str(), VImage::option()->set("compression", 6));
        break;
    case FileFormat::Tiff: {
        const bool isFloat = shape.bits == 32, isPacked = format.compression != TiffCompression::None;
        constexpr double mostSmall = 3.9e9; // bytes that offsets of 32 bits reach
        image.tiffsave(file.c_str(), VImage::option()
                                         ->set("compression", format.compression == TiffCompression::Deflate
                                                                  ? VIPS_FOREIGN_TIFF_COMPRESSION_DEFLATE
                                                              : isPacked ? VIPS_FOREIGN_TIFF_COMPRESSION_LZW
                                                                         : VIPS_FOREIGN_TIFF_COMPRESSION_NONE)
                                         ->set("predictor", !isPacked ? VIPS_FOREIGN_TIFF_PREDICTOR_NONE
                                                            : isFloat ? VIPS_FOREIGN_TIFF_PREDICTOR_FLOAT
                                                                      : VIPS_FOREIGN_TIFF_PREDICTOR_HORIZONTAL)
                                         ->set("resunit", VIPS_FOREIGN_TIFF_RESUNIT_INCH)
                                         ->set("bigtiff", double(shape.rowBytes()) * shape.height > mostSmall));
        break;
    }
    case FileFormat::WebP:
        image.webpsave(file.c_str(), VImage::option()->set("Q", format.quality)->set("lossless", format.isLossless));
        break;
    case FileFormat::Avif:
        image.heifsave(file.c_str(), VImage::option()
                                         ->set("compression", VIPS_FOREIGN_HEIF_COMPRESSION_AV1)
                                         ->set("Q", format.quality)
                                         ->set("bitdepth", 8)
                                         ->set("subsample_mode", subsamplingOf(format)));
        break;
    }
}

} // namespace

WrittenPicture writePictureInRows(const std::filesystem::path& file, const FileShape& shape, const GiveRows& rows,
                                  const Metadata& whole, const OutputFormat& format, const Placing& placing,
                                  int bandRows) {
    initVips();
    Metadata metadata = chosenMetadata(whole, format);
    if (format.dotsPerInch > 0) metadata.dotsPerInch = format.dotsPerInch;
    PendingFile pending(file);
    RowPuller source{shape, rows, bandRows, {}, {}, 0, 0, nullptr, {}};
    const bool isSrgb = !shape.profile || shape.profile->isSrgb();
    const OutputFacts facts{format.format, shape.width, shape.height, isSrgb};
    std::vector<std::string> lost;
    try {
        const vips::VImage image = imageOf(source, metadata.dotsPerInch);
        // An AVIF is written with its metadata, as the library for them can't put them into one; a TIFF would be
        // rewritten in memory for them.
        const bool isBare = metadata.exif.empty() && metadata.iptc.empty() && metadata.xmp.empty();
        const bool isEncodedWith = format.format == FileFormat::Avif || (format.format == FileFormat::Tiff && isBare);
        if (isEncodedWith) {
            const EncodedMetadata encoded = encodeMetadata(metadata, facts);
            const auto attach = [&](const char* name, const std::string& bytes) {
                if (!bytes.empty()) vips_image_set_blob_copy(image.get_image(), name, bytes.data(), bytes.size());
            };
            if (format.format == FileFormat::Avif) attach(VIPS_META_EXIF_NAME, encoded.exif);
            attach(VIPS_META_XMP_NAME, encoded.xmp);
            lost = encoded.lost;
        }
        {
            const LentToThreads lent(source.edge);
            encode(image, pending.path(), shape, format);
        }
        if (!isEncodedWith) lost = putMetadata(pending.path(), metadata, facts);
    } catch (const vips::VError& e) {
        const std::string message = tidyVipsMessage(e.what());
        vips_error_clear();
        if (source.failure) std::rethrow_exception(source.failure);
        if (const auto why = pending.whyNoFurther()) throw *why;
        // Another file that was given up meanwhile has made room again.
        if (message.find("unable to write") != std::string::npos)
            throw Error(file.string(), "", words("cannot write: the disk was full"),
                        words("free some space or choose another folder"));
        throw Error(file.string(), "", inWords("cannot encode: {}", message),
                    words("choose another format or a smaller size"));
    }
    WrittenPicture written;
    if (!lost.empty()) {
        std::string all;
        for (const auto& part : lost) all += (all.empty() ? "" : ", ") + part;
        written.remarks.push_back(inWords("of its metadata could not be kept: {}", all));
    }
    written.file = pending.keep(placing);
    return written;
}

void writePicture(const std::filesystem::path& file, const QuantisedPicture& picture, const Metadata& metadata,
                  const OutputFormat& format) {
    const FileShape shape{picture.width, picture.height, picture.channels, picture.bits, nullptr};
    writePictureInRows(
        file, shape,
        [&](int y, int count, std::uint8_t* out) {
            std::memcpy(out, picture.bytes.data() + shape.rowBytes() * static_cast<std::size_t>(y),
                        shape.rowBytes() * static_cast<std::size_t>(count));
        },
        metadata, format);
}

} // namespace baryton
