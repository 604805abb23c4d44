#pragma once
#include "picture/picture.h"
#include "render/program.h"
#include "render/remedy.h"

#include <optional>
#include <string>
#include <vector>

namespace baryton {

/// What a stage does to the picture at hand, measured, and what is worth saying about it.
struct StageReport {
    std::string stageId;
    /// The largest change that the stage alone makes to any pixel (CIEDE2000, its input against its output).
    double largestChange = 0;
    /// Share of pixels that the stage newly pushes past black and past white, per channel.
    double newBlack[3]{}, newWhite[3]{};
    /// How many neighbouring 8-bit levels that the picture fills come out more than 2 levels apart.
    int stretchedLevels = 0;
    /// The longest run of neighbouring filled levels of luma that come out nearly as one (less than 0.15 apart), and
    /// the share of the picture that lies in it: folds and texture there are lost.
    int flatFrom = 0, flatTo = 0;
    double flatShare = 0;
    /// The stage could change the picture, but what stands before it has left it nothing to work on.
    bool isDead = false;
    /// Parameters off their defaults that act on no colour this picture has at this place, though on others they
    /// would.
    std::vector<std::string> deadParameters;
    /// A film response on a picture that is already contrasty: spread of its luma, 5th to 95th percentile.
    double sourceSpread = 0;
    bool tooContrasty = false;

    /// Share of the picture whose folds and texture the *finished* picture has lost, this stage more at fault than
    /// any other; 0 for all others, and where too little is lost to be seen.
    double lostShare = 0;

    /// A few words for the card; empty when there is nothing to say there.
    std::string mark;
    /// The finished picture suffers by this stage: it loses what the source had, or the stage or its LUT does nothing
    /// for it. What is not a warning is said in the stage's editor only.
    bool isWarning = false;
    /// All findings in sentences, the warning first.
    std::string sentence;
    /// What mends the warning, tried on this picture and found to.
    std::optional<Remedy> remedy;
};

/// Reports on the stages of a grade that are on, in the order they act, from a small version of the picture (a few
/// hundred pixels on the long side are enough). Costs a run of each stage, and a quarter of one for each parameter
/// that is off its default. At most one stage is warned of for what is lost, however many push pixels past the ends.
std::vector<StageReport> diagnose(const Grade& grade, const Picture& small, const Task* task = nullptr);

} // namespace baryton
