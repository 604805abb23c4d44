#include "app/package/pair_step.h"
#include "app/widgets/labels.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QGridLayout>
#include <QHBoxLayout>

namespace baryton {

PairStep::PairStep(QWidget* parent)
    : QWidget(parent), before_(makeButton(tr("Choose a picture before…"), "")),
      after_(makeButton(tr("Choose what became of it…"), "")), anew_(makeButton(tr("Start anew"), "flat")),
      beforeName_(makeLabel({}, "second")), afterName_(makeLabel({}, "second")), count_(makeLabel({}, "second")) {
    auto* rows = new QVBoxLayout(this);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(8);
    rows->addWidget(makeLabel(tr("Pictures before and after"), "heading"));
    auto* grid = new QGridLayout;
    grid->setColumnStretch(1, 1);
    grid->addWidget(before_, 0, 0);
    grid->addWidget(beforeName_, 0, 1);
    grid->addWidget(after_, 1, 0);
    grid->addWidget(afterName_, 1, 1);
    rows->addLayout(grid);
    auto* line = new QHBoxLayout;
    line->addWidget(count_, 1);
    line->addWidget(anew_);
    rows->addLayout(line);
    connect(before_, &QPushButton::clicked, this, [this] { choose(false); });
    connect(after_, &QPushButton::clicked, this, [this] { choose(true); });
    connect(anew_, &QPushButton::clicked, this, [this] {
        pairs_.clear(), next_ = {};
        show();
        Q_EMIT changed();
    });
    show();
}

void PairStep::take(const Files& files) {
    next_ = {};
    set(false, files.before);
    set(true, files.after);
}

void PairStep::choose(bool isAfter) {
    auto* dialog = new QFileDialog(this, isAfter ? tr("Choose what became of it") : tr("Choose a picture before"), {},
                                   tr("Pictures (*.png *.tif *.tiff *.jpg *.jpeg *.webp *.avif)"));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    connect(dialog, &QFileDialog::fileSelected, this, [this, isAfter](const QString& file) { set(isAfter, file); });
    dialog->open();
}

void PairStep::set(bool isAfter, const QString& file) {
    (isAfter ? next_.after : next_.before) = file;
    const bool isComplete = !next_.before.isEmpty() && !next_.after.isEmpty();
    if (isComplete) pairs_.push_back(next_), next_ = {};
    show();
    if (isComplete) Q_EMIT changed();
}

void PairStep::show() {
    // The last pair stays in sight until the next is begun.
    const bool isBegun = !next_.before.isEmpty() || !next_.after.isEmpty();
    const Files shown = isBegun || pairs_.empty() ? next_ : pairs_.back();
    beforeName_->setText(QFileInfo(shown.before).fileName());
    afterName_->setText(QFileInfo(shown.after).fileName());
    count_->setText(pairs_.empty() ? tr("The same picture, ungraded and graded; dropping two files here does it.")
                    : pairs_.size() == 1 ? tr("Another pair with other colours teaches more.")
                                         : tr("%1 pairs are learned from together.").arg(pairs_.size()));
    anew_->setEnabled(isBegun || !pairs_.empty());
}

} // namespace baryton
