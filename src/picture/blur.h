#pragma once
#include "picture/picture.h"

#include <cstddef>
#include <vector>

namespace baryton {

/// The three colour planes, as the numbers they are, blurred by a Gaussian of `sigma` pixels (0 or more); beyond the
/// edge the picture is mirrored. Error below 0.5 % of the peak of a point's image, sigma within 1 %.
///
/// Cost does not grow with sigma: a wide one is worked out on planes made smaller by halves, whose own spread is
/// taken off sigma, and laid out again as cubic B-splines (Unser, "Splines", IEEE Signal Processing Magazine 16/6,
/// 1999). All filters are of finite length and anchored at the picture's origin.
Picture blurred(const Picture& picture, double sigma);

/// All planes at half their size, rounded up, as the numbers they are, by [1 3 3 1] / 8 both ways: a variance of 3/4
/// of a pixel.
Picture halfOf(const Picture& picture);

/// The weights of a Gaussian from its middle outward; over both sides they sum to 1. Below 0.8 pixels, where a
/// sampled one would be wrong, three weights matched to exp(−σ²ω²/2) at ω = 0, π/2 and π.
std::vector<float> gaussianWeights(double sigma);

/// out[i] = weights[0]·middle[i] + Σ weights[k]·(before[k − 1][i] + after[k − 1][i]), k from 1, for `count` values.
void symmetricSum(const float* const* before, const float* middle, const float* const* after,
                  const std::vector<float>& weights, std::size_t count, float* out);

/// A row of a surface given as the coefficients of a uniform cubic B-spline: four neighbouring rows of coefficients
/// and their weights, summed once, then read at any place across.
struct BsplineRow {
    /// The place `y` in samples (0: the middle of the first) of planes of `height` rows; rows past the ends repeat.
    BsplineRow(double y, int height);
    int rows[4];
    float weights[4];
};
/// The weights of four neighbouring coefficients for a place `t` (0…1) past the second.
void bsplineWeights(float t, float* weights);

} // namespace baryton
