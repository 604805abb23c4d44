#include "picture/output_format.h"
#include "base/enum_names.h"
#include "base/error.h"
#include "base/words.h"

#include <algorithm>

namespace baryton {

namespace {
constexpr EnumNames<5> kFormatNames = {"jpeg", "png", "tiff", "webp", "avif"};
constexpr EnumNames<5> kExtensions = {"jpg", "png", "tif", "webp", "avif"};
constexpr EnumNames<3> kGroundNames = {"white", "grey", "black"};
constexpr EnumNames<4> kKeptNames = {"all", "all-but-place", "rights", "none"};
constexpr EnumNames<3> kChromaNames = {"auto", "full", "half"};
constexpr EnumNames<3> kCompressionNames = {"deflate", "lzw", "none"};
} // namespace

std::vector<int> depthsOf(FileFormat format) {
    if (format == FileFormat::Tiff) return {8, 16, 32};
    if (format == FileFormat::Png) return {8, 16};
    return {8};
}

bool hasQuality(const OutputFormat& format) {
    return format.format == FileFormat::Jpeg || format.format == FileFormat::Avif ||
           (format.format == FileFormat::WebP && !format.isLossless);
}

void requireDepth(const OutputFormat& format) {
    const std::vector<int> depths = depthsOf(format.format);
    if (std::find(depths.begin(), depths.end(), format.bits) != depths.end()) return;
    if (format.bits == 32)
        throw Error("", "", inWords("a file of the kind {} holds no float numbers", fileFormatName(format.format)),
                    words("choose TIFF, or whole numbers"));
    throw Error("", "",
                inWords("a file of the kind {} does not have {} bits", fileFormatName(format.format), format.bits),
                words("choose 8 bits, or PNG or TIFF"));
}

std::string fileFormatName(FileFormat format) {
    return nameIn(kFormatNames, format);
}
std::optional<FileFormat> fileFormatFromName(const std::string& name) {
    const auto byName = valueIn<FileFormat>(kFormatNames, name);
    return byName ? byName : valueIn<FileFormat>(kExtensions, name);
}
std::string fileExtension(FileFormat format) {
    return nameIn(kExtensions, format);
}
std::string metadataKeptName(MetadataKept kept) {
    return nameIn(kKeptNames, kept);
}
std::optional<MetadataKept> metadataKeptFromName(const std::string& name) {
    return valueIn<MetadataKept>(kKeptNames, name);
}
std::string groundName(Ground ground) {
    return nameIn(kGroundNames, ground);
}
std::optional<Ground> groundFromName(const std::string& name) {
    return valueIn<Ground>(kGroundNames, name);
}
std::string chromaName(Chroma chroma) {
    return nameIn(kChromaNames, chroma);
}
std::optional<Chroma> chromaFromName(const std::string& name) {
    return valueIn<Chroma>(kChromaNames, name);
}
std::string compressionName(TiffCompression compression) {
    return nameIn(kCompressionNames, compression);
}
std::optional<TiffCompression> compressionFromName(const std::string& name) {
    return valueIn<TiffCompression>(kCompressionNames, name);
}

} // namespace baryton
