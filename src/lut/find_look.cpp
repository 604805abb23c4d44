#include "lut/find_look.h"
#include "base/words.h"
#include "colour/spaces.h"
#include "lut/colour_rows.h"
#include "lut/settle_run.h"

#include <algorithm>
#include <cmath>
#include <optional>

namespace baryton {

namespace {

using Rgb = std::array<float, 3>;

constexpr std::size_t kCubeColours = 2600, kGreys = 128, kPictureColours = 1400;

/// What is left between the pairs and what stages made of them.
struct Left {
    double mean = 0, percentile99 = 0, worst = 0;
    double score() const { return mean + percentile99 / 4; }
};

Left leftBy(const Picture& made, const WantedColours& wanted) {
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

Left leftBy(const StageRun& run, const WantedColours& wanted) {
    Picture made = wanted.before();
    std::size_t at = 0;
    for (const SoughtStage& sought : run.stages) {
        made = programOf(soughtStage(sought, run.numbers.data() + at)).graded(made, 1);
        at += sought.numbers.size();
    }
    return leftBy(made, wanted);
}

FoundLook foundIn(const StageRun& run, const WantedColours& wanted) {
    const auto asStages = [&](bool withCommon, double coarseness) {
        std::vector<Stage> stages;
        std::size_t at = 0;
        for (const SoughtStage& sought : run.stages) {
            Stage stage = soughtStage(sought, run.numbers.data() + at);
            stage = tidied(withCommon ? withCommonCurve(std::move(stage)) : std::move(stage), coarseness);
            at += sought.numbers.size();
            if (!isNeutral(stage)) stages.push_back(std::move(stage));
        }
        return stages;
    };
    const auto leftOf = [&](const std::vector<Stage>& stages) {
        return leftBy(Program::compile(gradeOf(stages, {})).graded(wanted.before(), 1), wanted);
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

/// How far colours lie from the mean of those of their lightness, in CIELAB: 0 where there is but one for each.
double spreadOf(const std::vector<Rgb>& colours, const std::vector<float>& weights) {
    constexpr std::size_t levels = 64;
    std::array<Vec3, levels> sums{};
    std::array<double, levels> counts{};
    std::vector<Vec3> labs;
    const auto levelOf = [](const Vec3& lab) {
        return std::min(static_cast<std::size_t>(std::max(lab[0], 0.0) / 100 * levels), levels - 1);
    };
    for (std::size_t i = 0; i < colours.size(); ++i) {
        Vec3 v{};
        for (std::size_t k = 0; k < 3; ++k) v[k] = std::clamp(double(colours[i][k]), 0.0, 1.0);
        labs.push_back(labFromSrgb(v));
        const std::size_t level = levelOf(labs.back());
        counts[level] += weights[i];
        for (std::size_t k = 1; k < 3; ++k) sums[level][k] += weights[i] * labs.back()[k];
    }
    double spread = 0, all = 0;
    for (std::size_t i = 0; i < colours.size(); ++i) {
        const std::size_t level = levelOf(labs[i]);
        spread += weights[i] * std::hypot(labs[i][1] - sums[level][1] / counts[level],
                                          labs[i][2] - sums[level][2] / counts[level]);
        all += weights[i];
    }
    return spread / all;
}

/// Whether colours became one for each lightness; of those that were hardly any before it can't be said.
bool isOneColour(const ColourPairs& pairs) {
    constexpr double one = 1, some = 3; // in CIELAB
    return spreadOf(pairs.after, pairs.weights) < one && spreadOf(pairs.before, pairs.weights) > some;
}

constexpr std::size_t kMostFound = 6;
constexpr double kMostWork = 22000; ///< slopes of one number: no further stage is tried after so many
constexpr double kGoodEnough = 0.2; ///< a score that asks for no further stage
constexpr double kForLeaving = 1.4; ///< so much of it until none is tried to be left out
constexpr double kWorthAStage = 0.9, kHarmless = 1.1;

/// The search: runs of stages that may do it, the best of them with what still helps, without what does not.
class Search {
public:
    Search(const ColourPairs& pairs, const LookSearch& how, const Task* task)
        : wanted_(pairs), isOneColour_(isOneColour(pairs)), how_(how), task_(task) {}

    FoundLook look() {
        std::vector<StageRun> ways;
        if (isOneColour_) {
            ways.push_back(StageRun({soughtMonochrome(), soughtCurves()}));
            ways.push_back(StageRun({soughtGradient()}));
            ways.push_back(StageRun({soughtMix(), soughtCurves()}));
            ways.push_back(StageRun({soughtCurves(), soughtMix(), soughtCurves()}));
        }
        ways.push_back(StageRun({soughtMix(), soughtCurves(), soughtWheels(), soughtHueBands(), soughtSaturation()}));
        ways.push_back(StageRun({soughtHueBands(), soughtSaturation(), soughtMix(), soughtCurves(), soughtWheels()}));
        if (!isOneColour_)
            ways.push_back(StageRun(
                {soughtCurves(), soughtMix(), soughtCurves(), soughtWheels(), soughtHueBands(), soughtSaturation()}));
        if (!how_.isThorough) ways.resize(1, StageRun({}));
        for (StageRun& way : ways) {
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
    void settle(StageRun& run, int rounds, bool isFine) {
        if (task_) task_->throwIfCancelled();
        if (!isDone())
            work_ +=
                static_cast<double>(run.numbers.size()) * settleRun(run, wanted_, rounds, isFine, how_.pull, task_);
    }
    void consider(const StageRun& run) {
        const double score = leftBy(run, wanted_).score();
        if (best_ && score >= score_) return;
        best_ = run, score_ = score;
        if (how_.soFar) how_.soFar(foundIn(run, wanted_));
    }
    void refine(int rounds) {
        StageRun run = *best_;
        settle(run, rounds, true);
        consider(run);
    }
    bool whileItHelps() {
        bool has = false;
        while (best_->stages.size() < kMostFound && score_ > kGoodEnough && work_ < kMostWork && !isDone()) {
            std::optional<StageRun> better;
            double least = score_ * kWorthAStage;
            for (const auto& [sought, place] : further()) {
                StageRun run = best_->with(sought, place);
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
            std::optional<StageRun> fewer;
            double least = std::max(score_ * kHarmless, kGoodEnough);
            for (std::size_t k = 0; k < best_->stages.size(); ++k) {
                StageRun run = best_->without(k);
                settle(run, 12, isFine);
                const double score = leftBy(run, wanted_).score();
                if (score < least) fewer = run, least = score;
            }
            if (!fewer) return;
            best_ = fewer, score_ = least;
            if (how_.soFar) how_.soFar(foundIn(*best_, wanted_));
        }
    }

    WantedColours wanted_;
    bool isOneColour_;
    const LookSearch& how_;
    const Task* task_;
    std::optional<StageRun> best_;
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
