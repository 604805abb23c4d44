#pragma once
#include "base/file.h"

#include <filesystem>
#include <map>
#include <string>

namespace baryton::test {

/// What a folder holds: each file's bytes, "(folder)" for folders, by path within it. Where deleted groups go
/// (.deleted) stays behind, empty, and is no part of it.
inline std::map<std::string, std::string> bytesOf(const std::filesystem::path& folder) {
    std::map<std::string, std::string> all;
    if (!std::filesystem::exists(folder)) return all;
    for (const auto& entry : std::filesystem::recursive_directory_iterator(folder))
        if (entry.path().filename() != ".deleted")
            all[entry.path().lexically_relative(folder).string()] =
                entry.is_regular_file() ? readFile(entry.path()) : "(folder)";
    return all;
}

} // namespace baryton::test
