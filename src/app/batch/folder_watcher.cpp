#include "app/batch/folder_watcher.h"
#include "app/behind.h"
#include "base/error.h"

#include <QTimer>
#include <algorithm>

namespace baryton {

namespace {
constexpr int kEvery = 2000; ///< ms: a file that is the same in two looks is whole
}

FolderWatcher::FolderWatcher(NamedPlan plan, const std::filesystem::path& folder, QObject* parent)
    : QObject(parent), watched_(std::make_shared<WatchedFolder>(std::move(plan), folder)),
      folder_(watched_->folder()), target_(watched_->plan().plan.folder) {
    pool_.setMaxThreadCount(1);
    look();
}

FolderWatcher::~FolderWatcher() {
    task_->cancel();
    waitFor(pool_);
}

std::size_t FolderWatcher::doneCount() const {
    return static_cast<std::size_t>(std::count_if(made_.begin(), made_.end(), [](const Made& each) {
        return each.job.state == JobState::Done || each.job.state == JobState::Skipped;
    }));
}

QString FolderWatcher::progressText() const {
    const std::size_t done = doneCount(), failed = made_.size() - done;
    QString text = tr("Watching %1: %n files made", nullptr, static_cast<int>(done))
                       .arg(QString::fromStdString(folder_.filename().string()));
    if (failed > 0) text += tr(", %1 failed").arg(failed);
    return text;
}

void FolderWatcher::look() {
    runBehind(pool_, [this, watched = watched_, task = task_] {
        QString failure;
        try {
            watched->look(
                [this](const BatchPlan& plan, const BatchJob& job) {
                    if (job.state == JobState::Running || job.state == JobState::Cancelled) return;
                    tellWindow(this, [this, made = Made{plan.pictures[job.picture], job}] {
                        made_.push_back(made);
                        Q_EMIT changed();
                    });
                },
                [this](const std::string& remark) {
                    tellWindow(this, [this, text = QString::fromStdString(remark)] { Q_EMIT problem(text); });
                },
                task.get());
        } catch (const Cancelled&) {
            return;
        } catch (const std::exception& e) {
            failure = QString::fromStdString(e.what());
        }
        tellWindow(this, [this, failure] {
            if (failure.isEmpty()) {
                QTimer::singleShot(kEvery, this, &FolderWatcher::look);
                return;
            }
            Q_EMIT problem(failure);
            Q_EMIT ended();
        });
    });
}

} // namespace baryton
