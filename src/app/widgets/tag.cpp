#include "app/widgets/tag.h"

namespace baryton {

void drawTag(QPainter& painter, const QRectF& over, const QString& text, Qt::Alignment side) {
    if (text.isEmpty()) return;
    const QSizeF size(painter.fontMetrics().horizontalAdvance(text) + 16, 20);
    const double x = side & Qt::AlignRight ? over.right() - size.width() - 8 : over.left() + 8;
    const double y = side & Qt::AlignBottom ? over.bottom() - size.height() - 8 : over.top() + 8;
    const QRectF box(QPointF(x, y), size);
    painter.setPen(Qt::NoPen);
    painter.setBrush(QColor(0, 0, 0, 170));
    painter.drawRoundedRect(box, 4, 4);
    painter.setPen(Qt::white);
    painter.drawText(box, Qt::AlignCenter, text);
}

} // namespace baryton
