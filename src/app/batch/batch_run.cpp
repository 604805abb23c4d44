#include "app/batch/batch_run.h"
#include "app/behind.h"
#include "base/error.h"
#include "batch/journal.h"

#include <algorithm>
#include <cmath>

namespace baryton {

BatchRun::BatchRun(BatchPlan plan, QString setName, std::shared_ptr<RunMemory> memory,
                   std::filesystem::path memoryFile, bool goesOn)
    : plan_(std::move(plan)), setName_(std::move(setName)), memory_(std::move(memory)),
      memoryFile_(std::move(memoryFile)), jobs_(jobsOf(plan_)), goesOn_(goesOn) {
    pool_.setMaxThreadCount(1);
    rememberTimer_.setSingleShot(true);
    rememberTimer_.setInterval(500);
    connect(&rememberTimer_, &QTimer::timeout, this, &BatchRun::remember);
    for (const auto& [index, made] : plan_.made)
        if (index < jobs_.size() && jobs_[index].state == JobState::Waiting) {
            jobs_[index] = made;
            jobs_[index].picture = index / (plan_.looks.size() * plan_.outputs.size());
            jobs_[index].look = index / plan_.outputs.size() % plan_.looks.size();
            jobs_[index].output = index % plan_.outputs.size();
        }
    const auto count = [this](JobState state) {
        return static_cast<std::size_t>(
            std::count_if(jobs_.begin(), jobs_.end(), [state](const BatchJob& job) { return job.state == state; }));
    };
    leftOut_ = count(JobState::LeftOut);
    done_ = doneBefore_ = count(JobState::Done) + count(JobState::Skipped);
}

BatchRun::~BatchRun() {
    if (task_) task_->cancel();
    waitFor(pool_);
    if (rememberTimer_.isActive()) remember();
}

void BatchRun::start() {
    task_ = std::make_shared<Task>();
    clock_.start();
    runBehind(pool_, [this, task = task_] {
        std::vector<BatchJob> jobs;
        QString failure;
        try {
            // Where no journal can be kept the run goes on without: what it makes is whole in any case.
            std::unique_ptr<Journal> journal;
            const auto orWithout = [&](const auto& work) {
                try {
                    work();
                } catch (const Error& e) {
                    journal.reset();
                    tellWindow(this, [this, what = QString::fromStdString(e.what())] { Q_EMIT problem(what); });
                }
            };
            orWithout([&] {
                journal = std::make_unique<Journal>(journalOf(memoryFile_), NamedPlan{setName_.toStdString(), plan_},
                                                    PlanPart(), goesOn_);
            });
            jobs = runBatch(
                plan_,
                [&, this](std::size_t index, const BatchJob& job) {
                    // On the disk before the file gets its name.
                    if (journal && job.state != JobState::Waiting) orWithout([&] { journal->note(plan_, job); });
                    tellWindow(this, [this, index, job] { take(index, job); });
                },
                task.get(), &order_);
        } catch (const std::exception& e) {
            failure = QString::fromStdString(e.what());
        }
        tellWindow(this, [this, jobs, failure] {
            if (!failure.isEmpty()) Q_EMIT problem(failure);
            end(jobs);
        });
    });
}

void BatchRun::setPaused(bool paused) {
    if (!task_ || task_->isPaused() == paused) return;
    if (paused)
        pausedAt_ = clock_.elapsed();
    else
        rested_ += clock_.elapsed() - pausedAt_;
    task_->setPaused(paused);
}

void BatchRun::cancel() {
    if (task_) task_->cancel();
}

void BatchRun::finishUp() {
    if (task_) task_->finishUp();
}

void BatchRun::take(std::size_t index, const BatchJob& job) {
    if (index >= jobs_.size() || hasEnded_) return;
    const auto isEnd = [](JobState state) { return state == JobState::Done || state == JobState::Skipped; };
    done_ += isEnd(job.state) && !isEnd(jobs_[index].state);
    failed_ += job.state == JobState::Failed && jobs_[index].state != JobState::Failed;
    jobs_[index] = job;
    memory_->files[index].job = job;
    if (!rememberTimer_.isActive()) rememberTimer_.start();
    Q_EMIT jobChanged(index);
}

void BatchRun::end(const std::vector<BatchJob>& jobs) {
    wasStopped_ = task_->isFinishing();
    for (std::size_t i = 0; i < jobs.size(); ++i)
        if (jobs[i].state == JobState::Cancelled) take(i, jobs[i]);
    if (isPaused()) setPaused(false);
    tookInAll_ = clock_.elapsed() - rested_;
    task_.reset();
    hasEnded_ = true;
    if (remember()) {
        std::error_code ignored;
        std::filesystem::remove(journalOf(memoryFile_), ignored);
    }
    Q_EMIT ended();
}

std::filesystem::path BatchRun::journalOf(const std::filesystem::path& memoryFile) {
    return std::filesystem::path(memoryFile).replace_extension(".jsonl");
}

bool BatchRun::remember() {
    rememberTimer_.stop();
    try {
        storeRunMemory(memoryFile_, *memory_);
        return true;
    } catch (const Error& e) {
        Q_EMIT problem(QString::fromStdString(e.what()));
        return false;
    }
}

double BatchRun::progress() const {
    return wanted() == 0 ? 0 : double(done_ + failed_) / static_cast<double>(wanted());
}

QString BatchRun::progressText() const {
    const std::size_t tried = done_ + failed_, all = wanted();
    if (hasEnded_) {
        QString text = wasStopped_
                           ? tr("Stopped. %1 of %2 files are made, none is half written. Continue makes the rest.")
                                 .arg(done_)
                                 .arg(all)
                           : tr("%1 of %2 files are done in %3 s.")
                                 .arg(done_)
                                 .arg(all)
                                 .arg(static_cast<double>(tookInAll_) / 1000, 0, 'f', 1);
        if (failed_ > 0) text += tr(" %1 failed; point at them in the table to read why.").arg(failed_);
        return text;
    }
    if (!task_) return tr("waits for the run before it");
    if (task_->isCancelled()) return tr("Stopping…");
    if (task_->isFinishing()) return tr("Finishing the files in hand…");
    QString text = tr("%1 of %2 files").arg(tried).arg(all);
    if (failed_ > 0) text += tr(" · %1 failed").arg(failed_);
    if (task_->isPaused()) return text + tr(" · paused, the files in hand are finished");
    const double seconds = static_cast<double>(clock_.elapsed() - rested_) / 1000;
    const std::size_t now = tried - doneBefore_; // of this run
    if (now > 0 && seconds > 0.2 && tried < all) {
        const double rate = static_cast<double>(now) / seconds, left = static_cast<double>(all - tried) / rate;
        text += tr(" · %1 files a second").arg(rate, 0, 'f', 1);
        text += left < 90 ? tr(" · about %1 s left").arg(std::ceil(left), 0, 'f', 0)
                          : tr(" · about %1 min left").arg(std::ceil(left / 60), 0, 'f', 0);
    }
    return text;
}

} // namespace baryton
