#include "package/grade_store.h"
#include "base/error.h"
#include "base/file.h"
#include "base/words.h"
#include "grade/grade_json.h"
#include "stages/validate.h"

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

std::optional<fs::path> gradeFileOf(const fs::path& picture) {
    std::optional<fs::path> newest;
    fs::file_time_type when;
    for (const auto& file : {gradeFileBeside(picture), gradeFileInDataFolder(picture)}) {
        std::error_code none;
        const auto written = fs::last_write_time(file, none);
        if (none || (newest && written <= when)) continue;
        newest = file;
        when = written;
    }
    return newest;
}

std::optional<PictureWork> loadWork(const fs::path& picture) {
    const auto file = gradeFileOf(picture);
    if (!file) return std::nullopt;
    PictureWork work = readWorkFile(*file);
    work.grade = repaired(work.grade);
    for (Take& take : work.takes) take.grade = repaired(take.grade);
    return work;
}

fs::path storeWork(const fs::path& picture, const PictureWork& work, std::string* whyElsewhere) {
    const fs::path beside = gradeFileBeside(picture);
    try {
        // A folder that is gone is not made anew.
        if (const fs::path folder = beside.has_parent_path() ? beside.parent_path() : "."; !fs::is_directory(folder))
            throw Error(folder.string(), "", words("the folder is not there"),
                        words("bring it back or open the pictures anew"));
        writeWorkFile(beside, work);
        return beside;
    } catch (const Error& e) {
        const fs::path other = gradeFileInDataFolder(picture);
        try {
            writeWorkFile(other, work);
        } catch (const Error&) {
            throw e;
        }
        if (whyElsewhere) *whyElsewhere = e.what();
        return other;
    }
}

std::optional<Grade> loadGrade(const fs::path& picture) {
    if (auto work = loadWork(picture)) return std::move(work->grade);
    return std::nullopt;
}

fs::path storeGrade(const fs::path& picture, const Grade& grade) {
    return storeWork(picture, {grade, {}, kStartTake, {}});
}

} // namespace baryton
