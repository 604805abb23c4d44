#pragma once
#include "batch/batch.h"

namespace baryton {

/// What can be told of a run before it begins.
struct Foresight {
    std::size_t files = 0;    ///< to be made
    std::size_t there = 0;    ///< of their names, those at which something lies
    std::uintmax_t bytes = 0; ///< that will about be written
    std::uintmax_t free = 0;  ///< that the disk has; 0 where that can't be told
    /// Less than what is likely to be needed.
    bool isTight() const { return free > 0 && bytes > free; }
};

/// Of a plan's files that are not made yet. Their bytes are reckoned from the sizes of some of the pictures, spread
/// over the set, and from what each kind of file takes for a pixel of a photograph as a rule. Throws Error as jobsOf
/// does.
Foresight foresee(const BatchPlan& plan);

/// About how many bytes a file of that many pixels takes.
double usualBytes(const OutputFormat& format, double pixels);

} // namespace baryton
