#pragma once
#include "base/file.h"
#include "support/temp_folder.h"

#include <array>
#include <cstdio>
#include <string>
#include <sys/wait.h>

namespace baryton::test {

struct Result {
    int code = -1;
    std::string out, err;
};

/// Runs the real program with these arguments, as a shell would, with a cache in the folder.
inline Result run(const std::string& arguments, const TempFolder& folder) {
    const std::string command = "XDG_CACHE_HOME=" + (folder / "cache").string() + " " + BARYTON_CLI + " " +
                                arguments + " 2>" + (folder / "stderr").string();
    Result result;
    std::FILE* pipe = ::popen(command.c_str(), "r");
    std::array<char, 4096> buffer{};
    while (const std::size_t n = std::fread(buffer.data(), 1, buffer.size(), pipe))
        result.out.append(buffer.data(), n);
    const int status = ::pclose(pipe);
    result.code = WIFEXITED(status) ? WEXITSTATUS(status) : -1;
    result.err = readFile(folder / "stderr");
    return result;
}

inline std::string quoted(const std::filesystem::path& path) {
    return "'" + path.string() + "'";
}

} // namespace baryton::test
