#include "app/grade/framed_image.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

namespace baryton {

QPointF rotated(QPointF p, double degrees) {
    const double c = std::cos(degrees * M_PI / 180), s = std::sin(degrees * M_PI / 180);
    return {p.x() * c - p.y() * s, p.x() * s + p.y() * c};
}

QImage orientedImage(const QImage& whole, const Orientation& o) {
    const QImage image = o.mirrored ? whole.mirrored(true, false) : whole;
    return o.quarterTurns != 0 ? image.transformed(QTransform().rotate(90 * o.quarterTurns)) : image;
}

QTransform turnedAbout(QPointF middle, double scale, const FrameSettings& frame, QSize picture) {
    QTransform to;
    to.translate(middle.x(), middle.y());
    to.rotate(frame.angle);
    to.scale(scale, scale);
    to.translate(-picture.width() / 2.0, -picture.height() / 2.0);
    if (frame.turn.isNone()) return to;
    const Mat3 m = inverse(straightToPicture(frame.turn, picture.width(), picture.height()));
    return QTransform(m[0], m[3], m[6], m[1], m[4], m[7], m[2], m[5], m[8]) * to;
}

namespace {

FrameSettings upright(const FrameSettings& frame) {
    FrameSettings inOriented = frame;
    inOriented.orientation = {};
    return inOriented;
}

} // namespace

Placement placementIn(const FrameSettings& frame, QSize oriented) {
    return placementOf(upright(frame), oriented.width(), oriented.height());
}

QSize orientedSize(const FrameSettings& frame, QSize picture) {
    return frame.orientation.swapsSides() ? picture.transposed() : picture;
}

QSize framedSize(const FrameSettings& frame, QSize picture) {
    const Placement p = placementIn(frame, orientedSize(frame, picture));
    return {p.width, p.height};
}

QImage framedImage(const QImage& whole, const FrameSettings& frame, QSize picture, QSize room) {
    const QSize size = orientedSize(frame, picture);
    const Placement p = placementIn(frame, size);
    const double scale = std::min({double(room.width()) / p.width, double(room.height()) / p.height, 1.0});
    QImage framed((QSizeF(p.width, p.height) * scale).toSize().expandedTo({1, 1}), QImage::Format_RGB32);
    const QPointF centre = rotated({p.centreX - size.width() / 2.0, p.centreY - size.height() / 2.0}, frame.angle);
    QPainter painter(&framed);
    painter.setRenderHints(QPainter::SmoothPixmapTransform | QPainter::Antialiasing);
    painter.setTransform(
        turnedAbout(QPointF(framed.width() / 2.0, framed.height() / 2.0) - centre * scale, scale, frame, size));
    painter.drawImage(QRectF(QPointF(), size), orientedImage(whole, frame.orientation));
    return framed;
}

} // namespace baryton
