#pragma once
#include "batch/folder_watch.h"
#include "batch/journal.h"

#include <functional>

namespace baryton {

/// A folder in which pictures arrive, and the plan by which they are made: its looks and files; its own pictures and
/// what is wished for them are of no account. A journal beside the results knows what was made before.
class WatchedFolder {
public:
    /// Throws Error where the folder is the one that the plan writes into: what is made there would arrive.
    static void requireApart(const BatchPlan& plan, const std::filesystem::path& folder);
    /// The same, and where the journal can't be read or written.
    WatchedFolder(NamedPlan plan, std::filesystem::path folder);

    const NamedPlan& plan() const { return named_; }
    const std::filesystem::path& folder() const { return folder_; }
    /// Looks once, and makes what is whole by now. `changed` is told of each file that is begun here and of how it
    /// ended; `remarks` of pictures whose light could not be matched. False where nothing had arrived. Throws Error
    /// where the folder can't be read, Cancelled.
    bool look(const std::function<void(const BatchPlan& plan, const BatchJob& job)>& changed,
              const std::function<void(const std::string& remark)>& remarks, Task* task);

private:
    NamedPlan named_;
    std::filesystem::path folder_;
    JournalRead before_;
    bool goesOn_ = false;
    std::optional<FolderWatch> arrivals_;
    std::optional<Journal> journal_;
};

} // namespace baryton
