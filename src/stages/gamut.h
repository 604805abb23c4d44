#pragma once

namespace baryton {

/// Gamut compression: chroma folded toward the most that sRGB holds at a colour's lightness and hue (both as OKLCh
/// has them), so that what lies past the limit comes inside it in order, rather than being cut channel by channel.
///
/// With d the distance from grey as a multiple of the limit's, knee k and reach r (how far past the limit comes to
/// lie on it, > 1):
///     d' = d                                  for d ≤ k
///     d' = k + (d − k) / √(1 + ((d − k)/s)²)  above,   s = (r − k)(1 − k) / √((r − k)² − (1 − k)²)
/// which has slope 1 at the knee, gives 1 at r and rises throughout; blended by `amount`. The limit is found by
/// bisection along the line from the grey to the colour.
///
/// The grey is that of the colour's own lightness L, so that the fold keeps lightness and hue. Colours of which a
/// channel is past white would pale on that line: for them the grey is darker, L·(1 − darkening·w·c), with w rising
/// as the largest channel in linear light goes from 1 to 1 + kDarkensOver and c as chroma goes from 0 to kColourful.
/// Colours lighter than white that have next to no chroma run out into white.
struct GamutConstants {
    float amount = 0, knee = 0, scale = 1, darkening = 0;
    static constexpr float kDarkensOver = 0.5F, kColourful = 0.1F;
    static constexpr float kGrey = 1e-5F; ///< chroma up to which a colour is grey and passes
    /// How often the line is halved: the limit is then right to a millionth.
    static constexpr int kHalvings = 20;

    GamutConstants(double amount, double knee, double reach, double darkening);
};

} // namespace baryton
