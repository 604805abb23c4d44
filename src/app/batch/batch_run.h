#pragma once
#include "batch/run_memory.h"

#include <QElapsedTimer>
#include <QObject>
#include <QString>
#include <QThreadPool>
#include <QTimer>
#include <memory>

namespace baryton {

/// A run that goes on behind the window, whatever set is open there: a snapshot of the plan it was begun with, and
/// what has become of its files. Keeps what is remembered of it on the disk.
class BatchRun : public QObject {
    Q_OBJECT
public:
    /// `memory` is that of the run's set, shared with whoever shows it; `made` in the plan is left as it is.
    /// `goesOn`: what was cut off is gone on with, and its journal as well.
    BatchRun(BatchPlan plan, QString setName, std::shared_ptr<RunMemory> memory, std::filesystem::path memoryFile,
             bool goesOn);
    ~BatchRun() override;

    void start();
    bool isGoingOn() const { return task_ != nullptr; }
    bool isPaused() const { return task_ && task_->isPaused(); }
    bool wasStopped() const { return wasStopped_; }
    void setPaused(bool paused);
    void cancel();
    void finishUp(); ///< the files in hand, then an end
    void makeNext(std::size_t picture) { order_.makeNext(picture); }

    const BatchPlan& plan() const { return plan_; }
    const QString& setName() const { return setName_; }
    const std::filesystem::path& memoryFile() const { return memoryFile_; }
    const std::shared_ptr<RunMemory>& memory() const { return memory_; }
    const std::vector<BatchJob>& jobs() const { return jobs_; }
    std::size_t done() const { return done_; }
    std::size_t failed() const { return failed_; }
    /// How many files it is to make.
    std::size_t wanted() const { return jobs_.size() - leftOut_; }
    /// "12 of 24 files · 2 failed · 12.6 files a second · about 1 s left", or how it ended.
    QString progressText() const;
    double progress() const; ///< 0…1

    /// Where the journal of a set's run lies while it goes on: what is remembered lags behind what is on the disk,
    /// and a run that was killed is known by this.
    static std::filesystem::path journalOf(const std::filesystem::path& memoryFile);

    /// Writes what is remembered; false, and tells `problem`, where that can't be.
    bool remember();

Q_SIGNALS:
    void jobChanged(std::size_t index);
    void ended();
    void problem(const QString& text);

private:
    void take(std::size_t index, const BatchJob& job);
    void end(const std::vector<BatchJob>& jobs);

    const BatchPlan plan_;
    const QString setName_;
    std::shared_ptr<RunMemory> memory_;
    std::filesystem::path memoryFile_;
    std::vector<BatchJob> jobs_;
    std::shared_ptr<Task> task_;
    RunOrder order_;
    std::size_t done_ = 0, failed_ = 0, leftOut_ = 0, doneBefore_ = 0;
    bool goesOn_ = false, wasStopped_ = false, hasEnded_ = false;
    QElapsedTimer clock_;
    qint64 rested_ = 0, pausedAt_ = 0, tookInAll_ = 0; ///< milliseconds
    QTimer rememberTimer_;
    QThreadPool pool_;
};

} // namespace baryton
