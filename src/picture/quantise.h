#pragma once
#include <cstddef>
#include <cstdint>

namespace baryton {

/// Planes of `count` floats → interleaved whole numbers: clipped to 0…1, times 255 or 65 535, rounded to nearest.
/// `a` may be null for three channels.
void quantise8(const float* r, const float* g, const float* b, const float* a, std::size_t count, std::uint8_t* out);
void quantise16(const float* r, const float* g, const float* b, const float* a, std::size_t count,
                std::uint16_t* out);

} // namespace baryton
