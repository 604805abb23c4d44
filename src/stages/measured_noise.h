#pragma once
#include "grade/grade.h"
#include "picture/picture.h"

#include <map>

namespace baryton {

/// What a sensor has added by chance, as standard deviations of V between pixels next to each other: of brightness
/// (luma) and of colour (the stronger of R − y and B − y), at the two finest levels of noise.h.
struct MeasuredNoise {
    double luma[2] = {}, colour[2] = {};
    bool isKnown = false; ///< false where no part of the picture is even enough, or none is within range
};

/// Measures a picture of full size. Of patches of 32 × 32 pixels all over it, of which few are at the ends of the
/// range, each has the deviation 1.4826 times the median of |w_i| (Donoho and Johnstone 1994); what a seventh of them
/// stay below is the noise, as those are the even ones: more than that has structure of its own.
MeasuredNoise measuredNoise(const Picture& picture);

/// The parameters of a Noise stage that take it out: thresholds of some two and a half deviations at either level,
/// in whole percents; nothing where it can't be seen.
std::map<std::string, Value> noiseParametersFor(const MeasuredNoise& noise);

} // namespace baryton
