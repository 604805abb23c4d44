#pragma once
#include "picture/picture.h"

#include <filesystem>

namespace baryton {

/// A raw file of a scene, with a preview of its size, at the size of the picture.
void writeRawFile(const std::filesystem::path& file, const Picture& picture, const std::filesystem::path& folder);
/// The library alone, from opening to its own linear picture: halved, or demosaiced by AHD.
void developByLibrary(const std::filesystem::path& file, bool half);

} // namespace baryton
