#pragma once
#include <array>
#include <cstddef>
#include <memory>
#include <string>
#include <vector>

namespace baryton {

/// A look-up table from colour to colour, as values: an optional 1D table per channel, then an optional 3D grid.
struct LutTable {
    std::string title;
    /// 1D: shaperSize × 3 floats, entry by entry (r, g, b); empty when there is none.
    std::vector<float> shaper;
    std::array<float, 3> shaperMin{0, 0, 0}, shaperMax{1, 1, 1};
    /// 3D: gridSize³ × 3 floats, red fastest; empty when there is none.
    std::vector<float> grid;
    std::array<float, 3> gridMin{0, 0, 0}, gridMax{1, 1, 1};

    std::size_t shaperSize() const { return shaper.size() / 3; }
    /// Nodes along one edge, 0 without a grid.
    int gridSize() const;

    bool operator==(const LutTable&) const = default;
};

/// A table shared between grades: equal when the contents are.
struct LutContent {
    std::string name; ///< what the file was called, for people
    std::shared_ptr<const LutTable> table;

    bool operator==(const LutContent& other) const {
        return name == other.name && (table == other.table || (table && other.table && *table == *other.table));
    }
};

} // namespace baryton
