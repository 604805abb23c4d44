#pragma once
#include "picture/shot.h"

#include <filesystem>
#include <string>

namespace baryton {

/// What a name template can speak of.
struct NameParts {
    std::string stem;          ///< {stem}: the picture's name without extension
    std::string look;          ///< {look}: the look's name as a file name: lower case, spaces to hyphens
    std::string extension;     ///< {ext}
    int number = 1;            ///< {n}: the picture's place in the run, three digits at least; {n:0000}: four
    std::string preset{};      ///< {preset}: the look's name as it is written
    std::string folder{};      ///< {folder}: the name of the folder that the picture lies in
    Shot shot{};               ///< {date} 2026-06-14, {time} 180322, {camera}, {lens}, {iso}; "unknown" where it is
    std::string take{};        ///< {take}: the name of the take that the grade is, or goes on from; "start"
    int width = 0, height = 0; ///< {width}, {height}: the file's, in pixels; "unknown" where they are 0
};

/// Fills a template, e.g. "{stem}-{look}.{ext}". Folders ("{look}/{stem}.{ext}") may be part of it. Throws Error for
/// an unknown field, an open brace, an empty name, one that leads out of the folder, or a name of more than 240
/// bytes.
std::filesystem::path fileNameFromTemplate(const std::string& pattern, const NameParts& parts);

/// Whether a template speaks of how a picture was taken: then its file has to be asked.
bool asksHowTaken(const std::string& pattern);

/// Whether it speaks of the take.
bool asksWhichTake(const std::string& pattern);

/// Whether it speaks of the file's size.
bool asksHowLarge(const std::string& pattern);

/// A look's name as part of a file name.
std::string slug(const std::string& name);

} // namespace baryton
