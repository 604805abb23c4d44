#include "app/grade/steps_panel.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "app/widgets/wrapped_rows.h"
#include "edits/carry_over.h"
#include "edits/preset_words.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QVBoxLayout>

namespace baryton {

namespace {} // namespace

StepsPanel::StepsPanel(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), takes_(new QListWidget), steps_(new QListWidget),
      remove_(makeButton(tr("Delete"), "flat")), wipe_(makeButton(tr("Wipe two"), "flat")),
      save_(makeButton(tr("Save these as a preset…"), "")) {
    setObjectName(QStringLiteral("panel"));
    setAttribute(Qt::WA_StyledBackground);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(6, 8, 6, 8);
    layout->setSpacing(6);
    auto* head = new QHBoxLayout;
    head->addWidget(makeLabel(tr("Takes"), "heading"), 1);
    auto* close = makeButton({}, "flat");
    close->setIcon(theme::icon(QStringLiteral("close")));
    close->setAccessibleName(tr("Close takes and steps"));
    close->setToolTip(tr("Back to the tray"));
    head->addWidget(close);
    layout->addLayout(head);
    takes_->setAccessibleName(tr("Takes"));
    takes_->setIconSize({72, 48});
    takes_->setEditTriggers(QAbstractItemView::EditKeyPressed);
    takes_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    takes_->setContextMenuPolicy(Qt::CustomContextMenu);
    takes_->setMouseTracking(true);
    takes_->setWordWrap(true);
    takes_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    takes_->viewport()->installEventFilter(this);
    takes_->setFixedHeight(216);
    takes_->setToolTip(tr("Point to see a version, click to go on from it, Ctrl+click to choose two for the wipe"));
    layout->addWidget(takes_);
    auto* row = new QHBoxLayout;
    auto* keep = makeButton(tr("Keep take"), "");
    keep->setToolTip(tr("Keeps the picture as it is now; what you do then goes on from there (Ctrl+T)"));
    remove_->setToolTip(tr("Deletes the takes that are chosen"));
    row->addWidget(keep);
    row->addStretch(1);
    row->addWidget(remove_);
    layout->addLayout(row);
    auto* compare = new QHBoxLayout;
    auto* beside = makeButton(tr("Side by side"), "flat");
    beside->setToolTip(tr("All versions of this picture together"));
    wipe_->setToolTip(
        tr("The two chosen versions on either side of a line; one chosen alone stands against what is in "
           "hand"));
    compare->addWidget(beside);
    compare->addStretch(1);
    compare->addWidget(wipe_);
    layout->addLayout(compare);
    layout->addSpacing(4);
    layout->addWidget(makeLabel(tr("Steps"), "heading"));
    steps_->setAccessibleName(tr("Steps"));
    steps_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    steps_->setWordWrap(true);
    steps_->setItemDelegate(new WrappedRows(steps_));
    steps_->setResizeMode(QListView::Adjust);
    empty_ = makeLabel(tr("What is done to this picture will stand here, the last step first."), "second");
    empty_->setWordWrap(true);
    (new QVBoxLayout(steps_->viewport()))->addWidget(empty_, 0, Qt::AlignTop);
    steps_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    layout->addWidget(steps_, 1);
    auto* hint = makeLabel(tr("Double click goes back to a step; before = step by right click"), "second");
    hint->setWordWrap(true);
    layout->addWidget(hint);
    save_->setToolTip(tr("Makes a preset that does the chosen steps again, and nothing else"));
    layout->addWidget(save_);

    connect(close, &QPushButton::clicked, this, &StepsPanel::closeWanted);
    connect(keep, &QPushButton::clicked, this, [this] { state_.keepTake(); });
    connect(beside, &QPushButton::clicked, this, &StepsPanel::besideWanted);
    connect(wipe_, &QPushButton::clicked, this, &StepsPanel::wipeChosen);
    connect(remove_, &QPushButton::clicked, this, [this] {
        std::set<int, std::greater<>> gone; // from the last, so that places stay true
        for (const auto* item : takes_->selectedItems())
            if (const int take = item->data(Qt::UserRole).toInt(); take > kStartTake) gone.insert(take);
        state_.editWorks(tr("Delete a take"), [gone](PictureWork work) {
            for (const int take : gone) work = withTakeRemoved(work, take);
            return work;
        });
    });
    const auto goOn = [this](const QListWidgetItem* item) {
        const int take = item->data(Qt::UserRole).toInt();
        if (take == AppState::Version::kInHand) return;
        isTrying_ = false;
        state_.goOnFrom(take);
    };
    connect(takes_, &QListWidget::itemClicked, this, [goOn](const QListWidgetItem* item) {
        if (QGuiApplication::keyboardModifiers() == Qt::NoModifier) goOn(item);
    });
    connect(takes_, &QListWidget::itemActivated, this, [this, goOn](const QListWidgetItem* item) {
        if (takes_->hasFocus() && takes_->selectedItems().size() == 1) goOn(item);
    });
    connect(takes_, &QListWidget::itemEntered, this, [this](const QListWidgetItem* item) { tryRow(item); });
    connect(takes_, &QListWidget::itemSelectionChanged, this, &StepsPanel::updateButtons);
    connect(takes_, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
        if (filling_) return;
        state_.editWorks(tr("Rename a take"),
                         [take = item->data(Qt::UserRole).toInt(), name = item->text().trimmed().toStdString()](
                             const PictureWork& work) { return withTakeRenamed(work, take, name); });
        fill();
    });
    connect(takes_, &QListWidget::customContextMenuRequested, this, &StepsPanel::openTakeMenu);
    steps_->setContextMenuPolicy(Qt::CustomContextMenu);
    using Entry = AppState::HistoryEntry;
    // The list is refilled a little after the history has changed.
    const auto entryAt = [this](QListWidgetItem* item) -> std::optional<Entry> {
        const auto all = state_.history(state_.key());
        const auto at = item ? static_cast<std::size_t>(item->data(Qt::UserRole).toInt()) : all.size();
        return at < all.size() ? std::optional(all[at]) : std::nullopt;
    };
    const auto back = [this](const Entry& entry) {
        // On the others that are chosen what goes back here goes back too, and nothing else.
        const Grade now = state_.keyGrade();
        state_.editTargets(tr("Back to “%1”").arg(entry.text), [&](const Grade& each) {
            return each == now ? entry.after : completed(carriedOver(each, now, entry.after));
        });
    };
    connect(steps_, &QListWidget::itemDoubleClicked, this, [entryAt, back](QListWidgetItem* item) {
        if (const auto entry = entryAt(item)) back(*entry);
    });
    connect(steps_, &QListWidget::customContextMenuRequested, this, [this, entryAt, back](QPoint at) {
        const auto entry = entryAt(steps_->itemAt(at));
        if (!entry) return;
        auto* menu = new QMenu(this);
        menu->setAttribute(Qt::WA_DeleteOnClose);
        menu->addAction(tr("Go back to this step"), this, [back, entry] { back(*entry); });
        menu->addAction(tr("Compare with this step"), this, [this, entry] {
            state_.setBefore({Before::Kind::Step, entry->text, entry->after});
        });
        menu->popup(steps_->viewport()->mapToGlobal(at));
    });
    connect(steps_, &QListWidget::itemSelectionChanged, this,
            [this] { save_->setEnabled(!steps_->selectedItems().isEmpty()); });
    connect(save_, &QPushButton::clicked, this, [this] {
        const auto [grade, changed] = chosenSteps();
        Q_EMIT saveWanted(grade, changed);
    });
    // Later: a list is not refilled from within its own signal.
    connect(&state.undoHistory(), &UndoHistory::changed, this, &StepsPanel::fill, Qt::QueuedConnection);
    connect(&state, &AppState::keyChanged, this, &StepsPanel::fill);
    connect(&state.pictures(), &PictureSet::thumbnailChanged, this, [this](int index) {
        if (index == state_.key()) drawTakes();
    });
    connect(&drawer_, &TileDrawer::drawn, this, [this](int id, const QImage& image) {
        if (id >= takes_->count()) return;
        filling_ = true;
        takes_->item(id)->setIcon(
            QPixmap::fromImage(image.scaled(144, 96, Qt::KeepAspectRatio, Qt::SmoothTransformation)));
        filling_ = false;
    });
    fill();
}

AppState::Version StepsPanel::versionAt(const QListWidgetItem* item) const {
    const int take = item->data(Qt::UserRole).toInt();
    for (const auto& version : state_.versionsOf(state_.key()))
        if (version.take == take) return version;
    return {AppState::Version::kInHand, tr("in hand"), state_.keyWork()};
}

void StepsPanel::tryRow(const QListWidgetItem* item) {
    const bool tries = item && item->data(Qt::UserRole).toInt() != AppState::Version::kInHand;
    if (!tries && !std::exchange(isTrying_, false)) return;
    isTrying_ = tries;
    if (!tries) return state_.tryOnWorks({});
    // Others that are chosen show their own take of that place, where they have one.
    const int take = item->data(Qt::UserRole).toInt();
    const PictureWork start = versionAt(item).work;
    state_.tryOnWorks(
        [take, start](const PictureWork& work) { return take == kStartTake ? start : withTakeInHand(work, take); });
}

void StepsPanel::wipeChosen() {
    std::vector<AppState::Version> chosen;
    for (int row = 0; row < takes_->count(); ++row)
        if (takes_->item(row)->isSelected()) chosen.push_back(versionAt(takes_->item(row)));
    if (chosen.size() == 1)
        chosen.insert(chosen.begin(), {AppState::Version::kInHand, tr("in hand"), state_.keyWork()});
    if (chosen.size() != 2) return;
    isTrying_ = false; // it stays when the pointer goes
    Q_EMIT wipeWanted(chosen[1], chosen[0]);
}

void StepsPanel::updateButtons() {
    const auto chosen = takes_->selectedItems();
    const auto isTake = [](const QListWidgetItem* item) { return item->data(Qt::UserRole).toInt() > kStartTake; };
    remove_->setEnabled(std::any_of(chosen.begin(), chosen.end(), isTake));
    const bool isOther =
        chosen.size() == 1 && chosen.front()->data(Qt::UserRole).toInt() != AppState::Version::kInHand;
    wipe_->setEnabled(isOther || chosen.size() == 2);
}

void StepsPanel::hideEvent(QHideEvent*) {
    tryRow(nullptr);
}

bool StepsPanel::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::Leave) tryRow(nullptr);
    return QWidget::eventFilter(watched, event);
}

void StepsPanel::fill() {
    if (!isVisible() || !state_.hasKey()) return;
    filling_ = true;
    takes_->clear();
    const auto add = [this](int take, const QString& name) {
        auto* item = new QListWidgetItem(name, takes_);
        item->setData(Qt::UserRole, take);
        if (take > kStartTake) item->setFlags(item->flags() | Qt::ItemIsEditable);
        QPixmap empty(144, 96);
        empty.fill(theme::colours().well);
        item->setIcon(empty);
        return item;
    };
    auto* hand = add(AppState::Version::kInHand, tr("In hand\n%1").arg(state_.handText(state_.key())));
    hand->setForeground(theme::colours().accent);
    const auto versions = state_.versionsOf(state_.key());
    for (std::size_t i = versions.size(); i-- > 0;) add(versions[i].take, versions[i].name); // the newest first
    takes_->setCurrentRow(0);
    updateButtons();
    steps_->clear();
    const auto entries = state_.history(state_.key());
    for (std::size_t i = entries.size(); i-- > 0;) { // the last one first
        auto* item = new QListWidgetItem(entries[i].text, steps_);
        item->setData(Qt::UserRole, static_cast<int>(i));
        if (!entries[i].isDone) item->setForeground(theme::colours().faint);
    }
    empty_->setVisible(entries.empty());
    save_->setEnabled(false);
    filling_ = false;
    drawTakes();
}

void StepsPanel::drawTakes() {
    if (!isVisible() || !state_.hasKey()) return;
    const Picture small = state_.pictures().smallOf(state_.key());
    if (small.isEmpty()) return;
    std::vector<TileDrawer::Tile> tiles;
    for (int row = 0; row < takes_->count(); ++row)
        tiles.push_back({row, versionAt(takes_->item(row)).work.grade, small});
    drawer_.draw(std::move(tiles));
}

void StepsPanel::showEvent(QShowEvent*) {
    fill();
}

void StepsPanel::openTakeMenu(QPoint at) {
    QListWidgetItem* item = takes_->itemAt(at);
    if (!item) return;
    const int take = item->data(Qt::UserRole).toInt();
    if (take == AppState::Version::kInHand) return;
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->addAction(tr("Go on from this"), this, [this, take] { state_.goOnFrom(take); });
    if (take > kStartTake) {
        // The list may have been filled anew while the menu was open.
        menu->addAction(tr("Rename"), this, [this, take] {
            for (int row = 0; row < takes_->count(); ++row)
                if (takes_->item(row)->data(Qt::UserRole).toInt() == take) takes_->editItem(takes_->item(row));
        });
        menu->addAction(tr("Compare with this take"), this, [this, name = versionAt(item).name] {
            state_.setBefore({Before::Kind::Take, name, {}});
        });
        menu->addAction(tr("Delete"), this, [this, take] {
            state_.editWorks(tr("Delete a take"),
                             [take](const PictureWork& work) { return withTakeRemoved(work, take); });
        });
    }
    menu->popup(takes_->viewport()->mapToGlobal(at));
}

std::pair<Grade, IncludeSet> StepsPanel::chosenSteps() const {
    // In the order they were done; what a later one sets again holds.
    std::set<std::size_t> chosen;
    for (const auto* item : steps_->selectedItems())
        chosen.insert(static_cast<std::size_t>(item->data(Qt::UserRole).toInt()));
    const auto entries = state_.history(state_.key());
    IncludeSet include;
    Grade values = state_.keyGrade();
    for (const std::size_t i : chosen) {
        for (const Change& change : diff(entries[i].before, entries[i].after)) include.push_back(change.path);
        values = carriedOver(values, entries[i].before, entries[i].after);
    }
    return {values, include};
}

} // namespace baryton
