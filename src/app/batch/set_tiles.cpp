#include "app/batch/set_tiles.h"
#include "app/picture_model.h"
#include "app/theme/theme.h"

#include <QPainter>
#include <algorithm>

namespace baryton {

namespace {
constexpr int kHeadingHeight = 34, kTileWidth = 178, kPictureHeight = 118, kLine = 17, kPairWidth = 256;
}

void SetTiles::reset(std::vector<Row> rows) {
    const auto isSame = [](const Row& a, const Row& b) {
        return a.index == b.index && (a.index >= 0 || a.text == b.text);
    };
    if (std::equal(rows.begin(), rows.end(), rows_.begin(), rows_.end(), isSame)) {
        rows_ = std::move(rows);
        if (!rows_.empty()) Q_EMIT dataChanged(index(0), index(rowCount() - 1));
        return;
    }
    beginResetModel();
    rows_ = std::move(rows);
    endResetModel();
}

int SetTiles::rowOf(int index) const {
    const auto at = std::find_if(rows_.begin(), rows_.end(), [index](const Row& row) { return row.index == index; });
    return at == rows_.end() || index < 0 ? -1 : static_cast<int>(at - rows_.begin());
}

int SetTiles::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

Qt::ItemFlags SetTiles::flags(const QModelIndex& index) const {
    const bool isPicture = index.isValid() && rows_[static_cast<std::size_t>(index.row())].index >= 0;
    return isPicture ? Qt::ItemIsEnabled | Qt::ItemIsSelectable : Qt::ItemIsEnabled;
}

QVariant SetTiles::data(const QModelIndex& index, int role) const {
    if (!index.isValid()) return {};
    const Row& row = rows_[static_cast<std::size_t>(index.row())];
    switch (role) {
    case Qt::DisplayRole:
        return row.text;
    case Qt::AccessibleTextRole:
    case Qt::ToolTipRole:
        return row.line.isEmpty() ? row.text : row.text + u'\n' + row.line;
    case Qt::DecorationRole:
        return row.image;
    case SecondImageRole:
        return row.second;
    case LineRole:
        return row.line;
    case ProblemRole:
        return row.isProblem;
    case DimmedRole:
        return row.isDimmed;
    case IsHeadingRole:
        return row.index < 0;
    case IndexRole:
        return row.index;
    default:
        return {};
    }
}

QSize SetTilesDelegate::sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const auto* view = qobject_cast<const QListView*>(option.widget);
    if (index.data(SetTiles::IsHeadingRole).toBool() && pairs_)
        return {view ? view->viewport()->width() - 2 : 600, kHeadingHeight};
    return {pairs_ ? kPairWidth : kTileWidth, (pairs_ ? kPictureHeight - 26 : kPictureHeight) + 2 * kLine + 12};
}

void SetTilesDelegate::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const auto& c = theme::colours();
    const auto elided = [&](const QString& text, int width) {
        return p->fontMetrics().elidedText(text, Qt::ElideRight, width);
    };
    const QString line = index.data(SetTiles::LineRole).toString();
    if (index.data(SetTiles::IsHeadingRole).toBool() && !pairs_) {
        // Groups of one or two would leave most of their lines empty: a heading takes the place of a tile.
        const QRect where = option.rect.adjusted(14, 12, -14, -8);
        QFont bold = option.font;
        bold.setPixelSize(14);
        bold.setWeight(QFont::DemiBold);
        p->setFont(bold);
        p->setPen(c.text);
        QRect taken;
        p->drawText(where, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, index.data().toString(), &taken);
        p->setFont(option.font);
        p->setPen(c.second);
        p->drawText(where.adjusted(0, taken.height() + 6, 0, 0), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
                    line);
        p->setPen(QPen(c.edge, 1));
        p->drawLine(option.rect.left() + 4, option.rect.top() + 8, option.rect.left() + 4, option.rect.bottom() - 6);
        return;
    }
    if (index.data(SetTiles::IsHeadingRole).toBool()) {
        const QRect where = option.rect.adjusted(8, 8, -8, 0);
        QFont bold = option.font;
        bold.setWeight(QFont::DemiBold);
        p->setFont(bold);
        p->setPen(c.text);
        const QString text = index.data().toString();
        p->drawText(where, Qt::AlignVCenter, text);
        const int from = p->fontMetrics().horizontalAdvance(text) + 10;
        p->setFont(option.font);
        p->setPen(c.second);
        p->drawText(where.adjusted(from, 0, 0, 0), Qt::AlignVCenter, elided(line, where.width() - from));
        return;
    }
    const bool isChosen = option.state & QStyle::State_Selected;
    const bool isUnderHand = option.state & (QStyle::State_MouseOver | QStyle::State_HasFocus);
    const QRectF box = QRectF(option.rect).adjusted(4, 4, -4, -2);
    beginCard(*p, box, c.raised);
    const QRectF picture = box.adjusted(0, 0, 0, -(2 * kLine + 5));
    p->fillRect(picture, c.well);
    p->setOpacity(index.data(SetTiles::DimmedRole).toBool() ? 0.35 : 1);
    if (pairs_) {
        const double half = (picture.width() - 2) / 2;
        drawFilling(*p, {picture.left(), picture.top(), half, picture.height()},
                    index.data(Qt::DecorationRole).value<QImage>());
        drawFilling(*p, {picture.left() + half + 2, picture.top(), half, picture.height()},
                    index.data(SetTiles::SecondImageRole).value<QImage>());
    } else {
        drawFitted(*p, picture, index.data(Qt::DecorationRole).value<QImage>());
    }
    p->setOpacity(1);
    QFont small = option.font;
    small.setPixelSize(11);
    p->setFont(small);
    const QRectF name(box.left() + 6, picture.bottom() + 2, box.width() - 12, kLine);
    p->setPen(c.text);
    p->drawText(name, Qt::AlignVCenter, elided(index.data().toString(), static_cast<int>(name.width())));
    p->setPen(index.data(SetTiles::ProblemRole).toBool() ? c.error : c.second);
    p->drawText(name.translated(0, kLine), Qt::AlignVCenter, elided(line, static_cast<int>(name.width())));
    endCard(*p, box, isChosen, isUnderHand);
}

QListView* makeSetList(SetTiles* tiles, const QString& name, bool pairs) {
    auto* list = new QListView;
    list->setObjectName(QStringLiteral("survey"));
    list->setAccessibleName(name);
    auto* delegate = new SetTilesDelegate(list);
    delegate->setPairs(pairs);
    list->setModel(tiles);
    list->setItemDelegate(delegate);
    list->setFlow(QListView::LeftToRight);
    list->setWrapping(true);
    list->setResizeMode(QListView::Adjust);
    list->setMouseTracking(true);
    list->setFrameShape(QFrame::NoFrame);
    list->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn);
    list->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    return list;
}

} // namespace baryton
