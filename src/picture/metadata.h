#pragma once
#include "picture/picture_file.h"

#include <filesystem>
#include <string>

namespace baryton {

/// Reads Exif, IPTC and XMP; a file whose metadata can't be understood has none (its pixels may still be fine).
Metadata readMetadata(const std::filesystem::path& file);

/// True for a picture that says of itself that this program wrote it.
bool isOwnWork(const std::filesystem::path& file);

/// True for a picture whose tags say that its colours are multiplied by their alpha (TIFF 6.0, ExtraSamples 1).
bool hasAssociatedAlpha(const std::filesystem::path& file);

/// What is left of a picture's metadata by choice, with author and copyright filled in. What can't be understood is
/// left out where anything is to be.
Metadata chosenMetadata(const Metadata& metadata, const OutputFormat& format);

/// What an output file is, as far as its metadata speak of it.
struct OutputFacts {
    FileFormat format = FileFormat::Jpeg;
    int width = 0, height = 0;
    bool isSrgb = true;
};

/// Puts the metadata, and that this program wrote it, into an encoded JPEG, PNG, TIFF or WebP, in place. What said of
/// the old file's colours, size or turn stays behind, as do settings of other programs for developing it: they would
/// be wrong beside these pixels. A JPEG holds 64 kB of each kind; of what is more the largest parts are left out.
/// Returns what could not be kept, in words.
std::vector<std::string> putMetadata(const std::filesystem::path& file, const Metadata& metadata,
                                     const OutputFacts& facts);

/// The same as bytes, for encoders that take them. There is no place for IPTC's own block: what of it XMP does not
/// say as well is lost.
struct EncodedMetadata {
    std::string exif, xmp;
    std::vector<std::string> lost; ///< in words
};
EncodedMetadata encodeMetadata(const Metadata& metadata, const OutputFacts& facts);

} // namespace baryton
