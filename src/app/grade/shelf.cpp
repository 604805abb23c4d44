#include "app/grade/shelf.h"
#include "app/picture_model.h"
#include "app/theme/theme.h"
#include "app/widgets/find_popup.h"
#include "app/widgets/labels.h"
#include "app/widgets/still_list.h"
#include "stages/in_force.h"
#include "stages/preset_words.h"

#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollArea>
#include <QVBoxLayout>

namespace baryton {

/// The presets that fit the search, with their pictures.
class ShelfModel : public QAbstractListModel {
public:
    using QAbstractListModel::QAbstractListModel;
    struct Row {
        LibraryEntry entry;
        QImage image;
        bool isFavourite = false;
    };
    std::vector<Row> rows;

    void reset(std::vector<Row> next) {
        beginResetModel();
        rows = std::move(next);
        endResetModel();
    }
    void setImage(std::size_t row, const QImage& image) {
        rows[row].image = image;
        const auto at = index(static_cast<int>(row));
        Q_EMIT dataChanged(at, at);
    }
    int rowCount(const QModelIndex& parent) const override {
        return parent.isValid() ? 0 : static_cast<int>(rows.size());
    }
    QVariant data(const QModelIndex& index, int role) const override {
        const Row& row = rows.at(static_cast<std::size_t>(index.row()));
        switch (role) {
        case Qt::DisplayRole:
            return (row.isFavourite ? QStringLiteral("★ ") : QString()) + QString::fromStdString(row.entry.name);
        case Qt::DecorationRole:
            return row.image;
        case PictureModel::ErrorRole:
            return QString::fromStdString(row.entry.error);
        case Qt::ToolTipRole:
            // What a preset does is told in the status bar: a tooltip would lie over the picture it is tried on.
            if (row.entry.isPending) return tr("Being read");
            if (!row.entry.preset) return QString::fromStdString(row.entry.error);
            return {};
        case Qt::AccessibleDescriptionRole:
            return row.entry.preset ? QString::fromStdString(accountOf(*row.entry.preset)) : QString();
        default:
            return {};
        }
    }
};

namespace {

class ShelfDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {90, 86}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const QRectF box = QRectF(option.rect).adjusted(2, 2, -2, -2);
        beginCard(*p, box, c.raised);
        constexpr double lineHeight = 20;
        const QRectF picture = box.adjusted(0, 0, 0, -lineHeight);
        p->fillRect(picture, c.well);
        drawFitted(*p, picture, index.data(Qt::DecorationRole).value<QImage>());
        const bool failed = !index.data(PictureModel::ErrorRole).toString().isEmpty();
        p->setPen(failed ? c.error : c.text);
        const QString name = index.data().toString() + (failed ? Shelf::tr(" · can't be read") : QString());
        QFont font = option.font;
        font.setPixelSize(11);
        p->setFont(font);
        const QRectF line(box.left() + 5, box.bottom() - lineHeight, box.width() - 8, lineHeight);
        p->drawText(line, Qt::AlignVCenter,
                    p->fontMetrics().elidedText(name, Qt::ElideRight, static_cast<int>(line.width())));
        endCard(*p, box, option.state & (QStyle::State_MouseOver | QStyle::State_HasFocus), false);
    }
};

} // namespace

Shelf::Shelf(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), search_(new QLineEdit), group_(new QComboBox),
      mode_(new Segments({tr("Set"), tr("Add above"), tr("Replace")})), strength_(new ValueRow(tr("Strength"))),
      list_(new StillList), model_(new ShelfModel(this)), inForce_(new InForceList(state)), hint_(new StillText(2)) {
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
    group_->setAccessibleName(tr("Group"));
    layout->addWidget(group_);
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
    list_->setAccessibleName(tr("Presets"));
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    // Two beside each other: what is to be compared is seen together.
    list_->setFlow(QListView::LeftToRight);
    list_->setWrapping(true);
    list_->setResizeMode(QListView::Adjust);
    list_->viewport()->installEventFilter(this);
    layout->addWidget(list_, 1);
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
    connect(list_, &QListView::clicked, this, [this](const QModelIndex& index) { apply(index.row()); });
    connect(list_, &QListView::activated, this, [this](const QModelIndex&) { state_.keepTry(); });
    list_->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(list_, &QListView::customContextMenuRequested, this, &Shelf::openMenu);
    connect(group_, &QComboBox::activated, this, &Shelf::fill);
    connect(mode_, &Segments::chosen, &redrawTimer_, qOverload<>(&QTimer::start));
    connect(strength_, &ValueRow::edited, &redrawTimer_, qOverload<>(&QTimer::start));
    redrawTimer_.setSingleShot(true);
    redrawTimer_.setInterval(150);
    connect(&redrawTimer_, &QTimer::timeout, this, &Shelf::redraw);
    // What is being tried must not redraw the very pictures that are pointed at.
    connect(&state.pictures(), &PictureSet::gradeChanged, &redrawTimer_, qOverload<>(&QTimer::start));
    connect(&state.pictures(), &PictureSet::thumbnailChanged, this, [this](int index) {
        if (index == state_.key() && !model_->rows.empty() && model_->rows.front().image.isNull())
            redrawTimer_.start();
    });
    connect(&state, &AppState::keyChanged, &redrawTimer_, qOverload<>(&QTimer::start));
    connect(&drawer_, &TileDrawer::drawn, this, [this](int row, const QImage& image) {
        if (row < static_cast<int>(model_->rows.size())) model_->setImage(static_cast<std::size_t>(row), image);
    });
    fill();
}

void Shelf::fill() {
    // The groups there are; the choice is kept.
    QStringList groups{tr("All presets"), tr("Favourites")};
    for (const LibraryEntry& entry : state_.presets())
        if (const QString group = QString::fromStdString(entry.group); !groups.contains(group)) groups.append(group);
    const QString chosen = group_->currentText();
    QStringList shown;
    for (int i = 0; i < group_->count(); ++i) shown.append(group_->itemText(i));
    if (shown != groups) {
        group_->clear();
        group_->addItems(groups);
        group_->setCurrentIndex(std::max(0, static_cast<int>(groups.indexOf(chosen))));
    }
    std::vector<ShelfModel::Row> rows;
    for (const LibraryEntry& entry : state_.presets()) {
        const QString words = QString::fromStdString(searchText(entry));
        const auto item = state_.libraryIndex().items.find(entry.item());
        const bool favourite = item != state_.libraryIndex().items.end() && item->second.isFavourite;
        if (!hasAllWords(words, search_->text())) continue;
        if (group_->currentIndex() == 1 && !favourite) continue;
        if (group_->currentIndex() > 1 && QString::fromStdString(entry.group) != group_->currentText()) continue;
        rows.push_back({entry, {}, favourite});
    }
    model_->reset(std::move(rows));
    redrawTimer_.start();
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
    const auto& entry = model_->rows.at(static_cast<std::size_t>(row)).entry;
    if (!entry.preset) {
        if (!entry.isPending) state_.tell(QString::fromStdString(entry.error), true);
        return;
    }
    const Preset preset = *entry.preset;
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
    const auto& row = model_->rows[static_cast<std::size_t>(index.row())];
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->addAction(row.isFavourite ? tr("No longer a favourite") : tr("Favourite"), this,
                    [this, entry = row.entry] { state_.toggleFavourite(entry); });
    menu->popup(list_->viewport()->mapToGlobal(at));
}

void Shelf::showEvent(QShowEvent*) {
    redraw();
}

void Shelf::hideEvent(QHideEvent*) {
    tryEntry(-1);
}

void Shelf::redraw() {
    if (!isVisible() || !state_.hasKey()) return;
    const Picture small = state_.pictures().smallOf(state_.key());
    if (small.isEmpty()) return;
    std::vector<TileDrawer::Tile> tiles;
    for (std::size_t row = 0; row < model_->rows.size(); ++row)
        if (const auto& preset = model_->rows[row].entry.preset)
            tiles.push_back({static_cast<int>(row), changed(state_.keyWork(), *preset).grade, small});
    drawer_.draw(std::move(tiles));
}

void Shelf::tryEntry(int row) {
    if (row == tried_) return;
    tried_ = row;
    if (row < 0 || row >= static_cast<int>(model_->rows.size())) {
        state_.tryOnWorks({});
        return;
    }
    const auto& entry = model_->rows[static_cast<std::size_t>(row)].entry;
    if (!entry.preset || !state_.hasKey()) return;
    state_.tryOnWorks([this, preset = *entry.preset](const PictureWork& work) { return changed(work, preset); });
    state_.tell(tr("%1 (%2) %3")
                    .arg(QString::fromStdString(entry.name), QString::fromStdString(entry.group),
                         QString::fromStdString(accountOf(*entry.preset))));
}

bool Shelf::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::Leave) tryEntry(-1);
    if (event->type() == QEvent::MouseMove &&
        !list_->indexAt(static_cast<QMouseEvent*>(event)->position().toPoint()).isValid())
        tryEntry(-1);
    return QWidget::eventFilter(watched, event);
}

} // namespace baryton
