#include "batch/watched_folder.h"
#include "base/error.h"
#include "base/words.h"
#include "batch/matched_prep.h"

namespace baryton {

namespace fs = std::filesystem;

namespace {

// Texts stand in free functions, where the collector of texts finds them without a class.
Error notApart(const fs::path& folder) {
    return {folder.string(), "", words("the plan writes into the folder that is to be watched"),
            words("watch another folder, or have the plan write elsewhere")};
}

} // namespace

void WatchedFolder::requireApart(const BatchPlan& plan, const fs::path& folder) {
    std::error_code ignored;
    if (fs::equivalent(folder, plan.folder, ignored)) throw notApart(folder);
}

WatchedFolder::WatchedFolder(NamedPlan plan, fs::path folder)
    : named_(std::move(plan)), folder_(fs::absolute(folder).lexically_normal()) {
    requireApart(named_.plan, folder_);
    std::error_code ignored;
    named_.name += "-watch";
    BatchPlan& asked = named_.plan;
    asked.hashes = true;
    asked.pictures.clear(), asked.wishes.clear(), asked.lights.clear(), asked.works.clear(), asked.shots.clear();
    // What was made before stays made.
    const fs::path journalPath = journalFile(named_);
    goesOn_ = fs::exists(journalPath, ignored);
    std::set<fs::path> made, unfinished;
    if (goesOn_) {
        before_ = readJournal(journalPath);
        for (const auto& entry : before_.entries)
            (entry.job.state == JobState::Done || entry.job.state == JobState::Skipped ? made : unfinished)
                .insert(entry.picture);
    }
    for (const fs::path& picture : unfinished) made.erase(picture); // one of its files is missing
    asked.firstNumber = 1 + static_cast<int>(made.size());
    arrivals_.emplace(folder_, made);
    journal_.emplace(journalPath, named_, PlanPart(), goesOn_);
}

bool WatchedFolder::look(const std::function<void(const BatchPlan&, const BatchJob&)>& changed,
                         const std::function<void(const std::string&)>& remarks, Task* task) {
    BatchPlan plan = named_.plan;
    plan.pictures = arrivals_->arrived();
    if (plan.pictures.empty()) return false;
    if (plan.prep == PrepChoice::Matched)
        for (const std::string& remark : matchPrep(plan, plan.matchedTo, plan.betweenRuns, SmallStore(), task))
            remarks(remark);
    if (goesOn_) takeUp(plan, before_); // what was in hand when it was killed is made over
    std::set<std::size_t> begun;
    runBatch(
        plan,
        [&](std::size_t index, const BatchJob& job) {
            journal_->note(plan, job);
            if (job.state == JobState::Running) begun.insert(index);
            if (begun.contains(index)) changed(plan, job);
        },
        task);
    named_.plan.firstNumber += static_cast<int>(plan.pictures.size());
    return true;
}

} // namespace baryton
