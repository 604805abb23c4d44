#include "batch/journal.h"
#include "base/file.h"
#include "base/first_free.h"
#include "base/utf8.h"
#include "base/version.h"
#include "base/words.h"
#include "batch/names.h"
#include "grade/json.h"
#include "picture/instruction_set.h"

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <sstream>
#include <unistd.h>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr const char* kJournalFormat = "baryton-journal";
constexpr std::size_t kMostJournal = std::size_t(1) << 30;

std::string partSuffix(const PlanPart& part) {
    return part.of == 1 ? "" : "-" + std::to_string(part.number) + "-of-" + std::to_string(part.of);
}

std::string stemOf(const NamedPlan& plan) {
    const std::string name = slug(plan.name);
    return name.empty() ? "plan" : name;
}

JobState stateOf(const std::string& name) {
    for (const JobState state : {JobState::Running, JobState::Done, JobState::Skipped, JobState::Failed,
                                 JobState::Cancelled, JobState::LeftOut})
        if (jobStateName(state) == name) return state;
    return JobState::Waiting;
}

/// What lies at the names of a plan's jobs now, and at those that would be taken instead.
std::vector<fs::path> whatIsThere(const BatchPlan& plan) {
    std::vector<fs::path> there;
    std::error_code ignored;
    if (plan.pictures.empty()) { // they are still to come: whatever lies in the folder
        for (fs::recursive_directory_iterator it(plan.folder, ignored), end; it != end; it.increment(ignored))
            there.push_back(it->path());
        return there;
    }
    for (const BatchJob& job : jobsOf(plan))
        freeFile(
            job.file,
            [&](const fs::path& file) {
                if (!fs::exists(file, ignored)) return false;
                there.push_back(file);
                return true;
            },
            "-");
    return there;
}

} // namespace

bool isInPart(const PlanPart& part, const fs::path& picture) {
    const std::string hash = contentHash(picture.string());
    return std::stoull(hash, nullptr, 16) % static_cast<unsigned long long>(part.of) ==
           static_cast<unsigned long long>(part.number - 1);
}

fs::path journalFile(const NamedPlan& plan, const PlanPart& part) {
    return plan.plan.folder / (stemOf(plan) + "-journal" + partSuffix(part) + ".jsonl");
}

fs::path reportFile(const NamedPlan& plan, const PlanPart& part) {
    return plan.plan.folder / (stemOf(plan) + "-report" + partSuffix(part) + ".json");
}

std::vector<fs::path> journalsOf(const NamedPlan& plan) {
    const std::string begin = stemOf(plan) + "-journal";
    std::vector<fs::path> files;
    std::error_code failed;
    for (fs::directory_iterator it(plan.plan.folder, failed), end; !failed && it != end; it.increment(failed)) {
        const std::string name = it->path().filename().string();
        const std::string rest = name.starts_with(begin) ? name.substr(begin.size()) : "?";
        if (rest == ".jsonl" ||
            (rest.starts_with('-') && rest.ends_with(".jsonl") && rest.find("-of-") != std::string::npos))
            files.push_back(it->path());
    }
    std::sort(files.begin(), files.end());
    return files;
}

Journal::Journal(const fs::path& file, const NamedPlan& plan, const PlanPart& part, bool goesOn) : file_(file) {
    Json there = Json::array();
    if (!goesOn)
        for (const fs::path& each : whatIsThere(plan.plan)) there.push_back(asUtf8(each.string()));
    std::error_code failed;
    fs::create_directories(file.parent_path(), failed);
    // Whole or not there, so that a run killed at its first step can go on as well.
    if (!goesOn)
        writeFileAtomically(file, Json{{"format", kJournalFormat},
                                       {"version", 1},
                                       {"program", std::string(kProgram) + " " + kVersion},
                                       {"plan", planHash(plan)},
                                       {"part", part.number},
                                       {"of", part.of},
                                       {"there", std::move(there)}}
                                          .dump() +
                                      "\n");
    fd_ = ::open(file.c_str(), O_WRONLY | O_CLOEXEC | O_APPEND);
    if (fd_ < 0)
        throw Error(file.string(), "", inWords("cannot write: {}", std::strerror(errno)),
                    words("the run keeps its journal there: choose a folder that can be written"));
    // What was cut off stays a line of its own.
    if (goesOn) write("\n" + Json{{"goesOn", true}}.dump());
}

Journal::~Journal() {
    ::close(fd_);
}

void Journal::write(const std::string& line) const {
    const std::string whole = line + "\n";
    const std::lock_guard<std::mutex> guard(lock_);
    for (std::size_t at = 0; at < whole.size();) {
        const ssize_t n = ::write(fd_, whole.data() + at, whole.size() - at);
        if (n < 0 && errno == EINTR) continue;
        if (n < 0)
            throw Error(file_.string(), "", inWords("cannot write: {}", std::strerror(errno)),
                        words("make room on the disk; --resume goes on from here"));
        at += static_cast<std::size_t>(n);
    }
    ::fdatasync(fd_);
}

void Journal::note(const BatchPlan& plan, const BatchJob& job) const {
    Json line = {{"picture", asUtf8(plan.pictures[job.picture].string())},
                 {"look", job.look},
                 {"output", job.output},
                 {"state", jobStateName(job.state)},
                 {"file", asUtf8(job.file.string())}};
    if (job.state == JobState::Done)
        line.update({{"bytes", job.bytes},
                     {"hash", job.hash},
                     {"settings", job.settings},
                     {"seconds", job.seconds},
                     {"instructions", instructionSet()}});
    if (job.state == JobState::Failed)
        line.update({{"error", job.error}, {"place", job.errorPlace}, {"hint", job.errorHint}});
    if (!job.warning.empty()) line["warning"] = job.warning;
    write(line.dump(-1, ' ', false, Json::error_handler_t::replace));
}

JobKey keyOf(const JournalRead::Entry& entry) {
    return {entry.picture.string(), entry.job.look, entry.job.output};
}
JobKey keyOf(const BatchPlan& plan, const BatchJob& job) {
    return {plan.pictures[job.picture].string(), job.look, job.output};
}

JournalRead readJournal(const fs::path& file) {
    std::istringstream lines(readFile(file, kMostJournal));
    JournalRead journal;
    std::map<JobKey, std::size_t> places;
    std::string line;
    bool isFirst = true;
    while (std::getline(lines, line)) {
        if (line.empty()) continue;
        const Json json = Json::parse(line, nullptr, false);
        try {
            if (isFirst) {
                isFirst = false;
                if (!json.is_object() || json.value("format", "") != kJournalFormat)
                    throw Error(file.string(), words("line 1"), words("this is no journal of a run"),
                                words("move it away, and start without --resume"));
                journal.planHash = json.at("plan").get<std::string>();
                journal.part = {json.at("part").get<int>(), json.at("of").get<int>()};
                for (const Json& each : json.at("there")) journal.there.emplace_back(each.get<std::string>());
                continue;
            }
            if (json.is_object() && json.contains("goesOn")) continue;
            JournalRead::Entry entry{json.at("picture").get<std::string>(), {}};
            BatchJob& job = entry.job;
            job.look = json.at("look").get<std::size_t>(), job.output = json.value("output", std::size_t(0));
            job.state = stateOf(json.at("state").get<std::string>());
            job.file = json.at("file").get<std::string>();
            job.bytes = json.value("bytes", std::uintmax_t(0));
            job.hash = json.value("hash", "");
            job.settings = json.value("settings", "");
            job.seconds = json.value("seconds", 0.0);
            job.error = json.value("error", ""), job.errorPlace = json.value("place", "");
            job.errorHint = json.value("hint", ""), job.warning = json.value("warning", "");
            const auto [at, isNew] = places.try_emplace(keyOf(entry), journal.entries.size());
            if (isNew)
                journal.entries.push_back(std::move(entry));
            else
                journal.entries[at->second] = std::move(entry);
        } catch (const Json::exception&) {
            ++journal.brokenLines;
        }
    }
    if (isFirst)
        throw Error(file.string(), "", words("the journal is empty"), words("delete it, and start without --resume"));
    return journal;
}

std::vector<std::string> takeUp(BatchPlan& plan, const JournalRead& journal) {
    std::vector<std::string> remarks;
    std::map<JobKey, std::size_t> places;
    const std::vector<BatchJob> jobs = jobsOf(plan);
    std::set<fs::path> names;
    for (std::size_t i = 0; i < jobs.size(); ++i) {
        places[keyOf(plan, jobs[i])] = i;
        names.insert(jobs[i].file);
    }
    const std::set<fs::path> there(journal.there.begin(), journal.there.end());
    std::set<fs::path> claimed;
    for (const auto& entry : journal.entries)
        if (entry.job.state == JobState::Done) claimed.insert(entry.job.file);
    std::size_t strangers = 0;
    for (const auto& entry : journal.entries) {
        const auto at = places.find(keyOf(entry));
        // What lies elsewhere this plan has not made, whatever the file says.
        const fs::path inside = entry.job.file.lexically_normal().lexically_relative(plan.folder.lexically_normal());
        if (at == places.end() || inside.empty() || *inside.begin() == "..") {
            ++strangers;
            continue;
        }
        if (entry.job.state == JobState::Done)
            plan.made[at->second] = entry.job;
        else if (entry.job.state == JobState::Running && plan.ifExists != IfExists::Replace) {
            // It may have got its name just before the run was ended: the name it then took.
            const fs::path planned = jobs[at->second].file;
            plan.takenUp[at->second] = freeFile(
                planned,
                [&](const fs::path& file) {
                    return there.contains(file) || claimed.contains(file) ||
                           (file != planned && names.contains(file));
                },
                "-");
        }
    }
    if (journal.brokenLines > 0)
        remarks.push_back(
            inWords("{} lines of the journal are damaged: what they told of is made again", journal.brokenLines));
    if (strangers > 0)
        remarks.push_back(inWords("{} files of the journal are none of this plan and stay as they are", strangers));
    return remarks;
}

} // namespace baryton
