#pragma once
#include "picture/picture_file.h"

#include <filesystem>
#include <string>

namespace baryton {

/// Reads Exif, IPTC and XMP; a file whose metadata can't be understood has none (its pixels may still be fine).
Metadata readMetadata(const std::filesystem::path& file);

/// Puts the metadata into an encoded JPEG, PNG or TIFF and returns the new file's bytes.
std::string withMetadata(const std::string& encoded, const Metadata& metadata, int width, int height);

} // namespace baryton
