#pragma once
#include "grade/grade.h"
#include "picture/picture.h"

#include <vector>

namespace baryton::bench {

/// A number of a stage that a hand moves: from a value in steps.
struct MovedNumber {
    const char *type = nullptr, *name = nullptr;
    double from = 0, step = 0;
};

/// Milliseconds from a parameter change to the painted viewer of 1280 × 800 pixels, fitted, for `changes` changes in
/// a row of a number of the grade's Look or Finish.
std::vector<double> previewTimes(const Picture& picture, const Grade& grade, int changes,
                                 const MovedNumber& moved = {"wheels", "midtones.amount", 0.1, 0.002});

} // namespace baryton::bench
