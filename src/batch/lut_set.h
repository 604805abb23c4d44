#pragma once
#include "lut/by_grid.h"

#include <filesystem>
#include <functional>
#include <string>
#include <vector>

namespace baryton {

/// A look that becomes one of a set of LUT files.
struct LutSetItem {
    std::filesystem::path file; ///< its own: no LUT is written over it
    std::string name, group;
    Grade look;
};

struct LutSetWish {
    std::filesystem::path folder;
    std::string pattern = "{preset}.{ext}"; ///< as of a batch; {stem} is the preset's file, {folder} its group
    LutExport lut;                          ///< all but file and title; its size, where no error is named
    std::optional<double> within;           ///< of the usual sizes the smallest that stays below (smallestWithin)
    bool ignoresMasks = false;              ///< masked layers act everywhere
};

/// The files, one for each look. Throws Error for a pattern that is none or names another format than is written, a
/// name that two of them would have, and a file that is somebody's input or no LUT.
std::vector<std::filesystem::path> lutSetFiles(const std::vector<LutSetItem>& items, const LutSetWish& wish);

/// What became of one.
struct LutSetEntry {
    std::filesystem::path file;
    int size = 0;
    LutExportReport report;
    std::string failure;  ///< empty when it was written
    bool isAsNear = true; ///< as is asked for; false where no usual size is, and the finest was taken
};
/// Writes them one after another, each read back and measured; one that fails stops none of the others. `soFar` hears
/// of each in turn. Ends with what there is when the task is cancelled. Throws as lutSetFiles does.
std::vector<LutSetEntry> exportLutSet(const std::vector<LutSetItem>& items, const LutSetWish& wish,
                                      const std::vector<Picture>& pictures, const Task* task = nullptr,
                                      const std::function<void(std::size_t, const LutSetEntry&)>& soFar = {});

} // namespace baryton
