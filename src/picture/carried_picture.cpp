#include "picture/carried_picture.h"
#include "base/error.h"
#include "base/words.h"
#include "picture/picture_reader.h"
#include "picture/read_support.h"
#include "picture/vips_support.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <functional>
#include <optional>
#include <string_view>

namespace baryton {

namespace {

using Blob = std::unique_ptr<VipsBlob, void (*)(VipsBlob*)>;

Blob owned(VipsBlob* blob) {
    return {blob, [](VipsBlob* b) { vips_area_unref(VIPS_AREA(b)); }};
}

QuantisedPicture quantised(const Picture& picture, bool withAlpha) {
    QuantisedPicture result(picture.width(), picture.height(), withAlpha ? 4 : 3, 8);
    for (int y = 0; y < picture.height(); ++y)
        result.setRow(y, 0, picture.width(), picture.row(0, y), picture.row(1, y), picture.row(2, y),
                      withAlpha ? picture.row(3, y) : nullptr);
    return result;
}

bool isTransparentAnywhere(const Picture& picture) {
    constexpr float opaque = 1 - 0.5F / 255;
    for (int y = 0; picture.hasAlpha() && y < picture.height(); ++y) {
        const float* row = picture.row(3, y);
        if (std::any_of(row, row + picture.width(), [=](float a) { return a < opaque; })) return true;
    }
    return false;
}

Error damaged(const std::string& why) {
    return {"", "", inWords("the picture that is carried in it is damaged: {}", why),
            words("choose the picture again from its own file")};
}

PictureSize withLongSide(int width, int height, double longSide) {
    const double by = std::min(1.0, longSide / std::max(width, height));
    const auto side = [&](int length) { return std::max(1, static_cast<int>(std::lround(length * by))); };
    return {side(width), side(height)};
}

} // namespace

std::string encodeCarried(const Picture& picture) {
    initVips();
    QuantisedPicture pixels = quantised(picture, isTransparentAnywhere(picture));
    const vips::VImage image = vips::VImage::new_from_memory(pixels.bytes.data(), pixels.bytes.size(), pixels.width,
                                                             pixels.height, pixels.channels, VIPS_FORMAT_UCHAR)
                                   .copy(vips::VImage::option()->set("interpretation", VIPS_INTERPRETATION_sRGB));
    constexpr int quality = 95;
    const Blob blob = owned(
        pixels.channels == 4 ? image.pngsave_buffer(vips::VImage::option()->set("compression", 6)->set("strip", true))
                             : image.jpegsave_buffer(vips::VImage::option()
                                                         ->set("Q", quality)
                                                         ->set("optimize_coding", true)
                                                         ->set("strip", true)
                                                         ->set("subsample_mode", VIPS_FOREIGN_SUBSAMPLE_OFF)));
    std::size_t size = 0;
    const void* data = vips_blob_get(blob.get(), &size);
    return {static_cast<const char*>(data), size};
}

std::string encodeGrey(const std::vector<std::uint8_t>& pixels, int width, int height) {
    initVips();
    const vips::VImage image = vips::VImage::new_from_memory(const_cast<std::uint8_t*>(pixels.data()), pixels.size(),
                                                             width, height, 1, VIPS_FORMAT_UCHAR)
                                   .copy(vips::VImage::option()->set("interpretation", VIPS_INTERPRETATION_B_W));
    const Blob blob = owned(image.pngsave_buffer(vips::VImage::option()->set("compression", 9)->set("strip", true)));
    std::size_t size = 0;
    const void* data = vips_blob_get(blob.get(), &size);
    return {static_cast<const char*>(data), size};
}

CarriedPicture carriedFrom(const std::filesystem::path& file) {
    PictureReader reader(file);
    const int width = reader.width(), height = reader.height();
    CarriedPicture carried;
    carried.remarks = reader.remarks();
    PictureSize size = withLongSide(width, height, kMostCarriedSide);
    Picture picture = readScaledDown(reader, size.width, size.height);
    const auto encode = [&] { carried.encoded = tellingOf(file, [&] { return encodeCarried(picture); }); };
    for (encode(); carried.encoded.size() > kMostCarriedBytes; encode()) {
        size = withLongSide(size.width, size.height, 0.75 * std::max(size.width, size.height));
        picture = scaledDown(picture, size.width, size.height);
    }
    if (picture.width() < width)
        carried.remarks.push_back(inWords("{} is carried at {} × {} pixels, so that presets with it stay small",
                                          file.filename().string(), picture.width(), picture.height()));
    return carried;
}

namespace {

/// Opens it and tells any failure as an error of ours; `use` gets the image, whose pixels are decoded when they are
/// asked for.
void open(const std::string& encoded, const std::function<void(const vips::VImage&)>& use) {
    using namespace std::string_view_literals;
    initVips();
    const std::string_view start(encoded.data(), std::min<std::size_t>(encoded.size(), 8));
    const bool isJpeg = start.starts_with("\xff\xd8\xff"sv), isPng = start.starts_with("\x89PNG\r\n\x1a\n"sv);
    if (!isJpeg && !isPng) throw damaged(words("it is neither a JPEG nor a PNG"));
    try {
        const Blob blob = owned(vips_blob_new(nullptr, encoded.data(), encoded.size()));
        auto* careful = vips::VImage::option()->set("fail_on", VIPS_FAIL_ON_TRUNCATED);
        const vips::VImage image = isJpeg ? vips::VImage::jpegload_buffer(blob.get(), careful)
                                          : vips::VImage::pngload_buffer(blob.get(), careful);
        if (image.width() > kMostCarriedSide || image.height() > kMostCarriedSide)
            throw damaged(inWords("it has {} × {} pixels", image.width(), image.height()));
        if (image.format() != VIPS_FORMAT_UCHAR || image.bands() > 4 || (isJpeg && image.bands() % 2 == 0))
            throw damaged(words("it is not in RGB of 8 bits"));
        use(image);
    } catch (const vips::VError& e) {
        const std::string message = tidyVipsMessage(e.what());
        vips_error_clear();
        throw damaged(message);
    }
}

} // namespace

PictureSize carriedSize(const std::string& encoded) {
    PictureSize size;
    open(encoded, [&](const vips::VImage& image) { size = {image.width(), image.height()}; });
    return size;
}

QuantisedPicture decodeCarried(const std::string& encoded) {
    std::optional<QuantisedPicture> pixels;
    open(encoded, [&](vips::VImage image) {
        if (image.bands() < 3) {
            std::vector<vips::VImage> bands(3, image[0]);
            if (image.bands() == 2) bands.push_back(image[1]);
            image = vips::VImage::bandjoin(bands);
        }
        pixels.emplace(image.width(), image.height(), image.bands(), 8);
        std::size_t size = 0;
        const VipsBytes bytes(image.write_to_memory(&size));
        std::memcpy(pixels->bytes.data(), bytes.get(), std::min(size, pixels->bytes.size()));
    });
    return std::move(*pixels);
}

Picture rowsOf(const QuantisedPicture& pixels, int y, int count) {
    Picture picture(pixels.width, count, pixels.channels == 4);
    const auto channels = static_cast<std::size_t>(pixels.channels), width = static_cast<std::size_t>(pixels.width);
    for (std::size_t k = 0; k < channels; ++k)
        for (int row = 0; row < count; ++row) {
            const std::uint8_t* in = pixels.bytes.data() + k + channels * width * static_cast<std::size_t>(y + row);
            float* out = picture.row(static_cast<int>(k), row);
            for (std::size_t x = 0; x < width; ++x) out[x] = static_cast<float>(in[channels * x]) / 255.0F;
        }
    return picture;
}

Picture pictureOf(const QuantisedPicture& pixels) {
    return rowsOf(pixels, 0, pixels.height);
}

} // namespace baryton
