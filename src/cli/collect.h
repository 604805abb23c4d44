#pragma once
#include "cli/commands.h"

#include <filesystem>
#include <string>
#include <vector>

namespace baryton {

/// Which pictures a run is about, as they are asked for.
struct PicturesWanted {
    std::vector<std::string> names; ///< files and folders
    std::string listFile;           ///< a file of further names, each ended by NUL; "-" for standard input
    bool isRecursive = false;       ///< folders below folders too
    std::vector<std::string> only;  ///< of folders, files whose names are like one of these (fnmatch); empty for all
    bool bothOfPairs = false;       ///< a raw file and the JPEG beside it are two pictures of a folder, not one
    std::filesystem::path out;      ///< where the results go
};

/// The options of it, for a command.
void addPicturesWanted(CLI::App& command, PicturesWanted& wanted);

struct PicturesFound {
    std::vector<std::filesystem::path> pictures;
    std::vector<std::string> remarks; ///< what was passed over, and how much of it
    bool someFailed = false;          ///< a folder without pictures; it is told
};

/// The pictures: files as they are, folders by what they hold. A name that can't be read stays in the list and fails
/// on its own; one that is named twice, also through links, is there once. Of a folder that results go to, what this
/// program wrote there before is left out. Throws WrongUsage for a list that is none.
PicturesFound collectPictures(const PicturesWanted& wanted);

} // namespace baryton
