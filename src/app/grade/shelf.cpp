#include "app/grade/shelf.h"
#include "app/picture_model.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "app/widgets/still_list.h"
#include "edits/in_force.h"
#include "edits/preset_words.h"

#include <QKeyEvent>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollArea>
#include <QScrollBar>
#include <QVBoxLayout>

namespace baryton {

Shelf::Shelf(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), search_(new QLineEdit),
      mode_(new Segments({tr("Set"), tr("Add above"), tr("Replace")})), strength_(new ValueRow(tr("Strength"))),
      list_(new StillList), nothing_(makeLabel({}, "second")), shown_(new QStackedWidget),
      model_(new ShelfModel(this)), inForce_(new InForceList(state)), hint_(new StillText(2)) {
    setObjectName(QStringLiteral("panel"));
    setAttribute(Qt::WA_StyledBackground);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(6, 8, 6, 0);
    layout->setSpacing(6);
    auto* head = new QHBoxLayout;
    head->addWidget(makeLabel(tr("Shelf"), "heading"), 1);
    auto* close = makeButton({}, "flat");
    close->setIcon(theme::icon(QStringLiteral("close")));
    close->setAccessibleName(tr("Close the shelf"));
    close->setToolTip(tr("Back to the tray"));
    head->addWidget(close);
    layout->addLayout(head);
    search_->setPlaceholderText(tr("Search presets"));
    search_->setAccessibleName(tr("Search presets"));
    search_->setClearButtonEnabled(true);
    layout->addWidget(search_);
    mode_->setAccessibleName(tr("How a preset is applied"));
    mode_->setCurrent(0);
    mode_->button(0)->setToolTip(tr("Sets just what the preset carries, the rest stays"));
    mode_->button(1)->setToolTip(tr("Puts the preset's layers above what is there"));
    mode_->button(2)->setToolTip(tr("The Look becomes the preset's"));
    mode_->setProperty("compact", true);
    layout->addWidget(mode_);
    strength_->setRange(0, 200, 1, 100);
    strength_->setValue(100);
    strength_->setLabelWidth(56);
    strength_->setToolTip(tr("How far the next preset goes: 100 as it was saved"));
    layout->addWidget(strength_);
    list_->setModel(model_);
    list_->setItemDelegate(new ShelfDelegate(list_));
    list_->setMouseTracking(true);
    list_->setDragEnabled(true);
    list_->setDragDropMode(QAbstractItemView::DragOnly);
    list_->setAccessibleName(tr("Presets"));
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    // Two beside each other: what is to be compared is seen together.
    list_->setFlow(QListView::LeftToRight);
    list_->setWrapping(true);
    list_->setResizeMode(QListView::Adjust);
    list_->viewport()->installEventFilter(this);
    shown_->addWidget(list_);
    nothing_->setWordWrap(true);
    nothing_->setAlignment(Qt::AlignCenter);
    nothing_->setMargin(12);
    shown_->addWidget(nothing_);
    layout->addWidget(shown_, 1);
    hint_->setAlignment(Qt::AlignHCenter);
    layout->addWidget(hint_);
    // Its place is always there, and below: nothing moves when a click puts a preset on.
    auto* inForce = new QScrollArea;
    inForce->setWidgetResizable(true);
    inForce->setFrameShape(QFrame::NoFrame);
    inForce->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    inForce->setFixedHeight(118);
    inForce->setWidget(inForce_);
    layout->addWidget(inForce);
    connect(inForce_, &InForceList::swapChanged, this, &Shelf::showHint);
    showHint();
    layout->addSpacing(6);
    connect(close, &QPushButton::clicked, this, &Shelf::closeWanted);
    connect(search_, &QLineEdit::textChanged, this, &Shelf::fill);
    connect(&state, &AppState::presetsChanged, this, &Shelf::fill);
    connect(list_, &QListView::entered, this, [this](const QModelIndex& index) { tryEntry(index.row()); });
    connect(list_, &QListView::clicked, this, [this](const QModelIndex& index) {
        if (model_->entryAt(index.row()))
            apply(index.row());
        else
            foldSection(index.row());
    });
    // By keys: stepping shows, Enter puts on and keeps.
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& index) {
        if (list_->hasFocus()) tryEntry(index.row());
    });
    connect(list_, &QListView::activated, this, [this](const QModelIndex& index) {
        if (!model_->entryAt(index.row())) return foldSection(index.row());
        if (tried_ == index.row()) apply(index.row());
        state_.keepTry();
    });
    list_->installEventFilter(this);
    search_->installEventFilter(this);
    list_->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(list_, &QListView::customContextMenuRequested, this, &Shelf::openMenu);
    connect(mode_, &Segments::chosen, &redrawTimer_, qOverload<>(&QTimer::start));
    connect(strength_, &ValueRow::edited, &redrawTimer_, qOverload<>(&QTimer::start));
    redrawTimer_.setSingleShot(true);
    redrawTimer_.setInterval(150);
    connect(&redrawTimer_, &QTimer::timeout, this, &Shelf::redraw);
    // What is being tried must not redraw the very pictures that are pointed at.
    connect(&state.pictures(), &PictureSet::gradeChanged, &redrawTimer_, qOverload<>(&QTimer::start));
    connect(&state.pictures(), &PictureSet::thumbnailChanged, this, [this](int index) {
        const auto isDrawn = [](const ShelfModel::Row& row) { return !row.image.isNull(); };
        if (index == state_.key() && std::none_of(model_->rows().begin(), model_->rows().end(), isDrawn))
            redrawTimer_.start();
    });
    connect(&state, &AppState::keyChanged, &redrawTimer_, qOverload<>(&QTimer::start));
    connect(&drawer_, &TileDrawer::drawn, this, [this](int row, const QImage& image) {
        if (row < model_->rowCount()) model_->setImage(static_cast<std::size_t>(row), image);
    });
    fill();
}

void Shelf::fill() {
    auto rows = shelfRows(state_.presets(), state_.libraryIndex(), search_->text(), memory_);
    const bool isSearch = !search_->text().trimmed().isEmpty();
    const bool isEmpty = rows.empty();
    tryEntry(-1);
    drawer_.draw({}); // what is still being drawn is for the rows as they were
    model_->reset(std::move(rows));
    shown_->setCurrentIndex(isEmpty ? 1 : 0);
    nothing_->setText(isSearch ? tr("No preset has these words in its name, its group, its notes or its stages. Try "
                                    "fewer of them.")
                               : tr("No presets yet. Grade a picture and press Save preset…, or bring some in: File, "
                                    "Import presets and LUTs…"));
    redrawTimer_.start();
}

void Shelf::foldSection(int row) {
    if (!search_->text().trimmed().isEmpty()) return; // what was found stays in sight
    const ShelfModel::Row heading = model_->rows().at(static_cast<std::size_t>(row));
    memory_.setOpen(heading.section, !heading.isOpen, model_->rows());
    const int scrolled = list_->verticalScrollBar()->value();
    fill();
    list_->doItemsLayout();
    list_->verticalScrollBar()->setValue(scrolled);
    list_->setCurrentIndex(model_->index(row));
}

ApplyMode Shelf::mode() const {
    return static_cast<ApplyMode>(mode_->current());
}

double Shelf::strength() const {
    return strength_->value() / 100;
}

PictureWork Shelf::changed(const PictureWork& work, const Preset& preset) const {
    const auto swap = inForce_->swapped();
    if (!swap || *swap >= work.inForce.size()) return withPreset(state_.workForTry(work), preset, mode(), strength());
    InForce wanted = work.inForce[*swap];
    wanted.preset = preset;
    wanted.isOn = true;
    return withPresetChanged(work, *swap, wanted);
}

void Shelf::apply(int row) {
    const LibraryEntry& entry = *model_->entryAt(row);
    if (!entry.preset) {
        if (!entry.isPending) state_.tell(QString::fromStdString(entry.error), true);
        return;
    }
    const Preset preset = *entry.preset;
    memory_.use(entry); // seen at the top when the shelf is opened next: nothing moves now
    if (const auto swap = inForce_->swapped(); swap && *swap < state_.keyWork().inForce.size()) {
        InForce wanted = state_.keyWork().inForce[*swap];
        wanted.preset = preset;
        wanted.isOn = true;
        state_.changePresetInForce(*swap, wanted);
        inForce_->endSwap();
        return;
    }
    if (QGuiApplication::keyboardModifiers() & Qt::ControlModifier) state_.keepTry(); // on top of what is tried
    state_.applyAsTry(preset, mode(), strength());
}

void Shelf::showHint() {
    const auto swap = inForce_->swapped();
    if (swap && *swap < state_.keyWork().inForce.size())
        hint_->setText(tr("Click the preset that takes the place of %1")
                           .arg(QString::fromStdString(state_.keyWork().inForce[*swap].preset.name)));
    else
        hint_->setText(tr("Point to see, click to try, Ctrl+click for one more; Enter keeps it"));
}

void Shelf::openMenu(QPoint at) {
    const QModelIndex index = list_->indexAt(at);
    if (!index.isValid()) return;
    if (!model_->entryAt(index.row())) return;
    const ShelfModel::Row& row = model_->rows()[static_cast<std::size_t>(index.row())];
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->addAction(row.isFavourite ? tr("No longer a favourite") : tr("Favourite"), this,
                    [this, entry = *row.entry] { state_.toggleFavourite(entry); });
    if (row.entry->preset)
        menu->addAction(tr("Survey the set with it"), this,
                        [this, file = row.entry->file] { Q_EMIT state_.surveyWanted(file); });
    menu->popup(list_->viewport()->mapToGlobal(at));
}

void Shelf::showEvent(QShowEvent*) {
    fill();
    redraw();
}

void Shelf::hideEvent(QHideEvent*) {
    tryEntry(-1);
    search_->clear(); // the next look begins with all
}

void Shelf::redraw() {
    if (!isVisible() || !state_.hasKey()) return;
    const Picture small = state_.pictures().smallOf(state_.key());
    if (small.isEmpty()) return;
    std::vector<TileDrawer::Tile> tiles;
    for (int row = 0; row < model_->rowCount(); ++row)
        if (const LibraryEntry* entry = model_->entryAt(row); entry && entry->preset)
            tiles.push_back({row, changed(state_.keyWork(), *entry->preset).grade, small});
    drawer_.draw(std::move(tiles));
}

void Shelf::tryEntry(int row) {
    if (row == tried_) return;
    tried_ = row;
    const LibraryEntry* at = model_->entryAt(row);
    if (!at || !at->preset || !state_.hasKey()) {
        state_.tryOnWorks({});
        return;
    }
    const LibraryEntry& entry = *at;
    state_.tryOnWorks([this, preset = *entry.preset](const PictureWork& work) { return changed(work, preset); });
    state_.tell(tr("%1 (%2) %3")
                    .arg(QString::fromStdString(entry.name), QString::fromStdString(entry.group),
                         QString::fromStdString(accountOf(*entry.preset))));
}

bool Shelf::eventFilter(QObject* watched, QEvent* event) {
    if (watched == search_) {
        if (event->type() != QEvent::KeyPress || static_cast<QKeyEvent*>(event)->key() != Qt::Key_Down) return false;
        for (int row = 0; row < model_->rowCount(); ++row) {
            if (!model_->entryAt(row)) continue;
            list_->setFocus();
            list_->setCurrentIndex(model_->index(row));
            tryEntry(row);
            return true;
        }
        return false;
    }
    if (watched == list_) {
        if (event->type() == QEvent::FocusOut) tryEntry(-1);
        return false;
    }
    if (event->type() == QEvent::Leave) tryEntry(-1);
    if (event->type() == QEvent::MouseMove &&
        !list_->indexAt(static_cast<QMouseEvent*>(event)->position().toPoint()).isValid())
        tryEntry(-1);
    return QWidget::eventFilter(watched, event);
}

} // namespace baryton
