#include "grade/lut_table.h"

#include <cmath>

namespace baryton {

int LutTable::gridSize() const {
    return static_cast<int>(std::lround(std::cbrt(static_cast<double>(grid.size()) / 3)));
}

} // namespace baryton
