#include "package/library.h"
#include "base/error.h"
#include "base/file.h"
#include "base/first_free.h"
#include "base/letters.h"
#include "base/natural_order.h"
#include "base/words.h"
#include "lut/bake.h"
#include "lut/lut_file.h"
#include "stages/stage_type.h"
#include "stages/validate.h"

#include <algorithm>
#include <set>
#include <sys/stat.h>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr const char* kPresetExtension = ".bpreset";
constexpr const char* kIndexFile = "library.json";
constexpr const char* kDeletedFolder = ".deleted";

/// What changes when a file does: its inode too, as a file written anew is another one.
std::array<std::int64_t, 5> stampOf(const fs::path& file) {
    struct stat found {};
    if (::stat(file.c_str(), &found) != 0) return {};
    return {static_cast<std::int64_t>(found.st_ino), found.st_size, found.st_mtim.tv_sec, found.st_mtim.tv_nsec,
            found.st_ctim.tv_sec * 1000000000 + found.st_ctim.tv_nsec};
}

std::optional<LibraryEntry::Kind> kindOf(const fs::path& file) {
    const std::string extension = lowerCase(file.extension().string());
    if (file.filename().string().starts_with('.')) return std::nullopt;
    if (extension == kPresetExtension) return LibraryEntry::Kind::Preset;
    if (isLutName(file)) return LibraryEntry::Kind::Lut;
    return std::nullopt;
}

/// `missing` says that there is none.
void requireName(const std::string& name, const std::string& missing) {
    if (name.find_first_not_of(' ') == std::string::npos)
        throw Error("", "", missing, words("type at least one letter"));
}

bool isThere(const fs::path& file) {
    std::error_code ignored;
    return fs::exists(file, ignored);
}

std::string counted(const std::vector<LibraryEntry>& entries) {
    return entries.size() == 1 ? entries.front().name : inWords("{} items", entries.size());
}

} // namespace

fs::path userLibraryFolder() {
    return userDataFolder() / "presets";
}

std::string searchText(const LibraryEntry& entry) {
    std::string text = entry.group + " " + entry.name;
    if (!entry.preset) return text;
    text += " " + entry.preset->notes + " " + entry.preset->author;
    for (const StagePlace& place : stagePlaces(entry.preset->carried)) {
        const StageType* type = findStageType(stageAt(entry.preset->carried, place).type);
        if (type) text += " " + type->name;
    }
    return text;
}

Preset lutPreset(const LutTable& table, const std::string& fileName) {
    Preset preset;
    preset.name = fs::path(fileName).stem().string();
    preset.carried = lutGrade(table, fileName);
    preset.carried.look.front().name = preset.name;
    return preset;
}

LibraryIndex Library::index(std::string* error) const {
    const fs::path file = root_ / kIndexFile;
    std::error_code ignored;
    if (!fs::exists(file, ignored)) return {};
    try {
        return libraryIndexFromText(readFile(file));
    } catch (const Error& e) {
        if (error) *error = e.inFile(file.string()).what();
        return {};
    }
}

std::vector<std::string> Library::groups() const {
    std::vector<std::string> names;
    std::error_code failed;
    for (fs::directory_iterator it(root_, failed), end; !failed && it != end; it.increment(failed))
        if (it->is_directory(failed) && !it->path().filename().string().starts_with('.'))
            names.push_back(it->path().filename().string());
    std::sort(names.begin(), names.end(), naturallyBefore);
    const auto order = index().groupOrder;
    std::stable_sort(names.begin(), names.end(), [&](const std::string& a, const std::string& b) {
        return std::find(order.begin(), order.end(), a) < std::find(order.begin(), order.end(), b);
    });
    return names;
}

LibraryEntry Library::entryFor(const fs::path& file, Luts luts) const {
    const Stamp stamp = stampOf(file);
    {
        const std::lock_guard lock(cache_->mutex);
        const auto at = cache_->known.find(file);
        if (at != cache_->known.end() && at->second.stamp == stamp) return at->second.entry;
    }
    LibraryEntry entry;
    entry.file = file;
    entry.group = file.parent_path().filename().string();
    entry.name = file.stem().string();
    entry.kind = kindOf(file).value_or(LibraryEntry::Kind::Preset);
    if (entry.kind == LibraryEntry::Kind::Lut && luts == Luts::Pending) {
        entry.isPending = true;
        return entry;
    }
    try {
        const std::string content = readFile(file);
        entry.contentId = contentHash(content);
        if (entry.kind == LibraryEntry::Kind::Lut) {
            entry.preset =
                std::make_shared<const Preset>(lutPreset(parseLut(content).table, file.filename().string()));
        } else {
            entry.preset = std::make_shared<const Preset>(presetFromText(content));
            entry.name = entry.preset->name;
            requireValid(entry.preset->carried);
        }
    } catch (const Error& e) {
        entry.preset.reset();
        entry.error = e.file().empty() ? e.inFile(file.string()).what() : e.what();
    }
    const std::lock_guard lock(cache_->mutex);
    cache_->known[file] = {stamp, entry};
    return entry;
}

std::vector<LibraryEntry> Library::entries(Luts luts) const {
    std::vector<LibraryEntry> all;
    for (const auto& group : groups())
        for (LibraryEntry& entry : entriesIn(group, luts)) all.push_back(std::move(entry));
    return all;
}

std::vector<LibraryEntry> Library::entriesIn(const std::string& group, Luts luts) const {
    std::error_code failed;
    std::vector<LibraryEntry> found;
    for (fs::directory_iterator it(root_ / group, failed), end; !failed && it != end; it.increment(failed))
        if (kindOf(it->path())) found.push_back(entryFor(it->path(), luts));
    std::sort(found.begin(), found.end(), [](const auto& a, const auto& b) {
        return a.name != b.name ? naturallyBefore(a.name, b.name) : a.file < b.file;
    });
    return found;
}

std::optional<LibraryEntry> Library::entryOf(const fs::path& file) const {
    if (!kindOf(file)) return std::nullopt;
    return entryFor(file, Luts::Read);
}

fs::path Library::folderOf(const std::string& group) const {
    const std::string name = safeFileName(group);
    return root_ / (lowerCase(name) == kIndexFile ? name + " -" : name);
}

fs::path Library::fileFor(const std::string& group, const std::string& name) const {
    return folderOf(group) / (safeFileName(name) + kPresetExtension);
}

std::optional<fs::path> Library::fileOf(const std::string& item) const {
    const fs::path path(item);
    if (path.is_absolute() || std::distance(path.begin(), path.end()) != 2) return std::nullopt;
    for (const auto& component : path)
        if (component == ".." || component == ".") return std::nullopt;
    return root_ / path;
}

void Library::addFolder(LibraryEdit& edit, const std::string& group) const {
    requireName(group, words("a group needs a name"));
    std::error_code ignored;
    for (const fs::path& folder : {root_, folderOf(group)}) {
        const bool added = std::any_of(edit.changes.begin(), edit.changes.end(),
                                       [&](const FileChange& change) { return change.file == folder; });
        if (!added && !fs::exists(folder, ignored))
            edit.changes.push_back({FileChange::Kind::Folder, folder, {}, {}, {}});
    }
}

void Library::renameInIndex(LibraryEdit& edit, const std::vector<std::pair<std::string, std::string>>& names) const {
    LibraryIndex next = index();
    const LibraryIndex before = next;
    for (const auto& [from, to] : names) next.rename(from, to);
    if (!(next == before)) edit.changes.push_back(contentChange(root_ / kIndexFile, libraryIndexToText(next)));
}

LibraryEdit Library::add(const Preset& preset, const std::string& group, bool keepBoth) const {
    Preset named = preset;
    requireName(named.name, words("a preset needs a name"));
    named.name = firstFree([&](int n) { return n == 1 ? preset.name : preset.name + " " + std::to_string(n); },
                           [&](const std::string& name) { return keepBoth && isThere(fileFor(group, name)); });
    fs::path file = fileFor(group, named.name);
    // Two names can come to one file name ("a/b", "a:b"): only the same name replaces.
    if (isThere(file) && entryFor(file, Luts::Read).name != named.name) file = freeFile(file, isThere);
    LibraryEdit edit{inWords("Save preset {}", named.name), {}};
    addFolder(edit, group);
    edit.changes.push_back(contentChange(file, presetToText(named)));
    return edit;
}

LibraryEdit Library::addFile(const std::string& bytes, const std::string& fileName, const std::string& group,
                             bool keepBoth) const {
    fs::path file = folderOf(group) / safeFileName(fileName);
    if (keepBoth) file = freeFile(file, isThere);
    LibraryEdit edit{inWords("Add {}", file.filename().string()), {}};
    addFolder(edit, group);
    edit.changes.push_back(contentChange(file, bytes));
    return edit;
}

LibraryEdit Library::rename(const LibraryEntry& entry, const std::string& name) const {
    requireName(name, words("a preset needs a name"));
    const bool isLut = entry.kind == LibraryEntry::Kind::Lut;
    if (!entry.preset && !isLut)
        throw Error(entry.file.string(), "", words("a preset that can't be read can't be renamed"), entry.error);
    fs::path file = fileFor(entry.group, name);
    if (isLut) file.replace_extension(entry.file.extension());
    std::error_code ignored;
    if (file != entry.file && fs::exists(file, ignored))
        throw Error(file.string(), "", words("the group already has an item of this name"),
                    words("choose another name"));
    LibraryEdit edit{inWords("Rename {} to {}", entry.name, name), {}};
    if (isLut) {
        if (file != entry.file) edit.changes.push_back({FileChange::Kind::Move, entry.file, {}, {}, file});
    } else {
        Preset named = *entry.preset;
        named.name = name;
        edit.changes.push_back(contentChange(file, presetToText(named)));
        if (file != entry.file) edit.changes.push_back(contentChange(entry.file, std::nullopt));
    }
    renameInIndex(edit, {{entry.item(), entry.group + "/" + file.filename().string()}});
    return edit;
}

LibraryEdit Library::remove(const std::vector<LibraryEntry>& entries) const {
    LibraryEdit edit{inWords("Delete {}", counted(entries)), {}};
    std::vector<std::pair<std::string, std::string>> names;
    for (const auto& entry : entries) {
        edit.changes.push_back(contentChange(entry.file, std::nullopt));
        names.emplace_back(entry.item(), "");
    }
    renameInIndex(edit, names);
    return edit;
}

LibraryEdit Library::move(const std::vector<LibraryEntry>& entries, const std::string& group) const {
    LibraryEdit edit{inWords("Move {} to {}", counted(entries), group), {}};
    addFolder(edit, group);
    std::vector<std::pair<std::string, std::string>> names;
    std::set<fs::path> taken, moved;
    for (const auto& entry : entries) {
        if (entry.file.parent_path() == folderOf(group) || !moved.insert(entry.file).second) continue;
        // The same name twice in a group: both stay, one with a number. A preset's name is its file's, so it is
        // written anew then.
        const fs::path wanted = folderOf(group) / entry.file.filename(),
                       file = freeFile(wanted,
                                       [&](const fs::path&each) { return taken.contains(each) || isThere(each); });
        taken.insert(file);
        if (file == wanted || !entry.preset || entry.kind == LibraryEntry::Kind::Lut) {
            edit.changes.push_back({FileChange::Kind::Move, entry.file, {}, {}, file});
        } else {
            Preset named = *entry.preset;
            named.name = file.stem().string();
            edit.changes.push_back(contentChange(file, presetToText(named)));
            edit.changes.push_back(contentChange(entry.file, std::nullopt));
        }
        names.emplace_back(entry.item(), folderOf(group).filename().string() + "/" + file.filename().string());
    }
    renameInIndex(edit, names);
    return edit;
}

LibraryEdit Library::duplicate(const LibraryEntry& entry) const {
    LibraryEdit edit = entry.preset && entry.kind == LibraryEntry::Kind::Preset
                           ? add(*entry.preset, entry.group, true)
                           : addFile(readFile(entry.file), entry.file.filename().string(), entry.group, true);
    edit.description = inWords("Duplicate {}", entry.name);
    return edit;
}

LibraryEdit Library::change(const LibraryEntry& entry, const Preset& preset, const std::string& description) const {
    Preset named = preset;
    named.name = entry.name;
    return {description, {contentChange(entry.file, presetToText(named))}};
}

LibraryEdit Library::addGroup(const std::string& group) const {
    LibraryEdit edit{inWords("Make group {}", group), {}};
    addFolder(edit, group);
    if (edit.changes.empty() || edit.changes.back().file != folderOf(group))
        throw Error(folderOf(group).string(), "", words("there is a group of this name already"),
                    words("choose another name"));
    return edit;
}

LibraryEdit Library::renameGroup(const std::string& group, const std::string& name) const {
    requireName(name, words("a group needs a name"));
    const fs::path from = root_ / group, to = folderOf(name);
    std::error_code ignored;
    if (fs::exists(to, ignored))
        throw Error(to.string(), "", words("there is a group of this name already"), words("choose another name"));
    LibraryEdit edit{inWords("Rename group {} to {}", group, name), {{FileChange::Kind::Move, from, {}, {}, to}}};
    renameInIndex(edit, {{group + "/", to.filename().string() + "/"}});
    return edit;
}

LibraryEdit Library::removeGroup(const std::string& group) const {
    LibraryEdit edit{inWords("Delete group {}", group), {}};
    edit.changes.push_back(
        {FileChange::Kind::Move, root_ / group, {}, {}, freeFile(root_ / kDeletedFolder / group, isThere)});
    renameInIndex(edit, {{group + "/", ""}});
    return edit;
}

Library::Deleted Library::deleted() const {
    Deleted there;
    std::error_code failed;
    for (fs::directory_iterator it(root_ / kDeletedFolder, failed), end; !failed && it != end; it.increment(failed))
        ++there.groups;
    for (fs::recursive_directory_iterator it(root_ / kDeletedFolder, failed), end; !failed && it != end;
         it.increment(failed)) {
        std::error_code ignored;
        if (it->is_regular_file(ignored)) there.bytes += it->file_size(ignored);
    }
    return there;
}

int Library::emptyDeleted(int days, std::time_t now) const {
    std::vector<fs::path> old;
    std::error_code failed;
    const std::time_t before = now - std::time_t(days) * 24 * 3600;
    for (fs::directory_iterator it(root_ / kDeletedFolder, failed), end; !failed && it != end; it.increment(failed)) {
        // Moving a folder changes its status, not what it holds: that is when it came here.
        struct stat found {};
        if (::lstat(it->path().c_str(), &found) == 0 && (days == 0 || found.st_ctim.tv_sec < before))
            old.push_back(it->path());
    }
    return static_cast<int>(std::count_if(old.begin(), old.end(), [](const fs::path& each) {
        std::error_code left;
        fs::remove_all(each, left);
        return !left;
    }));
}

LibraryEdit Library::orderGroups(const std::vector<std::string>& groups) const {
    LibraryIndex next = index();
    next.groupOrder = groups;
    return setIndex(next, words("Order the groups"));
}

LibraryEdit Library::setIndex(const LibraryIndex& index, const std::string& description) const {
    LibraryEdit edit{description, {}};
    std::error_code ignored;
    if (!fs::exists(root_, ignored)) edit.changes.push_back({FileChange::Kind::Folder, root_, {}, {}, {}});
    edit.changes.push_back(contentChange(root_ / kIndexFile, libraryIndexToText(index)));
    return edit;
}

} // namespace baryton
