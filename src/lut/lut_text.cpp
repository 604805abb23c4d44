#include "lut/lut_text.h"
#include "base/error.h"
#include "base/words.h"

#include <charconv>
#include <cmath>

namespace baryton {

namespace {
// A set of characters that is searched for by its own loop: the library's takes a call for each letter of a megabyte.
bool isBlank(char c) {
    return c == ' ' || c == '\t' || c == '\v' || c == '\f';
}

std::size_t lineEnd(std::string_view text) {
    std::size_t at = 0;
    while (at < text.size() && text[at] != '\n' && text[at] != '\r') ++at;
    return at;
}

/// From a place on, the next letter that is blank or is none; the line's end where there is no more.
std::size_t nextIn(std::string_view line, std::size_t at, bool blank) {
    while (at < line.size() && isBlank(line[at]) != blank) ++at;
    return at;
}
} // namespace

std::string hintForDamagedLut() {
    return words("the file is damaged: export it again where it was made");
}

LutLines::LutLines(std::string_view text) : text_(text) {
    if (text_.starts_with("\xEF\xBB\xBF")) text_.remove_prefix(3);
}

std::string LutLines::place() const {
    return inWords("line {}", number_);
}

const std::vector<std::string_view>& LutLines::next() {
    if (again_) {
        again_ = false;
        return fields_;
    }
    fields_.clear();
    while (fields_.empty() && !text_.empty()) {
        const std::size_t end = lineEnd(text_);
        line_ = text_.substr(0, end);
        std::size_t skip = end < text_.size() ? 1 : 0;
        if (skip && text_[end] == '\r' && end + 1 < text_.size() && text_[end + 1] == '\n') skip = 2;
        text_.remove_prefix(end + skip);
        ++number_;
        for (std::size_t at = nextIn(line_, 0, false); at < line_.size();) {
            const std::size_t stop = nextIn(line_, at, true);
            if (line_[at] == '#') break; // a remark, on a line of its own or behind something
            fields_.push_back(line_.substr(at, stop - at));
            at = nextIn(line_, stop, false);
        }
    }
    return fields_;
}

std::string_view LutLines::rest() const {
    if (fields_.empty()) return {};
    std::string_view rest =
        line_.substr(static_cast<std::size_t>(fields_[0].data() - line_.data()) + fields_[0].size());
    while (!rest.empty() && isBlank(rest.front())) rest.remove_prefix(1);
    while (!rest.empty() && isBlank(rest.back())) rest.remove_suffix(1);
    return rest;
}

double LutLines::numberIn(std::string_view word) const {
    std::string_view digits = word;
    if (digits.size() > 1 && digits[0] == '+' && digits[1] != '-') digits.remove_prefix(1);
    double value = 0;
    const auto [end, code] = std::from_chars(digits.data(), digits.data() + digits.size(), value);
    if (code != std::errc() || end != digits.data() + digits.size() || !std::isfinite(value) ||
        std::abs(value) > 1e30)
        throw Error("", place(), inWords("\"{}\" is not a number", word.substr(0, 40)), hintForDamagedLut());
    return value;
}

long LutLines::integerIn(std::string_view word, long least, long most) const {
    long value = 0;
    const auto [end, code] = std::from_chars(word.data(), word.data() + word.size(), value);
    if (code != std::errc() || end != word.data() + word.size())
        throw Error("", place(), inWords("\"{}\" is not a whole number", word.substr(0, 40)), hintForDamagedLut());
    if (value < least || value > most)
        throw Error("", place(), inWords("{} is outside {}…{}", value, least, most), hintForDamagedLut());
    return value;
}

} // namespace baryton
