#pragma once
#include <string>

namespace baryton {

/// The text as UTF-8: what is valid stays, each byte that is not is taken for Latin-1, in which older programs write.
/// Never fails.
std::string asUtf8(const std::string& text);

/// The text for a terminal: control characters, which it would take for orders, but for line ends and tabs, as "?".
std::string printable(const std::string& text);

} // namespace baryton
