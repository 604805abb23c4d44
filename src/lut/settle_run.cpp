#include "lut/settle_run.h"
#include "base/parallel.h"
#include "colour/spaces.h"
#include "lut/colour_rows.h"

#include <Eigen/Eigenvalues>
#include <algorithm>
#include <ceres/ceres.h>
#include <cmath>

namespace baryton {

namespace {

constexpr double kWall = 20;      ///< of a number that went past its range by all of it, in ΔE of one average colour
constexpr double kOutside = 0.05; ///< how much of what goes past the ends of the range counts: nobody sees it

double heldSoftly(double v) {
    const double held = std::clamp(v, 0.0, 1.0);
    return held + kOutside * (v - held);
}

/// M with |M δ| the CIEDE2000 difference that a small change δ of the numbers makes at a colour.
Eigen::Matrix3d metricAt(const std::array<float, 3>& colour) {
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

/// All that is between the pairs and what a run of stages makes of them.
class Apart : public ceres::CostFunction {
public:
    Apart(const WantedColours& wanted, const StageRun& run, bool isFine)
        : wanted_(wanted), run_(run), isFine_(isFine) {
        set_num_residuals(static_cast<int>(3 * wanted.size()));
        mutable_parameter_block_sizes()->push_back(static_cast<int>(run.numbers.size()));
    }
    bool Evaluate(const double* const* blocks, double* apart, double** slopes) const override {
        const double* numbers = blocks[0];
        std::vector<Program> programs;
        std::vector<Picture> entering{wanted_.before()};
        std::vector<std::size_t> offsets;
        std::size_t offset = 0;
        for (const SoughtStage& sought : run_.stages) {
            programs.push_back(programOf(soughtStage(sought, numbers + offset)));
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
        Picture made = programOf(soughtStage(sought, moved.data())).graded(entering[stage], 1);
        for (std::size_t later = stage + 1; later < programs.size(); ++later) made = programs[later].graded(made, 1);
        for (std::size_t i = 0; i < wanted_.size(); ++i) {
            const Eigen::Vector3d d = wanted_.root(i) * wanted_.apart(made, i);
            for (std::size_t k = 0; k < 3; ++k)
                slopes[(3 * i + k) * columns + column] = (d[static_cast<int>(k)] - apart[3 * i + k]) / step;
        }
    }
    const WantedColours& wanted_;
    const StageRun& run_;
    bool isFine_;
};

/// The slight pull of each number to where it does nothing, and the firm one back into its range.
class Rest : public ceres::CostFunction {
public:
    Rest(const StageRun& run, double pull) : run_(run), pull_(pull) {
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
    const StageRun& run_;
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

} // namespace

WantedColours::WantedColours(const ColourPairs& pairs) : pairs_(pairs), before_(colourRows(pairs.before)) {
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

Eigen::Vector3d WantedColours::apart(const Picture& made, std::size_t i) const {
    const std::array<float, 3> colour = colourIn(made, i);
    Eigen::Vector3d d;
    for (int k = 0; k < 3; ++k) {
        const auto at = static_cast<std::size_t>(k);
        d[k] = heldSoftly(colour[at]) - heldSoftly(pairs_.after[i][at]);
    }
    return metrics_[i] * d;
}

Stage soughtStage(const SoughtStage& sought, const double* numbers) {
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

int settleRun(StageRun& run, const WantedColours& wanted, int rounds, bool isFine, double pull, const Task* task) {
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

} // namespace baryton
