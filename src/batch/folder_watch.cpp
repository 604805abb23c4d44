#include "batch/folder_watch.h"
#include "base/error.h"
#include "base/words.h"
#include "picture/picture_file.h"

#include <algorithm>

namespace baryton {

namespace fs = std::filesystem;

namespace {

Error cannotLook(const fs::path& folder, const std::error_code& why) {
    return {folder.string(), "", inWords("cannot read the folder: {}", why.message()),
            words("check the name, or whether the folder was moved")};
}

} // namespace

FolderWatch::FolderWatch(fs::path folder, const std::set<fs::path>& known)
    : folder_(std::move(folder)), known_(known) {}

std::vector<fs::path> FolderWatch::arrived() {
    std::error_code failed;
    fs::directory_iterator files(folder_, failed);
    if (failed) throw cannotLook(folder_, failed);
    std::vector<fs::path> whole;
    std::map<fs::path, State> now;
    for (const fs::directory_iterator end; files != end; files.increment(failed)) {
        const fs::path file = files->path();
        std::error_code gone;
        if (file.filename().string().starts_with('.') || !isReadableName(file) || !files->is_regular_file(gone))
            continue;
        const State state{files->file_size(gone), files->last_write_time(gone)};
        if (gone) continue; // taken away meanwhile
        now[file] = state;
        if (known_.erase(file) > 0) given_[file] = state;
        const auto before = seen_.find(file);
        const auto given = given_.find(file);
        const bool isAtRest = before != seen_.end() && before->second == state && state.bytes > 0;
        if (!isAtRest || (given != given_.end() && given->second == state) || !isPictureFile(file)) continue;
        given_[file] = state;
        whole.push_back(file);
    }
    seen_ = std::move(now);
    std::sort(whole.begin(), whole.end());
    return whole;
}

} // namespace baryton
