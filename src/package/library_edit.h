#pragma once
#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace baryton {

/// One thing done to the disk, as a value.
struct FileChange {
    enum class Kind {
        Content, ///< what a file held before and holds after; nothing: no file
        Move,    ///< a file or folder from one place to another
        Folder,  ///< a folder made
    };
    Kind kind = Kind::Content;
    std::filesystem::path file;
    std::optional<std::string> before = {}, after = {}; ///< Content
    std::filesystem::path to = {};                      ///< Move
};

/// A change of the library's files that can be undone.
struct LibraryEdit {
    std::string description;
    std::vector<FileChange> changes; ///< in the order they are made
};

/// Makes a file's change from what it holds now.
FileChange contentChange(const std::filesystem::path& file, std::optional<std::string> after);

/// Does an edit, or undoes it. When a step fails (a full disk, a locked folder) those already done are taken back and
/// Error is thrown: the disk is as it was.
void perform(const LibraryEdit& edit);
void revert(const LibraryEdit& edit);

} // namespace baryton
