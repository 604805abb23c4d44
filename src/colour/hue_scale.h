#pragma once
#include "colour/matrix.h"

namespace baryton {

// The one scale of hue that people are shown: OKLCh (Ottosson 2020), in degrees 0…360. Equal steps of it look about
// equally far, it is what every window of hues is computed in, and it is an open standard (CSS Color 4, `oklch()`),
// so that a number noted here means the same elsewhere. Pulls and the scope lie in the plane of the vectorscope,
// whose angles are not shown as numbers: they are told as the hue that a middle grey takes when it is pulled that
// way.

/// The hue of a colour in the working encoding; meaningless where it has next to no chroma.
double hueOf(const Vec3& encoded);

/// The hue that a middle grey takes when it is pulled toward this angle of the vectorscope (see hueDirection). Goes
/// once round as the angle does, without a jump.
double hueOfDirection(double degrees);
/// The angle, 0…360, that pulls a middle grey toward this hue: the inverse, to 1e-9.
double directionOfHue(double hue);

/// The hue that lies opposite: the one whose pull takes this one's pull back.
double oppositeHue(double hue);

} // namespace baryton
