#pragma once
#include <span>

namespace baryton {

/// Width to height, as the trade writes it.
struct AspectRatio {
    const char *id, *name;
    double proportions;
};

/// The ratios that are offered by name, lying ones first.
std::span<const AspectRatio> aspectRatios();

} // namespace baryton
