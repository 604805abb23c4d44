#pragma once
#include "package/archive.h"
#include "package/library.h"

namespace baryton {

/// What a pack says of itself.
struct PackInfo {
    std::string name, author, licence, notes;
    std::string cover; ///< a JPEG as bytes; empty for none
    bool operator==(const PackInfo&) const = default;
};

/// The account of a pack (pack.json): what it says of itself, and which files make up its groups.
struct PackContents {
    struct Group {
        std::string name;
        std::vector<std::string> items; ///< paths within the archive
    };
    PackInfo info;
    std::string coverPath;
    std::vector<Group> groups;
};

/// Throws Error with the line or JSON path.
PackContents packContentsFromText(const std::string& text);

/// A pack of library entries, a zip archive with pack.json and one folder a group. LUTs that presets use travel
/// inside the presets; LUT files go in as they are. Throws Error naming an entry that can't be read.
std::string packBytes(const PackInfo& info, const std::vector<LibraryEntry>& entries);

/// True for a file that holds a pack.
bool isPack(const std::filesystem::path& file);

} // namespace baryton
