#include "app/batch/look_picker.h"
#include "app/widgets/still_list.h"
#include "batch/batch.h"

#include <QVBoxLayout>

namespace baryton {

LookPicker::LookPicker(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), search_(new QLineEdit), list_(new StillList), model_(new ShelfModel(this)) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    search_->setPlaceholderText(tr("Search presets"));
    search_->setAccessibleName(tr("Search looks"));
    search_->setClearButtonEnabled(true);
    layout->addWidget(search_);
    list_->setModel(model_);
    list_->setItemDelegate(new ShelfDelegate(list_));
    list_->setAccessibleName(tr("Looks"));
    list_->setMouseTracking(true);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn); // the columns are as many as its room asks
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    list_->setFlow(QListView::LeftToRight);
    list_->setWrapping(true);
    list_->setResizeMode(QListView::Adjust);
    layout->addWidget(list_, 1);
    redrawTimer_.setSingleShot(true);
    redrawTimer_.setInterval(150);
    connect(&redrawTimer_, &QTimer::timeout, this, &LookPicker::redraw);
    connect(search_, &QLineEdit::textChanged, this, &LookPicker::fill);
    connect(&state, &AppState::presetsChanged, this, &LookPicker::fill);
    connect(&state, &AppState::keyChanged, &redrawTimer_, qOverload<>(&QTimer::start));
    connect(list_, &QListView::clicked, this, &LookPicker::press);
    connect(list_, &QListView::activated, this, &LookPicker::press); // by keys
    connect(&drawer_, &TileDrawer::drawn, this, [this](int row, const QImage& image) {
        if (row < model_->rowCount()) model_->setImage(static_cast<std::size_t>(row), image);
    });
}

void LookPicker::setChosen(const std::set<std::filesystem::path>& files) {
    chosen_ = files;
    model_->setChosen(chosen_);
}

void LookPicker::showEvent(QShowEvent*) {
    fill();
}

void LookPicker::fill() {
    drawer_.draw({}); // what is still being drawn is for the rows as they were
    model_->reset(shelfRows(state_.presets(), state_.libraryIndex(), search_->text(), memory_));
    model_->setChosen(chosen_);
    redrawTimer_.start();
}

void LookPicker::redraw() {
    if (!isVisible() || !state_.hasKey()) return;
    const Picture small = state_.pictures().smallOf(state_.key());
    if (small.isEmpty()) return;
    std::vector<TileDrawer::Tile> tiles;
    for (int row = 0; row < model_->rowCount(); ++row)
        if (const LibraryEntry* entry = model_->entryAt(row); entry && entry->preset)
            tiles.push_back(
                {row, gradeFor({entry->name, {*entry->preset}}, state_.keyGrade(), PrepChoice::Own), small});
    drawer_.draw(std::move(tiles));
}

void LookPicker::press(const QModelIndex& index) {
    if (const LibraryEntry* entry = model_->entryAt(index.row())) {
        if (entry->preset)
            Q_EMIT toggled(entry->file, !chosen_.contains(entry->file));
        else if (!entry->isPending)
            state_.tell(QString::fromStdString(entry->error), true);
        return;
    }
    if (!search_->text().trimmed().isEmpty()) return;
    const ShelfModel::Row heading = model_->rows()[static_cast<std::size_t>(index.row())];
    memory_.setOpen(heading.section, !heading.isOpen, model_->rows());
    fill();
}

} // namespace baryton
