#pragma once

namespace baryton {

/// The constants of Wheels, and the formula in double; the vector code computes the same.
///
///     v₁ = v + lift·(1 − v)                      shadows' level: lifts, white held
///     v₂ = v₁ + bend·v₁·(1 − v₁)                 midtones' level: both ends held
///     v₃ = v₂·(1 + gain) + offset                highlights' level: black held; the whole's level: moves everything
///     v₄ = v₃ + ws·S + wm·M + wh·H + W           colours, with tone weights of the *input's* luma
///
/// The midtones are bent by a parabola, not by a power: a power's slope has no end at black, where it would tear
/// noise apart. Outside 0…1 it goes on straight. Colours are d(hue)·amount·0.25, scaled down together where a
/// channel's response along the greys would otherwise rise by less than 0.05 per unit (a fold).
struct WheelsConstants {
    float lift = 0, bend = 0, gain = 0, offset = 0;
    float shadowLow = 0, highlightLow = 0, perWidth = 2; ///< smoothsteps of the tone weights
    float shadows[3]{}, midtones[3]{}, highlights[3]{}, whole[3]{};

    double tone(double v) const;
    void weights(double y, double& s, double& m, double& h) const;
    /// The smallest slope of any channel along the greys 0…1.
    double leastSlope() const;
    void apply(double rgb[3]) const;
};

/// How far amount 100 % pushes, and each level at 100 %.
constexpr double kWheelReach = 0.25, kLiftReach = 0.25, kBendReach = 0.7, kGainReach = 0.35, kOffsetReach = 0.2;

} // namespace baryton
