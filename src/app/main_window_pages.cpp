// The pages of the window: each task's, and the one that welcomes. All but Grade's are made when they are first asked
// for.
#include "app/guide/guide_of.h"
#include "app/main_window.h"
#include "app/welcome.h"

namespace baryton {

PackagePage* MainWindow::packagePage() {
    if (!package_) tasks_->addWidget(package_ = new PackagePage(state_));
    return package_;
}

BatchPage* MainWindow::batchPage() {
    if (batch_) return batch_;
    tasks_->addWidget(batch_ = new BatchPage(state_));
    batch_->surveyPage()->samplesOf = [this](int picture) {
        const auto& points = grade_->samples().of(picture);
        return std::vector<QPointF>(points.begin(), points.end());
    };
    connect(batch_, &BatchPage::gradeWanted, this, [this](int picture, const QString& stageId) {
        state_.setKey(picture);
        showTask(AppTask::Grade);
        if (findStage(state_.keyGrade(), stageId.toStdString())) state_.chooseStage(stageId.toStdString());
    });
    connect(batch_, &BatchPage::finished, this, [this] {
        if (leaving_ == Leaving::WhenStopped) QMainWindow::close();
        if (leaving_ == Leaving::InBackground) {
            state_.pictures().flush();
            Q_EMIT endedInBackground();
        }
        leaving_ = Leaving::No;
    });
    return batch_;
}

bool MainWindow::isRunning() const {
    return batch_ && batch_->isRunning();
}

WelcomePage* MainWindow::welcomePage() {
    if (welcome_) return welcome_;
    tasks_->addWidget(welcome_ = new WelcomePage);
    setGuide(welcome_, QStringLiteral("guide/index"));
    connect(welcome_, &WelcomePage::folderWanted, this, [this] { openDialog(true); });
    connect(welcome_, &WelcomePage::picturesWanted, this, [this] { openDialog(false); });
    connect(welcome_, &WelcomePage::guideWanted, this, [this](const QString& page) { openGuide({page}); });
    connect(welcome_, &WelcomePage::pathWanted, this,
            [this](const QString& path) { openPaths({path.toStdString()}); });
    return welcome_;
}

void MainWindow::showTask(AppTask task) {
    Q_EMIT state_.aboutToLeave();
    task_ = task;
    updateUndo();
    // Without pictures Grade has nothing to show.
    if (task == AppTask::Grade && state_.pictures().size() == 0)
        tasks_->setCurrentWidget(welcomePage());
    else
        tasks_->setCurrentWidget(task == AppTask::Grade     ? static_cast<QWidget*>(grade_)
                                 : task == AppTask::Package ? static_cast<QWidget*>(packagePage())
                                                            : batchPage());
    for (std::size_t i = 0; i < taskButtons_.size(); ++i)
        taskButtons_[i]->setChecked(static_cast<AppTask>(i) == task);
}

} // namespace baryton
