#pragma once
#include "base/error.h"
#include "base/words.h"

#include <cstdlib>
#include <filesystem>

namespace baryton {

/// Makes one for this program's user alone; throws Error where none can be made.
inline std::filesystem::path newPrivateFolder() {
    std::string name = (std::filesystem::temp_directory_path() / "baryton-XXXXXX").string();
    if (!::mkdtemp(name.data()))
        throw Error(name, "", words("cannot make a folder for what is on its way"),
                    words("set TMPDIR to a folder with room"));
    return name;
}

/// A folder for a file on its way, gone with it; nobody else may look into it. Throws Error where none can be made.
class PrivateFolder {
public:
    PrivateFolder() = default;
    PrivateFolder(const PrivateFolder&) = delete;
    PrivateFolder& operator=(const PrivateFolder&) = delete;
    ~PrivateFolder() {
        std::error_code ignored;
        std::filesystem::remove_all(path_, ignored);
    }
    const std::filesystem::path& path() const { return path_; }

private:
    std::filesystem::path path_ = newPrivateFolder();
};

} // namespace baryton
