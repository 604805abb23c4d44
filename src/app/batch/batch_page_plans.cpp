// Plans of the Batch task: what is set, kept under a name, and run again whatever set is open.
#include "app/batch/batch_page.h"
#include "app/batch/plan_sheet.h"
#include "app/batch/watch_sheet.h"
#include "app/widgets/menu_button.h"
#include "base/error.h"
#include "base/file.h"
#include "base/output.h"
#include "base/words.h"
#include "batch/journal.h"
#include "picture/instruction_set.h"

#include <QFileDialog>
#include <QMenu>

namespace baryton {

QPushButton* BatchPage::makePlanButton() {
    QPushButton* button = makeMenuButton(tr("Plan"));
    auto* menu = button->menu();
    auto* save = menu->addAction(tr("Save as a plan…"));
    auto* run = menu->addAction(tr("Run a plan…"));
    menu->addSeparator();
    auto* watch = menu->addAction(tr("Watch a folder…"));
    auto* watched = menu->addAction(tr("Watched folder…"));
    connect(save, &QAction::triggered, this, [this] {
        askForFile(tr("Save as a plan"), state_.pictures().name() + QStringLiteral(".bplan"), tr("Plans (*.bplan)"),
                   [this](const std::filesystem::path& file) { savePlan(file); });
    });
    connect(run, &QAction::triggered, this, [this] {
        auto* dialog = new QFileDialog(window(), tr("Run a plan"), QString::fromStdString(settings_.folder),
                                       tr("Plans (*.bplan)"));
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->setFileMode(QFileDialog::ExistingFile);
        connect(dialog, &QFileDialog::fileSelected, this,
                [this](const QString& file) { offerPlan(file.toStdString()); });
        dialog->open();
    });
    connect(watch, &QAction::triggered, this, [this] {
        chooseWatched({state_.pictures().name().toStdString(), plan()});
    });
    connect(watched, &QAction::triggered, this, &BatchPage::showWatched);
    connect(menu, &QMenu::aboutToShow, this, [this, save, watch, watched] {
        save->setEnabled(isPlanPossible_);
        watch->setEnabled(isPlanPossible_ && !watcher_);
        watched->setEnabled(watcher_ != nullptr);
    });
    return button;
}

void BatchPage::offerPlan(const std::filesystem::path& file) {
    try {
        const NamedPlan named = readPlanFile(file);
        if (!named.plan.instructions.empty() && named.plan.instructions != instructionSet())
            throw Error(file.string(), "",
                        inWords("this plan asks for the instruction set \"{}\", and {} is in use here",
                                named.plan.instructions, instructionSet()),
                        words("run it by baryton-cli batch, which can do with less"));
        auto* sheet = new PlanSheet(named, window());
        connect(sheet, &PlanSheet::runWanted, this, [this, file] { runPlan(file); });
        connect(sheet, &PlanSheet::watchWanted, this, [this, named] { chooseWatched(named); });
        sheet->open();
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
    }
}

void BatchPage::chooseWatched(const NamedPlan& named) {
    if (watcher_) {
        state_.tell(tr("One folder is being watched already: Plan, Watched folder… ends that"), true);
        return;
    }
    auto* dialog = new QFileDialog(window(), tr("Watch a folder"), QString::fromStdString(settings_.folder));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setFileMode(QFileDialog::Directory);
    dialog->setOption(QFileDialog::ShowDirsOnly);
    connect(dialog, &QFileDialog::fileSelected, this,
            [this, named](const QString& folder) { watchFolder(named, folder.toStdString()); });
    dialog->open();
}

void BatchPage::watchFolder(NamedPlan named, const std::filesystem::path& folder) {
    try {
        watcher_ = std::make_unique<FolderWatcher>(std::move(named), folder);
    } catch (const Error& e) {
        return state_.tell(QString::fromStdString(e.what()), true);
    }
    connect(watcher_.get(), &FolderWatcher::changed, this, &BatchPage::showRun);
    connect(watcher_.get(), &FolderWatcher::problem, this, [this](const QString& text) { state_.tell(text, true); });
    connect(watcher_.get(), &FolderWatcher::ended, this, &BatchPage::endWatching);
    showRun();
    showWatched();
}

void BatchPage::showWatched() {
    if (!watcher_) return;
    auto* sheet = new WatchSheet(*watcher_, window());
    connect(sheet, &WatchSheet::stopWanted, this, &BatchPage::endWatching);
    sheet->open();
}

void BatchPage::endWatching() {
    if (!watcher_) return;
    endText_ = watcher_->progressText();
    watcher_.release()->deleteLater(); // it may be telling this
    showRun();
}

void BatchPage::savePlan(std::filesystem::path file) {
    if (file.extension() != ".bplan") file += ".bplan";
    try {
        requireOutput(file, state_.filesInUse(), isPlanFile, words("a plan"));
        writeFileAtomically(file, planToText({file.stem().string(), plan()}));
        state_.tell(tr("Written: %1").arg(QString::fromStdString(file.string())));
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
    }
}

void BatchPage::runPlan(const std::filesystem::path& file) {
    try {
        NamedPlan named = readPlanFile(file);
        const std::filesystem::path memoryFile = runMemoryFile(named.plan.folder / planHash(named));
        for (const auto& run : runs_)
            if (run->memoryFile() == memoryFile)
                throw Error(file.string(), "", words("this plan is running"), words("wait until it has ended"));
        // One that was killed is gone on with.
        const std::filesystem::path journal = BatchRun::journalOf(memoryFile);
        std::error_code ignored;
        const bool goesOn = std::filesystem::exists(journal, ignored);
        if (goesOn)
            for (const std::string& remark : takeUp(named.plan, readJournal(journal)))
                state_.tell(QString::fromStdString(remark));
        auto memory = std::make_shared<RunMemory>();
        auto run = std::make_unique<BatchRun>(std::move(named.plan), QString::fromStdString(named.name), memory,
                                              memoryFile, goesOn);
        for (const BatchJob& job : run->jobs())
            memory->files.push_back(
                {run->plan().pictures[job.picture], run->plan().looks[job.look].name, std::string(), job});
        enqueue(std::move(run));
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
    }
}

} // namespace baryton
