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

/// The same with the strength times each kept colour's weight within the limits.
void runMixLimited(const float* kept, std::size_t keptStride, float strength, const Limits& limits,
                   const Block& block);
/// Lays the block over what was kept by a blend mode, and mixes by strength.
void runBlend(const float* kept, std::size_t keptStride, float strength, BlendMode mode, const Block& block);

} // namespace baryton
