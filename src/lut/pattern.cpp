#include "lut/pattern.h"
#include "base/error.h"
#include "base/words.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

// Texts stand in free functions, where the collector of texts finds them without a class.
Error wrongSize(int size) {
    return {"", "",
            inWords("a pattern of {} is outside {}…{}", size, PatternLayout::kLeastSize, PatternLayout::kMostSize),
            words("choose 33, or 65 for a strong look")};
}

} // namespace

PatternLayout::PatternLayout(int size) : size_(size) {
    if (size < kLeastSize || size > kMostSize) throw wrongSize(size);
    // Few pixels of the middle are enough where there are many cells; a picture has no end of them.
    constexpr int largeCells = 33;
    cell_ = size <= largeCells ? 8 : 4;
    across_ = static_cast<int>(std::ceil(std::sqrt(2.0 * size)));
    down_ = (2 * size + across_ - 1) / across_;
}

PatternLayout::Cell PatternLayout::cell(int red, int green, int blue, int copy) const {
    // The second copy begins elsewhere, so that no colour is as far from the middle in both.
    const int block = copy == 0 ? blue : size_ + (blue + size_ / 3) % size_;
    const int column = block % across_ * size_ + (copy == 0 ? red : size_ - 1 - red);
    const int row = block / across_ * size_ + green;
    return {cell_ * (kMargin + column), cell_ * (kMargin + row)};
}

double patternNumber(int node, int size, int bits) {
    const double most = bits == 8 ? 255 : 65535;
    return std::round(double(node) / (size - 1) * most) / most;
}

namespace {

/// A picture of numbers that is filled in rectangles.
class Canvas {
public:
    Canvas(int width, int height, int bits) : picture_(width, height, 3, bits) {}

    void fill(double x, double y, double width, double height, const std::array<double, 3>& rgb) {
        const int left = static_cast<int>(std::lround(x)), right = static_cast<int>(std::lround(x + width));
        const int top = static_cast<int>(std::lround(y)), bottom = static_cast<int>(std::lround(y + height));
        const auto count = static_cast<std::size_t>(right - left);
        std::array<std::vector<float>, 3> rows;
        for (std::size_t k = 0; k < 3; ++k) rows[k].assign(count, static_cast<float>(rgb[k]));
        for (int row = top; row < bottom; ++row)
            picture_.setRow(row, left, right - left, rows[0].data(), rows[1].data(), rows[2].data(), nullptr);
    }
    QuantisedPicture take() { return std::move(picture_); }

private:
    QuantisedPicture picture_;
};

// Short of the ends, so that what sharpening adds to an edge is not cut off.
constexpr std::array<double, 3> kBlack{0.15, 0.15, 0.15}, kWhite{0.85, 0.85, 0.85}, kGrey{0.5, 0.5, 0.5};

} // namespace

unsigned bitsOf(int size) {
    return static_cast<unsigned>(size) << 8 | (~static_cast<unsigned>(size) & 0xFFU);
}

QuantisedPicture ownPattern(int size, int bits) {
    const PatternLayout layout(size);
    Canvas canvas(layout.width(), layout.height(), bits);
    const double u = layout.cellSide();
    canvas.fill(0, 0, layout.width(), layout.height(), kGrey);
    using L = PatternLayout;
    for (const double x : {L::kMarkAt * u, layout.width() - L::kMarkAt * u})
        for (const double y : {L::kMarkAt * u, layout.height() - L::kMarkAt * u})
            for (const double side : {5.0, 3.0, 1.0}) // kMarkSide and what lies in it
                canvas.fill(x - side / 2 * u, y - side / 2 * u, side * u, side * u, side == 3 ? kWhite : kBlack);
    const unsigned bitsOfSize = bitsOf(size);
    for (int i = 0; i < L::kBits; ++i)
        canvas.fill((L::kBitsAt + i * L::kBitWidth) * u, L::kBitTop * u, L::kBitWidth * u, L::kBitHeight * u,
                    bitsOfSize >> (L::kBits - 1 - i) & 1U ? kWhite : kBlack);
    for (int copy = 0; copy < 2; ++copy)
        for (int b = 0; b < size; ++b)
            for (int g = 0; g < size; ++g)
                for (int r = 0; r < size; ++r) {
                    const L::Cell at = layout.cell(r, g, b, copy);
                    canvas.fill(at.x, at.y, u, u,
                                {double(r) / (size - 1), double(g) / (size - 1), double(b) / (size - 1)});
                }
    return canvas.take();
}

QuantisedPicture squareCube(int level, int bits) {
    if (level < 2 || level > 16)
        throw Error("", "", inWords("a square cube of level {} is outside 2…16", level),
                    words("choose 8: a cube of 64³ in 512 × 512 pixels"));
    const int nodes = level * level, side = nodes * level;
    QuantisedPicture picture(side, side, 3, bits);
    std::array<std::vector<float>, 3> rows;
    for (auto& row : rows) row.resize(static_cast<std::size_t>(side));
    const auto number = [&](int node) { return static_cast<float>(double(node) / (nodes - 1)); };
    for (int y = 0; y < side; ++y) {
        for (int x = 0; x < side; ++x) {
            const int at = y * side + x;
            const auto column = static_cast<std::size_t>(x);
            rows[0][column] = number(at % nodes);
            rows[1][column] = number(at / nodes % nodes);
            rows[2][column] = number(at / (nodes * nodes));
        }
        picture.setRow(y, 0, side, rows[0].data(), rows[1].data(), rows[2].data(), nullptr);
    }
    return picture;
}

std::optional<int> squareCubeLevel(int width, int height) {
    for (int level = 2; level <= 16; ++level)
        if (width == height && width == level * level * level) return level;
    return {};
}

} // namespace baryton
