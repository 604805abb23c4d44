#pragma once
#include "picture/orientation.h"

#include <filesystem>
#include <string>

namespace baryton {

/// By what a picture was taken, as far as its file says: what a lens's corrections depend on. Empty or 0 is unknown.
struct Shot {
    std::string cameraMaker, cameraModel, lens;
    double focal = 0;          ///< mm
    double focal35 = 0;        ///< mm, for a frame of 36 × 24 mm
    double aperture = 0;       ///< the f-number
    double distance = 0;       ///< m
    Orientation orientation{}; ///< of the file, which readers apply

    bool operator==(const Shot&) const = default;
};

/// Reads it from Exif, and of raw files from what LibRaw knows where Exif says nothing. Never throws: a file that
/// can't be understood tells nothing.
Shot readShot(const std::filesystem::path& file);

} // namespace baryton
