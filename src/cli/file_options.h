#pragma once
#include "batch/batch.h"
#include "cli/commands.h"

namespace baryton {

/// What is asked for the files that come out, as a command names it.
struct FileOptions {
    std::string out, format = "jpeg", name, prep = "own", exists = "number", ground = "white";
    std::string metadata = "all", author, copyright, size, chroma = "auto", compression = "deflate";
    std::string profile = "srgb", intent = "relative", sharpen = "none", mark, markPicture,
                markPlace = "bottom-right";
    std::vector<std::string> also;
    std::string key;    ///< with --prep matched
    double between = 0; ///< per cent
    int bits = 0, quality = 90;
    double dpi = 0, sharpening = 100, markSize = 4, markStrength = 60;
    bool ignoreGrades = false, enlarges = false, isProgressive = false, isLossless = false, dithers = true;
    bool hasBlackPoint = true;
};

/// The options of it, for a command.
void addFileOptions(CLI::App& command, FileOptions& options);

/// Puts them into a plan; throws WrongUsage where they can't be so.
void putInto(BatchPlan& plan, const FileOptions& options);

/// With --prep matched: sets the light of the plan's pictures, which have to be there by now, from the key picture,
/// and says on standard error of which it could not.
void matchAsAsked(BatchPlan& plan, const FileOptions& options);

/// Says on standard error when a run is likely to need more room than there is.
void tellOfRoom(const BatchPlan& plan);

} // namespace baryton
