#include "app/widgets/picture_view.h"
#include "app/theme/theme.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {
constexpr double kLargestScale = 16;
constexpr int kMargin = 10; ///< around a fitted picture
} // namespace

PictureView::PictureView(QWidget* parent) : QWidget(parent) {
    setMouseTracking(true);
    setFocusPolicy(Qt::ClickFocus);
    setAccessibleName(tr("Picture"));
    setMinimumSize(240, 180);
}

void PictureView::setPictureSize(QSize size) {
    size_ = size;
    after_ = before_ = {};
    fitted_ = true;
    notice_.clear();
    changed();
}

void PictureView::setImages(const QImage& after, const QImage& before, const Region& region) {
    after_ = after, before_ = before, shown_ = region;
    notice_.clear();
    fresh_ = true;
    update();
}

void PictureView::setCompare(Compare compare) {
    if (compare_ == compare) return;
    compare_ = compare;
    update();
}

void PictureView::setBeforeName(const QString& name) {
    beforeName_ = name;
    update();
}

void PictureView::setNotice(const QString& text) {
    notice_ = text;
    update();
}

double PictureView::fitScale() const {
    if (size_.isEmpty()) return 1;
    const double ratio = devicePixelRatioF();
    return std::min(
        {(width() - 2 * kMargin) * ratio / size_.width(), (height() - 2 * kMargin) * ratio / size_.height(), 1.0});
}

double PictureView::scale() const {
    return fitted_ ? fitScale() : scale_;
}

QPointF PictureView::toPicture(QPointF position) const {
    const double s = scale() / devicePixelRatioF();
    const QPointF middle = fitted_ ? QPointF(size_.width() / 2.0, size_.height() / 2.0) : centre_;
    return middle + (position - QPointF(width() / 2.0, height() / 2.0)) / s;
}

QPointF PictureView::fromPicture(QPointF picture) const {
    const double s = scale() / devicePixelRatioF();
    const QPointF middle = fitted_ ? QPointF(size_.width() / 2.0, size_.height() / 2.0) : centre_;
    return QPointF(width() / 2.0, height() / 2.0) + (picture - middle) * s;
}

PictureView::Region PictureView::region() const {
    Region r;
    if (size_.isEmpty() || width() <= 0) return r;
    r.scale = scale();
    if (fitted_) {
        r.width = std::max(1, static_cast<int>(std::lround(size_.width() * r.scale)));
        r.height = std::max(1, static_cast<int>(std::lround(size_.height() * r.scale)));
        return r;
    }
    const QPointF a = toPicture({0, 0}), b = toPicture(QPointF(width(), height()));
    // Whole picture pixels from the first that is seen, so that at 100 % nothing is resampled.
    r.left = std::max(0.0, std::floor(a.x()));
    r.top = std::max(0.0, std::floor(a.y()));
    const double right = std::min<double>(size_.width(), std::ceil(b.x())),
                 bottom = std::min<double>(size_.height(), std::ceil(b.y()));
    r.width = std::max(1, static_cast<int>(std::lround((right - r.left) * r.scale)));
    r.height = std::max(1, static_cast<int>(std::lround((bottom - r.top) * r.scale)));
    return r;
}

QRectF PictureView::target(const Region& region) const {
    const QPointF topLeft = fromPicture({region.left, region.top});
    const double zoom = scale() / region.scale / devicePixelRatioF();
    return {topLeft, QSizeF(region.width * zoom, region.height * zoom)};
}

void PictureView::hold() {
    const double s = scale() / devicePixelRatioF();
    const auto held = [](double value, double span, double view) {
        return span <= view ? span / 2 : std::clamp(value, view / 2, span - view / 2);
    };
    centre_ = {held(centre_.x(), size_.width(), width() / s), held(centre_.y(), size_.height(), height() / s)};
    // On whole device pixels, so that 100 % is sharp.
    centre_ = {std::round(centre_.x() * s) / s, std::round(centre_.y() * s) / s};
}

void PictureView::changed() {
    update();
    Q_EMIT regionChanged();
    Q_EMIT zoomChanged();
}

void PictureView::fit() {
    fitted_ = true;
    changed();
}

void PictureView::zoomTo(double newScale, std::optional<QPointF> about) {
    if (size_.isEmpty()) return;
    newScale = std::clamp(newScale, fitScale(), kLargestScale);
    const QPointF at = about.value_or(QPointF(width() / 2.0, height() / 2.0));
    const QPointF fixed = toPicture(at);
    fitted_ = newScale <= fitScale() * 1.0001 && newScale < 1;
    scale_ = newScale;
    centre_ = fixed - (at - QPointF(width() / 2.0, height() / 2.0)) * devicePixelRatioF() / scale_;
    hold();
    changed();
}

double PictureView::wipeX() const {
    const QRectF seen = target(region()).intersected(QRectF(rect()));
    return seen.left() + wipe_ * seen.width();
}

void PictureView::drawTag(QPainter& painter, const QString& text, Qt::Alignment side) const {
    const QRectF seen = target(region()).intersected(QRectF(rect()));
    const QSizeF size(painter.fontMetrics().horizontalAdvance(text) + 16, 20);
    const double x = side & Qt::AlignRight ? seen.right() - size.width() - 8 : seen.left() + 8;
    const QRectF box(QPointF(x, seen.top() + 8), size);
    painter.setPen(Qt::NoPen);
    painter.setBrush(QColor(0, 0, 0, 160));
    painter.drawRoundedRect(box, 4, 4);
    painter.setPen(Qt::white);
    painter.drawText(box, Qt::AlignCenter, text);
}

void PictureView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    p.fillRect(rect(), c.surround);
    if (!after_.isNull()) {
        const QRectF where = target(shown_);
        const bool stale = shown_ != region();
        p.setRenderHint(QPainter::SmoothPixmapTransform, stale && shown_.scale < 1);
        const bool canCompare = !before_.isNull();
        p.drawImage(where, compare_ == Compare::Before && canCompare ? before_ : after_);
        if (compare_ == Compare::Wipe && canCompare) {
            const double x = wipeX();
            p.save();
            p.setClipRect(QRectF(0, 0, x, height()));
            p.drawImage(where, before_);
            p.restore();
            p.setRenderHint(QPainter::Antialiasing);
            p.setPen(QPen(Qt::white, 1));
            const QRectF seen = where.intersected(QRectF(rect()));
            p.drawLine(QPointF(x, seen.top()), QPointF(x, seen.bottom()));
            p.setPen(QPen(c.well, 1));
            p.setBrush(Qt::white);
            p.drawEllipse(QPointF(x, seen.center().y()), 8, 8);
            drawTag(p, beforeName_, Qt::AlignLeft);
            drawTag(p, tr("now"), Qt::AlignRight);
        }
        if (compare_ == Compare::Before && canCompare) drawTag(p, beforeName_, Qt::AlignLeft);
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

void PictureView::resizeEvent(QResizeEvent*) {
    if (!fitted_) hold();
    changed();
}

void PictureView::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton && event->button() != Qt::MiddleButton) return;
    dragAt_ = event->position();
    drag_ = compare_ == Compare::Wipe && std::abs(dragAt_.x() - wipeX()) < 10 ? Drag::Wipe : Drag::Pan;
}

void PictureView::mouseMoveEvent(QMouseEvent* event) {
    const QPointF at = event->position();
    if (drag_ == Drag::Wipe) {
        const QRectF seen = target(region()).intersected(QRectF(rect()));
        wipe_ = std::clamp((at.x() - seen.left()) / std::max(1.0, seen.width()), 0.0, 1.0);
        update();
    } else if (drag_ == Drag::Pan && !fitted_) {
        centre_ -= (at - dragAt_) * devicePixelRatioF() / scale_;
        dragAt_ = at;
        hold();
        changed();
    }
    const bool onLine = compare_ == Compare::Wipe && std::abs(at.x() - wipeX()) < 10;
    setCursor(onLine || drag_ == Drag::Wipe ? Qt::SplitHCursor : fitted_ ? Qt::ArrowCursor : Qt::OpenHandCursor);
    const QPointF picture = toPicture(at);
    if (QRectF(QPointF(), QSizeF(size_)).contains(picture))
        Q_EMIT pointed(picture);
    else
        Q_EMIT pointerLeft();
}

void PictureView::mouseReleaseEvent(QMouseEvent*) {
    drag_ = Drag::None;
}

void PictureView::mouseDoubleClickEvent(QMouseEvent* event) {
    fitted_ ? zoomTo(1, event->position()) : fit();
}

void PictureView::wheelEvent(QWheelEvent* event) {
    constexpr double perNotch = 1.25;
    zoomTo(scale() * std::pow(perNotch, event->angleDelta().y() / 120.0), event->position());
    event->accept();
}

void PictureView::leaveEvent(QEvent*) {
    Q_EMIT pointerLeft();
}

} // namespace baryton
