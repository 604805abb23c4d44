#pragma once
#include <cstddef>
#include <vector>

namespace baryton {

/// How one axis is made longer or shorter: Lanczos with three lobes (Duchon 1979), stretched to the step of the
/// smaller grid so that nothing is aliased. Taps outside the picture are left out and the others made up to 1.
struct ResampleAxis {
    std::size_t taps = 0;           ///< for each output sample, a multiple of 4
    std::vector<std::size_t> first; ///< input index of the first tap, for each output sample
    std::vector<float> weights;     ///< `taps` weights for each output sample, those beyond the end 0

    ResampleAxis(std::size_t from, std::size_t to);
};

/// One output row: the weighted sum of rows of `width` values, `stride` floats apart, from `rows` on.
void sumRows(const float* rows, std::size_t stride, const float* weights, std::size_t count, std::size_t width,
             float* out);
/// One row made to the axis' length. At least `axis.taps` floats beyond the last value of `in` must be readable.
void resampleRow(const float* in, const ResampleAxis& axis, float* out);

} // namespace baryton
