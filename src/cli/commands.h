#pragma once
#include "base/error.h"

#include <CLI/CLI.hpp>

namespace baryton {

/// Exit codes of the program: all done; something named could not be read, is not valid or could not be written; the
/// command itself is wrong, and nothing was touched.
enum ExitCode { kAllDone = 0, kSomeFailed = 1, kWrongUsage = 2 };

/// What is wrong with the command itself.
class WrongUsage : public Error {
public:
    using Error::Error;
    explicit WrongUsage(const Error& error) : Error(error) {}
};

/// Runs a check of what was asked for: what it throws is wrong usage.
template <class Check>
void checkUsage(Check check) {
    try {
        check();
    } catch (const Error& e) {
        throw WrongUsage(e);
    }
}

/// Numbers as people write them: the parser would take 010 for 8 and nan for a number.
CLI::Validator plainNumber();

// Each adds its commands to the parser and, when the user chose one, puts its exit code into `code`.
void addApplyCommand(CLI::App& app, int& code);
void addLutCommands(CLI::App& app, int& code);
void addLutTools(CLI::App& lut, int& code);
void addLutLearning(CLI::App& lut, int& code);
void addPresetCommands(CLI::App& app, int& code);
void addPlanCommands(CLI::App& app, int& code);
void addSurveyCommands(CLI::App& app, int& code);
void addWatchCommand(CLI::App& app, int& code);
void addInfoCommands(CLI::App& app);
/// After all others: it tells of them.
void addDescribeCommand(CLI::App& app);

} // namespace baryton
