#pragma once
#include "grade/grade.h"

#include <filesystem>

namespace baryton {

/// What the library knows beside its files: library.json in its folder. Items are named by their path within the
/// library, "Group/File.bpreset".
struct LibraryIndex {
    struct Item {
        bool isFavourite = false;
        std::string key; ///< a key sequence in words, "Ctrl+Alt+1"; empty for none
        bool operator==(const Item&) const = default;
    };
    std::vector<std::string> groupOrder; ///< groups that are not named follow by name
    std::map<std::string, Item> items;
    /// What a picture without a grade starts from: an item, by camera model, by file type ("jpg"), or any; the first
    /// of these that fits. Empty for a neutral start.
    std::string start;
    std::map<std::string, std::string> startByCamera, startByType;
    UnknownFields unknown;

    bool operator==(const LibraryIndex&) const = default;

    /// The item that a picture starts from; empty for none.
    std::string startFor(const std::string& camera, const std::string& type) const;
    /// An item or a whole group ("Group/") has another name now; an empty one drops it.
    void rename(const std::string& from, const std::string& to);
};

/// Throws Error with the line or JSON path.
LibraryIndex libraryIndexFromText(const std::string& text);
std::string libraryIndexToText(const LibraryIndex& index);

} // namespace baryton
