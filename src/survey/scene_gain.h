#pragma once
#include "base/task.h"
#include "colour/matrix.h"
#include "picture/picture.h"

namespace baryton {

/// A picture made small enough to be compared with many others: long side at most kSceneSide.
constexpr int kSceneSide = 160;
Picture sceneVersion(const Picture& picture);

/// How the light of one picture lies against that of another that shows the same scene.
struct SceneGain {
    /// log2 of what the cone responses (CAT16) of the other are multiplied by to be those of the first.
    Vec3 cones{};
    double likeness = 0; ///< of their edges as they are laid on each other, 0…1
    double share = 0;    ///< of the pixels that could be compared: in both, clipped in neither
    double spread = 0;   ///< stops; how far the ratio of one half of the pixels lies around the median

    /// Whether they show the same scene, and enough of it.
    bool isTrusted() const { return likeness >= 0.45 && share >= 0.08 && spread < 0.8; }
};

/// Lays two scene versions on each other by their edges (lut/pair_place.h) and takes the median of the ratio of cone
/// responses over the pixels that are clipped in neither, those of skin and of neutrals counted threefold.
SceneGain sceneGain(const Picture& first, const Picture& other, const Task* task = nullptr);

/// Whether two scene versions show the same scene: a look at their edges alone, closer only where that
/// leaves a doubt: a third of the time.
bool isSameScene(const Picture& first, const Picture& other);

/// What a picture's light is on the whole, wherever what lies in it: the mean of log2 of the cone responses over the
/// middle eight tenths of its pixels by luminance that are not clipped, and the spread of their luminance.
struct SceneLight {
    Vec3 cones{};
    double luminance = 0;            ///< log2, of the middle eight tenths
    std::array<double, 9> deciles{}; ///< of log2 luminance
    double share = 0;                ///< of the pixels that are not clipped
};
SceneLight sceneLight(const Picture& picture);
/// Whether the tones of two pictures are spread alike, whatever their exposure: the shapes of their distributions lie
/// less than 0.45 stops apart (root of the mean square over the deciles).
bool hasLikeTones(const SceneLight& a, const SceneLight& b);

} // namespace baryton
