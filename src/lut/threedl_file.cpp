#include "base/error.h"
#include "base/words.h"
#include "lut/lut_file.h"
#include "lut/lut_text.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

/// The depth a reader without a Mesh line would take from the largest value: the smallest of 8, 10, 12, 14, 16 bits
/// whose range holds it, allowing for a table that stops just above a power of two.
int depthOf(long largest) {
    for (const int bits : {8, 10, 12, 14, 16})
        if (largest < (1L << bits)) return bits;
    return 16;
}

bool isWhole(std::string_view word) {
    return !word.empty() && std::all_of(word.begin(), word.end(), [](char c) { return c >= '0' && c <= '9'; });
}

} // namespace

ParsedLut parseThreeDl(const std::string& text) {
    ParsedLut parsed;
    parsed.format = LutFormat::ThreeDl;
    LutLines lines(text);
    int meshBits = 0;
    std::vector<long> positions;
    for (;;) {
        const auto& fields = lines.next();
        if (fields.empty()) throw Error("", "", words("the file has no line of grid positions"), hintForDamagedLut());
        if (fields[0] == "3DMESH" || fields[0] == "gamma" || fields[0] == "LUT8") continue;
        if (fields[0] == "Mesh") {
            if (fields.size() != 3)
                throw Error("", lines.place(), words("Mesh needs two numbers"), hintForDamagedLut());
            lines.integerIn(fields[1], 1, 8);
            meshBits = static_cast<int>(lines.integerIn(fields[2], 8, 16));
            continue;
        }
        if (!isWhole(fields[0]))
            throw Error("", lines.place(), inWords("\"{}\" is not a word of this format", fields[0].substr(0, 40)),
                        words("choose a .3dl file, or take the line out"));
        // Three numbers may as well be the first line of the table: positions start at 0 and rise.
        const bool isTable =
            fields.size() == 3 &&
            !(lines.integerIn(fields[0], 0, 65535) == 0 && lines.integerIn(fields[1], 0, 65535) > 0 &&
              lines.integerIn(fields[2], 0, 65535) > lines.integerIn(fields[1], 0, 65535));
        if (fields.size() < 2 || isTable)
            throw Error("", lines.place(), words("the line of grid positions is missing"), hintForDamagedLut());
        if (fields.size() > 256)
            throw Error("", lines.place(), words("there are more than 256 grid positions"), hintForDamagedLut());
        for (const auto& word : fields) positions.push_back(lines.integerIn(word, 0, 65535));
        break;
    }
    const std::size_t n = positions.size();
    const double step = double(positions.back()) / static_cast<double>(n - 1);
    for (std::size_t i = 0; i < n; ++i) {
        if (i > 0 && positions[i] <= positions[i - 1])
            throw Error("", lines.place(), words("the grid positions do not rise"), hintForDamagedLut());
        // 10-bit positions such as 0 32 … 992 1023 fall short by one at the end only
        if (std::abs(static_cast<double>(positions[i]) - step * static_cast<double>(i)) > std::max(2.0, step * 0.1))
            throw Error("", lines.place(), words("the grid positions are not evenly spaced"),
                        words("only evenly spaced grids are read: export it again with one"));
    }
    const std::size_t rows = n * n * n;
    if (rows * 5 > lines.left() + 64)
        throw Error("", "", inWords("the file is too short for its grid of {}³", n), hintForDamagedLut());
    std::vector<float>& grid = parsed.table.grid;
    grid.resize(rows * 3);
    long largest = 0;
    for (std::size_t i = 0; i < rows; ++i) {
        const auto& fields = lines.next();
        if (fields.size() != 3)
            throw Error("", lines.place(),
                        fields.empty() ? inWords("the table ends after {} of {} lines", i, rows)
                                       : words("a line of the table must hold three numbers"),
                        hintForDamagedLut());
        const std::size_t b = i % n, g = i / n % n, r = i / (n * n);
        float* node = &grid[3 * (r + n * (g + n * b))];
        for (std::size_t k = 0; k < 3; ++k) {
            const long value = lines.integerIn(fields[k], 0, 65535);
            largest = std::max(largest, value);
            node[k] = static_cast<float>(value);
        }
    }
    for (;;) { // some writers close with a few lines of their own
        const auto& fields = lines.next();
        if (fields.empty()) break;
        if (fields[0] != "LUT8" && fields[0] != "gamma")
            throw Error("", lines.place(), words("there is more data than the grid positions say"),
                        hintForDamagedLut());
    }
    int bits = meshBits;
    if (bits == 0) {
        bits = depthOf(largest);
        if (largest < (1L << bits) * 3 / 4)
            parsed.remarks.push_back(
                inWords("the largest value is {}, so the output was taken to have {} bits; a dark "
                        "LUT of greater depth would look the same",
                        largest, bits));
    } else if (largest >= 1L << bits) {
        throw Error("", "", inWords("a value of {} does not fit the {} bits of the Mesh line", largest, bits),
                    hintForDamagedLut());
    }
    const auto full = static_cast<float>((1L << bits) - 1);
    for (float& v : grid) v /= full;
    return parsed;
}

std::string threeDlText(const LutTable& table) {
    const auto n = static_cast<std::size_t>(table.gridSize());
    if (!table.shaper.empty() || n < 2 || n > 129 || table.gridMin != std::array<float, 3>{0, 0, 0} ||
        table.gridMax != std::array<float, 3>{1, 1, 1})
        throw Error("", "", words("a .3dl file holds just one grid of 2…129 on 0…1"),
                    words("write a .cube file instead"));
    const float largest = *std::max_element(table.grid.begin(), table.grid.end());
    const int bits = largest * 4095 + 0.5F < 2048 ? 16 : 12;
    const float full = static_cast<float>((1 << bits) - 1);
    std::string text;
    for (std::size_t i = 0; i < n; ++i) {
        if (i) text += ' ';
        text += std::to_string(std::lround(1023.0 * static_cast<double>(i) / static_cast<double>(n - 1)));
    }
    text += '\n';
    for (std::size_t r = 0; r < n; ++r)
        for (std::size_t g = 0; g < n; ++g)
            for (std::size_t b = 0; b < n; ++b) {
                const float* node = &table.grid[3 * (r + n * (g + n * b))];
                for (int k = 0; k < 3; ++k) {
                    if (k) text += ' ';
                    text += std::to_string(std::lround(std::clamp(node[k], 0.0F, 1.0F) * full));
                }
                text += '\n';
            }
    return text;
}

} // namespace baryton
