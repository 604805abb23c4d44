#include "app/grade/lens_editor.h"
#include "app/grade/lens_list.h"
#include "app/widgets/labels.h"
#include "stages/lens.h"

#include <QHBoxLayout>

namespace baryton {

LensEditor::LensEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), account_(new StillText(3)), choose_(makeButton(tr("Choose a lens…"), "")),
      own_(makeButton(tr("As in the file"), "")) {
    QVBoxLayout* layout = startLayout();
    layout->addWidget(account_);
    choose_->setToolTip(tr("For files that do not say by which lens they were taken, or say it wrong"));
    connect(choose_, &QPushButton::clicked, this, &LensEditor::chooseLens);
    own_->setToolTip(tr("The corrections of the lens that each picture's file names"));
    connect(own_, &QPushButton::clicked, this, [this] { set({{"lens", std::string()}}, true); });
    auto* whose = new QHBoxLayout;
    whose->addWidget(choose_);
    whose->addWidget(own_);
    whose->addStretch(1);
    layout->addLayout(whose);
    layout->addSpacing(4);
    for (const char* parameter : {"distortion", "fringes", "shading"}) addRow(layout, parameter);
    layout->addSpacing(4);
    layout->addWidget(makeLabel(tr("By hand"), "second"));
    for (const char* parameter : {"barrel", "red", "blue", "corners"}) addRow(layout, parameter);
    layout->addStretch(1);
    // What the file says comes with the picture.
    connect(&state.pictures(), &PictureSet::loaded, this, [this](int index) {
        if (index == state_.key()) refresh();
    });
    LensEditor::refresh();
}

void LensEditor::refresh() {
    if (stage().type != kLensType) return;
    refreshRows();
    const Shot shot = state_.hasKey() ? state_.pictures().shotOf(state_.key()) : Shot();
    const LensCorrection correction = correctionFor(lensOf(stage()), shot);
    const bool isOwn = correction.settings.lens.empty();
    own_->setEnabled(!isOwn);
    const auto asText = [](const std::string& text) { return QString::fromStdString(text); };
    QString text = asText(correction.lens);
    if (!text.isEmpty()) text += u'\n' + (isOwn ? tr("as the file says") : tr("chosen by hand"));
    const QString lacks = asText(lensProblem(correction, shot));
    if (!lacks.isEmpty())
        text = correction.lens.empty() ? tr("Nothing is corrected: %1. Choose a lens, or set it by hand.").arg(lacks)
                                       : text + u'\n' + lacks;
    account_->setText(text);
}

void LensEditor::chooseLens() {
    const Shot shot = state_.hasKey() ? state_.pictures().shotOf(state_.key()) : Shot();
    QPointer<LensEditor> alive = this;
    auto* list = new LensList(
        shot,
        [alive](const std::string& name) {
            if (alive) alive->set({{"lens", name}}, true);
        },
        this);
    list->popup(*this, *choose_);
}

} // namespace baryton
