#include "base/error.h"
#include "base/file.h"
#include "base/letters.h"
#include "base/output.h"
#include "batch/batch.h"
#include "batch/contact_sheet.h"
#include "cli/collect.h"
#include "cli/commands.h"
#include "cli/file_options.h"
#include "cli/look_wanted.h"
#include "cli/terminal.h"
#include "grade/grade_json.h"
#include "lut/lut_file.h"
#include "package/library.h"
#include "picture/memory_limit.h"
#include "picture/metadata.h"
#include "stages/validate.h"

#include <iostream>
#include <memory>
#include <unistd.h>

namespace baryton {

namespace fs = std::filesystem;

namespace {

struct ApplyOptions {
    LookWanted look;
    PicturesWanted wanted;
    FileOptions file;
    std::string report, sheet;
    int jobs = 0, memory = 0;
    bool isQuiet = false, isDryRun = false;
};

/// What is written beside the results is no input of the run, nothing that it writes, and replaces only its like.
void requireBeside(const fs::path& file, const BatchPlan& plan, const LookWanted& look,
                   const std::function<bool(const fs::path&)>& isLike, const std::string& what) {
    InputSet inputs;
    for (const auto& picture : plan.pictures) inputs.add(picture);
    for (const auto& each : look.files()) inputs.add(each);
    requireOutput(file, inputs, isLike, what);
    const auto plain = [](const fs::path& each) { return fs::absolute(each).lexically_normal(); };
    for (const BatchJob& job : jobsOf(plan))
        if (plain(job.file) == plain(file))
            throw Error(file.string(), "", "a picture of this run is to be written there", "choose another name");
}

/// What a dry run has to say of a place that is taken.
std::string whatIsThere(const BatchPlan& plan, const BatchJob& job) {
    std::error_code ignored;
    if (!fs::exists(job.file, ignored)) return {};
    if (plan.ifExists == IfExists::Skip) return "  (is there: skipped)";
    const bool isReplaced = plan.ifExists == IfExists::Replace && isOwnWork(job.file);
    return isReplaced ? "  (is there: replaced)" : "  (is there: gets a number)";
}

/// One line for a file that came to an end: a result to standard output, exactly as it is called, for other programs;
/// all else to standard error.
void tell(const ApplyOptions& options, const BatchPlan& plan, const BatchJob& job) {
    const std::string& picture = plan.pictures[job.picture].string();
    if (job.state == JobState::Done && !options.isQuiet && options.report != "-")
        (::isatty(STDOUT_FILENO) ? std::cout : exactOutput()) << job.file.string() << std::endl; // as it is done
    if (!job.warning.empty() && job.state == JobState::Done)
        std::cerr << picture << ": note: " << job.warning << '\n';
    if (job.state == JobState::Skipped && !options.isQuiet)
        std::cerr << picture << ": skipped: " << job.file.string() << " is there already\n";
    if (job.state == JobState::Failed)
        std::cerr << picture << ": " << (job.errorPlace.empty() ? "" : job.errorPlace + ": ") << job.error << ": "
                  << job.errorHint << '\n';
}

int runApply(const ApplyOptions& options) {
    BatchPlan plan;
    plan.looks = batchLooksOf(options.look);
    putInto(plan, options.file);
    plan.workers = options.jobs;
    const PicturesFound found = collectPictures(options.wanted);
    bool someFailed = found.someFailed;
    if (!options.isQuiet)
        for (const auto& remark : found.remarks) std::cerr << remark << '\n';
    plan.pictures = found.pictures;
    if (plan.pictures.empty()) {
        if (!someFailed) throw WrongUsage("apply", "", "no pictures are named", "name pictures or folders");
        return kSomeFailed;
    }
    if (!options.isDryRun) matchAsAsked(plan, options.file);
    const bool isReportShown = options.report == "-";
    if (!options.report.empty() && !isReportShown)
        checkUsage([&] { requireBeside(options.report, plan, options.look, isReport, "a report of this program"); });
    if (!options.sheet.empty())
        checkUsage([&] {
            requireBeside(options.sheet, plan, options.look, isContactSheet, "a contact sheet of this program");
        });
    if (options.isDryRun) {
        for (const BatchJob& job : jobsOf(plan))
            std::cout << plan.pictures[job.picture].string() << " → " << job.file.string() << whatIsThere(plan, job)
                      << '\n';
        return someFailed ? kSomeFailed : kAllDone;
    }

    setMemoryLimit(static_cast<std::size_t>(options.memory) * 1000000);
    tellOfRoom(plan);
    Task task;
    const EndedBySignal ended(task);
    ProgressLine progress(!options.isQuiet);
    const std::size_t all = plan.pictures.size() * plan.looks.size() * plan.outputs.size();
    std::size_t tried = 0;
    const auto jobs = runBatch(
        plan,
        [&](std::size_t, const BatchJob& job) {
            if (job.state == JobState::Running) return;
            progress.clear();
            tell(options, plan, job);
            progress.show(++tried, all);
        },
        &task);
    progress.clear();
    if (isReportShown)
        exactOutput() << reportText(plan, jobs) << std::flush;
    else if (!options.report.empty())
        writeFileAtomically(options.report, lowerCase(fs::path(options.report).extension().string()) == ".csv"
                                                ? reportTable(plan, jobs)
                                                : reportText(plan, jobs));
    if (!options.sheet.empty())
        writeContactSheet(options.sheet, plan.looks[0].name, sheetCells(plan, jobs), sheetColumns(plan));
    for (const auto& job : jobs)
        someFailed = someFailed || job.state == JobState::Failed || job.state == JobState::Cancelled;
    return someFailed ? kSomeFailed : kAllDone;
}

} // namespace

void addApplyCommand(CLI::App& app, int& code) {
    auto* apply = app.add_subcommand("apply", "Put presets and LUTs on pictures and write the results");
    auto options = std::make_shared<ApplyOptions>();
    addLookWanted(*apply, options->look);
    addTakesWanted(*apply, options->look);
    addFileOptions(*apply, options->file);
    apply->add_option("--jobs", options->jobs, "Pictures worked on at the same time; default: one for each core")
        ->check(plainNumber())
        ->check(CLI::Range(1, 256));
    apply
        ->add_option("--memory", options->memory,
                     "How much memory one picture may take, in megabytes; default: three quarters of the machine's")
        ->check(plainNumber())
        ->check(CLI::Range(1, 1000000))
        ->type_name("MB");
    apply
        ->add_option(
            "--report", options->report,
            "Write an account of the run as JSON, or as a table where the name ends in .csv; - for standard output")
        ->type_name("FILE");
    apply
        ->add_option("--contact-sheet", options->sheet,
                     "Write small versions of the results with their names, as a .pdf or .png")
        ->type_name("FILE");
    addPicturesWanted(*apply, options->wanted);
    apply->add_flag("--dry-run", options->isDryRun, "Only tell which file would be made of which");
    apply->add_flag("--quiet", options->isQuiet, "Tell only what went wrong");
    apply->callback([apply, options, &code] {
        options->look.noteOrder(*apply);
        options->wanted.out = options->file.out;
        code = runApply(*options);
    });
}

} // namespace baryton
