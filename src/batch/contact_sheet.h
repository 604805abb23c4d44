#pragma once
#include "base/task.h"
#include "batch/batch.h"

#include <filesystem>
#include <string>
#include <vector>

namespace baryton {

/// A picture on a contact sheet.
struct SheetCell {
    std::filesystem::path file; ///< that is shown
    std::string name, look;     ///< what stands below it
};

/// What a run has made, picture by picture, each once for each look: of its files the first that can be opened here.
std::vector<SheetCell> sheetCells(const BatchPlan& plan, const std::vector<BatchJob>& jobs);

/// Writes small versions of pictures with their names, `across` in a row (0: as suits them), as a PDF of landscape A4
/// pages or, where the name ends in .png, as one picture 2400 pixels wide. What can't be read is a grey field with
/// its name. Written atomically. Throws Error for other names, for nothing to show, and for more than a PNG holds.
void writeContactSheet(const std::filesystem::path& file, const std::string& title,
                       const std::vector<SheetCell>& cells, int across, const Task* task = nullptr);

/// True for a sheet that this wrote.
bool isContactSheet(const std::filesystem::path& file);

/// How many stand in a row where the sheet is to suit the looks of a plan.
int sheetColumns(const BatchPlan& plan);

} // namespace baryton
