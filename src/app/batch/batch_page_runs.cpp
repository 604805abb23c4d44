// The runs of the Batch task: their bar, and what becomes of each file.
#include "app/batch/batch_page.h"
#include "app/batch/before_run_sheet.h"
#include "app/behind.h"
#include "app/desktop_calls.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "app/widgets/menu_button.h"
#include "base/error.h"
#include "base/file.h"
#include "base/letters.h"
#include "base/output.h"
#include "base/words.h"
#include "batch/contact_sheet.h"
#include "batch/journal.h"

#include <QApplication>
#include <QDesktopServices>
#include <QFileDialog>
#include <QGuiApplication>
#include <QHBoxLayout>
#include <QMenu>
#include <QPointer>
#include <QUrl>
#include <QVBoxLayout>
#include <cmath>
#include <numeric>

namespace baryton {

namespace {

QString sizeText(std::uintmax_t bytes) {
    return bytes < 1000000 ? QStringLiteral("%1 kB").arg((bytes + 500) / 1000)
                           : QStringLiteral("%1 MB").arg(static_cast<double>(bytes) / 1e6, 0, 'f', 1);
}

bool isMade(const BatchJob& job) {
    return job.state == JobState::Done || job.state == JobState::Skipped;
}

} // namespace

QWidget* BatchPage::makeRunBar() {
    auto* bar = new QWidget;
    bar->setObjectName(QStringLiteral("panel"));
    bar->setAttribute(Qt::WA_StyledBackground);
    bar->setFixedHeight(50);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(14, 0, 14, 0);
    row->setSpacing(8);
    start_ = makeButton(tr("Start"), "primary");
    pause_ = makeButton(tr("Pause"), "");
    pause_->setToolTip(tr("The files in hand are finished; the rest waits until it goes on"));
    cancel_ = makeButton(tr("Cancel"), "");
    retry_ = makeButton(tr("Retry failed"), "");
    retry_->setToolTip(tr("Makes the files that failed, and leaves alone what is made"));
    // They change their words, but not their places.
    const auto widest = [](QPushButton* button, std::initializer_list<QString> words) {
        int width = 0;
        for (const QString& word : words) {
            button->setText(word);
            width = std::max(width, button->sizeHint().width());
        }
        button->setText(*words.begin());
        button->setFixedWidth(width);
    };
    widest(start_, {tr("Start"), tr("Continue"), tr("Queue")});
    widest(pause_, {tr("Pause"), tr("Go on")});
    progress_ = new QProgressBar;
    progress_->setTextVisible(false);
    progress_->setRange(0, 1000);
    progressText_ = makeLabel({}, "second");
    results_ = makeMenuButton(tr("Results"));
    auto* menu = results_->menu();
    auto* open = menu->addAction(tr("Open folder"));
    auto* sheet = menu->addAction(tr("Contact sheet…"));
    auto* report = menu->addAction(tr("Save report…"));
    auto* lines = new QVBoxLayout;
    lines->setSpacing(5);
    lines->addStretch(1);
    lines->addWidget(progress_);
    lines->addWidget(progressText_);
    lines->addStretch(1);
    for (QPushButton* each : {start_, pause_, cancel_, retry_}) row->addWidget(each);
    row->addSpacing(4);
    row->addLayout(lines, 1);
    row->addWidget(results_);
    connect(start_, &QPushButton::clicked, this, [this] { start(false); });
    connect(retry_, &QPushButton::clicked, this, [this] { start(true); });
    connect(pause_, &QPushButton::clicked, this, [this] {
        if (runs_.empty()) return;
        runs_.front()->setPaused(!runs_.front()->isPaused());
        showRun();
    });
    connect(cancel_, &QPushButton::clicked, this, [this] {
        if (!runs_.empty()) runs_.front()->cancel();
        showRun();
    });
    connect(open, &QAction::triggered, this,
            [this] { QDesktopServices::openUrl(QUrl::fromLocalFile(QString::fromStdString(settings_.folder))); });
    connect(sheet, &QAction::triggered, this, [this] {
        askForFile(tr("Contact sheet"), QStringLiteral("contact-sheet.pdf"), tr("Contact sheets (*.pdf *.png)"),
                   [this](const std::filesystem::path& file) { writeSheet(file); });
    });
    connect(report, &QAction::triggered, this, [this] {
        askForFile(tr("Report"), QStringLiteral("report.csv"), tr("Reports (*.csv *.json)"),
                   [this](const std::filesystem::path& file) { writeReport(file); });
    });
    // There is nothing to show before something is made.
    connect(menu, &QMenu::aboutToShow, this, [this, sheet, report] {
        const std::vector<BatchJob> jobs = jobsNow(shownPlan());
        report->setEnabled(std::any_of(jobs.begin(), jobs.end(),
                                       [](const BatchJob& job) { return job.state != JobState::Waiting; }));
        sheet->setEnabled(std::any_of(jobs.begin(), jobs.end(), isMade));
    });
    return bar;
}

void BatchPage::askForFile(const QString& title, const QString& name, const QString& filter,
                           const std::function<void(const std::filesystem::path&)>& take) {
    auto* dialog = new QFileDialog(window(), title, QString::fromStdString(settings_.folder), filter);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setAcceptMode(QFileDialog::AcceptSave);
    dialog->setFileMode(QFileDialog::AnyFile);
    dialog->selectFile(name);
    connect(dialog, &QFileDialog::fileSelected, this,
            [take](const QString& file) { take(std::filesystem::path(file.toStdString())); });
    dialog->open();
}

void BatchPage::writeSheet(const std::filesystem::path& file) {
    const BatchPlan now = shownPlan();
    const std::vector<SheetCell> cells = sheetCells(now, jobsNow(now));
    try {
        requireOutput(file, state_.filesInUse(), isContactSheet, words("a contact sheet of this program"));
    } catch (const Error& e) {
        return state_.tell(QString::fromStdString(e.what()), true);
    }
    state_.tell(tr("Drawing the contact sheet…"));
    const std::string title = state_.pictures().name().toStdString();
    runBehind(*QThreadPool::globalInstance(),
              [this, alive = QPointer<BatchPage>(this), file, title, cells, across = sheetColumns(now)] {
                  QString failure;
                  try {
                      writeContactSheet(file, title, cells, across);
                  } catch (const std::exception& e) {
                      failure = QString::fromStdString(e.what());
                  }
                  tellWindow(qApp, [this, alive, file, failure] {
                      if (alive)
                          state_.tell(failure.isEmpty() ? tr("Written: %1").arg(QString::fromStdString(file.string()))
                                                        : failure,
                                      !failure.isEmpty());
                  });
              });
}

void BatchPage::writeReport(const std::filesystem::path& file) {
    const BatchPlan now = shownPlan();
    const std::vector<BatchJob> jobs = jobsNow(now);
    try {
        requireOutput(file, state_.filesInUse(), isReport, words("a report of this program"));
        const bool isJson = lowerCase(file.extension().string()) == ".json";
        writeFileAtomically(file, isJson ? reportText(now, jobs) : reportTable(now, jobs));
        state_.tell(tr("Written: %1").arg(QString::fromStdString(file.string())));
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
    }
}

void BatchPage::finishUp() {
    if (runs_.empty()) return;
    runs_.erase(runs_.begin() + 1, runs_.end());
    runs_.front()->finishUp();
    showRun();
}

BatchRun* BatchPage::runOfSet() const {
    const auto at = std::find_if(runs_.begin(), runs_.end(),
                                 [this](const auto& run) { return run->memoryFile() == memoryFile_; });
    return at == runs_.end() ? nullptr : at->get();
}

void BatchPage::start(bool retries) {
    if (runOfSet() || state_.pictures().size() == 0) return;
    showPlan();
    BatchPlan now = plan();
    now.made = madeBefore(now, retries);
    try {
        takeUpWhatWasCutOff(now);
        const Foresight seen = foresee(now);
        const bool asks = settings_.asksIfExists && seen.there > 0;
        if (!asks && !seen.isTight()) return begin(std::move(now));
        auto* sheet = new BeforeRunSheet(seen, settings_.asksIfExists, window());
        connect(sheet, &BeforeRunSheet::chosen, this, [this, now](IfExists ifExists) {
            BatchPlan answered = now;
            answered.ifExists = ifExists;
            begin(std::move(answered));
        });
        connect(sheet, &BeforeRunSheet::confirmed, this, [this, now] { begin(now); });
        sheet->open();
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
    }
}

void BatchPage::takeUpWhatWasCutOff(BatchPlan& now) const {
    const std::filesystem::path journal = BatchRun::journalOf(memoryFile_);
    std::error_code ignored;
    if (!memory_->wasInterrupted() || !(memory_->ranWith == settings_) || !std::filesystem::exists(journal, ignored))
        return;
    BatchPlan told = now;
    takeUp(told, readJournal(journal));
    now.takenUp = told.takenUp;
}

void BatchPage::learnFromJournal() {
    const std::filesystem::path journal = BatchRun::journalOf(memoryFile_);
    std::error_code ignored;
    if (!std::filesystem::exists(journal, ignored)) return;
    std::map<JobKey, BatchJob> told;
    try {
        for (const auto& entry : readJournal(journal).entries) told[keyOf(entry)] = entry.job;
    } catch (const Error& e) {
        std::filesystem::rename(journal, journal.string() + ".unreadable", ignored);
        return state_.tell(QString::fromStdString(e.what()), true);
    }
    // Looks by their places among those of a picture, as the run had them.
    std::map<std::string, std::map<std::string, std::size_t>> looks;
    for (auto& file : memory_->files) {
        auto& known = looks[file.picture.string()];
        const std::size_t look = known.try_emplace(file.look, known.size()).first->second;
        const auto at = told.find({file.picture.string(), look, file.job.output});
        if (at != told.end() && at->second.state != JobState::Running) file.job = at->second;
    }
}

void BatchPage::begin(BatchPlan now) {
    if (runOfSet()) return;
    std::unique_ptr<BatchRun> run;
    try {
        const bool goesOn = !now.made.empty() || !now.takenUp.empty();
        std::error_code ignored; // what an older run told is not of this one
        if (!goesOn) std::filesystem::remove(BatchRun::journalOf(memoryFile_), ignored);
        run = std::make_unique<BatchRun>(std::move(now), state_.pictures().name(), memory_, memoryFile_, goesOn);
    } catch (const Error& e) {
        return state_.tell(QString::fromStdString(e.what()), true);
    }
    memory_->settings = memory_->ranWith = settings_;
    memory_->files.clear();
    for (const BatchJob& job : run->jobs())
        memory_->files.push_back({run->plan().pictures[job.picture], run->plan().looks[job.look].name,
                                  gradeHash(run->plan(), job.picture, job.look), job});
    run->remember();
    endText_.clear();
    output_->setRunning(true);
    enqueue(std::move(run));
    showCells(runs_.back()->plan());
}

void BatchPage::enqueue(std::unique_ptr<BatchRun> run) {
    connect(run.get(), &BatchRun::problem, this, [this](const QString& text) { state_.tell(text, true); });
    connect(run.get(), &BatchRun::ended, this, &BatchPage::runEnded);
    connect(run.get(), &BatchRun::jobChanged, this, [this, each = run.get()](std::size_t index) {
        showRun();
        if (each != runOfSet()) return;
        const BatchJob& job = each->jobs()[index];
        const std::size_t first = placeOf(each->plan(), job.picture, job.look, 0);
        const auto begin = each->jobs().begin() + static_cast<std::ptrdiff_t>(first);
        showCell(static_cast<int>(job.picture), static_cast<int>(job.look),
                 {begin, begin + static_cast<std::ptrdiff_t>(each->plan().outputs.size())}, {});
    });
    runs_.push_back(std::move(run));
    if (runs_.size() == 1) startNext();
    showRun();
}

void BatchPage::startNext() {
    if (!awake_) awake_ = std::make_unique<KeptAwake>(tr("A batch is running"));
    runs_.front()->start();
}

void BatchPage::runEnded() {
    BatchRun* run = runs_.front().release(); // it is in the midst of telling this
    run->deleteLater();
    runs_.pop_front();
    const QString text = run->progressText();
    if (run->memoryFile() == memoryFile_) {
        endText_ = text;
        output_->setRunning(false);
    } else {
        state_.tell(run->setName() + QStringLiteral(": ") + text, run->failed() > 0);
    }
    // Whoever looks on needs no notice.
    if (QGuiApplication::applicationState() != Qt::ApplicationActive || !isVisible())
        notifyDesktop(run->setName(), text);
    run->disconnect(this);
    if (!runs_.empty())
        startNext();
    else
        awake_.reset();
    showPlan();
    showRun();
    if (runs_.empty()) Q_EMIT finished();
}

void BatchPage::showRun() {
    const BatchRun* run = runs_.empty() ? nullptr : runs_.front().get();
    const BatchRun* own = runOfSet();
    pause_->setEnabled(run != nullptr);
    pause_->setText(run && run->isPaused() ? tr("Go on") : tr("Pause"));
    cancel_->setEnabled(run != nullptr);
    const bool hasFailed = std::any_of(memory_->files.begin(), memory_->files.end(),
                                       [](const auto& file) { return file.job.state == JobState::Failed; });
    const bool isSame = memory_->ranWith == settings_;
    const bool isMatched = settings_.prep != PrepChoice::Matched || match_->isReady();
    retry_->setEnabled(!own && isPlanPossible_ && hasFailed && isSame && isMatched);
    start_->setEnabled(!own && isPlanPossible_ && isMatched);
    start_->setText(run && !own                                ? tr("Queue")
                    : own || madeBefore(plan(), false).empty() ? tr("Start")
                                                               : tr("Continue"));
    start_->setToolTip(!isMatched    ? tr("The light of the set is being matched")
                       : run && !own ? tr("Begins when the run of \"%1\" has ended").arg(run->setName())
                                     : QString());
    if (!run) {
        const bool isMatching = !isMatched && state_.pictures().size() > 0;
        progressText_->setText(isMatching ? tr("Matching the light of the set…")
                               : watcher_ ? watcher_->progressText()
                                          : endText_);
        const auto made = std::count_if(memory_->files.begin(), memory_->files.end(),
                                        [](const auto& file) { return isMade(file.job); });
        const auto wanted = static_cast<qsizetype>(memory_->wantedCount());
        progress_->setValue(wanted == 0 ? 0 : static_cast<int>(1000 * made / wanted));
        return;
    }
    QString text = run->progressText();
    if (run != own) text = run->setName() + QStringLiteral(": ") + text;
    if (runs_.size() > 1) text += tr(" · %1 more in the queue").arg(runs_.size() - 1);
    progressText_->setText(text);
    progress_->setValue(static_cast<int>(1000 * run->progress()));
}

BatchPlan BatchPage::shownPlan() const {
    const BatchRun* run = runOfSet();
    return run ? run->plan() : plan();
}

std::vector<BatchJob> BatchPage::jobsNow(const BatchPlan& plan) const {
    if (const BatchRun* run = runOfSet()) return run->jobs();
    std::vector<BatchJob> jobs;
    std::map<std::tuple<std::string, std::string, std::size_t>, const BatchJob*> known;
    if (memory_->ranWith == settings_)
        for (const auto& file : memory_->files)
            known[{file.picture.string(), file.look, file.job.output}] = &file.job;
    for (std::size_t p = 0; p < plan.pictures.size(); ++p)
        for (std::size_t l = 0; l < plan.looks.size(); ++l)
            for (std::size_t o = 0; o < plan.outputs.size(); ++o) {
                const auto at = known.find({plan.pictures[p].string(), plan.looks[l].name, o});
                BatchJob job = at == known.end() ? BatchJob() : *at->second;
                job.picture = p, job.look = l, job.output = o;
                jobs.push_back(std::move(job));
            }
    return jobs;
}

std::vector<std::filesystem::path> BatchPage::filesAt(const QModelIndex& cell) const {
    if (!cell.isValid()) return {};
    std::vector<std::filesystem::path> files;
    for (const BatchJob& job : jobsNow(shownPlan()))
        if (job.picture == static_cast<std::size_t>(cell.row()) && isMade(job) && !job.file.empty() &&
            (cell.column() < kFirstLook || job.look == static_cast<std::size_t>(cell.column() - kFirstLook)))
            files.push_back(job.file);
    if (files.empty()) files.push_back(state_.pictures().at(cell.row()).file);
    return files;
}

void BatchPage::showCells(const BatchPlan& plan) {
    const std::size_t looks = plan.looks.size(), outputs = plan.outputs.size();
    const std::vector<BatchJob> jobs = jobsNow(plan);
    if (jobs.size() != plan.pictures.size() * looks * outputs) return; // what it runs with is not what is set now
    const bool isRun = runOfSet() != nullptr;
    for (std::size_t p = 0; p < plan.pictures.size(); ++p)
        for (std::size_t l = 0; l < looks; ++l) {
            const auto begin = jobs.begin() + static_cast<std::ptrdiff_t>(placeOf(plan, p, l, 0));
            showCell(static_cast<int>(p), static_cast<int>(l), {begin, begin + static_cast<std::ptrdiff_t>(outputs)},
                     isRun ? QString() : waitingText(plan, static_cast<int>(p), static_cast<int>(l)));
        }
}

void BatchPage::showCell(int picture, int look, const std::vector<BatchJob>& jobs, const QString& waiting) {
    const auto& c = theme::colours();
    const auto count = [&](JobState state) {
        return std::count_if(jobs.begin(), jobs.end(), [state](const BatchJob& job) { return job.state == state; });
    };
    const auto first = [&](JobState state) -> const BatchJob& {
        return *std::find_if(jobs.begin(), jobs.end(), [state](const BatchJob& job) { return job.state == state; });
    };
    const auto all = static_cast<std::ptrdiff_t>(jobs.size()), done = count(JobState::Done);
    QString text;
    QStringList tip;
    QColor colour = c.second;
    for (const BatchJob& job : jobs) {
        if (!job.file.empty()) tip.append(QString::fromStdString(job.file.string()));
        if (!job.warning.empty()) tip.append(QString::fromStdString(job.warning));
        if (job.state == JobState::Failed) tip.append(QString::fromStdString(job.error + ". " + job.errorHint));
    }
    if (count(JobState::Failed) > 0) {
        text = tr("failed: %1").arg(QString::fromStdString(first(JobState::Failed).error)), colour = c.error;
    } else if (count(JobState::Running) > 0) {
        text = tr("rendering…"), colour = c.accent;
    } else if (done == all) {
        QStringList sizes;
        for (const BatchJob& job : jobs) sizes.append(sizeText(job.bytes));
        text = tr("done · %1").arg(sizes.join(QStringLiteral(" + "))), colour = c.text;
        if (std::any_of(jobs.begin(), jobs.end(), [](const BatchJob& job) { return !job.warning.empty(); }))
            text += tr(" · see note");
    } else if (count(JobState::LeftOut) + count(JobState::Elsewhere) == all) {
        text = tr("left out");
    } else if (!waiting.isEmpty() && count(JobState::Waiting) == all) {
        text = waiting;
    } else if (count(JobState::Waiting) > 0) {
        text = done > 0 ? tr("%1 of %2 done").arg(done).arg(all) : tr("waiting");
    } else if (count(JobState::Cancelled) > 0) {
        text = done > 0 ? tr("%1 of %2 made").arg(done).arg(all) : tr("not made");
    } else {
        text = tr("skipped, is there");
    }
    auto* item = new QTableWidgetItem(text);
    item->setForeground(colour);
    item->setToolTip(tip.join(QLatin1Char('\n')));
    table_->setItem(picture, kFirstLook + look, item);
}

void BatchPage::leaveOut(std::set<std::filesystem::path> pictures) {
    BatchSettings next = settings_;
    next.leftOut = std::move(pictures);
    change(tr("Batch: pictures"), next);
}

void BatchPage::showRowMenu(const QPoint& at) {
    const int row = table_->rowAt(at.y());
    if (row < 0) return;
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    BatchRun* run = runOfSet();
    auto* next = menu->addAction(tr("Make this picture next"));
    next->setEnabled(run != nullptr);
    connect(next, &QAction::triggered, this, [this, row] {
        if (BatchRun* each = runOfSet()) each->makeNext(static_cast<std::size_t>(row));
    });
    auto* grade = menu->addAction(tr("Open in Grade"));
    connect(grade, &QAction::triggered, this, [this, row] { Q_EMIT gradeWanted(row, {}); });
    menu->addSeparator();
    const auto addOnly = [&](const QString& text, const std::vector<int>& pictures) {
        auto* only = menu->addAction(text);
        only->setEnabled(!run && !pictures.empty());
        connect(only, &QAction::triggered, this, [this, pictures] {
            std::set<std::filesystem::path> leftOut;
            for (int i = 0; i < state_.pictures().size(); ++i)
                if (std::find(pictures.begin(), pictures.end(), i) == pictures.end())
                    leftOut.insert(state_.pictures().at(i).file);
            leaveOut(std::move(leftOut));
        });
    };
    std::vector<int> all(static_cast<std::size_t>(state_.pictures().size()));
    std::iota(all.begin(), all.end(), 0);
    addOnly(tr("Only this picture"), {row});
    addOnly(tr("Only those chosen in Grade (%1)").arg(state_.selection().size()), state_.selection());
    addOnly(tr("All pictures"), all);
    menu->popup(table_->viewport()->mapToGlobal(at));
}

} // namespace baryton
