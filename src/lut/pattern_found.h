#pragma once
#include "base/task.h"
#include "lut/pattern.h"
#include "picture/picture.h"

#include <optional>

namespace baryton {

/// Where our own pattern lies in a picture that came back: whole or cropped, resized, a little turned.
struct FoundPattern {
    int size = 0;
    /// From pixels of the pattern to pixels of the picture: x' = map[0] x + map[1] y + map[2], y' = map[3] x + …
    std::array<double, 6> map{1, 0, 0, 0, 1, 0};
    int marks = 0; ///< how many of the four are in sight
    /// How far edges overshoot, as a share of their step: what sharpening adds.
    double overshoot = 0;

    std::array<double, 2> at(double x, double y) const {
        return {map[0] * x + map[1] * y + map[2], map[3] * x + map[4] * y + map[5]};
    }
    double scaleX() const;
    double scaleY() const;
    double turn() const; ///< degrees clockwise
    bool isUnmoved() const { return map == std::array<double, 6>{1, 0, 0, 0, 1, 0}; }
};

/// Found by its marks, by normalised correlation over scales of 0.2 to 3, then its size by the bits beside the upper
/// left one; nothing where that mark or the bits can't be made out. Throws Cancelled when the task says so.
std::optional<FoundPattern> findPattern(const Picture& picture, const Task* task = nullptr);

} // namespace baryton
