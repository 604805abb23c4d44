#include "survey/survey.h"
#include "stages/stage_type.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <optional>

namespace baryton {

namespace {

constexpr double kClipped = 0.025, kLost = 0.01, kBanded = 0.05;
constexpr double kColourShare = 0.02, kTurn = 20, kChroma = 2;
constexpr double kRunStops = 0.9, kRunMireds = 45, kSetStops = 3, kSetMireds = 130, kDeviations = 3.5;

double median(std::vector<double> values) {
    if (values.empty()) return 0;
    const auto middle = values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2);
    std::nth_element(values.begin(), middle, values.end());
    return *middle;
}

/// The standard deviation that the median of the absolute deviations comes to.
double robustDeviation(const std::vector<double>& values, double middle) {
    std::vector<double> off;
    off.reserve(values.size());
    for (const double v : values) off.push_back(std::abs(v - middle));
    return 1.4826 * median(off);
}

using Figure = std::function<double(const LookMeasure&)>;

class Judge {
public:
    Judge(const std::vector<LookMeasure>& measures, const std::vector<SceneRun>& runs, std::size_t key)
        : all_(measures), faults_(measures.size()), key_(key < measures.size() ? measures[key] : none_) {
        for (std::size_t r = 0; r < runs.size(); ++r)
            for (const std::size_t p : runs[r].pictures)
                runOf_.resize(std::max(runOf_.size(), p + 1), nullptr), runOf_[p] = &runs[r];
        runOf_.resize(measures.size(), nullptr);
    }

    std::vector<Faults> judged() {
        share(
            FaultKind::Clips, [](const LookMeasure& m) { return m.clipped; }, kClipped, 2);
        share(
            FaultKind::LosesFolds, [](const LookMeasure& m) { return m.lost; }, kLost, 1);
        share(
            FaultKind::ShowsBands, [](const LookMeasure& m) { return m.banded; }, kBanded, 1);
        colour(FaultKind::TurnsSkin, -1, [](const LookMeasure& m) { return &m.skin; });
        for (std::size_t s = 0; s < key_.sampled.size(); ++s)
            colour(FaultKind::MovesSample, static_cast<int>(s),
                   [s](const LookMeasure& m) { return s < m.sampled.size() ? &m.sampled[s] : nullptr; });
        light(
            FaultKind::Darker, FaultKind::Lighter, [](const LookMeasure& m) { return m.lightness; }, kRunStops,
            kSetStops);
        light(
            FaultKind::Cooler, FaultKind::Warmer, [](const LookMeasure& m) { return m.warmth; }, kRunMireds,
            kSetMireds);
        idle();
        for (Faults& faults : faults_)
            std::stable_sort(faults.begin(), faults.end(), [](const Fault& a, const Fault& b) {
                return a.isRemark() != b.isRemark() ? b.isRemark() : a.severity > b.severity;
            });
        return std::move(faults_);
    }

private:
    template <class Tell>
    void each(const Tell& tell) {
        for (std::size_t i = 0; i < all_.size(); ++i)
            if (all_[i].isMeasured) tell(i);
    }
    std::vector<double> valuesOf(const Figure& figure) {
        std::vector<double> values;
        each([&](std::size_t i) { values.push_back(figure(all_[i])); });
        return values;
    }

    void share(FaultKind kind, const Figure& figure, double least, double timesMiddle) {
        const double key = key_.isMeasured ? figure(key_) : 0, middle = median(valuesOf(figure));
        each([&](std::size_t i) {
            const double value = figure(all_[i]), passes = std::max({least, key + least, timesMiddle * middle});
            if (value > passes) faults_[i].push_back({kind, value, value / passes, {}});
        });
    }

    void colour(FaultKind kind, int sample, const std::function<const ColourMeasure*(const LookMeasure&)>& of) {
        std::vector<double> turns, chromas;
        each([&](std::size_t i) {
            if (const ColourMeasure* m = of(all_[i]); m && m->share >= kColourShare)
                turns.push_back(m->turn), chromas.push_back(m->chroma);
        });
        if (turns.empty()) return;
        double turn = median(turns), chroma = median(chromas);
        if (const ColourMeasure* m = of(key_); m && m->share >= kColourShare) turn = m->turn, chroma = m->chroma;
        each([&](std::size_t i) {
            const ColourMeasure* m = of(all_[i]);
            if (!m || m->share < kColourShare) return;
            const double off = std::remainder(m->turn - turn, 360);
            constexpr double grey = 0.15; // so little chroma left that it is the Look to take it
            const double ratio = std::max(m->chroma, grey) / std::max(chroma, grey);
            const double byChroma = std::abs(std::log2(ratio)) / std::log2(kChroma);
            const double severity = std::max(std::abs(off) / kTurn, byChroma);
            if (severity > 1)
                faults_[i].push_back({kind, std::abs(off) > kTurn ? off : 0, severity, {}, sample, ratio});
        });
    }

    void light(FaultKind below, FaultKind above, const Figure& figure, double inRun, double inSet) {
        const std::vector<double> values = valuesOf(figure);
        const double middle = median(values), deviation = robustDeviation(values, middle);
        each([&](std::size_t i) {
            std::vector<double> mates;
            if (runOf_[i])
                for (const std::size_t p : runOf_[i]->pictures)
                    if (p < all_.size() && all_[p].isMeasured) mates.push_back(figure(all_[p]));
            constexpr std::size_t enough = 3;
            const bool hasRun = mates.size() >= enough;
            const double off = figure(all_[i]) - (hasRun ? median(mates) : middle);
            const double passes = hasRun ? inRun : std::max(inSet, kDeviations * deviation);
            if (std::abs(off) > passes)
                faults_[i].push_back({off < 0 ? below : above, std::abs(off), std::abs(off) / passes, {}});
        });
    }

    void idle() {
        if (!key_.isMeasured) return;
        each([&](std::size_t i) {
            for (const std::string& stage : all_[i].idle)
                if (std::find(key_.idle.begin(), key_.idle.end(), stage) == key_.idle.end())
                    faults_[i].push_back({FaultKind::Idle, 0, 0, stage});
        });
    }

    const std::vector<LookMeasure>& all_;
    std::vector<Faults> faults_;
    const LookMeasure none_;
    const LookMeasure& key_;
    std::vector<const SceneRun*> runOf_;
};

/// What of a measure a fault is told by, so that less is better.
double badness(const LookMeasure& m, const Fault& fault) {
    const auto ofColour = [&](const ColourMeasure& c) {
        return fault.figure != 0 ? std::abs(c.turn) : std::abs(std::log2(std::max(c.chroma, 0.01)));
    };
    switch (fault.kind) {
    case FaultKind::Clips:
        return m.clipped;
    case FaultKind::LosesFolds:
        return m.lost;
    case FaultKind::ShowsBands:
        return m.banded;
    case FaultKind::TurnsSkin:
        return ofColour(m.skin);
    case FaultKind::MovesSample:
        return static_cast<std::size_t>(fault.sample) < m.sampled.size()
                   ? ofColour(m.sampled[static_cast<std::size_t>(fault.sample)])
                   : 0;
    case FaultKind::Darker:
        return -m.lightness;
    case FaultKind::Lighter:
        return m.lightness;
    case FaultKind::Warmer:
        return m.warmth;
    case FaultKind::Cooler:
        return -m.warmth;
    case FaultKind::Idle:
        break;
    }
    return 0;
}

std::string prepStage(const Grade& grade, const std::string& type) {
    for (const Stage& stage : grade.prep)
        if (stage.type == type) return stage.id;
    return {};
}

} // namespace

std::vector<Faults> judged(const std::vector<LookMeasure>& measures, const std::vector<SceneRun>& runs,
                           std::size_t key) {
    return Judge(measures, runs, key).judged();
}

std::string stageAtFault(const Grade& grade, const SurveyPicture& picture, const Fault& fault,
                         const std::vector<Vec3>& sampled, const Task* task) {
    if (fault.kind == FaultKind::Idle) return fault.stageId;
    // The light is put right where the picture's own is set.
    if (fault.kind == FaultKind::Darker || fault.kind == FaultKind::Lighter) return prepStage(grade, "exposure");
    if (fault.kind == FaultKind::Warmer || fault.kind == FaultKind::Cooler) return prepStage(grade, "white-balance");
    const double whole = badness(measureLook(grade, picture, sampled, task), fault);
    double least = whole * 0.9;
    std::string worst;
    for (const StagePlace& place : stagePlaces(grade)) {
        const Stage& stage = stageAt(grade, place);
        if (!stage.isEnabled() || isNeutral(stage)) continue;
        Grade without = grade;
        stageAt(without, place).enabled = false;
        const double left = badness(measureLook(without, picture, sampled, task), fault);
        if (left < least) least = left, worst = stage.id;
    }
    return worst;
}

} // namespace baryton
