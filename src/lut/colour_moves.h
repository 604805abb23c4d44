#pragma once
#include "base/task.h"
#include "grade/grade.h"

#include <array>
#include <vector>

namespace baryton {

/// Where a colour is taken, in numbers of sRGB.
struct ColourMove {
    std::array<float, 3> before{}, after{};
    double apart = 0; ///< CIEDE2000, both held to 0…1
};

/// n³ colours that lie evenly in the cube, red fastest.
std::vector<std::array<float, 3>> cubeColours(int n);

/// Colours of one lightness (OKLab, 0…1), evenly over the plane of its a and b, n across −0.34…0.34: those of them
/// that sRGB has.
std::vector<std::array<float, 3>> sliceColours(double lightness, int n);

/// What becomes of colours in that of a Look which knows of colours alone.
std::vector<ColourMove> colourMoves(const Grade& look, const std::vector<std::array<float, 3>>& colours,
                                    const Task* task = nullptr);

/// From where one Look takes colours to where another does: `before` is what `one` makes of each.
std::vector<ColourMove> colourMovesBetween(const Grade& one, const Grade& other,
                                           const std::vector<std::array<float, 3>>& colours,
                                           const Task* task = nullptr);

} // namespace baryton
