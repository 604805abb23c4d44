#pragma once
#include "stages/blend.h"
#include "stages/limits.h"

namespace baryton {

// The steps of a program that belong to no stage, vectorised like the stages.

void runToLinear(const Block& block);
void runToEncoded(const Block& block);
/// Linear light times a row-major 3×3 matrix, held to what ±kHeldRange is in linear light.
void runMatrix(const float* matrix, const Block& block);
/// block · strength + kept · (1 − strength); `kept` holds three planes, `keptStride` floats apart.
void runMix(const float* kept, std::size_t keptStride, float strength, const Block& block);

/// The same with the strength times each pixel's weight.
void runMixWeighted(const float* kept, std::size_t keptStride, float strength, const float* weights,
                    const Block& block);
/// The weights of kept colours within limits, as a plane of `count` pixels, a multiple of kRowPad.
void runLimitWeights(const float* kept, std::size_t keptStride, const Limits& limits, std::size_t count,
                     float* weights);
/// Lays the block over what was kept by a blend mode, and mixes by strength times each pixel's weight.
void runBlend(const float* kept, std::size_t keptStride, float strength, const float* weights, BlendMode mode,
              const Block& block);

} // namespace baryton
