#pragma once
#include "lut/export_lut.h"

#include <functional>
#include <optional>
#include <vector>

namespace baryton {

/// The sizes of grids that are usual.
inline const std::vector<int> kUsualSizes = {17, 25, 33, 49, 65};

/// What a file of one size would do.
struct GridSize {
    int size = 33;
    Fidelity fidelity;     ///< of sampled nodes, through the text of the file; fitted ones are as near or nearer
    std::size_t bytes = 0; ///< of the file
};

/// The Look at each of the sizes, from the smallest; `soFar` hears of each as it is known, in the same thread. Only
/// what `wanted` says of format, spaces and Prep counts. Throws Cancelled.
std::vector<GridSize> fidelityByGrid(const Grade& grade, const LutExport& wanted, const std::vector<int>& sizes,
                                     const std::vector<Picture>& pictures, const Task* task = nullptr,
                                     const std::function<void(const GridSize&)>& soFar = {});

/// The smallest size at which 99 of 100 colours, of the cube and of the pictures, lie within so many CIEDE2000;
/// nothing where none of them does.
std::optional<int> smallestWithin(const std::vector<GridSize>& sizes, double apart);

} // namespace baryton
