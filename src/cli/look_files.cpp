#include "cli/look_files.h"
#include "base/file.h"
#include "base/letters.h"
#include "base/output.h"
#include "base/private_folder.h"
#include "base/utf8.h"
#include "batch/lut_set.h"
#include "cli/terminal.h"
#include "lut/lut_picture.h"
#include "package/library.h"
#include "picture/own_pixels.h"
#include "stages/validate.h"

#include <algorithm>
#include <cstdlib>
#include <iostream>

namespace baryton {

namespace fs = std::filesystem;

Preset lutAsPreset(const fs::path& file) {
    const ParsedLut lut = readAnyLut(file);
    for (const auto& remark : lut.remarks) std::cerr << file.string() << ": " << remark << '\n';
    return lutPreset(lut.table, file.filename().string());
}

Preset checkedPreset(const fs::path& file) {
    Preset preset = readPresetFile(file);
    try {
        requireValid(preset.carried);
    } catch (const Error& e) {
        throw e.inFile(file.string());
    }
    return preset;
}

bool isPresetFile(const fs::path& file) {
    try {
        readPresetFile(file);
        return true;
    } catch (const Error&) {
        return false;
    }
}

Preset lookOf(const fs::path& file) {
    return isLutFile(file) || isPictureFile(file) ? lutAsPreset(file) : checkedPreset(file);
}

void addLutOutput(CLI::App& command, LutOutput& output) {
    command.add_option("--size", output.size, "Grid points along each edge; default: 33, or what there is")
        ->check(CLI::Range(2, 129));
    auto* fit = command.add_flag("--fit", output.fits, "Fit the nodes; default: where that is measured to be better");
    command.add_flag("--sample", output.samples, "Sample the nodes")->excludes(fit);
    command.add_option("--format", output.format, "File format; default: by the extension")
        ->check(CLI::IsMember({"cube", "3dl", "clf"}));
    command.add_option("-o,--output", output.out, "The LUT file to write; - for standard output")
        ->required()
        ->type_name("FILE");
}

void addLutSpaces(CLI::App& command, LutOutput& output) {
    std::vector<std::string> ids;
    for (const EncodingType& type : encodings()) ids.push_back(type.id);
    command.add_option("--reads", output.reads, "The space of the numbers that it takes")
        ->check(CLI::IsMember(ids))
        ->capture_default_str();
    command.add_option("--writes", output.writes, "The space of those that it gives")
        ->check(CLI::IsMember(ids))
        ->capture_default_str();
    command.add_option("--on", output.on, "Pictures whose colours count, and to measure on")->type_name("PICTURE");
}

LutFormat formatOf(const LutOutput& output) {
    if (!output.format.empty()) return *lutFormatFromName(output.format);
    if (output.out == "-") throw WrongUsage("-o -", "", "a name would tell the format", "add --format");
    const std::string extension = lowerCase(fs::path(output.out).extension().string());
    if (!isLutName(output.out))
        throw WrongUsage(output.out, "", "the name ends neither in .cube nor in .3dl nor in .clf",
                         "add one, or --format");
    return *lutFormatFromName(extension.substr(1));
}

LutFormat requireLutOutput(const LutOutput& output, const InputSet& inputs) {
    const LutFormat format = formatOf(output);
    if (output.out != "-") checkUsage([&] { requireOutput(output.out, inputs, isLutFile, "a LUT"); });
    return format;
}

namespace {

/// What goes to standard output is written like any file first, and measured.
int written(const LutOutput& output, const InputSet& inputs, const Json& account,
            const std::function<Json(const fs::path&, LutFormat)>& write) {
    const LutFormat format = requireLutOutput(output, inputs);
    const bool isShown = output.out == "-";
    std::optional<PrivateFolder> aside;
    fs::path file = output.out;
    if (isShown) file = aside.emplace().path() / ("look." + lutExtension(format));
    Json whole = {{"file", asUtf8(output.out)}};
    whole.update(write(file, format));
    whole.update(account);
    (isShown ? std::cerr : std::cout) << whole.dump() << '\n';
    if (isShown) exactOutput() << readFile(file) << std::flush;
    return kAllDone;
}

} // namespace

Json jsonOf(const Difference& d) {
    return {{"mean", d.mean}, {"percentile99", d.percentile99}, {"worst", d.worst}};
}

int writeBaked(const Grade& grade, const std::string& title, const LutOutput& output, const InputSet& inputs,
               const Json& account) {
    const std::vector<Picture> pictures = picturesOn(output);
    return written(output, inputs, account, [&](const fs::path& file, LutFormat format) {
        LutExport lut = lutOf(output);
        lut.file = file, lut.format = format, lut.title = title;
        if (output.within) {
            const auto size = smallestWithin(fidelityByGrid(grade, lut, kUsualSizes, pictures), *output.within);
            if (!size) tellNoneWithin(output.out, *output.within);
            lut.size = size.value_or(kUsualSizes.back());
        }
        return jsonOf(exportLut(grade, lut, pictures), lut.size, output);
    });
}

void tellNoneWithin(const std::string& file, double within) {
    std::cerr << file << ": note: no grid is within " << within << "; written with the finest, " << kUsualSizes.back()
              << '\n';
}

std::vector<Picture> picturesOn(const LutOutput& output) {
    std::vector<Picture> pictures;
    for (const std::string& file : output.on) pictures.push_back(readOwnPixels({file}, OwnPixels::kMostPixels));
    return pictures;
}

LutExport lutOf(const LutOutput& output) {
    const auto space = [](const std::string& id) {
        for (const EncodingType& type : encodings())
            if (type.id == id) return type.encoding;
        return Encoding::Srgb;
    };
    LutExport lut;
    lut.size = output.size.value_or(lut.size);
    lut.nodes = output.fits ? NodeWay::Fitted : output.samples ? NodeWay::Sampled : NodeWay::Best;
    lut.spaces = {space(output.reads), space(output.writes)};
    lut.withPrep = output.withPrep;
    return lut;
}

Json jsonOf(const LutExportReport& report, int size, const LutOutput& output) {
    Json json{{"size", size},
              {"reads", output.reads},
              {"writes", output.writes},
              {"nodes", report.isFitted ? "fitted" : "sampled"},
              {"deltaE2000", jsonOf(report.fidelity.cube)},
              {"leftOut", report.leftOut}};
    if (report.fidelity.pictures.samples > 0) json["picturesDeltaE2000"] = jsonOf(report.fidelity.pictures);
    if (report.sampled) json["sampledDeltaE2000"] = jsonOf(report.sampled->cube);
    return json;
}

int writeTable(const LutTable& table, const LutOutput& output, const InputSet& inputs, const Json& account) {
    const bool isPlain = table.shaper.empty() && table.gridMin == std::array{0.0F, 0.0F, 0.0F} &&
                         table.gridMax == std::array{1.0F, 1.0F, 1.0F};
    const int size = output.size.value_or(table.gridSize());
    const bool canStay = size == table.gridSize() && (formatOf(output) == LutFormat::Cube || isPlain ||
                                                      (formatOf(output) == LutFormat::Clf && size <= 129));
    if (!canStay) {
        LutOutput baked = output;
        if (!baked.size && table.gridSize() > 0) baked.size = std::min(table.gridSize(), 129);
        if (!isPlain)
            std::cerr
                << output.out
                << ": note: what the table does outside 0…1 is not in the file, and a 1D table is in its grid\n";
        return writeBaked(lutGrade(table, table.title), table.title, baked, inputs, account);
    }
    return written(output, inputs, account, [&](const fs::path& file, LutFormat format) {
        writeLutFile(file, table, format);
        const Fidelity fidelity = measureFidelity(readLutFile(file).table, lutGrade(table, "LUT"), {});
        return Json{{"size", table.grid.empty() ? int(table.shaperSize()) : size},
                    {"deltaE2000", jsonOf(fidelity.cube)}};
    });
}

} // namespace baryton
