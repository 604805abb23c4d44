#include "lut/lut_file.h"
#include "base/error.h"
#include "base/file.h"
#include "base/letters.h"
#include "base/words.h"
#include "lut/clf_file.h"
#include "lut/lut_text.h"

#include <algorithm>

namespace baryton {

namespace {

constexpr std::pair<LutFormat, const char*> kNames[] = {
    {LutFormat::Cube, "cube"}, {LutFormat::ThreeDl, "3dl"}, {LutFormat::Clf, "clf"}};

} // namespace

std::vector<LutFormat> lutFormats() {
    std::vector<LutFormat> all;
    for (const auto& [format, name] : kNames)
        if (format != LutFormat::Clf || hasClf()) all.push_back(format);
    return all;
}

std::optional<LutFormat> lutFormatFromName(const std::string& name) {
    for (const auto& [format, own] : kNames)
        if (name == own) return format;
    return std::nullopt;
}

std::string lutExtension(LutFormat format) {
    return kNames[static_cast<std::size_t>(format)].second;
}

bool isLutName(const std::filesystem::path& file) {
    const std::string extension = lowerCase(file.extension().string());
    return !extension.empty() && lutFormatFromName(extension.substr(1)).has_value();
}

ParsedLut parseLut(const std::string& text) {
    if (text.find('\0') != std::string::npos)
        throw Error("", "", words("this is not a text file, so it is no LUT"),
                    words("choose a .cube, .3dl or .clf file"));
    if (looksLikeClf(text)) return parseClf(text);
    // The fields of .cube are its own; anything that starts without one of them is read as .3dl.
    LutLines lines(text);
    const auto& fields = lines.next();
    if (fields.empty())
        throw Error("", "", words("the file holds no LUT"), words("choose a .cube, .3dl or .clf file"));
    const bool threeDl =
        fields[0] == "3DMESH" || fields[0] == "Mesh" || fields[0] == "gamma" || fields[0] == "LUT8" ||
        (std::all_of(fields[0].begin(), fields[0].end(), [](char c) { return c >= '0' && c <= '9'; }) &&
         fields.size() > 3);
    return threeDl ? parseThreeDl(text) : parseCube(text);
}

ParsedLut readLutFile(const std::filesystem::path& file) {
    const std::string text = readFile(file, std::size_t(1) << 30);
    try {
        return parseLut(text);
    } catch (const Error& e) {
        throw e.inFile(file.string());
    }
}

bool isLutFile(const std::filesystem::path& file) {
    try {
        readLutFile(file);
        return true;
    } catch (const Error&) {
        return false;
    }
}

std::string lutText(const LutTable& table, LutFormat format, const LutSpaces& spaces) {
    if (format == LutFormat::Clf) return clfText(table, spaces);
    return format == LutFormat::Cube ? cubeText(table, spaces) : threeDlText(table);
}

LutTable asWritten(const LutTable& table, LutFormat format, const LutSpaces& spaces) {
    return format == LutFormat::Cube ? table : parseLut(lutText(table, format, spaces)).table;
}

void writeLutFile(const std::filesystem::path& file, const LutTable& table, LutFormat format,
                  const LutSpaces& spaces) {
    writeFileAtomically(file, lutText(table, format, spaces));
}

} // namespace baryton
