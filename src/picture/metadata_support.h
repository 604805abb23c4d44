#pragma once
// What reading and writing metadata share; for the files here that do.
#include "picture/picture_file.h"

#include <exiv2/exiv2.hpp>
#include <string>

namespace baryton {

/// Which program processed the picture, beside the camera's own Software.
constexpr const char *kWriterKey = "Exif.Image.ProcessingSoftware", *kToolKey = "Xmp.xmp.CreatorTool";
/// What stands ahead of Exif in files that hold it as an item of its own.
constexpr std::string_view kExifBegin("Exif\0\0", 6);

/// This program, as it stands under those keys.
std::string writerOfFiles();
/// Before anything else of Exiv2, from any thread.
void startExiv2();
/// Exif as bytes, put into the metadata. The library leaves the largest parts out where it is more than 64 kB.
void encodeExif(const Exiv2::ExifData& exif, Metadata& result);

} // namespace baryton
