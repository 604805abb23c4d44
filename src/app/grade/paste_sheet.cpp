#include "app/grade/paste_sheet.h"
#include "app/widgets/labels.h"

namespace baryton {

PasteSheet::PasteSheet(const Grade& copied, const IncludeSet& ticked, std::size_t pictures, QWidget* parent)
    : Sheet(tr("Paste with ticks"), QStringLiteral("guide/package#") + tr("Paste with ticks"), parent) {
    resize(480, 560);
    auto* layout = rows();
    layout->addWidget(makeLabel(counted(static_cast<qsizetype>(pictures), tr("picture gets what is ticked"),
                                        tr("pictures get what is ticked, as one step")),
                                "second"));
    auto* tree = new CarryTree(true);
    tree->setGrade(copied);
    tree->tick(ticked);
    layout->addWidget(tree, 1);
    auto* paste = makeButton(tr("Paste"), "primary");
    addFoot(paste);
    connect(tree, &CarryTree::includedChanged, paste,
            [tree, paste] { paste->setEnabled(!tree->included().empty()); });
    connect(paste, &QPushButton::clicked, this, [this, tree] {
        Q_EMIT pasted(tree->included());
        accept();
    });
}

} // namespace baryton
