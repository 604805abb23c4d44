#pragma once
#include "app/app_state.h"
#include "app/batch/batch_run.h"
#include "app/batch/folder_watcher.h"
#include "app/batch/match_page.h"
#include "app/batch/output_panel.h"
#include "app/batch/survey_page.h"
#include "app/widgets/segments.h"
#include "batch/run_memory.h"

#include <QLabel>
#include <QProgressBar>
#include <QStackedWidget>
#include <QTableWidget>
#include <QWidget>
#include <deque>
#include <functional>

namespace baryton {

class KeptAwake;

/// The Batch task: the set by the chosen looks, with the state of each file. Runs go on one after the other, whatever
/// set is open; what is set here while one goes on belongs to the next.
class BatchPage : public QWidget {
    Q_OBJECT
public:
    explicit BatchPage(AppState& state, QWidget* parent = nullptr);
    ~BatchPage() override;

    const BatchSettings& settings() const { return settings_; }
    void setSettings(const BatchSettings& settings); ///< without a step of undo
    bool isRunning() const { return !runs_.empty(); }
    /// What is in hand is finished, the rest is left for another time.
    void finishUp();
    LookPicker* looks() const { return output_->looks(); }
    OutputPanel* output() const { return output_; }
    QPushButton* startButton() const { return start_; }
    QString progressText() const { return progressText_->text(); }
    /// What of the task is shown: the set under a look, its light matched, the files of the run.
    enum class View { Survey, Match, Files };
    View view() const { return static_cast<View>(view_->current()); }
    void showView(View view);
    SurveyPage* surveyPage() const { return survey_; }
    MatchPage* matchPage() const { return match_; }

    /// On a small screen its panels scroll.
    QSize minimumSizeHint() const override { return {720, 400}; }

    /// Shows what a plan from a file would make, to be run or watched with.
    void offerPlan(const std::filesystem::path& file);
    /// What arrives in a folder is made as a plan says, from now on.
    void watchFolder(NamedPlan named, const std::filesystem::path& folder);
    const FolderWatcher* watcher() const { return watcher_.get(); }

Q_SIGNALS:
    void finished(); ///< no run goes on or waits any more
    /// A picture is to be opened in Grade, with a stage of it chosen where one is named.
    void gradeWanted(int picture, const QString& stageId);

protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

private:
    /// Columns of the table; those of the looks follow.
    static constexpr int kPictureColumn = 1, kPrepColumn = 2, kFirstLook = 3;

    QWidget* makeRunBar();
    void showThumbnail(int index);
    void makeTable();
    /// What was made there: all of a picture, or of a picture under one look; before that the picture itself.
    std::vector<std::filesystem::path> filesAt(const QModelIndex& cell) const;
    void change(const QString& what, const BatchSettings& next);
    void showPlan();
    BatchPlan plan() const;
    /// Begins, goes on with what was stopped, or tries again what failed.
    void start(bool retries);
    void begin(BatchPlan plan);
    void enqueue(std::unique_ptr<BatchRun> run);
    /// One with an empty menu under it.
    QPushButton* makePlanButton();
    void savePlan(std::filesystem::path file);
    void runPlan(const std::filesystem::path& file);
    void chooseWatched(const NamedPlan& named);
    void showWatched();
    void endWatching();
    /// What a run that was killed may have left of the files in hand is made over.
    void takeUpWhatWasCutOff(BatchPlan& plan) const;
    /// What a run that was killed had made, beyond what is remembered.
    void learnFromJournal();
    void startNext();
    void runEnded();
    void showRun();
    void showCells(const BatchPlan& plan);
    void showCell(int picture, int look, const std::vector<BatchJob>& jobs, const QString& waiting);
    void showRowMenu(const QPoint& at);
    void leaveOut(std::set<std::filesystem::path> pictures);
    /// That of the run of this set that goes on, whatever was set since, or what is set.
    BatchPlan shownPlan() const;
    /// What has become of the files of that plan, in the run that goes on or the last one.
    std::vector<BatchJob> jobsNow(const BatchPlan& plan) const;
    void askForFile(const QString& title, const QString& name, const QString& filter,
                    const std::function<void(const std::filesystem::path&)>& take);
    void writeSheet(const std::filesystem::path& file);
    void writeReport(const std::filesystem::path& file);
    void recall(); ///< settings and states of the last time
    void remember();
    /// The run of the set that is open, or null.
    BatchRun* runOfSet() const;
    /// What of the plan an earlier run has made, while nothing was set otherwise since.
    std::map<std::size_t, BatchJob> madeBefore(const BatchPlan& plan, bool retries) const;
    /// A hash of the grade that a picture would get now.
    /// The light of the set is matched while it is to be and this is seen.
    void matchWhereWanted();
    QString prepTextOf(int picture) const;
    std::string gradeHash(const BatchPlan& plan, std::size_t picture, std::size_t look) const;
    /// Of a file that no run has come to yet.
    QString waitingText(const BatchPlan& plan, int picture, int look) const;

    AppState& state_;
    BatchSettings settings_;
    QTableWidget* table_;
    QLabel *head_, *counts_, *progressText_;
    OutputPanel* output_;
    Segments* view_;
    SurveyPage* survey_;
    MatchPage* match_;
    QStackedWidget *middles_, *panels_;
    QPushButton *start_, *pause_, *cancel_, *retry_, *results_;
    QProgressBar* progress_;
    std::shared_ptr<RunMemory> memory_ = std::make_shared<RunMemory>(); ///< of the set that is open
    std::filesystem::path memoryFile_; ///< where it is kept; empty while no set is open
    QTimer rememberTimer_;
    bool isRecalling_ = false, isPlanPossible_ = false;
    bool isFilling_ = false; ///< the table: no hand changes what changes in it
    std::unique_ptr<FolderWatcher> watcher_;
    std::deque<std::unique_ptr<BatchRun>> runs_; ///< the first goes on, the others wait
    QString endText_;                            ///< of the last run of this set
    std::unique_ptr<KeptAwake> awake_;
};

} // namespace baryton
