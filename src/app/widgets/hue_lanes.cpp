#include "app/widgets/hue_lanes.h"
#include "app/theme/theme.h"
#include "app/widgets/shift_speed.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

constexpr double kStart = 330; ///< the hue at the left edge: reds stay whole
constexpr int kStripTop = 44, kStripHeight = 12, kLaneTop = 74;

double wrapped(double hue) {
    return std::fmod(std::fmod(hue, 360) + 360, 360);
}

} // namespace

HueLanes::HueLanes(const QVector<QColor>& hueStrip, QWidget* parent) : QWidget(parent), colours_(hueStrip) {
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Hue bands"));
    setMinimumHeight(216);
}

void HueLanes::setBands(const QVector<Band>& bands) {
    if (dragging_) return; // what is dragged is what is shown
    bands_ = bands;
    chosen_ = std::clamp<int>(chosen_, 0, std::max<int>(0, static_cast<int>(bands.size()) - 1));
    update();
}

void HueLanes::setHistogram(const QVector<double>& weights) {
    histogram_ = weights;
    update();
}

void HueLanes::setMarker(std::optional<double> hue) {
    marker_ = hue;
    update();
}

void HueLanes::choose(int band) {
    chosen_ = band;
    update();
}

QRectF HueLanes::strip() const {
    return {6.0, double(kStripTop), width() - 12.0, double(kStripHeight)};
}

QRectF HueLanes::lane(int index) const {
    const double height = (this->height() - kLaneTop) / 3.0;
    return QRectF(6, kLaneTop + index * height, width() - 12, height).adjusted(0, 2, 0, -2);
}

double HueLanes::xOf(double hue) const {
    return strip().left() + wrapped(hue - kStart) / 360 * strip().width();
}

double HueLanes::hueAt(double x) const {
    return wrapped(kStart + (x - strip().left()) / strip().width() * 360);
}

QPointF HueLanes::handle(int band, Lane which) const {
    const QRectF area = lane(which);
    return {xOf(bands_[band].centre), area.center().y() - bands_[band].value[which] * (area.height() / 2 - 6)};
}

void HueLanes::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme::colours();
    const QRectF bar = strip();
    const auto colourAt = [&](double hue) {
        return colours_[static_cast<int>(wrapped(hue) / 360 * colours_.size()) % static_cast<int>(colours_.size())];
    };
    // How much colour the picture has at each hue.
    if (histogram_.size() == 360) {
        const double most = std::max(1e-9, *std::max_element(histogram_.begin(), histogram_.end()));
        for (int i = 0; i < 360; ++i) {
            const double x = xOf(i), h = std::sqrt(histogram_[i] / most) * (kStripTop - 8);
            p.fillRect(QRectF(x, bar.top() - 3 - h, bar.width() / 360 + 0.6, h), colourAt(i));
        }
    }
    for (int i = 0; i < 180; ++i) {
        const double hue = kStart + i * 2;
        p.fillRect(QRectF(bar.left() + i * bar.width() / 180, bar.top(), bar.width() / 180 + 0.6, bar.height()),
                   colourAt(hue));
    }
    if (marker_) {
        p.setPen(QPen(c.accent, 1.5));
        p.drawLine(QPointF(xOf(*marker_), 2), QPointF(xOf(*marker_), height() - 2));
    }
    const QString names[] = {tr("shift"), tr("saturation"), tr("lightness")};
    for (int i = 0; i < 3; ++i) {
        const QRectF area = lane(i);
        p.setPen(Qt::NoPen);
        p.setBrush(c.well);
        p.drawRoundedRect(area, 3, 3);
        p.setPen(QPen(c.grid, 1));
        p.drawLine(QPointF(area.left(), area.center().y()), QPointF(area.right(), area.center().y()));
        p.setPen(c.second);
        QFont small = font();
        small.setPixelSize(10);
        p.setFont(small);
        p.drawText(area.adjusted(5, 1, -4, 0), Qt::AlignTop | Qt::AlignLeft, names[i]);
    }
    if (bands_.isEmpty()) return;
    // The chosen band's width and feather as a bracket under the strip.
    const Band& chosen = bands_[chosen_];
    const double y = bar.bottom() + 7;
    const auto bracket = [&](double from, double to, const QPen& pen) {
        p.setPen(pen);
        const double a = xOf(from), b = xOf(to);
        if (a <= b) {
            p.drawLine(QPointF(a, y), QPointF(b, y));
        } else {
            p.drawLine(QPointF(a, y), QPointF(bar.right(), y));
            p.drawLine(QPointF(bar.left(), y), QPointF(b, y));
        }
    };
    bracket(chosen.centre - chosen.width / 2 - chosen.feather, chosen.centre + chosen.width / 2 + chosen.feather,
            QPen(c.faint, 1.5));
    bracket(chosen.centre - chosen.width / 2, chosen.centre + chosen.width / 2, QPen(c.accent, 3));
    p.setPen(QPen(c.panel, 1));
    p.setBrush(c.text);
    for (const int side : {-1, 1}) p.drawEllipse(QPointF(xOf(chosen.centre + side * chosen.width / 2), y), 4, 4);
    // What lies opposite, and the two beside that.
    for (const int beside : {-30, 0, 30}) {
        const double x = xOf(chosen.centre + 180 + beside);
        p.setPen(QPen(beside == 0 ? c.text : c.second, beside == 0 ? 2 : 1));
        p.drawLine(QPointF(x, bar.top() - 4), QPointF(x, bar.top() + 4));
    }
    for (int i = 0; i < bands_.size(); ++i) {
        const Band& band = bands_[i];
        const bool bright = band.isUsed() || i == chosen_;
        for (int l = 0; l < 3; ++l) {
            const QPointF at = handle(i, static_cast<Lane>(l));
            if (band.value[l] != 0) {
                p.setPen(QPen(c.accentDim, 1.5));
                p.drawLine(QPointF(at.x(), lane(l).center().y()), at);
            }
            p.setPen(QPen(i == chosen_ ? c.accent : c.edge, i == chosen_ ? 2 : 1));
            QColor fill = colourAt(band.centre);
            if (!bright) fill.setAlpha(110);
            p.setBrush(fill);
            const double r = bright ? (hasFocus() && i == chosen_ && l == lane_ ? 6.5 : 5) : 3.5;
            p.drawEllipse(at, r, r);
        }
    }
}

bool HueLanes::hit(QPointF at, int& band, int& laneIndex, int& edge) const {
    if (bands_.isEmpty()) return false;
    const QRectF bar = strip();
    edge = 0;
    laneIndex = -1;
    if (at.y() < kLaneTop) {
        const Band& chosen = bands_[chosen_];
        for (const int side : {-1, 1})
            if (QLineF(at, QPointF(xOf(chosen.centre + side * chosen.width / 2), bar.bottom() + 7)).length() < 8) {
                band = chosen_;
                edge = side;
                return true;
            }
    } else {
        for (int l = 0; l < 3; ++l)
            if (lane(l).contains(at)) laneIndex = l;
    }
    // The nearest band, a used one before one that is not.
    double best = 1e9;
    for (int i = 0; i < bands_.size(); ++i) {
        const double away =
            std::abs(std::remainder(hueAt(at.x()) - bands_[i].centre, 360)) + (bands_[i].isUsed() ? 0 : 4);
        if (away < best) best = away, band = i;
    }
    return true;
}

void HueLanes::change(int laneIndex, bool settled) {
    update();
    announce(this);
    Q_EMIT edited(chosen_, laneIndex, bands_[chosen_], settled);
}

void HueLanes::mousePressEvent(QMouseEvent* event) {
    int band = 0, laneIndex = 0, edge = 0;
    if (event->button() != Qt::LeftButton || !hit(event->position(), band, laneIndex, edge)) return;
    chosen_ = band;
    if (laneIndex >= 0) lane_ = laneIndex;
    dragLane_ = laneIndex, edge_ = edge, from_ = event->position(), atPress_ = bands_[band], dragging_ = true;
    Q_EMIT bandChosen(band);
    update();
}

void HueLanes::mouseMoveEvent(QMouseEvent* event) {
    if (!dragging_) return;
    const double speed = dragSpeed(event->modifiers());
    const QPointF offset = (event->position() - from_) * speed;
    Band& band = bands_[chosen_];
    const double degrees = offset.x() / strip().width() * 360;
    if (edge_ != 0) {
        constexpr double least = 5, most = 180;
        band.width = std::clamp(std::round(atPress_.width + 2 * edge_ * degrees), least, most);
        change(-1, false);
        return;
    }
    if (dragLane_ < 0) {
        band.centre = std::round(wrapped(atPress_.centre + degrees));
        change(-1, false);
        return;
    }
    const double reach = lane(dragLane_).height() / 2 - 6;
    band.value[dragLane_] =
        std::clamp(std::round((atPress_.value[dragLane_] - offset.y() / reach) * 100) / 100, -1.0, 1.0);
    change(dragLane_, false);
}

void HueLanes::mouseReleaseEvent(QMouseEvent*) {
    if (!dragging_) return;
    dragging_ = false;
    change(edge_ != 0 ? -1 : dragLane_, true);
}

void HueLanes::mouseDoubleClickEvent(QMouseEvent* event) {
    int band = 0, laneIndex = 0, edge = 0;
    if (!hit(event->position(), band, laneIndex, edge)) return;
    dragging_ = false;
    chosen_ = band;
    if (laneIndex < 0) {
        bands_[band].width = bands_[band].feather = 30;
        change(-1, true);
        return;
    }
    bands_[band].value[laneIndex] = 0;
    change(laneIndex, true);
}

void HueLanes::keyPressEvent(QKeyEvent* event) {
    if (bands_.isEmpty()) return;
    const double steps = keySteps(event->modifiers());
    Band& band = bands_[chosen_];
    const auto turn = [&](double by) {
        band.value[lane_] = std::clamp(band.value[lane_] + by * steps / 100, -1.0, 1.0);
        change(lane_, false);
    };
    const auto move = [&](double by) {
        band.centre = wrapped(band.centre + by * steps);
        change(-1, false);
    };
    const auto pick = [&](int by) {
        const auto count = static_cast<int>(bands_.size());
        choose((chosen_ + by + count) % count);
        Q_EMIT bandChosen(chosen_);
    };
    switch (event->key()) {
    case Qt::Key_Up:
        return turn(1);
    case Qt::Key_Down:
        return turn(-1);
    case Qt::Key_Right:
        return move(1);
    case Qt::Key_Left:
        return move(-1);
    case Qt::Key_Comma:
        return pick(-1);
    case Qt::Key_Period:
        return pick(1);
    case Qt::Key_PageUp:
        lane_ = std::max(0, lane_ - 1);
        return update();
    case Qt::Key_PageDown:
        lane_ = std::min(2, lane_ + 1);
        return update();
    case Qt::Key_Home:
        band.value[lane_] = 0;
        return change(lane_, true);
    default:
        QWidget::keyPressEvent(event);
    }
}

QString HueLanes::inWords() const {
    if (chosen_ < 0 || chosen_ >= bands_.size()) return {};
    const Band& band = bands_[chosen_];
    const auto share = [&](Lane lane) { return std::lround(band.value[lane] * 100); };
    return tr("band %1 at hue %2°: shift %3, saturation %4, lightness %5")
        .arg(chosen_ + 1)
        .arg(std::lround(band.centre))
        .arg(share(Shift))
        .arg(share(Saturation))
        .arg(share(Lightness));
}

} // namespace baryton
