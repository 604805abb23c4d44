#include "app/grade/shelf_model.h"
#include "app/dragged_files.h"
#include "app/grade/shelf.h"
#include "app/picture_model.h"
#include "app/settings.h"
#include "app/theme/theme.h"
#include "app/widgets/find_popup.h"
#include "edits/preset_words.h"

#include <QListView>
#include <QPainter>
#include <map>
#include <utility>

namespace baryton {

namespace {

constexpr std::size_t kSmallLibrary = 12;
constexpr int kMostUsed = 4;
constexpr QChar kSeparator = u'\n'; // in no name of a file that Baryton writes

QStringList remembered(const QString& name) {
    return QString::fromUtf8(layoutState(name)).split(kSeparator, Qt::SkipEmptyParts);
}
void remember(const QString& name, const QStringList& list) {
    rememberLayout(name, list.join(kSeparator).toUtf8());
}

} // namespace

const LibraryEntry* ShelfModel::entryAt(int row) const {
    if (row < 0 || row >= static_cast<int>(rows_.size())) return nullptr;
    const auto& entry = rows_[static_cast<std::size_t>(row)].entry;
    return entry ? &*entry : nullptr;
}

void ShelfModel::reset(std::vector<Row> rows) {
    beginResetModel();
    rows_ = std::move(rows);
    endResetModel();
}

void ShelfModel::setImage(std::size_t row, const QImage& image) {
    rows_[row].image = image;
    const auto at = index(static_cast<int>(row));
    Q_EMIT dataChanged(at, at);
}

void ShelfModel::setChosen(const std::set<std::filesystem::path>& files) {
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const bool chosen = rows_[i].entry && files.contains(rows_[i].entry->file);
        if (std::exchange(rows_[i].isChosen, chosen) == chosen) continue;
        const auto at = index(static_cast<int>(i));
        Q_EMIT dataChanged(at, at);
    }
}

Qt::ItemFlags ShelfModel::flags(const QModelIndex& index) const {
    const Qt::ItemFlags flags = QAbstractListModel::flags(index);
    return entryAt(index.row()) ? flags | Qt::ItemIsDragEnabled : flags;
}

QStringList ShelfModel::mimeTypes() const {
    return {QStringLiteral("text/uri-list")};
}

QMimeData* ShelfModel::mimeData(const QModelIndexList& indexes) const {
    std::vector<std::filesystem::path> files;
    for (const QModelIndex& each : indexes)
        if (const LibraryEntry* entry = entryAt(each.row())) files.push_back(entry->file);
    return asDragged(files);
}

int ShelfModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

QVariant ShelfModel::data(const QModelIndex& index, int role) const {
    const Row& row = rows_.at(static_cast<std::size_t>(index.row()));
    if (role == IsChosenRole) return row.isChosen;
    if (!row.entry) {
        switch (role) {
        case Qt::DisplayRole:
            return row.section;
        case IsOpenRole:
            return row.isOpen;
        case CountRole:
            return row.count;
        case Qt::AccessibleDescriptionRole:
            return row.isOpen ? Shelf::tr("%n presets, open", nullptr, row.count)
                              : Shelf::tr("%n presets, folded", nullptr, row.count);
        default:
            return {};
        }
    }
    const LibraryEntry& entry = *row.entry;
    switch (role) {
    case Qt::DisplayRole:
        return (row.isFavourite ? QStringLiteral("★ ") : QString()) + QString::fromStdString(entry.name);
    case Qt::DecorationRole:
        return row.image;
    case PictureModel::ErrorRole:
        return QString::fromStdString(entry.error);
    case Qt::ToolTipRole:
        // What a preset does is told in the status bar: a tooltip would lie over the picture it is tried on.
        if (entry.isPending) return Shelf::tr("Being read");
        if (!entry.preset) return QString::fromStdString(entry.error);
        return {};
    case Qt::AccessibleDescriptionRole: {
        const QString account = entry.preset ? QString::fromStdString(accountOf(*entry.preset)) : QString();
        return row.isChosen ? Shelf::tr("chosen; %1").arg(account) : account;
    }
    default:
        return {};
    }
}

ShelfMemory::ShelfMemory()
    : isKnown_(!layoutState(QStringLiteral("shelf-known")).isEmpty()),
      folded_(remembered(QStringLiteral("shelf-folded"))), used_(remembered(QStringLiteral("shelf-used"))) {}

bool ShelfMemory::isOpen(const QString& section, int place, std::size_t presets) const {
    return isKnown_ ? !folded_.contains(section) : presets <= kSmallLibrary || place == 0;
}

void ShelfMemory::setOpen(const QString& section, bool open, const std::vector<ShelfModel::Row>& rows) {
    if (!isKnown_) // what was folded by default stays so
        for (const auto& row : rows)
            if (!row.entry && !row.isOpen) folded_.append(row.section);
    isKnown_ = true;
    folded_.removeAll(section);
    if (!open) folded_.append(section);
    rememberLayout(QStringLiteral("shelf-known"), "1");
    remember(QStringLiteral("shelf-folded"), folded_);
}

void ShelfMemory::use(const LibraryEntry& entry) {
    const QString item = QString::fromStdString(entry.item());
    used_.removeAll(item);
    used_.prepend(item);
    while (used_.size() > kMostUsed) used_.removeLast();
    remember(QStringLiteral("shelf-used"), used_);
}

std::vector<ShelfModel::Row> shelfRows(const std::vector<LibraryEntry>& entries, const LibraryIndex& index,
                                       const QString& search, const ShelfMemory& memory) {
    const bool isSearch = !search.trimmed().isEmpty();
    std::map<std::string, const LibraryEntry*> byItem;
    std::vector<std::vector<ShelfModel::Row>> sections;
    const auto isFavourite = [&](const LibraryEntry& entry) {
        const auto item = index.items.find(entry.item());
        return item != index.items.end() && item->second.isFavourite;
    };
    const auto add = [&](const QString& section, const LibraryEntry& entry) {
        if (sections.empty() || sections.back().front().section != section)
            sections.push_back({ShelfModel::Row{section}});
        sections.back().push_back({section, 0, true, entry, {}, isFavourite(entry)});
    };
    if (!isSearch) {
        for (const LibraryEntry& entry : entries) byItem[entry.item()] = &entry;
        for (const QString& item : memory.used())
            if (const auto at = byItem.find(item.toStdString()); at != byItem.end())
                add(Shelf::tr("Used last"), *at->second);
        for (const LibraryEntry& entry : entries)
            if (isFavourite(entry)) add(Shelf::tr("Favourites"), entry);
    }
    const auto firstGroup = sections.size();
    for (const LibraryEntry& entry : entries)
        if (hasAllWords(QString::fromStdString(searchText(entry)), search))
            add(QString::fromStdString(entry.group), entry);
    std::vector<ShelfModel::Row> rows;
    for (std::size_t i = 0; i < sections.size(); ++i) {
        ShelfModel::Row& heading = sections[i].front();
        const int place = i < firstGroup ? 0 : static_cast<int>(i - firstGroup);
        heading.count = static_cast<int>(sections[i].size()) - 1;
        heading.isOpen = isSearch || memory.isOpen(heading.section, place, entries.size());
        if (!heading.isOpen) sections[i].resize(1);
        std::move(sections[i].begin(), sections[i].end(), std::back_inserter(rows));
    }
    return rows;
}

QSize ShelfDelegate::sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const auto* list = qobject_cast<const QListView*>(option.widget);
    if (index.data(ShelfModel::IsOpenRole).isValid() && list) return {list->viewport()->width(), 26};
    return {90, 86};
}

void ShelfDelegate::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const auto& c = theme::colours();
    QFont font = option.font;
    font.setPixelSize(11);
    p->setFont(font);
    const bool isUnderHand = option.state & (QStyle::State_MouseOver | QStyle::State_HasFocus);
    if (const QVariant open = index.data(ShelfModel::IsOpenRole); open.isValid()) {
        const QRect line = option.rect.adjusted(2, 2, -6, 0);
        if (isUnderHand) p->fillRect(line, c.raised);
        const QRect arrow(line.left() + 2, line.center().y() - 7, 14, 14);
        theme::icon(open.toBool() ? QStringLiteral("down") : QStringLiteral("right")).paint(p, arrow);
        const QString count = QString::number(index.data(ShelfModel::CountRole).toInt());
        p->setPen(c.second);
        p->drawText(line, Qt::AlignVCenter | Qt::AlignRight, count);
        const int room = line.width() - 24 - p->fontMetrics().horizontalAdvance(count);
        p->setPen(isUnderHand ? c.text : c.second);
        p->drawText(line.adjusted(20, 0, 0, 0), Qt::AlignVCenter,
                    p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, room));
        return;
    }
    const QRectF box = QRectF(option.rect).adjusted(2, 2, -2, -2);
    beginCard(*p, box, c.raised);
    constexpr double lineHeight = 20;
    const QRectF picture = box.adjusted(0, 0, 0, -lineHeight);
    p->fillRect(picture, c.well);
    drawFitted(*p, picture, index.data(Qt::DecorationRole).value<QImage>());
    const bool failed = !index.data(PictureModel::ErrorRole).toString().isEmpty();
    p->setPen(failed ? c.error : c.text);
    const QString name = index.data().toString() + (failed ? Shelf::tr(" · can't be read") : QString());
    const QRectF line(box.left() + 5, box.bottom() - lineHeight, box.width() - 8, lineHeight);
    p->drawText(line, Qt::AlignVCenter,
                p->fontMetrics().elidedText(name, Qt::ElideRight, static_cast<int>(line.width())));
    const bool isChosen = index.data(ShelfModel::IsChosenRole).toBool();
    endCard(*p, box, isUnderHand || isChosen, false);
    if (!isChosen) return;
    const QRectF tick(box.right() - 22, box.top() + 4, 18, 18);
    p->setPen(Qt::NoPen);
    p->setBrush(c.accent);
    p->drawEllipse(tick);
    theme::icon(QStringLiteral("check-dark")).paint(p, tick.adjusted(3, 3, -3, -3).toRect());
}

} // namespace baryton
