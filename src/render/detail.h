#pragma once
#include "picture/picture.h"

#include <vector>

namespace baryton {

/// How much is to be seen around each pixel, row after row: the standard deviation of luma over the 5 × 5 pixels
/// around it, in 8-bit levels; of what is shown (channels held to 0…1) or of all there is.
enum class Shown { Held, Whole };
std::vector<float> detailOf(const Picture& picture, Shown shown = Shown::Held);

/// Folds and texture of a picture that are gone in its graded version.
struct LostDetail {
    std::vector<std::size_t> pixels; ///< places in the maps of detail
    double share = 0;                ///< of the whole picture
    /// Of those pixels, in the graded version before it is held to 0…1: past white, past what sRGB holds, neither.
    double lights = 0, colours = 0, tones = 0;
};

/// Lost is what was plain to see in the source (2 levels) and is not in the graded version (less than a quarter of it
/// and less than 1 level); and what holding the graded version to 0…1 takes away plainly: two levels, leaving less
/// than 0.6 of what was there before. Lines along edges don't count, only where most of the 5 × 5 pixels around lose
/// too. Both of one size.
LostDetail lostDetail(const std::vector<float>& sourceDetail, const Picture& graded);

} // namespace baryton
