#pragma once
#include "batch/batch.h"
#include "cli/commands.h"

namespace baryton {

/// A look as a command names it: presets and LUTs in the order given.
struct LookWanted {
    std::vector<std::string> presets, luts, takes;
    std::string mode = "add";
    double strength = 100;
    std::vector<std::pair<char, std::string>> order{}; ///< 'p' or 'l', and the file

    /// The two options keep their own lists; the order between them is that of the arguments.
    void noteOrder(const CLI::App& command);
    std::vector<std::string> files() const;
};

/// The options of it.
void addLookWanted(CLI::App& command, LookWanted& look);

/// The option of takes, for a command that makes files.
void addTakesWanted(CLI::App& command, LookWanted& look);

/// Read and checked; the pictures' own grade where none is named. Throws Error.
BatchLook batchLookOf(const LookWanted& look);
/// The same, or a look for each take that is named. Throws WrongUsage where takes and presets are.
std::vector<BatchLook> batchLooksOf(const LookWanted& look);

} // namespace baryton
