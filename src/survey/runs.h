#pragma once
#include "picture/shot.h"
#include "survey/scene_gain.h"

#include <vector>

namespace baryton {

/// One picture of a set as a run is told by.
struct RunPicture {
    Shot shot;
    Picture scene; ///< its scene version; empty where it could not be read
};

/// Pictures of a set that show one scene, one after the other.
struct SceneRun {
    std::vector<std::size_t> pictures; ///< by their place in the set, in the order they were taken
};

/// Splits a set into runs, in the order it was taken (where all say when; else as given). A picture goes on with the
/// run where it shows the scene of one of its last two (see isSameScene), or where it follows by the same camera and
/// lens within a quarter of a minute and its tones are spread as those are, however it is framed.
std::vector<SceneRun> runsOf(const std::vector<RunPicture>& pictures, const Task* task = nullptr);

} // namespace baryton
