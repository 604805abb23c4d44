// Soft proof: what is shown, as another device would.
#include "app/behind.h"
#include "app/main_window.h"
#include "app/proof_sheet.h"
#include "app/render_image.h"
#include "app/settings.h"
#include "base/error.h"

#include <QCoreApplication>
#include <QPointer>

namespace baryton {

void MainWindow::proof(const std::optional<ProofWish>& wish, const std::function<void(const QString&)>& told) {
    isProofing_ = wish.has_value();
    runBehind(*QThreadPool::globalInstance(), [window = QPointer(this), wish, told, asked = ++proofAsked_] {
        std::function<void()> show;
        QString problem;
        try {
            show = prepareSoftProof(wish);
        } catch (const Error& e) {
            problem = QString::fromStdString(e.what());
            show = prepareSoftProof(std::nullopt);
        }
        tellWindow(qApp, [window, show, problem, told, asked] {
            if (window && window->proofAsked_ == asked) window->showProof(show, problem, told);
        });
    });
}

void MainWindow::showProof(const std::function<void()>& show, const QString& problem,
                           const std::function<void(const QString&)>& told) {
    const std::string before = monitorProfileId();
    show();
    if (!problem.isEmpty()) isProofing_ = false;
    proofText_->setText(isProofing_ ? tr("Proof: %1").arg(QString::fromStdString(proofName())) : QString());
    if (monitorProfileId() != before) {
        state_.pictures().redrawAll();
        Q_EMIT state_.shownGradeChanged();
    }
    told(problem);
}

void MainWindow::toggleProof() {
    proof(isProofing_ ? std::nullopt : std::optional(loadSettings().proof), [this](const QString& problem) {
        if (!problem.isEmpty()) showMessage(problem, true);
    });
}

void MainWindow::openProofSheet() {
    auto* sheet = new ProofSheet(loadSettings().proof, this);
    const auto take = [this, sheet = QPointer(sheet)](const ProofWish& wish) {
        proof(wish, [sheet, wish](const QString& problem) {
            if (sheet) sheet->setProblem(problem);
            if (!problem.isEmpty()) return;
            Settings settings = loadSettings();
            settings.proof = wish;
            saveSettings(settings);
        });
    };
    connect(sheet, &ProofSheet::wished, this, take);
    take(loadSettings().proof); // what is set is seen
    sheet->open();
}

} // namespace baryton
