#include "app/grade/editors.h"
#include "app/grade/miniatures.h"
#include "app/widgets/labels.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QMenu>
#include <cmath>

namespace baryton {

namespace {
constexpr const char* kRanges[] = {"shadows", "midtones", "highlights", "whole"};
}

WheelsEditor::WheelsEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    auto* grid = new QGridLayout;
    grid->setSpacing(4);
    const QString names[] = {tr("Shadows"), tr("Midtones"), tr("Highlights"), tr("Whole")};
    auto* typed = new QVBoxLayout;
    for (int i = 0; i < 4; ++i) {
        const std::string id = kRanges[i];
        wheels_[i] = new WheelView(names[i], hueColour);
        wheels_[i]->setFixedSize(136, 136);
        wheels_[i]->setToolTip(
            tr("Pull toward a colour; the ring around makes lighter or darker. Double click resets."));
        names_[i] = makeLabel(names[i], "second");
        names_[i]->setAlignment(Qt::AlignCenter);
        grid->addWidget(names_[i], 2 * (i / 2), i % 2);
        grid->addWidget(wheels_[i], 2 * (i / 2) + 1, i % 2, Qt::AlignCenter);
        typed_[i] = new QWidget;
        auto* rows = new QVBoxLayout(typed_[i]);
        rows->setContentsMargins(0, 0, 0, 0);
        rows->setSpacing(4);
        addRow(rows, id + ".hue", tr("%1 hue").arg(names[i]));
        addRow(rows, id + ".amount", tr("Amount"));
        addRow(rows, id + ".level", tr("Level"));
        typed->addWidget(typed_[i]);
        connect(wheels_[i], &WheelView::edited, this, [this, i, id](const WheelView::Setting& s, bool settled) {
            choose(i);
            set({{id + ".hue", s.hue}, {id + ".amount", s.amount}, {id + ".level", s.level}}, settled);
        });
    }
    layout->addLayout(grid);
    layout->addLayout(typed);
    auto* helpers = new QHBoxLayout;
    addHuePick(
        helpers, [this] { return std::string(kRanges[chosen_]) + ".hue"; }, true);
    auto* opposite = makeButton(tr("Opposite to…"), "");
    opposite->setToolTip(tr("Gives another range the hue that lies opposite, at the same amount"));
    auto* menu = new QMenu(opposite);
    for (int i = 0; i < 4; ++i) menu->addAction(names[i], this, [this, i] { giveOpposite(i); });
    opposite->setMenu(menu);
    helpers->addWidget(opposite);
    layout->addLayout(helpers);
    layout->addWidget(makeLabel(tr("WHERE THE RANGES LIE"), "section"));
    for (const char* id : {"shadows.pivot", "highlights.pivot", "softness"}) addRow(layout, id);
    addLimits(layout);
    layout->addStretch(1);
    choose(0);
    WheelsEditor::refresh();
}

void WheelsEditor::giveOpposite(int range) {
    const std::string from = kRanges[chosen_], to = kRanges[range];
    if (from == to) return;
    set({{to + ".hue", std::fmod(number(from + ".hue") + 180, 360)}, {to + ".amount", number(from + ".amount")}},
        true);
    choose(range);
}

void WheelsEditor::choose(int range) {
    chosen_ = range;
    for (int i = 0; i < 4; ++i) {
        typed_[i]->setVisible(i == range);
        setRole(names_[i], i == range ? "accent" : "second");
    }
}

void WheelsEditor::refresh() {
    for (int i = 0; i < 4; ++i) {
        const std::string id = kRanges[i];
        wheels_[i]->setSetting({number(id + ".hue"), number(id + ".amount"), number(id + ".level")});
    }
    refreshRows();
}

} // namespace baryton
