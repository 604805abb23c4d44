#pragma once
#include "app/theme/theme.h"
#include "lut/colour_moves.h"

#include <QPainter>
#include <algorithm>

namespace baryton {

// What views of moved colours draw alike.

/// Where a colour is that has gone so much of its way, 0…1.
inline std::array<double, 3> onItsWay(const ColourMove& move, double share) {
    std::array<double, 3> rgb{};
    for (std::size_t k = 0; k < 3; ++k) rgb[k] = move.before[k] + share * (move.after[k] - double(move.before[k]));
    return rgb;
}

inline QColor shownColour(const std::array<double, 3>& rgb) {
    const auto held = [](double v) { return static_cast<float>(std::clamp(v, 0.0, 1.0)); };
    return QColor::fromRgbF(held(rgb[0]), held(rgb[1]), held(rgb[2]));
}

/// Whether a channel is at an end, or beyond it, which it was not before.
inline bool isNewlyClipped(const ColourMove& move) {
    constexpr float end = 0.002F;
    for (std::size_t k = 0; k < 3; ++k)
        if ((move.after[k] <= 0 && move.before[k] > end) || (move.after[k] >= 1 && move.before[k] < 1 - end))
            return true;
    return false;
}

/// A dot in its own colour, with a line from where it was and a ring where it is clipped.
inline void drawMove(QPainter& p, const ColourMove& move, QPointF from, QPointF to, double share, double radius) {
    const auto& c = theme::colours();
    p.setPen(QPen(c.faint, 1));
    p.drawLine(from, to);
    p.setPen(share > 0 && isNewlyClipped(move) ? QPen(c.text, 1.4) : QPen(c.well, 0.8));
    p.setBrush(shownColour(onItsWay(move, share)));
    p.drawEllipse(to, radius, radius);
}

} // namespace baryton
