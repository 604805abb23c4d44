#include "app/widgets/limits_strip.h"
#include "app/theme/theme.h"
#include "app/widgets/shift_speed.h"
#include "colour/smooth_step.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

double smooth(double from, double to, double x) {
    return smoothStep(x, from, 1 / std::max(1e-6, to - from));
}

} // namespace

LimitsStrip::LimitsStrip(const QVector<QColor>& hues, QWidget* parent) : QWidget(parent), colours_(hues) {
    setFixedHeight(62);
    setAccessibleName(tr("Where the stage acts"));
    setToolTip(tr("Drag the ends, or between them; double click opens the range again"));
}

void LimitsStrip::setRanges(const Ranges& ranges) {
    ranges_ = ranges;
    update();
}

void LimitsStrip::setHistogram(const QVector<double>& lumas) {
    histogram_ = lumas;
    update();
}

void LimitsStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme::colours();
    const QRectF top = tones(), bottom = hues();
    p.fillRect(top, c.well);
    const double most =
        histogram_.size() == 256 ? std::max(1.0, *std::max_element(histogram_.begin() + 1, histogram_.end() - 1)) : 1;
    const int columns = std::max(1, static_cast<int>(top.width()));
    for (int x = 0; x < columns; ++x) {
        const double y = double(x) / columns;
        const double weight = smooth(ranges_.low - ranges_.softness, ranges_.low, y) *
                              (1 - smooth(ranges_.high, ranges_.high + ranges_.softness, y));
        const double count =
            histogram_.size() == 256 ? histogram_[std::min(255, static_cast<int>(y * 256))] / most : 0.4;
        const double h = std::sqrt(std::min(1.0, count)) * (top.height() - 3);
        QColor bar = c.counts;
        const auto mix = [weight](int a, int b) { return static_cast<int>(a + (b - a) * weight); };
        bar = QColor(mix(bar.red(), c.second.red()), mix(bar.green(), c.second.green()),
                     mix(bar.blue(), c.second.blue()));
        p.fillRect(QRectF(top.left() + x, top.bottom() - h, 1, h), bar);
    }
    const auto end = [&](double x, const QRectF& area, bool open) {
        p.setPen(QPen(open ? c.second : c.accent, 2));
        p.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom()));
    };
    end(top.left() + ranges_.low * top.width(), top, ranges_.low <= 0);
    end(top.left() + ranges_.high * top.width(), top, ranges_.high >= 1);
    const int parts = static_cast<int>(colours_.size());
    for (int i = 0; i < parts; ++i) {
        const double hue = 360.0 * i / parts;
        const double away = std::abs(std::remainder(hue - ranges_.hue, 360));
        const double weight =
            ranges_.width >= 360 ? 1 : 1 - smooth(ranges_.width / 2, ranges_.width / 2 + ranges_.hueSoftness, away);
        QColor colour = colours_[i];
        colour.setAlphaF(static_cast<float>(0.18 + 0.82 * weight));
        p.fillRect(QRectF(bottom.left() + bottom.width() * i / parts, bottom.top(), bottom.width() / parts + 0.6,
                          bottom.height()),
                   colour);
    }
    if (ranges_.width < 360)
        for (const int side : {-1, 1}) {
            const double hue = std::fmod(ranges_.hue + side * ranges_.width / 2 + 720, 360);
            end(bottom.left() + hue / 360 * bottom.width(), bottom, false);
        }
}

void LimitsStrip::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    from_ = event->position();
    atPress_ = ranges_;
    constexpr double reach = 8;
    const QRectF top = tones(), bottom = hues();
    drag_ = Drag::None;
    if (from_.y() < top.bottom() + 3) {
        const double low = top.left() + ranges_.low * top.width(), high = top.left() + ranges_.high * top.width();
        const double toLow = std::abs(from_.x() - low), toHigh = std::abs(from_.x() - high);
        drag_ = std::min(toLow, toHigh) < reach       ? (toLow <= toHigh ? Drag::Low : Drag::High)
                : from_.x() > low && from_.x() < high ? Drag::Tones
                                                      : Drag::None;
        return;
    }
    const double hue = (from_.x() - bottom.left()) / bottom.width() * 360;
    if (ranges_.width >= 360) {
        // A press on the open circle takes the hue pressed on.
        constexpr double first = 60;
        atPress_.hue = std::fmod(hue + 360, 360);
        atPress_.width = first;
        drag_ = Drag::Hue;
        ranges_ = atPress_;
        update();
        Q_EMIT edited(ranges_, false);
        return;
    }
    const double away = std::remainder(hue - ranges_.hue, 360), perPixel = 360 / bottom.width();
    drag_ = std::abs(std::abs(away) - ranges_.width / 2) < reach * perPixel
                ? (away < 0 ? Drag::HueLow : Drag::HueHigh)
                : Drag::Hue;
}

void LimitsStrip::mouseMoveEvent(QMouseEvent* event) {
    if (drag_ == Drag::None) return;
    const double speed = dragSpeed(event->modifiers());
    const double x = (event->position().x() - from_.x()) * speed;
    const double tone = x / tones().width(), degrees = x / hues().width() * 360;
    const auto hundredth = [](double v) { return std::round(v * 100) / 100; };
    switch (drag_) {
    case Drag::Low:
        ranges_.low = hundredth(std::clamp(atPress_.low + tone, 0.0, ranges_.high));
        break;
    case Drag::High:
        ranges_.high = hundredth(std::clamp(atPress_.high + tone, ranges_.low, 1.0));
        break;
    case Drag::Tones: {
        const double by = std::clamp(tone, -atPress_.low, 1 - atPress_.high);
        ranges_.low = hundredth(atPress_.low + by), ranges_.high = hundredth(atPress_.high + by);
        break;
    }
    case Drag::HueLow:
    case Drag::HueHigh:
        ranges_.width =
            std::round(std::clamp(atPress_.width + 2 * degrees * (drag_ == Drag::HueLow ? -1 : 1), 10.0, 360.0));
        break;
    case Drag::Hue:
        ranges_.hue = std::round(std::fmod(atPress_.hue + degrees + 360, 360));
        break;
    case Drag::None:
        break;
    }
    update();
    Q_EMIT edited(ranges_, false);
}

void LimitsStrip::mouseReleaseEvent(QMouseEvent*) {
    if (drag_ == Drag::None) return;
    drag_ = Drag::None;
    Q_EMIT edited(ranges_, true);
}

void LimitsStrip::mouseDoubleClickEvent(QMouseEvent* event) {
    drag_ = Drag::None;
    if (event->position().y() < tones().bottom() + 3)
        ranges_.low = 0, ranges_.high = 1;
    else
        ranges_.width = 360;
    update();
    Q_EMIT edited(ranges_, true);
}

} // namespace baryton
