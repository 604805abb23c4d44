#pragma once
#include "render/program.h"

namespace baryton {

/// A grade made quick for a control that is moving: Prep and Look as one cube, Finish exact behind it.
struct Accelerated {
    Program program;
    /// The largest difference of any channel to the exact program over a fixed sample of colours in 0…1.
    double worstError = 0;
};

/// Bakes Prep and Look on `size`³ nodes. What is shown from it must be replaced by the exact program when the hand
/// rests; files are never made with it.
Accelerated accelerated(const Grade& grade, int size = 33);

} // namespace baryton
