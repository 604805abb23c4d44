#include "batch/names.h"
#include "base/error.h"
#include "base/file.h"
#include "base/letters.h"
#include "base/words.h"
#include "picture/picture_file.h"

#include <fmt/format.h>

namespace baryton {

namespace {
std::string hint() {
    return words("use {stem}, {look}, {n} and {ext}, e.g. {stem}-{look}.{ext}");
}
} // namespace

std::string slug(const std::string& name) {
    std::string out;
    for (const char c : safeFileName(name)) {
        const auto u = static_cast<unsigned char>(c);
        if (u >= 128 || std::isalnum(u))
            out += static_cast<char>(u < 128 ? std::tolower(u) : u);
        else if (!out.empty() && out.back() != '-')
            out += '-';
    }
    while (!out.empty() && out.back() == '-') out.pop_back();
    return out;
}

std::filesystem::path fileNameFromTemplate(const std::string& pattern, const NameParts& parts) {
    std::string name;
    for (std::size_t i = 0; i < pattern.size(); ++i) {
        if (pattern[i] != '{') {
            name += pattern[i];
            continue;
        }
        const std::size_t end = pattern.find('}', i);
        if (end == std::string::npos)
            throw Error("", "", inWords("the name \"{}\" has a brace that is not closed", pattern), hint());
        const std::string field = pattern.substr(i + 1, end - i - 1);
        if (field == "stem")
            name += safeFileName(parts.stem);
        else if (field == "look")
            name += parts.look.empty() ? "plain" : slug(parts.look).empty() ? "look" : slug(parts.look);
        else if (field == "ext")
            name += parts.extension;
        else if (field == "n")
            name += fmt::format("{:03}", parts.number);
        else
            throw Error("", "", inWords("the name \"{}\" has an unknown field {{{}}}", pattern, field), hint());
        i = end;
    }
    const std::filesystem::path path = std::filesystem::path(name).lexically_normal();
    if (name.empty() || !path.has_filename() || path.filename() == ".")
        throw Error("", "", inWords("the name \"{}\" gives no file name", pattern), hint());
    if (const auto written = fileFormatFromName(lowerCase(path.extension().string()).erase(0, 1));
        path.has_extension() && written && written != fileFormatFromName(parts.extension))
        throw Error("", "",
                    inWords("the name \"{}\" says {}, but the files are {}", pattern, path.extension().string(),
                            parts.extension),
                    words("write {ext} in its place, or choose the other format"));
    if (path.is_absolute() || *path.begin() == "..")
        throw Error("", "", inWords("the name \"{}\" leads out of the output folder", pattern), hint());
    return path;
}

} // namespace baryton
