#include "app/widgets/still_text.h"
#include "app/theme/theme.h"

#include <QPainter>
#include <QTextLayout>
#include <cmath>

namespace baryton {

StillText::StillText(int lines, QWidget* parent) : QWidget(parent), lines_(lines) {
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
}

void StillText::setText(const QString& text) {
    if (text == text_) return;
    text_ = text;
    setToolTip(text);
    setAccessibleName(text);
    update();
}

void StillText::setAlignment(Qt::Alignment alignment) {
    alignment_ = alignment;
    update();
}

QSize StillText::sizeHint() const {
    return {120, static_cast<int>(std::ceil(lines_ * QFontMetricsF(font()).lineSpacing()))};
}

void StillText::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setPen(theme::colours().second);
    const QFontMetricsF metrics(font());
    double y = 0;
    int line = 0;
    isCut_ = false;
    for (const QString& paragraph : text_.split(u'\n')) {
        QTextLayout layout(paragraph, font());
        layout.beginLayout();
        for (QTextLine part = layout.createLine(); part.isValid(); part = layout.createLine()) {
            if (line == lines_) {
                isCut_ = true;
                break;
            }
            part.setLineWidth(width());
            QString shown = paragraph.mid(part.textStart(), part.textLength());
            const bool goesOn = part.textStart() + part.textLength() < paragraph.size() ||
                                !text_.endsWith(paragraph); // more than the last line can hold
            if (++line == lines_ && goesOn) {
                isCut_ = true;
                shown = metrics.elidedText(paragraph.mid(part.textStart()) + QChar(0x2026), Qt::ElideRight, width());
            }
            p.drawText(QRectF(0, y, width(), metrics.lineSpacing()), alignment_ | Qt::AlignVCenter, shown.trimmed());
            y += metrics.lineSpacing();
        }
        layout.endLayout();
    }
}

void StillText::changeEvent(QEvent* event) {
    if (event->type() == QEvent::FontChange || event->type() == QEvent::StyleChange) updateGeometry();
    QWidget::changeEvent(event);
}

} // namespace baryton
