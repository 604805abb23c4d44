#include "app/grade/compare_bar.h"
#include "app/widgets/labels.h"

#include <QHBoxLayout>
#include <cmath>

namespace baryton {

CompareBar::CompareBar(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), before_(new QComboBox), chip_(makeButton({}, "chip")),
      fit_(makeButton(tr("Fit"), "flat")), full_(makeButton(tr("100 %"), "flat")),
      double_(makeButton(tr("200 %"), "flat")), zoom_(makeLabel({}, "second")) {
    setObjectName(QStringLiteral("toolbar"));
    setAttribute(Qt::WA_StyledBackground);
    setFixedHeight(36);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(10, 0, 10, 0);
    row->setSpacing(2);
    auto* hold = makeButton(tr("Before"), "flat");
    hold->setToolTip(tr("Shows the version before as long as it is held (key B)"));
    row->addWidget(hold);
    connect(hold, &QPushButton::pressed, this, [this] { Q_EMIT beforeHeld(true); });
    connect(hold, &QPushButton::released, this, [this] { Q_EMIT beforeHeld(false); });
    const auto add = [&](Mode mode, const QString& name, const QString& tip) {
        auto* button = makeButton(name, "flat");
        button->setCheckable(true);
        button->setToolTip(tip);
        row->addWidget(button);
        modes_[mode] = button;
        connect(button, &QPushButton::clicked, this, [this, mode] { toggleMode(mode); });
    };
    add(Mode::Wipe, tr("Wipe"),
        tr("The version before on one side of a line that can be dragged (W; Shift+W lays it across)"));
    add(Mode::Beside, tr("Beside"), tr("The version before beside the one now, at the same place and scale (D)"));
    add(Mode::Grid, tr("Grid"), tr("The chosen pictures of the tray together (G)"));
    add(Mode::Reference, tr("Reference"), tr("A picture of any kind beside, its samples on the same scopes"));
    before_->setAccessibleName(tr("What before means"));
    before_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    before_->setMinimumContentsLength(9);
    row->addSpacing(4);
    row->addWidget(before_);
    row->addStretch(1);
    chip_->setAccessibleName(tr("Which pictures an edit changes"));
    connect(chip_, &QPushButton::clicked, this, [this] {
        if (state_.editsAll())
            state_.editOnlyKey();
        else
            state_.setEditsAll(true);
    });
    row->addWidget(chip_);
    row->addSpacing(6);
    for (auto* each : {fit_, full_, double_}) {
        each->setCheckable(true);
        row->addWidget(each);
    }
    zoom_->setFixedWidth(40);
    zoom_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    row->addWidget(zoom_);
    connect(fit_, &QPushButton::clicked, this, &CompareBar::fitWanted);
    connect(full_, &QPushButton::clicked, this, [this] { Q_EMIT zoomWanted(1); });
    connect(double_, &QPushButton::clicked, this, [this] { Q_EMIT zoomWanted(2); });
    connect(before_, &QComboBox::activated, this,
            [this](int index) { state_.setBefore(beforeChoices_[static_cast<std::size_t>(index)]); });
    connect(&state, &AppState::beforeChanged, this, &CompareBar::fillBefore);
    connect(&state, &AppState::keyChanged, this, &CompareBar::fillBefore);
    connect(&state.pictures(), &PictureSet::gradeChanged, this, &CompareBar::fillBefore);
    connect(&state, &AppState::targetsChanged, this, &CompareBar::showTargets);
    connect(&state, &AppState::keyChanged, this, &CompareBar::showTargets);
    fillBefore();
    showTargets();
}

void CompareBar::resizeEvent(QResizeEvent*) {
    leaveOut();
}

void CompareBar::leaveOut() {
    const auto room = [this](const QWidget* each) {
        return std::max(each->sizeHint().width(), each->minimumWidth()) + layout()->spacing();
    };
    const QMargins margins = layout()->contentsMargins();
    int needed = margins.left() + margins.right();
    for (int i = 0; i < layout()->count(); ++i) {
        const QLayoutItem* item = layout()->itemAt(i);
        needed += item->widget() ? room(item->widget()) : item->sizeHint().width() + layout()->spacing();
    }
    // From the last one on, until the rest has room.
    QWidget* const spare[] = {before_, modes_[Mode::Reference], fit_, full_, double_, zoom_};
    for (std::size_t i = std::size(spare); i-- > 0;) {
        const bool fits = needed <= width();
        if (!fits) needed -= room(spare[i]);
        spare[i]->setVisible(fits);
    }
}

void CompareBar::toggleMode(Mode mode) {
    const Mode next = mode == mode_ ? Mode::Single : mode;
    mode_ = next;
    showMode();
    Q_EMIT modeChanged();
}

void CompareBar::showMode() {
    for (const auto& [mode, button] : modes_)
        button->setChecked(mode == mode_ || (mode == Mode::Wipe && mode_ == Mode::WipeAcross));
}

void CompareBar::fillBefore() {
    // While a control moves nothing here changes.
    if (state_.keyWork().takes.empty() && beforeChoices_.size() == 3 &&
        state_.before() == beforeChoices_[static_cast<std::size_t>(before_->currentIndex())])
        return;
    beforeChoices_ = {{}, {Before::Kind::PrepOnly, {}, {}}, {Before::Kind::WholeSource, {}, {}}};
    QStringList names{tr("before = source"), tr("before = Prep only"), tr("before = uncut")};
    for (const Take& take : state_.keyWork().takes) {
        const QString name = QString::fromStdString(take.name);
        beforeChoices_.push_back({Before::Kind::Take, name, {}});
        names.append(tr("before = %1").arg(name));
    }
    const Before& now = state_.before();
    auto at = std::find(beforeChoices_.begin(), beforeChoices_.end(), now);
    if (at == beforeChoices_.end()) {
        beforeChoices_.push_back(now);
        names.append(tr("before = %1").arg(now.name));
        at = beforeChoices_.end() - 1;
    }
    QStringList shown;
    for (int i = 0; i < before_->count(); ++i) shown.append(before_->itemText(i));
    if (shown != names) {
        before_->clear();
        before_->addItems(names);
    }
    before_->setCurrentIndex(static_cast<int>(at - beforeChoices_.begin()));
}

void CompareBar::showTargets() {
    const std::size_t count = state_.selection().size();
    const bool many = state_.editsAll();
    const auto manyText = [](std::size_t n) { return tr("All %1 change · only this").arg(n); };
    chip_->setText(many        ? manyText(count)
                   : count > 1 ? tr("This one changes · all %1").arg(count)
                               : tr("Edits: this picture"));
    chip_->setToolTip(
        many ? tr("Every edit changes all %1 chosen pictures, as one step. A press makes it only this picture: what "
                  "was just done to several is taken back on the others")
                   .arg(count)
        : count > 1 ? tr("Edits change the key picture alone. A press lets them go to all %1 chosen ones").arg(count)
                    : tr("Edits change the key picture. Choose several in the tray to edit them together"));
    chip_->setEnabled(count > 1);
    chip_->setProperty("many", many);
    setRole(chip_, "chip");
    // Its place is as wide as it may ever be: what is beside it stays where it is.
    constexpr std::size_t most = 888;
    QFont bold = chip_->font();
    bold.setWeight(QFont::DemiBold);
    const QFontMetrics metrics(bold);
    const int widest = std::max(metrics.horizontalAdvance(manyText(most)),
                                metrics.horizontalAdvance(tr("This one changes · all %1").arg(most)));
    if (chip_->width() != widest + 24) {
        chip_->setFixedWidth(widest + 24);
        leaveOut();
    }
}

void CompareBar::setZoom(double scale, bool isFitted) {
    zoom_->setText(scale == 0 ? QString() : tr("%1 %").arg(std::lround(scale * 100)));
    fit_->setChecked(scale != 0 && isFitted);
    full_->setChecked(!isFitted && scale == 1);
    double_->setChecked(!isFitted && scale == 2);
}

} // namespace baryton
