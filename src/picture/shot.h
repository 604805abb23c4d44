#pragma once
#include "picture/orientation.h"

#include <filesystem>
#include <optional>
#include <string>

namespace baryton {

/// By what a picture was taken, and when, as far as its file says. Empty or 0 is unknown.
struct Shot {
    std::string cameraMaker, cameraModel, lens;
    double focal = 0;          ///< mm
    double focal35 = 0;        ///< mm, for a frame of 36 × 24 mm
    double aperture = 0;       ///< the f-number
    double distance = 0;       ///< m
    Orientation orientation{}; ///< of the file, which readers apply
    double exposureTime = 0;   ///< s
    double iso = 0;            ///< the speed that the sensor was set to
    double takenAt = 0;        ///< seconds since 1970 by the camera's clock, wherever it was

    bool operator==(const Shot&) const = default;
};

/// Reads it from Exif, and of raw files from what LibRaw knows where Exif says nothing. Never throws: a file that
/// can't be understood tells nothing.
Shot readShot(const std::filesystem::path& file);

/// How bright the settings make a scene, in stops: log2(t · ISO / N²) (ISO 2720's exposure equation). Nothing where
/// one of them is unknown.
std::optional<double> exposureOf(const Shot& shot);

} // namespace baryton
