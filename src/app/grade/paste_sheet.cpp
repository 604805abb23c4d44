#include "app/grade/paste_sheet.h"
#include "app/widgets/labels.h"

#include <QHBoxLayout>
#include <QVBoxLayout>

namespace baryton {

PasteSheet::PasteSheet(const Grade& copied, const IncludeSet& ticked, std::size_t pictures, QWidget* parent)
    : QDialog(parent) {
    setWindowTitle(tr("Paste with ticks"));
    setAttribute(Qt::WA_DeleteOnClose);
    resize(480, 560);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(16, 14, 16, 14);
    layout->setSpacing(8);
    layout->addWidget(makeLabel(counted(static_cast<qsizetype>(pictures), tr("picture gets what is ticked"),
                                        tr("pictures get what is ticked, as one step")),
                                "second"));
    auto* tree = new CarryTree(true);
    tree->setGrade(copied);
    tree->tick(ticked);
    layout->addWidget(tree, 1);
    auto* foot = new QHBoxLayout;
    auto* cancel = makeButton(tr("Cancel"), "");
    auto* paste = makeButton(tr("Paste"), "primary");
    foot->addStretch(1);
    foot->addWidget(cancel);
    foot->addWidget(paste);
    layout->addLayout(foot);
    paste->setDefault(true);
    connect(cancel, &QPushButton::clicked, this, &QDialog::reject);
    connect(tree, &CarryTree::includedChanged, paste,
            [tree, paste] { paste->setEnabled(!tree->included().empty()); });
    connect(paste, &QPushButton::clicked, this, [this, tree] {
        Q_EMIT pasted(tree->included());
        accept();
    });
}

} // namespace baryton
