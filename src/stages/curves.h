#pragma once
#include "stages/spline.h"

namespace baryton {

/// The constants of Curves: the common curve first, then the channels' own.
struct CurvesConstants {
    Spline rgb, channel[3];
};

} // namespace baryton
