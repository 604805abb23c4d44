#pragma once
#include "picture/picture.h"

#include <algorithm>
#include <array>
#include <cstddef>
#include <random>
#include <vector>

namespace baryton {

// Any number of colours as a picture, so that programs run over them as over anything else.

constexpr std::size_t kColourRow = 1024; ///< colours side by side: many rows can be shared out

/// Room for so many; what is left over of the last row is black.
inline Picture colourRows(std::size_t count) {
    return Picture(static_cast<int>(std::min(count, kColourRow)),
                   static_cast<int>((count + kColourRow - 1) / kColourRow));
}
inline Picture colourRows(const std::vector<std::array<float, 3>>& colours) {
    Picture rows = colourRows(colours.size());
    for (std::size_t i = 0; i < colours.size(); ++i)
        for (std::size_t k = 0; k < 3; ++k)
            rows.row(static_cast<int>(k), static_cast<int>(i / kColourRow))[i % kColourRow] = colours[i][k];
    return rows;
}
inline std::array<float, 3> colourIn(const Picture& rows, std::size_t i) {
    const int y = static_cast<int>(i / kColourRow);
    const std::size_t x = i % kColourRow;
    return {rows.row(0, y)[x], rows.row(1, y)[x], rows.row(2, y)[x]};
}

/// Colours by chance, the same each time.
class ColoursByChance {
public:
    explicit ColoursByChance(unsigned seed) : random_(seed) {}
    float number() { ///< 0…1
        return static_cast<float>(random_() - std::minstd_rand::min()) /
               static_cast<float>(std::minstd_rand::max() - std::minstd_rand::min());
    }
    std::array<float, 3> anywhere() { ///< in the cube
        const float r = number(), g = number(), b = number();
        return {r, g, b};
    }
    std::array<float, 3> of(const Picture& picture) { ///< one of its pixels, held to the numbers of a file
        const std::size_t width = static_cast<std::size_t>(picture.width()),
                          at = random_() % (width * static_cast<std::size_t>(picture.height()));
        std::array<float, 3> rgb{};
        for (int k = 0; k < 3; ++k)
            rgb[static_cast<std::size_t>(k)] =
                std::clamp(picture.row(k, static_cast<int>(at / width))[at % width], 0.0F, 1.0F);
        return rgb;
    }

private:
    std::minstd_rand random_;
};

} // namespace baryton
