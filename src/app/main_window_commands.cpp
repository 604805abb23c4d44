// What each command does.
#include "app/grade/paste_sheet.h"
#include "app/grade/stage_commands.h"
#include "app/grade/write_picture.h"
#include "app/guide/guide_of.h"
#include "app/help.h"
#include "app/keys.h"
#include "app/library_commands.h"
#include "app/main_window.h"
#include "app/package/learn_sheet.h"
#include "edits/changed.h"
#include "edits/preset_words.h"

#include <QDesktopServices>
#include <QFileDialog>
#include <QTemporaryDir>
#include <numeric>

namespace baryton {

void MainWindow::makeCommands() {
    commands_ = {
        {Command::OpenFolder, [this] { openDialog(true); }},
        {Command::OpenFiles, [this] { openDialog(false); }},
        {Command::SavePreset, [this] { grade_->savePreset(); }},
        {Command::ExportLut, [this] { grade_->exportLut(); }},
        {Command::Quit, [this] { close(); }},
        {Command::Undo, [this] { state_.goBack(task_); }},
        {Command::Redo, [this] { state_.goForth(task_); }},
        {Command::ResetStage, [this] { resetStage(state_, state_.chosenStage()); }},
        {Command::ResetLayer, [this] { resetLayer(state_, state_.chosenStage()); }},
        {Command::ResetPrep, [this] { resetPart(state_, Part::Prep); }},
        {Command::ResetLook, [this] { resetPart(state_, Part::Look); }},
        {Command::ResetFinish, [this] { resetPart(state_, Part::Finish); }},
        {Command::ResetPicture, [this] { resetPicture(state_); }},
        {Command::CopyGrade, [this] { copyGrade(); }},
        {Command::PasteGrade, [this] { pasteGrade(false); }},
        {Command::PasteTicked, [this] { pasteGrade(true); }},
        {Command::FindAnything, [this] { openPalette(); }},
        {Command::WritePicture, [this] { writePicture(); }},
        {Command::OpenWith, [this] { openWith(); }},
        {Command::Preferences, [this] { openPreferences(); }},
        {Command::ImportFiles, [this] { openImportDialog(state_, this); }},
        {Command::LearnLut, [this] { (new LearnSheet(state_, this))->open(); }},
        {Command::EmptyDeleted, [this] { baryton::emptyDeleted(state_, this); }},
        {Command::ExportPack, [this] { packagePage()->exportPack(); }},
        {Command::ExportLuts, [this] { packagePage()->exportLuts(); }},
        {Command::StartOfNew, [this] { packagePage()->openStarts(); }},
        {Command::SurveySet, [this] { showTask(AppTask::Batch), batchPage()->showView(BatchPage::View::Survey); }},
        {Command::MatchSet, [this] { showTask(AppTask::Batch), batchPage()->showView(BatchPage::View::Match); }},
        {Command::BringGiven, [this] { baryton::bringGivenPresets(state_, this); }},
        {Command::ChooseAll,
         [this] {
             if (task_ == AppTask::Package) return packagePage()->tiles()->selectAll();
             std::vector<int> all(static_cast<std::size_t>(state_.pictures().size()));
             std::iota(all.begin(), all.end(), 0);
             state_.setSelection(std::move(all));
         }},
        {Command::EditsAll, [this] { state_.setEditsAll(!state_.editsAll()); }},
        {Command::KeepTake, [this] { state_.keepTake(); }},
        {Command::TakesAndSteps, [this] { showTask(AppTask::Grade), toggleSide(GradePage::Side::Steps); }},
        {Command::ReferencePicture, [this] { showTask(AppTask::Grade), grade_->chooseReference(); }},
        {Command::SamplePoints, [this] { showTask(AppTask::Grade), grade_->toggleSampling(); }},
        {Command::AddStage, [this] { showTask(AppTask::Grade), grade_->chain()->openAddList(); }},
        {Command::AddLayer, [this] { addLayer(state_); }},
        {Command::WorkOnPicture, [this] { grade_->editorPanel()->onPictureButton()->toggle(); }},
        {Command::ShowAlone, [this] { grade_->toggleAlone(); }},
        {Command::ShowMask,
         [this] {
             state_.maskTools().toggleVeil();
             maskShown_.start();
         }},
        {Command::WithoutMasked, [this] { grade_->toggleWithoutMasked(); }},
        {Command::NextPicture, [this] { state_.setKey(state_.key() + 1); }},
        {Command::PreviousPicture, [this] { state_.setKey(state_.key() - 1); }},
        {Command::DuplicateStage, [this] { duplicateStage(state_, state_.chosenStage()); }},
        {Command::DeleteStage, [this] { removeStage(state_, state_.chosenStage()); }},
        {Command::StageEarlier, [this] { moveStage(state_, state_.chosenStage(), -1); }},
        {Command::StageLater, [this] { moveStage(state_, state_.chosenStage(), 1); }},
        {Command::TaskGrade, [this] { showTask(AppTask::Grade); }},
        {Command::TaskPackage, [this] { showTask(AppTask::Package); }},
        {Command::TaskBatch, [this] { showTask(AppTask::Batch); }},
        {Command::Wipe, [this] { grade_->compareBar()->toggleMode(CompareBar::Mode::Wipe); }},
        {Command::WipeAcross, [this] { grade_->compareBar()->toggleMode(CompareBar::Mode::WipeAcross); }},
        {Command::Beside, [this] { grade_->compareBar()->toggleMode(CompareBar::Mode::Beside); }},
        {Command::Grid, [this] { grade_->compareBar()->toggleMode(CompareBar::Mode::Grid); }},
        {Command::ClipMarks, [this] { grade_->setClipMarks(!grade_->hasClipMarks()); }},
        {Command::SoftProof, [this] { toggleProof(); }},
        {Command::SoftProofAs, [this] { openProofSheet(); }},
        {Command::DoubleSize, [this] { viewInHand()->zoomTo(2); }},
        {Command::Panels, [this] { grade_->showPanels(!grade_->arePanelsShown()); }},
        {Command::SecondWindow, [this] { toggleSecond(); }},
        {Command::FitWindow, [this] { viewInHand()->fit(); }},
        {Command::FullSize, [this] { viewInHand()->zoomTo(1); }},
        {Command::ZoomIn, [this] { viewInHand()->zoomTo(viewInHand()->scale() * 1.25); }},
        {Command::ZoomOut, [this] { viewInHand()->zoomTo(viewInHand()->scale() / 1.25); }},
        {Command::Shelf, [this] { showTask(AppTask::Grade), toggleSide(GradePage::Side::Shelf); }},
        {Command::FullScreen,
         [this] {
             if (hasSecondTheKeys()) return second_->toggleFullScreen();
             setWindowState(windowState() ^ Qt::WindowFullScreen);
         }},
        {Command::WhatIsThis,
         [this] { openGuide(askedPlace(hasSecondTheKeys() ? static_cast<QWidget*>(second_.get()) : this)); }},
        {Command::ShowGuide, [this] { isGuideOpen() ? closeGuide() : openGuide({Guide::contentsId()}); }},
        {Command::ShowKeys, [this] { showKeys(this); }},
        {Command::ShowAbout, [this] { showAbout(this, state_.library().root()); }},
    };
}

void MainWindow::run(Command command) {
    commands_.at(command)();
}

void MainWindow::toggleSide(GradePage::Side which) {
    grade_->showSide(grade_->side() == which ? GradePage::Side::None : which);
}

void MainWindow::checkActions() {
    using Mode = CompareBar::Mode;
    const Mode mode = grade_->compareBar()->mode();
    const std::pair<Command, bool> states[] = {{Command::Wipe, mode == Mode::Wipe},
                                               {Command::WipeAcross, mode == Mode::WipeAcross},
                                               {Command::Beside, mode == Mode::Beside},
                                               {Command::Grid, mode == Mode::Grid},
                                               {Command::ClipMarks, grade_->hasClipMarks()},
                                               {Command::Shelf, grade_->side() == GradePage::Side::Shelf},
                                               {Command::TakesAndSteps, grade_->side() == GradePage::Side::Steps},
                                               {Command::Panels, grade_->arePanelsShown()},
                                               {Command::ShowGuide, isGuideOpen()},
                                               {Command::SoftProof, screens_->isProofing()},
                                               {Command::SecondWindow, second_ != nullptr},
                                               {Command::EditsAll, state_.editsAll()},
                                               {Command::WorkOnPicture, grade_->editorPanel()->isOnPicture()},
                                               {Command::SamplePoints, grade_->isSampling()},
                                               {Command::ShowAlone, grade_->isAlone()},
                                               {Command::ShowMask, state_.maskTools().veil() != MaskVeil::None},
                                               {Command::WithoutMasked, grade_->isWithoutMasked()}};
    for (const auto& [command, on] : states) actions_.at(command)->setChecked(on);
}

void MainWindow::copyGrade() {
    if (!state_.hasKey()) return;
    copied_ = state_.keyGrade();
    ticked_ = changedIn(*copied_);
    state_.tell(tr("Grade copied. Paste gives its Look and Finish; with ticks, whatever you choose."));
}

void MainWindow::pasteGrade(bool withTicks) {
    if (!copied_ || !state_.hasKey()) {
        state_.tell(tr("Copy a grade first (Ctrl+C)"));
        return;
    }
    const auto paste = [this] {
        Preset preset;
        preset.carried = carve(*copied_, ticked_, defaultsFor(*copied_));
        state_.editTargets(tr("Paste"), [&](const Grade& grade) { return applied(grade, preset, ApplyMode::Set); });
        state_.tell(tr("Pasted: it %1").arg(QString::fromStdString(accountOf(preset))));
    };
    if (!withTicks) return paste();
    auto* sheet = new PasteSheet(*copied_, ticked_, state_.targets().size(), this);
    connect(sheet, &PasteSheet::pasted, this, [this, paste](const IncludeSet& ticked) {
        ticked_ = ticked;
        paste();
    });
    sheet->open();
}

void MainWindow::writePicture() {
    if (!state_.hasKey()) return;
    const std::filesystem::path& source = state_.pictures().at(state_.key()).file;
    auto* dialog = new QFileDialog(this, tr("Write this picture"));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setAcceptMode(QFileDialog::AcceptSave);
    std::error_code ignored;
    dialog->setDirectory(QString::fromStdString(std::filesystem::absolute(source, ignored).parent_path().string()));
    dialog->setNameFilters({tr("JPEG (*.jpg)"), tr("TIFF, 16 bit (*.tif)"), tr("PNG, 16 bit (*.png)")});
    dialog->selectFile(QString::fromStdString(source.stem().string()) + QStringLiteral("-graded.jpg"));
    connect(dialog, &QFileDialog::fileSelected, this, [this, dialog](const QString& file) {
        writeKeyPicture(state_, file.toStdString(), dialog->selectedNameFilter());
    });
    dialog->open();
}

void MainWindow::openWith() {
    if (!state_.hasKey()) return;
    // Other programs are given a written version: the original is left alone.
    const auto& file = state_.pictures().at(state_.key()).file;
    // Each in a folder of its own that nobody else can reach. It stays when this program ends: the other one may
    // still have it open, and what is saved there is somebody's work.
    QTemporaryDir folder(QDir::tempPath() + QStringLiteral("/baryton-XXXXXX"));
    if (!folder.isValid()) return state_.tell(folder.errorString(), true);
    folder.setAutoRemove(false);
    const auto target = std::filesystem::path(folder.path().toStdString()) / (file.stem().string() + ".tif");
    writeKeyPicture(state_, target, {}, [target] {
        QDesktopServices::openUrl(QUrl::fromLocalFile(QString::fromStdString(target.string())));
    });
}

} // namespace baryton
