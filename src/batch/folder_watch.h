#pragma once
#include <cstdint>
#include <filesystem>
#include <map>
#include <set>
#include <vector>

namespace baryton {

/// Looks into a folder again and again for pictures that have come. It is looked at, not listened to, so that folders
/// on other machines do as well.
class FolderWatch {
public:
    /// `known` are pictures that nothing is to be done with any more, as long as they stay what they are.
    FolderWatch(std::filesystem::path folder, const std::set<std::filesystem::path>& known);

    /// Pictures that are whole and have not been given out, by name. A file is taken to be whole when it is what it
    /// was the last time this was asked, and begins as a picture; one that is changed afterwards is given out again.
    /// Throws Error when the folder can't be read.
    std::vector<std::filesystem::path> arrived();

private:
    struct State {
        std::uintmax_t bytes = 0;
        std::filesystem::file_time_type time{};
        bool operator==(const State&) const = default;
    };
    std::filesystem::path folder_;
    std::set<std::filesystem::path> known_; ///< by name alone, until they were seen once
    std::map<std::filesystem::path, State> seen_, given_;
};

} // namespace baryton
