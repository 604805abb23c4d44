#include "cli/describe.h"

#include <algorithm>

namespace baryton {

namespace {

std::vector<std::string> choicesIn(const std::string& typeName) {
    const auto open = typeName.find(":{"), close = typeName.rfind('}');
    if (open == std::string::npos || close == std::string::npos || close < open) return {};
    return CLI::detail::split(typeName.substr(open + 2, close - open - 2), ',');
}

/// "FLOAT:FLOAT in [0 - 200]" is a number to whoever reads it.
std::string valueIn(const std::string& typeName) {
    const std::string kind = typeName.substr(0, typeName.find(':'));
    if (kind == "TEXT") return "TEXT";
    if (kind == "INT" || kind == "FLOAT" || kind == "UINT") return "NUMBER";
    return kind;
}

bool isFile(const std::string& value) {
    static constexpr const char* files[] = {"FILE", "DIR", "FOLDER", "PICTURE", "PLAN", "PROFILE", "PRESET", "LUT"};
    return std::any_of(std::begin(files), std::end(files),
                       [&](const char* each) { return value.find(each) != std::string::npos; });
}

OptionWords describeOption(const CLI::Option& option) {
    OptionWords words;
    const auto& shorts = option.get_snames();
    const auto& longs = option.get_lnames();
    if (!shorts.empty()) words.shortName = "-" + shorts.front();
    if (!longs.empty()) words.longName = "--" + longs.front();
    words.description = option.get_description();
    words.isRequired = option.get_required();
    words.repeats = option.get_items_expected_max() > 1;
    if (option.get_positional() || option.get_items_expected_max() > 0) {
        const std::string type = option.get_type_name();
        words.choices = choicesIn(type);
        words.value = valueIn(type);
        words.standard = option.get_default_str();
        if (option.get_positional() && words.value.empty()) words.value = option.get_name(true);
        words.takesFile = words.choices.empty() && isFile(words.value);
    }
    return words;
}

CommandWords describeCommand(const CLI::App& app, std::vector<std::string> path) {
    CommandWords words{path, app.get_description(), {}, {}, {}};
    for (const CLI::Option* option : app.get_options())
        (option->nonpositional() ? words.options : words.arguments).push_back(describeOption(*option));
    for (const CLI::App* each : app.get_subcommands([](const CLI::App*) { return true; })) {
        path.push_back(each->get_name());
        words.commands.push_back(describeCommand(*each, path));
        path.pop_back();
    }
    return words;
}

} // namespace

CommandWords describeCommands(const CLI::App& app) {
    return describeCommand(app, {});
}

} // namespace baryton
