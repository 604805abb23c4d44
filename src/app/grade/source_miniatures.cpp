#include "app/grade/source_miniatures.h"
#include "app/theme/theme.h"
#include "stages/source.h"

#include <QPainter>
#include <QPainterPath>
#include <QTransform>
#include <algorithm>
#include <utility>

namespace baryton {

void paintFrame(QPainter& p, const QRectF& r, const Stage& stage) {
    const auto& c = theme::colours();
    int width = 300, height = 200; // a sheet like most pictures
    if (frameOf(stage).orientation.swapsSides()) std::swap(width, height);
    const double scale = std::min(r.width() / width, r.height() / height) * 0.86;
    FrameSettings frame = frameOf(stage);
    frame.orientation = {}; // the sheet stands as it turned it
    const Placement placement = placementOf(frame, width, height);
    // About the sheet's middle, as it is seen: turned by the angle.
    QTransform seen;
    seen.translate(r.center().x(), r.center().y());
    seen.scale(scale, scale);
    seen.rotate(frame.angle);
    seen.translate(-width / 2.0, -height / 2.0);
    const Mat3 perspective = straightToPicture(frame.turn, width, height);
    QPolygonF sheet;
    for (const PlacedPoint corner :
         {PlacedPoint{0, 0}, {double(width), 0}, {double(width), double(height)}, {0, double(height)}}) {
        const PlacedPoint at = toStraight(perspective, corner, width, height);
        sheet.append(seen.map(QPointF(at.x, at.y)));
    }
    const QPointF middle = seen.map(QPointF(placement.centreX, placement.centreY));
    const QSizeF size = QSizeF(placement.width, placement.height) * scale;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setClipRect(r);
    p.setPen(Qt::NoPen);
    p.setBrush(c.well);
    p.drawPolygon(sheet);
    p.setPen(QPen(c.accentLight, 1.2));
    p.setBrush(c.faint);
    p.drawRect(QRectF(middle - QPointF(size.width() / 2, size.height() / 2), size));
    p.restore();
}

void paintLens(QPainter& p, const QRectF& r, const Stage& stage) {
    const auto& c = theme::colours();
    const LensSettings lens = lensOf(stage);
    const QRectF straight = QRectF(0, 0, r.height() * 1.2, r.height() * 0.8)
                                .translated(r.center() - QPointF(r.height() * 0.6, r.height() * 0.4));
    // What lenses do to a wide picture, and what was set by hand.
    const double bow = straight.height() * (0.16 * lens.distortion + 1.6 * lens.barrel);
    QPainterPath bent(straight.topLeft());
    bent.quadTo(QPointF(straight.center().x(), straight.top() - bow), straight.topRight());
    bent.quadTo(QPointF(straight.right() + bow, straight.center().y()), straight.bottomRight());
    bent.quadTo(QPointF(straight.center().x(), straight.bottom() + bow), straight.bottomLeft());
    bent.quadTo(QPointF(straight.left() - bow, straight.center().y()), straight.topLeft());
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(c.faint, 2));
    p.drawPath(bent);
    p.setPen(QPen(c.accentLight, 1.2));
    p.drawRect(straight);
    p.restore();
}

} // namespace baryton
