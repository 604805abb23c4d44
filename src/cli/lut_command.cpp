#include "base/file.h"
#include "base/letters.h"
#include "base/output.h"
#include "base/utf8.h"
#include "cli/commands.h"
#include "cli/terminal.h"
#include "grade/grade_json.h"
#include "grade/json.h"
#include "lut/bake.h"
#include "stages/validate.h"

#include <algorithm>
#include <cstdlib>
#include <filesystem>
#include <iostream>
#include <memory>
#include <optional>

namespace baryton {

namespace {

/// A folder for a file on its way, gone with it.
class PrivateFolder {
public:
    PrivateFolder() {
        std::string name = (std::filesystem::temp_directory_path() / "baryton-XXXXXX").string();
        if (!::mkdtemp(name.data()))
            throw Error(name, "", "cannot make a folder for what is on its way", "set TMPDIR to a folder with room");
        path_ = name;
    }
    PrivateFolder(const PrivateFolder&) = delete;
    PrivateFolder& operator=(const PrivateFolder&) = delete;
    ~PrivateFolder() {
        std::error_code ignored;
        std::filesystem::remove_all(path_, ignored);
    }
    const std::filesystem::path& path() const { return path_; }

private:
    std::filesystem::path path_;
};

struct BakeOptions {
    std::string preset, out, format;
    int size = 33;
    bool ignoresMasks = false;
};

int bake(const BakeOptions& options) {
    const Preset preset = readPresetFile(options.preset);
    try {
        requireValid(preset.carried);
    } catch (const Error& e) {
        throw e.inFile(options.preset);
    }
    std::string format = options.format;
    if (format.empty()) {
        if (options.out == "-") throw WrongUsage("-o -", "", "a name would tell the format", "add --format");
        format = lowerCase(std::filesystem::path(options.out).extension().string());
        if (format != ".3dl" && format != ".cube")
            throw WrongUsage(options.out, "", "the name ends neither in .cube nor in .3dl", "add one, or --format");
        format.erase(0, 1);
    }
    InputSet inputs;
    inputs.add(options.preset);
    const bool isShown = options.out == "-";
    if (!isShown) checkUsage([&] { requireOutput(options.out, inputs, isLutFile, "a LUT"); });
    LutExport wanted;
    wanted.file = options.out;
    wanted.format = *lutFormatFromName(format);
    wanted.size = options.size;
    wanted.title = preset.name;
    // What goes to standard output is written like any file first, and measured.
    std::optional<PrivateFolder> aside;
    if (isShown) wanted.file = aside.emplace().path() / ("look." + lutExtension(wanted.format));
    const WithoutPlaces everywhere = withoutPlaces(preset.carried);
    const LutExportReport report = exportLut(options.ignoresMasks ? everywhere.grade : preset.carried, wanted, {});
    if (options.ignoresMasks)
        for (const auto& name : everywhere.layers)
            std::cerr << options.preset << ": mask ignored: " << name << " acts everywhere in the LUT\n";
    for (const auto& name : report.leftOut)
        std::cerr << options.preset << ": left out: " << name << " is not a function of colour alone\n";
    const Difference& d = report.fidelity.cube;
    Json account = {{"file", asUtf8(options.out)},
                    {"size", options.size},
                    {"deltaE2000", {{"mean", d.mean}, {"percentile99", d.percentile99}, {"worst", d.worst}}},
                    {"leftOut", report.leftOut}};
    (isShown ? std::cerr : std::cout) << account.dump() << '\n';
    if (isShown) exactOutput() << readFile(wanted.file) << std::flush;
    return kAllDone;
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
    auto* bakeCommand = lut->add_subcommand(
        "bake", "Write a preset's Look as a LUT file (reads and writes sRGB); prints its measured fidelity");
    bakeCommand->add_option("--preset", options->preset, "The preset file")->required()->type_name("FILE");
    bakeCommand->add_option("--size", options->size, "Grid points along each edge")
        ->check(CLI::Range(2, 129))
        ->capture_default_str();
    bakeCommand->add_flag("--ignore-masks", options->ignoresMasks,
                          "Let layers act everywhere that a mask holds to places, rather than leave them out");
    bakeCommand->add_option("--format", options->format, "File format; default: by the extension")
        ->check(CLI::IsMember({"cube", "3dl"}));
    bakeCommand->add_option("-o,--output", options->out, "The LUT file to write; - for standard output")
        ->required()
        ->type_name("FILE");
    bakeCommand->callback([options, &code] { code = bake(*options); });

    auto file = std::make_shared<std::string>();
    auto* infoCommand = lut->add_subcommand("info", "Tell what a LUT file holds, as one JSON object");
    infoCommand->add_option("file", *file, "A .cube or .3dl file")->required()->type_name("FILE");
    infoCommand->callback([file, &code] { code = info(*file); });
}

} // namespace baryton
