#pragma once
#include <numbers>

namespace baryton {

/// Radians in a degree.
constexpr double kRadians = std::numbers::pi / 180;

} // namespace baryton
