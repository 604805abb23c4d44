#include "app/package/tile_model.h"
#include "app/dragged_files.h"
#include "app/package/group_list.h"
#include "app/picture_model.h"
#include "app/theme/theme.h"
#include "edits/preset_words.h"
#include "render/program.h"

#include <QMimeData>
#include <QPainter>

namespace baryton {

namespace {
constexpr int kCardAround = 5, kNameLine = 28; // px around a card, and for its name
const QSize kPresetTile(232, 162);
} // namespace

void PresetTileModel::reset(std::vector<LibraryEntry> entries, const LibraryIndex& index) {
    beginResetModel();
    std::map<std::string, std::array<QImage, kTilePictures>> kept;
    for (Tile& tile : tiles_) kept[tile.entry.contentId] = std::move(tile.images);
    tiles_.clear();
    for (auto& entry : entries) {
        Tile tile;
        if (const auto at = kept.find(entry.contentId); at != kept.end() && !entry.contentId.empty())
            tile.images = at->second;
        const auto known = index.items.find(entry.item());
        tile.isFavourite = known != index.items.end() && known->second.isFavourite;
        tile.entry = std::move(entry);
        tiles_.push_back(std::move(tile));
    }
    endResetModel();
}

Qt::ItemFlags PresetTileModel::flags(const QModelIndex& index) const {
    return index.isValid() ? Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsDragEnabled : Qt::NoItemFlags;
}

QStringList PresetTileModel::mimeTypes() const {
    return {GroupList::kMimeType, QStringLiteral("text/uri-list")};
}

QMimeData* PresetTileModel::mimeData(const QModelIndexList& indexes) const {
    QByteArrayList items;
    std::vector<std::filesystem::path> files; // for other programs
    for (const QModelIndex& each : indexes) {
        items.append(QByteArray::fromStdString(entry(each.row()).item()));
        files.push_back(entry(each.row()).file);
    }
    QMimeData* data = asDragged(files);
    data->setData(GroupList::kMimeType, items.join('\n'));
    return data;
}

void PresetTileModel::setImage(int row, int picture, const QImage& image) {
    if (row >= rowCount() || picture >= kTilePictures) return;
    tiles_[static_cast<std::size_t>(row)].images[static_cast<std::size_t>(picture)] = image;
    Q_EMIT dataChanged(index(row), index(row));
}

int PresetTileModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(tiles_.size());
}

QVariant PresetTileModel::data(const QModelIndex& index, int role) const {
    const LibraryEntry& e = entry(index.row());
    if (role == Qt::DisplayRole || role == Qt::AccessibleTextRole) return QString::fromStdString(e.name);
    if (role == Qt::ToolTipRole) {
        if (e.isPending) return tr("Being read…");
        if (!e.preset) return QString::fromStdString(e.error);
        const QString notes = QString::fromStdString(e.preset->notes);
        return (notes.isEmpty() ? notes : notes + u'\n') +
               tr("Applied, it %1.").arg(QString::fromStdString(accountOf(*e.preset)));
    }
    return {};
}

std::array<QRect, kTilePictures> tilePlaces(const QRect& tile) {
    const QRect all = tile.adjusted(kCardAround, kCardAround, -kCardAround, -kCardAround - kNameLine);
    const int split = all.width() * 66 / 100, half = all.height() / 2;
    const int left = all.left() + split + 1, width = all.width() - split - 1;
    return {QRect(all.topLeft(), QSize(split, all.height())), QRect(left, all.top(), width, half - 1),
            QRect(left, all.top() + half, width, all.height() - half)};
}

QSize PresetTileDelegate::sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const {
    return kPresetTile;
}

void PresetTileDelegate::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    p->drawPixmap(option.rect.topLeft(), cardOf(model_.tile(index.row()), option, p->device()->devicePixelRatioF()));
    const QRectF box = QRectF(option.rect).adjusted(kCardAround, kCardAround, -kCardAround, -kCardAround);
    p->save();
    endCard(*p, box, option.state & QStyle::State_Selected, option.state & QStyle::State_MouseOver);
}

namespace {

/// What a card shows, told apart by all that it is drawn from.
QString keyOf(const PresetTileModel::Tile& tile, QSize size, double ratio) {
    QStringList parts{QString::fromStdString(tile.entry.file.string()),
                      QString::fromStdString(tile.entry.contentId),
                      QString::number(int(tile.isFavourite) + 2 * int(tile.entry.isPending)),
                      QString::number(size.width()),
                      QString::number(size.height()),
                      QString::number(ratio),
                      QString::number(static_cast<int>(theme::kind()))};
    for (const QImage& each : tile.images) parts.append(QString::number(each.cacheKey()));
    return parts.join(u'\n');
}

QString markOf(const LibraryEntry& entry) {
    if (!entry.preset) return {};
    if (entry.kind == LibraryEntry::Kind::Lut) return QString::fromStdString(entry.file.extension().string());
    return leftOutOfLut(entry.preset->carried).empty() ? QString() : PresetTileDelegate::tr("partly in LUTs");
}

} // namespace

QPixmap PresetTileDelegate::cardOf(const PresetTileModel::Tile& tile, const QStyleOptionViewItem& option,
                                   double ratio) const {
    const QSize size = option.rect.size();
    const QString key = keyOf(tile, size, ratio);
    if (const QPixmap* known = cards_.object(key)) return *known;
    QPixmap card(size * ratio);
    card.setDevicePixelRatio(ratio);
    card.fill(Qt::transparent);
    QPainter p(&card);
    p.setFont(option.font);
    const auto& c = theme::colours();
    const QRectF box = QRectF(QPointF(), size).adjusted(kCardAround, kCardAround, -kCardAround, -kCardAround);
    beginCard(p, box, c.raised);
    const QRectF pictures = box.adjusted(0, 0, 0, -kNameLine);
    p.fillRect(pictures, c.well);
    const auto places = tilePlaces(QRect(QPoint(), size));
    for (std::size_t i = 0; i < kTilePictures; ++i) drawFilling(p, places[i], tile.images[i]);
    const QRectF line(box.left() + 9, box.bottom() - kNameLine, box.width() - 18, kNameLine);
    if (!tile.entry.preset) {
        p.setPen(tile.entry.isPending ? c.second : c.error);
        p.drawText(pictures.adjusted(12, 8, -12, -8), Qt::AlignCenter | Qt::TextWordWrap,
                   tile.entry.isPending ? tr("Being read…") : tr("can't be read"));
    }
    p.setPen(c.second);
    const QString mark = markOf(tile.entry);
    p.drawText(line, Qt::AlignVCenter | Qt::AlignRight, mark);
    p.setPen(tile.entry.preset || tile.entry.isPending ? c.text : c.error);
    const int room = static_cast<int>(line.width()) - p.fontMetrics().horizontalAdvance(mark) - 8;
    p.drawText(line, Qt::AlignVCenter,
               p.fontMetrics().elidedText((tile.isFavourite ? QStringLiteral("★ ") : QString()) +
                                              QString::fromStdString(tile.entry.name),
                                          Qt::ElideRight, room));
    endCard(p, box, false, false);
    p.end();
    cards_.insert(key, new QPixmap(card));
    return card;
}

} // namespace baryton
