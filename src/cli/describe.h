#pragma once
#include <CLI/CLI.hpp>

namespace baryton {

/// What the parser knows of one option or argument, as a manual page or a shell needs it.
struct OptionWords {
    std::string shortName, longName; ///< with their dashes; both empty for an argument
    std::string value;               ///< what stands behind it: "FILE"; empty for a flag
    std::string standard;            ///< the default, as text
    std::vector<std::string> choices;
    std::string description;
    bool takesFile = false, isRequired = false, repeats = false;
};

/// A command with what stands below it.
struct CommandWords {
    std::vector<std::string> path; ///< empty for the program itself
    std::string description;
    std::vector<OptionWords> options, arguments;
    std::vector<CommandWords> commands;
};

CommandWords describeCommands(const CLI::App& app);

/// The manual page, for man(7)'s macros.
std::string manualPage(const CommandWords& program);
/// What completes a command line in a shell: "bash", "zsh" or "fish"; empty for any other.
std::string completionFor(const std::string& shell, const CommandWords& program);

} // namespace baryton
