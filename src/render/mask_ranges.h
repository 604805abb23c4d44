#pragma once
#include "grade/mask.h"
#include "stages/oklab.h"

#include <array>

namespace baryton {

/// A range of tones or colours as the vector code uses it: a product of soft windows over numbers of the colour.
struct RangeWeights {
    struct Window {
        float low = 0, high = 1, perSoftness = 1;
    };
    bool isOfTones = false;
    Window tone;              ///< luma held to 0…1
    Window lightness, chroma; ///< of OKLCh
    HueWindow hue;
    float openGrey = 0; ///< 1 where colours without a hue are let through

    explicit RangeWeights(const MaskTones& tones);
    explicit RangeWeights(const MaskColours& colours);
    /// Of one colour in the working encoding, in double.
    double weight(const std::array<double, 3>& encoded) const;
};

/// Of `count` colours in the working encoding, padded to whole vectors.
void runRangeWeights(const RangeWeights& range, const float* const* rgb, std::size_t count, float* weights);
/// The same colours as planes of OKLab; what lies outside the cones' range is cut off.
void runOklab(const float* const* rgb, std::size_t count, float* const* lab);

/// The range that just holds a colour, and the one that holds what a range held and a colour as well.
MaskColours coloursAround(const std::array<double, 3>& encoded);
MaskColours widenedBy(const MaskColours& colours, const std::array<double, 3>& encoded);
MaskTones tonesAround(const std::array<double, 3>& encoded);
MaskTones widenedBy(const MaskTones& tones, const std::array<double, 3>& encoded);
/// OKLab of a colour in the working encoding.
std::array<double, 3> oklabOf(const std::array<double, 3>& encoded);

} // namespace baryton
