#pragma once
#include "picture/picture_file.h"

#include <filesystem>
#include <string>

namespace baryton {

/// Reads Exif, IPTC and XMP; a file whose metadata can't be understood has none (its pixels may still be fine).
Metadata readMetadata(const std::filesystem::path& file);

/// True for a picture that says of itself that this program wrote it.
bool isOwnWork(const std::filesystem::path& file);

/// An XMP packet that says just that this program wrote the picture: for files whose encoder takes one, so that they
/// need not be rewritten for it.
std::string writerPacket();

/// Puts the metadata, and that this program wrote it, into an encoded JPEG, PNG or TIFF, in place. What can't be
/// placed is left out: pixels matter more than a tag.
void putMetadata(const std::filesystem::path& file, const Metadata& metadata, int width, int height);

} // namespace baryton
