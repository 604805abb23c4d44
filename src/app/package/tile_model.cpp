#include "app/package/tile_model.h"
#include "app/picture_model.h"
#include "app/theme/theme.h"
#include "render/program.h"
#include "stages/preset_words.h"

#include <QPainter>

namespace baryton {

void PresetTileModel::reset(std::vector<LibraryEntry> entries) {
    beginResetModel();
    tiles_.clear();
    for (auto& entry : entries) tiles_.push_back({std::move(entry), {}});
    endResetModel();
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
    if (role == Qt::ToolTipRole) return QString::fromStdString(e.preset ? accountOf(*e.preset) : e.error);
    return {};
}

QSize PresetTileDelegate::sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const {
    return {244, 170};
}

void PresetTileDelegate::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const auto& c = theme::colours();
    const PresetTileModel::Tile& tile = model_.tile(index.row());
    const QRectF box = QRectF(option.rect).adjusted(5, 5, -5, -5);
    beginCard(*p, box, c.raised);
    const QRectF pictures = box.adjusted(0, 0, 0, -28);
    p->fillRect(pictures, c.well);
    const double split = std::round(pictures.width() * 0.66);
    drawFilling(*p, QRectF(pictures.topLeft(), QSizeF(split, pictures.height())), tile.images[0]);
    const double half = pictures.height() / 2;
    for (int i = 1; i < kTilePictures; ++i)
        drawFilling(*p,
                    QRectF(pictures.left() + split + 1, pictures.top() + (i - 1) * half + (i - 1),
                           pictures.width() - split - 1, half - (i == 1)),
                    tile.images[static_cast<std::size_t>(i)]);
    const QRectF line(box.left() + 9, box.bottom() - 28, box.width() - 18, 28);
    if (!tile.entry.preset) {
        p->setPen(c.error);
        p->drawText(pictures.adjusted(12, 8, -12, -8), Qt::AlignCenter | Qt::TextWordWrap, tr("can't be read"));
    }
    p->setPen(c.second);
    QString mark;
    if (tile.entry.preset) {
        const auto left = leftOutOfLut(tile.entry.preset->carried);
        mark = left.empty() ? QStringLiteral("LUT")
                            : QStringLiteral("+ ") + QString::fromStdString(left.front()).toLower();
    }
    p->drawText(line, Qt::AlignVCenter | Qt::AlignRight, mark);
    p->setPen(tile.entry.preset ? c.text : c.error);
    const int room = static_cast<int>(line.width()) - p->fontMetrics().horizontalAdvance(mark) - 8;
    p->drawText(line, Qt::AlignVCenter,
                p->fontMetrics().elidedText(QString::fromStdString(tile.entry.name), Qt::ElideRight, room));
    endCard(*p, box, option.state & QStyle::State_Selected, option.state & QStyle::State_MouseOver);
}

} // namespace baryton
