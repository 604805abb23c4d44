#include "app/grade/in_force_list.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "app/widgets/number_field.h"
#include "edits/in_force.h"
#include "edits/preset_words.h"

#include <QHBoxLayout>

namespace baryton {

namespace {

QString modeName(ApplyMode mode) {
    return mode == ApplyMode::Set        ? InForceList::tr("Set")
           : mode == ApplyMode::AddAbove ? InForceList::tr("Above")
                                         : InForceList::tr("Replace");
}

} // namespace

InForceList::InForceList(AppState& state, QWidget* parent) : QWidget(parent), state_(state), rows_(new QVBoxLayout) {
    setAccessibleName(tr("Presets in force"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 4);
    layout->setSpacing(4);
    layout->addWidget(makeLabel(tr("IN FORCE HERE"), "section"));
    rows_->setSpacing(2);
    layout->addLayout(rows_);
    none_ =
        makeLabel(tr("None. What a click puts on stands here and can be weakened, swapped or taken off."), "second");
    none_->setWordWrap(true);
    layout->addWidget(none_);
    layout->addStretch(1);
    connect(&state, &AppState::keyChanged, this, [this] {
        endSwap();
        refresh();
    });
    connect(&state.pictures(), &PictureSet::gradeChanged, this, [this](int index) {
        if (index == state_.key()) refresh();
    });
    refresh();
}

void InForceList::endSwap() {
    if (!swap_) return;
    swap_.reset();
    for (const Row& row : shown_) row.swap->setChecked(false);
    Q_EMIT swapChanged();
}

InForceList::Row InForceList::makeRow(std::size_t index) {
    Row row{};
    row.box = new QWidget;
    auto* lines = new QVBoxLayout(row.box);
    lines->setContentsMargins(0, 0, 0, 2);
    lines->setSpacing(0);
    auto* first = new QHBoxLayout;
    first->setSpacing(2);
    row.name = makeButton({}, "switch");
    row.name->setCheckable(true);
    auto* off = makeButton({}, "flat");
    off->setIcon(theme::icon(QStringLiteral("close")));
    off->setAccessibleName(tr("Take the preset off"));
    off->setToolTip(tr("Takes the preset off: what it set and nobody changed since goes back to what it was"));
    first->addWidget(row.name, 1);
    first->addWidget(off);
    lines->addLayout(first);
    auto* second = new QHBoxLayout;
    second->setContentsMargins(10, 0, 0, 0);
    second->setSpacing(4);
    row.mode = makeLabel({}, "second");
    row.strength = new NumberField;
    row.strength->setRange(0, 200, 1);
    row.strength->setFixedWidth(46);
    row.strength->setAccessibleName(tr("Strength of the preset"));
    row.strength->setToolTip(tr("How far the preset goes: 100 as it was saved"));
    row.swap = makeButton(tr("Swap"), "flat");
    row.swap->setCheckable(true);
    row.swap->setToolTip(tr("The next preset that you click takes this one's place"));
    row.over = makeButton(tr("Save over"), "flat");
    row.over->setToolTip(tr("Gives the preset in the library the values that it has here now"));
    connect(row.over, &QPushButton::clicked, this, [this, index] { state_.savePresetOver(index); });
    second->addWidget(row.mode, 1);
    second->addWidget(row.over);
    second->addWidget(row.strength);
    second->addWidget(row.swap);
    lines->addLayout(second);
    connect(row.name, &QPushButton::clicked, this, [this, index](bool on) {
        InForce wanted = state_.keyWork().inForce.at(index);
        wanted.isOn = on;
        state_.changePresetInForce(index, wanted);
    });
    connect(off, &QPushButton::clicked, this, [this, index] { state_.takeOffPreset(index); });
    connect(row.strength, &NumberField::edited, this, [this, index](double value, bool settled) {
        InForce wanted = state_.keyWork().inForce.at(index);
        wanted.strength = value / 100;
        state_.changePresetInForce(index, wanted, QStringLiteral("in force %1").arg(index));
        if (settled) state_.endGesture();
    });
    connect(row.swap, &QPushButton::clicked, this, [this, index](bool on) {
        swap_ = on ? std::optional(index) : std::nullopt;
        for (std::size_t i = 0; i < shown_.size(); ++i) shown_[i].swap->setChecked(swap_ && *swap_ == i);
        Q_EMIT swapChanged();
    });
    return row;
}

void InForceList::refresh() {
    const PictureWork& work = state_.keyWork();
    none_->setVisible(work.inForce.empty());
    while (shown_.size() > work.inForce.size()) {
        shown_.back().box->hide();
        shown_.back().box->deleteLater();
        shown_.pop_back();
    }
    while (shown_.size() < work.inForce.size()) {
        shown_.push_back(makeRow(shown_.size()));
        rows_->addWidget(shown_.back().box);
    }
    if (swap_ && *swap_ >= work.inForce.size()) endSwap();
    for (std::size_t i = 0; i < shown_.size(); ++i) {
        const InForce& entry = work.inForce[i];
        const bool changed = isChangedSince(work, i);
        const QString name = QString::fromStdString(entry.preset.name);
        constexpr int nameWidth = 92;
        shown_[i].name->setText(fontMetrics().elidedText(name, Qt::ElideRight, nameWidth) +
                                (changed ? QStringLiteral("•") : QString()) + QStringLiteral(" · ") +
                                modeName(entry.mode));
        shown_[i].name->setAccessibleName(tr("Preset %1 on").arg(name));
        shown_[i].name->setChecked(entry.isOn);
        shown_[i].name->setToolTip(
            tr("%1 %2%3").arg(name, QString::fromStdString(accountOf(entry.preset)),
                              changed ? tr("\nSome of what it set was changed since") : QString()));
        shown_[i].mode->setText(changed ? QString() : tr("Strength"));
        // What was changed since can be given to the preset itself.
        shown_[i].over->setVisible(changed && state_.sourceOf(entry));
        shown_[i].strength->setValue(entry.strength * 100);
        shown_[i].strength->setEnabled(entry.isOn);
    }
}

} // namespace baryton
