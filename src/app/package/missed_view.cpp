#include "app/package/missed_view.h"
#include "app/theme/theme.h"
#include "app/widgets/sheet.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QVBoxLayout>
#include <algorithm>
#include <array>
#include <cmath>

namespace baryton {

QImage imageOfMissed(const Picture& missed, double white) {
    // Black, amber, white: lighter is farther for every eye.
    const QColor amber = theme::colours().accent;
    const auto mixed = [](int a, int b, double share) { return a + static_cast<int>(std::lround((b - a) * share)); };
    std::array<QRgb, 256> colours{};
    for (std::size_t i = 0; i < colours.size(); ++i) {
        const double at = static_cast<double>(i) / 255 * 2;
        colours[i] = at < 1 ? qRgb(mixed(0, amber.red(), at), mixed(0, amber.green(), at), mixed(0, amber.blue(), at))
                            : qRgb(mixed(amber.red(), 255, at - 1), mixed(amber.green(), 255, at - 1),
                                   mixed(amber.blue(), 255, at - 1));
    }
    QImage image(missed.width(), missed.height(), QImage::Format_RGB32);
    for (int y = 0; y < missed.height(); ++y) {
        auto* out = reinterpret_cast<QRgb*>(image.scanLine(y));
        for (int x = 0; x < missed.width(); ++x)
            out[x] = colours[static_cast<std::size_t>(
                std::lround(std::clamp(missed.row(0, y)[x] / white, 0.0, 1.0) * 255))];
    }
    return image;
}

namespace {

/// Side by side, all as high, within the room.
QVector<QRectF> placesOf(const QVector<QImage>& images, const QRectF& room, double gap) {
    double across = 0;
    for (const QImage& image : images) across += double(image.width()) / image.height();
    QVector<QRectF> places;
    if (images.isEmpty()) return places;
    const double gaps = gap * static_cast<double>(images.size() - 1);
    const double high = std::min(room.height(), (room.width() - gaps) / across);
    double x = room.center().x() - (across * high + gaps) / 2;
    for (const QImage& image : images) {
        const double wide = high * image.width() / image.height();
        places.append({x, room.center().y() - high / 2, wide, high});
        x += wide + gap;
    }
    return places;
}

/// The same, as large as a sheet is.
class LargeMissed : public QWidget {
public:
    explicit LargeMissed(QVector<QImage> images) : images_(std::move(images)) { setMinimumSize(900, 480); }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.fillRect(rect(), theme::colours().well);
        p.setRenderHint(QPainter::SmoothPixmapTransform);
        // In as many rows as make them largest.
        QVector<QRectF> best;
        for (int rows = 1; rows <= images_.size(); ++rows) {
            QVector<QRectF> places;
            const auto each = (images_.size() + rows - 1) / rows;
            constexpr double gap = 8;
            const double high = (height() - gap * (rows + 1)) / rows;
            for (int row = 0; row < rows; ++row)
                places += placesOf(images_.mid(row * each, each),
                                   {gap, gap + row * (high + gap), width() - 2 * gap, high}, gap);
            if (places.size() < images_.size()) continue;
            if (best.isEmpty() || places.front().height() > best.front().height()) best = places;
        }
        for (int i = 0; i < images_.size(); ++i) p.drawImage(best[i], images_[i]);
    }

private:
    QVector<QImage> images_;
};

class MissedSheet : public Sheet {
public:
    MissedSheet(QVector<QImage> images, QWidget* parent)
        : Sheet(MissedView::tr("Where the LUT misses"), QStringLiteral("guide/package#") + MissedView::tr("As a LUT"),
                parent) {
        addNote(MissedView::tr("How far the LUT is from the Look at each pixel: black is nothing, amber ΔE ½, white "
                               "ΔE 1 and more."));
        rows()->addWidget(new LargeMissed(std::move(images)), 1);
        addCloseFoot("");
    }
};

} // namespace

MissedView::MissedView(QWidget* parent) : QWidget(parent) {
    setFocusPolicy(Qt::TabFocus);
    setCursor(Qt::PointingHandCursor);
    setAccessibleName(tr("Where the LUT misses"));
    setToolTip(
        tr("How far the LUT is from the Look at each pixel: black is nothing, white is ΔE 1 and more. Press to "
           "see it large"));
}

void MissedView::setImages(const QVector<QImage>& images) {
    images_ = images;
    update();
}

void MissedView::showLarge() {
    if (!images_.isEmpty()) (new MissedSheet(images_, window()))->open();
}

void MissedView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    p.fillRect(rect(), c.well);
    if (images_.isEmpty()) {
        p.setPen(c.second);
        p.drawText(rect(), Qt::AlignCenter, tr("Measuring…"));
    }
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    constexpr double edge = 6;
    const QRectF room = QRectF(rect()).adjusted(edge, edge, -edge, -edge);
    // As many as have room at full height; all of them are in the large view.
    qsizetype count = std::min<qsizetype>(images_.size(), 1);
    while (count < images_.size() &&
           placesOf(images_.mid(0, count + 1), room, edge).front().height() >= room.height())
        ++count;
    const QVector<QRectF> places = placesOf(images_.mid(0, count), room, edge);
    for (qsizetype i = 0; i < count; ++i) p.drawImage(places[i], images_[i]);
    if (!hasFocus()) return;
    p.setPen(QPen(c.accent, 1));
    p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
}

void MissedView::mouseReleaseEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton && rect().contains(event->position().toPoint())) showLarge();
}

void MissedView::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter || event->key() == Qt::Key_Space)
        showLarge();
    else
        QWidget::keyPressEvent(event);
}

} // namespace baryton
