#include "batch/names.h"
#include "base/error.h"
#include "base/file.h"
#include "base/letters.h"
#include "base/words.h"
#include "picture/picture_file.h"

#include <algorithm>
#include <array>
#include <ctime>
#include <fmt/format.h>
#include <optional>

namespace baryton {

namespace {
std::string hint() {
    return words(
        "use {stem}, {look}, {n} and {ext}, e.g. {stem}-{look}.{ext}; there are also {preset}, {take}, {folder}, "
        "{date}, {time}, {camera}, {lens}, {iso}, {width} and {height}");
}

std::string known(const std::string& value) {
    return value.empty() ? "unknown" : safeFileName(value);
}

std::string whenTaken(double seconds, const char* format) {
    if (seconds <= 0) return "unknown";
    const auto whole = static_cast<std::time_t>(seconds);
    std::tm parts{};
    ::gmtime_r(&whole, &parts); // the camera's own clock, wherever it was
    std::array<char, 32> text{};
    return {text.data(), std::strftime(text.data(), text.size(), format, &parts)};
}

constexpr std::array kOfShot = {"date", "time", "camera", "lens", "iso"};

/// The value of a field; nothing where there is none of that name.
std::optional<std::string> valueOf(const std::string& field, const NameParts& parts) {
    if (field == "stem") return safeFileName(parts.stem);
    if (field == "look") return parts.look.empty() ? "plain" : slug(parts.look).empty() ? "look" : slug(parts.look);
    if (field == "ext") return parts.extension;
    if (field == "n") return fmt::format("{:03}", parts.number);
    constexpr std::size_t most = 12;
    if (field.starts_with("n:") && field.size() > 2 && field.size() <= most &&
        field.find_first_not_of('0', 2) == std::string::npos)
        return fmt::format("{:0{}}", parts.number, field.size() - 2);
    if (field == "preset") return known(parts.preset);
    if (field == "folder") return known(parts.folder);
    if (field == "take") return known(parts.take);
    if (field == "date") return whenTaken(parts.shot.takenAt, "%Y-%m-%d");
    if (field == "time") return whenTaken(parts.shot.takenAt, "%H%M%S");
    if (field == "camera") return known(parts.shot.cameraModel);
    if (field == "lens") return known(parts.shot.lens);
    if (field == "width") return parts.width > 0 ? std::to_string(parts.width) : "unknown";
    if (field == "height") return parts.height > 0 ? std::to_string(parts.height) : "unknown";
    if (field == "iso") return parts.shot.iso > 0 ? fmt::format("{:.0f}", parts.shot.iso) : "unknown";
    return std::nullopt;
}

} // namespace

bool asksHowTaken(const std::string& pattern) {
    return std::any_of(kOfShot.begin(), kOfShot.end(), [&pattern](const char* field) {
        return pattern.find("{" + std::string(field) + "}") != std::string::npos;
    });
}

bool asksWhichTake(const std::string& pattern) {
    return pattern.find("{take}") != std::string::npos;
}

bool asksHowLarge(const std::string& pattern) {
    return pattern.find("{width}") != std::string::npos || pattern.find("{height}") != std::string::npos;
}

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
        const auto value = valueOf(field, parts);
        if (!value)
            throw Error("", "", inWords("the name \"{}\" has an unknown field {{{}}}", pattern, field), hint());
        name += *value;
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
    constexpr std::size_t most = 240; // of the 255 that file systems take: a number may come to it
    for (const std::filesystem::path& each : path)
        if (each.string().size() > most)
            throw Error(
                "", "",
                inWords("the name \"{}…\" would be {} bytes long", each.string().substr(0, 40), each.string().size()),
                words("shorten the template, or rename the picture"));
    if (path.is_absolute() || *path.begin() == "..")
        throw Error("", "", inWords("the name \"{}\" leads out of the output folder", pattern), hint());
    return path;
}

} // namespace baryton
