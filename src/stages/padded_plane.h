#pragma once
#include "picture/picture.h"

#include <cstddef>
#include <vector>

namespace baryton {

/// `count` rounded up to whole vectors of any instruction set.
inline std::size_t wholeVectors(int count) {
    return (static_cast<std::size_t>(count) + kRowPad - 1) / kRowPad * kRowPad;
}

/// A plane that Narrow stages work in, with room at the end of each row for a last vector that begins anywhere. It
/// keeps its memory from tile to tile.
class PaddedPlane {
public:
    void reset(int width, int height) {
        stride_ = wholeVectors(width) + kRowPad;
        const std::size_t size = stride_ * static_cast<std::size_t>(height) + kRowPad;
        if (floats_.size() < size) floats_.resize(size);
    }
    float* row(int y) { return floats_.data() + stride_ * static_cast<std::size_t>(y); }

private:
    std::vector<float> floats_;
    std::size_t stride_ = 0;
};

} // namespace baryton
