#include "app/widgets/handle_bar.h"
#include "app/theme/theme.h"
#include "app/widgets/shift_speed.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {
constexpr int kHandleHeight = 18, kRampHeight = 16;
}

HandleBar::HandleBar(const QString& name, QWidget* parent) : QWidget(parent) {
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(name);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

void HandleBar::setHandles(const QVector<Handle>& handles) {
    handles_ = handles;
    chosen_ = std::clamp<int>(chosen_, 0, std::max<int>(0, static_cast<int>(handles.size()) - 1));
    update();
}

void HandleBar::setHistogram(const QVector<double>& counts) {
    histogram_ = counts;
    update();
}

void HandleBar::setRamp(std::function<QColor(double)> ramp) {
    ramp_ = std::move(ramp);
    updateGeometry();
    update();
}

void HandleBar::choose(int handle) {
    if (handle == chosen_) return;
    chosen_ = handle;
    update();
    announce(this);
    Q_EMIT chosenChanged(handle);
}

QRectF HandleBar::area() const {
    return {8.0, 2.0, width() - 16.0, height() - kHandleHeight - 2.0};
}

QPointF HandleBar::handlePoint(int handle) const {
    return {area().left() + handles_[handle].at * area().width(), height() - kHandleHeight / 2.0};
}

double HandleBar::placeAt(double x) const {
    return std::clamp((x - area().left()) / area().width(), 0.0, 1.0);
}

void HandleBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme::colours();
    const QRectF box = area();
    p.fillRect(box, c.well);
    const QRectF counts = ramp_ ? box.adjusted(0, 0, 0, -kRampHeight) : box;
    if (histogram_.size() == 256) {
        const double most = std::max(1.0, *std::max_element(histogram_.begin() + 1, histogram_.end() - 1));
        for (int i = 0; i < 256; ++i) {
            const double h = std::sqrt(std::min(1.0, histogram_[i] / most)) * (counts.height() - 2);
            p.fillRect(
                QRectF(counts.left() + i * counts.width() / 256, counts.bottom() - h, counts.width() / 256 + 0.5, h),
                c.scroll);
        }
    }
    if (ramp_) {
        const int columns = static_cast<int>(box.width());
        for (int x = 0; x < columns; ++x)
            p.fillRect(QRectF(box.left() + x, box.bottom() - kRampHeight, 1.5, kRampHeight),
                       ramp_((x + 0.5) / columns));
    }
    for (int i = 0; i < handles_.size(); ++i) {
        const QPointF at = handlePoint(i);
        p.setPen(QPen(c.second, 1));
        p.drawLine(QPointF(at.x(), box.top()), QPointF(at.x(), box.bottom()));
        p.setPen(QPen(i == chosen_ ? (hasFocus() ? c.accent : c.text) : c.edge, i == chosen_ ? 2 : 1));
        p.setBrush(handles_[i].fill);
        p.drawPolygon(QPolygonF({QPointF(at.x(), box.bottom() + 1), QPointF(at.x() + 6, box.bottom() + 8),
                                 QPointF(at.x() + 6, box.bottom() + 15), QPointF(at.x() - 6, box.bottom() + 15),
                                 QPointF(at.x() - 6, box.bottom() + 8)}));
    }
}

int HandleBar::near(QPointF at) const {
    int best = -1;
    double reach = 11;
    for (int i = 0; i < handles_.size(); ++i) {
        const double away = std::abs(handlePoint(i).x() - at.x());
        if (away < reach) reach = away, best = i;
    }
    return best;
}

void HandleBar::move(double to, bool settled) {
    const double low = chosen_ > 0 ? handles_[chosen_ - 1].at : 0;
    const double high = chosen_ + 1 < handles_.size() ? handles_[chosen_ + 1].at : 1;
    handles_[chosen_].at = std::clamp(to, low, high);
    update();
    announce(this);
    Q_EMIT moved(chosen_, handles_[chosen_].at, settled);
}

void HandleBar::mousePressEvent(QMouseEvent* event) {
    const int hit = near(event->position());
    if (hit < 0 || event->button() != Qt::LeftButton) return;
    choose(hit);
    dragging_ = true;
    from_ = event->position();
    atPress_ = handles_[hit].at;
}

void HandleBar::mouseMoveEvent(QMouseEvent* event) {
    if (!dragging_) return;
    const double speed = dragSpeed(event->modifiers());
    move(atPress_ + speed * (event->position().x() - from_.x()) / area().width(), false);
}

void HandleBar::mouseReleaseEvent(QMouseEvent*) {
    if (!dragging_) return;
    dragging_ = false;
    move(handles_[chosen_].at, true);
}

void HandleBar::mouseDoubleClickEvent(QMouseEvent* event) {
    dragging_ = false;
    if (const int hit = near(event->position()); hit >= 0)
        Q_EMIT resetWanted(hit);
    else
        Q_EMIT addWanted(placeAt(event->position().x()));
}

void HandleBar::keyPressEvent(QKeyEvent* event) {
    if (handles_.isEmpty()) return;
    const double step = keySteps(event->modifiers()) / 255.0;
    const auto count = static_cast<int>(handles_.size());
    switch (event->key()) {
    case Qt::Key_Right:
    case Qt::Key_Up:
        return move(handles_[chosen_].at + step, false);
    case Qt::Key_Left:
    case Qt::Key_Down:
        return move(handles_[chosen_].at - step, false);
    case Qt::Key_PageDown:
        return choose((chosen_ + 1) % count);
    case Qt::Key_PageUp:
        return choose((chosen_ + count - 1) % count);
    case Qt::Key_Home:
        Q_EMIT resetWanted(chosen_);
        return;
    default:
        QWidget::keyPressEvent(event);
    }
}

QString HandleBar::inWords() const {
    if (chosen_ < 0 || chosen_ >= handles_.size()) return {};
    return tr("handle %1 of %2 at %3")
        .arg(chosen_ + 1)
        .arg(handles_.size())
        .arg(std::lround(handles_[chosen_].at * 100));
}

} // namespace baryton
