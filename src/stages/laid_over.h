#pragma once
#include "picture/picture.h"
#include "stages/kernel.h"
#include "stages/plane.h"

#include <vector>

namespace baryton {

/// Planes that were worked out on the base level, laid over the picture at any size: coefficients of a uniform cubic
/// B-spline over the frame, and their halvings, so that a smaller view takes a smaller one. How they are read at the
/// pixels of a block stands in laid_over-inl.h.
class LaidOver {
public:
    struct Level {
        std::vector<Plane> planes;
        float columns = 0, rows = 0; ///< how many coefficients span the frame: the last one may lie half outside
    };

    LaidOver() = default;
    /// What is smooth: the first `planes` planes are the coefficients, halved by [1 3 3 1] / 8.
    LaidOver(const Picture& coefficients, int planes, float columns, float rows);
    /// What has detail: the surface passes through the samples nearly ([−1 8 −1] / 6, exact for cubics; Unser 1999),
    /// and is halved as sharply as pictures are (Lanczos of two lobes).
    explicit LaidOver(Plane samples);
    const std::vector<Level>& levels() const { return levels_; }

private:
    std::vector<Level> levels_;
};

/// How many coefficients a pixel may span at most, so that those of the narrowest vector of pixels lie within one
/// vector, or two.
constexpr float kOneTableStep = 0.75F, kTwoTablesStep = 1.5F;

/// The coefficients that the pixels of a block need, summed down to its height.
struct LaidRows {
    const float* rows[4]{}; ///< of each plane; a vector beyond the last one that is needed can be read
    int origin = 0;         ///< where in them column 0 is
    float columns = 0;      ///< that span the frame
};

/// The rows of the largest level of which a pixel spans at most `mostStep` coefficients. They stay until the thread
/// asks for others.
LaidRows laidRows(const LaidOver& over, const Block& block, float mostStep);

} // namespace baryton
