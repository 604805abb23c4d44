// Soft proof: what is shown, as another device would.
#include "app/main_window.h"
#include "app/proof_sheet.h"
#include "app/render_image.h"
#include "app/settings.h"
#include "base/error.h"

namespace baryton {

bool MainWindow::isProofing() const {
    return !proofText_->text().isEmpty();
}

QString MainWindow::proof(const std::optional<ProofWish>& wish) {
    const std::string before = monitorProfileId();
    QString problem;
    try {
        setSoftProof(wish);
    } catch (const Error& e) {
        setSoftProof(std::nullopt);
        problem = QString::fromStdString(e.what());
    }
    const QString name = QString::fromStdString(proofName());
    proofText_->setText(name.isEmpty() ? QString() : tr("Proof: %1").arg(name));
    if (monitorProfileId() != before) {
        state_.pictures().redrawAll();
        Q_EMIT state_.shownGradeChanged();
    }
    return problem;
}

void MainWindow::toggleProof() {
    const QString problem = isProofing() ? proof(std::nullopt) : proof(loadSettings().proof);
    if (!problem.isEmpty()) showMessage(problem, true);
}

void MainWindow::openProofSheet() {
    auto* sheet = new ProofSheet(loadSettings().proof, this);
    const auto take = [this, sheet](const ProofWish& wish) {
        const QString problem = proof(wish);
        sheet->setProblem(problem);
        if (!problem.isEmpty()) return;
        Settings settings = loadSettings();
        settings.proof = wish;
        saveSettings(settings);
    };
    connect(sheet, &ProofSheet::wished, this, take);
    take(loadSettings().proof); // what is set is seen
    sheet->open();
}

} // namespace baryton
