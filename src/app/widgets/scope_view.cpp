#include "app/widgets/scope_view.h"
#include "app/theme/theme.h"
#include "app/widgets/angles.h"
#include "colour/hue_scale.h"
#include "colour/spaces.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <map>
#include <mutex>

namespace baryton {

namespace {

constexpr double kPlaneReach = 0.56;  ///< of Cb and Cr from the middle to the edge: the full primaries lie within
constexpr double kCountedReach = 0.5; ///< what is counted

/// Brightness of a trace: rare values are seen, frequent ones do not drown all others.
double glow(std::uint32_t count, double most) {
    return count == 0 ? 0 : std::min(1.0, 0.18 + 0.82 * std::sqrt(count / most));
}

double mostOf(const std::vector<std::uint32_t>& counts) {
    // The few fullest cells (a clipped sky) are left out of the scale.
    std::vector<std::uint32_t> filled;
    std::copy_if(counts.begin(), counts.end(), std::back_inserter(filled), [](std::uint32_t n) { return n > 0; });
    if (filled.empty()) return 1;
    const auto at = filled.begin() + static_cast<std::ptrdiff_t>((filled.size() - 1) * 98 / 100);
    std::nth_element(filled.begin(), at, filled.end());
    return std::max(1.0, double(*at));
}

} // namespace

ScopeView::ScopeView(Kind kind, QWidget* parent) : QWidget(parent), kind_(kind) {
    setMouseTracking(true);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
    setAccessibleName(kind == Kind::Waveform ? tr("Waveform")
                      : kind == Kind::Parade ? tr("Parade")
                                             : tr("Vectorscope"));
}

QRectF ScopeView::plot() const {
    if (kind_ != Kind::Vectorscope) return rect();
    const double side = std::min(width(), height());
    return {(width() - side) / 2, (height() - side) / 2, side, side};
}

void ScopeView::setWaveform(const Waveform& w) {
    constexpr int levels = 256;
    const bool isParade = kind_ == Kind::Parade;
    trace_ = QImage(isParade ? 3 * w.columns : w.columns, levels, QImage::Format_RGB32);
    trace_.fill(theme::colours().well);
    const auto draw = [&](const std::vector<std::uint32_t>& counts, int offset, const QColor& colour) {
        const double most = mostOf(counts);
        for (int x = 0; x < w.columns; ++x)
            for (int v = 0; v < levels; ++v) {
                const double g = glow(counts[static_cast<std::size_t>(x * levels + v)], most);
                if (g == 0) continue;
                const QColor ground = theme::colours().well;
                const auto mix = [g](int a, int b) { return static_cast<int>(a + (b - a) * g); };
                trace_.setPixel(offset + x, levels - 1 - v,
                                qRgb(mix(ground.red(), colour.red()), mix(ground.green(), colour.green()),
                                     mix(ground.blue(), colour.blue())));
            }
    };
    const auto& c = theme::colours();
    if (isParade) {
        draw(w.r, 0, c.red);
        draw(w.g, w.columns, c.green);
        draw(w.b, 2 * w.columns, c.blue);
    } else {
        draw(w.luma, 0, c.text);
    }
    update();
}

namespace {

/// The colour in which each place of a vectorscope is drawn, worked out once for each size: the scope and a disc
/// stand side by side.
const std::vector<std::array<float, 3>>& tintsOf(int size) {
    static std::mutex lock;
    static std::map<int, std::vector<std::array<float, 3>>> bySize;
    const std::lock_guard<std::mutex> guard(lock);
    auto& tints = bySize[size];
    if (tints.empty()) {
        tints.resize(static_cast<std::size_t>(size) * static_cast<std::size_t>(size));
        for (int y = 0; y < size; ++y)
            for (int x = 0; x < size; ++x) {
                const double cb = ((x + 0.5) / size - 0.5) * 2 * kCountedReach,
                             cr = (0.5 - (y + 0.5) / size) * 2 * kCountedReach;
                const Vec3 d = hueDirection(std::atan2(cr, cb) / kRadians);
                const double tint = std::min(1.0, std::hypot(cb, cr) * 6) * 0.3;
                for (std::size_t k = 0; k < 3; ++k)
                    tints[static_cast<std::size_t>(y * size + x)][k] = static_cast<float>(0.62 + tint * d[k]);
            }
    }
    return tints;
}

} // namespace

QImage traceOf(const Vectorscope& scope) {
    const int size = scope.size;
    const auto& tints = tintsOf(size);
    QImage trace(size, size, QImage::Format_ARGB32_Premultiplied);
    trace.fill(Qt::transparent);
    const double most = mostOf(scope.counts);
    for (int y = 0; y < size; ++y) {
        auto* line = reinterpret_cast<QRgb*>(trace.scanLine(y));
        for (int x = 0; x < size; ++x) {
            const auto at = static_cast<std::size_t>(y * size + x);
            if (scope.counts[at] == 0) continue;
            const double g = glow(scope.counts[at], most);
            const auto channel = [&](std::size_t k) {
                return static_cast<int>(255 * std::clamp(g * double(tints[at][k]), 0.0, g));
            };
            line[x] = qRgba(channel(0), channel(1), channel(2), static_cast<int>(255 * g));
        }
    }
    return trace;
}

void ScopeView::setTrace(const QImage& trace) {
    trace_ = trace;
    update();
}

void ScopeView::setMarks(const QVector<ScopeMark>& marks) {
    marks_ = marks;
    update();
}

QPointF ScopeView::fromPlane(double cb, double cr) const {
    const QRectF area = plot();
    return area.center() + QPointF(cb, -cr) / kPlaneReach * area.width() / 2;
}

QPointF ScopeView::placeOf(const std::array<float, 3>& colour) const {
    const auto plane = chromaPlane({colour[0], colour[1], colour[2]});
    return fromPlane(std::clamp(plane[0], -kPlaneReach, kPlaneReach),
                     std::clamp(plane[1], -kPlaneReach, kPlaneReach));
}

void ScopeView::paintVectorscope(QPainter& p) const {
    const auto& c = theme::colours();
    const QRectF area = plot();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(c.edge, 1));
    p.setBrush(c.well);
    p.drawEllipse(area.adjusted(1, 1, -1, -1));
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.drawImage(QRectF(fromPlane(-kCountedReach, kCountedReach), fromPlane(kCountedReach, -kCountedReach)), trace_);
    p.setPen(QPen(c.grid, 1));
    p.drawLine(fromPlane(-kPlaneReach, 0), fromPlane(kPlaneReach, 0));
    p.drawLine(fromPlane(0, -kPlaneReach), fromPlane(0, kPlaneReach));
    // Where the full primaries and their mixtures lie, as short ticks in their colour.
    for (int i = 1; i < 7; ++i) {
        const std::array<float, 3> full = {i & 1 ? 1.0F : 0.0F, i & 2 ? 1.0F : 0.0F, i & 4 ? 1.0F : 0.0F};
        const QPointF at = placeOf(full);
        p.setPen(QPen(QColor::fromRgbF(full[0] * 0.8F, full[1] * 0.8F, full[2] * 0.8F), 2));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(at - QPointF(3, 3), QSizeF(6, 6)));
    }
    p.setPen(QPen(QColor(0xd8, 0xa0, 0x80), 1, Qt::DashLine));
    const double skin = kSkinLineDegrees * kRadians;
    p.drawLine(area.center(), fromPlane(0.46 * std::cos(skin), 0.46 * std::sin(skin)));
    for (const ScopeMark& mark : marks_) {
        const QPointF at = placeOf(mark.colour);
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(mark.label.isEmpty() ? c.accent : c.text, 1.5));
        p.drawEllipse(at, 4, 4);
        if (!mark.label.isEmpty()) p.drawText(at + QPointF(6, 4), mark.label);
    }
}

void ScopeView::paintLevels(QPainter& p) const {
    const auto& c = theme::colours();
    const QRectF area = plot();
    p.fillRect(area, c.well);
    if (!trace_.isNull()) {
        p.setRenderHint(QPainter::SmoothPixmapTransform);
        p.drawImage(area, trace_);
    }
    p.setPen(c.grid);
    for (int i = 1; i < 4; ++i)
        p.drawLine(QPointF(area.left(), area.top() + area.height() * i / 4),
                   QPointF(area.right(), area.top() + area.height() * i / 4));
    const auto line = [&](double value, double from, double to, const QColor& colour) {
        const double y = area.bottom() - std::clamp(value, 0.0, 1.0) * area.height();
        p.setPen(QPen(colour, 1));
        p.drawLine(QPointF(area.left() + from * area.width(), y), QPointF(area.left() + to * area.width(), y));
    };
    for (const ScopeMark& mark : marks_) {
        const auto& v = mark.colour;
        const double luma = 0.2126 * v[0] + 0.7152 * v[1] + 0.0722 * v[2];
        const QColor colour = mark.label.isEmpty() ? c.accent : c.second;
        if (kind_ == Kind::Waveform)
            line(luma, 0, 1, colour);
        else
            for (int k = 0; k < 3; ++k) line(v[static_cast<std::size_t>(k)], k / 3.0, (k + 1) / 3.0, colour);
    }
}

void ScopeView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    kind_ == Kind::Vectorscope ? paintVectorscope(p) : paintLevels(p);
    if (!pointer_) return;
    const auto& c = theme::colours();
    const QRectF area = plot();
    QString text;
    if (kind_ == Kind::Vectorscope) {
        const QPointF at = (*pointer_ - area.center()) / (area.width() / 2) * kPlaneReach;
        text = tr("hue %1°  %2 %")
                   .arg(std::lround(hueOfDirection(std::atan2(-at.y(), at.x()) / kRadians)))
                   .arg(std::lround(std::hypot(at.x(), at.y()) / kPlaneReach * 100));
    } else {
        const double level = std::clamp((area.bottom() - pointer_->y()) / area.height(), 0.0, 1.0);
        text = tr("%1  (%2 %)").arg(std::lround(level * 255)).arg(std::lround(level * 100));
        p.setPen(QPen(c.accent, 1));
        p.drawLine(QPointF(area.left(), pointer_->y()), QPointF(area.right(), pointer_->y()));
    }
    p.setPen(c.text);
    p.drawText(QRectF(rect()).adjusted(6, 4, -6, 0), Qt::AlignTop | Qt::AlignLeft, text);
}

void ScopeView::mouseMoveEvent(QMouseEvent* event) {
    pointer_ = event->position();
    update();
}

void ScopeView::leaveEvent(QEvent*) {
    pointer_.reset();
    update();
}

QString ScopeView::inWords() const {
    QStringList words;
    for (const ScopeMark& mark : marks_)
        words.append(tr("%1: red %2, green %3, blue %4")
                         .arg(mark.label.isEmpty() ? tr("pointer") : mark.label)
                         .arg(std::lround(mark.colour[0] * 255))
                         .arg(std::lround(mark.colour[1] * 255))
                         .arg(std::lround(mark.colour[2] * 255)));
    return words.join(QStringLiteral("; "));
}

} // namespace baryton
