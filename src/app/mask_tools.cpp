#include "app/mask_tools.h"
#include "app/settings.h"

#include <QDataStream>
#include <QIODevice>
#include <algorithm>

namespace baryton {

namespace {

const QString kLayoutName = QStringLiteral("mask tools");
constexpr double kSmallestBrush = 0.002, kLargestInHand = 0.5; // of the picture's long side

} // namespace

MaskTools::MaskTools(QObject* parent) : QObject(parent) {
    QByteArray kept = layoutState(kLayoutName);
    QDataStream in(&kept, QIODevice::ReadOnly);
    Brush brush;
    int last = 0;
    QColor colour;
    in >> brush.size >> brush.softness >> brush.flow >> brush.keepsToColour >> last >> colour;
    if (in.status() != QDataStream::Ok || !colour.isValid()) return;
    setBrush(brush);
    last_ = static_cast<MaskVeil>(std::clamp(last, 1, static_cast<int>(MaskVeil::OnBlack)));
    colour_ = colour;
}

void MaskTools::keep() const {
    QByteArray bytes;
    QDataStream out(&bytes, QIODevice::WriteOnly);
    out << brush_.size << brush_.softness << brush_.flow << brush_.keepsToColour << static_cast<int>(last_)
        << colour_;
    rememberLayout(kLayoutName, bytes);
}

void MaskTools::setBrush(Brush brush) {
    const auto held = [](double v, double low, double high) { return v >= low ? std::min(v, high) : low; };
    brush.size = held(brush.size, kSmallestBrush, kLargestInHand);
    brush.softness = held(brush.softness, 0, 1), brush.flow = held(brush.flow, 0.01, 1);
    if (brush == brush_) return;
    brush_ = brush;
    keep();
    Q_EMIT brushChanged();
}

void MaskTools::changeBrush(double sizeBy, double softerBy) {
    Brush next = brush_;
    next.size *= sizeBy, next.softness += softerBy;
    setBrush(next);
}

void MaskTools::setVeil(MaskVeil veil) {
    if (veil == veil_) return;
    veil_ = veil;
    if (veil != MaskVeil::None) last_ = veil, keep();
    Q_EMIT veilChanged();
}

void MaskTools::toggleVeil() {
    setVeil(veil_ == MaskVeil::None ? last_ : MaskVeil::None);
}

void MaskTools::setColour(const QColor& colour) {
    if (!colour.isValid() || colour == colour_) return;
    colour_ = colour;
    keep();
    Q_EMIT veilChanged();
}

} // namespace baryton
