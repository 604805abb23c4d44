#pragma once
#include "grade/grade_json.h"
#include "package/library_edit.h"
#include "package/library_index.h"

#include <array>
#include <ctime>
#include <filesystem>
#include <map>
#include <memory>
#include <mutex>
#include <optional>
#include <string>
#include <vector>

namespace baryton {

/// One preset or LUT file of the library, as it was found. A file that can't be read is listed with its error.
struct LibraryEntry {
    enum class Kind { Preset, Lut };

    std::filesystem::path file;
    std::string group;                    ///< the folder's name
    std::string name;                     ///< the preset's name; the file's for LUTs and where it can't be read
    std::shared_ptr<const Preset> preset; ///< of a LUT file one with just a LUT stage; null where it can't be read
    std::string error;                    ///< empty when all is well
    Kind kind = Kind::Preset;
    std::string contentId;  ///< a name for what the file holds; empty while it is pending
    bool isPending = false; ///< a LUT file that has not been read yet: no preset, no error

    /// Its name in the index: "Group/File.bpreset".
    std::string item() const { return group + "/" + file.filename().string(); }
};

/// A preset that is just a LUT file, as a stage of its own layer.
Preset lutPreset(const LutTable& table, const std::string& fileName);

/// The presets and LUTs on disk: one folder a group, one .bpreset, .cube, .3dl or .clf file an item, and library.json
/// with the order of groups, favourites, keys and starts. Reading looks at the disk every time, but parses only what
/// has changed; edits are made as values first and take effect with `perform`, so that every one of them can be
/// reverted.
///
/// Edits throw Error when a name is taken, empty, or an entry can't be read where its content is needed.
class Library {
public:
    explicit Library(std::filesystem::path root) : root_(std::move(root)) {}

    const std::filesystem::path& root() const { return root_; }
    /// What library.json says; the default and `error` where it can't be read.
    LibraryIndex index(std::string* error = nullptr) const;
    /// Group names in the order of the index, then by name; a group without presets counts.
    std::vector<std::string> groups() const;
    /// Reading LUT files takes time: Pending lists those that are not known yet without reading them.
    enum class Luts { Read, Pending };
    /// All entries, by group and name.
    std::vector<LibraryEntry> entries(Luts luts = Luts::Read) const;
    /// Those of one group.
    std::vector<LibraryEntry> entriesIn(const std::string& group, Luts luts = Luts::Read) const;
    /// A preset or LUT file, wherever it lies, its folder taken for its group; nothing for other kinds of file.
    std::optional<LibraryEntry> entryOf(const std::filesystem::path& file) const;
    /// The folder of a group: its name with what can't stand in one replaced, and never that of the index.
    std::filesystem::path folderOf(const std::string& group) const;

    /// Puts a preset into a group. When the group has one of this name it is replaced, or, with keepBoth, the new one
    /// gets a number behind its name.
    LibraryEdit add(const Preset& preset, const std::string& group, bool keepBoth = false) const;
    /// Puts a file's bytes into a group under its own name; a number is added when keepBoth and the name is taken.
    LibraryEdit addFile(const std::string& bytes, const std::string& fileName, const std::string& group,
                        bool keepBoth = false) const;
    LibraryEdit rename(const LibraryEntry& entry, const std::string& name) const;
    LibraryEdit remove(const std::vector<LibraryEntry>& entries) const;
    LibraryEdit move(const std::vector<LibraryEntry>& entries, const std::string& group) const;
    LibraryEdit duplicate(const LibraryEntry& entry) const;
    /// Writes another content into a preset's file; its name stays.
    LibraryEdit change(const LibraryEntry& entry, const Preset& preset, const std::string& description) const;

    LibraryEdit addGroup(const std::string& group) const;
    LibraryEdit renameGroup(const std::string& group, const std::string& name) const;
    /// The folder goes into .deleted beside the groups, with all that is in it.
    LibraryEdit removeGroup(const std::string& group) const;
    /// What lies in .deleted.
    struct Deleted {
        int groups = 0;
        std::uintmax_t bytes = 0;
    };
    Deleted deleted() const;
    /// Removes for good what was deleted longer ago than so many days; all of it for 0. Gives how many groups went.
    /// What can't be removed stays.
    int emptyDeleted(int days = kDeletedDays, std::time_t now = std::time(nullptr)) const;
    static constexpr int kDeletedDays = 60;

    LibraryEdit orderGroups(const std::vector<std::string>& groups) const;
    LibraryEdit setIndex(const LibraryIndex& index, const std::string& description) const;

    /// The file of an item's name; nothing for names that lead out of the library.
    std::optional<std::filesystem::path> fileOf(const std::string& item) const;

private:
    using Stamp = std::array<std::int64_t, 5>;
    struct Known {
        Stamp stamp;
        LibraryEntry entry;
    };
    LibraryEntry entryFor(const std::filesystem::path& file, Luts luts) const;
    std::filesystem::path fileFor(const std::string& group, const std::string& name) const;
    void addFolder(LibraryEdit& edit, const std::string& group) const;
    void renameInIndex(LibraryEdit& edit, const std::vector<std::pair<std::string, std::string>>& names) const;

    std::filesystem::path root_;
    struct Cache {
        std::mutex mutex;
        std::map<std::filesystem::path, Known> known;
    };
    std::shared_ptr<Cache> cache_ = std::make_shared<Cache>();
};

/// What a search looks through: group, name, notes, author and the stages that it uses.
std::string searchText(const LibraryEntry& entry);

/// The library's folder in the user's data folder.
std::filesystem::path userLibraryFolder();

} // namespace baryton
