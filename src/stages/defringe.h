#pragma once

namespace baryton {

/// The constants of Defringe at one scale. V is the working encoding, y luma of V, u = R − y and v = B − y its
/// colour.
///
///     u, v ↦ (1 − e · max(purple·w_p, green·w_g)) · (u, v),   y stays,
///
/// e = smoothstep of the range of luma within `reach` pixels, from `edge` to twice that: lenses leave fringes only
/// beside strong edges. w_p and w_g are windows on the direction of (u, v), smoothsteps of the cosine of the angle to
/// its middle (58° for purple, 234° for green): full within 25°, nothing beyond 45°, where blue skies begin.
struct DefringeConstants {
    int reach = 1;
    float purple = 0, green = 0; ///< 0…1
    float edge = 0.2F;
};

} // namespace baryton
