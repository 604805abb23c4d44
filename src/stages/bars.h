#pragma once

namespace baryton {

/// The constants of Bars, on the working encoding; only the pixels that an edge crosses go through linear light.
struct BarsConstants {
    static constexpr float kLeastPixel = 1e-7F; ///< of the frame's width: a colour alone has no size

    double proportions = 1; ///< width over height of the opening
    double place = 0.5;     ///< of the opening within what is left: 0 at the left or top, 1 at the right or bottom
    float colour[3] = {0, 0, 0}; ///< linear
};

} // namespace baryton
