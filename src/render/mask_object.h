#pragma once
#include "grade/mask.h"
#include "picture/placement.h"

#include <memory>
#include <vector>

namespace baryton {

/// What is kept of an object has at most so many pixels along a side.
constexpr int kMostObjectSide = 1400;

/// What was found of an object, with a border of one pixel in which there is nothing.
struct ObjectRaster {
    int width = 0, height = 0;
    std::vector<float> values; ///< row by row: weights 0…1, or distances in pixels, positive within
};

/// The last few are kept, whatever is done to their edges. Null where there is nothing to decode. Safe to call from
/// any thread.
std::shared_ptr<const ObjectRaster> objectRaster(const MaskObject& object, bool asDistances = false);

/// An object made ready: a pixel's weight is taken from the raster at its place in the source, evenly between the
/// middles of four of its pixels. Where its edge was moved or made softer it goes by the distance from there.
class ObjectWeights {
public:
    /// `width` and `height`: the picture's sides in lengths of its long side.
    ObjectWeights(const MaskObject& object, double width, double height);
    /// Of places in fractions of the picture.
    void operator()(const float* x, const float* y, std::size_t count, float* weights) const;
    /// False where all weights are 0 in a rectangle of places, for certain.
    bool reaches(float left, float top, float right, float bottom) const;

private:
    bool isByDistance_ = false;
    std::shared_ptr<const ObjectRaster> raster_;
    float ux_ = 0, uy_ = 0, u0_ = 0, vx_ = 0, vy_ = 0, v0_ = 0; ///< a place's column and row in the raster
    float grow_ = 0, perFade_ = 0;                              ///< by distance: in pixels, and 1 / how far it fades
    float beyond_ = 0;                                          ///< how far it reaches beyond the raster
};

} // namespace baryton
