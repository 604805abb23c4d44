#include "cli/describe.h"

#include <functional>

namespace baryton {

namespace {

using Each = std::function<void(const CommandWords&)>;

void forEach(const CommandWords& command, const Each& what) {
    what(command);
    for (const CommandWords& each : command.commands) forEach(each, what);
}

/// In single quotes, as all three shells take them.
std::string inQuotes(const std::string& text) {
    std::string all = "'";
    for (const char c : text) all += c == '\'' ? std::string("'\\''") : std::string(1, c);
    return all + "'";
}

/// A description in one line that is not too long to stand beside its option.
std::string briefly(const std::string& description) {
    const auto end = description.find_first_of(";.:");
    return end == std::string::npos ? description : description.substr(0, end);
}

std::string bash(const CommandWords& program) {
    std::string paths, values, words;
    forEach(program, [&](const CommandWords& command) {
        const std::string path = CLI::detail::join(command.path, " ");
        if (!path.empty()) paths += (paths.empty() ? "" : " | ") + inQuotes(path);
        std::string own;
        for (const CommandWords& each : command.commands) own += " " + each.path.back();
        for (const OptionWords& option : command.options) {
            for (const std::string& name : {option.shortName, option.longName}) {
                if (name.empty()) continue;
                own += " " + name;
                if (option.value.empty()) continue;
                values += "    " + inQuotes(path + ":" + name) + ") ";
                if (!option.choices.empty())
                    values += "mapfile -t COMPREPLY < <(compgen -W " +
                              inQuotes(CLI::detail::join(option.choices, " ")) + " -- \"$cur\")";
                else if (option.takesFile)
                    values += "compopt -o filenames; mapfile -t COMPREPLY < <(compgen -f -- \"$cur\")";
                else
                    values += ":";
                values += "; return ;;\n";
            }
        }
        words += "    " + inQuotes(path) + ") words=" + inQuotes(own.empty() ? "" : own.substr(1)) +
                 (command.commands.empty() ? " takes_files=yes" : "") + " ;;\n";
    });
    return "# Completes baryton-cli in bash. Written by `baryton-cli describe --as bash`.\n"
           "_baryton_cli() {\n"
           "  local cur=${COMP_WORDS[COMP_CWORD]} path= words= takes_files= word\n"
           "  COMPREPLY=()\n"
           "  for word in \"${COMP_WORDS[@]:1:COMP_CWORD-1}\"; do\n"
           "    case \"${path:+$path }$word\" in\n"
           "    " +
           paths +
           ") path=\"${path:+$path }$word\" ;;\n"
           "    esac\n"
           "  done\n"
           "  case \"$path:${COMP_WORDS[COMP_CWORD-1]}\" in\n" +
           values +
           "  esac\n"
           "  case \"$path\" in\n" +
           words +
           "  esac\n"
           "  if [[ $cur == -* || -z $takes_files ]]; then\n"
           "    mapfile -t COMPREPLY < <(compgen -W \"$words\" -- \"$cur\")\n"
           "  fi\n"
           "  if [[ ${#COMPREPLY[@]} -eq 0 && -n $takes_files ]]; then\n"
           "    compopt -o filenames\n"
           "    mapfile -t COMPREPLY < <(compgen -f -- \"$cur\")\n"
           "  fi\n"
           "}\n"
           "complete -F _baryton_cli baryton-cli\n";
}

std::string zshFunction(const CommandWords& command) {
    return command.path.empty() ? "_baryton_cli" : "_baryton_cli_" + CLI::detail::join(command.path, "_");
}

/// Within the brackets of a description.
std::string zshText(const std::string& text) {
    std::string all;
    for (const char c : text) {
        if (c == '[' || c == ']' || c == ':' || c == '\\') all += '\\';
        all += c;
    }
    return all;
}

std::string zsh(const CommandWords& program) {
    std::string all =
        "#compdef baryton-cli\n# Completes baryton-cli in zsh. Written by `baryton-cli describe --as zsh`.\n";
    forEach(program, [&](const CommandWords& command) {
        all += zshFunction(command) +
               "() {\n  local context state state_descr line\n  typeset -A opt_args\n  _arguments -C";
        for (const OptionWords& option : command.options)
            for (const std::string& name : {option.shortName, option.longName}) {
                if (name.empty()) continue;
                std::string spec =
                    (option.repeats ? "*" : "") + name + "[" + zshText(briefly(option.description)) + "]";
                if (!option.value.empty())
                    spec += ":" + zshText(option.value) + ":" +
                            (!option.choices.empty() ? "(" + CLI::detail::join(option.choices, " ") + ")"
                             : option.takesFile      ? "_files"
                                                     : "");
                all += " \\\n    " + inQuotes(spec);
            }
        if (command.commands.empty()) {
            all += " \\\n    '*:file:_files'\n}\n";
            return;
        }
        all += " \\\n    '1:command:->command' '*::argument:->argument'\n  case $state in\n  command)\n    local -a "
               "commands=(";
        for (const CommandWords& each : command.commands)
            all += " " + inQuotes(each.path.back() + ":" + briefly(each.description));
        all += " )\n    _describe command commands ;;\n  argument)\n    case $line[1] in\n";
        for (const CommandWords& each : command.commands)
            all += "    " + each.path.back() + ") " + zshFunction(each) + " ;;\n";
        all += "    esac ;;\n  esac\n}\n";
    });
    return all + "_baryton_cli \"$@\"\n";
}

std::string fish(const CommandWords& program) {
    std::string all = "# Completes baryton-cli in fish. Written by `baryton-cli describe --as fish`.\n"
                      "# True where the words before the cursor are just this command, options aside.\n"
                      "function __baryton_cli_at\n"
                      "  set -l words (commandline -opc)\n"
                      "  set -e words[1]\n"
                      "  set -l commands (string match -v -- '-*' $words)\n"
                      "  test (count $commands) -ge (count $argv); or return 1\n"
                      "  test (count $argv) -eq 0; and return (test (count $commands) -eq 0)\n"
                      "  test \"$commands[1..\"(count $argv)\"]\" = \"$argv\"\n"
                      "end\n"
                      "complete -c baryton-cli -f\n";
    forEach(program, [&](const CommandWords& command) {
        const std::string at =
            " -n " +
            inQuotes("__baryton_cli_at" + (command.path.empty() ? "" : " " + CLI::detail::join(command.path, " ")));
        for (const CommandWords& each : command.commands)
            all += "complete -c baryton-cli" + at + " -a " + each.path.back() + " -d " +
                   inQuotes(briefly(each.description)) + "\n";
        if (command.commands.empty()) all += "complete -c baryton-cli" + at + " -F\n";
        for (const OptionWords& option : command.options) {
            all += "complete -c baryton-cli" + at;
            if (!option.shortName.empty()) all += " -s " + option.shortName.substr(1);
            if (!option.longName.empty()) all += " -l " + option.longName.substr(2);
            if (!option.value.empty()) all += option.takesFile ? " -r -F" : " -x";
            if (!option.choices.empty()) all += " -a " + inQuotes(CLI::detail::join(option.choices, " "));
            all += " -d " + inQuotes(briefly(option.description)) + "\n";
        }
    });
    return all;
}

} // namespace

std::string completionFor(const std::string& shell, const CommandWords& program) {
    if (shell == "bash") return bash(program);
    if (shell == "zsh") return zsh(program);
    if (shell == "fish") return fish(program);
    return {};
}

} // namespace baryton
