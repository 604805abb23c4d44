#pragma once
#include <cstddef>

namespace baryton {

// Rows between the working encoding and linear light (IEC 61966-2-1, odd below 0), by vector code. `in` and `out` may
// be the same.
void rowToLinear(const float* in, float* out, std::size_t count);
void rowToEncoded(const float* in, float* out, std::size_t count);

/// One row of a picture at half its size: means of two by two pixels of the rows `above` and `below`, `width` pixels
/// wide, averaged in linear light, or as they are where `plain` (alpha). An odd last column counts twice. Writes
/// (width + 1) / 2 values; what a column becomes does not depend on where in the row it stands.
void halveRow(const float* above, const float* below, std::size_t width, bool plain, float* out);

} // namespace baryton
