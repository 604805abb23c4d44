#include "base/error.h"
#include "base/letters.h"
#include "base/utf8.h"
#include "base/words.h"
#include "lut/lut_file.h"
#include "lut/lut_text.h"

#include <algorithm>
#include <cctype>
#include <charconv>
#include <string_view>

namespace baryton {

namespace {

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

void readRows(LutLines& lines, std::size_t rows, const std::string& what, std::vector<float>& out) {
    // Each number takes at least two bytes: a file that is too short is found out before memory is taken.
    if (lines.left() / 6 > (std::size_t(1) << 40) || rows * 5 > lines.left() + 64 * 6)
        throw Error("", "", inWords("the file is too short for its {} of {} lines", what, rows), hintForDamagedLut());
    out.reserve(rows * 3);
    for (std::size_t i = 0; i < rows; ++i) {
        const auto& fields = lines.next();
        if (fields.empty())
            throw Error("", lines.place(), inWords("the {} ends after {} of {} lines", what, i, rows),
                        hintForDamagedLut());
        if (fields.size() != 3)
            throw Error("", lines.place(),
                        inWords("a line of the {} must hold three numbers, this one holds {}", what, fields.size()),
                        hintForDamagedLut());
        for (const auto& word : fields) out.push_back(static_cast<float>(lines.numberIn(word)));
    }
}

void readTriple(const LutLines& lines, const std::vector<std::string_view>& fields, std::array<float, 3>& out) {
    if (fields.size() != 4)
        throw Error("", lines.place(), inWords("{} needs three numbers", fields[0]), hintForDamagedLut());
    for (std::size_t k = 0; k < 3; ++k) out[k] = static_cast<float>(lines.numberIn(fields[k + 1]));
}

void readRange(const LutLines& lines, const std::vector<std::string_view>& fields, std::array<float, 3>& low,
               std::array<float, 3>& high) {
    if (fields.size() != 3)
        throw Error("", lines.place(), inWords("{} needs two numbers", fields[0]), hintForDamagedLut());
    low.fill(static_cast<float>(lines.numberIn(fields[1])));
    high.fill(static_cast<float>(lines.numberIn(fields[2])));
}

void requireRising(const std::array<float, 3>& low, const std::array<float, 3>& high) {
    for (std::size_t k = 0; k < 3; ++k)
        if (!(low[k] < high[k]))
            throw Error("", "", words("the domain's lower end does not lie below its upper end"),
                        hintForDamagedLut());
}

bool isNumberStart(char c) {
    return (c >= '0' && c <= '9') || c == '-' || c == '+' || c == '.';
}

constexpr int kMostUnknown = 8; ///< words that are told of
constexpr std::string_view kTitleInComment = "# TITLE \"";

/// The title of a file that has it in a comment of its first lines; empty for none.
std::string titleInComment(std::string_view text) {
    constexpr std::size_t head = 1000;
    const std::string_view start = text.substr(0, head);
    const std::size_t at = start.find(kTitleInComment);
    if (at == std::string_view::npos || (at > 0 && start[at - 1] != '\n')) return {};
    const std::size_t from = at + kTitleInComment.size(), to = start.find_first_of("\"\r\n", from);
    return to == std::string_view::npos ? std::string() : asUtf8(std::string(start.substr(from, to - from)));
}

} // namespace

ParsedLut parseCube(const std::string& text) {
    ParsedLut parsed;
    LutTable& table = parsed.table;
    table.title = titleInComment(text);
    LutLines lines(text);
    std::size_t size1 = 0, size3 = 0;
    int unknown = 0;
    bool domainGiven = false;
    std::array<float, 3> domainMin{0, 0, 0}, domainMax{1, 1, 1};
    for (;;) {
        const auto& fields = lines.next();
        if (fields.empty()) throw Error("", "", words("the file has a head but no table"), hintForDamagedLut());
        if (isNumberStart(fields[0][0])) {
            lines.back();
            break;
        }
        const std::string key = upperCase(std::string(fields[0]));
        if (key == "TITLE") {
            std::string_view title = lines.rest();
            const std::size_t end = title.rfind('"');
            if (title.size() >= 2 && title.front() == '"' && end > 0) title = title.substr(1, end - 1);
            table.title = asUtf8(std::string(title.substr(0, 400)));
        } else if (key == "LUT_1D_SIZE" || key == "LUT_3D_SIZE") {
            if (fields.size() != 2)
                throw Error("", lines.place(), inWords("{} needs one number", key), hintForDamagedLut());
            const bool one = key == "LUT_1D_SIZE";
            if ((one ? size1 : size3) != 0)
                throw Error("", lines.place(), inWords("{} stands here a second time", key), hintForDamagedLut());
            (one ? size1 : size3) = static_cast<std::size_t>(lines.integerIn(fields[1], 2, one ? 65536 : 256));
        } else if (key == "LUT_1D_INPUT_RANGE")
            readRange(lines, fields, table.shaperMin, table.shaperMax);
        else if (key == "LUT_3D_INPUT_RANGE")
            readRange(lines, fields, table.gridMin, table.gridMax);
        else if (key == "DOMAIN_MIN")
            readTriple(lines, fields, domainMin), domainGiven = true;
        else if (key == "DOMAIN_MAX")
            readTriple(lines, fields, domainMax), domainGiven = true;
        else if (std::all_of(key.begin(), key.end(), [](unsigned char c) { return std::isalnum(c) || c == '_'; })) {
            // Other programs add words of their own.
            if (++unknown <= kMostUnknown)
                parsed.remarks.push_back(
                    inWords("{}: the word \"{}\" is not known and is passed over", lines.place(), key.substr(0, 40)));
        } else
            throw Error("", lines.place(), inWords("\"{}\" is not a word of this format", key.substr(0, 40)),
                        words("choose a .cube file, or take the line out"));
    }
    if (size1 == 0 && size3 == 0)
        throw Error("", lines.place(), words("the table comes before its size (LUT_1D_SIZE or LUT_3D_SIZE)"),
                    hintForDamagedLut());
    if (size1) readRows(lines, size1, words("1D table"), table.shaper);
    if (size3) readRows(lines, size3 * size3 * size3, words("3D table"), table.grid);
    if (const auto& fields = lines.next(); !fields.empty())
        throw Error("", lines.place(), words("there is more data than the size says"), hintForDamagedLut());
    if (domainGiven) { // it speaks of what enters the file's first table
        (size1 ? table.shaperMin : table.gridMin) = domainMin;
        (size1 ? table.shaperMax : table.gridMax) = domainMax;
    }
    requireRising(table.shaperMin, table.shaperMax);
    requireRising(table.gridMin, table.gridMax);
    return parsed;
}

std::string cubeText(const LutTable& table, const LutSpaces& spaces) {
    constexpr std::array<float, 3> zero{0, 0, 0}, one{1, 1, 1};
    std::string text = "# Made with Baryton. " +
                       (spaces.isPlain() ? "Reads and writes sRGB." : "What it reads → writes: " + nameOf(spaces)) +
                       "\n";
    std::string title;
    for (const char c : table.title)
        if (c != '"' && static_cast<unsigned char>(c) >= 32) title += c;
    const bool both = !table.shaper.empty() && !table.grid.empty();
    if (!title.empty()) text += (both ? std::string(kTitleInComment) : "TITLE \"") + title + "\"\n";
    const auto range = [&](const char* name, const std::array<float, 3>& low, const std::array<float, 3>& high) {
        text += std::string(name) + " ";
        appendNumber(text, low[0]);
        text += ' ';
        appendNumber(text, high[0]);
        text += '\n';
    };
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
