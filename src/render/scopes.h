#pragma once
#include "picture/picture.h"

#include <array>
#include <cstdint>
#include <vector>

namespace baryton {

/// How often each value occurs in each column of the picture: `columns` × 256 counts, column by column, from black
/// up; on the working encoding clipped to 0…1.
struct Waveform {
    int columns = 0;
    std::vector<std::uint32_t> luma, r, g, b; ///< r, g, b side by side are the parade
};
Waveform waveformOf(const Picture& picture, int columns);

/// The BT.709 CbCr plane: `size` × `size` counts, row by row from Cr = +0.5 down, Cb from −0.5 to the right.
struct Vectorscope {
    int size = 0;
    std::vector<std::uint32_t> counts;
};
Vectorscope vectorscopeOf(const Picture& picture, int size);
/// The angle of the skin line: where complexions of every depth gather, a little short of red toward yellow.
constexpr double kSkinLineDegrees = 123;

/// How much colour lies at each hue (OKLCh, 360 bins of one degree): each pixel counts by its chroma times the fade
/// that hue stages use, so that greys and dark noise have no hue.
std::array<double, 360> hueHistogramOf(const Picture& picture);

/// What a sampled point reads before and after, and where it lies.
struct SampledPoint {
    std::array<float, 3> before{}, after{};
    double hue = 0; ///< of `after`, and the one that lies opposite it on the vectorscope (see colour/hue_scale.h)
    double opposite = 0;
    double chroma = 0;    ///< of `after` on the vectorscope: distance from the middle (0…about 0.6)
    double lightness = 0; ///< of `after`, OKLab, 0…1
};
SampledPoint samplePoint(const std::array<float, 3>& before, const std::array<float, 3>& after);

} // namespace baryton
