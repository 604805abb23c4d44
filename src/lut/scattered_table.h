#pragma once
#include "base/task.h"
#include "grade/lut_table.h"
#include "lut/find_look.h"

namespace baryton {

/// A LUT of `size`³ nodes through scattered pairs of colours, which keeps to `prior` (a grid of the same size) where
/// there are none and passes smoothly from the one to the other: with d = x − prior over the nodes,
///
///     Σ wᵢ |Σₖ aᵢₖ dₖ − (yᵢ − prior(xᵢ))|² + μ Σ |second differences of d along the axes|² + ε |d|²
///
/// aᵢₖ being the weights of tetrahedral interpolation, is made least by conjugate gradients (Hestenes and Stiefel
/// 1952), on coarser grids first, so that what is far from any pair is reached too. A weight of 1 stands for a pair
/// that is to be met within noise. The same pairs give the same table, whatever the number of threads.
LutTable tableThrough(const ColourPairs& pairs, const LutTable& prior, const Task* task = nullptr);

/// How well the pairs tell what becomes of each node's colour: 0 for none near it, toward 1 for many. Of size³
/// entries, red fastest.
std::vector<float> confidenceOf(const ColourPairs& pairs, int size);

/// Pairs gathered by colour: those whose colours before lie in one of `cells`³ cells are one, at their mean, with the
/// sum of their weights.
ColourPairs gathered(const ColourPairs& pairs, int cells);

/// What stages leave between them and a Look, as a LUT to stand behind them: from colours all over the cube.
LutTable restBehind(const std::vector<Stage>& stages, const Grade& look, int size, const Task* task = nullptr);

} // namespace baryton
