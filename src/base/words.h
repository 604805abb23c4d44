#pragma once
#include <fmt/format.h>
#include <functional>
#include <string>

namespace baryton {

/// Gives an English text in the language of the interface; the text itself where it has none for it.
using Translator = std::function<std::string(const std::string& english)>;

/// Sets who translates what the core says to people. To be called before anything else is asked of the core: names of
/// stages are taken once. Without a translator all is English.
void setTranslator(Translator translator);

/// A text for people in the language of the interface. Literals given to `words` and `inWords` are found by the tool
/// that collects texts (share/translations/update).
std::string words(const std::string& english);

/// Marks a text of a table that is given to `words` later, for that tool.
constexpr const char* marked(const char* english) {
    return english;
}

/// The same as `words` with values put into the places of fmt ("{} of {}"); places may be numbered ("{1} of {0}").
template <class... Values>
std::string inWords(const char* english, const Values&... values) {
    return fmt::format(fmt::runtime(words(english)), values...);
}

} // namespace baryton
