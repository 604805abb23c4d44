#include "base/output.h"
#include "base/error.h"
#include "base/words.h"

#include <sys/stat.h>

namespace baryton {

namespace fs = std::filesystem;

std::optional<FileIdentity> identityOf(const fs::path& file) {
    struct stat info {};
    if (::stat(file.c_str(), &info) != 0) return std::nullopt;
    return FileIdentity{info.st_dev, info.st_ino};
}

void InputSet::add(const fs::path& file) {
    if (const auto identity = identityOf(file)) files_.insert(*identity);
}

bool InputSet::holds(const fs::path& file) const {
    const auto identity = identityOf(file);
    return identity && files_.contains(*identity);
}

void requireOutput(const fs::path& target, const InputSet& inputs, const IsOfKind& isOfKind,
                   const std::string& kind) {
    std::error_code ignored;
    const fs::file_status there = fs::status(target, ignored);
    if (!fs::exists(there)) {
        // A link that leads nowhere would become a file somewhere else.
        if (fs::is_symlink(fs::symlink_status(target, ignored)))
            throw Error(target.string(), "", words("this is a link that leads nowhere"),
                        words("choose another name"));
        return;
    }
    if (inputs.holds(target))
        throw Error(target.string(), "", words("this file is read here and is not written over"),
                    words("choose another name"));
    if (fs::is_directory(there))
        throw Error(target.string(), "", words("this is a folder"), words("name a file in it"));
    if (!fs::is_regular_file(there))
        throw Error(target.string(), "", words("this is no ordinary file"), words("choose another name"));
    if (fs::file_size(target, ignored) == 0) return; // of no kind yet, and nothing is lost
    if (!isOfKind(target))
        throw Error(target.string(), "", inWords("what lies there is not {}: it is not written over", kind),
                    words("choose another name, or take that file away first"));
}

} // namespace baryton
