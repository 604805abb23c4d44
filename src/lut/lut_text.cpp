#include "lut/lut_text.h"
#include "base/error.h"
#include "base/words.h"

#include <charconv>
#include <cmath>

namespace baryton {

namespace {
constexpr std::string_view kBlank = " \t\v\f";
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
        const std::size_t end = std::min(text_.find_first_of("\r\n"), text_.size());
        line_ = text_.substr(0, end);
        std::size_t skip = end < text_.size() ? 1 : 0;
        if (skip && text_[end] == '\r' && end + 1 < text_.size() && text_[end + 1] == '\n') skip = 2;
        text_.remove_prefix(end + skip);
        ++number_;
        for (std::size_t at = line_.find_first_not_of(kBlank); at != std::string_view::npos;) {
            const std::size_t stop = std::min(line_.find_first_of(kBlank, at), line_.size());
            if (line_[at] == '#') break; // a remark, on a line of its own or behind something
            fields_.push_back(line_.substr(at, stop - at));
            at = line_.find_first_not_of(kBlank, stop);
        }
    }
    return fields_;
}

std::string_view LutLines::rest() const {
    if (fields_.empty()) return {};
    std::string_view rest =
        line_.substr(static_cast<std::size_t>(fields_[0].data() - line_.data()) + fields_[0].size());
    while (!rest.empty() && kBlank.find(rest.front()) != std::string_view::npos) rest.remove_prefix(1);
    while (!rest.empty() && kBlank.find(rest.back()) != std::string_view::npos) rest.remove_suffix(1);
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
