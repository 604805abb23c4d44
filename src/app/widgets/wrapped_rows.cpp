#include "app/widgets/wrapped_rows.h"
#include "app/theme/theme.h"

#include <QAbstractItemView>
#include <QPainter>

namespace baryton {

namespace {

constexpr int kPadding = 4, kTextMargin = 3; ///< of the style sheet and of the style

/// Where the text lies in a row.
QRect textRoom(const QStyleOptionViewItem& row, const QRect& in) {
    const int side = kPadding + kTextMargin;
    const int icon = row.icon.isNull() ? 0 : row.decorationSize.width() + 2 * kTextMargin;
    return in.adjusted(side + icon, kPadding, -side, -kPadding);
}

} // namespace

QSize WrappedRows::sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const {
    QStyleOptionViewItem row = option;
    initStyleOption(&row, index);
    const auto* list = qobject_cast<const QAbstractItemView*>(row.widget);
    if (!list) return QStyledItemDelegate::sizeHint(option, index);
    constexpr int most = 10000;
    const int width = list->viewport()->width();
    const QRect text =
        row.fontMetrics.boundingRect(textRoom(row, QRect(0, 0, width, most)), Qt::TextWordWrap, row.text);
    const int icon = row.icon.isNull() ? 0 : row.decorationSize.height();
    return {width, std::max(icon, text.height()) + 2 * kPadding};
}

void WrappedRows::paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    QStyleOptionViewItem row = option;
    initStyleOption(&row, index);
    const QString title = row.text.section(QChar::LineSeparator, 0, 0),
                  rest = row.text.section(QChar::LineSeparator, 1);
    if (rest.isEmpty()) return QStyledItemDelegate::paint(painter, option, index);
    row.text.clear();
    row.widget->style()->drawControl(QStyle::CE_ItemViewItem, &row, painter, row.widget);
    const QRect room = textRoom(row, row.rect);
    painter->save();
    QFont strong = row.font;
    strong.setWeight(QFont::DemiBold);
    painter->setFont(strong);
    painter->setPen(theme::colours().text);
    painter->drawText(room, Qt::AlignTop | Qt::AlignLeft, title);
    painter->setFont(row.font);
    painter->setPen(row.state & QStyle::State_Selected ? theme::colours().text : theme::colours().second);
    painter->drawText(room.adjusted(0, row.fontMetrics.lineSpacing(), 0, kPadding),
                      Qt::AlignTop | Qt::AlignLeft | Qt::TextWordWrap, rest);
    painter->restore();
}

} // namespace baryton
