// The guide beside the work, and the pages that tell of the window's parts.
#include "app/guide/guide_of.h"
#include "app/main_window.h"

#include <QApplication>
#include <QKeyEvent>
#include <QVBoxLayout>

namespace baryton {

void MainWindow::openGuide(const GuidePlace& place) {
    if (!guide_) {
        guide_ = new GuidePanel;
        guide_->hide();
        sides_->addWidget(guide_);
        sides_->setStretchFactor(0, 1);
        sides_->setStretchFactor(1, 0);
        connect(guide_, &GuidePanel::closeWanted, this, &MainWindow::closeGuide);
    }
    if (!guide_->isVisible()) {
        guide_->show();
        sides_->setSizes({sides_->width() - GuidePanel::kWidth, GuidePanel::kWidth});
    }
    guide_->open(place);
}

void MainWindow::closeGuide() {
    if (!guide_) return;
    const bool hadFocus = guide_->isAncestorOf(QApplication::focusWidget());
    guide_->hide();
    if (hadFocus) tasks_->currentWidget()->setFocus();
}

bool MainWindow::answerFromDialog(const QKeyEvent& key) {
    auto* dialog = qobject_cast<QDialog*>(QApplication::activeWindow());
    if (key.key() != Qt::Key_F1 || key.modifiers() != Qt::NoModifier || !dialog || dialog->parentWidget() == nullptr)
        return false;
    const GuidePlace place = askedPlace(dialog);
    if (auto* open = dialog->findChild<GuidePanel*>()) {
        open->open(place);
        open->window()->raise();
        return true;
    }
    // The window below can't be worked while the dialog is open: the guide gets a window of its own beside it.
    auto* beside = new QDialog(dialog);
    beside->setAttribute(Qt::WA_DeleteOnClose);
    beside->setWindowTitle(tr("Guide"));
    auto* layout = new QVBoxLayout(beside);
    layout->setContentsMargins(0, 0, 0, 0);
    auto* panel = new GuidePanel;
    layout->addWidget(panel);
    connect(panel, &GuidePanel::closeWanted, beside, &QDialog::reject);
    beside->resize(GuidePanel::kWidth + 40, std::max(dialog->height(), 560));
    beside->move(dialog->frameGeometry().topRight() + QPoint(8, 0));
    beside->show();
    panel->open(place);
    return true;
}

} // namespace baryton
