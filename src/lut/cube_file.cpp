#include "base/error.h"
#include "lut/lut_file.h"
#include "lut/lut_text.h"

#include <charconv>

namespace baryton {

namespace {

const char* const kHint = "the file is damaged: export it again where it was made";

void appendNumber(std::string& text, float value) {
    char digits[32];
    const auto [end, code] = std::to_chars(digits, digits + sizeof digits, value);
    text.append(digits, code == std::errc() ? end : digits);
}

void appendTriple(std::string& text, const float* v) {
    for (int k = 0; k < 3; ++k) {
        if (k) text += ' ';
        appendNumber(text, v[k]);
    }
    text += '\n';
}

void readRows(LutLines& lines, std::size_t rows, const char* what, std::vector<float>& out) {
    // Each number takes at least two bytes: a file that is too short is found out before memory is taken.
    if (lines.left() / 6 > (std::size_t(1) << 40) || rows * 5 > lines.left() + 64 * 6)
        throw Error("", "",
                    std::string("the file is too short for its ") + what + " of " + std::to_string(rows) + " lines",
                    kHint);
    out.reserve(rows * 3);
    for (std::size_t i = 0; i < rows; ++i) {
        const auto& words = lines.next();
        if (words.empty())
            throw Error("", lines.place(),
                        std::string("the ") + what + " ends after " + std::to_string(i) + " of " +
                            std::to_string(rows) + " lines",
                        kHint);
        if (words.size() != 3)
            throw Error("", lines.place(),
                        "a line of the " + std::string(what) + " must hold three numbers, this one holds " +
                            std::to_string(words.size()),
                        kHint);
        for (const auto& word : words) out.push_back(static_cast<float>(lines.numberIn(word)));
    }
}

void readTriple(const LutLines& lines, const std::vector<std::string_view>& words, std::array<float, 3>& out) {
    if (words.size() != 4) throw Error("", lines.place(), std::string(words[0]) + " needs three numbers", kHint);
    for (std::size_t k = 0; k < 3; ++k) out[k] = static_cast<float>(lines.numberIn(words[k + 1]));
}

void readRange(const LutLines& lines, const std::vector<std::string_view>& words, std::array<float, 3>& low,
               std::array<float, 3>& high) {
    if (words.size() != 3) throw Error("", lines.place(), std::string(words[0]) + " needs two numbers", kHint);
    low.fill(static_cast<float>(lines.numberIn(words[1])));
    high.fill(static_cast<float>(lines.numberIn(words[2])));
}

void requireRising(const std::array<float, 3>& low, const std::array<float, 3>& high) {
    for (std::size_t k = 0; k < 3; ++k)
        if (!(low[k] < high[k]))
            throw Error("", "", "the domain's lower end does not lie below its upper end", kHint);
}

bool isNumberStart(char c) {
    return (c >= '0' && c <= '9') || c == '-' || c == '+' || c == '.';
}

} // namespace

ParsedLut parseCube(const std::string& text) {
    ParsedLut parsed;
    LutTable& table = parsed.table;
    LutLines lines(text);
    std::size_t size1 = 0, size3 = 0;
    bool domainGiven = false;
    std::array<float, 3> domainMin{0, 0, 0}, domainMax{1, 1, 1};
    for (;;) {
        const auto& words = lines.next();
        if (words.empty()) throw Error("", "", "the file has a head but no table", kHint);
        const std::string_view key = words[0];
        if (isNumberStart(key[0])) {
            lines.back();
            break;
        }
        if (key == "TITLE") {
            std::string_view title = lines.rest();
            if (title.size() >= 2 && title.front() == '"' && title.back() == '"')
                title = title.substr(1, title.size() - 2);
            table.title = std::string(title.substr(0, 400));
        } else if (key == "LUT_1D_SIZE" || key == "LUT_3D_SIZE") {
            if (words.size() != 2) throw Error("", lines.place(), std::string(key) + " needs one number", kHint);
            const bool one = key == "LUT_1D_SIZE";
            (one ? size1 : size3) = static_cast<std::size_t>(lines.integerIn(words[1], 2, one ? 65536 : 256));
        } else if (key == "LUT_1D_INPUT_RANGE")
            readRange(lines, words, table.shaperMin, table.shaperMax);
        else if (key == "LUT_3D_INPUT_RANGE")
            readRange(lines, words, table.gridMin, table.gridMax);
        else if (key == "DOMAIN_MIN")
            readTriple(lines, words, domainMin), domainGiven = true;
        else if (key == "DOMAIN_MAX")
            readTriple(lines, words, domainMax), domainGiven = true;
        else
            throw Error("", lines.place(), "\"" + std::string(key.substr(0, 40)) + "\" is not a word of this format",
                        "choose a .cube file, or take the line out");
    }
    if (size1 == 0 && size3 == 0)
        throw Error("", lines.place(), "the table comes before its size (LUT_1D_SIZE or LUT_3D_SIZE)", kHint);
    if (size1) readRows(lines, size1, "1D table", table.shaper);
    if (size3) readRows(lines, size3 * size3 * size3, "3D table", table.grid);
    if (const auto& words = lines.next(); !words.empty())
        throw Error("", lines.place(), "there is more data than the size says", kHint);
    if (domainGiven) { // it speaks of what enters the file's first table
        (size1 ? table.shaperMin : table.gridMin) = domainMin;
        (size1 ? table.shaperMax : table.gridMax) = domainMax;
    }
    requireRising(table.shaperMin, table.shaperMax);
    requireRising(table.gridMin, table.gridMax);
    return parsed;
}

std::string cubeText(const LutTable& table) {
    constexpr std::array<float, 3> zero{0, 0, 0}, one{1, 1, 1};
    std::string text = "# Made with Baryton. Reads and writes sRGB.\n";
    std::string title;
    for (const char c : table.title)
        if (c != '"' && static_cast<unsigned char>(c) >= 32) title += c;
    if (!title.empty()) text += "TITLE \"" + title + "\"\n";
    const auto range = [&](const char* name, const std::array<float, 3>& low, const std::array<float, 3>& high) {
        text += std::string(name) + " ";
        appendNumber(text, low[0]);
        text += ' ';
        appendNumber(text, high[0]);
        text += '\n';
    };
    const bool both = !table.shaper.empty() && !table.grid.empty();
    if (!table.shaper.empty()) text += "LUT_1D_SIZE " + std::to_string(table.shaperSize()) + "\n";
    if (!table.grid.empty()) text += "LUT_3D_SIZE " + std::to_string(table.gridSize()) + "\n";
    const auto& low = table.shaper.empty() ? table.gridMin : table.shaperMin;
    const auto& high = table.shaper.empty() ? table.gridMax : table.shaperMax;
    if (both) {
        if (low != zero || high != one) range("LUT_1D_INPUT_RANGE", low, high);
        if (table.gridMin != zero || table.gridMax != one) range("LUT_3D_INPUT_RANGE", table.gridMin, table.gridMax);
    } else if (low != zero || high != one) {
        text += "DOMAIN_MIN ";
        appendTriple(text, low.data());
        text += "DOMAIN_MAX ";
        appendTriple(text, high.data());
    }
    for (const auto* values : {&table.shaper, &table.grid})
        for (std::size_t i = 0; i < values->size(); i += 3) appendTriple(text, values->data() + i);
    return text;
}

} // namespace baryton
