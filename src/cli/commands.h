#pragma once
#include <CLI/CLI.hpp>

namespace baryton {

/// Exit codes of the program.
enum ExitCode { kAllDone = 0, kSomeFailed = 1, kWrongUsage = 2 };

// Each adds its commands to the parser and, when the user chose one, puts its exit code into `code`.
void addApplyCommand(CLI::App& app, int& code);
void addLutCommands(CLI::App& app, int& code);
void addPresetCommands(CLI::App& app, int& code);
void addInfoCommands(CLI::App& app);

} // namespace baryton
