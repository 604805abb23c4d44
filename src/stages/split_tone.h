#pragma once

namespace baryton {

/// The constants of Split tone, and the formula in double.
///
///     V + ws·S + wh·H      wh = smoothstep(c − 0.35, c + 0.35, y), ws = 1 − wh, c = 0.5 − 0.35·balance
///
/// with S, H = d(hue)·amount·0.35. With the ends held, both fade out over the darkest and lightest 15 % of luma. The
/// two are scaled down together where a channel's response along the greys would rise by less than 0.05 (a fold).
struct SplitToneConstants {
    float low = 0, perWidth = 1; ///< of the crossing
    bool holdEnds = false;
    float shadows[3]{}, highlights[3]{};
    static constexpr float endWidth = 0.15F;

    void apply(double rgb[3]) const;
    double leastSlope() const;
};
constexpr double kSplitReach = 0.35;

} // namespace baryton
