#pragma once
#include "batch/plan_file.h"

#include <mutex>
#include <set>
#include <tuple>

namespace baryton {

/// Which part of a plan a run makes: pictures are dealt out by a hash of their names, so that parts know nothing of
/// each other. Counted from 1.
struct PlanPart {
    int number = 1, of = 1;
};
bool isInPart(const PlanPart& part, const std::filesystem::path& picture);

/// Where the journal and the report of a plan's part lie: in the output folder, named after the plan.
std::filesystem::path journalFile(const NamedPlan& plan, const PlanPart& part = {});
std::filesystem::path reportFile(const NamedPlan& plan, const PlanPart& part = {});
/// The journals of all parts that lie in the output folder.
std::vector<std::filesystem::path> journalsOf(const NamedPlan& plan);

/// An account of a run as it goes on, a line of JSON for each event, on the disk before the next begins: what a run
/// that was killed has made is known by it. The first line tells the plan and what lay at its names when the run
/// began.
class Journal {
public:
    /// Begins a new one, or goes on with the one that lies there. Throws Error.
    Journal(const std::filesystem::path& file, const NamedPlan& plan, const PlanPart& part, bool goesOn);
    ~Journal();
    Journal(const Journal&) = delete;
    Journal& operator=(const Journal&) = delete;
    /// A job that is begun, or has come to an end. Safe from several threads.
    void note(const BatchPlan& plan, const BatchJob& job) const;

private:
    void write(const std::string& line) const;
    int fd_ = -1;
    std::filesystem::path file_;
    mutable std::mutex lock_;
};

/// What a journal tells.
struct JournalRead {
    std::string planHash;
    PlanPart part;
    std::vector<std::filesystem::path> there; ///< what lay at the plan's names when the run began
    struct Entry {
        std::filesystem::path picture;
        BatchJob job; ///< its picture as a number means nothing here
    };
    std::vector<Entry> entries;  ///< the last word on each job, in the order of the first
    std::size_t brokenLines = 0; ///< what could not be understood, as the last line of one that was cut off
};
/// What a job is known by, whatever its place in a plan: the picture's file, and the numbers of look and output.
using JobKey = std::tuple<std::string, std::size_t, std::size_t>;
JobKey keyOf(const JournalRead::Entry& entry);
JobKey keyOf(const BatchPlan& plan, const BatchJob& job);

/// Throws Error where it is no journal at all.
JournalRead readJournal(const std::filesystem::path& file);

/// Puts what a journal tells into a plan that is to go on: what was made and is still there, whole and as it would be
/// made now, is left (the runner checks that, see BatchPlan::made); what was in hand is made over what it may have
/// left. Returns what is to be told.
std::vector<std::string> takeUp(BatchPlan& plan, const JournalRead& journal);

} // namespace baryton
