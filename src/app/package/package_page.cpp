#include "app/package/package_page.h"
#include "app/guide/guide_of.h"
#include "app/package/tile_model.h"
#include "app/picture_model.h"
#include "app/settings.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "app/widgets/still_list.h"
#include "base/file.h"
#include "edits/apply_strength.h"
#include "grade/grade_json.h"

#include <QDesktopServices>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QMouseEvent>
#include <QScrollArea>
#include <QScrollBar>
#include <QShortcut>
#include <QUrl>
#include <QVBoxLayout>

namespace baryton {

namespace {

constexpr int kTileSide = 240; ///< of the pictures that tiles are drawn from

enum class Sort { Name, Newest, Values };

QWidget* makePanel(int width) {
    auto* panel = new QWidget;
    panel->setObjectName(QStringLiteral("panel"));
    panel->setAttribute(Qt::WA_StyledBackground);
    if (width > 0) panel->setFixedWidth(width);
    return panel;
}

} // namespace

PackagePage::PackagePage(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), search_(new QLineEdit), groups_(new GroupList(state)), checks_(new QListView),
      tiles_(new StillList), model_(new PresetTileModel(this)), sort_(new QComboBox),
      ground_(new Segments({tr("Bare"), tr("As graded")})), compare_(makeButton(tr("Compare two…"), "flat")),
      wall_(new CheckWall(state)), split_(new QSplitter(Qt::Vertical)), details_(new PresetDetails(state)) {
    setGuide(this, QStringLiteral("guide/package"));
    setGuideParts(QStringLiteral("guide/package"), {{search_, tr("Search")},
                                                    {groups_, tr("Groups")},
                                                    {checks_, tr("Check pictures")},
                                                    {tiles_, tr("Tiles")},
                                                    {ground_, tr("Tiles")},
                                                    {wall_, tr("Tiles")},
                                                    {details_, tr("Details")}});
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(1);
    layout->addWidget(makeLeft());
    layout->addWidget(makeMiddle(), 1);
    layout->addWidget(makeRight());

    for (QTimer* timer : {&redrawTimer_, &detailTimer_}) timer->setSingleShot(true);
    redrawTimer_.setInterval(120);
    detailTimer_.setInterval(60);
    connect(&redrawTimer_, &QTimer::timeout, this, &PackagePage::redraw);
    connect(&detailTimer_, &QTimer::timeout, this, [this] { details_->setFile(chosenFile_, checkSources()); });
    connect(&state.pictures(), &PictureSet::thumbnailChanged, &redrawTimer_, qOverload<>(&QTimer::start));
    connect(&state.pictures(), &PictureSet::opened, this, &PackagePage::chooseChecks);
    connect(&state, &AppState::presetsChanged, this, &PackagePage::fill);
    connect(&drawer_, &TileDrawer::drawn, this,
            [this](int id, const QImage& image) { model_->setImage(id / kTilePictures, id % kTilePictures, image); });
    fill();
    if (state.pictures().size() > 0) chooseChecks();
}

QWidget* PackagePage::makeLeft() {
    auto* panel = makePanel(204);
    auto* layout = new QVBoxLayout(panel);
    layout->setContentsMargins(8, 10, 8, 8);
    layout->setSpacing(6);
    search_->setPlaceholderText(tr("Search presets"));
    search_->setAccessibleName(tr("Search presets"));
    search_->setToolTip(tr("Looks through names, groups, notes, authors and the stages that presets use"));
    search_->setClearButtonEnabled(true);
    layout->addWidget(search_);
    layout->addSpacing(4);
    auto* head = new QHBoxLayout;
    head->addWidget(makeLabel(tr("GROUPS"), "section"), 1);
    const auto addTool = [&](const char* icon, const QString& name, const QString& tip, const auto& what) {
        auto* button = makeButton({}, "flat");
        button->setIcon(theme::icon(QString::fromLatin1(icon)));
        button->setAccessibleName(name);
        button->setToolTip(tip);
        head->addWidget(button);
        connect(button, &QPushButton::clicked, this, what);
    };
    addTool("plus", tr("New group"), tr("Makes a group"), [this] { groups_->addGroup(); });
    addTool("folder", tr("Show the folder"),
            tr("Opens the folder of the presets: %1").arg(QString::fromStdString(state_.library().root().string())),
            [this] {
                std::error_code ignored;
                std::filesystem::create_directories(state_.library().root(), ignored);
                QDesktopServices::openUrl(
                    QUrl::fromLocalFile(QString::fromStdString(state_.library().root().string())));
            });
    layout->addLayout(head);
    layout->addWidget(groups_, 2);
    layout->addWidget(makeLabel(tr("CHECK ON"), "section"));
    checks_->setModel(new PictureModel(state_.pictures(), this));
    checks_->setItemDelegate(new ThumbnailDelegate(checks_));
    checks_->setViewMode(QListView::IconMode);
    checks_->setMovement(QListView::Static);
    checks_->setResizeMode(QListView::Adjust);
    checks_->setGridSize({84, 60});
    checks_->setSelectionMode(QAbstractItemView::MultiSelection);
    checks_->setMouseTracking(true);
    checks_->setObjectName(QStringLiteral("checks"));
    checks_->setAccessibleName(tr("Check pictures"));
    checks_->setToolTip(tr("Up to nine pictures on which presets are tried; tiles show the first three"));
    checks_->setStyleSheet(QStringLiteral("QListView { background: transparent; }"));
    checks_->setMinimumHeight(64);
    checks_->setMaximumHeight(196);
    layout->addWidget(checks_, 1);
    connect(search_, &QLineEdit::textChanged, this, [this] {
        fillTiles();
        showOnWall(-1);
        detailTimer_.start(); // whoever types sees the list first
    });
    connect(groups_, &GroupList::groupChosen, this, &PackagePage::filter);
    connect(groups_, &GroupList::exportWanted, this, &PackagePage::exportPack);
    connect(groups_, &GroupList::exportLutsWanted, this, &PackagePage::exportLuts);
    connect(checks_->selectionModel(), &QItemSelectionModel::selectionChanged, this, [this] {
        if (filling_) return;
        const auto chosen = checks_->selectionModel()->selectedIndexes();
        if (chosen.size() > kMostChecks) {
            state_.tell(tr("Nine check pictures are the most; take one away first"));
            filling_ = true;
            checks_->selectionModel()->select(checks_->currentIndex(), QItemSelectionModel::Deselect);
            filling_ = false;
        }
        QStringList names;
        for (const int row : checkPictures())
            names.append(QString::fromStdString(state_.pictures().at(row).file.filename().string()));
        rememberLayout(checksKey(), names.join(u'\n').toUtf8());
        sources_.clear();
        redrawTimer_.start();
    });
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
    compare_->setToolTip(tr("With two presets chosen (the second with Ctrl): both on the check pictures, and how far "
                            "they are apart"));
    compare_->setEnabled(false);
    connect(compare_, &QPushButton::clicked, this, &PackagePage::compareTwo);
    row->addWidget(compare_);
    row->addSpacing(8);
    row->addWidget(makeLabel(tr("On pictures"), "second"));
    ground_->setCurrent(0);
    ground_->setAccessibleName(tr("How the check pictures stand"));
    ground_->button(0)->setToolTip(tr("The presets alone, on each picture's own Prep"));
    ground_->button(1)->setToolTip(tr("On the grades that the pictures have, applied as at the right"));
    row->addWidget(ground_);
    sort_->addItems({tr("By name"), tr("Newest first"), tr("By size")});
    sort_->setItemData(2, tr("Those that set most values first"), Qt::ToolTipRole);
    sort_->setAccessibleName(tr("Order of the presets"));
    row->addWidget(sort_);
    layout->addWidget(bar);
    tiles_->setModel(model_);
    tiles_->setItemDelegate(new PresetTileDelegate(*model_, tiles_));
    tiles_->setViewMode(QListView::IconMode);
    tiles_->setMovement(QListView::Static);
    tiles_->setResizeMode(QListView::Adjust);
    tiles_->setUniformItemSizes(true);
    tiles_->setMouseTracking(true);
    tiles_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    tiles_->setDragEnabled(true);
    tiles_->setDragDropMode(QAbstractItemView::DragOnly);
    tiles_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    tiles_->setContextMenuPolicy(Qt::CustomContextMenu);
    tiles_->setAccessibleName(tr("Presets"));
    tiles_->setObjectName(QStringLiteral("tiles"));
    tiles_->viewport()->installEventFilter(this);
    split_->addWidget(tiles_);
    split_->addWidget(wall_);
    split_->setStretchFactor(0, 1);
    split_->setSizes({380, 300});
    split_->setChildrenCollapsible(false);
    if (const QByteArray state = layoutState(QStringLiteral("package")); !state.isEmpty())
        split_->restoreState(state);
    connect(split_, &QSplitter::splitterMoved, this,
            [this] { rememberLayout(QStringLiteral("package"), split_->saveState()); });
    layout->addWidget(split_, 1);
    connect(tiles_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& index) {
        if (!index.isValid() || filling_) return;
        chosenFile_ = model_->entry(index.row()).file;
        details_->setFile(chosenFile_, checkSources());
    });
    connect(tiles_->selectionModel(), &QItemSelectionModel::selectionChanged, this, [this] {
        if (!filling_) showOnWall(hovered_);
    });
    connect(tiles_, &QListView::activated, details_, &PresetDetails::apply);
    connect(tiles_, &QListView::entered, this, [this](const QModelIndex& index) { showOnWall(index.row()); });
    connect(tiles_, &QListView::customContextMenuRequested, this, &PackagePage::openMenu);
    connect(new QShortcut(QKeySequence(Qt::Key_Delete), tiles_, {}, {}, Qt::WidgetShortcut), &QShortcut::activated,
            this, &PackagePage::deleteChosen);
    connect(new QShortcut(QKeySequence(Qt::Key_F2), tiles_, {}, {}, Qt::WidgetShortcut), &QShortcut::activated,
            details_, &PresetDetails::rename);
    connect(tiles_->verticalScrollBar(), &QScrollBar::valueChanged, &redrawTimer_, qOverload<>(&QTimer::start));
    connect(sort_, &QComboBox::activated, this, &PackagePage::filter);
    connect(ground_, &Segments::chosen, this, [this](int which) {
        wall_->setGround(which == 0 ? CheckWall::Ground::Bare : CheckWall::Ground::AsGraded);
    });
    connect(details_, &PresetDetails::howChanged, this,
            [this] { wall_->setHow(details_->mode(), details_->strength()); });
    connect(details_, &PresetDetails::renamed, this, [this](const std::filesystem::path& file) {
        chosenFile_ = file;
        fill();
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
    scroll->setWidget(details_);
    outer->addWidget(scroll);
    return panel;
}

std::vector<LibraryEntry> PackagePage::selected() const {
    std::vector<int> rows;
    for (const auto& index : tiles_->selectionModel()->selectedIndexes()) rows.push_back(index.row());
    std::sort(rows.begin(), rows.end());
    std::vector<LibraryEntry> entries;
    for (const int row : rows) entries.push_back(model_->entry(row));
    return entries;
}

std::vector<int> PackagePage::checkPictures() const {
    std::vector<int> rows;
    for (const auto& index : checks_->selectionModel()->selectedIndexes()) rows.push_back(index.row());
    std::sort(rows.begin(), rows.end());
    return rows;
}

std::vector<SourceFile> PackagePage::checkSources() const {
    std::vector<SourceFile> sources;
    for (const int row : checkPictures()) sources.push_back(state_.pictures().sourceOf(row));
    return sources;
}

QString PackagePage::checksKey() const {
    // One choice for each set, by its folder.
    const auto& pictures = state_.pictures();
    const std::string folder = pictures.size() > 0 ? pictures.at(0).file.parent_path().string() : std::string();
    return QStringLiteral("checks-") + QString::fromStdString(contentHash(folder));
}

void PackagePage::chooseChecks() {
    filling_ = true;
    sources_.clear();
    auto* chosen = checks_->selectionModel();
    chosen->clear();
    const QStringList names = QString::fromUtf8(layoutState(checksKey())).split(u'\n', Qt::SkipEmptyParts);
    for (int i = 0; i < state_.pictures().size(); ++i)
        if (names.contains(QString::fromStdString(state_.pictures().at(i).file.filename().string())))
            chosen->select(checks_->model()->index(i, 0), QItemSelectionModel::Select);
    constexpr int atFirst = 6;
    if (!chosen->hasSelection())
        for (int i = 0; i < std::min(atFirst, state_.pictures().size()); ++i)
            chosen->select(checks_->model()->index(i, 0), QItemSelectionModel::Select);
    filling_ = false;
    redrawTimer_.start();
}

void PackagePage::showEvent(QShowEvent*) {
    state_.reloadPresets(); // files may have been put there by hand
    redrawTimer_.start(0);
}

bool PackagePage::eventFilter(QObject* watched, QEvent* event) {
    if (watched == tiles_->viewport()) {
        if (event->type() == QEvent::Leave) showOnWall(-1);
        if (event->type() == QEvent::MouseMove &&
            !tiles_->indexAt(static_cast<QMouseEvent*>(event)->position().toPoint()).isValid())
            showOnWall(-1);
    }
    return QWidget::eventFilter(watched, event);
}

void PackagePage::fill() {
    groups_->fill();
    searched_.clear();
    // What has just been saved is what one wants to see.
    if (state_.presetAddedLast() != addedLast_) chosenFile_ = addedLast_ = state_.presetAddedLast();
    for (const auto& entry : state_.presets())
        searched_.push_back(QString::fromStdString(searchText(entry)).toCaseFolded());
    filter();
}

void PackagePage::filter() {
    fillTiles();
    showChosen();
}

void PackagePage::fillTiles() {
    const QString shown = groups_->group(), wanted = search_->text().trimmed().toCaseFolded();
    const bool favourites = groups_->isFavourites();
    std::vector<LibraryEntry> entries;
    for (std::size_t i = 0; i < state_.presets().size(); ++i) {
        const LibraryEntry& entry = state_.presets()[i];
        if (!shown.isEmpty() && QString::fromStdString(entry.group) != shown) continue;
        const auto known = state_.libraryIndex().items.find(entry.item());
        if (favourites && (known == state_.libraryIndex().items.end() || !known->second.isFavourite)) continue;
        if (!wanted.isEmpty() && !searched_[i].contains(wanted)) continue;
        entries.push_back(entry);
    }
    if (sort_->currentIndex() == static_cast<int>(Sort::Newest)) {
        std::error_code ignored;
        std::stable_sort(entries.begin(), entries.end(), [&](const auto& a, const auto& b) {
            return std::filesystem::last_write_time(a.file, ignored) >
                   std::filesystem::last_write_time(b.file, ignored);
        });
    }
    if (sort_->currentIndex() == static_cast<int>(Sort::Values)) {
        const auto size = [](const LibraryEntry& e) { return e.preset ? presentIn(e.preset->carried).size() : 0; };
        std::stable_sort(entries.begin(), entries.end(),
                         [&](const auto& a, const auto& b) { return size(a) > size(b); });
    }
    groupName_->setText(favourites ? tr("Favourites") : shown.isEmpty() ? tr("All presets") : shown);
    count_->setText(counted(static_cast<qsizetype>(entries.size()), tr("preset"), tr("presets")));
    if (!entries.empty() &&
        std::none_of(entries.begin(), entries.end(), [&](const auto& e) { return e.file == chosenFile_; }))
        chosenFile_ = entries.front().file;
    filling_ = true;
    hovered_ = -1;
    model_->reset(std::move(entries), state_.libraryIndex());
    for (int row = 0; row < model_->rowCount(); ++row)
        if (model_->entry(row).file == chosenFile_) tiles_->setCurrentIndex(model_->index(row));
    filling_ = false;
    redrawTimer_.start();
}

void PackagePage::redraw() {
    if (!isVisible()) return;
    const auto rows = checkPictures();
    wall_->setPictures(rows);
    wall_->setHow(details_->mode(), details_->strength());
    // In order of sight: what is seen first, then what follows it, then the rest.
    const QRect sight = tiles_->viewport()->rect();
    std::vector<int> order;
    int first = -1;
    for (int t = 0; t < model_->rowCount(); ++t)
        if (tiles_->visualRect(model_->index(t)).intersects(sight)) {
            order.push_back(t);
            if (first < 0) first = t;
        }
    const int last = order.empty() ? 0 : order.back() + 1;
    for (int t = last; t < model_->rowCount(); ++t) order.push_back(t);
    for (int t = 0; t < first; ++t) order.push_back(t);
    // Without a check picture the covers are shown.
    if (rows.empty())
        for (int t = 0; t < model_->rowCount(); ++t) {
            const auto& preset = model_->entry(t).preset;
            for (int i = 0; preset && i < std::min<int>(kTilePictures, static_cast<int>(preset->covers.size()));
                 ++i) {
                const std::string& cover = preset->covers[static_cast<std::size_t>(i)];
                model_->setImage(t, i,
                                 QImage::fromData(reinterpret_cast<const uchar*>(cover.data()),
                                                  static_cast<int>(cover.size()), "JPG"));
            }
        }
    std::vector<TileDrawer::Tile> tiles;
    std::vector<QByteArray> ids;
    for (std::size_t i = 0; i < std::min<std::size_t>(rows.size(), kTilePictures); ++i) {
        const QFileInfo file(QString::fromStdString(state_.pictures().at(rows[i]).file.string()));
        Grade prep;
        prep.prep = state_.pictures().at(rows[i]).work.grade.prep;
        ids.push_back(file.absoluteFilePath().toUtf8() + QByteArray::number(file.size()) +
                      QByteArray::number(file.lastModified().toMSecsSinceEpoch()) +
                      QByteArray::fromStdString(gradeToText(prep)));
    }
    const auto places = tilePlaces(tiles_->visualRect(model_->index(0)));
    for (const int t : order) {
        const auto& entry = model_->entry(t);
        if (!entry.preset) continue;
        for (std::size_t i = 0; i < ids.size(); ++i) {
            Picture& source = sources_[rows[i]];
            if (source.isEmpty()) {
                const Picture small = state_.pictures().smallOf(rows[i]);
                if (small.isEmpty()) continue;
                const double scale =
                    std::min(1.0, kTileSide * devicePixelRatioF() / std::max(small.width(), small.height()));
                source = resized(small, std::max(1, static_cast<int>(small.width() * scale)),
                                 std::max(1, static_cast<int>(small.height() * scale)));
            }
            Grade base; // what a preset does is seen on the picture's own Prep alone
            const Grade& own = state_.pictures().at(rows[i]).work.grade;
            base.prep = own.prep, base.picture = own.picture;
            tiles.push_back(
                {t * kTilePictures + static_cast<int>(i),
                 appliedWithStrength(base, *entry.preset, ApplyMode::AddAbove, 1), source,
                 tileKey({QByteArray::fromStdString(entry.contentId), ids[i], QByteArray::number(source.width())}),
                 (QSizeF(places[i].size()) * devicePixelRatioF()).toSize()});
        }
    }
    drawer_.draw(std::move(tiles));
    detailTimer_.start();
}

void PackagePage::showOnWall(int hovered) {
    hovered_ = hovered;
    std::vector<CheckWall::Worn> presets;
    const auto add = [&](const LibraryEntry& entry) {
        if (entry.preset) presets.push_back({QString::fromStdString(entry.name), *entry.preset});
    };
    if (hovered >= 0 && hovered < model_->rowCount()) {
        add(model_->entry(hovered));
    } else {
        const auto entries = selected();
        for (std::size_t i = 0; i < std::min<std::size_t>(2, entries.size()); ++i) add(entries[i]);
    }
    compare_->setEnabled(chosenTwo().has_value());
    wall_->setPresets(presets);
}

void PackagePage::showChosen() {
    showOnWall(hovered_);
    if (details_->file() != chosenFile_) details_->setFile(chosenFile_, checkSources());
}

} // namespace baryton
