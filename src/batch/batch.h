#pragma once
#include "base/task.h"
#include "grade/preset.h"
#include "grade/takes.h"
#include "picture/shot.h"
#include "render/output.h"
#include "survey/prep_light.h"

#include <filesystem>
#include <functional>
#include <map>
#include <mutex>
#include <optional>
#include <set>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace baryton {

/// A look that a run gives to every picture.
struct BatchLook {
    std::string name;
    /// Applied one after the other, each above the one before; empty with `ownGrade` for each picture's own grade.
    std::vector<Preset> presets;
    bool ownGrade = false;
    ApplyMode mode = ApplyMode::AddAbove; ///< how each preset is put on
    double strength = 1;                  ///< of each preset, 0…2
    std::string take{}; ///< with `ownGrade`: each picture's take of that name in the place of what is in hand
};

/// What one picture gets of a look otherwise than all the others.
struct PictureWish {
    bool isLeftOut = false;
    double strength = 1; ///< times the look's own
    std::optional<BatchLook> instead{};
};

/// Each picture keeps its own Prep, goes without, or keeps it with its light set as the plan says (`lights`).
enum class PrepChoice { Own, None, Matched };
enum class IfExists { Number, Skip, Replace };
/// As files and the command line have them; from another word, nothing.
std::string prepChoiceName(PrepChoice choice);
std::optional<PrepChoice> prepChoiceFromName(std::string_view name);
std::string ifExistsName(IfExists choice);
std::optional<IfExists> ifExistsFromName(std::string_view name);

enum class JobState { Waiting, Running, Done, Skipped, Failed, Cancelled, LeftOut, Elsewhere };
std::string jobStateName(JobState state);

/// One file to be made: picture `picture` with look `look` of the plan, as its `output` has it.
struct BatchJob {
    std::size_t picture = 0, look = 0, output = 0;
    JobState state = JobState::Waiting;
    std::filesystem::path file; ///< where it goes; with its number once it is known
    std::uintmax_t bytes = 0;   ///< size of the finished file
    std::string hash{};         ///< of its content, where the plan asks for it
    std::string settings{};     ///< a hash of all that decides how it comes out, but for the source
    double seconds = 0;
    std::string error, errorPlace, errorHint; ///< when it failed
    std::string warning; ///< e.g. a grade that could not be read, so that the picture went without
};

struct BatchPlan {
    std::vector<std::filesystem::path> pictures;
    std::vector<BatchLook> looks;
    PrepChoice prep = PrepChoice::Own;
    /// What Matched sets, by the picture's place; those that are missing keep their own (matched_prep.h).
    std::map<std::size_t, PrepLight> lights{};
    std::filesystem::path matchedTo{}; ///< the key picture that `lights` were found from
    double betweenRuns = 0;            ///< and how far other scenes were drawn to it, 0…1
    std::vector<OutputSettings> outputs = std::vector<OutputSettings>(1); ///< the files made of each; at least one
    std::filesystem::path folder;
    std::string name = "{stem}-{look}.{ext}";
    IfExists ifExists = IfExists::Number;
    int firstNumber = 1; ///< of the first picture, where names ask for one
    int workers = 0;     ///< 0: one for each core
    /// Of several machines, so that they make the same bytes (picture/instruction_set.h): whoever runs the plan sees
    /// to it. Empty: the best of each.
    std::string instructions{};
    /// A picture whose grade can't be read (damaged, or of a newer version) goes without it and is told of; else it
    /// is a failure.
    bool goesWithoutUnreadableGrades = false;
    /// The own grades and takes, by the picture's place, as they are in hand; those of others are read from their
    /// files as the run begins. What is edited after that changes nothing in it.
    std::map<std::size_t, PictureWork> works{};
    std::map<std::size_t, Shot> shots{}; ///< how pictures were taken, as far as that is known already
    /// By the places of a picture and a look.
    std::map<std::pair<std::size_t, std::size_t>, PictureWish> wishes{};
    /// Jobs, by their place among jobsOf, that an earlier run has made: they are left as they are. Where their
    /// settings and hash are known, only as long as both are still so; else they are made again, in their place.
    std::map<std::size_t, BatchJob> made{};
    /// What a run that was cut off may have left of a job that was in hand: it is written over.
    std::map<std::size_t, std::filesystem::path> takenUp{};
    std::set<std::size_t> elsewhere{}; ///< pictures that another part of the plan makes
    bool hashes = false;               ///< files are hashed once they are made
};

/// The grade that a picture gets in a run: its own Prep (or none, or with `light`), then the look.
Grade gradeFor(const BatchLook& look, const Grade& own, PrepChoice prep, const PrepLight* light = nullptr);

/// What a look finds of a picture's own: the take that it names, else what is in hand; nothing where there is no such
/// take.
const Grade* ownGradeFor(const BatchLook& look, const PictureWork& work);

/// What the plan sets a picture's light to; null where it is left alone.
const PrepLight* lightFor(const BatchPlan& plan, std::size_t picture);

/// What a picture gets of a look of the plan, as it may be wished for it.
BatchLook lookFor(const BatchPlan& plan, std::size_t picture, std::size_t look);

/// The place of a job among jobsOf.
std::size_t placeOf(const BatchPlan& plan, std::size_t picture, std::size_t look, std::size_t output);

/// The jobs of a plan, picture by picture, each picture's look by look, each look's output by output, with their file
/// names, which the set and the plan alone decide: where two would be the same, or one that of a source, the later
/// gets a number. What a picture has no take for is left out. Throws Error for an impossible template or an empty
/// plan.
std::vector<BatchJob> jobsOf(const BatchPlan& plan);

/// Which picture is to be made next, as it is asked for while a run goes on. Safe from any thread.
class RunOrder {
public:
    void makeNext(std::size_t picture) {
        const std::lock_guard<std::mutex> guard(lock_);
        wanted_.push_back(picture);
    }
    /// What was asked for since; the last first.
    std::vector<std::size_t> take() {
        const std::lock_guard<std::mutex> guard(lock_);
        return std::exchange(wanted_, {});
    }

private:
    std::mutex lock_;
    std::vector<std::size_t> wanted_;
};

/// Runs a plan with several workers, each at a file; where there are fewer files than workers, several at each. A
/// picture is decoded once for all its looks and made smaller before it is graded, as the viewer does; a file that
/// fails never stops the rest. `changed` is told of every job that changes state, from the workers' threads, one call
/// at a time. Cancelling leaves finished files and nothing half written; a task that finishes up finishes the files
/// in hand, and one that is paused rests behind them. `order` may bring a picture's files forward.
///
/// A name is taken when its file is finished, in one step. Where something lies there by then the file gets the next
/// free number, or, as the plan says, is left out or replaces it; but only what this program wrote itself is
/// replaced.
std::vector<BatchJob> runBatch(const BatchPlan& plan,
                               const std::function<void(std::size_t index, const BatchJob&)>& changed = {},
                               Task* task = nullptr, RunOrder* order = nullptr);

/// The account of a run: one JSON object with counts and one entry for each job.
std::string reportText(const BatchPlan& plan, const std::vector<BatchJob>& jobs);
/// The same as a table for spreadsheets (RFC 4180): a row for each job, the names of the columns first.
std::string reportTable(const BatchPlan& plan, const std::vector<BatchJob>& jobs);
/// True for a file with such an account, in either form.
bool isReport(const std::filesystem::path& file);

} // namespace baryton
