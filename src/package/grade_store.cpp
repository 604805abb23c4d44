#include "package/grade_store.h"
#include "base/error.h"
#include "base/file.h"
#include "grade/grade_json.h"
#include "stages/stage_type.h"

#include <unistd.h>

namespace baryton {

namespace fs = std::filesystem;

fs::path gradeFileBeside(const fs::path& picture) {
    fs::path file = picture;
    file += ".bgrade";
    return file;
}

fs::path gradeFileInDataFolder(const fs::path& picture) {
    std::error_code ignored;
    const fs::path whole = fs::absolute(picture, ignored).lexically_normal();
    return userDataFolder() / "grades" /
           (safeFileName(picture.filename().string()) + "-" + contentHash(whole.string()) + ".bgrade");
}

std::optional<PictureWork> loadWork(const fs::path& picture) {
    for (const auto& file : {gradeFileBeside(picture), gradeFileInDataFolder(picture)}) {
        std::error_code ignored;
        if (!fs::exists(file, ignored)) continue;
        PictureWork work = readWorkFile(file);
        work.grade = repaired(work.grade);
        for (Take& take : work.takes) take.grade = repaired(take.grade);
        return work;
    }
    return std::nullopt;
}

fs::path storeWork(const fs::path& picture, const PictureWork& work) {
    const fs::path beside = gradeFileBeside(picture), folder = beside.has_parent_path() ? beside.parent_path() : ".";
    const fs::path file = ::access(folder.c_str(), W_OK) == 0 ? beside : gradeFileInDataFolder(picture);
    writeWorkFile(file, work);
    return file;
}

std::optional<Grade> loadGrade(const fs::path& picture) {
    if (auto work = loadWork(picture)) return std::move(work->grade);
    return std::nullopt;
}

fs::path storeGrade(const fs::path& picture, const Grade& grade) {
    return storeWork(picture, {grade, {}, 0, {}});
}

} // namespace baryton
