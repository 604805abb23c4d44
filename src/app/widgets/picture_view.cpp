#include "app/widgets/picture_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {
constexpr double kLargestScale = 16;
} // namespace

PictureView::PictureView(QWidget* parent) : QWidget(parent) {
    setMouseTracking(true);
    setFocusPolicy(Qt::ClickFocus);
    setAttribute(Qt::WA_OpaquePaintEvent); // nothing beneath need be painted with every frame
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
    makeClips();
    notice_.clear();
    fresh_ = true;
    update();
}

void PictureView::setCompare(Compare compare) {
    if (compare_ == compare) return;
    const bool wasSplit = isSplit();
    compare_ = compare;
    if (wasSplit != isSplit()) {
        if (!fitted_) hold();
        changed();
    }
    update();
}

void PictureView::setWholeBefore(const QImage& image) {
    if (image.cacheKey() == wholeBefore_.cacheKey()) return;
    wholeBefore_ = image;
    update();
}

void PictureView::setReference(const QImage& image, const QString& name) {
    reference_ = image, referenceName_ = name;
    update();
}

void PictureView::setMarks(const QVector<Mark>& marks) {
    if (marks == marks_) return;
    marks_ = marks;
    update();
}

int PictureView::markAt(QPointF position) const {
    constexpr double reach = 10;
    for (int i = 0; i < marks_.size(); ++i)
        if (QLineF(fromPicture(marks_[i].picture), position).length() < reach) return i;
    return -1;
}

void PictureView::setClipMarks(bool shadows, bool highlights) {
    clipShadows_ = shadows, clipHighlights_ = highlights;
    makeClips();
    update();
}

void PictureView::setLit(const QImage& mask) {
    if (mask.isNull() && shade_.isNull()) return;
    constexpr double darkest = 0.72;
    shade_ = mask.isNull() ? QImage() : QImage(mask.size(), QImage::Format_ARGB32_Premultiplied);
    for (int y = 0; y < shade_.height(); ++y) {
        const uchar* in = mask.constScanLine(y);
        auto* out = reinterpret_cast<QRgb*>(shade_.scanLine(y));
        for (int x = 0; x < shade_.width(); ++x) out[x] = qRgba(0, 0, 0, static_cast<int>(darkest * (255 - in[x])));
    }
    update();
}

void PictureView::setVeil(const QImage& veil) {
    if (veil.isNull() && veil_.isNull()) return;
    veil_ = veil;
    update();
}

void PictureView::setShared(bool shared) {
    if (isShared_ == shared) return;
    isShared_ = shared;
    update();
}

void PictureView::setTag(const QString& text) {
    if (tag_ == text) return;
    tag_ = text;
    update();
}

bool PictureView::isSplit() const {
    return compare_ == Compare::Beside || compare_ == Compare::Reference;
}

bool PictureView::splitsAcross() const {
    if (size_.isEmpty()) return false;
    const auto fits = [this](double w, double h) { return std::min(w / size_.width(), h / size_.height()); };
    return fits(width(), height() / 2.0) > fits(width() / 2.0, height());
}

QRectF PictureView::pane(int which) const {
    if (!isSplit()) return rect();
    if (splitsAcross()) {
        const int half = height() / 2;
        return which == 0 ? QRectF(0, 0, width(), half) : QRectF(0, half, width(), height() - half);
    }
    const int half = width() / 2;
    return which == 0 ? QRectF(0, 0, half, height()) : QRectF(half, 0, width() - half, height());
}

QPointF PictureView::paneMiddle(QPointF position) const {
    const QRectF first = pane(0);
    return isSplit() && compare_ == Compare::Beside && first.contains(position) ? first.center() : pane(1).center();
}

std::optional<QPointF> PictureView::toReference(QPointF position) const {
    if (compare_ != Compare::Reference || reference_.isNull() || !pane(0).contains(position)) return {};
    const QRectF room = pane(0).adjusted(kFitMargin, kFitMargin, -kFitMargin, -kFitMargin);
    const QSizeF size = QSizeF(reference_.size()).scaled(room.size(), Qt::KeepAspectRatio);
    const QPointF at = position - (room.center() - QPointF(size.width() / 2, size.height() / 2));
    const QPointF share(at.x() / size.width(), at.y() / size.height());
    if (!QRectF(0, 0, 1, 1).contains(share)) return {};
    return share;
}

void PictureView::setBeforeName(const QString& name) {
    beforeName_ = name;
    update();
}

void PictureView::setNowName(const QString& name) {
    if (nowName_ == name) return;
    nowName_ = name;
    update();
}

QString PictureView::nowName() const {
    return nowName_.isEmpty() ? tr("now") : nowName_;
}

void PictureView::setNotice(const QString& text) {
    notice_ = text;
    update();
}

double PictureView::fitScale() const {
    if (size_.isEmpty()) return 1;
    const double ratio = devicePixelRatioF();
    const QSizeF room = pane(1).size();
    return std::min({(room.width() - 2 * kFitMargin) * ratio / size_.width(),
                     (room.height() - 2 * kFitMargin) * ratio / size_.height(), 1.0});
}

double PictureView::scale() const {
    return fitted_ ? fitScale() : scale_;
}

QPointF PictureView::toPicture(QPointF position) const {
    const double s = scale() / devicePixelRatioF();
    const QPointF middle = fitted_ ? QPointF(size_.width() / 2.0, size_.height() / 2.0) : centre_;
    return middle + (position - paneMiddle(position)) / s;
}

QPointF PictureView::fromPicture(QPointF picture) const {
    const double s = scale() / devicePixelRatioF();
    const QPointF middle = fitted_ ? QPointF(size_.width() / 2.0, size_.height() / 2.0) : centre_;
    return pane(1).center() + (picture - middle) * s;
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
    const QRectF room = pane(1);
    const QPointF a = toPicture(room.topLeft()), b = toPicture(room.bottomRight());
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
    const QSizeF room = pane(1).size();
    centre_ = {held(centre_.x(), size_.width(), room.width() / s),
               held(centre_.y(), size_.height(), room.height() / s)};
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

void PictureView::showPlace(const Place& place) {
    if (size_.isEmpty()) return;
    fitted_ = place.isFitted, scale_ = place.scale, centre_ = place.centre;
    if (!fitted_) hold();
    changed();
}

void PictureView::zoomTo(double newScale, std::optional<QPointF> about) {
    if (size_.isEmpty()) return;
    newScale = std::clamp(newScale, fitScale(), kLargestScale);
    const QPointF at = about.value_or(pane(1).center());
    const QPointF fixed = toPicture(at);
    fitted_ = newScale <= fitScale() * 1.0001 && newScale < 1;
    scale_ = newScale;
    centre_ = fixed - (at - paneMiddle(at)) * devicePixelRatioF() / scale_;
    hold();
    changed();
}

QRectF PictureView::seen() const {
    return target(region()).intersected(pane(1));
}

bool PictureView::onWipeLine(QPointF position) const {
    constexpr double reach = 10;
    const QRectF area = seen();
    if (compare_ == Compare::Wipe) return std::abs(position.x() - area.left() - wipe_ * area.width()) < reach;
    return compare_ == Compare::WipeAcross && std::abs(position.y() - area.top() - wipe_ * area.height()) < reach;
}

void PictureView::setFigure(const PictureFigure& figure) {
    if (figure == figure_) return;
    figure_ = figure;
    update();
}

void PictureView::resizeEvent(QResizeEvent*) {
    if (!fitted_) hold();
    changed();
}

void PictureView::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton && event->button() != Qt::MiddleButton) return;
    dragAt_ = event->position();
    drag_ = onWipeLine(dragAt_) && !spaceHeld_ ? Drag::Wipe : Drag::Pan;
}

void PictureView::mouseMoveEvent(QMouseEvent* event) {
    const QPointF at = event->position();
    if (drag_ == Drag::Wipe) {
        const QRectF area = seen();
        const double share = compare_ == Compare::Wipe ? (at.x() - area.left()) / std::max(1.0, area.width())
                                                       : (at.y() - area.top()) / std::max(1.0, area.height());
        wipe_ = std::clamp(share, 0.0, 1.0);
        update();
    } else if (drag_ == Drag::Pan && !fitted_) {
        centre_ -= (at - dragAt_) * devicePixelRatioF() / scale_;
        dragAt_ = at;
        hold();
        changed();
    }
    pointerAt_ = at;
    showCursor();
    const QPointF picture = toPicture(at);
    if (!showsWholeBefore() && QRectF(QPointF(), QSizeF(size_)).contains(picture))
        Q_EMIT pointed(picture);
    else
        Q_EMIT pointerLeft();
}

void PictureView::setPressCursor(std::optional<Qt::CursorShape> shape) {
    pressCursor_ = shape;
    showCursor();
}

void PictureView::showCursor() {
    const bool onPicture = QRectF(QPointF(), QSizeF(size_)).contains(toPicture(pointerAt_));
    const bool onLine = drag_ == Drag::Wipe || (drag_ == Drag::None && !spaceHeld_ && onWipeLine(pointerAt_));
    setCursor(onLine                       ? (compare_ == Compare::Wipe ? Qt::SplitHCursor : Qt::SplitVCursor)
              : spaceHeld_                 ? Qt::OpenHandCursor
              : markAt(pointerAt_) >= 0    ? Qt::SizeAllCursor
              : pressCursor_ && onPicture  ? *pressCursor_
              : fitted_ || size_.isEmpty() ? Qt::ArrowCursor
                                           : Qt::OpenHandCursor);
}

void PictureView::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Space) {
        spaceHeld_ = true;
        showCursor();
        return;
    }
    QWidget::keyPressEvent(event);
}

void PictureView::keyReleaseEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Space && !event->isAutoRepeat()) {
        spaceHeld_ = false;
        showCursor();
    }
    QWidget::keyReleaseEvent(event);
}

void PictureView::mouseReleaseEvent(QMouseEvent*) {
    drag_ = Drag::None;
    showCursor();
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

QString PictureView::inWords() const {
    if (size_.isEmpty()) return notice_;
    return tr("%1 by %2 pixels at %3 %").arg(size_.width()).arg(size_.height()).arg(std::lround(scale() * 100));
}

} // namespace baryton
