#pragma once

namespace baryton {

/// The constants of Fill, in the working encoding.
struct FillConstants {
    float from[3] = {0, 0, 0}, way[3] = {0, 0, 0}; ///< the first colour, and how far it is to the second
    float sinTurn = 0, cosTurn = 1;                ///< the way that it goes over to the second: 0 is down the frame
    float start = 0, perLength = 1;                ///< where it leaves the first, 1 / how far to the second
};

} // namespace baryton
