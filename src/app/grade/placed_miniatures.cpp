#include "app/grade/placed_miniatures.h"
#include "app/carried_files.h"
#include "app/theme/theme.h"
#include "stages/overlay.h"
#include "stages/stage_type.h"

#include <QRadialGradient>
#include <algorithm>
#include <numbers>

namespace baryton {

void paintVignette(QPainter& p, const QRectF& r, const Stage& stage) {
    const ParameterReader read(*findStageType(stage.type), stage);
    const auto& c = theme::colours();
    const double dark = std::clamp(-read.number("stops") / 2, -1.0, 1.0);
    const QColor edge = dark >= 0 ? QColor(0, 0, 0, static_cast<int>(220 * dark))
                                  : QColor(255, 255, 255, static_cast<int>(-200 * dark));
    p.setPen(QPen(c.second, 1));
    p.setBrush(QColor(0x6a, 0x6a, 0x6a));
    p.drawRect(r);
    const QPointF centre(r.left() + read.number("centre.x") * r.width(),
                         r.top() + read.number("centre.y") * r.height());
    p.save();
    p.setClipRect(r);
    p.translate(centre);
    p.rotate(read.number("turn"));
    p.scale(read.number("radius.x") * r.width() / 2, read.number("radius.y") * r.height() / 2);
    QRadialGradient gradient(QPointF(), 1.4);
    gradient.setColorAt(std::clamp((1 - read.number("falloff")) / 1.4, 0.0, 0.9),
                        QColor(edge.red(), edge.green(), edge.blue(), 0));
    gradient.setColorAt(1, edge);
    p.fillRect(QRectF(-20, -20, 40, 40), gradient);
    p.restore();
}

void paintOverlay(QPainter& p, const QRectF& r, const Stage& stage) {
    const ParameterReader read(*findStageType(stage.type), stage);
    const auto& c = theme::colours();
    constexpr double aspect = 1.5;
    const double height = r.height() * 0.9;
    const QRectF frame(r.center() - QPointF(height * aspect / 2, height / 2), QSizeF(height * aspect, height));
    p.fillRect(frame, QColor(0x60, 0x60, 0x60));
    const OverlayPlace place = overlayPlace(stage, aspect);
    constexpr int side = 96;
    const QImage image = carriedThumbnail(read.picture("picture"), side);
    if (place.width == 0 || image.isNull()) return;
    p.save();
    p.setClipRect(frame);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.translate(frame.topLeft() + QPointF(place.centreX, place.centreY) * height);
    p.rotate(place.turn * 180 / std::numbers::pi);
    if (read.toggle("mirror")) p.scale(-1, 1);
    const QSizeF size(place.width * height, place.height * height);
    const QRectF at(QPointF(-size.width() / 2, -size.height() / 2), size);
    p.drawImage(at, image);
    p.setPen(QPen(c.text, 1));
    p.drawRect(at);
    p.restore();
}

} // namespace baryton
