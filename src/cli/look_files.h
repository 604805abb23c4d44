#pragma once
#include "base/output.h"
#include "cli/commands.h"
#include "grade/grade_json.h"
#include "grade/json.h"
#include "lut/export_lut.h"

#include <optional>

namespace baryton {

// Files that hold a look, as commands name them.

/// A preset of a LUT file alone; what is to be known of the file goes to standard error.
Preset lutAsPreset(const std::filesystem::path& file);
/// A preset that is valid; throws Error with the file where it is not.
Preset checkedPreset(const std::filesystem::path& file);
/// Whether it is one that can be read: what may be written over by one.
bool isPresetFile(const std::filesystem::path& file);
/// Either, by what the file holds.
Preset lookOf(const std::filesystem::path& file);

/// A LUT file that a command writes.
struct LutOutput {
    std::string out, format;                     ///< "-": standard output; no format: by the extension
    std::optional<int> size;                     ///< grid points along each edge
    bool fits = false, samples = false;          ///< its nodes; neither: what is measured to be better
    std::string reads = "srgb", writes = "srgb"; ///< ids of the spaces of its numbers
    std::optional<double> within;                ///< instead of a size: the smallest usual one that stays below
    bool withPrep = false;                       ///< holds Exposure and White balance too
    std::vector<std::string> on;                 ///< pictures that it is measured on
};
/// The options of it, for a command.
void addLutOutput(CLI::App& command, LutOutput& output);

/// Those of the spaces, and of pictures to measure on, for a command that bakes.
void addLutSpaces(CLI::App& command, LutOutput& output);

/// Of its extension, where none is named; throws WrongUsage where that tells nothing.
LutFormat formatOf(const LutOutput& output);

/// The format, where a LUT may be written there; throws WrongUsage where it may not.
LutFormat requireLutOutput(const LutOutput& output, const InputSet& inputs);

/// Bakes a grade into the file, measures what was written and prints the account, as one JSON object with what is
/// already in it.
int writeBaked(const Grade& grade, const std::string& title, const LutOutput& output, const InputSet& inputs,
               const Json& account = Json::object());
/// Writes a table as it is where the file can hold it so and no other size is asked for; else bakes it.
int writeTable(const LutTable& table, const LutOutput& output, const InputSet& inputs,
               const Json& account = Json::object());

/// That no usual grid is as near as is asked for.
void tellNoneWithin(const std::string& file, double within);

/// The pictures that it is measured on, at their own pixels. Throws Error where one can't be read.
std::vector<Picture> picturesOn(const LutOutput& output);

/// How it is baked, but for file and title.
LutExport lutOf(const LutOutput& output);
/// What was written, as `lut bake` tells it.
Json jsonOf(const LutExportReport& report, int size, const LutOutput& output);
Json jsonOf(const Difference& difference);

} // namespace baryton
