#pragma once
#include "survey/measure_look.h"
#include "survey/runs.h"

#include <string>
#include <vector>

namespace baryton {

/// What may be wrong with a picture under a Look, most telling first.
enum class FaultKind { Clips, LosesFolds, ShowsBands, TurnsSkin, MovesSample, Darker, Lighter, Warmer, Cooler, Idle };
constexpr int kFaultKinds = 10;
/// "Clips", "Loses folds"…, in English for files.
std::string faultName(FaultKind kind);

struct Fault {
    FaultKind kind = FaultKind::Clips;
    double figure = 0;   ///< a share, degrees, stops or mired, as the kind has it
    double severity = 0; ///< how many times what is still let pass
    std::string stageId; ///< the stage at fault; empty where it is none, or not looked for yet
    int sample = -1;     ///< which of the sampled colours
    double chroma = 1;   ///< of skin or a sample: its chroma against that on the key
    /// A remark is worth knowing and no failure: a stage that does nothing here.
    bool isRemark() const { return kind == FaultKind::Idle; }
};

/// A picture's faults, the worst first.
using Faults = std::vector<Fault>;

/// Judges each picture of a set against the key picture, against those of its run, and against the set: what the Look
/// does to all alike is the Look. A picture is at fault where
/// - clipped: more than 2.5 %, and so much more than on the key and twice as much as in the middle of the set;
/// - folds or bands: 1 % (5 %), and as much more than on the key;
/// - skin or a sampled colour (2 % of the picture): its hue turned by 20° more than on the key, or its chroma half or
///   twice as much; where the key has none, against the middle of those that have;
/// - darker, lighter, warmer, cooler: by 0.9 stop or 45 mired than the middle of its run of three or more; where it
///   has no such run, by 3 stops or 130 mired and 3.5 robust deviations than the middle of the set;
/// - a stage is idle that does something on the key.
std::vector<Faults> judged(const std::vector<LookMeasure>& measures, const std::vector<SceneRun>& runs,
                           std::size_t key);

/// Looks for the stage without which the fault is least; nothing where it changes little.
std::string stageAtFault(const Grade& grade, const SurveyPicture& picture, const Fault& fault,
                         const std::vector<Vec3>& sampled = {}, const Task* task = nullptr);

/// The fault in a few words: "4.2 % clipped", "skin turns 14° toward yellow", "1.8 stops darker than its run".
std::string faultWords(const Fault& fault);
/// What a group of pictures with that fault is called: "Clips".
std::string faultTitle(FaultKind kind);

} // namespace baryton
