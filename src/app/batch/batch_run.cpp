// A run of the Batch task: its bar, its progress, and what becomes of each file.
#include "app/batch/batch_page.h"
#include "app/behind.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"

#include <QDesktopServices>
#include <QHBoxLayout>
#include <QUrl>
#include <QVBoxLayout>
#include <cmath>

namespace baryton {

namespace {

QString sizeText(std::uintmax_t bytes) {
    return bytes < 1000000 ? QStringLiteral("%1 kB").arg((bytes + 500) / 1000)
                           : QStringLiteral("%1 MB").arg(static_cast<double>(bytes) / 1e6, 0, 'f', 1);
}

} // namespace

QWidget* BatchPage::makeRunBar() {
    auto* bar = new QWidget;
    bar->setObjectName(QStringLiteral("panel"));
    bar->setAttribute(Qt::WA_StyledBackground);
    bar->setFixedHeight(50);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(14, 0, 14, 0);
    row->setSpacing(12);
    start_ = makeButton(tr("Start"), "primary");
    cancel_ = makeButton(tr("Cancel"), "");
    cancel_->setEnabled(false);
    progress_ = new QProgressBar;
    progress_->setTextVisible(false);
    progress_->setRange(0, 1000);
    progressText_ = makeLabel({}, "second");
    open_ = makeButton(tr("Open folder"), "flat");
    auto* lines = new QVBoxLayout;
    lines->setSpacing(5);
    lines->addStretch(1);
    lines->addWidget(progress_);
    lines->addWidget(progressText_);
    lines->addStretch(1);
    row->addWidget(start_);
    row->addWidget(cancel_);
    row->addLayout(lines, 1);
    row->addWidget(open_);
    connect(start_, &QPushButton::clicked, this, &BatchPage::start);
    connect(cancel_, &QPushButton::clicked, this, [this] {
        if (task_) task_->cancel();
        progressText_->setText(tr("Stopping…"));
    });
    connect(open_, &QPushButton::clicked, this,
            [this] { QDesktopServices::openUrl(QUrl::fromLocalFile(QString::fromStdString(settings_.folder))); });
    return bar;
}

void BatchPage::finishUp() {
    if (!task_) return;
    task_->finishUp();
    progressText_->setText(tr("Finishing the files in hand…"));
}

void BatchPage::start() {
    if (task_) return;
    showPlan();
    BatchPlan now = plan();
    now.made = madeBefore(now);
    try {
        jobs_ = jobsOf(now);
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
        return;
    }
    done_ = failed_ = 0;
    task_ = std::make_shared<Task>();
    memory_.ranWith = settings_;
    memory_.files.clear();
    for (std::size_t i = 0; i < jobs_.size(); ++i)
        memory_.files.push_back({now.pictures[jobs_[i].picture], now.looks[jobs_[i].look].name,
                                 gradeHash(now, jobs_[i].picture, jobs_[i].look),
                                 now.made.contains(i) ? now.made.at(i) : jobs_[i]});
    for (std::size_t i = 0; i < jobs_.size(); ++i)
        if (!now.made.contains(i)) jobChanged(i, jobs_[i]);
    leftOut_ = static_cast<std::size_t>(std::count_if(
        jobs_.begin(), jobs_.end(), [](const BatchJob& job) { return job.state == JobState::LeftOut; }));
    remember();
    start_->setEnabled(false);
    cancel_->setEnabled(true);
    output_->setEnabled(false);
    clock_.start();
    showProgress();
    runBehind(pool_, [this, now, task = task_] {
        std::vector<BatchJob> jobs;
        QString failure;
        try {
            jobs = runBatch(
                now,
                [this](std::size_t index, const BatchJob& job) {
                    tellWindow(this, [this, index, job] { jobChanged(index, job); });
                },
                task.get());
        } catch (const std::exception& e) {
            failure = QString::fromStdString(e.what());
        }
        tellWindow(this, [this, jobs, failure] {
            if (!failure.isEmpty()) state_.tell(failure, true);
            ended(jobs);
        });
    });
}

void BatchPage::jobChanged(std::size_t index, const BatchJob& job) {
    if (index >= jobs_.size()) return;
    done_ += job.state == JobState::Done || job.state == JobState::Skipped;
    failed_ += job.state == JobState::Failed;
    jobs_[index] = job;
    memory_.files[index].job = job;
    if (!rememberTimer_.isActive()) rememberTimer_.start();
    showCell(static_cast<int>(job.picture), static_cast<int>(job.look), job);
    if (task_) showProgress();
}

void BatchPage::showCell(int picture, int look, const BatchJob& job) {
    const auto& c = theme::colours();
    QString text, tip = QString::fromStdString(job.file.string());
    QColor colour = c.text;
    switch (job.state) {
    case JobState::Waiting:
        text = tr("waiting"), colour = c.second;
        break;
    case JobState::Running:
        text = tr("rendering…"), colour = c.accent;
        break;
    case JobState::Done:
        text = tr("done · %1").arg(sizeText(job.bytes));
        if (!job.warning.empty()) text += tr(" · see note"), tip = QString::fromStdString(job.warning);
        break;
    case JobState::Skipped:
        text = tr("skipped, is there"), colour = c.second;
        break;
    case JobState::Failed:
        text = tr("failed: %1").arg(QString::fromStdString(job.error)), colour = c.error;
        tip = QString::fromStdString(job.error + ". " + job.errorHint);
        break;
    case JobState::Elsewhere: // the window makes all of it
    case JobState::LeftOut:
        text = tr("left out"), colour = c.second;
        break;
    case JobState::Cancelled:
        text = tr("not made"), colour = c.second;
        break;
    }
    auto* item = new QTableWidgetItem(text);
    item->setForeground(colour);
    item->setToolTip(tip);
    table_->setItem(picture, kFirstLook + look, item);
}

void BatchPage::showProgress() {
    const std::size_t ended = done_ + failed_, all = jobs_.size() - leftOut_;
    progress_->setValue(all == 0 ? 0 : static_cast<int>(1000 * ended / all));
    QString text = tr("%1 of %2 files").arg(ended).arg(all);
    if (failed_ > 0) text += tr(" · %1 failed").arg(failed_);
    const double seconds = static_cast<double>(clock_.elapsed()) / 1000;
    if (task_ && task_->isFinishing()) text = tr("Finishing the files in hand…");
    if (ended > 0 && seconds > 0.2 && ended < all) {
        text += tr(" · %1 files a second").arg(static_cast<double>(ended) / seconds, 0, 'f', 1);
        text +=
            tr(" · about %1 s left")
                .arg(std::ceil(seconds * static_cast<double>(all - ended) / static_cast<double>(ended)), 0, 'f', 0);
    }
    progressText_->setText(text);
}

void BatchPage::ended(const std::vector<BatchJob>& jobs) {
    const bool cancelled = task_ && task_->isFinishing();
    for (std::size_t i = 0; i < jobs.size(); ++i)
        if (jobs[i].state == JobState::Cancelled) jobChanged(i, jobs[i]);
    task_.reset();
    start_->setEnabled(true);
    cancel_->setEnabled(false);
    output_->setEnabled(true);
    QString text = cancelled ? tr("Stopped. %1 of %2 files are made, none is half written. Continue makes the rest.")
                                   .arg(done_)
                                   .arg(jobs_.size() - leftOut_)
                             : tr("%1 of %2 files are done in %3 s.")
                                   .arg(done_)
                                   .arg(jobs_.size() - leftOut_)
                                   .arg(static_cast<double>(clock_.elapsed()) / 1000, 0, 'f', 1);
    if (failed_ > 0) text += tr(" %1 failed; point at them in the table to read why.").arg(failed_);
    if (jobs_.empty()) {
        showPlan(); // another set was opened meanwhile
    } else {
        progressText_->setText(text);
        showStart(plan());
        remember();
    }
    Q_EMIT finished();
}

} // namespace baryton
