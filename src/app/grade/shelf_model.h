#pragma once
#include "package/library.h"

#include <QAbstractListModel>
#include <QImage>
#include <QStyledItemDelegate>
#include <set>

namespace baryton {

/// The rows of the shelf: what was used last, the favourites, then the groups, each under a heading that folds it.
class ShelfModel : public QAbstractListModel {
public:
    enum Role { IsOpenRole = Qt::UserRole + 20, CountRole, IsChosenRole };
    using QAbstractListModel::QAbstractListModel;
    struct Row {
        QString section; ///< its heading; a row without an entry is the heading itself
        int count = 0;   ///< of a heading: presets below it
        bool isOpen = true;
        std::optional<LibraryEntry> entry{};
        QImage image{};
        bool isFavourite = false;
        bool isChosen = false; ///< where several are
    };
    const std::vector<Row>& rows() const { return rows_; }
    const LibraryEntry* entryAt(int row) const;

    void reset(std::vector<Row> rows);
    void setImage(std::size_t row, const QImage& image);
    void setChosen(const std::set<std::filesystem::path>& files);
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    /// Presets are dragged as their files.
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    QStringList mimeTypes() const override;
    QMimeData* mimeData(const QModelIndexList& indexes) const override;
    Qt::DropActions supportedDragActions() const override { return Qt::CopyAction; }

private:
    std::vector<Row> rows_;
};

/// Which groups of the shelf are folded, and which presets were used last; both come back at the next start.
class ShelfMemory {
public:
    ShelfMemory();
    /// Until something was folded or opened by hand: all are open in a small library, the first group in a large one.
    bool isOpen(const QString& section, int place, std::size_t presets) const;
    void setOpen(const QString& section, bool open, const std::vector<ShelfModel::Row>& rows);
    const QStringList& used() const { return used_; }
    void use(const LibraryEntry& entry);

private:
    bool isKnown_ = false; ///< something was folded or opened by hand
    QStringList folded_, used_;
};

/// The rows for a library: with a search, what has all its words under the headings of its groups.
std::vector<ShelfModel::Row> shelfRows(const std::vector<LibraryEntry>& entries, const LibraryIndex& index,
                                       const QString& search, const ShelfMemory& memory);

class ShelfDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
};

} // namespace baryton
