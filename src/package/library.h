#pragma once
#include "grade/grade_json.h"

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace baryton {

/// One preset file of the library, as it was found. A file that can't be read is listed with its error.
struct LibraryEntry {
    std::filesystem::path file;
    std::string group; ///< the folder's name
    std::string name;  ///< the preset's name; the file's where it can't be read
    std::optional<Preset> preset;
    std::string error; ///< empty when all is well
};

/// A change of the library's files that can be undone: what each file held before and holds after (nothing: no file).
struct LibraryEdit {
    struct FileChange {
        std::filesystem::path file;
        std::optional<std::string> before, after;
    };
    std::string description;
    std::vector<FileChange> changes;
};

/// The presets on disk: one folder a group, one .bpreset file a preset. Reading looks at the disk anew every time;
/// edits are made as values first and take effect with `perform`, so that every one of them can be reverted.
class Library {
public:
    explicit Library(std::filesystem::path root) : root_(std::move(root)) {}

    const std::filesystem::path& root() const { return root_; }
    /// Group names, sorted; a group without presets counts.
    std::vector<std::string> groups() const;
    /// All presets, by group and name.
    std::vector<LibraryEntry> entries() const;

    /// Puts a preset into a group. When the group has one of this name it is replaced, or, with keepBoth, the new one
    /// gets a number behind its name.
    LibraryEdit add(const Preset& preset, const std::string& group, bool keepBoth = false) const;
    /// Throws Error when the group has another preset of that name, or the name is empty.
    LibraryEdit rename(const LibraryEntry& entry, const std::string& name) const;
    LibraryEdit remove(const LibraryEntry& entry) const;

    static void perform(const LibraryEdit& edit);
    static void revert(const LibraryEdit& edit);

private:
    std::filesystem::path fileFor(const std::string& group, const std::string& name) const;
    std::filesystem::path root_;
};

/// The library's folder in the user's data folder.
std::filesystem::path userLibraryFolder();

} // namespace baryton
