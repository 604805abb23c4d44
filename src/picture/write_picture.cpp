#include "base/error.h"
#include "base/file.h"
#include "base/words.h"
#include "picture/metadata.h"
#include "picture/picture_file.h"
#include "picture/profile.h"
#include "picture/quantise.h"
#include "picture/vips_support.h"

#include <algorithm>

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

std::string fileExtension(FileFormat format) {
    return format == FileFormat::Jpeg ? "jpg" : format == FileFormat::Png ? "png" : "tif";
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

void writePicture(const std::filesystem::path& file, const QuantisedPicture& picture, const Metadata& metadata,
                  const OutputFormat& format) {
    initVips();
    std::string encoded;
    try {
        auto image =
            vips::VImage::new_from_memory(const_cast<std::uint8_t*>(picture.bytes.data()), picture.bytes.size(),
                                          picture.width, picture.height, picture.channels,
                                          picture.bits == 8 ? VIPS_FORMAT_UCHAR : VIPS_FORMAT_USHORT)
                .copy(vips::VImage::option()->set("interpretation", picture.bits == 8 ? VIPS_INTERPRETATION_sRGB
                                                                                      : VIPS_INTERPRETATION_RGB16));
        const std::string& icc = srgbProfile();
        image.set(VIPS_META_ICC_NAME, static_cast<VipsCallbackFn>(nullptr), const_cast<char*>(icc.data()),
                  icc.size());
        VipsBlob* blob = nullptr;
        switch (format.format) {
        case FileFormat::Jpeg:
            if (picture.channels == 4) image = image.flatten();
            blob =
                image.jpegsave_buffer(vips::VImage::option()
                                          ->set("Q", format.quality)
                                          ->set("optimize_coding", true)
                                          ->set("subsample_mode", format.quality >= 90 ? VIPS_FOREIGN_SUBSAMPLE_OFF
                                                                                       : VIPS_FOREIGN_SUBSAMPLE_ON));
            break;
        case FileFormat::Png:
            blob = image.pngsave_buffer(vips::VImage::option()->set("compression", 6));
            break;
        case FileFormat::Tiff:
            blob = image.tiffsave_buffer(vips::VImage::option()
                                             ->set("compression", VIPS_FOREIGN_TIFF_COMPRESSION_DEFLATE)
                                             ->set("predictor", VIPS_FOREIGN_TIFF_PREDICTOR_HORIZONTAL));
            break;
        }
        size_t size = 0;
        const void* data = vips_blob_get(blob, &size);
        encoded.assign(static_cast<const char*>(data), size);
        vips_area_unref(VIPS_AREA(blob));
    } catch (const vips::VError& e) {
        const std::string message = tidyVipsMessage(e.what());
        vips_error_clear();
        throw Error(file.string(), "", inWords("cannot encode: {}", message),
                    words("choose another format or a smaller size"));
    }
    writeFileAtomically(file, withMetadata(encoded, metadata, picture.width, picture.height));
}

} // namespace baryton
