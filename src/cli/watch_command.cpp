// A folder that is watched: what arrives in it is made as a plan says.
#include "base/file.h"
#include "batch/folder_watch.h"
#include "batch/journal.h"
#include "batch/matched_prep.h"
#include "cli/commands.h"
#include "cli/terminal.h"
#include "picture/instruction_set.h"

#include <chrono>
#include <iostream>
#include <memory>
#include <thread>
#include <unistd.h>

namespace baryton {

namespace fs = std::filesystem;

namespace {

struct WatchOptions {
    std::string plan, folder;
    double seconds = 2;
    int jobs = 0;
    bool endsWhenIdle = false;
};

void tellJob(const BatchPlan& plan, const BatchJob& job) {
    const std::string picture = plan.pictures[job.picture].string();
    if (job.state == JobState::Done)
        (::isatty(STDOUT_FILENO) ? std::cout : exactOutput()) << job.file.string() << std::endl;
    if (!job.warning.empty()) std::cerr << picture << ": note: " << job.warning << '\n';
    if (job.state == JobState::Failed) std::cerr << picture << ": " << job.error << ": " << job.errorHint << '\n';
}

int watch(const WatchOptions& options) {
    NamedPlan named = readPlanFile(options.plan);
    const fs::path folder = fs::absolute(options.folder).lexically_normal();
    std::error_code ignored;
    if (fs::equivalent(folder, named.plan.folder, ignored))
        throw WrongUsage(options.folder, "", "the plan writes into the folder that is to be watched",
                         "watch another folder, or make the plan with another --out");
    if (!named.plan.instructions.empty()) useInstructionSet(named.plan.instructions);
    named.name += "-watch";
    named.plan.hashes = true;
    named.plan.workers = options.jobs;
    named.plan.pictures.clear(), named.plan.wishes.clear(),
        named.plan.lights.clear(); // of the pictures that it was made with
    // What was made before stays made.
    const fs::path journalPath = journalFile(named);
    const bool goesOn = fs::exists(journalPath, ignored);
    std::set<fs::path> made, unfinished;
    JournalRead before;
    if (goesOn) {
        before = readJournal(journalPath);
        for (const auto& entry : before.entries)
            (entry.job.state == JobState::Done || entry.job.state == JobState::Skipped ? made : unfinished)
                .insert(entry.picture);
    }
    for (const fs::path& picture : unfinished) made.erase(picture); // one of its files is missing
    named.plan.firstNumber = 1 + static_cast<int>(made.size());
    FolderWatch arrivals(folder, made);
    const Journal journal(journalPath, named, {}, goesOn);
    Task task;
    const EndedBySignal ended(task);
    bool isFirst = true;
    while (!task.isFinishing()) {
        BatchPlan plan = named.plan;
        plan.pictures = arrivals.arrived();
        if (!plan.pictures.empty()) {
            if (plan.prep == PrepChoice::Matched)
                for (const std::string& remark : matchPrep(plan, plan.matchedTo, plan.betweenRuns, SmallStore()))
                    std::cerr << "note: " << remark << '\n';
            if (goesOn) takeUp(plan, before); // what was in hand when it was killed is made over
            std::set<std::size_t> begun;
            runBatch(
                plan,
                [&](std::size_t index, const BatchJob& job) {
                    journal.note(plan, job);
                    if (job.state == JobState::Running)
                        begun.insert(index);
                    else if (begun.contains(index))
                        tellJob(plan, job);
                },
                &task);
            named.plan.firstNumber += static_cast<int>(plan.pictures.size());
        } else if (options.endsWhenIdle && !isFirst) {
            break;
        }
        isFirst = false;
        const auto until = std::chrono::steady_clock::now() + std::chrono::duration<double>(options.seconds);
        constexpr std::chrono::milliseconds nap(50);
        while (!task.isFinishing() && std::chrono::steady_clock::now() < until) std::this_thread::sleep_for(nap);
    }
    return kAllDone;
}

} // namespace

void addWatchCommand(CLI::App& app, int& code) {
    auto* command = app.add_subcommand(
        "watch", "Run a plan on the pictures that arrive in a folder, until it is ended by Ctrl-C");
    auto options = std::make_shared<WatchOptions>();
    command->add_option("plan", options->plan, "A .bplan file: its looks and files; its pictures are of no account")
        ->required()
        ->type_name("PLAN");
    command->add_option("folder", options->folder, "The folder to watch")->required()->type_name("DIR");
    command
        ->add_option("--every", options->seconds,
                     "Seconds between two looks; a file that is the same in both is whole")
        ->check(CLI::Range(0.05, 3600.0))
        ->capture_default_str();
    command->add_option("--jobs", options->jobs, "Pictures worked on at the same time; default: one for each core")
        ->check(plainNumber())
        ->check(CLI::Range(1, 256));
    command->add_flag("--until-idle", options->endsWhenIdle, "End when there is nothing more to do");
    command->callback([options, &code] { code = watch(*options); });
}

} // namespace baryton
