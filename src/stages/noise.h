#pragma once
#include <cstddef>
#include <vector>

namespace baryton {

/// The constants of Noise at one scale. V is the working encoding, in which the noise of a sensor is about as strong
/// in the darks as in the lights; y luma of V, and R − y, B − y its colour.
///
/// Each is taken apart by the à trous algorithm with the B3 spline (Holschneider and others 1989; Starck and Murtagh
/// 1994): c₀ is the plane, c_{i+1} = B3(2^i) ∗ c_i with the taps [1 4 6 4 1]/16 at 2^i pixels in both directions,
/// w_i = c_i − c_{i+1}. What is left is c_n + Σ w_i·max(0, 1 − (t_i/w_i)⁴): what is weaker than t_i goes, and what is
/// twice as strong keeps 94 % of itself (a garrote after Gao 1998, of the fourth power, so that edges stay).
///
/// t_i = reach·amount²·p(i + k), with the shares p of noise that came through a demosaicing, and k = −log₂ of the
/// pixels for one of the full-size picture: structure of one size is met with one threshold whatever the scale. The
/// first level of a smaller picture holds besides what of the noise is left in its averages: p is at least p(0)·2⁻ᵏ.
struct NoiseConstants {
    std::vector<float> luma, colour; ///< thresholds, level by level
    /// How many pixels around it a pixel depends on.
    int margin() const;
};

/// The amounts, 0 and up, whose thresholds at a level (0 or 1) of a picture of full size are `threshold`.
double noiseLumaAmount(std::size_t level, double threshold);
double noiseColourAmount(std::size_t level, double threshold);

} // namespace baryton
