// Plans of the Batch task: what is set, kept under a name, and run again whatever set is open.
#include "app/batch/batch_page.h"
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
                [this](const QString& file) { runPlan(file.toStdString()); });
        dialog->open();
    });
    connect(menu, &QMenu::aboutToShow, this, [this, save] { save->setEnabled(isPlanPossible_); });
    return button;
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
        if (!named.plan.instructions.empty() && named.plan.instructions != instructionSet())
            throw Error(file.string(), "",
                        inWords("this plan asks for the instruction set \"{}\", and {} is in use here",
                                named.plan.instructions, instructionSet()),
                        words("run it by baryton-cli batch, which can do with less"));
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
