#pragma once
#include "grade/takes.h"

#include <filesystem>
#include <optional>
#include <string>

namespace baryton {

/// Where the grade of a picture is kept: beside it as NAME.EXT.bgrade, or, where that can't be written, in the user's
/// data folder under a hash of the picture's path.
std::filesystem::path gradeFileBeside(const std::filesystem::path& picture);
std::filesystem::path gradeFileInDataFolder(const std::filesystem::path& picture);

/// The one of the two that holds the picture's grade: the newer one, where both are there.
std::optional<std::filesystem::path> gradeFileOf(const std::filesystem::path& picture);

/// The kept grade of a picture, values held to their ranges; nothing when there is none. Throws Error when the file
/// can't be understood; it is then left as it is.
std::optional<Grade> loadGrade(const std::filesystem::path& picture);

/// The same with the picture's takes.
std::optional<PictureWork> loadWork(const std::filesystem::path& picture);
/// Keeps it, and returns the file it was written to. `whyElsewhere` takes the reason when that is not beside the
/// picture. Throws Error, with what was wrong beside the picture, when neither place takes it.
std::filesystem::path storeWork(const std::filesystem::path& picture, const PictureWork& work,
                                std::string* whyElsewhere = nullptr);

/// The same for a grade without takes.
std::filesystem::path storeGrade(const std::filesystem::path& picture, const Grade& grade);

} // namespace baryton
