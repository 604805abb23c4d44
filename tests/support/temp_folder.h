#pragma once
#include "base/file.h"

#include <cstdlib>
#include <filesystem>
#include <string>

namespace baryton::test {

/// A folder of a test's own, gone when the test is.
class TempFolder {
public:
    TempFolder() {
        std::string pattern = (std::filesystem::temp_directory_path() / "baryton-test-XXXXXX").string();
        path_ = ::mkdtemp(pattern.data());
    }
    ~TempFolder() {
        std::error_code ignored;
        std::filesystem::permissions(path_, std::filesystem::perms::owner_all, ignored);
        std::filesystem::remove_all(path_, ignored);
    }
    TempFolder(const TempFolder&) = delete;
    TempFolder& operator=(const TempFolder&) = delete;

    const std::filesystem::path& path() const { return path_; }
    std::filesystem::path operator/(const std::string& name) const { return path_ / name; }
    /// Writes a file here and returns its path.
    std::filesystem::path file(const std::string& name, const std::string& content) const {
        writeFileAtomically(path_ / name, content);
        return path_ / name;
    }
    std::size_t entries() const {
        return static_cast<std::size_t>(std::distance(std::filesystem::recursive_directory_iterator(path_),
                                                      std::filesystem::recursive_directory_iterator()));
    }

private:
    std::filesystem::path path_;
};

/// The demo set's folder in the source tree.
inline std::filesystem::path demo() {
    return std::filesystem::path(BARYTON_SOURCE) / "demo";
}

} // namespace baryton::test
