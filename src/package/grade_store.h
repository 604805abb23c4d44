#pragma once
#include "grade/takes.h"

#include <filesystem>
#include <optional>

namespace baryton {

/// Where the grade of a picture is kept: beside it as NAME.EXT.bgrade, or, where that folder can't be written, in the
/// user's data folder under a hash of the picture's path.
std::filesystem::path gradeFileBeside(const std::filesystem::path& picture);
std::filesystem::path gradeFileInDataFolder(const std::filesystem::path& picture);

/// The kept grade of a picture, values held to their ranges; nothing when there is none. Throws Error when the file
/// can't be understood; it is then left as it is.
std::optional<Grade> loadGrade(const std::filesystem::path& picture);

/// The same with the picture's takes.
std::optional<PictureWork> loadWork(const std::filesystem::path& picture);
std::filesystem::path storeWork(const std::filesystem::path& picture, const PictureWork& work);

/// Keeps a grade, at whichever of the two places takes it. Returns the file it was written to.
std::filesystem::path storeGrade(const std::filesystem::path& picture, const Grade& grade);

} // namespace baryton
