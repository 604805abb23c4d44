#include "lut/find_look.h"
#include "base/parallel.h"
#include "base/words.h"
#include "colour/spaces.h"
#include "lut/colour_rows.h"
#include "lut/sought_stages.h"

#include <Eigen/Dense>
#include <algorithm>
#include <ceres/ceres.h>
#include <cmath>
#include <optional>

namespace baryton {

namespace {

using Rgb = std::array<float, 3>;

constexpr std::size_t kCubeColours = 2600, kGreys = 128, kPictureColours = 1400;
constexpr double kWall = 20; ///< of a number that went past its range by all of it, in ΔE of one average colour
constexpr double kOutside = 0.05F; ///< how much of what goes past the ends of the range counts: nobody sees it

double heldSoftly(double v) {
    const double held = std::clamp(v, 0.0, 1.0);
    return held + kOutside * (v - held);
}

/// M with |M δ| the CIEDE2000 difference that a small change δ of the numbers makes at a colour.
Eigen::Matrix3d metricAt(const Rgb& colour) {
    constexpr double step = 1.0 / 256;
    Vec3 here{};
    for (std::size_t k = 0; k < 3; ++k) here[k] = std::clamp(double(colour[k]), step, 1 - step);
    const Vec3 lab = labFromSrgb(here);
    const auto squared = [&](const Vec3& change) {
        Vec3 there = here;
        for (std::size_t k = 0; k < 3; ++k) there[k] += change[k];
        const double e = deltaE2000(labFromSrgb(there), lab);
        return e * e;
    };
    Eigen::Matrix3d g;
    for (int i = 0; i < 3; ++i)
        for (int k = i; k < 3; ++k) {
            // Both ways: what the difference squared has of the third order goes out.
            Vec3 along{}, across{};
            along[static_cast<std::size_t>(i)] += step / 2, along[static_cast<std::size_t>(k)] += step / 2;
            across[static_cast<std::size_t>(i)] += step / 2, across[static_cast<std::size_t>(k)] -= step / 2;
            Vec3 back = along, backAcross = across;
            for (double& v : back) v = -v;
            for (double& v : backAcross) v = -v;
            g(i, k) = g(k, i) =
                (squared(along) + squared(back) - squared(across) - squared(backAcross)) / (2 * step * step);
        }
    const Eigen::SelfAdjointEigenSolver<Eigen::Matrix3d> axes(g);
    return axes.eigenvalues().cwiseMax(1.0).cwiseSqrt().asDiagonal() * axes.eigenvectors().transpose();
}

/// The pairs, made ready to be compared with what stages make of them.
class Wanted {
public:
    explicit Wanted(const ColourPairs& pairs) : before(colourRows(pairs.before)), pairs_(pairs) {
        double sum = 0;
        for (const float weight : pairs.weights) sum += weight;
        metrics_.resize(pairs.size());
        inPieces(static_cast<int>(pairs.size()), 64, 0, [&](int first, int last) {
            for (int i = first; i < last; ++i) {
                const auto at = static_cast<std::size_t>(i);
                metrics_[at] = metricAt(pairs.after[at]);
            }
        });
        for (const float weight : pairs.weights) roots_.push_back(std::sqrt(weight / sum));
    }
    std::size_t size() const { return pairs_.size(); }
    /// What is between a pair's after and what stages made, as ΔE along three axes.
    Eigen::Vector3d apart(const Picture& made, std::size_t i) const {
        const Rgb colour = colourIn(made, i);
        Eigen::Vector3d d;
        for (int k = 0; k < 3; ++k) {
            const auto at = static_cast<std::size_t>(k);
            d[k] = heldSoftly(colour[at]) - heldSoftly(pairs_.after[i][at]);
        }
        return metrics_[i] * d;
    }
    double root(std::size_t i) const { return roots_[i]; } ///< of the share that a pair has in the whole

    const Picture before;

private:
    const ColourPairs& pairs_;
    std::vector<Eigen::Matrix3d> metrics_;
    std::vector<double> roots_;
};

/// A run of sought stages with their numbers, one after the other.
struct Run {
    std::vector<SoughtStage> stages;
    std::vector<double> numbers;

    explicit Run(std::vector<SoughtStage> sought) : stages(std::move(sought)) {
        for (const SoughtStage& stage : stages)
            for (const SoughtNumber& number : stage.numbers) numbers.push_back(number.start);
    }
    Run with(const SoughtStage& more, std::size_t place) const {
        Run run = *this;
        std::size_t at = 0;
        for (std::size_t k = 0; k < place; ++k) at += stages[k].numbers.size();
        run.stages.insert(run.stages.begin() + static_cast<std::ptrdiff_t>(place), more);
        std::vector<double> starts;
        for (const SoughtNumber& number : more.numbers) starts.push_back(number.start);
        run.numbers.insert(run.numbers.begin() + static_cast<std::ptrdiff_t>(at), starts.begin(), starts.end());
        return run;
    }
    Run without(std::size_t left) const {
        Run rest({});
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

Stage stageOf(const SoughtStage& sought, const double* numbers) {
    Stage stage;
    stage.id = sought.type;
    stage.type = sought.type;
    std::vector<double> held;
    for (const SoughtNumber& number : sought.numbers)
        held.push_back(std::clamp(numbers[held.size()], number.lowest, number.highest));
    sought.write(held, stage);
    return stage;
}

Program programOf(Stage stage) {
    return Program::compile(gradeOf({std::move(stage)}, {}));
}

/// All that is between the pairs and what a run of stages makes of them.
class Apart : public ceres::CostFunction {
public:
    Apart(const Wanted& wanted, const Run& run, bool isFine) : wanted_(wanted), run_(run), isFine_(isFine) {
        set_num_residuals(static_cast<int>(3 * wanted.size()));
        mutable_parameter_block_sizes()->push_back(static_cast<int>(run.numbers.size()));
    }
    bool Evaluate(const double* const* blocks, double* apart, double** slopes) const override {
        const double* numbers = blocks[0];
        std::vector<Program> programs;
        std::vector<Picture> entering{wanted_.before};
        std::vector<std::size_t> offsets;
        std::size_t offset = 0;
        for (const SoughtStage& sought : run_.stages) {
            programs.push_back(programOf(stageOf(sought, numbers + offset)));
            entering.push_back(programs.back().graded(entering.back(), 1));
            offsets.push_back(offset);
            offset += sought.numbers.size();
        }
        for (std::size_t i = 0; i < wanted_.size(); ++i) {
            const Eigen::Vector3d d = wanted_.root(i) * wanted_.apart(entering.back(), i);
            for (std::size_t k = 0; k < 3; ++k) apart[3 * i + k] = d[static_cast<int>(k)];
        }
        if (!slopes || !slopes[0]) return true;
        inPieces(static_cast<int>(offset), 1, 0, [&](int first, int last) {
            for (int column = first; column < last; ++column)
                slopeOf(static_cast<std::size_t>(column), numbers, offsets, programs, entering, apart, slopes[0]);
        });
        return true;
    }

private:
    void slopeOf(std::size_t column, const double* numbers, const std::vector<std::size_t>& offsets,
                 const std::vector<Program>& programs, const std::vector<Picture>& entering, const double* apart,
                 double* slopes) const {
        const auto stage =
            static_cast<std::size_t>(std::upper_bound(offsets.begin(), offsets.end(), column) - offsets.begin() - 1);
        const SoughtStage& sought = run_.stages[stage];
        std::vector<double> moved(numbers + offsets[stage], numbers + offsets[stage] + sought.numbers.size());
        const SoughtNumber& number = sought.numbers[column - offsets[stage]];
        const std::size_t columns = run_.numbers.size();
        if (number.isFine && !isFine_) {
            for (std::size_t i = 0; i < 3 * wanted_.size(); ++i) slopes[i * columns + column] = 0;
            return;
        }
        double& value = moved[column - offsets[stage]];
        // Not past the end of the range, where the stage would hold it.
        const double step = value + number.step > number.highest ? -number.step : number.step;
        value += step;
        Picture made = programOf(stageOf(sought, moved.data())).graded(entering[stage], 1);
        for (std::size_t later = stage + 1; later < programs.size(); ++later) made = programs[later].graded(made, 1);
        for (std::size_t i = 0; i < wanted_.size(); ++i) {
            const Eigen::Vector3d d = wanted_.root(i) * wanted_.apart(made, i);
            for (std::size_t k = 0; k < 3; ++k)
                slopes[(3 * i + k) * columns + column] = (d[static_cast<int>(k)] - apart[3 * i + k]) / step;
        }
    }
    const Wanted& wanted_;
    const Run& run_;
    bool isFine_;
};

/// The slight pull of each number to where it does nothing, and the firm one back into its range.
class Rest : public ceres::CostFunction {
public:
    Rest(const Run& run, double pull) : run_(run), pull_(pull) {
        set_num_residuals(static_cast<int>(run.numbers.size()));
        mutable_parameter_block_sizes()->push_back(static_cast<int>(run.numbers.size()));
    }
    bool Evaluate(const double* const* blocks, double* pull, double** slopes) const override {
        const std::size_t count = run_.numbers.size();
        std::size_t at = 0;
        if (slopes && slopes[0]) std::fill_n(slopes[0], count * count, 0.0);
        for (const SoughtStage& stage : run_.stages)
            for (const SoughtNumber& number : stage.numbers) {
                // Ranges are held by a steep wall rather than by the solver's own bounds, whose projected steps come
                // to a halt where one of many numbers stands at its end.
                const double range = number.highest - number.lowest, value = blocks[0][at],
                             beyond = value - std::clamp(value, number.lowest, number.highest);
                pull[at] = (pull_ * (value - number.start) + kWall * beyond) / range;
                if (slopes && slopes[0]) slopes[0][at * count + at] = (pull_ + (beyond != 0 ? kWall : 0)) / range;
                ++at;
            }
        return true;
    }

private:
    const Run& run_;
    double pull_;
};

class Watch : public ceres::IterationCallback {
public:
    explicit Watch(const Task* task) : task_(task) {}
    ceres::CallbackReturnType operator()(const ceres::IterationSummary&) override {
        return task_ && task_->isFinishing() ? ceres::SOLVER_TERMINATE_SUCCESSFULLY : ceres::SOLVER_CONTINUE;
    }

private:
    const Task* task_;
};

/// Moves the numbers of a run, the fine ones only if asked for, to where the difference is least, in so many rounds
/// at most.
int settle(Run& run, const Wanted& wanted, int rounds, bool isFine, double pull, const Task* task) {
    Apart apart(wanted, run, isFine);
    Rest rest(run, pull);
    ceres::Problem::Options owned;
    owned.cost_function_ownership = ceres::DO_NOT_TAKE_OWNERSHIP;
    ceres::Problem problem(owned);
    std::vector<double> numbers = run.numbers;
    problem.AddParameterBlock(numbers.data(), static_cast<int>(numbers.size()));
    problem.AddResidualBlock(&apart, nullptr, numbers.data());
    problem.AddResidualBlock(&rest, nullptr, numbers.data());
    Watch watch(task);
    ceres::Solver::Options options;
    options.linear_solver_type = ceres::DENSE_NORMAL_CHOLESKY;
    options.max_num_iterations = rounds;
    options.num_threads = 1; // what takes time, the slopes, is shared out by ourselves
    options.logging_type = ceres::SILENT;
    options.function_tolerance = 1e-4;
    options.initial_trust_region_radius = 1e3;
    options.callbacks.push_back(&watch);
    ceres::Solver::Summary summary;
    ceres::Solve(options, &problem, &summary);
    run.numbers = std::move(numbers);
    if (task) task->throwIfCancelled();
    return summary.num_jacobian_evaluations;
}

/// What is left between the pairs and what stages made of them.
struct Left {
    double mean = 0, percentile99 = 0, worst = 0;
    double score() const { return mean + percentile99 / 4; }
};

Left leftBy(const Picture& made, const Wanted& wanted) {
    Left left;
    std::vector<double> apart;
    for (std::size_t i = 0; i < wanted.size(); ++i) {
        apart.push_back(wanted.apart(made, i).norm());
        left.mean += apart.back() * wanted.root(i) * wanted.root(i);
        left.worst = std::max(left.worst, apart.back());
    }
    const auto far = apart.begin() + static_cast<std::ptrdiff_t>((apart.size() - 1) * 99 / 100);
    std::nth_element(apart.begin(), far, apart.end());
    left.percentile99 = *far;
    return left;
}

Left leftBy(const Run& run, const Wanted& wanted) {
    Picture made = wanted.before;
    std::size_t at = 0;
    for (const SoughtStage& sought : run.stages) {
        made = programOf(stageOf(sought, run.numbers.data() + at)).graded(made, 1);
        at += sought.numbers.size();
    }
    return leftBy(made, wanted);
}

FoundLook foundIn(const Run& run, const Wanted& wanted) {
    const auto asStages = [&](bool withCommon, double coarseness) {
        std::vector<Stage> stages;
        std::size_t at = 0;
        for (const SoughtStage& sought : run.stages) {
            Stage stage = stageOf(sought, run.numbers.data() + at);
            stage = tidied(withCommon ? withCommonCurve(std::move(stage)) : std::move(stage), coarseness);
            at += sought.numbers.size();
            if (!isNeutral(stage)) stages.push_back(std::move(stage));
        }
        return stages;
    };
    const auto leftOf = [&](const std::vector<Stage>& stages) {
        return leftBy(Program::compile(gradeOf(stages, {})).graded(wanted.before, 1), wanted);
    };
    FoundLook found{asStages(false, 1)};
    Left left = leftOf(found.stages);
    // The simplest way to say it that is no dearer than can be seen.
    constexpr double price = 1.1, unseen = 0.05;
    const double most = price * left.score() + unseen;
    for (const double coarseness : {8.0, 4.0, 2.0, 1.0}) {
        const std::vector<Stage> simple = asStages(true, coarseness);
        const Left other = leftOf(simple);
        if (other.score() > most) continue;
        left = other, found.stages = simple;
        break;
    }
    found.mean = left.mean, found.percentile99 = left.percentile99, found.worst = left.worst;
    return found;
}

/// Whether what came out has but one colour for each lightness.
bool isOneColour(const ColourPairs& pairs) {
    constexpr std::size_t levels = 64;
    constexpr double seen = 1.0; // ΔE
    std::array<Vec3, levels> sums{};
    std::array<double, levels> weights{};
    std::vector<Vec3> labs;
    const auto levelOf = [](const Vec3& lab) {
        return std::min(static_cast<std::size_t>(std::max(lab[0], 0.0) / 100 * levels), levels - 1);
    };
    for (std::size_t i = 0; i < pairs.size(); ++i) {
        Vec3 v{};
        for (std::size_t k = 0; k < 3; ++k) v[k] = std::clamp(double(pairs.after[i][k]), 0.0, 1.0);
        labs.push_back(labFromSrgb(v));
        const std::size_t level = levelOf(labs.back());
        weights[level] += pairs.weights[i];
        for (std::size_t k = 1; k < 3; ++k) sums[level][k] += pairs.weights[i] * labs.back()[k];
    }
    double spread = 0, all = 0;
    for (std::size_t i = 0; i < pairs.size(); ++i) {
        const std::size_t level = levelOf(labs[i]);
        spread += pairs.weights[i] * std::hypot(labs[i][1] - sums[level][1] / weights[level],
                                                labs[i][2] - sums[level][2] / weights[level]);
        all += pairs.weights[i];
    }
    return spread / all < seen;
}

constexpr std::size_t kMostFound = 6;
constexpr double kMostWork = 22000; ///< slopes of one number: no further stage is tried after so many
constexpr double kGoodEnough = 0.2; ///< a score that asks for no further stage
constexpr double kForLeaving = 1.4; ///< so much of it until none is tried to be left out
constexpr double kWorthAStage = 0.9, kHarmless = 1.1;

/// The search: runs that may do it, the best of them with what still helps, without what does not.
class Search {
public:
    Search(const ColourPairs& pairs, const LookSearch& how, const Task* task)
        : wanted_(pairs), isOneColour_(isOneColour(pairs)), how_(how), task_(task) {}

    FoundLook look() {
        std::vector<Run> ways;
        if (isOneColour_) {
            ways.push_back(Run({soughtMonochrome(), soughtCurves()}));
            ways.push_back(Run({soughtGradient()}));
            ways.push_back(Run({soughtMix(), soughtCurves()}));
            ways.push_back(Run({soughtCurves(), soughtMix(), soughtCurves()}));
        }
        ways.push_back(Run({soughtMix(), soughtCurves(), soughtWheels(), soughtHueBands(), soughtSaturation()}));
        ways.push_back(Run({soughtHueBands(), soughtSaturation(), soughtMix(), soughtCurves(), soughtWheels()}));
        if (!isOneColour_)
            ways.push_back(Run(
                {soughtCurves(), soughtMix(), soughtCurves(), soughtWheels(), soughtHueBands(), soughtSaturation()}));
        if (!how_.isThorough) ways.resize(1, Run({}));
        for (Run& way : ways) {
            settle(way, how_.isThorough ? 30 : 15, false);
            consider(way);
        }
        if (!how_.isThorough) return foundIn(*best_, wanted_);
        leaveOut(false);
        refine(50);
        if (whileItHelps()) refine(30);
        leaveOut(true);
        if (task_) task_->throwIfCancelled();
        return foundIn(*best_, wanted_);
    }

private:
    bool isDone() const { return task_ && task_->isFinishing(); }
    void settle(Run& run, int rounds, bool isFine) {
        if (task_) task_->throwIfCancelled();
        if (!isDone())
            work_ += static_cast<double>(run.numbers.size()) *
                     baryton::settle(run, wanted_, rounds, isFine, how_.pull, task_);
    }
    bool consider(const Run& run, double share = 1) {
        const double score = leftBy(run, wanted_).score();
        if (best_ && score >= share * score_) return false;
        best_ = run, score_ = score;
        if (how_.soFar) how_.soFar(foundIn(run, wanted_));
        return true;
    }
    void refine(int rounds) {
        Run run = *best_;
        settle(run, rounds, true);
        consider(run);
    }
    bool whileItHelps() {
        bool has = false;
        while (best_->stages.size() < kMostFound && score_ > kGoodEnough && work_ < kMostWork && !isDone()) {
            std::optional<Run> better;
            double least = score_ * kWorthAStage;
            for (const auto& [sought, place] : further()) {
                Run run = best_->with(sought, place);
                settle(run, 15, false);
                const double score = leftBy(run, wanted_).score();
                if (score < least) better = run, least = score;
            }
            if (!better) break;
            consider(*better);
            has = true;
        }
        return has;
    }
    std::vector<std::pair<SoughtStage, std::size_t>> further() const {
        const std::size_t end = best_->stages.size();
        std::vector<std::pair<SoughtStage, std::size_t>> all;
        all.emplace_back(soughtMix(), end);
        all.emplace_back(soughtCurves(), end);
        all.emplace_back(soughtHueBands(), end);
        all.emplace_back(soughtHueBands(), 0);
        all.emplace_back(soughtCurves(), 0);
        all.emplace_back(soughtGamut(), end);
        return all;
    }
    /// Stages without which it is about as near, those first that matter least.
    void leaveOut(bool isFine) {
        while (best_->stages.size() > 1 && work_ < kMostWork * kForLeaving && !isDone()) {
            std::optional<Run> fewer;
            double least = std::max(score_ * kHarmless, kGoodEnough);
            for (std::size_t k = 0; k < best_->stages.size(); ++k) {
                Run run = best_->without(k);
                settle(run, 12, isFine);
                const double score = leftBy(run, wanted_).score();
                if (score < least) fewer = run, least = score;
            }
            if (!fewer) return;
            best_ = fewer, score_ = least;
            if (how_.soFar) how_.soFar(foundIn(*best_, wanted_));
        }
    }

    Wanted wanted_;
    bool isOneColour_;
    const LookSearch& how_;
    const Task* task_;
    std::optional<Run> best_;
    double score_ = 0, work_ = 0;
};

} // namespace

void ColourPairs::add(const Rgb& from, const Rgb& to, float weight) {
    before.push_back(from), after.push_back(to), weights.push_back(weight);
}

ColourPairs pairsOf(const Grade& look, const std::vector<Picture>& pictures) {
    ColourPairs pairs;
    ColoursByChance chance(20261201);
    for (std::size_t i = 0; i < kCubeColours; ++i) pairs.add(chance.anywhere(), {}, 1);
    for (std::size_t i = 0; i < kGreys; ++i) {
        const float level = static_cast<float>(i) / static_cast<float>(kGreys - 1);
        pairs.add({level, level, level}, {}, 4);
    }
    for (const Picture& picture : pictures) {
        if (picture.isEmpty()) continue;
        for (std::size_t i = 0; i < kPictureColours / pictures.size(); ++i) pairs.add(chance.of(picture), {}, 1);
    }
    const Picture after = Program::compile(look, {false, true, false, true}).graded(colourRows(pairs.before));
    for (std::size_t i = 0; i < pairs.size(); ++i) pairs.after[i] = colourIn(after, i);
    return pairs;
}

Grade gradeOf(std::vector<Stage> stages, const std::string& layerName) {
    Grade grade;
    Layer layer;
    layer.id = "layer-1";
    layer.name = layerName;
    layer.stages = std::move(stages);
    grade.look.push_back(std::move(layer));
    for (std::size_t i = 0; i < grade.look[0].stages.size(); ++i)
        grade.look[0].stages[i].id = grade.look[0].stages[i].type + "-" + std::to_string(i + 1);
    return grade;
}

FoundLook findLook(const ColourPairs& pairs, const LookSearch& how, const Task* task) {
    if (pairs.size() == 0)
        throw Error("", "", words("there are no colours to learn from"),
                    words("name a LUT, a pattern, or pictures before and after"));
    return Search(pairs, how, task).look();
}

} // namespace baryton
