#include "app/grade/frame_editor.h"
#include "app/widgets/labels.h"
#include "stages/frame.h"

#include <QHBoxLayout>

namespace baryton {

namespace {

/// "4:5" for "5:4"; the same for what has no other way round.
std::string sidesSwapped(const std::string& ratio) {
    const auto colon = ratio.find(':');
    return colon == std::string::npos ? ratio : ratio.substr(colon + 1) + ":" + ratio.substr(0, colon);
}

} // namespace

FrameEditor::FrameEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), swap_(makeButton(tr("Swap the sides"), "")) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    auto* summary = makeLabel(QString::fromStdString(type().summary), "second");
    summary->setWordWrap(true);
    layout->addWidget(summary);
    layout->addSpacing(4);
    addChoice(layout, "ratio");
    swap_->setToolTip(tr("Stands the frame upright, or lays it down"));
    connect(swap_, &QPushButton::clicked, this, &FrameEditor::swapSides);
    layout->addWidget(swap_, 0, Qt::AlignRight);
    for (const char* parameter : {"size", "centre.x", "centre.y", "angle"}) addRow(layout, parameter);
    proportions_ = addRow(layout, "proportions");
    layout->addStretch(1);
    refresh();
}

void FrameEditor::refresh() {
    if (stage().type != kFrameType) return;
    refreshRows();
    const std::string ratio = ParameterReader(type(), stage()).choice("ratio");
    const bool isFree = !proportionsOf(ratio);
    proportions_->setVisible(isFree); // the last row: nothing moves
    swap_->setEnabled(isFree ? number("proportions") > 0
                             : ratio.find(':') != std::string::npos && sidesSwapped(ratio) != ratio);
}

void FrameEditor::swapSides() {
    const std::string ratio = ParameterReader(type(), stage()).choice("ratio");
    if (!proportionsOf(ratio)) return set({{"proportions", 1 / number("proportions")}}, true);
    set({{"ratio", sidesSwapped(ratio)}}, true);
}

} // namespace baryton
