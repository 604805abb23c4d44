#pragma once
#include "picture/placement.h"

namespace baryton {

/// Rows `y` to `y + count` of a placed picture whose pixels are not just copied (see placedRows).
Picture warpedRows(const Picture& band, int bandTop, int sourceHeight, const Placement& placement, int y, int count,
                   int threads, const Task* task);

/// How many pixels to either side of its place a pixel is made of.
constexpr int kWarpReach = 3;

} // namespace baryton
