#include "cli/file_options.h"
#include "batch/foresee.h"
#include "batch/matched_prep.h"
#include "batch/names.h"
#include "batch/output_json.h"

#include <fmt/format.h>
#include <iostream>

namespace baryton {

void addFileOptions(CLI::App& command, FileOptions& options) {
    command.add_option("--out", options.out, "The folder for the results; made when missing")
        ->required()
        ->type_name("DIR");
    command.add_option("--format", options.format, "File format of the results")
        ->check(CLI::IsMember({"jpeg", "png", "tiff", "webp", "avif"}))
        ->capture_default_str();
    command.add_option("--bits", options.bits, "Bits per channel: 16 of PNG and TIFF, 32 (float) of TIFF")
        ->check(CLI::IsMember({8, 16, 32}));
    command.add_option("--quality", options.quality, "Of JPEG, WebP and AVIF")
        ->check(plainNumber())
        ->check(CLI::Range(1, 100))
        ->capture_default_str();
    command
        .add_option("--chroma", options.chroma,
                    "Colour detail of JPEG and AVIF: full, half along each side, or by the quality")
        ->check(CLI::IsMember({"auto", "full", "half"}))
        ->capture_default_str();
    command.add_flag("--progressive", options.isProgressive, "A JPEG that comes in passes");
    command.add_flag("--lossless", options.isLossless, "A WebP that loses nothing");
    command.add_option("--compression", options.compression, "How a TIFF is packed")
        ->check(CLI::IsMember({"deflate", "lzw", "none"}))
        ->capture_default_str();
    command.add_flag("!--no-dither", options.dithers,
                     "8 bits without the fine noise that keeps gradients from ending in bands");
    command
        .add_option("--dpi", options.dpi, "Resolution for printing, dots per inch; default: what the picture says")
        ->check(CLI::Range(1.0, 10000.0));
    command.add_option("--ground", options.ground, "What lies behind transparent parts in a JPEG")
        ->check(CLI::IsMember({"white", "grey", "black"}))
        ->capture_default_str();
    command
        .add_option("--size", options.size,
                    "How large: 2400 px (the long side), 2400x1600 (a box), 6 MP, 50 %; never enlarged")
        ->type_name("SIZE");
    command.add_flag("--enlarge", options.enlarges, "Pictures smaller than --size are enlarged");
    command
        .add_option("--profile", options.profile,
                    "The colours of the files: srgb, display-p3, rec2020, or an ICC file of an RGB device")
        ->capture_default_str()
        ->type_name("PROFILE");
    command.add_option("--intent", options.intent, "How colours that an ICC file's device has not are brought in")
        ->check(CLI::IsMember({"perceptual", "relative", "saturation", "absolute"}))
        ->capture_default_str();
    command.add_flag("!--no-black-point", options.hasBlackPoint, "Without black point compensation");
    command.add_option("--sharpen", options.sharpen, "Sharpening for output, by the size and the resolution")
        ->check(CLI::IsMember({"none", "screen", "matt", "gloss"}))
        ->capture_default_str();
    command.add_option("--sharpening", options.sharpening, "How much of it, in per cent of what is usual")
        ->check(CLI::Range(0.0, 200.0))
        ->capture_default_str();
    command.add_option("--mark", options.mark, "A line of text laid over the pictures");
    command.add_option("--mark-picture", options.markPicture, "A picture laid over them")->type_name("FILE");
    command.add_option("--mark-place", options.markPlace, "Where it lies")
        ->check(CLI::IsMember(
            {"top-left", "top", "top-right", "left", "middle", "right", "bottom-left", "bottom", "bottom-right"}))
        ->capture_default_str();
    command.add_option("--mark-size", options.markSize, "Its height, per cent of the shorter side")
        ->check(CLI::Range(0.5, 100.0))
        ->capture_default_str();
    command.add_option("--mark-strength", options.markStrength, "How strongly it covers, in per cent")
        ->check(CLI::Range(0.0, 100.0))
        ->capture_default_str();
    command
        .add_option(
            "--also", options.also,
            "A second file of each picture, with these options but for what is named: \"tiff,bits=16,size=\"; "
            "fields as they stand in a plan. May be given again")
        ->type_name("FORMAT,FIELD=VALUE,…")
        ->expected(1)
        ->allow_extra_args(false)
        ->multi_option_policy(CLI::MultiOptionPolicy::TakeAll);
    command
        .add_option("--metadata", options.metadata,
                    "What of the pictures' metadata goes along: all, all but where they were taken, only whose they "
                    "are, or none")
        ->check(CLI::IsMember({"all", "all-but-place", "rights", "none"}))
        ->capture_default_str();
    command.add_option("--author", options.author, "Who made the pictures, in the place of what they say");
    command.add_option("--copyright", options.copyright, "The copyright notice, in the place of theirs");
    command
        .add_option("--name", options.name,
                    "Name template: {stem}, {look}, {preset}, {take}, {n} or {n:0000}, {ext}, {folder}, {date}, "
                    "{time}, {camera}, {lens}, {iso}, {width}, {height}")
        ->default_val("{stem}-{look}.{ext}")
        ->type_name("TEMPLATE");
    command
        .add_option("--prep", options.prep,
                    "Each picture's own Prep from its .bgrade file, none, or its own with exposure and white balance "
                    "matched to --key, so that the look sits alike")
        ->check(CLI::IsMember({"own", "none", "matched"}))
        ->capture_default_str();
    command.add_option("--key", options.key, "The picture that --prep matched sets the others by")
        ->type_name("PICTURE");
    command
        .add_option("--between", options.between,
                    "With --prep matched: how far other scenes are drawn to the key's cast and key tone, in percent")
        ->check(plainNumber())
        ->check(CLI::Range(0.0, 100.0));
    command.add_flag("--ignore-unreadable-grades", options.ignoreGrades,
                     "A picture whose .bgrade file can't be read goes without it, instead of failing");
    command.add_option("--exists", options.exists, "What to do with files that exist")
        ->check(CLI::IsMember({"number", "skip", "replace"}))
        ->capture_default_str();
}

void putInto(BatchPlan& plan, const FileOptions& options) {
    OutputSettings output;
    OutputFormat& format = output.format;
    format.format = *fileFormatFromName(options.format);
    format.bits = options.bits ? options.bits : 8;
    format.quality = options.quality;
    format.chroma = *chromaFromName(options.chroma);
    format.isProgressive = options.isProgressive, format.isLossless = options.isLossless;
    format.compression = *compressionFromName(options.compression);
    format.dithers = options.dithers;
    format.dotsPerInch = options.dpi;
    format.ground = *groundFromName(options.ground);
    format.metadata = *metadataKeptFromName(options.metadata);
    format.author = options.author, format.copyright = options.copyright;
    const auto space = spaceFromName(options.profile);
    output.profile.space = space.value_or(ProfileWish::Space::File);
    if (!space) output.profile.file = std::filesystem::absolute(options.profile).lexically_normal();
    output.profile.intent = *intentFromName(options.intent);
    output.profile.hasBlackPoint = options.hasBlackPoint;
    output.sharpenFor = *sharpenFromName(options.sharpen);
    output.sharpening = options.sharpening / 100;
    output.mark.text = options.mark;
    if (!options.markPicture.empty())
        output.mark.picture = std::filesystem::absolute(options.markPicture).lexically_normal();
    output.mark.place = *markPlaceFromName(options.markPlace);
    output.mark.size = options.markSize, output.mark.strength = options.markStrength / 100;
    checkUsage([&] {
        output.size = sizeWishFromText(options.size);
        output.size.enlarges = options.enlarges;
        requireDepth(format);
        plan.outputs = {output};
        for (const std::string& also : options.also) plan.outputs.push_back(outputFromText(also, output));
        for (const OutputSettings& each : plan.outputs) Output{each}; // profiles and marks can be read
    });
    plan.prep = *prepChoiceFromName(options.prep);
    if ((plan.prep == PrepChoice::Matched) == options.key.empty())
        throw WrongUsage("--prep " + options.prep, "",
                         options.key.empty() ? "it is not said what the pictures are matched to"
                                             : "a key picture is named, but nothing is matched to it",
                         options.key.empty() ? "name the picture by --key" : "ask for it by --prep matched");
    plan.ifExists = *ifExistsFromName(options.exists);
    plan.folder = options.out;
    plan.name = options.name;
    plan.goesWithoutUnreadableGrades = options.ignoreGrades;
    checkUsage([&] {
        for (const OutputSettings& each : plan.outputs)
            fileNameFromTemplate(plan.name, {"stem", "look", fileExtension(each.format.format), 1});
    });
}

void matchAsAsked(BatchPlan& plan, const FileOptions& options) {
    if (plan.prep != PrepChoice::Matched) return;
    const std::filesystem::path key = std::filesystem::absolute(options.key).lexically_normal();
    const SmallStore store;
    constexpr double percent = 100;
    for (const std::string& remark : matchPrep(plan, key, options.between / percent, store))
        std::cerr << "note: " << remark << '\n';
    store.trim();
}

void tellOfRoom(const BatchPlan& plan) {
    const Foresight seen = foresee(plan);
    if (!seen.isTight()) return;
    constexpr double mega = 1e6;
    std::cerr << plan.folder.string()
              << fmt::format(": note: about {:.0f} MB will be written, {:.0f} MB are free there\n",
                             static_cast<double>(seen.bytes) / mega, static_cast<double>(seen.free) / mega);
}

} // namespace baryton
