#pragma once
#include <filesystem>
#include <vector>

namespace baryton::bench {

/// A library of 500 presets in 20 groups in the real window; milliseconds.
struct LibraryTimes {
    std::vector<double> open;   ///< all files read and checked, by a library that knows none of them
    std::vector<double> keys;   ///< from a letter typed into the search to the painted list
    double coldTile = 0;        ///< one tile of three pictures drawn for the first time
    double lutTile = 0;         ///< the same of each of 300 LUT files of 33³, reading them included
    double lutsRead = 0;        ///< for each of them, read alone
    std::vector<double> warm;   ///< a screenful of tiles in a new window, all of them from the disk
    std::vector<double> hovers; ///< a preset pointed at, until nine check pictures show it
};
LibraryTimes libraryTimes(const std::filesystem::path& given, const std::filesystem::path& pictures,
                          const std::filesystem::path& folder);

} // namespace baryton::bench
