#include "base/letters.h"
#include "base/utf8.h"
#include "cli/look_files.h"
#include "edits/apply_strength.h"
#include "lut/health.h"
#include "lut/invert_lut.h"
#include "lut/lut_picture.h"
#include "lut/pattern.h"
#include "picture/metadata.h"
#include "render/graded_file.h"

#include <algorithm>
#include <iostream>
#include <memory>

namespace baryton {

namespace {

namespace fs = std::filesystem;

/// By the extension of a picture that is to be written.
OutputFormat pictureFormat(const std::string& file, std::optional<int> bits, int quality) {
    const std::string extension = lowerCase(fs::path(file).extension().string());
    OutputFormat format;
    format.quality = quality;
    if (extension == ".png")
        format.format = FileFormat::Png;
    else if (extension == ".tif" || extension == ".tiff")
        format.format = FileFormat::Tiff;
    else if (extension != ".jpg" && extension != ".jpeg")
        throw WrongUsage(file, "", "the name ends neither in .png, .tif nor .jpg", "add one");
    if (format.format == FileFormat::Jpeg && bits == 16)
        throw WrongUsage(file, "", "a JPEG has 8 bits", "choose .png or .tif");
    format.bits = bits.value_or(format.format == FileFormat::Jpeg ? 8 : 16);
    return format;
}

void requirePicture(const std::string& file, const InputSet& inputs) {
    checkUsage([&] { requireOutput(file, inputs, isOwnWork, "a picture of ours"); });
}

struct PatternOptions {
    int size = 33, bits = 16;
    std::optional<int> level;
    std::string out;
};

int writePattern(const PatternOptions& options) {
    const OutputFormat format = pictureFormat(options.out, options.bits, 95);
    if (format.format == FileFormat::Jpeg)
        throw WrongUsage(options.out, "", "a JPEG would change the colours of a pattern", "choose .png or .tif");
    requirePicture(options.out, {});
    QuantisedPicture pattern(0, 0, 3, options.bits);
    checkUsage([&] {
        pattern = options.level ? squareCube(*options.level, options.bits) : ownPattern(options.size, options.bits);
    });
    writePicture(options.out, pattern, {}, format);
    const int size = options.level ? *options.level * *options.level : options.size;
    std::cout << Json{{"file", asUtf8(options.out)},
                      {"size", size},
                      {"width", pattern.width},
                      {"height", pattern.height},
                      {"bits", options.bits}}
                     .dump()
              << '\n';
    return kAllDone;
}

int combine(const std::vector<std::string>& files, LutOutput output) {
    formatOf(output);
    InputSet inputs;
    Grade stack;
    std::string title;
    int finest = 33;
    for (const std::string& file : files) {
        inputs.add(file);
        const Preset look = lookOf(file);
        for (const StagePlace& place : stagePlaces(look.carried)) {
            const auto& parameters = stageAt(look.carried, place).parameters;
            const auto lut = parameters.find("file");
            const auto* content = lut == parameters.end() ? nullptr : std::get_if<LutContent>(&lut->second);
            if (content && content->table) finest = std::max(finest, std::min(content->table->gridSize(), 129));
        }
        stack = appliedWithStrength(stack, look, ApplyMode::AddAbove, 1);
        title += (title.empty() ? "" : ", ") + look.name;
    }
    for (const auto& name : leftOutOfLut(stack))
        std::cerr << output.out << ": left out: " << name << " is not a function of colour alone\n";
    if (!output.size) output.size = finest;
    return writeBaked(stack, title, output, inputs);
}

/// Of a LUT file; what its reader should know is told.
LutTable tableOf(const std::string& file) {
    ParsedLut lut = readAnyLut(file);
    for (const auto& remark : lut.remarks) std::cerr << file << ": " << remark << '\n';
    return std::move(lut.table);
}

int convert(const std::string& from, const LutOutput& output) {
    formatOf(output);
    InputSet inputs;
    inputs.add(from);
    const LutTable table = tableOf(from);
    return writeTable(table, output, inputs);
}

int invert(const std::string& from, const LutOutput& output) {
    formatOf(output);
    InputSet inputs;
    inputs.add(from);
    const LutTable table = tableOf(from);
    constexpr int usual = 33;
    InvertedLut inverted;
    try {
        inverted = invertedLut(table, output.size.value_or(std::clamp(table.gridSize(), usual, 129)));
    } catch (const Error& e) {
        throw e.inFile(from);
    }
    constexpr double much = 0.05;
    if (inverted.unreached > much)
        std::cerr << from << ": note: " << std::lround(100 * inverted.unreached)
                  << " % of the cube is what it makes of no colour: there it goes back to what is nearest\n";
    return writeTable(inverted.table, output, inputs,
                      {{"thereAndBack", jsonOf(inverted.thereAndBack)}, {"unreached", inverted.unreached}});
}

int compareLookFiles(const std::string& one, const std::string& other, const std::vector<std::string>& pictures) {
    std::vector<Picture> read;
    read.reserve(pictures.size());
    for (const std::string& file : pictures) read.push_back(readPicture(file).picture);
    const Fidelity fidelity = compareLooks(lookOf(one).carried, lookOf(other).carried, read);
    const auto account = [](const Difference& d) {
        Json json = jsonOf(d);
        json["at"] = d.worstAt;
        return json;
    };
    Json json = {{"cube", account(fidelity.cube)}};
    if (!read.empty()) json["pictures"] = account(fidelity.pictures);
    std::cout << json.dump() << '\n';
    return kAllDone;
}

int checkHealth(const std::string& file, bool asJson) {
    const ParsedLut lut = readAnyLut(file);
    const LutHealth h = healthOf(lut.table);
    if (!asJson) {
        for (const auto& remark : lut.remarks) std::cout << remark << '\n';
        for (const auto& sentence : h.sentences) std::cout << sentence << '\n';
        if (h.sentences.empty()) std::cout << "nothing of it stands out\n";
        return kAllDone;
    }
    Json json = {{"clipped", {{"low", h.clippedLow}, {"high", h.clippedHigh}}},
                 {"folded", h.folded},
                 {"largestStep", {{"levels", h.largestStep}, {"at", h.largestStepAt}}},
                 {"neutralDrift", {{"chroma", h.neutralDrift}, {"at", h.neutralDriftAt}, {"hue", h.neutralDriftHue}}},
                 {"black", h.black},
                 {"white", h.white},
                 {"skin", {{"turn", h.skinTurn}, {"chroma", h.skinChroma}, {"lightness", h.skinLightness}}},
                 {"sentences", h.sentences}};
    if (h.folded > 0) json["foldedAt"] = h.foldedAt;
    if (h.seemsMadeFor) json["seemsMadeFor"] = encodings()[static_cast<std::size_t>(*h.seemsMadeFor)].id;
    std::cout << json.dump() << '\n';
    return kAllDone;
}

struct ApplyLutOptions {
    std::string lut, picture, out;
    std::optional<int> bits;
    int quality = 90;
    double strength = 100;
};

int applyLutTo(const ApplyLutOptions& options) {
    const OutputFormat format = pictureFormat(options.out, options.bits, options.quality);
    InputSet inputs;
    inputs.add(options.lut), inputs.add(options.picture);
    requirePicture(options.out, inputs);
    Grade grade = lookOf(options.lut).carried;
    for (Layer& layer : grade.look) layer.strength = layer.strengthOrFull() * options.strength / 100;
    FileSource source(options.picture, sourceSettingsOf(grade), {}, 1, nullptr);
    const WrittenPicture written =
        writeGraded(options.out, source, Program::compile(grade), Output({format}), 0, nullptr);
    for (const auto& remark : source.remarks()) std::cerr << options.picture << ": note: " << remark << '\n';
    for (const auto& remark : written.remarks) std::cerr << options.out << ": note: " << remark << '\n';
    std::cout << options.out << '\n';
    return kAllDone;
}

void addPattern(CLI::App& lut, int& code) {
    auto options = std::make_shared<PatternOptions>();
    auto* command = lut.add_subcommand(
        "pattern", "Write a picture of every colour of a cube, to be graded elsewhere and learned from");
    auto* size = command->add_option("--size", options->size, "Grid points along each edge")
                     ->check(CLI::Range(PatternLayout::kLeastSize, PatternLayout::kMostSize))
                     ->capture_default_str();
    command
        ->add_option("--square-cube", options->level,
                     "The widely used square layout instead: level³ × level³ pixels hold (level²)³ colours")
        ->check(CLI::Range(2, 16))
        ->excludes(size);
    command->add_option("--bits", options->bits, "8 or 16")->check(CLI::IsMember({8, 16}))->capture_default_str();
    command->add_option("-o,--output", options->out, "The picture to write, .png or .tif")
        ->required()
        ->type_name("FILE");
    command->callback([options, &code] { code = writePattern(*options); });
}

void addApplyLut(CLI::App& lut, int& code) {
    auto options = std::make_shared<ApplyLutOptions>();
    auto* command = lut.add_subcommand("apply", "Put a LUT, or a preset, on one picture as it is");
    command->add_option("lut", options->lut, "A .cube, .3dl or .clf file, a picture that is one, or a preset")
        ->required()
        ->type_name("LUT");
    command->add_option("picture", options->picture, "The picture")->required()->type_name("PICTURE");
    command->add_option("--strength", options->strength, "Percent")->check(CLI::Range(0, 100))->capture_default_str();
    command->add_option("--bits", options->bits, "8 or 16; default: 16, and 8 of a JPEG")
        ->check(CLI::IsMember({8, 16}));
    command->add_option("--quality", options->quality, "Of a JPEG")->check(CLI::Range(1, 100))->capture_default_str();
    command->add_option("-o,--output", options->out, "The picture to write, .png, .tif or .jpg")
        ->required()
        ->type_name("FILE");
    command->callback([options, &code] { code = applyLutTo(*options); });
}

} // namespace

void addLutTools(CLI::App& lut, int& code) {
    addPattern(lut, code);
    addApplyLut(lut, code);
    auto files = std::make_shared<std::vector<std::string>>();
    auto output = std::make_shared<LutOutput>();
    auto* combineCommand =
        lut.add_subcommand("combine", "Make one LUT of several LUTs and presets, the first acting first");
    combineCommand->add_option("files", *files, "LUT files and presets")
        ->required()
        ->expected(1, 100)
        ->type_name("FILE");
    addLutOutput(*combineCommand, *output);
    addLutSpaces(*combineCommand, *output);
    combineCommand->callback([files, output, &code] { code = combine(*files, *output); });

    auto from = std::make_shared<std::string>();
    auto to = std::make_shared<LutOutput>();
    auto* convertCommand =
        lut.add_subcommand("convert", "Write a LUT in another format or size; prints how far it is from the first");
    convertCommand->add_option("file", *from, "A .cube, .3dl or .clf file, or a picture that is one")
        ->required()
        ->type_name("FILE");
    addLutOutput(*convertCommand, *to);
    convertCommand->callback([from, to, &code] { code = convert(*from, *to); });

    auto undone = std::make_shared<std::string>();
    auto undoing = std::make_shared<LutOutput>();
    auto* invertCommand = lut.add_subcommand(
        "invert", "Write the LUT that takes back what one does; prints how near a colour comes back");
    invertCommand->add_option("file", *undone, "A .cube, .3dl or .clf file, or a picture that is one")
        ->required()
        ->type_name("FILE");
    addLutOutput(*invertCommand, *undoing);
    invertCommand->callback([undone, undoing, &code] { code = invert(*undone, *undoing); });

    auto two = std::make_shared<std::array<std::string, 2>>();
    auto pictures = std::make_shared<std::vector<std::string>>();
    auto* compareCommand =
        lut.add_subcommand("compare", "Tell how far two LUTs or presets are apart, over the cube and on pictures");
    compareCommand->add_option("one", (*two)[0], "A LUT file or a preset")->required()->type_name("FILE");
    compareCommand->add_option("other", (*two)[1], "Another")->required()->type_name("FILE");
    compareCommand->add_option("pictures", *pictures, "Pictures to compare on")->type_name("PICTURE");
    compareCommand->callback([two, pictures, &code] { code = compareLookFiles((*two)[0], (*two)[1], *pictures); });

    auto checked = std::make_shared<std::string>();
    auto asJson = std::make_shared<bool>(false);
    auto* checkCommand = lut.add_subcommand(
        "check", "Tell what a LUT does that you would want to know: clipping, folds, bands, tinted greys, skin");
    checkCommand->add_option("file", *checked, "A .cube, .3dl or .clf file, or a picture that is one")
        ->required()
        ->type_name("FILE");
    checkCommand->add_flag("--json", *asJson, "All figures, as one JSON object");
    checkCommand->callback([checked, asJson, &code] { code = checkHealth(*checked, *asJson); });
}

} // namespace baryton
