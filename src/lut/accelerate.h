#pragma once
#include "render/program.h"

namespace baryton {

/// A grade made quick for a control that is moving: Prep and Look baked as one cube of `size`³ nodes (layers with
/// masks as cubes of their own, behind them), Finish exact behind it. What is shown from it must be replaced by the
/// exact program when the hand rests; files are never made with it.
Program accelerated(const Grade& grade, int size = 33);

} // namespace baryton
