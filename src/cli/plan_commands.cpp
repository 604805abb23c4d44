// Plans: a run written down, so that it can be looked at, made in parts, gone on with, and made again.
#include "base/file.h"
#include "base/output.h"
#include "base/utf8.h"
#include "batch/contact_sheet.h"
#include "batch/journal.h"
#include "cli/collect.h"
#include "cli/file_options.h"
#include "cli/look_files.h"
#include "cli/look_wanted.h"
#include "cli/terminal.h"
#include "grade/json.h"
#include "picture/instruction_set.h"
#include "picture/memory_limit.h"

#include <algorithm>
#include <fmt/format.h>
#include <iostream>
#include <memory>
#include <unistd.h>

namespace baryton {

namespace {

namespace fs = std::filesystem;

struct NewPlan {
    PicturesWanted wanted;
    LookWanted look;
    FileOptions file;
    std::string output, name, instructions;
};

fs::path whole(const fs::path& file) {
    return fs::absolute(file).lexically_normal();
}

int makePlan(const NewPlan& options) {
    if (fs::path(options.output).extension() != ".bplan")
        throw WrongUsage(options.output, "", "the name does not end in .bplan", "add it");
    NamedPlan named;
    named.name = options.name.empty() ? fs::path(options.output).stem().string() : options.name;
    named.plan.looks = batchLooksOf(options.look);
    putInto(named.plan, options.file);
    named.plan.folder = whole(options.file.out);
    named.plan.instructions = options.instructions;
    const PicturesFound found = collectPictures(options.wanted);
    for (const auto& remark : found.remarks) std::cerr << remark << '\n';
    InputSet inputs;
    for (const fs::path& picture : found.pictures) {
        inputs.add(picture);
        named.plan.pictures.push_back(whole(picture));
    }
    for (const auto& file : options.look.files()) inputs.add(file);
    if (named.plan.pictures.empty()) {
        if (!found.someFailed) throw WrongUsage("plan new", "", "no pictures are named", "name pictures or folders");
        return kSomeFailed;
    }
    checkUsage([&] {
        requireOutput(options.output, inputs, isPlanFile, "a plan");
        jobsOf(named.plan);
    });
    matchAsAsked(named.plan, options.file);
    writeFileAtomically(options.output, planToText(named));
    std::cout << options.output << '\n';
    return found.someFailed ? kSomeFailed : kAllDone;
}

void showPlan(const NamedPlan& named) {
    const BatchPlan& plan = named.plan;
    std::cout << named.name << ": " << plan.pictures.size() << " pictures, " << plan.looks.size() << " looks → "
              << plan.folder.string() << '\n';
    if (plan.prep == PrepChoice::Matched)
        std::cout << plan.lights.size() << " of them with their light matched to " << plan.matchedTo.string() << '\n';
    for (const BatchJob& job : jobsOf(plan))
        if (job.state != JobState::LeftOut)
            std::cout << plan.pictures[job.picture].string() << " → " << job.file.string() << '\n';
}

/// What is wrong with a plan that can be read: pictures that are not there, names that can't be.
int validatePlan(const NamedPlan& named) {
    int code = kAllDone;
    jobsOf(named.plan);
    for (const fs::path& picture : named.plan.pictures) {
        try {
            requireReadable(picture);
        } catch (const Error& e) {
            std::cerr << e.what() << '\n';
            code = kSomeFailed;
        }
    }
    if (code == kAllDone) std::cout << named.name << ": can be run\n";
    return code;
}

/// Joins the journals of all parts, and says what is missing.
int mergePlan(const NamedPlan& named, bool asJson) {
    std::map<JobKey, BatchJob> known;
    std::vector<std::string> others;
    for (const fs::path& file : journalsOf(named)) {
        const JournalRead journal = readJournal(file);
        if (journal.planHash != planHash(named)) others.push_back(file.string());
        for (const auto& entry : journal.entries) {
            BatchJob& job = known[keyOf(entry)];
            // One that is done stays so, whatever another part says of it.
            if (job.state != JobState::Done) job = entry.job;
        }
    }
    for (const auto& file : others) std::cerr << file << ": note: of another state of the plan\n";
    std::map<std::string, int> counts;
    Json files = Json::array();
    int missing = 0;
    for (const BatchJob& job : jobsOf(named.plan)) {
        const std::string picture = named.plan.pictures[job.picture].string();
        BatchJob now = job;
        if (const auto at = known.find(keyOf(named.plan, job)); at != known.end() && job.state != JobState::LeftOut)
            now = at->second;
        std::error_code ignored;
        const bool isThere = now.state == JobState::Done && fs::exists(now.file, ignored) &&
                             fs::file_size(now.file, ignored) == now.bytes;
        const bool isMissing = !isThere && now.state != JobState::LeftOut && now.state != JobState::Skipped;
        missing += isMissing;
        const std::string state = isMissing && now.state != JobState::Failed ? "missing" : jobStateName(now.state);
        ++counts[state];
        files.push_back({{"picture", asUtf8(picture)},
                         {"look", named.plan.looks[job.look].name},
                         {"format", fileFormatName(named.plan.outputs[job.output].format.format)},
                         {"state", state},
                         {"file", asUtf8(now.file.string())}});
        if (!asJson && isMissing)
            std::cout << picture << " → " << job.file.string() << ": " << state
                      << (now.error.empty() ? "" : ": " + now.error) << '\n';
    }
    if (asJson)
        std::cout << Json{{"plan", named.name}, {"counts", counts}, {"missing", missing}, {"files", files}}.dump()
                  << '\n';
    else
        std::cout << files.size() - static_cast<std::size_t>(missing) << " of " << files.size()
                  << " files are there\n";
    return missing > 0 ? kSomeFailed : kAllDone;
}

struct RunOptions {
    std::string plan, part = "1/1", sheet;
    int jobs = 0, memory = 0;
    bool resumes = false, isDryRun = false, asJson = false, isQuiet = false;
};

PlanPart partOf(const std::string& text) {
    PlanPart part;
    char slash = 0, rest = 0;
    std::istringstream stream(text);
    constexpr int most = 100000;
    if (!(stream >> part.number >> slash >> part.of) || slash != '/' || stream >> rest || part.of < 1 ||
        part.of > most || part.number < 1 || part.number > part.of)
        throw WrongUsage("--part " + text, "", "a part is a number and how many there are",
                         "write 2/4 for the second of four");
    return part;
}

void tellJob(const RunOptions& options, const BatchPlan& plan, const BatchJob& job) {
    const std::string picture = plan.pictures[job.picture].string();
    if (options.asJson) {
        Json line = {{"picture", asUtf8(picture)},
                     {"look", plan.looks[job.look].name},
                     {"format", fileFormatName(plan.outputs[job.output].format.format)},
                     {"state", jobStateName(job.state)},
                     {"file", asUtf8(job.file.string())}};
        if (job.state == JobState::Failed) line.update({{"error", job.error}, {"hint", job.errorHint}});
        if (!job.warning.empty()) line["warning"] = job.warning;
        exactOutput() << line.dump(-1, ' ', false, Json::error_handler_t::replace) << std::endl;
        return;
    }
    if (job.state == JobState::Done && !options.isQuiet)
        (::isatty(STDOUT_FILENO) ? std::cout : exactOutput()) << job.file.string() << std::endl;
    if (!job.warning.empty()) std::cerr << picture << ": note: " << job.warning << '\n';
    if (job.state == JobState::Failed)
        std::cerr << picture << ": " << (job.errorPlace.empty() ? "" : job.errorPlace + ": ") << job.error << ": "
                  << job.errorHint << '\n';
}

int runPlan(const RunOptions& options) {
    NamedPlan named = readPlanFile(options.plan);
    const PlanPart part = partOf(options.part);
    BatchPlan& plan = named.plan;
    if (!plan.instructions.empty()) useInstructionSet(plan.instructions);
    plan.workers = options.jobs;
    plan.hashes = true;
    for (std::size_t p = 0; p < plan.pictures.size(); ++p)
        if (!isInPart(part, plan.pictures[p])) plan.elsewhere.insert(p);
    const fs::path journalPath = journalFile(named, part);
    std::error_code ignored;
    bool goesOn = fs::exists(journalPath, ignored);
    if (goesOn) {
        const JournalRead journal = readJournal(journalPath);
        const bool isWhole =
            std::none_of(journal.entries.begin(), journal.entries.end(),
                         [](const auto& e) {
                             return e.job.state == JobState::Running || e.job.state == JobState::Cancelled;
                         }) &&
            journal.entries.size() >=
                (plan.pictures.size() - plan.elsewhere.size()) * plan.looks.size() * plan.outputs.size();
        if (!options.resumes && !isWhole && !options.isDryRun)
            throw WrongUsage(journalPath.string(), "", "a run of this plan was begun here and not ended",
                             "go on with it by --resume, or delete the journal");
        if (options.resumes)
            for (const std::string& remark : takeUp(plan, journal))
                std::cerr << journalPath.string() << ": note: " << remark << '\n';
        goesOn = options.resumes;
    }
    if (!options.sheet.empty())
        checkUsage([&] {
            InputSet inputs;
            for (const fs::path& picture : plan.pictures) inputs.add(picture);
            requireOutput(options.sheet, inputs, isContactSheet, "a contact sheet of this program");
        });
    if (options.isDryRun) {
        for (const BatchJob& job : jobsOf(plan))
            if (job.state == JobState::Waiting)
                std::cout << plan.pictures[job.picture].string() << " → " << job.file.string()
                          << (plan.made.contains(placeOf(plan, job.picture, job.look, job.output)) ? "  (made)" : "")
                          << '\n';
        return kAllDone;
    }
    setMemoryLimit(static_cast<std::size_t>(options.memory) * 1000000);
    tellOfRoom(plan);
    Journal journal(journalPath, named, part, goesOn);
    Task task;
    const EndedBySignal ended(task);
    ProgressLine progress(!options.isQuiet && !options.asJson);
    std::size_t tried = 0;
    const std::size_t all = (plan.pictures.size() - plan.elsewhere.size()) * plan.looks.size() * plan.outputs.size();
    std::optional<Error> failure; // of the journal: the run ends, cleanly
    const auto jobs = runBatch(
        plan,
        [&](std::size_t, const BatchJob& job) {
            if (job.state == JobState::Elsewhere) return;
            try {
                if (!failure) journal.note(plan, job);
            } catch (const Error& e) {
                failure = e;
                task.cancel();
            }
            if (job.state == JobState::Running) return;
            progress.clear();
            tellJob(options, plan, job);
            progress.show(++tried, all);
        },
        &task);
    progress.clear();
    if (failure) throw Error(*failure);
    const fs::path report = reportFile(named, part);
    writeFileAtomically(report, reportText(plan, jobs));
    writeFileAtomically(fs::path(report).replace_extension(".csv"), reportTable(plan, jobs));
    if (!options.sheet.empty())
        writeContactSheet(options.sheet, named.name, sheetCells(plan, jobs), sheetColumns(plan));
    bool someFailed = false;
    for (const BatchJob& job : jobs)
        someFailed = someFailed || job.state == JobState::Failed || job.state == JobState::Cancelled;
    return someFailed ? kSomeFailed : kAllDone;
}

} // namespace

void addPlanCommands(CLI::App& app, int& code) {
    auto* plan =
        app.add_subcommand("plan", "Write down a run: which pictures get which look, and what files come out");
    plan->require_subcommand(1);
    auto made = std::make_shared<NewPlan>();
    auto* create = plan->add_subcommand("new", "Write a plan");
    addLookWanted(*create, made->look);
    addTakesWanted(*create, made->look);
    addFileOptions(*create, made->file);
    create->add_option("--title", made->name,
                       "The plan's name, after which its journal is named; default: the file's");
    create
        ->add_option("--instructions", made->instructions,
                     "The instruction set that every machine is to use, so that all make the same bytes: sse4, avx2, "
                     "avx512; default: the best of each")
        ->type_name("NAME");
    create->add_option("-o,--output", made->output, "The plan to write, .bplan")->required()->type_name("PLAN");
    addPicturesWanted(*create, made->wanted);
    create->callback([create, made, &code] {
        made->look.noteOrder(*create);
        made->wanted.out = made->file.out;
        code = makePlan(*made);
    });
    struct Asked {
        std::string plan;
        bool asJson = false;
    };
    const auto addPlanFile = [](CLI::App* command, std::string& file) {
        command->add_option("plan", file, "A .bplan file")->required()->type_name("PLAN");
    };
    auto asked = std::make_shared<Asked>();
    auto* shown = plan->add_subcommand("show", "Tell which file would be made of which");
    addPlanFile(shown, asked->plan);
    shown->callback([asked] { showPlan(readPlanFile(asked->plan)); });
    auto* validated = plan->add_subcommand("validate", "Tell whether a plan can be run");
    addPlanFile(validated, asked->plan);
    validated->callback([asked, &code] { code = validatePlan(readPlanFile(asked->plan)); });
    auto* merged = plan->add_subcommand("merge", "Join the journals of a plan's parts and tell what is missing");
    addPlanFile(merged, asked->plan);
    merged->add_flag("--json", asked->asJson, "Tell it as one JSON object");
    merged->callback([asked, &code] { code = mergePlan(readPlanFile(asked->plan), asked->asJson); });

    auto run = std::make_shared<RunOptions>();
    auto* batch =
        app.add_subcommand("batch", "Run a plan; a journal beside the results lets it go on after it was killed");
    addPlanFile(batch, run->plan);
    batch->add_flag("--resume", run->resumes, "Go on with a run that was ended: what it made stays");
    batch->add_option("--part", run->part, "Make the K-th of N parts, which know nothing of each other")
        ->type_name("K/N");
    batch->add_option("--jobs", run->jobs, "Pictures worked on at the same time; default: one for each core")
        ->check(plainNumber())
        ->check(CLI::Range(1, 256));
    batch
        ->add_option("--memory", run->memory,
                     "How much memory one picture may take, in megabytes; default: three quarters of the machine's")
        ->check(plainNumber())
        ->check(CLI::Range(1, 1000000))
        ->type_name("MB");
    batch
        ->add_option("--contact-sheet", run->sheet,
                     "Write small versions of the results with their names, as a .pdf or .png")
        ->type_name("FILE");
    batch->add_flag("--dry-run", run->isDryRun, "Only tell which file would be made of which");
    batch->add_flag("--json", run->asJson, "Tell each file as a line of JSON");
    batch->add_flag("--quiet", run->isQuiet, "Tell only what went wrong");
    batch->callback([run, &code] { code = runPlan(*run); });
}

} // namespace baryton
