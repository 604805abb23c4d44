#pragma once
#include "picture/picture_file.h"

#include <array>
#include <optional>

namespace baryton {

/// Where the colours of our own pattern lie. Every node of a cube of size³ stands in it twice, far apart, so that
/// what befell the picture from place to place (a vignette, a crop, a painted light) can be told from what befell its
/// colours. A cell is a square of one colour; the cells of one blue are a block of size × size, red to the right and
/// green down, so that neighbours are alike; around all of it lies a grey margin with a mark in each corner and, in
/// its top, the size in bits.
class PatternLayout {
public:
    static constexpr int kLeastSize = 9, kMostSize = 65;
    static constexpr int kMargin = 6;                   ///< cells
    static constexpr double kMarkAt = 3;                ///< a mark's middle, cells from both edges
    static constexpr double kMarkSide = 5;              ///< cells: black around white around black
    static constexpr int kBits = 16;                    ///< the size, then its complement, highest bit first
    static constexpr double kBitsAt = 8, kBitWidth = 2; ///< cells from the left
    static constexpr double kBitTop = 1.5, kBitHeight = 3;

    /// Throws Error for sizes outside kLeastSize…kMostSize.
    explicit PatternLayout(int size);

    int size() const { return size_; }
    int cellSide() const { return cell_; } ///< pixels
    int width() const { return cell_ * (across_ * size_ + 2 * kMargin); }
    int height() const { return cell_ * (down_ * size_ + 2 * kMargin); }

    struct Cell {
        int x = 0, y = 0; ///< its upper left pixel
    };
    /// Where a node (its place along red, green, blue) lies; `copy` is 0 or 1.
    Cell cell(int red, int green, int blue, int copy) const;

private:
    int size_, cell_, across_, down_;
};

/// The bits that stand for a size, the first one highest.
unsigned bitsOf(int size);

/// Our own pattern, ready to be written, with 8 or 16 bits.
QuantisedPicture ownPattern(int size, int bits);

/// The identity picture of the widely used square-cube layout: level³ × level³ pixels hold (level²)³ nodes, row after
/// row, red running fastest, then green, then blue. Levels 2…16.
QuantisedPicture squareCube(int level, int bits);
/// The level of a square cube of this size; nothing where it can't be one.
std::optional<int> squareCubeLevel(int width, int height);

/// The number that stands for a node in a pattern of so many bits, 0…1.
double patternNumber(int node, int size, int bits);

} // namespace baryton
