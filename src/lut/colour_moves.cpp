#include "lut/colour_moves.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "lut/bake.h"
#include "lut/colour_rows.h"
#include "render/program.h"

#include <algorithm>

namespace baryton {

std::vector<std::array<float, 3>> cubeColours(int n) {
    std::vector<std::array<float, 3>> colours;
    const auto at = [&](int i) { return float(i) / float(n - 1); };
    for (int b = 0; b < n; ++b)
        for (int g = 0; g < n; ++g)
            for (int r = 0; r < n; ++r) colours.push_back({at(r), at(g), at(b)});
    return colours;
}

std::vector<std::array<float, 3>> sliceColours(double lightness, int n) {
    constexpr double reach = 0.34; // a little beyond the most chromatic of sRGB
    std::vector<std::array<float, 3>> colours;
    for (int row = 0; row < n; ++row)
        for (int column = 0; column < n; ++column) {
            const double a = reach * (2.0 * column / (n - 1) - 1), b = reach * (1 - 2.0 * row / (n - 1));
            const Vec3 linear = linearFromOklab({lightness, a, b});
            constexpr double edge = 1e-4;
            if (*std::min_element(linear.begin(), linear.end()) < -edge ||
                *std::max_element(linear.begin(), linear.end()) > 1 + edge)
                continue;
            std::array<float, 3> rgb{};
            for (std::size_t k = 0; k < 3; ++k)
                rgb[k] = static_cast<float>(linearToSrgb(std::clamp(linear[k], 0.0, 1.0)));
            colours.push_back(rgb);
        }
    return colours;
}

namespace {

std::vector<std::array<float, 3>> madeOf(const std::vector<std::array<float, 3>>& colours, const Grade& look,
                                         const Task* task) {
    const Picture made = Program::compile(look, {false, true, true, true}).graded(colourRows(colours), 0, task);
    std::vector<std::array<float, 3>> all;
    for (std::size_t i = 0; i < colours.size(); ++i) all.push_back(colourIn(made, i));
    return all;
}

std::vector<ColourMove> movesFrom(const std::vector<std::array<float, 3>>& before,
                                  const std::vector<std::array<float, 3>>& after) {
    const auto labOf = [](const std::array<float, 3>& rgb) {
        Vec3 held{};
        for (std::size_t k = 0; k < 3; ++k) held[k] = std::clamp(double(rgb[k]), 0.0, 1.0);
        return labFromSrgb(held);
    };
    std::vector<ColourMove> moves(before.size());
    for (std::size_t i = 0; i < moves.size(); ++i)
        moves[i] = {before[i], after[i], deltaE2000(labOf(before[i]), labOf(after[i]))};
    return moves;
}

} // namespace

std::vector<ColourMove> colourMoves(const Grade& look, const std::vector<std::array<float, 3>>& colours,
                                    const Task* task) {
    return movesFrom(colours, madeOf(colours, look, task));
}

std::vector<ColourMove> colourMovesBetween(const Grade& one, const Grade& other,
                                           const std::vector<std::array<float, 3>>& colours, const Task* task) {
    return movesFrom(madeOf(colours, one, task), madeOf(colours, other, task));
}

} // namespace baryton
