#include "lut/clf_file.h"
#include "base/error.h"
#include "base/file.h"
#include "base/private_folder.h"
#include "base/utf8.h"
#include "base/words.h"
#include "lut/lut_text.h"
#include "plug/clf_plug.h"

#include <algorithm>
#include <cmath>
#include <dlfcn.h>
#include <mutex>
#include <string_view>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr std::size_t kMostText = std::size_t(256) << 20;

/// Beside the program, or where packages put it; empty where it is not.
fs::path plugFile() {
    std::error_code failed;
    const fs::path program = fs::read_symlink("/proc/self/exe", failed).parent_path();
    for (const fs::path& folder : {program, program / "../lib/baryton"})
        if (!failed && fs::exists(folder / kClfPlugFile, failed)) return folder / kClfPlugFile;
    return {};
}

/// Null where there is none, or what it needs is not there.
const ClfPlug* findPlug() {
    const fs::path file = plugFile();
    if (file.empty()) return nullptr;
    // It stays for as long as the program runs: what it gives is called from anywhere.
    void* plug = dlopen(file.c_str(), RTLD_NOW | RTLD_LOCAL);
    const auto function = plug ? reinterpret_cast<ClfPlugFunction>(dlsym(plug, kClfPlugSymbol)) : nullptr;
    return function ? function() : nullptr;
}

const ClfPlug* plug() {
    static const ClfPlug* found = findPlug();
    return found;
}

const ClfPlug& requirePlug() {
    if (!plug())
        throw Error("", "", words("CLF files need a part of Baryton that is not here"),
                    words("install baryton-clf, or use a .cube file"));
    return *plug();
}

/// OpenColorIO keeps things for all threads; a file at a time is enough.
std::mutex& turn() {
    static std::mutex lock;
    return lock;
}

/// What OpenColorIO says of a file, on one line; whoever reads it knows the file by another name.
std::string toldOf(const std::string& message, const fs::path& file) {
    constexpr std::string_view reason = "Error is: ";
    const std::size_t from = message.find(reason);
    std::string text = from == std::string::npos ? message : message.substr(from + reason.size());
    for (std::size_t at = 0; (at = text.find(file.string(), at)) != std::string::npos;)
        text.replace(at, file.string().size(), "CLF");
    constexpr std::size_t most = 300;
    text = asUtf8(text.substr(0, most));
    std::replace(text.begin(), text.end(), '\n', ' ');
    return text;
}

} // namespace

bool hasClf() {
    static const bool isThere = !plugFile().empty();
    return isThere;
}

bool looksLikeClf(std::string_view text) {
    constexpr std::size_t head = 4000;
    const std::string_view start = text.substr(0, head);
    const std::size_t first = start.find_first_not_of(" \t\r\n\xef\xbb\xbf");
    return first != std::string_view::npos && start[first] == '<' &&
           start.find("<ProcessList") != std::string_view::npos &&
           start.find("compCLFversion") != std::string_view::npos;
}

ParsedLut parseClf(const std::string& text) {
    if (text.size() > kMostText)
        throw Error("", "", words("the file is larger than any table of use"), hintForDamagedLut());
    // Not of this format: what XML could be made to swell by, and what would lead to other files.
    for (const char* word : {"<!DOCTYPE", "<!ENTITY", "<Reference"})
        if (text.find(word) != std::string::npos)
            throw Error("", "", inWords("the file holds {}, which a CLF file does not", word), hintForDamagedLut());
    const ClfPlug& clf = requirePlug();
    ParsedLut parsed;
    parsed.format = LutFormat::Clf;
    const PrivateFolder aside;
    const fs::path file = aside.path() / "look.clf";
    writeFileAtomically(file, text);
    ClfPlug::Read read;
    try {
        const std::lock_guard held(turn());
        read = clf.read(file.string());
    } catch (const std::exception& e) {
        throw Error("", "", inWords("OpenColorIO can't read it: {}", toldOf(e.what(), file)), hintForDamagedLut());
    }
    parsed.table = std::move(read.table);
    parsed.table.title = asUtf8(parsed.table.title.substr(0, 400));
    for (const auto* values : {&parsed.table.shaper, &parsed.table.grid})
        for (const float v : *values)
            if (!std::isfinite(v))
                throw Error("", "", words("a value of the table is no number"), hintForDamagedLut());
    if (read.steps == ClfPlug::Steps::SampledColours)
        parsed.remarks.push_back(words("its steps were worked out at 65 × 65 × 65 colours within 0…1"));
    if (read.steps == ClfPlug::Steps::SampledTones)
        parsed.remarks.push_back(words("its steps were worked out at 4 096 tones within 0…1"));
    constexpr std::size_t most = 8;
    for (std::size_t i = 0; i < std::min(read.warnings.size(), most); ++i)
        parsed.remarks.push_back(inWords("OpenColorIO says: {}", toldOf(read.warnings[i], file)));
    return parsed;
}

std::string clfText(const LutTable& table, const LutSpaces& spaces) {
    const ClfPlug& clf = requirePlug();
    try {
        const std::lock_guard held(turn());
        return clf.write(table, spaces.isPlain() ? std::string() : nameOf(spaces));
    } catch (const std::exception& e) {
        throw Error("", "", inWords("OpenColorIO can't write it: {}", e.what()), words("choose a .cube file"));
    }
}

} // namespace baryton
