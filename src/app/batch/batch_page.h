#pragma once
#include "app/app_state.h"
#include "app/widgets/segments.h"
#include "app/widgets/value_row.h"
#include "batch/batch.h"

#include <QElapsedTimer>
#include <QLabel>
#include <QProgressBar>
#include <QTableWidget>
#include <QThreadPool>
#include <QWidget>
#include <set>

namespace baryton {

/// What the Batch task is set to, as a value, so that it can be undone.
struct BatchSettings {
    bool ownGrade = true;
    std::set<std::filesystem::path> presets; ///< files of the chosen ones
    PrepChoice prep = PrepChoice::Own;
    int format = 0; ///< JPEG, PNG 8, PNG 16, TIFF 8, TIFF 16
    int quality = 90;
    int longSide = 0;
    std::string folder, name = "{stem}-{look}.{ext}";
    IfExists ifExists = IfExists::Number;
    bool operator==(const BatchSettings&) const = default;
};

/// The Batch task: the set by the chosen looks, with the state of each file.
class BatchPage : public QWidget {
    Q_OBJECT
public:
    explicit BatchPage(AppState& state, QWidget* parent = nullptr);
    ~BatchPage() override;

    const BatchSettings& settings() const { return settings_; }
    void setSettings(const BatchSettings& settings); ///< without a step of undo
    bool isRunning() const { return task_ != nullptr; }

Q_SIGNALS:
    void finished();

private:
    QWidget* makeOutput();
    QWidget* makeRunBar();
    void change(const QString& what, const BatchSettings& next);
    void fillLooks();
    void showPlan();
    BatchPlan plan() const;
    void start();
    void jobChanged(std::size_t index, const BatchJob& job);
    void ended(const std::vector<BatchJob>& jobs);
    void showProgress();

    AppState& state_;
    BatchSettings settings_;
    QTableWidget* table_;
    QLabel *head_, *counts_, *example_, *progressText_;
    QWidget* looks_;
    QWidget* output_;
    Segments *prep_, *format_, *bits_, *exists_;
    ValueRow* quality_;
    NumberField* longSide_;
    QLineEdit *folder_, *name_;
    QPushButton *start_, *cancel_, *open_;
    QProgressBar* progress_;
    std::shared_ptr<Task> task_;
    std::vector<BatchJob> jobs_;
    std::size_t done_ = 0, failed_ = 0, looksInRun_ = 0;
    QElapsedTimer clock_;
    QThreadPool pool_;
};

} // namespace baryton
