#include "base/error.h"
#include "cli/commands.h"
#include "cli/describe.h"
#include "grade/json.h"
#include "stages/blend.h"
#include "stages/limits.h"
#include "stages/purposes.h"
#include "stages/stage_type.h"

#include <algorithm>
#include <fmt/format.h>
#include <iostream>
#include <memory>

namespace baryton {

namespace {

std::string kindName(ParameterKind kind) {
    switch (kind) {
    case ParameterKind::Number:
        return "number";
    case ParameterKind::Toggle:
        return "toggle";
    case ParameterKind::Choice:
        return "choice";
    case ParameterKind::CurveShape:
        return "curve";
    case ParameterKind::Text:
        return "text";
    case ParameterKind::Picture:
        return "picture";
    case ParameterKind::Mask:
        return "mask";
    case ParameterKind::LutFile:
        break;
    }
    return "lut";
}

/// True of what holds a file's content.
bool hasNoDefault(ParameterKind kind) {
    return kind == ParameterKind::LutFile || kind == ParameterKind::Picture;
}

std::string unitName(Unit unit) {
    switch (unit) {
    case Unit::Stops:
        return "stops";
    case Unit::Kelvin:
        return "kelvin";
    case Unit::Percent:
        return "fraction";
    case Unit::Degrees:
        return "degrees";
    case Unit::Pixels:
        return "pixels of the full-size picture";
    case Unit::PerMille:
        return "thousandths of the frame's long side";
    case Unit::Millimetres:
        return "mm";
    case Unit::None:
        break;
    }
    return "";
}

void listStages(bool asJson) {
    Json all = Json::array();
    for (const StageType* type : stageTypes()) {
        Json stage = {{"id", type->id},
                      {"name", type->name},
                      {"summary", type->summary},
                      {"bakes", type->bakes()},
                      {"parameters", Json::array()}};
        for (const Part part : type->parts) stage["parts"].push_back(partName(part));
        if (!asJson)
            std::cout << fmt::format("{:<14} {} ({}, {})\n", type->id, type->name, partName(type->parts[0]),
                                     type->bakes() ? "bakes" : "does not bake");
        for (const auto& p : type->parameters) {
            Json parameter = {{"id", p.id},
                              {"name", p.name},
                              {"kind", kindName(p.kind)},
                              {"unit", unitName(p.unit)},
                              {"tooltip", p.tooltip}};
            const bool number = p.kind == ParameterKind::Number;
            if (number) parameter["range"] = {p.minimum, p.maximum};
            for (const auto& option : p.options)
                parameter["options"].push_back({{"id", option.id}, {"name", option.name}});
            parameter["default"] = hasNoDefault(p.kind) ? Json(nullptr) : valueToJson(p.defaultValue);
            if (!asJson) {
                const std::string range = number ? fmt::format("{:g}…{:g} {} ({:g})", p.minimum, p.maximum,
                                                               unitName(p.unit), std::get<double>(p.defaultValue))
                                                 : kindName(p.kind);
                std::cout << fmt::format("  {:<18} {:<20} {}\n", p.id, p.name, range);
            }
            stage["parameters"].push_back(std::move(parameter));
        }
        all.push_back(std::move(stage));
    }
    if (asJson) std::cout << all.dump(1) << '\n';
}

/// The page docs/stages.md: every stage with its strip and its parameters.
void writeMarkdown() {
    std::cout << "# Stages\n\nWritten by `baryton-cli stages --markdown`. Each strip shows a demo picture before and "
                 "after the stage "
                 "alone at a setting that shows what it does.\n";
    const auto& limits = limitParameters();
    const auto isLimit = [&](const ParameterType& p) {
        return std::any_of(limits.begin(), limits.end(), [&](const auto& l) { return l.id == p.id; });
    };
    const auto row = [](const ParameterType& p) {
        std::string range = kindName(p.kind);
        if (p.kind == ParameterKind::Number)
            range = p.wraps ? "0°…360°" : fmt::format("{}…{}", shownText(p, p.minimum), shownText(p, p.maximum));
        if (p.kind == ParameterKind::Choice) {
            range.clear();
            for (const auto& option : p.options) range += (range.empty() ? "" : ", ") + option.name;
        }
        std::cout << fmt::format("| `{}` | {} | {} | {} | {} |\n", p.id, p.name, range, shownText(p, p.defaultValue),
                                 p.tooltip + (p.onVectorscope ? " In files: its angle on the vectorscope." : ""));
    };
    const char* head = "\n| Id | Name | Range | Default | What happens |\n|---|---|---|---|---|\n";
    for (const StageType* type : stageTypes()) {
        std::string parts;
        for (const Part part : type->parts) parts += (parts.empty() ? "" : ", ") + partName(part);
        std::cout << fmt::format("\n## {}\n\n{} Stands in {}; {}.\n\n{}\n\n![{} before and after](stages/{}.png)\n",
                                 type->name, type->summary, parts, type->bakes() ? "bakes" : "does not bake",
                                 useOf(type->id), type->name, type->id)
                  << head;
        for (const auto& p : type->parameters)
            if (!isLimit(p)) row(p);
    }
    std::cout << "\n## Limits\n\nEvery stage that stands in the Look alone can be held to a range of tones and of "
                 "hues; the others by their layer's mask.\n"
              << head;
    for (const auto& p : limits) row(p);
}

/// Every text of the stage types, once each, as C++ that the collector of texts reads.
void writeWords() {
    std::vector<std::string> all;
    const auto add = [&](const std::string& text) {
        if (!text.empty() && std::find(all.begin(), all.end(), text) == all.end()) all.push_back(text);
    };
    for (const StageType* type : stageTypes()) {
        add(type->name);
        add(type->summary);
        for (const auto& p : type->parameters) {
            add(p.name);
            add(p.tooltip);
            for (const auto& option : p.options) add(option.name);
        }
    }
    for (const auto& mode : blendModes()) add(mode.name);
    std::cout
        << "// Written by share/translations/update: the texts of the stages, for the collector of texts only.\n";
    for (const std::string& text : all) std::cout << "QT_TRANSLATE_NOOP(\"baryton\", " << Json(text).dump() << ")\n";
}

} // namespace

void addInfoCommands(CLI::App& app) {
    auto* stages = app.add_subcommand("stages", "List every stage type and its parameters");
    auto asJson = std::make_shared<bool>(false);
    stages->add_flag("--json", *asJson, "As JSON, with units, ranges and defaults as they stand in files");
    auto asMarkdown = std::make_shared<bool>(false);
    stages->add_flag("--markdown", *asMarkdown, "As the page docs/stages.md");
    auto asWords = std::make_shared<bool>(false);
    stages->add_flag("--words", *asWords, "Their texts, for translators");
    stages->callback([asJson, asMarkdown, asWords] {
        if (*asWords)
            writeWords();
        else if (*asMarkdown)
            writeMarkdown();
        else
            listStages(*asJson);
    });
}

void addDescribeCommand(CLI::App& app) {
    auto* describe = app.add_subcommand("describe", "Print the manual page, or what completes commands in a shell");
    auto as = std::make_shared<std::string>("man");
    describe->add_option("--as", *as, "The manual page, or the completion for a shell")
        ->check(CLI::IsMember({"man", "bash", "zsh", "fish"}))
        ->capture_default_str();
    describe->callback([&app, as] {
        const CommandWords program = describeCommands(app);
        std::cout << (*as == "man" ? manualPage(program) : completionFor(*as, program));
    });
}

} // namespace baryton
