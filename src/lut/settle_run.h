#pragma once
#include "base/task.h"
#include "lut/find_look.h"
#include "lut/sought_stages.h"

#include <Eigen/Core>
#include <vector>

namespace baryton {

/// Pairs of colours, made ready to be compared with what stages make of the ones before. The pairs must outlive it.
class WantedColours {
public:
    explicit WantedColours(const ColourPairs& pairs);

    std::size_t size() const { return pairs_.size(); }
    /// The colours before, as a picture that programs run over.
    const Picture& before() const { return before_; }
    /// What is between a pair's after and what stages made: along three axes of which the length is about CIEDE2000.
    Eigen::Vector3d apart(const Picture& made, std::size_t i) const;
    /// The root of the share that a pair has in the whole.
    double root(std::size_t i) const { return roots_[i]; }

private:
    const ColourPairs& pairs_;
    Picture before_;
    std::vector<Eigen::Matrix3d> metrics_;
    std::vector<double> roots_;
};

/// A run of sought stages with their numbers, one after the other.
struct StageRun {
    std::vector<SoughtStage> stages;
    std::vector<double> numbers;

    explicit StageRun(std::vector<SoughtStage> sought) : stages(std::move(sought)) {
        for (const SoughtStage& stage : stages)
            for (const SoughtNumber& number : stage.numbers) numbers.push_back(number.start);
    }
    /// With one more, where it does nothing, as the stage at this place.
    StageRun with(const SoughtStage& more, std::size_t place) const {
        StageRun run = *this;
        std::size_t at = 0;
        for (std::size_t k = 0; k < place; ++k) at += stages[k].numbers.size();
        run.stages.insert(run.stages.begin() + static_cast<std::ptrdiff_t>(place), more);
        std::vector<double> starts;
        for (const SoughtNumber& number : more.numbers) starts.push_back(number.start);
        run.numbers.insert(run.numbers.begin() + static_cast<std::ptrdiff_t>(at), starts.begin(), starts.end());
        return run;
    }
    StageRun without(std::size_t left) const {
        StageRun rest({});
        std::size_t at = 0;
        for (std::size_t k = 0; k < stages.size(); ++k) {
            const std::size_t count = stages[k].numbers.size();
            if (k != left) {
                rest.stages.push_back(stages[k]);
                for (std::size_t i = 0; i < count; ++i) rest.numbers.push_back(numbers[at + i]);
            }
            at += count;
        }
        return rest;
    }
};

/// The stage with its numbers, held to their ranges.
Stage soughtStage(const SoughtStage& sought, const double* numbers);
/// One stage alone.
Program programOf(Stage stage);

/// Moves the numbers of a run, the fine ones only if asked for, to where the squared difference from the wanted
/// colours is least, in so many rounds at most: Levenberg and Marquardt by Ceres, the derivatives being differences
/// of the stages themselves. `pull` is LookSearch's. Returns how often all derivatives were made; ends early when the
/// task is asked to finish up, and throws Cancelled when it says so.
int settleRun(StageRun& run, const WantedColours& wanted, int rounds, bool isFine, double pull, const Task* task);

} // namespace baryton
