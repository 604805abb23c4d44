// A folder that is watched: what arrives in it is made as a plan says.
#include "batch/watched_folder.h"
#include "cli/commands.h"
#include "cli/terminal.h"
#include "picture/instruction_set.h"

#include <chrono>
#include <iostream>
#include <memory>
#include <thread>
#include <unistd.h>

namespace baryton {

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
    if (!named.plan.instructions.empty()) useInstructionSet(named.plan.instructions);
    named.plan.workers = options.jobs;
    checkUsage([&] { WatchedFolder::requireApart(named.plan, options.folder); });
    WatchedFolder watched(std::move(named), options.folder);
    Task task;
    const EndedBySignal ended(task);
    bool isFirst = true;
    while (!task.isFinishing()) {
        const bool hasMade = watched.look(
            [](const BatchPlan& plan, const BatchJob& job) {
                if (job.state != JobState::Running) tellJob(plan, job);
            },
            [](const std::string& remark) { std::cerr << "note: " << remark << '\n'; }, &task);
        if (!hasMade && options.endsWhenIdle && !isFirst) break;
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
