#include "app/package/package_page.h"
#include "app/package/tile_model.h"
#include "app/picture_model.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "stages/carry_over.h"
#include "stages/preset_words.h"

#include <QDesktopServices>
#include <QHBoxLayout>
#include <QScrollArea>
#include <QUrl>
#include <QVBoxLayout>

namespace baryton {

namespace {

QWidget* makePanel(int width) {
    auto* panel = new QWidget;
    panel->setObjectName(QStringLiteral("panel"));
    panel->setAttribute(Qt::WA_StyledBackground);
    if (width > 0) panel->setFixedWidth(width);
    return panel;
}

} // namespace

PackagePage::PackagePage(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), search_(new QLineEdit), groups_(new QListWidget), checks_(new QListView),
      tiles_(new QListView), model_(new PresetTileModel(this)) {
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(1);
    layout->addWidget(makeLeft());
    layout->addWidget(makeMiddle(), 1);
    layout->addWidget(makeRight());

    redrawTimer_.setSingleShot(true);
    redrawTimer_.setInterval(120);
    connect(&redrawTimer_, &QTimer::timeout, this, &PackagePage::redraw);
    connect(&state.pictures(), &PictureSet::thumbnailChanged, &redrawTimer_, qOverload<>(&QTimer::start));
    connect(&state.pictures(), &PictureSet::opened, this, [this] {
        auto* chosen = checks_->selectionModel();
        chosen->clear();
        for (int i = 0; i < std::min(kTilePictures, state_.pictures().size()); ++i)
            chosen->select(checks_->model()->index(i, 0), QItemSelectionModel::Select);
    });
    connect(&state, &AppState::presetsChanged, this, &PackagePage::fill);
    connect(&drawer_, &TileDrawer::drawn, this,
            [this](int id, const QImage& image) { model_->setImage(id / kTilePictures, id % kTilePictures, image); });
    fill();
}

QWidget* PackagePage::makeLeft() {
    auto* panel = makePanel(204);
    auto* layout = new QVBoxLayout(panel);
    layout->setContentsMargins(8, 10, 8, 8);
    layout->setSpacing(6);
    search_->setPlaceholderText(tr("Search presets"));
    search_->setClearButtonEnabled(true);
    layout->addWidget(search_);
    layout->addSpacing(4);
    layout->addWidget(makeLabel(tr("PRESETS"), "section"));
    groups_->setObjectName(QStringLiteral("groups"));
    groups_->setAccessibleName(tr("Groups"));
    groups_->setStyleSheet(QStringLiteral("QListView { background: transparent; }"));
    layout->addWidget(groups_, 1);
    auto* folder = makeButton(tr("Show the folder"), "flat");
    folder->setIcon(theme::icon(QStringLiteral("folder")));
    folder->setToolTip(QString::fromStdString(state_.library().root().string()));
    layout->addWidget(folder, 0, Qt::AlignLeft);
    layout->addWidget(makeLabel(tr("CHECK ON"), "section"));
    checks_->setModel(new PictureModel(state_.pictures(), this));
    checks_->setItemDelegate(new ThumbnailDelegate(checks_));
    checks_->setViewMode(QListView::IconMode);
    checks_->setMovement(QListView::Static);
    checks_->setResizeMode(QListView::Adjust);
    checks_->setGridSize({84, 60});
    checks_->setSelectionMode(QAbstractItemView::MultiSelection);
    checks_->setMouseTracking(true);
    checks_->setAccessibleName(tr("Check pictures"));
    checks_->setToolTip(tr("The tiles are drawn on the first three that are chosen here"));
    checks_->setStyleSheet(QStringLiteral("QListView { background: transparent; }"));
    checks_->setFixedHeight(196);
    layout->addWidget(checks_);
    connect(search_, &QLineEdit::textChanged, this, &PackagePage::fill);
    connect(groups_, &QListWidget::currentRowChanged, this, &PackagePage::fill);
    connect(folder, &QPushButton::clicked, this, [this] {
        std::error_code ignored;
        std::filesystem::create_directories(state_.library().root(), ignored);
        QDesktopServices::openUrl(QUrl::fromLocalFile(QString::fromStdString(state_.library().root().string())));
    });
    connect(checks_->selectionModel(), &QItemSelectionModel::selectionChanged, &redrawTimer_,
            qOverload<>(&QTimer::start));
    return panel;
}

QWidget* PackagePage::makeMiddle() {
    auto* panel = new QWidget;
    auto* layout = new QVBoxLayout(panel);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    auto* bar = makePanel(0);
    bar->setObjectName(QStringLiteral("toolbar"));
    bar->setFixedHeight(36);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(12, 0, 12, 0);
    groupName_ = makeLabel({}, "brand");
    count_ = makeLabel({}, "second");
    row->addWidget(groupName_);
    row->addWidget(count_);
    row->addStretch(1);
    layout->addWidget(bar);
    tiles_->setModel(model_);
    tiles_->setItemDelegate(new PresetTileDelegate(*model_, tiles_));
    tiles_->setViewMode(QListView::IconMode);
    tiles_->setMovement(QListView::Static);
    tiles_->setResizeMode(QListView::Adjust);
    tiles_->setUniformItemSizes(true);
    tiles_->setMouseTracking(true);
    tiles_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    tiles_->setAccessibleName(tr("Presets"));
    tiles_->setObjectName(QStringLiteral("tiles"));
    layout->addWidget(tiles_, 1);
    connect(tiles_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& index) {
        if (!index.isValid()) return;
        chosenFile_ = model_->entry(index.row()).file;
        showChosen();
    });
    connect(tiles_, &QListView::activated, this, [this] {
        if (const auto* entry = chosen(); entry && entry->preset) state_.applyPreset(Preset(*entry->preset));
    });
    return panel;
}

QWidget* PackagePage::makeRight() {
    auto* panel = makePanel(340);
    auto* outer = new QVBoxLayout(panel);
    outer->setContentsMargins(0, 0, 0, 0);
    auto* scroll = new QScrollArea;
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    outer->addWidget(scroll);
    details_ = new QWidget;
    scroll->setWidget(details_);
    auto* layout = new QVBoxLayout(details_);
    layout->setContentsMargins(14, 12, 12, 12);
    layout->setSpacing(8);
    auto* head = new QHBoxLayout;
    name_ = new QLineEdit;
    name_->setAccessibleName(tr("Preset name"));
    name_->setToolTip(tr("Write another name and press Enter to rename it"));
    name_->setStyleSheet(QStringLiteral("QLineEdit { font-size: 14px; font-weight: 600; }"));
    head->addWidget(name_, 1);
    head->addWidget(makeLabel(QStringLiteral(".bpreset"), "second"));
    layout->addLayout(head);
    notes_ = makeLabel({}, "second");
    notes_->setWordWrap(true);
    layout->addWidget(notes_);
    error_ = makeLabel({}, "error");
    error_->setWordWrap(true);
    layout->addWidget(error_);
    usable_ = new QWidget;
    auto* use = new QVBoxLayout(usable_);
    use->setContentsMargins(0, 0, 0, 0);
    use->setSpacing(8);
    use->addWidget(makeLabel(tr("WHAT IT CARRIES"), "section"));
    carries_ = new CarryTree(false);
    carries_->setMinimumHeight(120);
    use->addWidget(carries_, 1);
    account_ = makeLabel({}, "second");
    account_->setWordWrap(true);
    use->addWidget(account_);
    auto* modeRow = new QHBoxLayout;
    modeRow->addWidget(new QLabel(tr("How")));
    mode_ = new Segments({tr("Set values"), tr("Add above"), tr("Replace")});
    mode_->setAccessibleName(tr("How it is applied"));
    mode_->button(0)->setToolTip(tr("Sets just what it carries in the layers that are there; the rest stays"));
    mode_->button(1)->setToolTip(tr("Puts its layers above what is there, under the preset's name"));
    mode_->button(2)->setToolTip(tr("The Look becomes the preset's; Finish too where it carries one"));
    mode_->setProperty("compact", true);
    modeRow->addStretch(1);
    modeRow->addWidget(mode_);
    use->addLayout(modeRow);
    apply_ = makeButton(tr("Apply to key picture"), "primary");
    layout->addWidget(usable_, 1);
    auto* row = new QHBoxLayout;
    row->addWidget(apply_);
    auto* rename = makeButton(tr("Rename"), "");
    auto* remove = makeButton(tr("Delete"), "");
    remove->setToolTip(tr("Deletes the preset's file; undo brings it back"));
    row->addWidget(rename);
    row->addWidget(remove);
    row->addStretch(1);
    layout->addLayout(row);
    auto* over = makeButton(tr("Save over with the key picture's values"), "");
    over->setToolTip(tr("What the preset carries stays; its values become those that the key picture has now. Undo "
                        "brings the old ones back"));
    layout->addWidget(over, 0, Qt::AlignLeft);
    connect(over, &QPushButton::clicked, this, [this] {
        const auto* entry = chosen();
        if (!entry || !entry->preset || !state_.hasKey()) return;
        const Preset next = savedOver(*entry->preset, state_.keyGrade());
        const std::size_t changed = diff(entry->preset->carried, next.carried).size();
        if (changed == 0) {
            state_.tell(tr("The preset has these values already"));
            return;
        }
        const std::string group = entry->group;
        state_.editLibrary([&] { return state_.library().add(next, group); });
        state_.tell(tr("%1: %2 taken over")
                        .arg(QString::fromStdString(next.name),
                             counted(static_cast<qsizetype>(changed), tr("value"), tr("values"))));
    });
    layout->addWidget(makeLabel(tr("AS A LUT"), "section"));
    lut_ = new LutPanel(state_);
    layout->addWidget(lut_);
    connect(apply_, &QPushButton::clicked, this, [this] {
        if (const auto* entry = chosen(); entry && entry->preset)
            state_.applyPreset(Preset(*entry->preset), static_cast<ApplyMode>(mode_->current()));
    });
    connect(rename, &QPushButton::clicked, this, &PackagePage::renameChosen);
    connect(remove, &QPushButton::clicked, this, &PackagePage::deleteChosen);
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const auto* entry = chosen();
        const std::string wanted = name_->text().trimmed().toStdString();
        if (!entry || !entry->preset || wanted == entry->name) return;
        const LibraryEntry old = *entry;
        state_.editLibrary([&] {
            LibraryEdit edit = state_.library().rename(old, wanted);
            chosenFile_ = edit.changes.back().file;
            return edit;
        });
        showChosen();
    });
    return panel;
}

void PackagePage::renameChosen() {
    name_->setFocus();
    name_->selectAll();
}

void PackagePage::deleteChosen() {
    if (const auto* entry = chosen()) {
        const LibraryEntry old = *entry;
        state_.editLibrary([&] { return state_.library().remove(old); });
        state_.tell(tr("Deleted: %1. Undo brings it back.").arg(QString::fromStdString(old.name)));
    }
}

const LibraryEntry* PackagePage::chosen() const {
    for (const auto& entry : state_.presets())
        if (entry.file == chosenFile_) return &entry;
    return nullptr;
}

std::vector<int> PackagePage::checkPictures() const {
    std::vector<int> rows;
    for (const auto& index : checks_->selectionModel()->selectedIndexes()) rows.push_back(index.row());
    std::sort(rows.begin(), rows.end());
    return rows;
}

std::vector<Picture> PackagePage::checkSources() const {
    std::vector<Picture> pictures;
    for (const int row : checkPictures())
        if (Picture small = state_.pictures().smallOf(row); !small.isEmpty()) pictures.push_back(std::move(small));
    return pictures;
}

void PackagePage::showEvent(QShowEvent*) {
    state_.reloadPresets(); // files may have been put there by hand
}

void PackagePage::fill() {
    // Groups, with the choice kept.
    const QString group = groups_->currentItem() ? groups_->currentItem()->data(Qt::UserRole).toString() : QString();
    {
        const QSignalBlocker blocker(groups_);
        groups_->clear();
        std::map<std::string, int> counted;
        for (const auto& name : state_.library().groups()) counted[name] = 0;
        for (const auto& entry : state_.presets()) ++counted[entry.group];
        const auto add = [&](const QString& text, const QString& id, int count) {
            auto* item = new QListWidgetItem(QStringLiteral("%1   %2").arg(text).arg(count), groups_);
            item->setData(Qt::UserRole, id);
            if (id == group) groups_->setCurrentItem(item);
        };
        add(tr("All presets"), {}, static_cast<int>(state_.presets().size()));
        for (const auto& [name, count] : counted)
            add(QString::fromStdString(name), QString::fromStdString(name), count);
        if (!groups_->currentItem()) groups_->setCurrentRow(0);
    }
    const QString shown = groups_->currentItem()->data(Qt::UserRole).toString();
    const QString wanted = search_->text().trimmed();
    std::vector<LibraryEntry> entries;
    for (const auto& entry : state_.presets()) {
        const bool inGroup = shown.isEmpty() || QString::fromStdString(entry.group) == shown;
        const QString text = QString::fromStdString(entry.name + " " + (entry.preset ? entry.preset->notes : ""));
        if (inGroup && text.contains(wanted, Qt::CaseInsensitive)) entries.push_back(entry);
    }
    groupName_->setText(shown.isEmpty() ? tr("All presets") : shown);
    count_->setText(counted(static_cast<qsizetype>(entries.size()), tr("preset"), tr("presets")));
    if (!entries.empty() &&
        std::none_of(entries.begin(), entries.end(), [&](const auto& e) { return e.file == chosenFile_; }))
        chosenFile_ = entries.front().file;
    model_->reset(std::move(entries));
    for (int row = 0; row < model_->rowCount(); ++row)
        if (model_->entry(row).file == chosenFile_) tiles_->setCurrentIndex(model_->index(row));
    showChosen();
    redrawTimer_.start();
}

void PackagePage::redraw() {
    if (!isVisible()) return;
    const auto rows = checkPictures();
    std::vector<TileDrawer::Tile> tiles;
    for (int t = 0; t < model_->rowCount(); ++t) {
        const auto& preset = model_->entry(t).preset;
        if (!preset) continue;
        for (std::size_t i = 0; i < std::min<std::size_t>(rows.size(), kTilePictures); ++i) {
            const OpenPicture& picture = state_.pictures().at(rows[i]);
            const Picture small = state_.pictures().smallOf(rows[i]);
            if (small.isEmpty()) continue;
            Grade base; // what a preset does is seen on the picture's own Prep alone
            base.prep = picture.work.grade.prep;
            tiles.push_back(
                {t * kTilePictures + static_cast<int>(i), applied(base, *preset, ApplyMode::AddAbove), small});
        }
    }
    drawer_.draw(std::move(tiles));
    showChosen();
}

void PackagePage::showChosen() {
    const LibraryEntry* entry = chosen();
    details_->setVisible(entry != nullptr);
    if (!entry) return;
    name_->setText(QString::fromStdString(entry->name));
    name_->setReadOnly(!entry->preset);
    error_->setVisible(!entry->preset);
    usable_->setVisible(entry->preset.has_value());
    apply_->setVisible(entry->preset.has_value());
    lut_->setVisible(entry->preset.has_value());
    if (!entry->preset) {
        notes_->hide();
        error_->setText(QString::fromStdString(entry->error));
        return;
    }
    notes_->setText(QString::fromStdString(entry->preset->notes));
    notes_->setVisible(!entry->preset->notes.empty());
    carries_->setGrade(entry->preset->carried);
    account_->setText(tr("Applied, it %1.").arg(QString::fromStdString(accountOf(*entry->preset))));
    lut_->setSource(entry->preset->carried, QString::fromStdString(entry->name), checkSources());
}

} // namespace baryton
