#include "batch/batch.h"
#include "base/error.h"
#include "base/file.h"
#include "base/first_free.h"
#include "base/output.h"
#include "base/utf8.h"
#include "base/version.h"
#include "base/words.h"
#include "batch/names.h"
#include "batch/output_json.h"
#include "edits/apply_strength.h"
#include "edits/framed_masks.h"
#include "grade/grade_json.h"
#include "package/grade_store.h"
#include "picture/metadata.h"
#include "render/graded_file.h"
#include "stages/frame.h"
#include "stages/stage_type.h"

#include <algorithm>
#include <chrono>
#include <deque>
#include <exception>
#include <memory>
#include <mutex>
#include <nlohmann/json.hpp>
#include <set>
#include <thread>

namespace baryton {

namespace fs = std::filesystem;

BatchLook lookFor(const BatchPlan& plan, std::size_t picture, std::size_t look) {
    const auto wish = plan.wishes.find({picture, look});
    if (wish == plan.wishes.end()) return plan.looks[look];
    BatchLook wished = wish->second.instead.value_or(plan.looks[look]);
    constexpr double most = 2;
    wished.strength = std::min(wished.strength * wish->second.strength, most);
    return wished;
}

Grade gradeFor(const BatchLook& look, const Grade& own, PrepChoice prep, const PrepLight* light) {
    Grade grade = own;
    if (prep == PrepChoice::None) grade.prep = startingGrade().prep;
    if (prep == PrepChoice::Matched && light) grade = withPrepLight(std::move(grade), *light);
    if (look.ownGrade) return grade;
    grade.look.clear();
    grade.finish.clear();
    for (const Preset& preset : look.presets) grade = appliedWithStrength(grade, preset, look.mode, look.strength);
    return grade;
}

const Grade* ownGradeFor(const BatchLook& look, const PictureWork& work) {
    if (look.take.empty()) return &work.grade;
    const auto at = std::find_if(work.takes.begin(), work.takes.end(),
                                 [&look](const Take& take) { return take.name == look.take; });
    return at == work.takes.end() ? nullptr : &at->grade;
}

const PrepLight* lightFor(const BatchPlan& plan, std::size_t picture) {
    const auto at = plan.lights.find(picture);
    return plan.prep != PrepChoice::Matched || at == plan.lights.end() ? nullptr : &at->second;
}

namespace {

PictureWork startingWork() {
    return {startingGrade(), {}, kStartTake, {}};
}

/// A picture's own as far as it can be known ahead; nothing of what can't be read, which the run tells.
std::optional<PictureWork> knownWork(const BatchPlan& plan, std::size_t picture) {
    if (const auto known = plan.works.find(picture); known != plan.works.end()) return known->second;
    try {
        return loadWork(plan.pictures[picture]).value_or(startingWork());
    } catch (const Error&) {
        return plan.goesWithoutUnreadableGrades ? std::optional(startingWork()) : std::nullopt;
    }
}

/// The name of the take that a look's grade is, or goes on from.
std::string takeName(const BatchLook& look, const PictureWork& work) {
    if (!look.take.empty()) return look.take;
    const bool isThere = work.from >= 0 && static_cast<std::size_t>(work.from) < work.takes.size();
    return isThere ? work.takes[static_cast<std::size_t>(work.from)].name : "start";
}

std::string noTakeText(const std::string& name) {
    return inWords("it has no take \"{}\"", name);
}

/// Of a picture that can't be read, which the run tells, nothing.
std::optional<PictureSize> knownSize(const BatchPlan& plan, std::size_t picture, const Grade& grade) {
    try {
        return framedSize(plan.pictures[picture], sourceSettingsOf(grade));
    } catch (const Error&) {
        return std::nullopt;
    }
}

} // namespace

std::size_t placeOf(const BatchPlan& plan, std::size_t picture, std::size_t look, std::size_t output) {
    return (picture * plan.looks.size() + look) * plan.outputs.size() + output;
}

std::vector<BatchJob> jobsOf(const BatchPlan& plan) {
    if (plan.pictures.empty())
        throw Error("", "", words("there are no pictures to work on"), words("add pictures or a folder"));
    if (plan.looks.empty())
        throw Error("", "", words("no look is chosen"), words("tick the pictures' own grade or add a preset"));
    if (plan.outputs.empty()) throw Error("", "", words("no file is asked for"), words("add a kind of file"));
    InputSet sources;
    for (const auto& picture : plan.pictures) sources.add(picture);
    std::set<fs::path> planned;
    // Two jobs never share a file, and none goes where a source lies. What else lies in the folder changes nothing
    // here: the same set gives the same names.
    const auto isTaken = [&](const fs::path& file) { return planned.contains(file) || sources.holds(file); };
    std::vector<BatchJob> jobs;
    const bool asks = asksHowTaken(plan.name), asksSize = asksHowLarge(plan.name),
               asksTake = asksWhichTake(plan.name);
    const bool usesTakes =
        std::any_of(plan.looks.begin(), plan.looks.end(), [](const BatchLook& l) { return !l.take.empty(); });
    for (std::size_t p = 0; p < plan.pictures.size(); ++p) {
        const auto known = plan.shots.find(p);
        const Shot shot = !asks ? Shot() : known != plan.shots.end() ? known->second : readShot(plan.pictures[p]);
        std::optional<PictureWork> work; // where it is asked for
        if (asksSize || asksTake || usesTakes) work = knownWork(plan, p);
        for (std::size_t l = 0; l < plan.looks.size(); ++l) {
            const BatchLook look = lookFor(plan, p, l);
            const auto wish = plan.wishes.find({p, l});
            const Grade* own = work ? ownGradeFor(look, *work) : nullptr;
            const bool hasNoTake = work && !own;
            const std::optional<PictureSize> framed =
                asksSize && own ? knownSize(plan, p, gradeFor(look, *own, plan.prep)) : std::nullopt;
            for (std::size_t o = 0; o < plan.outputs.size(); ++o) {
                BatchJob job;
                job.picture = p, job.look = l, job.output = o;
                if (wish != plan.wishes.end() && wish->second.isLeftOut) job.state = JobState::LeftOut;
                if (hasNoTake) job.state = JobState::LeftOut, job.warning = noTakeText(look.take);
                if (plan.elsewhere.contains(p)) job.state = JobState::Elsewhere;
                NameParts parts{plan.pictures[p].stem().string(),
                                look.name,
                                fileExtension(plan.outputs[o].format.format),
                                static_cast<int>(p) + plan.firstNumber,
                                look.name,
                                plan.pictures[p].parent_path().filename().string(),
                                shot};
                if (work) parts.take = takeName(look, *work);
                if (framed) {
                    const PictureSize size = outputSize(*framed, plan.outputs[o].size);
                    parts.width = size.width, parts.height = size.height;
                }
                job.file = freeFile(plan.folder / fileNameFromTemplate(plan.name, parts), isTaken, "-");
                planned.insert(job.file);
                jobs.push_back(std::move(job));
            }
        }
    }
    return jobs;
}

namespace {

/// A picture of the plan, opened by the first of its jobs and given up by the last.
class PlannedPicture {
public:
    PlannedPicture(const BatchPlan& plan, std::size_t index, int jobs)
        : plan_(plan), file_(plan.pictures[index]), jobs_(jobs), left_(jobs) {}

    /// Throws what opening it threw, for each of its jobs.
    std::shared_ptr<FileSource> open(const SourceSettings& settings, const SizeWish& wish, const Task* task) {
        const std::lock_guard<std::mutex> guard(lock_);
        if (failure_) std::rethrow_exception(failure_);
        for (const Opened& each : sources_)
            if (each.settings == settings && each.wish == wish) return each.source;
        try {
            // Too large to be kept whole: each job reads it for itself.
            constexpr double mostKept = 100e6;
            const PictureSize size = readPictureSize(file_);
            const PictureSize made = outputSize(size, wish);
            const bool isWhole = double(made.width) * made.height >= double(size.width) * size.height;
            if (isWhole && double(size.width) * size.height > mostKept)
                return std::make_shared<FileSource>(file_, settings, wish, 1, task);
            sources_.push_back({settings, wish, std::make_shared<FileSource>(file_, settings, wish, jobs_, task)});
        } catch (const Cancelled&) {
            throw;
        } catch (...) {
            failure_ = std::current_exception();
            throw;
        }
        return sources_.back().source;
    }
    void jobEnded() {
        const std::lock_guard<std::mutex> guard(lock_);
        if (--left_ == 0) sources_.clear();
    }

private:
    const BatchPlan& plan_;
    const fs::path& file_;
    const int jobs_;
    std::mutex lock_;
    int left_;
    struct Opened {
        SourceSettings settings;
        SizeWish wish;
        std::shared_ptr<FileSource> source;
    };
    /// Looks may have frames of their own, and develop a raw file in their own way; files may have their own sizes.
    std::vector<Opened> sources_;
    std::exception_ptr failure_;
};

std::string staysText(const fs::path& file) {
    return inWords("{} was not written by {} and stays", file.string(), kProgram);
}

// Texts stand in free functions, where the collector of texts finds them without a class.
std::string noMemoryText() {
    return words("there is not enough memory");
}
std::string noMemoryHint() {
    return words("use fewer workers, or a smaller long side");
}
std::string unknownHint() {
    return words("try this picture alone");
}
std::string settingsChangedText() {
    return words("its settings were changed since it was made: it is made again");
}
std::string fileChangedText() {
    return words("its file was changed since it was made: it is made again");
}
std::string withoutGradeText(const std::string& why) {
    return inWords("{} (the picture went without its own grade)", why);
}

class Runner {
public:
    Runner(const BatchPlan& plan, const std::function<void(std::size_t, const BatchJob&)>& changed, Task* task,
           RunOrder* order)
        : plan_(plan), changed_(changed), task_(task), order_(order), jobs_(jobsOf(plan)) {
        for (const OutputSettings& each : plan.outputs) {
            outputs_.emplace_back(each);
            outputHashes_.push_back(outputToJson(each).dump(-1, ' ', false, Json::error_handler_t::replace) +
                                    contentHash(outputs_.back().profile().icc()) +
                                    (each.mark.picture.empty() ? "" : fileHash(each.mark.picture)));
        }
        for (const auto& picture : plan.pictures) sources_.add(picture);
        for (const auto& [index, made] : plan.made)
            if (index < jobs_.size() && jobs_[index].state == JobState::Waiting) takeMade(index, made);
        for (const auto& [index, file] : plan.takenUp)
            if (index < jobs_.size() && jobs_[index].state == JobState::Waiting)
                jobs_[index].file = file, replaceable_.insert(file);
        std::map<std::size_t, int> waiting;
        for (std::size_t i = 0; i < jobs_.size(); ++i) {
            names_.insert(jobs_[i].file);
            std::error_code ignored;
            if (jobs_[i].state == JobState::Waiting && plan.ifExists == IfExists::Skip &&
                !replaceable_.contains(jobs_[i].file) && fs::exists(jobs_[i].file, ignored))
                jobs_[i].state = JobState::Skipped;
            if (jobs_[i].state != JobState::Waiting) {
                tell(i);
                continue;
            }
            queue_.push_back(i);
            ++waiting[jobs_[i].picture];
        }
        // A run is a snapshot: what is edited while it goes on belongs to the next one.
        for (const auto& [picture, jobs] : waiting) {
            pictures_.emplace(std::piecewise_construct, std::forward_as_tuple(picture),
                              std::forward_as_tuple(plan, picture, jobs));
            if (needsOwn() && !own_.contains(picture)) own_[picture] = ownWork(picture);
        }
    }

    std::vector<BatchJob> run() {
        const std::size_t cores = std::max(1U, std::thread::hardware_concurrency());
        const std::size_t wanted = plan_.workers > 0 ? static_cast<std::size_t>(plan_.workers) : cores;
        const std::size_t count = std::max<std::size_t>(1, std::min(wanted, queue_.size()));
        // Where there are fewer files than workers, each is worked on by several.
        threads_ = static_cast<int>(std::max<std::size_t>(1, wanted / count));
        std::vector<std::thread> workers;
        for (std::size_t i = 1; i < count; ++i) workers.emplace_back([this] { work(); });
        work();
        for (auto& worker : workers) worker.join();
        for (std::size_t i = 0; i < jobs_.size(); ++i)
            if (jobs_[i].state == JobState::Waiting || jobs_[i].state == JobState::Running) {
                jobs_[i].state = JobState::Cancelled;
                tell(i);
            }
        return std::move(jobs_);
    }

private:
    bool needsOwn() const {
        return plan_.prep != PrepChoice::None ||
               std::any_of(plan_.looks.begin(), plan_.looks.end(), [](const BatchLook& l) { return l.ownGrade; });
    }

    void work() {
        for (;;) {
            if (task_) task_->restWhilePaused();
            const std::optional<std::size_t> next = takeNext();
            if (!next || (task_ && task_->isFinishing())) return;
            BatchJob& job = jobs_[*next];
            job.state = JobState::Running;
            tell(*next);
            PlannedPicture& picture = pictures_.at(job.picture);
            const auto start = std::chrono::steady_clock::now();
            const bool isEnded = makeFile(job, picture);
            picture.jobEnded();
            if (!isEnded) return;
            job.seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
            tell(*next);
        }
    }

    std::optional<std::size_t> takeNext() {
        const std::lock_guard<std::mutex> guard(queueLock_);
        if (order_)
            for (const std::size_t picture : order_->take())
                std::stable_partition(queue_.begin(), queue_.end(),
                                      [&](std::size_t job) { return jobs_[job].picture == picture; });
        if (queue_.empty()) return std::nullopt;
        const std::size_t next = queue_.front();
        queue_.pop_front();
        return next;
    }

    /// False when it was cancelled.
    bool makeFile(BatchJob& job, PlannedPicture& picture) {
        const fs::path& file = plan_.pictures[job.picture];
        try {
            const auto own = own_.find(job.picture);
            if (own != own_.end() && own->second.failure) throw Error(*own->second.failure);
            if (own != own_.end() && !own->second.warning.empty()) add(job.warning, own->second.warning);
            const Grade grade = gradeOf(job);
            if (plan_.hashes) job.settings = settingsOf(job, grade);
            const auto source = picture.open(sourceSettingsOf(grade), plan_.outputs[job.output].size, task_);
            const WrittenPicture written = writeGraded(job.file, *source, Program::compile(grade),
                                                       outputs_[job.output], threads_, task_, placing());
            const fs::path& made = written.file;
            for (const auto& remark : source->remarks()) add(job.warning, remark);
            for (const auto& remark : written.remarks) add(job.warning, remark);
            if (made.empty()) { // another has made it meanwhile
                job.state = JobState::Skipped;
                return true;
            }
            if (plan_.ifExists == IfExists::Replace && made != job.file) add(job.warning, staysText(job.file));
            job.file = made;
            std::error_code ignored;
            job.bytes = fs::file_size(job.file, ignored);
            if (plan_.hashes) job.hash = fileHash(job.file);
            job.state = JobState::Done;
        } catch (const Cancelled&) {
            return false;
        } catch (const Error& e) {
            // Where another file is at fault (the one to be written), it is named.
            const bool isOther = !e.file().empty() && e.file() != file.string();
            fail(job, e.problem(), isOther ? e.file() : e.place(), e.hint());
        } catch (const std::bad_alloc&) {
            fail(job, noMemoryText(), "", noMemoryHint());
        } catch (const std::exception& e) {
            fail(job, e.what(), "", unknownHint());
        }
        return true;
    }

    /// Nothing is replaced but what this program has written itself, and that only where it was asked for.
    Placing placing() const {
        Placing placing;
        placing.mayReplace = [this](const fs::path& there) {
            return (plan_.ifExists == IfExists::Replace || replaceable_.contains(there)) && !sources_.holds(there) &&
                   isOwnWork(there);
        };
        placing.numbers = plan_.ifExists != IfExists::Skip;
        placing.isSpokenFor = [this](const fs::path& file) { return names_.contains(file); };
        return placing;
    }

    static void add(std::string& words, const std::string& more) { words += (words.empty() ? "" : "; ") + more; }

    /// What the picture of a job gets; its own grade has been read. Throws Error where its size has to be known and
    /// can't be read.
    Grade gradeOf(const BatchJob& job) const {
        const BatchLook look = lookFor(plan_, job.picture, job.look);
        const auto own = own_.find(job.picture);
        const Grade* found = own != own_.end() ? ownGradeFor(look, own->second.work) : nullptr;
        Grade before = found ? *found : startingGrade();
        if (std::any_of(look.presets.begin(), look.presets.end(), hasDrawnMasks)) {
            const PictureSize size = readPictureSize(plan_.pictures[job.picture]);
            before.picture.aspect = double(size.width) / size.height;
        }
        return gradeFor(look, before, plan_.prep, lightFor(plan_, job.picture));
    }

    /// Another where the same source would come out otherwise.
    std::string settingsOf(const BatchJob& job, const Grade& grade) const {
        Grade plain = grade;
        plain.picture = {}; // known sooner or later
        return contentHash(gradeToText(plain) + outputHashes_[job.output]);
    }

    /// What an earlier run has made stays, unless it would come out otherwise now or is no longer what was made.
    void takeMade(std::size_t index, const BatchJob& made) {
        BatchJob& job = jobs_[index];
        std::error_code ignored;
        bool stays = true;
        if (!made.settings.empty()) {
            if (needsOwn() && !own_.contains(job.picture)) own_[job.picture] = ownWork(job.picture);
            try {
                stays = settingsOf(job, gradeOf(job)) == made.settings;
            } catch (const Error&) {
                stays = false; // told where it is tried again
            }
            if (!stays) job.warning = settingsChangedText();
        }
        if (stays && !made.hash.empty() && fs::exists(made.file, ignored)) {
            stays = fs::file_size(made.file, ignored) == made.bytes && fileHash(made.file) == made.hash;
            if (!stays) job.warning = fileChangedText();
        } else if (stays && !made.hash.empty()) {
            stays = false; // deleted since
        }
        job.file = made.file;
        if (!stays) {
            replaceable_.insert(job.file);
            return;
        }
        job.state = made.state, job.bytes = made.bytes, job.hash = made.hash, job.settings = made.settings;
    }

    struct OwnWork {
        PictureWork work;
        std::string warning;
        std::optional<Error> failure;
    };
    OwnWork ownWork(std::size_t picture) const {
        if (const auto known = plan_.works.find(picture); known != plan_.works.end()) return {known->second, {}, {}};
        try {
            return {loadWork(plan_.pictures[picture]).value_or(startingWork()), {}, {}};
        } catch (const Error& e) {
            if (!plan_.goesWithoutUnreadableGrades) return {{}, {}, e};
            return {startingWork(), withoutGradeText(e.what()), {}};
        }
    }

    static void fail(BatchJob& job, const std::string& what, const std::string& place, const std::string& hint) {
        job.state = JobState::Failed;
        job.error = what, job.errorPlace = place, job.errorHint = hint;
    }

    void tell(std::size_t index) {
        if (!changed_ && !task_) return;
        const std::lock_guard<std::mutex> guard(lock_);
        if (changed_) changed_(index, jobs_[index]);
        const auto state = jobs_[index].state;
        if (state != JobState::Running) ++ended_;
        if (task_) task_->report(double(ended_) / static_cast<double>(jobs_.size()));
    }

    const BatchPlan& plan_;
    const std::function<void(std::size_t, const BatchJob&)>& changed_;
    Task* task_;
    RunOrder* order_;
    std::vector<BatchJob> jobs_;
    std::vector<Output> outputs_;
    std::vector<std::string> outputHashes_; ///< of all that each says
    std::set<fs::path> names_;              ///< of all files of the run
    std::set<fs::path> replaceable_;        ///< what an earlier run has left of this plan
    InputSet sources_;
    std::deque<std::size_t> queue_; ///< jobs to be begun, by their place
    std::mutex queueLock_;
    std::map<std::size_t, PlannedPicture> pictures_;
    std::map<std::size_t, OwnWork> own_;
    int threads_ = 1; ///< for each job
    std::size_t ended_ = 0;
    std::mutex lock_;
};

} // namespace

std::vector<BatchJob> runBatch(const BatchPlan& plan,
                               const std::function<void(std::size_t, const BatchJob&)>& changed, Task* task,
                               RunOrder* order) {
    return Runner(plan, changed, task, order).run();
}

} // namespace baryton
