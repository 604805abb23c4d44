#include "batch/matched_prep.h"
#include "base/error.h"
#include "base/output.h"
#include "base/parallel.h"
#include "base/words.h"
#include "package/grade_store.h"
#include "stages/raw.h"
#include "stages/stage_type.h"
#include "survey/match.h"
#include "survey/read_seen.h"

#include <algorithm>

namespace baryton {

namespace fs = std::filesystem;

namespace {

/// A key from elsewhere is of the runs that show its scene, whenever it was taken: they are one.
void joinRun(std::vector<SceneRun>& runs, const std::vector<MatchPicture>& pictures, std::size_t key) {
    SceneRun joined{{key}};
    std::erase_if(runs, [&](const SceneRun& run) {
        const Picture& scene = pictures[run.pictures.front()].seen.scene;
        if (scene.isEmpty() || !isSameScene(pictures[key].seen.scene, scene)) return false;
        joined.pictures.insert(joined.pictures.end(), run.pictures.begin(), run.pictures.end());
        return true;
    });
    runs.push_back(std::move(joined));
}

} // namespace

std::vector<std::string> matchPrep(BatchPlan& plan, const fs::path& key, double betweenRuns, const SmallStore& store,
                                   const Task* task) {
    const auto keyIdentity = identityOf(key);
    const auto isKey = [&](const fs::path& file) {
        return file == key || (keyIdentity && identityOf(file) == keyIdentity);
    };
    const auto among = std::find_if(plan.pictures.begin(), plan.pictures.end(), isKey);
    const bool isOutside = among == plan.pictures.end();
    std::vector<fs::path> files = plan.pictures;
    if (isOutside) files.push_back(key);
    const std::size_t keyAt =
        isOutside ? plan.pictures.size() : static_cast<std::size_t>(among - plan.pictures.begin());
    std::vector<MatchPicture> pictures(files.size());
    const auto read = [&](std::size_t i) {
        if (task) task->throwIfCancelled();
        try {
            const auto known = plan.works.find(i);
            const Grade grade = i < plan.pictures.size() && known != plan.works.end()
                                    ? known->second.grade
                                    : loadGrade(files[i]).value_or(startingGrade());
            pictures[i].light = prepLightOf(grade);
            pictures[i].seen = runPicture(store.read(files[i], rawOf(grade)), grade);
        } catch (const Error& e) {
            if (i == keyAt)
                throw Error(key.string(), e.place(), inWords("the key picture can't be read: {}", e.problem()),
                            words("choose another as the key"));
            // What is wrong with the others the run tells.
        }
    };
    inPieces(static_cast<int>(files.size()), 1, 0, [&](int first, int last) {
        for (int i = first; i < last; ++i) read(static_cast<std::size_t>(i));
    });
    std::vector<RunPicture> seen;
    for (std::size_t i = 0; i < plan.pictures.size(); ++i) seen.push_back(pictures[i].seen);
    std::vector<SceneRun> runs = runsOf(seen, task);
    if (isOutside) joinRun(runs, pictures, keyAt);
    MatchWish wish;
    wish.key = keyAt;
    wish.betweenRuns = betweenRuns;
    const MatchedSet matched = matchRuns(pictures, runs, wish, task);
    plan.prep = PrepChoice::Matched;
    plan.matchedTo = key;
    plan.betweenRuns = betweenRuns;
    plan.lights.clear();
    std::vector<std::string> remarks;
    for (std::size_t i = 0; i < plan.pictures.size(); ++i) {
        const Match& match = matched.matches[i];
        if (!(match.light == pictures[i].light)) plan.lights[i] = match.light;
        const bool isAlone = matched.runs[match.run].pictures.size() == 1;
        if (match.by == MatchedBy::Nothing && !isAlone)
            remarks.push_back(inWords("{} could not be matched and keeps its own Prep", plan.pictures[i].string()));
    }
    return remarks;
}

} // namespace baryton
