#include "base/output.h"
#include "base/utf8.h"
#include "batch/lut_set.h"
#include "cli/commands.h"
#include "cli/look_files.h"
#include "lut/bake.h"
#include "lut/lut_picture.h"

#include <algorithm>
#include <iostream>
#include <memory>

namespace baryton {

namespace {

struct BakeWish {
    std::vector<std::string> presets;
    std::string names; ///< of the files of several; `output.out` is their folder then
    LutOutput output;
    bool ignoresMasks = false;
};

/// What of a preset is not in its LUT, or acts there where it would not.
void tellLeftOut(const std::string& preset, const Grade& carried, bool ignoresMasks) {
    const WithoutPlaces everywhere = withoutPlaces(carried);
    const Grade& grade = ignoresMasks ? everywhere.grade : carried;
    if (ignoresMasks)
        for (const auto& name : everywhere.layers)
            std::cerr << preset << ": mask ignored: " << name << " acts everywhere in the LUT\n";
    for (const auto& name : leftOutOfLut(grade))
        std::cerr << preset << ": left out: " << name << " is not a function of colour alone\n";
}

/// All of them into one folder; a line of JSON for each.
int bakeSet(const BakeWish& options) {
    if (options.output.out == "-")
        throw WrongUsage("-o -", "", "several LUTs have no room in one output", "name a folder");
    LutSetWish wish;
    wish.folder = options.output.out;
    if (!options.names.empty()) wish.pattern = options.names;
    wish.lut = lutOf(options.output);
    wish.lut.format = lutFormatFromName(options.output.format).value_or(LutFormat::Cube);
    wish.within = options.output.within;
    wish.ignoresMasks = options.ignoresMasks;
    std::vector<LutSetItem> items;
    for (const std::string& file : options.presets) {
        const Preset preset = checkedPreset(file);
        const auto group = std::filesystem::absolute(file).parent_path().filename().string();
        items.push_back({file, preset.name, group, preset.carried});
        tellLeftOut(file, preset.carried, options.ignoresMasks);
    }
    int code = kAllDone;
    checkUsage([&] { lutSetFiles(items, wish); });
    exportLutSet(items, wish, picturesOn(options.output), nullptr, [&](std::size_t, const LutSetEntry& entry) {
        if (!entry.failure.empty()) {
            std::cerr << entry.failure << '\n';
            code = kSomeFailed;
            return;
        }
        if (!entry.isAsNear) tellNoneWithin(entry.file.string(), *options.output.within);
        Json json{{"file", asUtf8(entry.file.string())}};
        json.update(jsonOf(entry.report, entry.size, options.output));
        std::cout << json.dump() << '\n';
    });
    return code;
}

int bake(const BakeWish& options) {
    if (options.presets.size() > 1 || !options.names.empty()) return bakeSet(options);
    const std::string& file = options.presets.front();
    const Preset preset = checkedPreset(file);
    InputSet inputs;
    inputs.add(file);
    tellLeftOut(file, preset.carried, options.ignoresMasks);
    return writeBaked(options.ignoresMasks ? withoutPlaces(preset.carried).grade : preset.carried, preset.name,
                      options.output, inputs);
}

int info(const std::string& file) {
    const ParsedLut lut = readAnyLut(file);
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
                 {"format", lut.format ? lutExtension(*lut.format) : "picture"},
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
    auto options = std::make_shared<BakeWish>();
    auto* bakeCommand =
        lut->add_subcommand("bake", "Write a preset's Look as a LUT file; prints its measured fidelity");
    bakeCommand->add_option("--preset", options->presets, "The preset file, or several: then -o names a folder")
        ->required()
        ->type_name("FILE");
    bakeCommand->add_option("--names", options->names,
                            "What the LUTs of several presets are called; default: {preset}.{ext}");
    addLutOutput(*bakeCommand, options->output);
    addLutSpaces(*bakeCommand, options->output);
    bakeCommand
        ->add_option("--within", options->output.within,
                     "The smallest of 17, 25, 33, 49, 65 at which 99 of 100 colours lie within this CIEDE2000")
        ->check(CLI::PositiveNumber)
        ->excludes(bakeCommand->get_option("--size"));
    bakeCommand->add_flag("--prep", options->output.withPrep, "Bake the Prep's Exposure and White balance too");
    bakeCommand->add_flag("--ignore-masks", options->ignoresMasks,
                          "Let layers act everywhere that a mask holds to places, rather than leave them out");
    bakeCommand->callback([options, &code] { code = bake(*options); });

    auto file = std::make_shared<std::string>();
    auto* infoCommand = lut->add_subcommand("info", "Tell what a LUT file holds, as one JSON object");
    infoCommand->add_option("file", *file, "A .cube, .3dl or .clf file, or a picture that is one")
        ->required()
        ->type_name("FILE");
    infoCommand->callback([file, &code] { code = info(*file); });
    addLutTools(*lut, code);
    addLutLearning(*lut, code);
}

} // namespace baryton
