#include "app/grade/frame_view.h"
#include "app/grade/framed_image.h"
#include "app/settings.h"
#include "app/theme/theme.h"
#include "app/widgets/shift_speed.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <array>
#include <cmath>

namespace baryton {

namespace {

constexpr double kAround = 14, kBelow = 22; // px beside the picture, and below it for what the hand can do
constexpr double kReach = 9;                // px, how near to an edge the hand holds it
constexpr double kLeastSide = 24;           // px of the screen

const QString kGuideName = QStringLiteral("frame-guide");

} // namespace

FrameView::FrameView(QWidget* parent) : QWidget(parent), guide_(static_cast<Guide>(keptGuide())) {
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAccessibleName(tr("Frame on the picture"));
    setMinimumSize(120, 90);
}

void FrameView::setPictureSize(QSize size) {
    if (wholeSize_ == size) return;
    wholeSize_ = size;
    setDrawsLines(false);
    whole_ = {};
    orient();
}

void FrameView::setImage(const QImage& whole) {
    whole_ = whole;
    orient();
}

void FrameView::setFrame(const FrameSettings& frame, bool keepsRatio) {
    keepsRatio_ = keepsRatio;
    if (frame_ == frame) return;
    const bool isTurned = frame.orientation != frame_.orientation;
    frame_ = frame;
    found_ = {};
    if (isTurned) lines_.clear(), pressedLines_.clear(), orient();
    update();
}

void FrameView::orient() {
    const Orientation& o = frame_.orientation;
    size_ = orientedSize(frame_, wholeSize_);
    image_ = orientedImage(whole_, o);
    update();
}

void FrameView::setGuide(Guide guide) {
    guide_ = guide;
    rememberLayout(kGuideName, QByteArray::number(static_cast<int>(guide)));
    update();
}

int FrameView::keptGuide() {
    return std::clamp(layoutState(kGuideName).toInt(), 0, static_cast<int>(Guide::None));
}

void FrameView::setFoundLine(const QLineF& line) {
    found_ = line;
    update();
}

void FrameView::drawGuide(QPainter& p, const QRectF& f) const {
    const auto across = [&](double share) {
        p.drawLine(QPointF(f.left(), f.top() + f.height() * share), QPointF(f.right(), f.top() + f.height() * share));
    };
    const auto down = [&](double share) {
        p.drawLine(QPointF(f.left() + f.width() * share, f.top()), QPointF(f.left() + f.width() * share, f.bottom()));
    };
    constexpr double golden = 0.6180339887;
    switch (guide_) {
    case Guide::Thirds:
        for (const double share : {1.0 / 3, 2.0 / 3}) across(share), down(share);
        return;
    case Guide::Golden:
        for (const double share : {1 - golden, golden}) across(share), down(share);
        return;
    case Guide::Diagonals: {
        p.drawLine(f.topLeft(), f.bottomRight());
        p.drawLine(f.bottomLeft(), f.topRight());
        // From each corner the line that halves its right angle.
        const double side = std::min(f.width(), f.height());
        for (const double sx : {-1.0, 1.0})
            for (const double sy : {-1.0, 1.0}) {
                const QPointF corner(sx < 0 ? f.left() : f.right(), sy < 0 ? f.top() : f.bottom());
                p.drawLine(corner, corner - QPointF(sx * side, sy * side));
            }
        return;
    }
    case Guide::Centre:
        across(0.5), down(0.5);
        return;
    case Guide::None:
        return;
    }
}

QRectF FrameView::room() const {
    return QRectF(rect()).adjusted(kAround, kAround, -kAround, -kAround - kBelow);
}

Mat3 FrameView::perspective() const {
    return straightToPicture(frame_.turn, size_.width(), size_.height());
}

QRectF FrameView::turnedBounds() const {
    const double w = size_.width(), h = size_.height();
    const Mat3 map = perspective();
    QRectF bounds;
    for (const PlacedPoint corner : {PlacedPoint{0, 0}, {w, 0}, {0, h}, {w, h}}) {
        const PlacedPoint at = toStraight(map, corner, w, h);
        const QPointF p = rotated({at.x - w / 2, at.y - h / 2}, frame_.angle);
        bounds = bounds.united(QRectF(p, p + QPointF(1e-6, 1e-6))); // it lies around 0
    }
    return bounds;
}

double FrameView::fitScale() const {
    if (grip_.kind != Grip::Kind::None) return pressedScale_; // nothing grows or shrinks under the hand
    if (size_.isEmpty()) return 1;
    const QRectF bounds = turnedBounds();
    return std::min(room().width() / bounds.width(), room().height() / bounds.height());
}

double FrameView::imageScale() const {
    // Of the picture before it is turned: the same image serves all angles.
    const QSizeF area = room().size();
    if (size_.isEmpty()) return 1;
    return std::min({area.width() / size_.width(), area.height() / size_.height(), 1.0}) * devicePixelRatioF();
}

QPointF FrameView::middle() const {
    if (grip_.kind != Grip::Kind::None) return pressedMiddle_;
    return room().center() - (size_.isEmpty() ? QPointF() : turnedBounds().center() * fitScale());
}

QPointF FrameView::turned(QPointF straight) const {
    return middle() +
           rotated(straight - QPointF(size_.width() / 2.0, size_.height() / 2.0), frame_.angle) * fitScale();
}

QPointF FrameView::straight(QPointF position) const {
    return QPointF(size_.width() / 2.0, size_.height() / 2.0) +
           rotated((position - middle()) / fitScale(), -frame_.angle);
}

QRectF FrameView::frameRect() const {
    if (size_.isEmpty()) return {};
    const Placement p = placementIn(frame_, size_);
    const QSizeF size = QSizeF(p.width, p.height) * fitScale();
    return {turned({p.centreX, p.centreY}) - QPointF(size.width() / 2, size.height() / 2), size};
}

bool FrameView::fits(const QRectF& rect) const {
    const QPointF centre = straight(rect.center());
    const QSizeF size = rect.size() / fitScale();
    return fitsPicture(centre.x(), centre.y(), size.width(), size.height(), frame_.angle, frame_.turn, size_.width(),
                       size_.height());
}

FrameView::Grip FrameView::gripAt(QPointF at) const {
    if (size_.isEmpty()) return {};
    const QRectF frame = frameRect(), outer = frame.adjusted(-kReach, -kReach, kReach, kReach);
    if (!outer.contains(at)) return {Grip::Kind::Turn, 0, 0};
    // Of a small frame a third in the middle still moves it.
    const double reachX = std::min(kReach, frame.width() / 3), reachY = std::min(kReach, frame.height() / 3);
    Grip grip{Grip::Kind::Move, 0, 0};
    grip.x = at.x() < frame.left() + reachX ? -1 : at.x() > frame.right() - reachX ? 1 : 0;
    grip.y = at.y() < frame.top() + reachY ? -1 : at.y() > frame.bottom() - reachY ? 1 : 0;
    if (grip.x != 0 || grip.y != 0) grip.kind = Grip::Kind::Resize;
    return grip;
}

void FrameView::tell(const QRectF& rect, double angle, bool withShape) {
    const QPointF centre = straight(rect.center());
    const double scale = fitScale();
    const FrameSettings next = frameFrom(centre.x(), centre.y(), rect.width() / scale, rect.height() / scale, angle,
                                         frame_.turn, size_.width(), size_.height());
    std::map<std::string, Value> values{{"centre.x", std::clamp(next.x, 0.0, 1.0)},
                                        {"centre.y", std::clamp(next.y, 0.0, 1.0)},
                                        {"size", std::clamp(next.size, 0.05, 1.0)}};
    if (withShape && !keepsRatio_) values["proportions"] = std::clamp(next.proportions, 0.1, 10.0);
    if (angle != frame_.angle) values["angle"] = angle;
    Q_EMIT edited(values, false);
}

void FrameView::moveTo(QPointF offset) {
    // Along the picture's edge where it would leave it: each way as far as it goes.
    QRectF rect = pressedRect_;
    for (const QPointF way : {QPointF(offset.x(), 0), QPointF(0, offset.y())}) {
        double inside = 0, outside = 1;
        if (fits(rect.translated(way))) {
            rect.translate(way);
            continue;
        }
        for (int i = 0; i < 20; ++i) {
            const double share = (inside + outside) / 2;
            (fits(rect.translated(way * share)) ? inside : outside) = share;
        }
        rect.translate(way * inside);
    }
    tell(rect, frame_.angle, false);
}

void FrameView::resizeTo(QPointF at) {
    const QPointF offset = at - pressedAt_;
    const QRectF from = pressedRect_;
    const auto resized = [&](double share) {
        double w = std::max(kLeastSide, from.width() + grip_.x * offset.x() * share);
        double h = std::max(kLeastSide, from.height() + grip_.y * offset.y() * share);
        if (keepsRatio_) {
            const double proportions = from.width() / from.height();
            // The side that is pulled more leads.
            const bool byWidth =
                grip_.y == 0 || (grip_.x != 0 && std::abs(w / from.width() - 1) > std::abs(h / from.height() - 1));
            if (byWidth)
                h = w / proportions;
            else
                w = h * proportions;
        }
        const double left = grip_.x < 0 ? from.right() - w : grip_.x > 0 ? from.left() : from.center().x() - w / 2;
        const double top = grip_.y < 0 ? from.bottom() - h : grip_.y > 0 ? from.top() : from.center().y() - h / 2;
        return QRectF(left, top, w, h);
    };
    double inside = 0, outside = 1;
    if (fits(resized(1))) {
        inside = 1;
    } else {
        for (int i = 0; i < 20; ++i) {
            const double share = (inside + outside) / 2;
            (fits(resized(share)) ? inside : outside) = share;
        }
    }
    tell(resized(inside), frame_.angle, true);
}

void FrameView::turnTo(QPointF at) {
    const auto direction = [&](QPointF p) {
        const QPointF d = p - pressedRect_.center();
        return std::atan2(d.y(), d.x()) * 180 / M_PI;
    };
    turnBy(std::remainder(direction(at) - direction(pressedAt_), 360));
}

void FrameView::levelAlong(QPointF from, QPointF to) {
    constexpr double shortest = 12; // px: a slip of the hand is no line
    const QPointF d = to - from;
    if (std::hypot(d.x(), d.y()) < shortest) return;
    turnBy(-std::remainder(std::atan2(d.y(), d.x()) * 180 / M_PI, 90));
}

void FrameView::turnBy(double by) {
    const double angle = std::clamp(std::round((pressedAngle_ + by) * 10) / 10, -45.0, 45.0);
    // What was in the middle stays there; the frame is as large as it was, or as fits.
    const QPointF centre = QPointF(size_.width() / 2.0, size_.height() / 2.0) +
                           rotated((pressedRect_.center() - middle()) / pressedScale_, -pressedAngle_);
    const FrameSettings next =
        frameFrom(centre.x(), centre.y(), pressedRect_.width() / pressedScale_, pressedRect_.height() / pressedScale_,
                  angle, frame_.turn, size_.width(), size_.height());
    Q_EMIT edited({{"angle", angle}, {"size", std::clamp(next.size, 0.05, 1.0)}}, false);
}

void FrameView::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton || size_.isEmpty()) return;
    pressedRect_ = frameRect();
    pressedMiddle_ = middle();
    pressedScale_ = fitScale();
    pressedAngle_ = frame_.angle;
    pressedAt_ = event->position();
    setFocus();
    if (drawsLines_) return pressForLine(pressedAt_);
    grip_ = event->modifiers() & Qt::ControlModifier ? Grip{Grip::Kind::Level, 0, 0} : gripAt(pressedAt_);
    lineEnd_ = pressedAt_;
    update();
}

void FrameView::mouseMoveEvent(QMouseEvent* event) {
    const QPointF at = event->position();
    switch (grip_.kind) {
    case Grip::Kind::Move:
        return moveTo(at - pressedAt_);
    case Grip::Kind::Resize:
        return resizeTo(at);
    case Grip::Kind::Turn:
        return turnTo(at);
    case Grip::Kind::Level:
        lineEnd_ = at;
        return update();
    case Grip::Kind::Line:
        lines_.pullTo(inPicture(at));
        return update();
    case Grip::Kind::None:
        break;
    }
    if (drawsLines_) return setCursor(Qt::CrossCursor);
    const Grip grip = gripAt(at);
    setCursor(grip.kind == Grip::Kind::Turn     ? Qt::CrossCursor
              : grip.kind != Grip::Kind::Resize ? Qt::SizeAllCursor
              : grip.x == 0                     ? Qt::SizeVerCursor
              : grip.y == 0                     ? Qt::SizeHorCursor
              : grip.x == grip.y                ? Qt::SizeFDiagCursor
                                                : Qt::SizeBDiagCursor);
}

void FrameView::mouseReleaseEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton || grip_.kind == Grip::Kind::None) return;
    if (grip_.kind == Grip::Kind::Level) levelAlong(pressedAt_, lineEnd_);
    if (grip_.kind == Grip::Kind::Line) takeLine();
    grip_ = {};
    update();
    Q_EMIT released();
}

void FrameView::keyPressEvent(QKeyEvent* event) {
    const double step = keySteps(event->modifiers());
    QPointF way;
    switch (event->key()) {
    case Qt::Key_Left:
        way = {-step, 0};
        break;
    case Qt::Key_Right:
        way = {step, 0};
        break;
    case Qt::Key_Up:
        way = {0, -step};
        break;
    case Qt::Key_Down:
        way = {0, step};
        break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        if (drawsLines_) return setDrawsLines(false);
        Q_EMIT doneWanted();
        return;
    case Qt::Key_Escape:
        if (drawsLines_) return setDrawsLines(false);
        QWidget::keyPressEvent(event);
        return;
    case Qt::Key_L:
        return setDrawsLines(!drawsLines_);
    case Qt::Key_Comma:
    case Qt::Key_Period:
        Q_EMIT quarterTurnWanted(event->key() == Qt::Key_Period);
        return;
    case Qt::Key_M:
        Q_EMIT mirrorWanted();
        return;
    case Qt::Key_X:
        Q_EMIT swapWanted();
        return;
    default:
        QWidget::keyPressEvent(event);
        return;
    }
    pressedRect_ = frameRect();
    moveTo(way);
    Q_EMIT released();
}

void FrameView::resizeEvent(QResizeEvent*) {
    Q_EMIT resized();
}

QString FrameView::inWords() const {
    if (size_.isEmpty()) return {};
    const Placement p = placementIn(frame_, size_);
    return tr("%1 × %2 of %3 × %4, turned by %5°")
        .arg(p.width)
        .arg(p.height)
        .arg(size_.width())
        .arg(size_.height())
        .arg(frame_.angle, 0, 'f', 1);
}

void FrameView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    p.fillRect(rect(), theme::surround());
    if (size_.isEmpty() || image_.isNull()) return;
    const double scale = fitScale();
    const QRectF frame = frameRect();
    p.save();
    p.setRenderHints(QPainter::SmoothPixmapTransform | QPainter::Antialiasing);
    const QTransform toScreen = turnedAbout(middle(), scale, frame_, size_);
    p.setTransform(toScreen, true);
    p.drawImage(QRectF(0, 0, size_.width(), size_.height()), image_);
    p.restore();
    // What is outside is seen, but not taken for the picture.
    QPainterPath outside;
    outside.addRect(rect());
    outside.addRect(frame);
    QColor dim = theme::surround();
    dim.setAlpha(185);
    p.fillPath(outside, dim);
    p.setRenderHint(QPainter::Antialiasing);
    const bool isTurning = grip_.kind == Grip::Kind::Turn;
    if (grip_.kind == Grip::Kind::Level) {
        p.setPen(QPen(QColor(0, 0, 0, 150), 3));
        p.drawLine(pressedAt_, lineEnd_);
        p.setPen(QPen(c.accentLight, 1.5));
        p.drawLine(pressedAt_, lineEnd_);
    } else if (grip_.kind != Grip::Kind::None && grip_.kind != Grip::Kind::Line) {
        // Only while the hand is on it: at rest nothing lies over what is judged.
        p.setPen(QPen(QColor(255, 255, 255, isTurning ? 80 : 120), 1));
        if (!isTurning) drawGuide(p, frame);
        constexpr int parts = 9; // finer ones to see what is level
        for (int i = 1; isTurning && i < parts; ++i) {
            const double x = frame.left() + frame.width() * i / parts, y = frame.top() + frame.height() * i / parts;
            p.drawLine(QPointF(x, frame.top()), QPointF(x, frame.bottom()));
            p.drawLine(QPointF(frame.left(), y), QPointF(frame.right(), y));
        }
    }
    if (!found_.isNull()) {
        const auto place = [&](QPointF share) {
            return onScreen({share.x() * size_.width(), share.y() * size_.height()});
        };
        for (const QPen& pen : {QPen(QColor(0, 0, 0, 150), 3.5), QPen(c.accentLight, 1.5)}) {
            p.setPen(pen);
            p.drawLine(place(found_.p1()), place(found_.p2()));
        }
    }
    if (drawsLines_) drawLines(p);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(QColor(0, 0, 0, 150), 3));
    p.drawRect(frame);
    p.setPen(QPen(Qt::white, 1));
    p.drawRect(frame);
    // A short bar in the middle of each edge, an angle on each corner: what can be held.
    p.setPen(QPen(c.accentLight, 3, Qt::SolidLine, Qt::FlatCap));
    const double arm = std::min({16.0, frame.width() / 4, frame.height() / 4});
    for (const double sx : {-1.0, 1.0}) {
        const double x = sx < 0 ? frame.left() : frame.right();
        p.drawLine(QPointF(x, frame.center().y() - arm), QPointF(x, frame.center().y() + arm));
        for (const double sy : {-1.0, 1.0}) {
            const QPointF corner(x, sy < 0 ? frame.top() : frame.bottom());
            p.drawLine(corner, corner - QPointF(sx * arm, 0));
            p.drawLine(corner, corner - QPointF(0, sy * arm));
        }
    }
    for (const double y : {frame.top(), frame.bottom()})
        p.drawLine(QPointF(frame.center().x() - arm, y), QPointF(frame.center().x() + arm, y));
    p.setPen(c.second);
    p.drawText(QRectF(0, height() - kBelow - 4, width(), kBelow), Qt::AlignCenter,
               fontMetrics().elidedText(footText(), Qt::ElideRight, width() - 16));
    if (hasFocus()) {
        p.setPen(QPen(c.accent, 1));
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

} // namespace baryton
