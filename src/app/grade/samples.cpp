#include "app/grade/samples.h"
#include "colour/spaces.h"

#include <QCoreApplication>
#include <algorithm>
#include <cmath>

namespace baryton {

const QVector<QPointF>& Samples::of(int picture) const {
    static const QVector<QPointF> none;
    const auto at = points_.find(picture);
    return at == points_.end() ? none : at->second;
}

bool Samples::add(int picture, QPointF at) {
    auto& points = points_[picture];
    if (points.size() >= kMost) return false;
    points.append(at);
    return true;
}

void Samples::move(int picture, int sample, QPointF to) {
    auto& points = points_[picture];
    if (sample >= 0 && sample < points.size())
        points[sample] = {std::clamp(to.x(), 0.0, 1.0), std::clamp(to.y(), 0.0, 1.0)};
}

void Samples::remove(int picture, int sample) {
    auto& points = points_[picture];
    if (sample >= 0 && sample < points.size()) points.removeAt(sample);
}

void Samples::clear(int picture) {
    points_.erase(picture);
}

PixelRect sampledSquare(const Picture& picture, QPointF at) {
    const int cx = std::clamp(static_cast<int>(at.x() * picture.width()), 0, picture.width() - 1);
    const int cy = std::clamp(static_cast<int>(at.y() * picture.height()), 0, picture.height() - 1);
    const int reach = std::max(2, picture.longSide() / 800);
    const int x0 = std::max(0, cx - reach), y0 = std::max(0, cy - reach);
    return {x0, y0, std::min(picture.width(), cx + reach + 1) - x0, std::min(picture.height(), cy + reach + 1) - y0};
}

std::array<float, 3> meanColour(const Picture& picture, QPointF at) {
    return Plan(Program(), FrameMap::whole(picture), picture).mean(picture, sampledSquare(picture, at));
}

SampledPoint readSample(const Picture& source, const Plan& plan, QPointF at) {
    return samplePoint(meanColour(source, at), plan.mean(source, sampledSquare(source, at)));
}

QString sampleText(const QString& label, const SampledPoint& sample) {
    const auto words = [](const std::array<float, 3>& c) {
        QStringList parts;
        for (const float v : c)
            parts.append(
                QString::number(std::lround(std::clamp(v, 0.0F, 1.0F) * 255)).rightJustified(3, QChar(0x2007)));
        return parts.join(u' ');
    };
    QString text = QStringLiteral("%1   %2 → %3").arg(label, words(sample.before), words(sample.after));
    constexpr double least = 0.01; // below it a hue is noise
    if (sample.chroma > least)
        text += QCoreApplication::translate("Samples", "   hue %1°, opposite %2°")
                    .arg(std::lround(sample.hue))
                    .arg(std::lround(sample.opposite));
    text += QCoreApplication::translate("Samples", "   lightness %1").arg(std::lround(sample.lightness * 100));
    return text;
}

QString distanceText(const QString& label, const SampledPoint& one, const SampledPoint& other) {
    const auto lab = [](const SampledPoint& sample) {
        Vec3 held;
        for (std::size_t k = 0; k < 3; ++k) held[k] = std::clamp(double(sample.after[k]), 0.0, 1.0);
        return labFromSrgb(held);
    };
    return QCoreApplication::translate("Samples", "ΔE %1 to %2")
        .arg(deltaE2000(lab(one), lab(other)), 0, 'f', 1)
        .arg(label);
}

} // namespace baryton
