#include "app/widgets/histogram_view.h"
#include "app/theme/theme.h"

#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

namespace baryton {

HistogramView::HistogramView(QWidget* parent) : QWidget(parent) {
    setMouseTracking(true);
    setAccessibleName(tr("Histogram"));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
}

void HistogramView::setCounts(const QVector<double>& red, const QVector<double>& green, const QVector<double>& blue,
                              double pixels) {
    channels_[0] = red, channels_[1] = green, channels_[2] = blue;
    pixels_ = pixels;
    update();
}

QRectF HistogramView::plot() const {
    return QRectF(rect()).adjusted(0, 0, 0, -1);
}

void HistogramView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    const QRectF area = plot();
    p.fillRect(area, c.well);
    p.setPen(QColor(0x26, 0x26, 0x26));
    for (int i = 1; i < 4; ++i)
        p.drawLine(QPointF(area.left() + area.width() * i / 4, area.top()),
                   QPointF(area.left() + area.width() * i / 4, area.bottom()));
    if (channels_[0].isEmpty()) return;
    p.setRenderHint(QPainter::Antialiasing);
    // The ends are left out of the scale: a clipped sky would press the rest flat.
    double most = 1;
    for (const auto& counts : channels_)
        most = std::max(most, *std::max_element(counts.begin() + 1, counts.end() - 1));
    p.setCompositionMode(QPainter::CompositionMode_Plus);
    const QColor fills[3] = {{0x68, 0x1c, 0x1a}, {0x1c, 0x56, 0x1e}, {0x1c, 0x2a, 0x70}};
    for (int k = 0; k < 3; ++k) {
        QPainterPath path(area.bottomLeft());
        for (int i = 0; i < 256; ++i)
            path.lineTo(area.left() + area.width() * (i + 0.5) / 256,
                        area.bottom() - 0.94 * area.height() * std::sqrt(std::min(1.0, channels_[k][i] / most)));
        path.lineTo(area.bottomRight());
        p.fillPath(path, fills[k]);
    }
    p.setCompositionMode(QPainter::CompositionMode_SourceOver);
    if (pointedLevel_ < 0 || pixels_ <= 0) return;
    const double x = area.left() + area.width() * (pointedLevel_ + 0.5) / 256;
    p.setPen(QPen(c.accent, 1));
    p.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom()));
    const auto share = [&](int k) { return QString::number(100 * channels_[k][pointedLevel_] / pixels_, 'f', 2); };
    const QString text = tr("%1   R %2 %   G %3 %   B %4 %").arg(pointedLevel_).arg(share(0), share(1), share(2));
    p.setPen(c.text);
    p.drawText(area.adjusted(6, 4, -6, 0), Qt::AlignTop | Qt::AlignLeft, text);
}

void HistogramView::mouseMoveEvent(QMouseEvent* event) {
    pointedLevel_ = std::clamp(static_cast<int>(event->position().x() * 256 / std::max(1, width())), 0, 255);
    update();
}

void HistogramView::leaveEvent(QEvent*) {
    pointedLevel_ = -1;
    update();
}

QString HistogramView::inWords() const {
    const auto share = [this](int level) {
        double sum = 0;
        for (const auto& channel : channels_)
            if (channel.size() > level) sum += channel[level];
        return pixels_ > 0 ? std::lround(sum / 3 / pixels_ * 100) : 0;
    };
    return tr("%1 % at black, %2 % at white").arg(share(0)).arg(share(255));
}

} // namespace baryton
