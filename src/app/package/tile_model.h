#pragma once
#include "package/library.h"

#include <QAbstractListModel>
#include <QCache>
#include <QImage>
#include <QPixmap>
#include <QStyledItemDelegate>
#include <array>

namespace baryton {

/// How many check pictures a tile shows: one large, two beside it.
constexpr int kTilePictures = 3;

/// Presets as tiles, each with its pictures.
class PresetTileModel : public QAbstractListModel {
    Q_OBJECT
public:
    struct Tile {
        LibraryEntry entry;
        std::array<QImage, kTilePictures> images;
        bool isFavourite = false;
    };

    using QAbstractListModel::QAbstractListModel;
    /// Pictures of entries that stay are kept.
    void reset(std::vector<LibraryEntry> entries, const LibraryIndex& index);
    void setImage(int row, int picture, const QImage& image);
    const LibraryEntry& entry(int row) const { return tiles_.at(static_cast<std::size_t>(row)).entry; }
    const Tile& tile(int row) const { return tiles_.at(static_cast<std::size_t>(row)); }
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    QStringList mimeTypes() const override;
    QMimeData* mimeData(const QModelIndexList& indexes) const override;
    Qt::DropActions supportedDragActions() const override { return Qt::CopyAction; }

private:
    std::vector<Tile> tiles_;
};

/// Where the pictures of a tile lie, in the tile's rectangle: one large, two beside it, one above the other.
std::array<QRect, kTilePictures> tilePlaces(const QRect& tile);

class PresetTileDelegate : public QStyledItemDelegate {
    Q_OBJECT
public:
    explicit PresetTileDelegate(const PresetTileModel& model, QObject* parent = nullptr)
        : QStyledItemDelegate(parent), model_(model) {}
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;

private:
    /// The whole card but for its outline; drawn once for as long as it stays as it is.
    QPixmap cardOf(const PresetTileModel::Tile& tile, const QStyleOptionViewItem& option, double ratio) const;

    const PresetTileModel& model_;
    mutable QCache<QString, QPixmap> cards_{120}; ///< some screenfuls
};

} // namespace baryton
