#include "app/grade/steps_panel.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "app/widgets/wrapped_rows.h"
#include "stages/carry_over.h"
#include "stages/preset_words.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QVBoxLayout>

namespace baryton {

StepsPanel::StepsPanel(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), takes_(new QListWidget), steps_(new QListWidget),
      remove_(makeButton(tr("Delete"), "flat")), save_(makeButton(tr("Save these as a preset…"), "")) {
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
    takes_->setEditTriggers(QAbstractItemView::EditKeyPressed | QAbstractItemView::DoubleClicked);
    takes_->setContextMenuPolicy(Qt::CustomContextMenu);
    takes_->setMaximumHeight(190);
    layout->addWidget(takes_);
    auto* row = new QHBoxLayout;
    auto* keep = makeButton(tr("Keep take"), "");
    keep->setToolTip(tr("Keeps the picture as it is now and goes on in a copy"));
    remove_->setToolTip(tr("Deletes the take that is shown"));
    row->addWidget(keep);
    row->addStretch(1);
    row->addWidget(remove_);
    layout->addLayout(row);
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
    connect(keep, &QPushButton::clicked, this, [this] {
        state_.editWorks(tr("Keep a take"), [](const PictureWork& work) { return withTakeKept(work); });
    });
    connect(remove_, &QPushButton::clicked, this, [this] {
        state_.editWorks(tr("Delete a take"),
                         [take = chosenTake()](const PictureWork& work) { return withTakeRemoved(work, take); });
    });
    connect(takes_, &QListWidget::currentRowChanged, this, [this](int r) {
        if (filling_ || r < 0) return;
        state_.editWorks(tr("Choose take %1").arg(takes_->item(r)->text()),
                         [r](const PictureWork& work) { return withTakeChosen(work, static_cast<std::size_t>(r)); });
    });
    connect(takes_, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
        if (filling_) return;
        state_.editWorks(tr("Rename a take"), [take = static_cast<std::size_t>(takes_->row(item)),
                                               name = item->text().trimmed().toStdString()](const PictureWork& work) {
            return withTakeRenamed(work, take, name);
        });
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

std::size_t StepsPanel::chosenTake() const {
    return static_cast<std::size_t>(std::max(0, takes_->currentRow()));
}

void StepsPanel::fill() {
    if (!isVisible()) return;
    filling_ = true;
    const auto kept = takesOf(state_.keyWork());
    takes_->clear();
    for (const Take& take : kept) {
        auto* item = new QListWidgetItem(QString::fromStdString(take.name), takes_);
        item->setFlags(item->flags() | Qt::ItemIsEditable);
        QPixmap empty(144, 96);
        empty.fill(theme::colours().well);
        item->setIcon(empty);
    }
    takes_->setCurrentRow(static_cast<int>(state_.keyWork().active));
    remove_->setEnabled(kept.size() > 1);
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
    const auto kept = takesOf(state_.keyWork());
    for (std::size_t i = 0; i < kept.size(); ++i) tiles.push_back({static_cast<int>(i), kept[i].grade, small});
    drawer_.draw(std::move(tiles));
}

void StepsPanel::showEvent(QShowEvent*) {
    fill();
}

void StepsPanel::openTakeMenu(QPoint at) {
    QListWidgetItem* item = takes_->itemAt(at);
    if (!item) return;
    const auto index = static_cast<std::size_t>(takes_->row(item));
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->addAction(tr("Rename"), this, [this, item] { takes_->editItem(item); });
    menu->addAction(tr("Compare with this take"), this, [this, index] {
        const auto kept = takesOf(state_.keyWork());
        state_.setBefore({Before::Kind::Take, QString::fromStdString(kept.at(index).name), {}});
    });
    menu->addAction(tr("Duplicate"), this, [this, index] {
        state_.editWorks(tr("Duplicate a take"),
                         [index](const PictureWork& work) { return withTakeKept(withTakeChosen(work, index)); });
    });
    auto* gone = menu->addAction(tr("Delete"), this, [this, index] {
        state_.editWorks(tr("Delete a take"),
                         [index](const PictureWork& work) { return withTakeRemoved(work, index); });
    });
    gone->setEnabled(takes_->count() > 1);
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
