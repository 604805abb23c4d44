#pragma once
#include <cstddef>
#include <cstdint>

namespace baryton {

/// Where in a file a row of pixels lies whose colours are dithered.
struct DitherAt {
    std::uint32_t x = 0, y = 0;
};

/// Planes of `count` floats → interleaved whole numbers: clipped to 0…1, times 255 or 65 535, rounded to nearest.
/// `a` may be null for three channels.
void quantise8(const float* r, const float* g, const float* b, const float* a, std::size_t count, std::uint8_t* out);
/// The same, with noise of ±0.48 of a step added to the colours first: gradients end in no bands, and what is a whole
/// number of steps stays it. The noise of a pixel is a triangle wave over the two-dimensional sequence R2 (Roberts
/// 2018: multiples of the inverses of the plastic number and its square, which lie evenly), shifted for each channel.
void ditherTo8(const float* r, const float* g, const float* b, const float* a, DitherAt at, std::size_t count,
               std::uint8_t* out);
void quantise16(const float* r, const float* g, const float* b, const float* a, std::size_t count,
                std::uint16_t* out);

} // namespace baryton
