#pragma once
#include <string>

namespace baryton {

/// What people look for when they want this stage without knowing its name ("burn", "faded", "old photograph"): words
/// to search in, in English and, where it is another one, in the language of the interface.
std::string purposesOf(const std::string& type);
/// When people reach for this stage, in a sentence or two, in the language of the interface.
std::string useOf(const std::string& type);

} // namespace baryton
