#pragma once
#include "stages/laid_over.h"

namespace baryton {

/// The constants of Local contrast, on the working encoding; y is luma.
///
///     f_g(y) = (y − g) · (1 − ((y − g) / w)²)³ where |y − g| < w, else 0        w = 0.245, near a Gaussian of 0.1
///     Δ      = Σ_l share_l · L_l[f_g], g taken from level l of y's Gaussian pyramid
///     V'     = V + amount · Δ · end(y)
///
/// L_l is level l of the Laplacian pyramid of the base level's luma sent through f_g; levels coarser than the reach
/// are left out, the last one by a share. end falls to 0 in the last tenth towards black and white, so that both
/// stay.
///
/// What differs from its surroundings by less than w is texture and is made stronger (or weaker); what differs by
/// more is an edge and stays as it is, which is why no halo forms. Local Laplacian filters (Paris, Hasinoff and Kautz
/// 2011) in their fast form: remapped for a few g only, interpolated between (Aubry and others 2014).
struct LocalContrastConstants {
    static constexpr float kEdge = 0.245F;
    static constexpr int kSteps = 16;    ///< from one g to the next: a sixteenth of the range
    static constexpr float kEnds = 0.1F; ///< of the range at either end

    LaidOver laid; ///< amount · Δ in the first plane
};

} // namespace baryton
