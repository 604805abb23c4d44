#pragma once
#include "base/task.h"
#include "picture/lens_map.h"
#include "picture/orientation.h"
#include "picture/perspective.h"
#include "picture/picture.h"

#include <functional>

namespace baryton {

/// A part of a picture, turned and made straight: where each pixel of the result lies in the picture it comes from,
/// once that is oriented.
///
/// With c the middle of the part, W × H the result's size and a the angle, the centre of pixel (i, j) of the result
/// lies in the straight picture at c + (u·cos a + v·sin a, −u·sin a + v·cos a), u = i + ½ − W/2, v = j + ½ − H/2, and
/// from there `perspective` leads to the picture (see straightToPicture), and `lens` to the source as the lens made
/// it, a little elsewhere for each colour; its gain is light that is added there.
struct Placement {
    int width = 0, height = 0;       ///< of the result
    double centreX = 0, centreY = 0; ///< c, in pixels of the straight picture
    double angle = 0;                ///< radians, clockwise as it is seen
    Orientation orientation{};       ///< of the source, ahead of all else
    Mat3 perspective = kNoPerspective;
    std::shared_ptr<const LensMap> lens{}; ///< null for none; for the source's size

    bool isStraight() const { return perspective == kNoPerspective; }
    /// True when the oriented picture's pixels are copied as they are: nothing is turned by an angle or drawn out,
    /// and the part begins at whole pixels.
    bool copiesPixels() const;
    bool operator==(const Placement& other) const;
};

/// The whole of a picture as it is.
Placement wholeOf(int width, int height);

/// From places of the result to the picture as it is without what the lens did: what is worked out once for many. The
/// placement must outlive it.
class Unturned {
public:
    explicit Unturned(const Placement& placement);
    PlacedPoint operator()(PlacedPoint result) const;

private:
    const Placement& placement_;
    double cos_, sin_;
    bool isStraight_;
};

/// A place of the result in the oriented source, of one of its colours (0 red, 1 green, 2 blue), and that of the
/// green the other way round.
PlacedPoint toSource(const Placement& placement, PlacedPoint result, std::size_t colour = 1);
PlacedPoint fromSource(const Placement& placement, PlacedPoint source);
/// What the linear light of a place of the result is multiplied by.
double gainAt(const Placement& placement, PlacedPoint result);

/// The rows of a source of `sourceHeight` rows that rows `y` to `y + count` of a placed picture are made of.
struct RowRange {
    int top = 0, count = 0;
};
RowRange rowsBehind(const Placement& placement, int sourceHeight, int y, int count);

/// Rows `y` to `y + count` of the placed picture. `band` holds at least the rows `rowsBehind` names, from row
/// `bandTop` of an oriented source of `sourceHeight` rows; the part lies inside the source. Up to `threads` threads
/// (0: all cores).
///
/// Turned pixels are interpolated in the working encoding by a Lanczos kernel of three pixels to either side, held to
/// the range of the 4 × 4 pixels around, so that nothing rings; beside transparent pixels linearly, weighted by
/// alpha. Where a pixel covers more than one of the source it is the mean, in linear light, of four places, as far
/// apart as gives them the spread of what it covers. Each comes from the same numbers whatever rows are asked for.
/// Past the picture's edge its last pixel repeats. What a cancelled task returns is not whole.
Picture placedRows(const Picture& band, int bandTop, int sourceHeight, const Placement& placement, int y, int count,
                   int threads = 0, const Task* task = nullptr);

/// The placed picture as a whole, which knows its place in the source (framePlace). Throws Cancelled.
Picture placed(const Picture& picture, const Placement& placement, int threads = 0, const Task* task = nullptr);

} // namespace baryton
