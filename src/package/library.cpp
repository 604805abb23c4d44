#include "package/library.h"
#include "base/error.h"
#include "base/file.h"
#include "stages/stage_type.h"

#include <algorithm>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr const char* kExtension = ".bpreset";

std::optional<std::string> contentOf(const fs::path& file) {
    std::error_code ignored;
    if (!fs::exists(file, ignored)) return std::nullopt;
    return readFile(file);
}

void put(const fs::path& file, const std::optional<std::string>& content) {
    if (content) {
        writeFileAtomically(file, *content);
        return;
    }
    std::error_code failed;
    fs::remove(file, failed);
    if (failed)
        throw Error(file.string(), "", "cannot delete: " + failed.message(), "check the permissions of its folder");
}

LibraryEntry entryFor(const fs::path& file) {
    LibraryEntry entry{file, file.parent_path().filename().string(), file.stem().string(), std::nullopt, ""};
    try {
        entry.preset = readPresetFile(file);
        entry.name = entry.preset->name;
        requireValid(entry.preset->carried);
    } catch (const Error& e) {
        entry.preset.reset();
        entry.error = e.file().empty() ? e.inFile(file.string()).what() : e.what();
    }
    return entry;
}

} // namespace

fs::path userLibraryFolder() {
    return userDataFolder() / "presets";
}

std::vector<std::string> Library::groups() const {
    std::vector<std::string> names;
    std::error_code failed;
    for (fs::directory_iterator it(root_, failed), end; !failed && it != end; it.increment(failed))
        if (it->is_directory(failed)) names.push_back(it->path().filename().string());
    std::sort(names.begin(), names.end());
    return names;
}

std::vector<LibraryEntry> Library::entries() const {
    std::vector<LibraryEntry> all;
    for (const auto& group : groups()) {
        std::error_code failed;
        std::vector<LibraryEntry> found;
        for (fs::directory_iterator it(root_ / group, failed), end; !failed && it != end; it.increment(failed))
            if (it->path().extension() == kExtension && it->path().filename().string()[0] != '.')
                found.push_back(entryFor(it->path()));
        std::sort(found.begin(), found.end(),
                  [](const auto& a, const auto& b) { return std::tie(a.name, a.file) < std::tie(b.name, b.file); });
        std::move(found.begin(), found.end(), std::back_inserter(all));
    }
    return all;
}

fs::path Library::fileFor(const std::string& group, const std::string& name) const {
    return root_ / safeFileName(group) / (safeFileName(name) + kExtension);
}

LibraryEdit Library::add(const Preset& preset, const std::string& group, bool keepBoth) const {
    Preset named = preset;
    fs::path file = fileFor(group, named.name);
    std::error_code ignored;
    for (int n = 2; keepBoth && fs::exists(file, ignored); ++n) {
        named.name = preset.name + " " + std::to_string(n);
        file = fileFor(group, named.name);
    }
    return {"Save preset " + named.name, {{file, contentOf(file), presetToText(named)}}};
}

LibraryEdit Library::rename(const LibraryEntry& entry, const std::string& name) const {
    if (name.find_first_not_of(' ') == std::string::npos)
        throw Error(entry.file.string(), "", "a preset needs a name", "type at least one letter");
    if (!entry.preset)
        throw Error(entry.file.string(), "", "a preset that can't be read can't be renamed", entry.error);
    Preset named = *entry.preset;
    named.name = name;
    const fs::path file = fileFor(entry.group, name);
    std::error_code ignored;
    if (file != entry.file && fs::exists(file, ignored))
        throw Error(file.string(), "", "the group already has a preset of this name", "choose another name");
    LibraryEdit edit{"Rename " + entry.name + " to " + name, {}};
    if (file != entry.file) edit.changes.push_back({entry.file, contentOf(entry.file), std::nullopt});
    edit.changes.push_back({file, contentOf(file), presetToText(named)});
    return edit;
}

LibraryEdit Library::remove(const LibraryEntry& entry) const {
    return {"Delete preset " + entry.name, {{entry.file, contentOf(entry.file), std::nullopt}}};
}

void Library::perform(const LibraryEdit& edit) {
    // New content first: when the disk is full, the old file is still there.
    for (const auto& change : edit.changes)
        if (change.after) put(change.file, change.after);
    for (const auto& change : edit.changes)
        if (!change.after) put(change.file, change.after);
}

void Library::revert(const LibraryEdit& edit) {
    for (const auto& change : edit.changes)
        if (change.before) put(change.file, change.before);
    for (const auto& change : edit.changes)
        if (!change.before) put(change.file, change.before);
}

} // namespace baryton
