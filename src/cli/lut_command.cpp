#include "base/output.h"
#include "base/utf8.h"
#include "cli/commands.h"
#include "cli/look_files.h"
#include "lut/bake.h"

#include <algorithm>
#include <iostream>
#include <memory>

namespace baryton {

namespace {

struct BakeOptions {
    std::string preset;
    LutOutput output;
    bool ignoresMasks = false;
};

int bake(const BakeOptions& options) {
    const Preset preset = checkedPreset(options.preset);
    InputSet inputs;
    inputs.add(options.preset);
    const WithoutPlaces everywhere = withoutPlaces(preset.carried);
    const Grade& grade = options.ignoresMasks ? everywhere.grade : preset.carried;
    if (options.ignoresMasks)
        for (const auto& name : everywhere.layers)
            std::cerr << options.preset << ": mask ignored: " << name << " acts everywhere in the LUT\n";
    for (const auto& name : leftOutOfLut(grade))
        std::cerr << options.preset << ": left out: " << name << " is not a function of colour alone\n";
    return writeBaked(grade, preset.name, options.output, inputs);
}

int info(const std::string& file) {
    const ParsedLut lut = readLutFile(file);
    const LutTable& t = lut.table;
    const bool both = !t.shaper.empty() && !t.grid.empty();
    const auto& low = t.shaper.empty() ? t.gridMin : t.shaperMin;
    const auto& high = t.shaper.empty() ? t.gridMax : t.shaperMax;
    float least = 1e30F, most = -1e30F;
    for (const auto* values : {&t.shaper, &t.grid})
        for (const float v : *values)
            if (both ? values == &t.grid : true) least = std::min(least, v), most = std::max(most, v);
    Json json = {{"kind", both             ? "1D+3D"
                          : t.grid.empty() ? "1D"
                                           : "3D"},
                 {"format", lutExtension(lut.format)},
                 {"title", asUtf8(t.title)},
                 {"domain", {{"min", low}, {"max", high}}},
                 {"range", {least, most}}};
    if (both)
        json["size"] = {{"1D", t.shaperSize()}, {"3D", t.gridSize()}};
    else
        json["size"] = t.grid.empty() ? static_cast<int>(t.shaperSize()) : t.gridSize();
    if (!lut.remarks.empty()) json["remarks"] = lut.remarks;
    std::cout << json.dump() << '\n';
    return kAllDone;
}

} // namespace

void addLutCommands(CLI::App& app, int& code) {
    auto* lut = app.add_subcommand("lut", "Make LUT files and look at them");
    lut->require_subcommand(1);
    auto options = std::make_shared<BakeOptions>();
    auto* bakeCommand =
        lut->add_subcommand("bake", "Write a preset's Look as a LUT file; prints its measured fidelity");
    bakeCommand->add_option("--preset", options->preset, "The preset file")->required()->type_name("FILE");
    addLutOutput(*bakeCommand, options->output);
    addLutSpaces(*bakeCommand, options->output);
    bakeCommand->add_flag("--ignore-masks", options->ignoresMasks,
                          "Let layers act everywhere that a mask holds to places, rather than leave them out");
    bakeCommand->callback([options, &code] { code = bake(*options); });

    auto file = std::make_shared<std::string>();
    auto* infoCommand = lut->add_subcommand("info", "Tell what a LUT file holds, as one JSON object");
    infoCommand->add_option("file", *file, "A .cube or .3dl file")->required()->type_name("FILE");
    infoCommand->callback([file, &code] { code = info(*file); });
    addLutTools(*lut, code);
    addLutLearning(*lut, code);
}

} // namespace baryton
