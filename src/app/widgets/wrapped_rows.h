#pragma once
#include <QStyledItemDelegate>

namespace baryton {

/// Rows of a list whose texts wrap at the list's own width and are as high as their lines need. (Qt measures the text
/// without the room that the style sheet's padding and the scroll bar take, and then cuts it or leaves a gap.) Where
/// a text has several lines of its own, the first is its title.
class WrappedRows : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
};

} // namespace baryton
