#pragma once
#include <filesystem>
#include <memory>
#include <string>
#include <vector>

namespace baryton {

/// How a run of the program ended that was not closed.
struct BrokenRun {
    std::vector<std::filesystem::path> open; ///< what it had open: a folder, or pictures
    std::string report; ///< version, system, signal and where it happened; empty where it was ended from outside
};

/// A file that stands while the program runs, and says what is open. It is taken away when the program is closed: one
/// that is left over tells the next start of a crash. Locked, so that a run that still goes on is told from one that
/// is no more, whatever numbers processes get.
class RunRecord {
public:
    /// `userDataFolder()/running`.
    static std::filesystem::path usersFolder();
    /// What runs that are no more have left behind there; their files are taken away.
    static std::vector<BrokenRun> takeBroken(const std::filesystem::path& folder = usersFolder());

    /// Without a folder that can be written nothing is recorded, and nothing else changes.
    explicit RunRecord(const std::filesystem::path& folder = usersFolder());
    RunRecord(const RunRecord&) = delete;
    RunRecord& operator=(const RunRecord&) = delete;
    ~RunRecord(); ///< the program is closed

    void setOpen(const std::vector<std::filesystem::path>& paths);
    /// From here on a crash writes its report into the record, and then ends the program as it would have; being
    /// asked to end (SIGTERM, SIGHUP, SIGINT) is no crash. For one record of a process.
    void catchSignals() const;

private:
    void write() const;

    std::filesystem::path file_;
    int fd_ = -1;
    std::vector<std::filesystem::path> open_;
};

} // namespace baryton
