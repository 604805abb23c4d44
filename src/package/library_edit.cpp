#include "package/library_edit.h"
#include "base/error.h"
#include "base/file.h"
#include "base/words.h"

namespace baryton {

namespace fs = std::filesystem;

namespace {

void check(const std::error_code& failed, const fs::path& file, const std::string& what) {
    if (failed)
        throw Error(file.string(), "", what + ": " + failed.message(), words("check the permissions of its folder"));
}

void put(const fs::path& file, const std::optional<std::string>& content) {
    if (content) {
        writeFileAtomically(file, *content);
        return;
    }
    std::error_code failed;
    fs::remove(file, failed);
    check(failed, file, words("cannot delete"));
}

void move(const fs::path& from, const fs::path& to) {
    std::error_code failed;
    if (fs::exists(to, failed))
        throw Error(to.string(), "", words("there is something of this name already"), words("choose another name"));
    fs::create_directories(to.parent_path(), failed);
    fs::rename(from, to, failed);
    check(failed, from, words("cannot move"));
}

void doStep(const FileChange& change) {
    std::error_code failed;
    switch (change.kind) {
    case FileChange::Kind::Content:
        return put(change.file, change.after);
    case FileChange::Kind::Move:
        return move(change.file, change.to);
    case FileChange::Kind::Folder:
        fs::create_directories(change.file, failed);
        check(failed, change.file, words("cannot make the folder"));
    }
}

void undoStep(const FileChange& change) {
    std::error_code failed;
    switch (change.kind) {
    case FileChange::Kind::Content:
        return put(change.file, change.before);
    case FileChange::Kind::Move:
        return move(change.to, change.file);
    case FileChange::Kind::Folder:
        fs::remove(change.file, failed); // only when it is empty: files put there since stay
    }
}

/// Does steps in order; when one fails, takes back those done.
template <class Steps, class Do, class Undo>
void inOrder(const Steps& steps, const Do& perform, const Undo& takeBack) {
    std::size_t done = 0;
    try {
        for (; done < steps.size(); ++done) perform(*steps[done]);
    } catch (const Error&) {
        while (done-- > 0) {
            try {
                takeBack(*steps[done]);
            } catch (const Error&) {
                // What can't be taken back stays; the first problem is the one to tell.
            }
        }
        throw;
    }
}

} // namespace

FileChange contentChange(const fs::path& file, std::optional<std::string> after) {
    FileChange change{FileChange::Kind::Content, file};
    std::error_code ignored;
    if (fs::exists(file, ignored)) change.before = readFile(file);
    change.after = std::move(after);
    return change;
}

void perform(const LibraryEdit& edit) {
    std::vector<const FileChange*> steps;
    for (const auto& change : edit.changes) steps.push_back(&change);
    inOrder(steps, doStep, undoStep);
}

void revert(const LibraryEdit& edit) {
    std::vector<const FileChange*> steps;
    for (auto change = edit.changes.rbegin(); change != edit.changes.rend(); ++change) steps.push_back(&*change);
    inOrder(steps, undoStep, doStep);
}

} // namespace baryton
