#include "cli/file_options.h"
#include "batch/names.h"

namespace baryton {

void addFileOptions(CLI::App& command, FileOptions& options) {
    command.add_option("--out", options.out, "The folder for the results; made when missing")
        ->required()
        ->type_name("DIR");
    command.add_option("--format", options.format, "File format of the results")
        ->check(CLI::IsMember({"jpeg", "png", "tiff"}))
        ->capture_default_str();
    command.add_option("--bits", options.bits, "Bits per channel (PNG and TIFF)")->check(CLI::IsMember({8, 16}));
    command.add_option("--quality", options.quality, "JPEG quality")
        ->check(plainNumber())
        ->check(CLI::Range(1, 100))
        ->capture_default_str();
    command.add_option("--ground", options.ground, "What lies behind transparent parts in a JPEG")
        ->check(CLI::IsMember({"white", "grey", "black"}))
        ->capture_default_str();
    command.add_option("--long-side", options.longSide, "Scale down to this many pixels on the long side")
        ->check(plainNumber())
        ->check(CLI::Range(1, 100000))
        ->type_name("PIXELS");
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
                    "Name template: {stem}, {look}, {preset}, {n} or {n:0000}, {ext}, {folder}, {date}, {time}, "
                    "{camera}, {lens}, {iso}")
        ->default_val("{stem}-{look}.{ext}")
        ->type_name("TEMPLATE");
    command.add_option("--prep", options.prep, "Each picture's own Prep from its .bgrade file, or none")
        ->check(CLI::IsMember({"own", "none"}))
        ->capture_default_str();
    command.add_flag("--ignore-unreadable-grades", options.ignoreGrades,
                     "A picture whose .bgrade file can't be read goes without it, instead of failing");
    command.add_option("--exists", options.exists, "What to do with files that exist")
        ->check(CLI::IsMember({"number", "skip", "replace"}))
        ->capture_default_str();
}

void putInto(BatchPlan& plan, const FileOptions& options) {
    plan.format.format = *fileFormatFromName(options.format);
    const bool jpeg = plan.format.format == FileFormat::Jpeg;
    if (jpeg && options.bits == 16)
        throw WrongUsage("--bits 16", "", "a JPEG has 8 bits", "choose --format png or tiff");
    plan.format.bits = options.bits ? options.bits : 8;
    plan.format.quality = options.quality;
    plan.format.ground = *groundFromName(options.ground);
    plan.format.metadata = *metadataKeptFromName(options.metadata);
    plan.format.author = options.author, plan.format.copyright = options.copyright;
    plan.longSide = options.longSide;
    plan.prep = options.prep == "own" ? PrepChoice::Own : PrepChoice::None;
    plan.ifExists = options.exists == "skip"      ? IfExists::Skip
                    : options.exists == "replace" ? IfExists::Replace
                                                  : IfExists::Number;
    plan.folder = options.out;
    plan.name = options.name;
    plan.goesWithoutUnreadableGrades = options.ignoreGrades;
    checkUsage([&] { fileNameFromTemplate(plan.name, {"stem", "look", fileExtension(plan.format.format), 1}); });
}

} // namespace baryton
