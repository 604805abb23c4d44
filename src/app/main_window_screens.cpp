// What is shown on which screen and how: the monitors' profiles, soft proof, the second window.
#include "app/main_window.h"
#include "app/proof_sheet.h"
#include "app/settings.h"

#include <QLabel>
#include <QPointer>

namespace baryton {

namespace {
const QString kSecondName = QStringLiteral("second-window");
}

void MainWindow::fitToScreens() {
    screens_ = new ScreenFit(this);
    connect(screens_, &ScreenFit::problem, this, [this](const QString& text) { showMessage(text, true); });
    connect(screens_, &ScreenFit::changed, this, [this](Monitor monitor) {
        if (monitor == Monitor::Second) {
            if (second_) second_->refresh();
            return;
        }
        proofText_->setText(screens_->isProofing() ? tr("Proof: %1").arg(QString::fromStdString(proofName()))
                                                   : QString());
        grade_->fitToScreen();
        state_.pictures().redrawAll();
        Q_EMIT state_.shownGradeChanged();
    });
    screens_->watch(Monitor::Main, this);
}

void MainWindow::toggleProof() {
    screens_->setProof(screens_->isProofing() ? std::nullopt : std::optional(loadSettings().proof),
                       [this](const QString& problem) {
                           if (!problem.isEmpty()) showMessage(problem, true);
                       });
}

void MainWindow::openProofSheet() {
    auto* sheet = new ProofSheet(loadSettings().proof, this);
    const auto take = [this, sheet = QPointer(sheet)](const ProofWish& wish) {
        screens_->setProof(wish, [sheet, wish](const QString& problem) {
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

void MainWindow::toggleSecond() {
    if (second_) {
        second_->close();
        return;
    }
    second_ = std::make_unique<PictureWindow>(state_, *grade_);
    second_->setWindowIcon(windowIcon());
    // Keys mean there what they mean here.
    for (const auto& [command, action] : actions_) second_->addAction(action);
    connect(second_.get(), &PictureWindow::closed, this, [this] {
        screens_->leave(Monitor::Second);
        second_.release()->deleteLater(); // it is in its own hands just now
    });
    screens_->watch(Monitor::Second, second_.get());
    second_->showBeside(this);
}

void MainWindow::openSecondAgain() {
    if (!second_ && layoutState(kSecondName) == "open") toggleSecond();
}

void MainWindow::closeSecond() {
    rememberLayout(kSecondName, second_ ? "open" : "closed");
    if (second_) second_->close();
}

PictureView* MainWindow::viewInHand() const {
    return hasSecondTheKeys() ? second_->view() : grade_->view();
}

} // namespace baryton
