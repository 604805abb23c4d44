#pragma once
#include <filesystem>

namespace baryton::bench {

struct OpenTimes {
    double first = 0; ///< milliseconds from opening to the first painted picture, sharp enough for a fitted view
    double whole = 0; ///< until all levels of the picture itself are there and painted
};
/// Opens a picture in a new window of 1280 × 800.
OpenTimes openTimes(const std::filesystem::path& file, const std::filesystem::path& folder);

} // namespace baryton::bench
