#pragma once
#include "picture/picture.h"

#include <filesystem>

namespace baryton::bench {

/// Prints how long a raw file of a picture's size takes as the window opens it, the library alone doing the same, and
/// the white set anew.
void compareRaw(const Picture& picture, const std::filesystem::path& folder);

} // namespace baryton::bench
