#pragma once
#include "stages/stage_type.h"

#include <optional>

namespace baryton {

/// A preset applied with a strength of 0…2 (see `applied` for what is set where).
///
/// What is set goes that part of the way from what was there: numbers on a straight line, angles the short way round,
/// held to their ranges; curves point by point; switches, choices and LUTs change at one half. Of layers that are
/// added, the layer's own strength is that much, and past 1 the numbers in it go further from their defaults.
///
/// Its masks are laid into the frame that the grade has then (see framed_masks.h), or into that of `laidIn`.
Grade appliedWithStrength(const Grade& grade, const Preset& preset, ApplyMode mode, double strength,
                          const std::optional<Grade>& laidIn = {});

/// One value part of the way to another (0…2).
Value between(const ParameterType& type, const Value& from, const Value& to, double strength);

} // namespace baryton
