#pragma once
#include "app/app_state.h"
#include "app/batch/look_picker.h"
#include "app/batch/match_page.h"
#include "app/batch/survey_page.h"
#include "app/widgets/segments.h"
#include "app/widgets/value_row.h"
#include "batch/run_memory.h"

#include <QCheckBox>
#include <QElapsedTimer>
#include <QLabel>
#include <QProgressBar>
#include <QStackedWidget>
#include <QTableWidget>
#include <QThreadPool>
#include <QWidget>
#include <set>

namespace baryton {

/// The Batch task: the set by the chosen looks, with the state of each file.
class BatchPage : public QWidget {
    Q_OBJECT
public:
    explicit BatchPage(AppState& state, QWidget* parent = nullptr);
    ~BatchPage() override;

    const BatchSettings& settings() const { return settings_; }
    void setSettings(const BatchSettings& settings); ///< without a step of undo
    bool isRunning() const { return task_ != nullptr; }
    /// What is in hand is finished, the rest is left for another time.
    void finishUp();
    LookPicker* looks() const { return looks_; }
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

Q_SIGNALS:
    void finished();
    /// A picture is to be opened in Grade, with a stage of it chosen where one is named.
    void gradeWanted(int picture, const QString& stageId);

private:
    /// Columns of the table; those of the looks follow.
    static constexpr int kPictureColumn = 1, kPrepColumn = 2, kFirstLook = 3;

    QWidget* makeOutput();
    QWidget* makeRunBar();
    void change(const QString& what, const BatchSettings& next);
    void showPlan();
    BatchPlan plan() const;
    void start();
    void jobChanged(std::size_t index, const BatchJob& job);
    void ended(const std::vector<BatchJob>& jobs);
    void showProgress();
    void showCell(int picture, int look, const BatchJob& job);
    void recall(); ///< settings and states of the last time
    void remember();
    /// What of the plan an earlier run has made, while nothing was set otherwise since.
    std::map<std::size_t, BatchJob> madeBefore(const BatchPlan& plan) const;
    /// A hash of the grade that a picture would get now.
    std::string gradeHash(const BatchPlan& plan, std::size_t picture, std::size_t look) const;
    void showStart(const BatchPlan& plan);
    /// Of a file that no run has come to yet.
    QString waitingText(int picture, bool ownGrade) const;

    AppState& state_;
    BatchSettings settings_;
    QTableWidget* table_;
    QLabel *head_, *counts_, *example_, *progressText_;
    QCheckBox* ownGrade_;
    LookPicker* looks_;
    QWidget* output_;
    Segments* view_;
    SurveyPage* survey_;
    MatchPage* match_;
    QStackedWidget *middles_, *panels_;
    Segments *prep_, *format_, *bits_, *exists_;
    ValueRow* quality_;
    Segments* ground_;
    NumberField* longSide_;
    QLineEdit *folder_, *name_, *author_, *copyright_;
    QComboBox* metadata_;
    QPushButton *start_, *cancel_, *open_;
    QProgressBar* progress_;
    RunMemory memory_;
    std::filesystem::path memoryFile_; ///< where it is kept; empty while no set is open
    QTimer rememberTimer_;
    bool isRecalling_ = false;
    std::shared_ptr<Task> task_;
    std::vector<BatchJob> jobs_;
    std::size_t done_ = 0, failed_ = 0, leftOut_ = 0;
    QElapsedTimer clock_;
    QThreadPool pool_;
};

} // namespace baryton
