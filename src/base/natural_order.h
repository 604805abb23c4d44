#pragma once
#include <string>

namespace baryton {

/// A key by which names sort as people sort them: "a2" before "A10", "Äther" beside "Atem". Of UTF-8 names; others
/// sort by their bytes. After GLib's collation of file names.
std::string naturalKey(const std::string& name);

/// Orders by that key, equal ones by their bytes.
bool naturallyBefore(const std::string& a, const std::string& b);

} // namespace baryton
