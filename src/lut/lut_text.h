#pragma once
#include <string>
#include <string_view>
#include <vector>

namespace baryton {

/// What to do about a LUT file that breaks off or contradicts itself.
std::string hintForDamagedLut();

/// Walks through the lines of a LUT file and their fields, any line ends, and knows the line's number.
class LutLines {
public:
    explicit LutLines(std::string_view text);
    /// The fields of the next line that has any, without a remark ("# …") behind them; empty at the end.
    const std::vector<std::string_view>& next();
    /// Takes the line just read back, so that `next` gives it again.
    void back() { again_ = true; }
    int number() const { return number_; }
    /// "line 12"
    std::string place() const;
    /// The rest of the current line after its first word, trimmed.
    std::string_view rest() const;
    std::size_t left() const { return text_.size(); }

    /// The word as a finite number; throws Error at this line otherwise.
    double numberIn(std::string_view word) const;
    /// The word as a whole number within a range.
    long integerIn(std::string_view word, long least, long most) const;

private:
    std::string_view text_, line_;
    std::vector<std::string_view> fields_;
    int number_ = 0;
    bool again_ = false;
};

} // namespace baryton
