// How a view is painted: its panes, what lies over them, and the marks of what is clipped.
#include "app/theme/theme.h"
#include "app/widgets/picture_view.h"
#include "app/widgets/tag.h"

#include <QPainter>

namespace baryton {

void PictureView::makeClips() {
    clips_ = {};
    if ((!clipShadows_ && !clipHighlights_) || after_.isNull()) return;
    clips_ = QImage(after_.size(), QImage::Format_ARGB32_Premultiplied);
    for (int y = 0; y < after_.height(); ++y) {
        const auto* in = reinterpret_cast<const QRgb*>(after_.constScanLine(y));
        auto* out = reinterpret_cast<QRgb*>(clips_.scanLine(y));
        for (int x = 0; x < after_.width(); ++x) {
            const int r = qRed(in[x]), g = qGreen(in[x]), b = qBlue(in[x]);
            out[x] = 0;
            if (clipHighlights_ && (r == 255 || g == 255 || b == 255)) {
                const bool all = r == 255 && g == 255 && b == 255;
                const bool dark = all && (x + y) / 3 % 2; // stripes: white alone would not be seen on white
                out[x] = dark ? qRgb(20, 20, 20) : qRgb(r == 255 ? 255 : 0, g == 255 ? 255 : 0, b == 255 ? 255 : 0);
            } else if (clipShadows_ && (r == 0 || g == 0 || b == 0)) {
                const bool all = r == 0 && g == 0 && b == 0;
                const bool light = all && (x - y + after_.height()) / 3 % 2;
                out[x] = light ? qRgb(150, 150, 150)
                               : qRgb(r == 0 && !all ? 150 : 0, g == 0 && !all ? 150 : 0, b == 0 && !all ? 150 : 0);
            }
        }
    }
}

void PictureView::fillAround(QPainter& p) const {
    QRegion ground(rect());
    // Most of the view lies beneath the picture, with every frame.
    if (!showsWholeBefore() && !after_.isNull()) {
        const QRect whole = target(shown_).toRect(); // its own pixels fill it
        if (!after_.hasAlphaChannel()) ground -= whole.adjusted(1, 1, -1, -1) & pane(1).toRect();
    }
    for (const QRect& each : ground) p.fillRect(each, theme::surround());
}

void PictureView::drawPane(QPainter& p, int which, const QImage& image) const {
    const QRectF room = pane(which);
    p.save();
    p.setClipRect(room);
    p.drawImage(target(shown_).translated(room.center() - pane(1).center()), image);
    p.restore();
}

void PictureView::drawMarks(QPainter& p) const {
    p.setRenderHint(QPainter::Antialiasing);
    for (const Mark& mark : marks_) {
        const QPointF at = fromPicture(mark.picture);
        if (!pane(1).contains(at)) continue;
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(QColor(0, 0, 0, 170), 3.5));
        p.drawEllipse(at, 6, 6);
        p.setPen(QPen(Qt::white, 1.5));
        p.drawEllipse(at, 6, 6);
        drawTag(p, QRectF(at + QPointF(2, -4), QSizeF(60, 40)), mark.label, Qt::AlignLeft);
    }
}

QRectF PictureView::drawFitted(QPainter& p, int which, const QImage& image) const {
    const QRectF room = pane(which).adjusted(kFitMargin, kFitMargin, -kFitMargin, -kFitMargin);
    const QSizeF size = QSizeF(image.size()).scaled(room.size(), Qt::KeepAspectRatio);
    const QRectF where(room.center() - QPointF(size.width() / 2, size.height() / 2), size);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.drawImage(where, image);
    return where;
}

void PictureView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    fillAround(p);
    if (showsWholeBefore()) {
        drawTag(p, drawFitted(p, 1, wholeBefore_), beforeName_, Qt::AlignLeft);
    } else if (!after_.isNull()) {
        const bool stale = shown_ != region();
        p.setRenderHint(QPainter::SmoothPixmapTransform, stale && shown_.scale < 1);
        const bool canCompare = !before_.isNull();
        drawPane(p, 1, compare_ == Compare::Before && canCompare ? before_ : after_);
        if (!clips_.isNull() && compare_ != Compare::Before) drawPane(p, 1, clips_);
        if (!veil_.isNull() && compare_ != Compare::Before) drawPane(p, 1, veil_);
        if (!shade_.isNull() && compare_ != Compare::Before) {
            p.save();
            p.setClipRect(pane(1));
            p.setRenderHint(QPainter::SmoothPixmapTransform);
            p.drawImage(QRectF(fromPicture({0, 0}), fromPicture(QPointF(size_.width(), size_.height()))), shade_);
            p.restore();
        }
        const QRectF area = seen();
        if (isWiping() && canCompare) {
            const bool across = compare_ == Compare::WipeAcross;
            const QPointF line(area.left() + wipe_ * area.width(), area.top() + wipe_ * area.height());
            p.save();
            p.setClipRect(across ? QRectF(0, 0, width(), line.y()) : QRectF(0, 0, line.x(), height()));
            p.drawImage(target(shown_), before_);
            p.restore();
            p.setRenderHint(QPainter::Antialiasing);
            p.setPen(QPen(Qt::white, 1));
            if (across)
                p.drawLine(QPointF(area.left(), line.y()), QPointF(area.right(), line.y()));
            else
                p.drawLine(QPointF(line.x(), area.top()), QPointF(line.x(), area.bottom()));
            p.setPen(QPen(c.well, 1));
            p.setBrush(Qt::white);
            p.drawEllipse(across ? QPointF(area.center().x(), line.y()) : QPointF(line.x(), area.center().y()), 8, 8);
            drawTag(p, area, beforeName_, Qt::AlignLeft);
            drawTag(p, area, nowName(), across ? Qt::AlignLeft | Qt::AlignBottom : Qt::AlignRight);
        }
        if (compare_ == Compare::Beside && (canCompare || !wholeBefore_.isNull())) {
            QRectF where = area.translated(pane(0).center() - pane(1).center());
            if (wholeBefore_.isNull())
                drawPane(p, 0, before_);
            else
                where = drawFitted(p, 0, wholeBefore_);
            drawTag(p, where, beforeName_, Qt::AlignLeft);
            drawTag(p, area, nowName(), Qt::AlignLeft);
        }
        if (compare_ == Compare::Before && canCompare)
            drawTag(p, area, beforeName_, Qt::AlignLeft);
        else
            drawTag(p, area, tag_, Qt::AlignRight);
        if (compare_ != Compare::Before) {
            p.save();
            p.setClipRect(pane(1));
            drawFigure(p, figure_, [this](QPointF share) {
                return fromPicture({share.x() * size_.width(), share.y() * size_.height()});
            });
            p.restore();
        }
        drawMarks(p);
    }
    if (compare_ == Compare::Reference) drawTag(p, drawFitted(p, 0, reference_), referenceName_, Qt::AlignLeft);
    if (isShared_) {
        constexpr double width = 4; // less than the margin: a fitted picture is left free
        p.setRenderHint(QPainter::Antialiasing, false);
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(c.accent, width, Qt::SolidLine, Qt::SquareCap, Qt::MiterJoin));
        p.drawRect(QRectF(rect()).adjusted(width / 2, width / 2, -width / 2, -width / 2));
    }
    if (!notice_.isEmpty()) {
        p.setPen(c.second);
        p.drawText(rect().adjusted(40, 40, -40, -40), Qt::AlignCenter | Qt::TextWordWrap, notice_);
    }
    if (fresh_) {
        fresh_ = false;
        Q_EMIT painted();
    }
}

} // namespace baryton
