#pragma once
#include "survey/prep_light.h"
#include "survey/runs.h"

#include <string>
#include <vector>

namespace baryton {

/// A picture to be matched.
struct MatchPicture {
    RunPicture seen;
    PrepLight light; ///< as it stands
};

/// What told how a picture is to be set.
enum class MatchedBy {
    Itself,   ///< it is what the others of its run are matched to
    Pixels,   ///< what both pictures show
    Exposure, ///< the same, and the exact difference of exposure that the files tell
    Tones,    ///< how its tones and colours lie on the whole: less sure
    Nothing,  ///< it could not be matched and stays as it was
};

struct Match {
    std::size_t run = 0;
    MatchedBy by = MatchedBy::Nothing;
    PrepLight light;      ///< what to set; as it stands where nothing was found
    double stopsOff = 0;  ///< by how much it was darker (below 0) or brighter than it is to be
    double miredsOff = 0; ///< by how much it was warmer (above 0) or cooler
    bool isHeld = false;  ///< it would have to go further than the limits, or than a white balance reaches
};

struct MatchWish {
    std::size_t key = 0;                    ///< the picture that its run is matched to, by place
    double mostStops = 2, mostMireds = 250; ///< how far a picture may be taken from where it stands
    /// Between runs, 0…1: how far the cast and the key tone of other runs are drawn to the key's (60 mired and a
    /// third of a stop at most).
    double betweenRuns = 0;
};

struct MatchedSet {
    std::vector<SceneRun> runs;
    std::vector<std::size_t> references; ///< for each run, what its pictures are matched to
    std::vector<Match> matches;          ///< for each picture
};

/// Sets the Prep of the pictures of a set so that one Look sits alike on them: those of each run exactly to one of
/// them (to the key in its run; else to the one in the middle of its run's exposures), run by run. Runs differ in
/// their scenes and are left where they are but for `betweenRuns`. Within a run the differences that were measured
/// between neighbours and to the reference are made agree by robust least squares, so that one bad comparison tips
/// nothing and what shares no detail with the reference is reached through what lies between.
MatchedSet matchSet(const std::vector<MatchPicture>& pictures, const MatchWish& wish, const Task* task = nullptr);

/// The same with the runs as a hand has set them.
MatchedSet matchRuns(const std::vector<MatchPicture>& pictures, std::vector<SceneRun> runs, const MatchWish& wish,
                     const Task* task = nullptr);

/// What is to be said of a match in a few words: "1.2 stops darker, 40 mired warmer; set by what both show".
std::string matchWords(const Match& match);

} // namespace baryton
