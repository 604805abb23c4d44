#pragma once
#include "grade/grade.h"
#include "picture/picture.h"

#include <vector>

namespace baryton::bench {

/// Milliseconds from a parameter change to the painted viewer of 1280 × 800 pixels, fitted, for `changes` changes in
/// a row of the grade's Wheels.
std::vector<double> previewTimes(const Picture& picture, const Grade& grade, int changes);

} // namespace baryton::bench
