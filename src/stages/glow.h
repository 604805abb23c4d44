#pragma once
#include "picture/picture.h"

namespace baryton {

/// The light that lamps give to what surrounds them: amount · (n · G₁ ∗ S + (1 − n) · G₂ ∗ S), with G₁ a Gaussian of
/// `sigma` pixels, G₂ one of `farTimes` that, n the share of the near one. `lights` is S, made smaller by halfOf; the
/// result is meant for the coefficients of a cubic B-spline: what both spread by themselves is taken off sigma.
Picture glowOf(const Picture& lights, double sigma, float farTimes, float nearShare, float amount);

} // namespace baryton
