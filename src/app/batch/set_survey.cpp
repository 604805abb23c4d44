#include "app/batch/set_survey.h"
#include "app/behind.h"
#include "app/render_image.h"

#include <algorithm>
#include <utility>

namespace baryton {

SetSurvey::SetSurvey(PictureSet& pictures, QObject* parent)
    : QObject(parent), pictures_(pictures), smalls_(pictures), faultSmalls_(pictures) {
    pool_.setMaxThreadCount(2);
    judgeTimer_.setSingleShot(true);
    judgeTimer_.setInterval(150);
    connect(&judgeTimer_, &QTimer::timeout, this, &SetSurvey::judge);
    connect(&smalls_, &EachSmall::ready, this, &SetSurvey::take);
    connect(&faultSmalls_, &EachSmall::ready, this, &SetSurvey::findStagesOf);
    connect(&pictures, &PictureSet::opened, this, [this] {
        ++setGeneration_, ++generation_;
        items_.clear(), grades_.clear(), seen_.clear(), runs_.clear();
        areRunsFound_ = isFindingRuns_ = false;
        if (task_) task_->cancel();
    });
}

SetSurvey::~SetSurvey() {
    if (task_) task_->cancel();
    pool_.clear();
    waitFor(pool_);
}

void SetSurvey::survey(std::vector<Grade> grades, int key, const std::vector<Vec3>& sampled) {
    ++generation_;
    if (task_) task_->cancel();
    task_ = std::make_shared<Task>();
    if (sampled != sampled_) items_.clear();
    sampled_ = sampled;
    key_ = key;
    const std::vector<Grade> before = std::exchange(grades_, std::move(grades));
    items_.resize(grades_.size());
    seen_.resize(grades_.size());
    std::vector<int> todo;
    for (std::size_t i = 0; i < grades_.size(); ++i) {
        Item& item = items_[i];
        if (item.isTried && i < before.size() && before[i] == grades_[i]) {
            // What was cancelled is looked for again.
            for (const Fault& fault : item.faults) item.isFaulted &= !fault.stageId.empty();
            continue;
        }
        const QImage image = item.image; // shown until the new one is there
        item = {};
        item.image = image;
        todo.push_back(static_cast<int>(i));
    }
    faultSmalls_.start({});
    smalls_.start(todo);
    judgeTimer_.start();
}

int SetSurvey::triedCount() const {
    return static_cast<int>(std::count_if(items_.begin(), items_.end(), [](const Item& i) { return i.isTried; }));
}

int SetSurvey::failingCount() const {
    return static_cast<int>(std::count_if(items_.begin(), items_.end(), [](const Item& i) { return i.fails(); }));
}

bool SetSurvey::isDone() const {
    return isJudged() &&
           std::all_of(items_.begin(), items_.end(), [](const Item& i) { return !i.fails() || i.isFaulted; });
}

void SetSurvey::take(int index, const Picture& small) {
    const auto at = static_cast<std::size_t>(index);
    if (at >= items_.size()) return smalls_.done();
    const bool isSeen = !seen_[at].scene.isEmpty();
    runBehind(pool_, [this, index, small, generation = generation_, set = setGeneration_, grade = grades_[at],
                      sampled = sampled_, isFine = pictures_.at(index).size.isFine(), isSeen,
                      shot = pictures_.shotOf(index), task = task_] {
        LookMeasure measure;
        QImage image;
        RunPicture seen{shot, {}};
        bool isWhole = true;
        try {
            if (!small.isEmpty()) {
                if (!isSeen) seen.scene = sceneVersion(small);
                const SurveyPicture picture{scaledDownTo(small, kSurveySide), isFine};
                Picture graded;
                measure = measureLook(grade, picture, sampled, task.get(), &graded);
                image = imageOf(graded);
            }
        } catch (const std::exception&) {
            isWhole = false; // cancelled, or no memory for it just now
        }
        tellWindow(this, [=, this] {
            if (set == setGeneration_ && !seen.scene.isEmpty()) seen_[static_cast<std::size_t>(index)] = seen;
            if (generation == generation_ && isWhole) {
                Item& item = items_[static_cast<std::size_t>(index)];
                item.measure = measure, item.isTried = true;
                if (!image.isNull()) item.image = image;
                Q_EMIT drawn(index);
                if (!judgeTimer_.isActive()) judgeTimer_.start();
            }
            smalls_.done();
        });
    });
}

void SetSurvey::judge() {
    if (items_.empty()) return;
    std::vector<LookMeasure> measures;
    for (const Item& item : items_) measures.push_back(item.measure);
    std::vector<Faults> faults = baryton::judged(measures, runs_, static_cast<std::size_t>(std::max(key_, 0)));
    for (std::size_t i = 0; i < items_.size(); ++i) {
        Item& item = items_[i];
        const auto isSame = [](const Fault& a, const Fault& b) { return a.kind == b.kind && a.sample == b.sample; };
        if (!std::equal(faults[i].begin(), faults[i].end(), item.faults.begin(), item.faults.end(), isSame))
            item.isFaulted = false;
        else
            for (std::size_t f = 0; f < faults[i].size(); ++f) faults[i][f].stageId = item.faults[f].stageId;
        item.faults = std::move(faults[i]);
    }
    if (triedCount() == size()) {
        if (!areRunsFound_)
            findRuns();
        else
            findStages();
    }
    Q_EMIT judged();
}

void SetSurvey::findRuns() {
    if (isFindingRuns_) return;
    isFindingRuns_ = true;
    runBehind(pool_, [this, seen = seen_, set = setGeneration_] {
        std::vector<SceneRun> runs = runsOf(seen);
        tellWindow(this, [this, runs = std::move(runs), set] {
            if (set != setGeneration_) return;
            runs_ = runs;
            areRunsFound_ = true, isFindingRuns_ = false;
            Q_EMIT runsFound();
            judge();
        });
    });
}

void SetSurvey::findStages() {
    std::vector<int> todo;
    for (std::size_t i = 0; i < items_.size(); ++i)
        if (!items_[i].isFaulted && !items_[i].faults.empty()) todo.push_back(static_cast<int>(i));
    faultSmalls_.start(todo);
}

void SetSurvey::findStagesOf(int index, const Picture& small) {
    const auto at = static_cast<std::size_t>(index);
    if (at >= items_.size() || items_[at].isFaulted) return faultSmalls_.done();
    runBehind(pool_, [this, at, small, generation = generation_, grade = grades_[at], sampled = sampled_,
                      faults = items_[at].faults, isFine = pictures_.at(index).size.isFine(), task = task_] {
        Faults found = faults;
        bool isWhole = true;
        try {
            const SurveyPicture picture{scaledDownTo(small, kSurveySide), isFine};
            for (Fault& fault : found) fault.stageId = stageAtFault(grade, picture, fault, sampled, task.get());
        } catch (const std::exception&) {
            isWhole = false;
        }
        tellWindow(this, [this, at, generation, found, isWhole] {
            if (generation == generation_ && isWhole) {
                items_[at].isFaulted = true;
                for (Fault& fault : items_[at].faults)
                    for (const Fault& other : found)
                        if (other.kind == fault.kind && other.sample == fault.sample) fault.stageId = other.stageId;
                Q_EMIT judged();
            }
            faultSmalls_.done();
        });
    });
}

} // namespace baryton
