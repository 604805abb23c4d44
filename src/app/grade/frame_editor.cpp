#include "app/grade/frame_editor.h"
#include "app/grade/frame_view.h"
#include "app/settings.h"
#include "app/widgets/labels.h"
#include "picture/find_level.h"

#include <QHBoxLayout>

namespace baryton {

FrameEditor::FrameEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), swap_(makeButton(tr("Swap the sides"), "")),
      lines_(makeButton(tr("Straighten by lines"), "")), found_(new StillText(2)) {
    QVBoxLayout* layout = startLayout();
    layout->addSpacing(4);
    addChoice(layout, "ratio");
    auto* turns = new QHBoxLayout;
    const auto addButton = [&](QPushButton* button, const QString& tip, auto press) {
        button->setToolTip(tip);
        connect(button, &QPushButton::clicked, this, press);
        turns->addWidget(button);
    };
    addButton(makeButton(tr("Turn left"), ""), tr("The picture a quarter to the left (comma)"),
              [this] { quarterTurn(false); });
    addButton(makeButton(tr("Turn right"), ""), tr("The picture a quarter to the right (full stop)"),
              [this] { quarterTurn(true); });
    addButton(makeButton(tr("Mirror"), ""), tr("Left and right change places (M)"), [this] { mirror(); });
    turns->addStretch(1);
    layout->addLayout(turns);
    swap_->setToolTip(tr("Stands the frame upright, or lays it down (X)"));
    connect(swap_, &QPushButton::clicked, this, &FrameEditor::swapSides);
    auto* shapes = new QHBoxLayout;
    shapes->addWidget(swap_);
    auto* byItself = makeButton(tr("Level by itself"), "");
    byItself->setToolTip(
        tr("Looks for lines of the picture that ought to be level or upright, and turns it by them"));
    connect(byItself, &QPushButton::clicked, this, &FrameEditor::level);
    shapes->addWidget(byItself);
    shapes->addStretch(1);
    layout->addLayout(shapes);
    lines_->setCheckable(true);
    lines_->setToolTip(
        tr("Draw along two lines of the picture that ought to be upright, or level, or along two of each (L)"));
    connect(lines_, &QPushButton::clicked, this, &StageEditor::linesWanted);
    layout->addWidget(lines_, 0, Qt::AlignLeft);
    layout->addWidget(found_);
    for (const char* parameter : {"angle", "tilt", "swing", "focal"}) addRow(layout, parameter);

    auto* guides = new QHBoxLayout;
    auto* guidesName = new QLabel(tr("Guides"));
    auto* box = new QComboBox;
    box->setAccessibleName(tr("Guides"));
    box->setToolTip(tr("Lines that help to place the frame, shown while the hand is on it"));
    box->addItems({tr("Thirds"), tr("Golden section"), tr("Diagonals"), tr("Centre"), tr("None")});
    box->setCurrentIndex(FrameView::keptGuide());
    connect(box, &QComboBox::activated, this, &StageEditor::guideChosen);
    guides->addWidget(guidesName);
    guides->addWidget(box, 1);
    addNamed(guidesName);
    layout->addLayout(guides);
    for (const char* parameter : {"size", "centre.x", "centre.y"}) addRow(layout, parameter);
    proportions_ = addRow(layout, "proportions");
    layout->addStretch(1);
    connect(&state, &AppState::keyChanged, found_, [this] { found_->setText({}); });
    FrameEditor::refresh();
}

void FrameEditor::refresh() {
    if (stage().type != kFrameType) return;
    refreshRows();
    const std::string ratio = ParameterReader(type(), stage()).choice("ratio");
    proportions_->setVisible(!proportionsOf(ratio)); // the last row: nothing moves
    swap_->setEnabled(!sidesSwapped(stage()).empty());
    if (number("angle") != foundAngle_) found_->setText({});
}

void FrameEditor::set(const std::map<std::string, Value>& values, bool settled) {
    std::map<std::string, Value> all = values;
    const bool turns = all.contains("tilt") || all.contains("swing");
    if (turns && frameOf(stage()).turn.isNone() && !stage().parameters.contains("focal") && state_.hasKey())
        if (const double focal = knownFocal(state_.pictures().shotOf(state_.key())); focal != CameraTurn().focal)
            all.emplace("focal", focal);
    StageEditor::set(all, settled);
}

void FrameEditor::level() {
    const Picture small = state_.pictures().wholeSmallOf(state_.key());
    if (small.isEmpty()) return;
    const FoundLevel found = findLevel(oriented(small, frameOf(stage()).orientation));
    if (!found.isSure()) {
        found_->setText(tr("No line was found that says what is level. Draw along one with Ctrl held."));
        return;
    }
    const ParameterType& angle = *type().parameter("angle");
    foundAngle_ = std::round(found.angle / angle.step) * angle.step + 0.0; // no minus before nothing
    set({{"angle", foundAngle_}}, true);
    found_->setText(tr("Turned by %1° along the line shown; %2 % sure.")
                        .arg(foundAngle_, 0, 'f', 1)
                        .arg(std::lround(found.sureness * 100)));
    Q_EMIT lineFound({found.x0, found.y0, found.x1, found.y1});
}

} // namespace baryton
