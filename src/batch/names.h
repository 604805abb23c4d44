#pragma once
#include <filesystem>
#include <string>

namespace baryton {

/// What a name template can speak of.
struct NameParts {
    std::string stem;      ///< {stem}: the picture's name without extension
    std::string look;      ///< {look}: the look's name as a file name: lower case, spaces to hyphens
    std::string extension; ///< {ext}
    int number = 1;        ///< {n}: the picture's place in the run, three digits at least
};

/// Fills a template, e.g. "{stem}-{look}.{ext}". Folders ("{look}/{stem}.{ext}") may be part of it. Throws Error for
/// an unknown field, an open brace, an empty name, or one that leads out of the folder.
std::filesystem::path fileNameFromTemplate(const std::string& pattern, const NameParts& parts);

/// A look's name as part of a file name.
std::string slug(const std::string& name);

} // namespace baryton
