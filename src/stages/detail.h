#pragma once
#include <vector>

namespace baryton {

/// The constants of Detail at one scale. V is the working encoding, y luma of V, G a Gaussian of `radius` pixels of
/// the full-size picture.
///
/// Unsharp mask: what is added to all three channels alike is
///
///     d = soft(y − G y, threshold) · amount,   soft(v, t) = sign(v) · max(0, |v| − t),
///
/// held so that y + d does not leave the range of luma in the 3 × 3 pixels about by more than `allowance`.
///
/// High-pass: with h = y − G y each channel becomes V + 2·amount·h·max(0, min(V, 1 − V)): the usual soft laying of a
/// high-pass layer, which leaves black and white alone.
struct DetailConstants {
    static constexpr float kWidestAllowance = 0.25F; ///< with the halo guard nearly off

    std::vector<float> weights; ///< of G, from the middle outward
    bool isHighPass = false;
    float amount = 0, threshold = 0;
    float allowance = 0; ///< beyond kWidestAllowance: no guard
};

} // namespace baryton
