#pragma once
#include "picture/picture.h"
#include "render/program.h"

#include <array>
#include <cstdint>

namespace baryton {

/// How often each of 256 levels occurs, in the working encoding clipped to 0…1.
struct Histogram {
    std::array<std::uint32_t, 256> r{}, g{}, b{}, luma{};
    std::uint64_t pixels = 0;
};

Histogram histogramOf(const Picture& picture);

/// The same of lightness, the two opponent axes and chroma in OKLab (Ottosson 2020), on the scales of the curves over
/// them: lightness 0…1, the axes with grey in the middle (CurvesConstants::axisSpan), chroma from 0
/// (SaturationConstants::kChromaSpan).
struct OklabHistogram {
    std::array<std::uint32_t, 256> lightness{}, a{}, b{}, chroma{};
};

OklabHistogram oklabHistogramOf(const Picture& picture);

/// A colour (working encoding) on the scale of the curve over chroma, 0…1 and above.
double chromaOnCurve(const std::array<float, 3>& colour);

/// The histogram of what *enters* a stage: the picture graded by all that stands before it.
Histogram histogramBefore(const Picture& picture, const Grade& grade, const std::string& stageId);

} // namespace baryton
