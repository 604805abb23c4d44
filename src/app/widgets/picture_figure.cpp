#include "app/widgets/picture_figure.h"

#include <QPainter>
#include <algorithm>

namespace baryton {

void drawFigure(QPainter& p, const PictureFigure& figure, const std::function<QPointF(QPointF share)>& place) {
    p.setRenderHint(QPainter::Antialiasing);
    p.setBrush(Qt::NoBrush);
    for (const PictureFigure::Line& line : figure.lines) {
        QPolygonF points;
        for (const QPointF& each : line.points) points.append(place(each));
        const QColor dark(0, 0, 0, line.isFaint ? 70 : 130), light(255, 255, 255, line.isFaint ? 110 : 220);
        for (const QPen& pen : {QPen(dark, 3), QPen(light, 1)}) {
            p.setPen(pen);
            p.drawPolyline(points);
        }
        if (line.label.isEmpty() || points.isEmpty()) continue;
        const QPointF top = *std::min_element(points.begin(), points.end(),
                                              [](const QPointF& a, const QPointF& b) { return a.y() < b.y(); });
        // One that leaves the picture at the top has no place for its word.
        if (top.y() < place({0, 0}).y()) continue;
        const QRectF word(top + QPointF(-30, 1), QSizeF(60, 14));
        p.setPen(dark);
        p.drawText(word.translated(1, 1), Qt::AlignHCenter | Qt::AlignTop, line.label);
        p.setPen(light);
        p.drawText(word, Qt::AlignHCenter | Qt::AlignTop, line.label);
    }
    constexpr double radius = 4;
    for (const QPointF& handle : figure.handles) {
        for (const QPen& pen : {QPen(QColor(0, 0, 0, 150), 3), QPen(Qt::white, 1.5)}) {
            p.setPen(pen);
            p.drawEllipse(place(handle), radius, radius);
        }
    }
}

} // namespace baryton
