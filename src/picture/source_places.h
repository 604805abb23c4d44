#pragma once
#include "picture/placement.h"

#include <array>
#include <vector>

namespace baryton {

/// Where the pixels of a placed picture that is made straight, or freed of what a lens did, lie in its source: worked
/// out for every few pixels of a row, and between them evenly (within 0.005 px), from the row's number and nothing
/// else.
class SourcePlaces {
public:
    explicit SourcePlaces(const Placement& placement);
    SourcePlaces(const SourcePlaces&) = delete;
    SourcePlaces& operator=(const SourcePlaces&) = delete;

    /// Of a pixel of the result: the place of each of its colours, red first (of the first alone, where they have
    /// one). `across` and `down` lead from there to the four places that it is the mean of, each added and taken
    /// away: nothing where one is enough.
    struct Place {
        std::array<PlacedPoint, 3> colours;
        PlacedPoint across, down;
        double gain = 1; ///< of linear light
    };
    /// How many places a pixel has, 1 or 3.
    int colours() const { return placement_.lens && placement_.lens->movesColoursApart() ? 3 : 1; }
    bool lightens() const { return placement_.lens && placement_.lens->lightens(); }
    int step() const { return step_; }
    /// Of pixels 0, step, 2·step … of row `y`, by their middles, one more than fit the row.
    void row(int y, std::vector<Place>& places) const;
    /// Whether any pixel is a mean.
    bool hasMeans() const { return hasMeans_; }

private:
    Place at(double x, double y) const;
    Placement placement_;
    Unturned inPicture_;
    bool isStraight_;
    int step_ = 1;
    bool hasMeans_ = false;
};

} // namespace baryton
