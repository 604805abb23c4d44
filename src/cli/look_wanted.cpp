#include "cli/look_wanted.h"
#include "cli/look_files.h"

namespace baryton {

CLI::Validator plainNumber() {
    return CLI::Validator(
        [](const std::string& text) {
            const bool isPlain = text.find_first_not_of("0123456789.") == std::string::npos && !text.empty() &&
                                 !(text.size() > 1 && text[0] == '0' && text[1] != '.');
            return isPlain ? std::string() : "\"" + text + "\" is not a plain number";
        },
        "", "plain number");
}

void LookWanted::noteOrder(const CLI::App& command) {
    std::size_t preset = 0, lut = 0;
    for (const CLI::Option* option : command.parse_order()) {
        if (option->check_name("--preset")) order.emplace_back('p', presets.at(preset++));
        if (option->check_name("--lut")) order.emplace_back('l', luts.at(lut++));
    }
}

std::vector<std::string> LookWanted::files() const {
    std::vector<std::string> all;
    for (const auto& [kind, file] : order) all.push_back(file);
    return all;
}

void addLookWanted(CLI::App& command, LookWanted& look) {
    command
        .add_option("--preset", look.presets,
                    "A preset file; may be given several times. Presets and LUTs act in the order given")
        ->type_name("FILE")
        ->expected(1)
        ->take_all()
        ->allow_extra_args(false);
    command
        .add_option("--lut", look.luts,
                    "A .cube, .3dl or .clf file as a stage of the Look; may be given several times")
        ->type_name("FILE")
        ->expected(1)
        ->take_all()
        ->allow_extra_args(false);
    command
        .add_option("--mode", look.mode,
                    "How presets are put on: set just what they carry, add their layers above, or replace the Look")
        ->check(CLI::IsMember({"set", "add", "replace"}))
        ->capture_default_str();
    command.add_option("--strength", look.strength, "How far presets go, in percent: 100 as they were saved")
        ->check(plainNumber())
        ->check(CLI::Range(0.0, 200.0))
        ->capture_default_str();
}

void addTakesWanted(CLI::App& command, LookWanted& look) {
    command
        .add_option(
            "--take", look.takes,
            "In the place of presets: each picture's take of that name; pictures that have none are left out. "
            "May be given again, for a file of each")
        ->type_name("NAME")
        ->expected(1)
        ->take_all()
        ->allow_extra_args(false);
}

std::vector<BatchLook> batchLooksOf(const LookWanted& wanted) {
    if (wanted.takes.empty()) return {batchLookOf(wanted)};
    if (!wanted.order.empty())
        throw WrongUsage("--take", "", "a take is a whole grade: presets do not go along with it",
                         "leave out --take, or the presets and LUTs");
    std::vector<BatchLook> looks;
    for (const std::string& take : wanted.takes) {
        BatchLook look{take, {}, true};
        look.take = take;
        looks.push_back(std::move(look));
    }
    return looks;
}

BatchLook batchLookOf(const LookWanted& wanted) {
    BatchLook look;
    for (const auto& [kind, file] : wanted.order) {
        look.presets.push_back(kind == 'p' ? checkedPreset(file) : lutAsPreset(file));
        look.name += (look.name.empty() ? "" : " ") + look.presets.back().name;
    }
    look.mode = *applyModeFromId(wanted.mode);
    look.strength = wanted.strength / 100;
    look.ownGrade = look.presets.empty();
    if (look.ownGrade) look.name = "own grade";
    return look;
}

} // namespace baryton
