#include "app/widgets/mask_veil.h"

#include <algorithm>

namespace baryton {

namespace {

constexpr int kHalf = 128;

/// White where half is let through, with black beside it, so that it is seen on any picture.
QImage edgeOf(const QImage& weights) {
    QImage veil(weights.size(), QImage::Format_ARGB32_Premultiplied);
    veil.fill(Qt::transparent);
    const int width = weights.width(), height = weights.height();
    const auto isIn = [&](int x, int y) {
        return weights.constScanLine(std::clamp(y, 0, height - 1))[std::clamp(x, 0, width - 1)] >= kHalf;
    };
    for (int y = 0; y < height; ++y) {
        auto* out = reinterpret_cast<QRgb*>(veil.scanLine(y));
        for (int x = 0; x < width; ++x) {
            const bool in = isIn(x, y);
            const bool isBeside =
                in != isIn(x - 1, y) || in != isIn(x + 1, y) || in != isIn(x, y - 1) || in != isIn(x, y + 1);
            if (isBeside) out[x] = in ? qRgba(255, 255, 255, 255) : qRgba(0, 0, 0, 200);
        }
    }
    return veil;
}

} // namespace

QImage veilOf(const QImage& weights, MaskVeil how, const QColor& colour) {
    if (how == MaskVeil::None || weights.isNull()) return {};
    if (how == MaskVeil::Edge) return edgeOf(weights);
    constexpr double darkest = 0.72, densest = 0.6;
    QRgb shades[256];
    for (int w = 0; w < 256; ++w) {
        const auto share = [&](double most, int of) { return static_cast<int>(most * of); };
        const int in = how == MaskVeil::Coloured ? share(densest, w) : 0;
        shades[w] = how == MaskVeil::Grey ? qRgba(w, w, w, 255)
                    : how == MaskVeil::Coloured
                        ? qRgba(colour.red() * in / 255, colour.green() * in / 255, colour.blue() * in / 255, in)
                    : how == MaskVeil::Darkened ? qRgba(0, 0, 0, share(darkest, 255 - w))
                                                : qRgba(0, 0, 0, 255 - w);
    }
    QImage veil(weights.size(), QImage::Format_ARGB32_Premultiplied);
    for (int y = 0; y < veil.height(); ++y) {
        const uchar* in = weights.constScanLine(y);
        auto* out = reinterpret_cast<QRgb*>(veil.scanLine(y));
        for (int x = 0; x < veil.width(); ++x) out[x] = shades[in[x]];
    }
    return veil;
}

} // namespace baryton
