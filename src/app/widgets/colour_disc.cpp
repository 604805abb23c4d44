#include "app/widgets/colour_disc.h"
#include "app/theme/theme.h"
#include "app/widgets/angles.h"
#include "app/widgets/shift_speed.h"
#include "colour/hue_scale.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QTimer>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {
constexpr double kHandleReach = 12; ///< pixels within which a press takes a handle
constexpr double kTraceReach = 0.5; ///< of Cb and Cr that the trace's image spans
constexpr int kRestMilliseconds = 250;
} // namespace

ColourDisc::ColourDisc(std::function<QColor(double)> colourOf, double reach, QWidget* parent)
    : QWidget(parent), colourOf_(std::move(colourOf)), reach_(reach), restTimer_(new QTimer(this)) {
    setFocusPolicy(Qt::StrongFocus);
    setMinimumSize(110, 110);
    restTimer_->setSingleShot(true);
    restTimer_->setInterval(kRestMilliseconds);
    connect(restTimer_, &QTimer::timeout, this, [this] { Q_EMIT held(chosen_, true); });
}

double ColourDisc::radius() const {
    return std::min(width(), height()) / 2.0 - 4;
}

double ColourDisc::angleOf(QPointF at) {
    return std::fmod(std::atan2(at.y(), at.x()) / kRadians + 360, 360);
}
double ColourDisc::amountOf(QPointF at) {
    return std::hypot(at.x(), at.y());
}
QPointF ColourDisc::pullOf(double degrees, double amount) {
    return amount * QPointF(std::cos(degrees * kRadians), std::sin(degrees * kRadians));
}

QPointF ColourDisc::discPoint(double degrees, double amount) const {
    const QPointF at = pullOf(degrees, amount);
    return centre() + radius() * QPointF(at.x(), -at.y());
}

QPointF ColourDisc::handlePoint(int handle) const {
    const QPointF at = handles_[handle].at;
    return centre() + radius() * QPointF(at.x(), -at.y());
}

void ColourDisc::setHandles(const QVector<Handle>& handles) {
    if (handles == handles_) return;
    handles_ = handles;
    chosen_ = std::clamp(chosen_, 0, std::max(0, static_cast<int>(handles_.size()) - 1));
    update();
}

void ColourDisc::choose(int handle) {
    if (handle == chosen_ || handle < 0 || handle >= handles_.size()) return;
    chosen_ = handle;
    update();
    announce(this);
    Q_EMIT chosenChanged(handle);
}

void ColourDisc::setTrace(const QImage& trace) {
    // What lies past the rim is left out here: a round clip would cost more than all the rest of the painting.
    trace_ = trace.convertToFormat(QImage::Format_ARGB32_Premultiplied);
    const int side = trace_.width();
    const double radius = reach_ / kTraceReach * side / 2;
    for (int y = 0; y < trace_.height(); ++y) {
        auto* line = reinterpret_cast<QRgb*>(trace_.scanLine(y));
        const double dy = y + 0.5 - side / 2.0, half = std::sqrt(std::max(0.0, radius * radius - dy * dy));
        const int free = std::clamp(static_cast<int>(std::lround(side / 2.0 - half)), 0, side / 2);
        std::fill(line, line + free, 0);
        std::fill(line + side - free, line + side, 0);
    }
    update();
}

void ColourDisc::renderGround() {
    const double ratio = devicePixelRatioF();
    const int side = std::max(1, static_cast<int>(std::ceil(2 * radius() * ratio)));
    ground_ = QImage(side, side, QImage::Format_ARGB32_Premultiplied);
    ground_.fill(Qt::transparent);
    std::array<QColor, 360> rim;
    for (int i = 0; i < 360; ++i) rim[static_cast<std::size_t>(i)] = colourOf_(i);
    for (int y = 0; y < side; ++y) {
        auto* line = reinterpret_cast<QRgb*>(ground_.scanLine(y));
        for (int x = 0; x < side; ++x) {
            const double dx = (x + 0.5) * 2 / side - 1, dy = 1 - (y + 0.5) * 2 / side, r = std::hypot(dx, dy);
            if (r > 1) continue;
            const auto angle = static_cast<std::size_t>(angleOf({dx, dy})) % 360;
            // Dark in the middle, where the trace is to be seen.
            const double share = 0.78 * r * r, ground = 0x1c;
            const auto mixed = [&](int channel) { return static_cast<int>(ground + (channel - ground) * share); };
            line[x] = qRgb(mixed(rim[angle].red()), mixed(rim[angle].green()), mixed(rim[angle].blue()));
        }
    }
    ground_.setDevicePixelRatio(ratio);
    QPainter p(&ground_);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(QColor(255, 255, 255, 26), 1));
    const double r = radius();
    for (const double ring : {0.25, 0.5, 0.75}) p.drawEllipse(QPointF(r, r), r * ring, r * ring);
}

void ColourDisc::resizeEvent(QResizeEvent*) {
    renderGround();
}

void ColourDisc::paintHandle(QPainter& p, int handle) const {
    const auto& c = theme::colours();
    const QPointF at = handlePoint(handle);
    const bool isChosen = handle == chosen_;
    p.setPen(QPen(QColor(0, 0, 0, 150), isChosen ? 5 : 4));
    p.setBrush(Qt::NoBrush);
    const double size = isChosen ? 7 : 6;
    const auto shape = [&] {
        if (handles_[handle].isSquare)
            p.drawRect(QRectF(at - QPointF(size - 1, size - 1), QSizeF(2 * size - 2, 2 * size - 2)));
        else
            p.drawEllipse(at, size, size);
    };
    shape();
    p.setPen(QPen(isChosen ? c.accent : QColor(0xee, 0xee, 0xee), isChosen ? 2.5 : 1.5));
    p.setBrush(handles_[handle].fill);
    shape();
}

void ColourDisc::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    const auto& c = theme::colours();
    const double r = radius();
    const QRectF round(centre() - QPointF(r, r), QSizeF(2 * r, 2 * r));
    p.drawImage(round.topLeft(), ground_);
    p.setBrush(Qt::NoBrush);
    const double span = r * kTraceReach / reach_;
    if (!trace_.isNull()) p.drawImage(QRectF(centre() - QPointF(span, span), QSizeF(2 * span, 2 * span)), trace_);
    if (skin_) {
        p.setPen(QPen(QColor(0xd8, 0xa0, 0x80), 1, Qt::DashLine));
        p.drawLine(discPoint(*skin_, 0.08), discPoint(*skin_, 0.98));
        // Said beside the rim, where there is room.
        if (width() - height() > 40) {
            p.setPen(c.second);
            p.drawText(QRectF(discPoint(*skin_, 1.04) - QPointF(60, 16), QSizeF(56, 16)),
                       Qt::AlignRight | Qt::AlignBottom, tr("skin"));
        }
    }
    p.setPen(QPen(hasFocus() ? c.accent : c.edge, 1.5));
    p.drawEllipse(centre(), r, r);
    for (int i = 0; i < handles_.size(); ++i) {
        const QPointF at = handles_[i].at;
        if (at.isNull()) continue;
        p.setPen(QPen(QColor(255, 255, 255, i == chosen_ ? 190 : 90), 1));
        p.drawLine(centre(), handlePoint(i));
        const QPointF opposite = centre() * 2 - handlePoint(i);
        p.setPen(QPen(QColor(255, 255, 255, i == chosen_ ? 220 : 110), 1));
        p.drawLine(opposite - QPointF(5, 0), opposite + QPointF(5, 0));
        p.drawLine(opposite - QPointF(0, 5), opposite + QPointF(0, 5));
    }
    // Those that pull nothing lie under the others, the chosen one over all.
    for (const bool pulls : {false, true})
        for (int i = 0; i < handles_.size(); ++i)
            if (i != chosen_ && handles_[i].at.isNull() != pulls) paintHandle(p, i);
    if (chosen_ < handles_.size()) paintHandle(p, chosen_);
}

int ColourDisc::handleAt(QPointF pixel) const {
    int best = -1;
    double nearest = kHandleReach;
    for (int i = 0; i < handles_.size(); ++i) {
        const double away = QLineF(handlePoint(i), pixel).length() - (i == chosen_ ? 1 : 0); // of equals the chosen
        if (away < nearest) nearest = away, best = i;
    }
    return best;
}

void ColourDisc::moveTo(QPointF at, bool settled) {
    const double length = amountOf(at);
    if (length > 1) at /= length;
    if (length < 5e-4) at = {};
    if (handles_.isEmpty() || (handles_[chosen_].at == at && !settled)) return;
    handles_[chosen_].at = at;
    update();
    announce(this);
    Q_EMIT edited(chosen_, at, settled);
}

void ColourDisc::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton || handles_.isEmpty()) return;
    if (const int hit = handleAt(event->position()); hit >= 0) choose(hit);
    dragging_ = true;
    dragAt_ = event->position();
    pulled_ = handles_[chosen_].at;
    Q_EMIT held(chosen_, true);
}

void ColourDisc::mouseMoveEvent(QMouseEvent* event) {
    if (!dragging_ || event->position() == dragAt_) return;
    const double speed = dragSpeed(event->modifiers());
    const QPointF by = speed * (event->position() - dragAt_) / radius();
    dragAt_ = event->position();
    pulled_ += QPointF(by.x(), -by.y());
    Q_EMIT held(chosen_, false);
    restTimer_->start();
    moveTo(pulled_, false);
}

void ColourDisc::letGo() {
    dragging_ = false;
    restTimer_->stop();
    Q_EMIT held(-1, true);
}

void ColourDisc::mouseReleaseEvent(QMouseEvent*) {
    if (!dragging_) return;
    letGo();
    moveTo(handles_[chosen_].at, true);
}

void ColourDisc::mouseDoubleClickEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton || handles_.isEmpty()) return;
    letGo();
    const QPointF from = event->position() - centre();
    // The middle itself is hard to hit and easily meant.
    constexpr double middle = 6;
    moveTo(std::hypot(from.x(), from.y()) < middle ? QPointF() : QPointF(from.x(), -from.y()) / radius(), true);
}

void ColourDisc::keyPressEvent(QKeyEvent* event) {
    if (handles_.isEmpty()) return QWidget::keyPressEvent(event);
    const double step = 0.01 * keySteps(event->modifiers());
    const auto count = static_cast<int>(handles_.size());
    const QPointF at = handles_[chosen_].at;
    switch (event->key()) {
    case Qt::Key_Right:
        return moveTo(at + QPointF(step, 0), false);
    case Qt::Key_Left:
        return moveTo(at - QPointF(step, 0), false);
    case Qt::Key_Up:
        return moveTo(at + QPointF(0, step), false);
    case Qt::Key_Down:
        return moveTo(at - QPointF(0, step), false);
    case Qt::Key_Comma:
        return choose((chosen_ + count - 1) % count);
    case Qt::Key_Period:
        return choose((chosen_ + 1) % count);
    case Qt::Key_Home:
        return moveTo({}, true);
    default:
        QWidget::keyPressEvent(event);
    }
}

QString ColourDisc::inWords() const {
    if (handles_.isEmpty()) return {};
    const Handle& handle = handles_[chosen_];
    if (handle.at.isNull()) return tr("%1: no pull").arg(handle.name);
    return tr("%1: hue %2°, amount %3")
        .arg(handle.name)
        .arg(std::lround(hueOfDirection(angleOf(handle.at))))
        .arg(std::lround(amountOf(handle.at) * 100));
}

} // namespace baryton
