#pragma once
#include <QAbstractListModel>
#include <QImage>
#include <QListView>
#include <QStyledItemDelegate>
#include <vector>

namespace baryton {

/// Pictures of a set under headings, each with one or two images and two lines of words.
class SetTiles : public QAbstractListModel {
    Q_OBJECT
public:
    enum Role { IsHeadingRole = Qt::UserRole + 60, SecondImageRole, LineRole, ProblemRole, DimmedRole, IndexRole };
    using QAbstractListModel::QAbstractListModel;
    struct Row {
        QString text;   ///< of a heading; the picture's name
        QString line{}; ///< a second, quieter text
        int index = -1; ///< the picture, by its place in the set; −1: a heading
        QImage image{}, second{};
        bool isProblem = false; ///< its line tells of a fault
        bool isDimmed = false;  ///< it is not part of the run
    };
    const std::vector<Row>& rows() const { return rows_; }
    /// Rows that are the same in kind and order are painted anew only.
    void reset(std::vector<Row> rows);
    int rowOf(int index) const; ///< −1 where it is not there
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;

private:
    std::vector<Row> rows_;
};

class SetTilesDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    /// Two images side by side are given more room.
    void setPairs(bool pairs) { pairs_ = pairs; }
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override;

private:
    bool pairs_ = false;
};

/// A list of such tiles, in rows as wide as there is room.
QListView* makeSetList(SetTiles* tiles, const QString& name, bool pairs);

} // namespace baryton
