#pragma once
#include "stages/stage_type.h"

namespace baryton {

// The steps of a program that belong to no stage, vectorised like the stages.

void runToLinear(const Block& block);
void runToEncoded(const Block& block);
/// Linear light times a row-major 3×3 matrix, held to what ±kHeldRange is in linear light.
void runMatrix(const float* matrix, const Block& block);
/// block · strength + kept · (1 − strength); `kept` holds three planes, `keptStride` floats apart.
void runMix(const float* kept, std::size_t keptStride, float strength, const Block& block);

} // namespace baryton
