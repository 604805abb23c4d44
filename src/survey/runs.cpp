#include "survey/runs.h"
#include "base/parallel.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace baryton {

namespace {

constexpr double kQuick = 15;  ///< s: so soon after the last one a hand has hardly gone to another scene
constexpr double kLong = 1800; ///< s: after so long the light is another one, even where the scene is not

std::vector<std::size_t> orderOf(const std::vector<RunPicture>& pictures) {
    std::vector<std::size_t> order(pictures.size());
    std::iota(order.begin(), order.end(), std::size_t(0));
    if (std::all_of(pictures.begin(), pictures.end(), [](const RunPicture& p) { return p.shot.takenAt > 0; }))
        std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
            return pictures[a].shot.takenAt < pictures[b].shot.takenAt;
        });
    return order;
}

bool isSameTool(const Shot& a, const Shot& b) {
    return a.cameraMaker == b.cameraMaker && a.cameraModel == b.cameraModel && a.lens == b.lens;
}

} // namespace

std::vector<SceneRun> runsOf(const std::vector<RunPicture>& pictures, const Task* task) {
    const std::vector<std::size_t> order = orderOf(pictures);
    std::vector<SceneRun> runs;
    if (order.empty()) return runs;
    enum class Shows { Another, SceneOfLast, SceneOfSecondLast };
    std::vector<Shows> shows(order.size(), Shows::Another);
    std::vector<SceneLight> lights(order.size());
    const auto compare = [&](std::size_t i) {
        if (task) task->throwIfCancelled();
        const Picture& scene = pictures[order[i]].scene;
        if (scene.isEmpty()) return;
        lights[i] = sceneLight(scene);
        const auto isAs = [&](std::size_t before) {
            const Picture& other = pictures[order[before]].scene;
            return !other.isEmpty() && isSameScene(other, scene);
        };
        if (i > 0 && isAs(i - 1))
            shows[i] = Shows::SceneOfLast;
        else if (i > 1 && isAs(i - 2))
            shows[i] = Shows::SceneOfSecondLast;
    };
    inPieces(static_cast<int>(order.size()), 1, 0, [&](int first, int last) {
        for (int i = first; i < last; ++i) compare(static_cast<std::size_t>(i));
    });
    runs.push_back({{order[0]}});
    for (std::size_t i = 1; i < order.size(); ++i) {
        const RunPicture &now = pictures[order[i]], &last = pictures[order[i - 1]];
        const bool isTimed = now.shot.takenAt > 0 && last.shot.takenAt > 0;
        const double gap = isTimed ? now.shot.takenAt - last.shot.takenAt : 0;
        const bool isFollowing = isTimed && gap <= kQuick && isSameTool(now.shot, last.shot) &&
                                 !now.scene.isEmpty() && !last.scene.isEmpty() &&
                                 hasLikeTones(lights[i], lights[i - 1]);
        const bool reachesBack = shows[i] == Shows::SceneOfSecondLast;
        if (gap < kLong && reachesBack && runs.back().pictures.size() == 1) {
            // One that was hardly to be recognised, between two of one scene, is of it.
            const SceneRun odd = std::move(runs.back());
            runs.pop_back();
            runs.back().pictures.push_back(odd.pictures[0]);
        }
        if (gap < kLong && (shows[i] != Shows::Another || isFollowing))
            runs.back().pictures.push_back(order[i]);
        else
            runs.push_back({{order[i]}});
    }
    return runs;
}

} // namespace baryton
