#pragma once
#include "picture/picture.h"

#include <filesystem>

namespace baryton::bench {

/// Prints how long a picture takes to be placed in several ways on two threads, beside libvips doing the nearest
/// thing; and what it costs the command line to make one JPEG of it through all of Finish, its frame turned and made
/// straight and a lens corrected.
void comparePlaces(const Picture& picture, const std::filesystem::path& folder);

} // namespace baryton::bench
