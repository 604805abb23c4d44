#include "app/widgets/sheet.h"
#include "app/guide/guide_of.h"
#include "app/widgets/labels.h"

#include <QHBoxLayout>

namespace baryton {

Sheet::Sheet(const QString& title, const QString& guide, QWidget* parent)
    : QDialog(parent), rows_(new QVBoxLayout(this)) {
    setGuide(this, guide);
    setWindowTitle(title);
    setAttribute(Qt::WA_DeleteOnClose);
    rows_->setContentsMargins(16, 14, 16, 14);
    rows_->setSpacing(8);
}

QLabel* Sheet::addNote(const QString& text) {
    auto* note = makeLabel(text, "second");
    note->setWordWrap(true);
    rows_->addWidget(note);
    return note;
}

void Sheet::addFoot(QPushButton* main, QWidget* before) {
    auto* foot = new QHBoxLayout;
    if (before) foot->addWidget(before);
    foot->addStretch(1);
    auto* cancel = makeButton(tr("Cancel"), "");
    foot->addWidget(cancel);
    foot->addWidget(main);
    rows_->addLayout(foot);
    main->setDefault(true);
    connect(cancel, &QPushButton::clicked, this, &QDialog::reject);
}

void Sheet::addCloseFoot(const char* role, QWidget* before) {
    auto* foot = new QHBoxLayout;
    if (before) foot->addWidget(before);
    foot->addStretch(1);
    auto* close = makeButton(tr("Close"), role);
    foot->addWidget(close);
    rows_->addLayout(foot);
    connect(close, &QPushButton::clicked, this, &QDialog::accept);
}

} // namespace baryton
