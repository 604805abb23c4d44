#pragma once
#include "colour/matrix.h"

namespace baryton {

/// Skin as it is met, as in lut/health.h: OKLCh hue 35…75°, chroma 0.04…0.13, lightness 0.4…0.85. In the working
/// encoding, white balanced.
bool isSkin(const Vec3& encoded);

/// So little colour (OKLCh chroma below 0.03) that it is likely grey.
bool isNearGrey(const Vec3& encoded);

} // namespace baryton
