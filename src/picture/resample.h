#pragma once
#include <cstddef>
#include <vector>

namespace baryton {

/// The curve that pixels are weighted by.
enum class ResampleKernel {
    Lanczos,  ///< three lobes (Duchon 1979): sharp; its negative lobes are what makes dark rings beside lights
    Triangle, ///< of one step to either side: softer, and no weight is negative
};

/// How one axis is made longer or shorter. The kernel is stretched to the step of the smaller grid so that nothing is
/// aliased. Taps outside the picture are left out and the others made up to 1.
struct ResampleAxis {
    std::size_t taps = 0;           ///< for each output sample, a multiple of 4
    std::vector<std::size_t> first; ///< input index of the first tap, for each output sample
    std::vector<float> weights;     ///< `taps` weights for each output sample, those beyond the end 0
    /// Of each output sample's taps the ones within a step of it, [begin, end): a sum is held to their range, so that
    /// nothing rings.
    struct Core {
        std::size_t begin = 0, end = 0;
    };
    std::vector<Core> core;

    ResampleAxis(std::size_t from, std::size_t to, ResampleKernel kernel = ResampleKernel::Lanczos);
};

/// One output row: the weighted sum of `count` rows of `width` values, `stride` floats apart, from `rows` on, held to
/// the range of the core's.
void sumRows(const float* rows, std::size_t stride, const float* weights, std::size_t count, ResampleAxis::Core core,
             std::size_t width, float* out);
/// One row made to the axis' length, each value held to the range of its core. At least `axis.taps` floats beyond the
/// last value of `in` must be readable.
void resampleRow(const float* in, const ResampleAxis& axis, float* out);

} // namespace baryton
