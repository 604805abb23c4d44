#pragma once
#include <algorithm>
#include <cstddef>
#include <vector>

namespace baryton {

/// One plane of floats, row by row from the top.
struct Plane {
    int width = 0, height = 0;
    std::vector<float> values;

    Plane() = default;
    Plane(int w, int h) : width(w), height(h), values(static_cast<std::size_t>(w) * static_cast<std::size_t>(h)) {}

    float* row(int y) { return values.data() + offset(y); }
    const float* row(int y) const { return values.data() + offset(y); }
    /// The row at y, or the nearest there is.
    const float* nearestRow(int y) const { return row(std::clamp(y, 0, height - 1)); }

private:
    std::size_t offset(int y) const { return static_cast<std::size_t>(y) * static_cast<std::size_t>(width); }
};

} // namespace baryton
