#pragma once
#include "batch/batch.h"
#include "cli/commands.h"

namespace baryton {

/// What is asked for the files that come out, as a command names it.
struct FileOptions {
    std::string out, format = "jpeg", name, prep = "own", exists = "number", ground = "white";
    std::string metadata = "all", author, copyright;
    int bits = 0, quality = 90, longSide = 0;
    bool ignoreGrades = false;
};

/// The options of it, for a command.
void addFileOptions(CLI::App& command, FileOptions& options);

/// Puts them into a plan; throws WrongUsage where they can't be so.
void putInto(BatchPlan& plan, const FileOptions& options);

} // namespace baryton
