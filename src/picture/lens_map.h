#pragma once
#include "picture/lens.h"
#include "picture/perspective.h"

#include <array>
#include <memory>
#include <vector>

namespace baryton {

/// Where each pixel of a corrected picture lies in one that a lens has made, for pictures of one size.
///
/// All of Lensfun's corrections go by the distance r from the lens's axis. They are sampled along it, once, and
/// between samples taken as straight (within 0.002 px). The corrected picture is as large as the picture and is
/// scaled so that it is filled: as far out as possible without leaving the picture anywhere.
class LensMap {
public:
    /// `turned`: how the picture stands beside its file's, beyond the file's own orientation. Null where nothing is
    /// to be done.
    static std::shared_ptr<const LensMap> of(const LensCorrection& correction, int width, int height,
                                             const Orientation& turned);

    bool movesColoursApart() const { return correction_.movesColoursApart(); }
    bool lightens() const { return correction_.lightens(); }
    /// Of red, green and blue, and what linear light there is to be multiplied by.
    struct Places {
        std::array<PlacedPoint, 3> colours;
        double gain = 1;
    };
    Places toSource(PlacedPoint corrected) const;
    /// The place whose green lies there.
    PlacedPoint fromSource(PlacedPoint source) const;
    /// What lengths of the corrected picture are multiplied by, about the lens's axis, so that the picture is filled.
    double scale() const { return scale_; }

    bool operator==(const LensMap& other) const {
        return correction_ == other.correction_ && width_ == other.width_ && height_ == other.height_ &&
               turned_ == other.turned_;
    }

private:
    LensMap(const LensCorrection& correction, int width, int height, const Orientation& turned);
    struct Sample {
        std::array<double, 3> ratios{1, 1, 1}; ///< the distance in the source over that in the corrected picture
        double gain = 1;
    };
    Sample at(double r) const;
    bool fills(double scale) const;
    LensCorrection correction_;
    int width_, height_;
    Orientation turned_;
    PlacedPoint centre_;
    double reach_ = 1; ///< the last sample's r
    double scale_ = 1; ///< r of the samples over r in the corrected picture
    std::vector<Sample> samples_;
};

} // namespace baryton
