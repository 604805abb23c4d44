#include "base/version.h"
#include "cli/describe.h"

namespace baryton {

namespace {

/// A text that roff takes as it is.
std::string roff(const std::string& text) {
    std::string safe = text.starts_with('.') || text.starts_with('\'') ? "\\&" : "";
    for (const char c : text) {
        if (c == '\\')
            safe += "\\e";
        else if (c == '-')
            safe += "\\-";
        else
            safe += c;
    }
    return safe;
}

void writeOption(std::string& page, const OptionWords& option) {
    page += ".TP\n";
    std::string names = option.shortName;
    if (!option.longName.empty()) names += (names.empty() ? "" : ", ") + option.longName;
    page += names.empty() ? "\\fI" + roff(option.value) + "\\fR" : "\\fB" + roff(names) + "\\fR";
    if (!names.empty() && !option.value.empty())
        page += option.choices.empty() ? " \\fI" + roff(option.value) + "\\fR"
                                       : " " + roff(CLI::detail::join(option.choices, "|"));
    page += "\n" + roff(option.description) + ".";
    if (!option.standard.empty()) page += " Default: " + roff(option.standard) + ".";
    if (option.isRequired && !names.empty()) page += " Required.";
    page += "\n";
}

void writeCommand(std::string& page, const CommandWords& command) {
    if (command.commands.empty()) {
        page += ".SS " + roff(CLI::detail::join(command.path, " "));
        for (const OptionWords& argument : command.arguments)
            page += " " + roff(argument.isRequired ? argument.value : "[" + argument.value + "]") +
                    (argument.repeats ? "..." : "");
        page += "\n" + roff(command.description) + ".\n";
        for (const OptionWords& argument : command.arguments) writeOption(page, argument);
        for (const OptionWords& option : command.options)
            if (option.longName != "--help") writeOption(page, option);
    }
    for (const CommandWords& each : command.commands) writeCommand(page, each);
}

} // namespace

std::string manualPage(const CommandWords& program) {
    std::string page = ".TH BARYTON\\-CLI 1 \"\" \"" + roff(std::string(kProgram) + " " + kVersion) +
                       "\" \"User Commands\"\n"
                       ".SH NAME\nbaryton\\-cli \\- put colour styles on whole sets of pictures\n"
                       ".SH SYNOPSIS\n.B baryton\\-cli\n.I COMMAND\n[OPTIONS]\n"
                       ".SH DESCRIPTION\nThe engine of\n.BR baryton (1)\n"
                       "for scripts: the same presets, LUTs and plans, the same files byte for byte.\n"
                       "Every command has \\fB\\-\\-help\\fR. Originals are never written to.\n"
                       ".SH OPTIONS\n";
    for (const OptionWords& option : program.options) writeOption(page, option);
    page += ".SH COMMANDS\n";
    for (const CommandWords& each : program.commands) writeCommand(page, each);
    page += ".SH EXIT STATUS\n"
            ".TP\n0\nEverything that was named is done.\n"
            ".TP\n1\nSomething could not be read, is not valid or could not be written; the rest is done.\n"
            ".TP\n2\nThe command itself is wrong, and nothing was touched.\n"
            ".SH FILES\n"
            ".TP\n.I NAME.EXT.bgrade\nThe grade of a picture, beside it.\n"
            ".TP\n.I ~/.local/share/baryton/presets\nThe library of presets, one folder a group.\n"
            ".SH SEE ALSO\n.BR baryton (1)\n";
    return page;
}

} // namespace baryton
