// What is asked before a run: on which pictures a Look fails, and how their Prep is to be set so that it sits alike.
#include "base/parallel.h"
#include "base/utf8.h"
#include "cli/collect.h"
#include "cli/look_wanted.h"
#include "cli/terminal.h"
#include "grade/json.h"
#include "package/grade_store.h"
#include "stages/raw.h"
#include "stages/stage_type.h"
#include "survey/match.h"
#include "survey/read_seen.h"
#include "survey/survey.h"

#include <algorithm>
#include <fmt/format.h>
#include <iostream>
#include <memory>
#include <mutex>

namespace baryton {

namespace {

namespace fs = std::filesystem;

struct SetOptions {
    PicturesWanted wanted;
    LookWanted look;
    std::string key;
    bool asJson = false;
    bool writes = false;
    double between = 0;
};

/// The pictures of a set that can be read, each with its own grade.
struct ReadSet {
    std::vector<fs::path> files;
    std::vector<SmallPicture> seen;
    std::vector<PictureWork> works;
    std::size_t key = 0;
    bool someFailed = false;
};

bool isSameFile(const fs::path& a, const fs::path& b) {
    std::error_code ignored;
    return fs::equivalent(a, b, ignored);
}

ReadSet readSet(const SetOptions& options, const std::string& command) {
    PicturesWanted wanted = options.wanted;
    if (!options.key.empty()) wanted.names.insert(wanted.names.begin(), options.key);
    const PicturesFound found = collectPictures(wanted);
    for (const auto& remark : found.remarks) std::cerr << remark << '\n';
    if (found.pictures.empty() && !found.someFailed)
        throw WrongUsage(command, "", "no pictures are named", "name pictures or folders");
    std::vector<PictureWork> works(found.pictures.size());
    std::vector<SmallPicture> seen(found.pictures.size());
    const SmallStore store;
    std::vector<char> isRead(found.pictures.size(), 0);
    std::mutex lock;
    ProgressLine progress(!options.asJson);
    std::size_t tried = 0;
    const auto read = [&](std::size_t i) {
        const fs::path& file = found.pictures[i];
        try {
            works[i] = loadWork(file).value_or(PictureWork{startingGrade(), {}, kStartTake, {}});
            seen[i] = store.read(file, rawOf(works[i].grade));
            works[i].grade.picture.aspect = double(seen[i].size.width) / seen[i].size.height;
            isRead[i] = 1;
        } catch (const Error& e) {
            const std::lock_guard<std::mutex> guard(lock);
            progress.clear();
            std::cerr << (e.file().empty() ? file.string() + ": " : "") << e.what() << '\n';
        }
        const std::lock_guard<std::mutex> guard(lock);
        progress.show(++tried, found.pictures.size());
    };
    inPieces(static_cast<int>(works.size()), 1, 0, [&](int first, int last) {
        for (int i = first; i < last; ++i) read(static_cast<std::size_t>(i));
    });
    progress.clear();
    store.trim();
    ReadSet set;
    set.someFailed = found.someFailed;
    for (std::size_t i = 0; i < works.size(); ++i) {
        set.someFailed = set.someFailed || !isRead[i];
        if (!isRead[i]) {
            if (!options.key.empty() && isSameFile(found.pictures[i], options.key))
                throw Error(options.key, "", "the key picture can't be read", "name another with --key");
            continue;
        }
        if (!options.key.empty() && isSameFile(found.pictures[i], options.key)) set.key = set.files.size();
        set.files.push_back(found.pictures[i]);
        set.seen.push_back(std::move(seen[i]));
        set.works.push_back(std::move(works[i]));
    }
    return set;
}

std::vector<RunPicture> runPictures(const ReadSet& set) {
    std::vector<RunPicture> all;
    for (std::size_t i = 0; i < set.files.size(); ++i) all.push_back(runPicture(set.seen[i], set.works[i].grade));
    return all;
}

std::vector<std::size_t> runNumbers(const std::vector<SceneRun>& runs, std::size_t count) {
    std::vector<std::size_t> numbers(count, 0);
    for (std::size_t r = 0; r < runs.size(); ++r)
        for (const std::size_t picture : runs[r].pictures) numbers[picture] = r + 1;
    return numbers;
}

int survey(const SetOptions& options) {
    const BatchLook look = batchLookOf(options.look);
    const ReadSet set = readSet(options, "survey");
    std::vector<SurveyPicture> pictures(set.files.size());
    std::vector<Grade> grades(set.files.size());
    std::vector<LookMeasure> measures(set.files.size());
    inPieces(static_cast<int>(set.files.size()), 1, 0, [&](int first, int last) {
        for (auto i = static_cast<std::size_t>(first); i < static_cast<std::size_t>(last); ++i) {
            grades[i] = gradeFor(look, set.works[i].grade, PrepChoice::Own);
            pictures[i] = surveyPicture(set.seen[i], grades[i]);
            measures[i] = measureLook(grades[i], pictures[i]);
        }
    });
    const std::vector<SceneRun> runs = runsOf(runPictures(set));
    std::vector<Faults> faults = judged(measures, runs, set.key);
    const std::vector<std::size_t> numbers = runNumbers(runs, set.files.size());
    std::vector<std::size_t> order(set.files.size());
    for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
    const auto worst = [&](std::size_t i) {
        return faults[i].empty() || faults[i][0].isRemark() ? 0 : faults[i][0].severity;
    };
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) { return worst(a) > worst(b); });
    Json list = Json::array();
    std::size_t failing = 0;
    for (const std::size_t i : order) {
        Json told = Json::array();
        std::string words;
        for (Fault& fault : faults[i]) {
            fault.stageId = stageAtFault(grades[i], pictures[i], fault);
            const auto place = findStage(grades[i], fault.stageId);
            const std::string stage = place ? stageTitle(grades[i], stageAt(grades[i], *place)) : "";
            told.push_back({{"kind", faultName(fault.kind)},
                            {"figure", fault.figure},
                            {"severity", fault.severity},
                            {"stage", stage},
                            {"words", faultWords(fault)}});
            words += (words.empty() ? "" : "; ") + (stage.empty() ? "" : stage + ": ") + faultWords(fault);
        }
        const bool fails = worst(i) > 0;
        failing += fails;
        list.push_back({{"picture", asUtf8(set.files[i].string())},
                        {"run", numbers[i]},
                        {"fails", fails},
                        {"faults", std::move(told)}});
        if (!options.asJson && !words.empty()) std::cout << set.files[i].string() << ": " << words << '\n';
    }
    if (options.asJson) {
        const std::string key = set.files.empty() ? "" : asUtf8(set.files[set.key].string());
        std::cout << Json{{"look", look.name}, {"key", key}, {"failing", failing}, {"pictures", list}}.dump() << '\n';
    } else {
        std::cout << failing << " of " << set.files.size() << " pictures fail\n";
    }
    return set.someFailed ? kSomeFailed : kAllDone;
}

const char* nameOf(MatchedBy by) {
    switch (by) {
    case MatchedBy::Itself:
        return "reference";
    case MatchedBy::Pixels:
        return "pixels";
    case MatchedBy::Exposure:
        return "exposure";
    case MatchedBy::Tones:
        return "tones";
    case MatchedBy::Nothing:
        break;
    }
    return "nothing";
}

int match(const SetOptions& options) {
    ReadSet set = readSet(options, "match");
    if (set.files.empty()) return kSomeFailed;
    std::vector<RunPicture> seen = runPictures(set);
    std::vector<MatchPicture> pictures;
    for (std::size_t i = 0; i < set.files.size(); ++i)
        pictures.push_back({std::move(seen[i]), prepLightOf(set.works[i].grade)});
    MatchWish wish;
    wish.key = set.key;
    wish.betweenRuns = options.between / 100;
    const MatchedSet matched = matchSet(pictures, wish);
    Json list = Json::array();
    for (std::size_t i = 0; i < set.files.size(); ++i) {
        const Match& m = matched.matches[i];
        const bool changes = !(m.light == pictures[i].light);
        if (options.writes && changes) {
            try {
                set.works[i].grade = withPrepLight(set.works[i].grade, m.light);
                storeWork(set.files[i], set.works[i]);
            } catch (const Error& e) {
                std::cerr << e.what() << '\n';
                set.someFailed = true;
            }
        }
        list.push_back({{"picture", asUtf8(set.files[i].string())},
                        {"run", m.run + 1},
                        {"by", nameOf(m.by)},
                        {"stops", m.light.stops},
                        {"kelvin", m.light.kelvin},
                        {"tint", m.light.tint},
                        {"stopsOff", m.stopsOff},
                        {"miredsOff", m.miredsOff},
                        {"held", m.isHeld}});
        if (options.asJson) continue;
        std::cout << set.files[i].string() << ": run " << m.run + 1 << ": " << matchWords(m);
        if (changes)
            std::cout << fmt::format(" → {:+.2f} stops, {:.0f} K, tint {:+.1f} %", m.light.stops, m.light.kelvin,
                                     m.light.tint * 100);
        std::cout << '\n';
    }
    if (options.asJson)
        std::cout << Json{{"key", asUtf8(set.files[set.key].string())},
                          {"runs", matched.runs.size()},
                          {"pictures", list}}
                         .dump()
                  << '\n';
    return set.someFailed ? kSomeFailed : kAllDone;
}

} // namespace

void addSurveyCommands(CLI::App& app, int& code) {
    auto asked = std::make_shared<SetOptions>();
    auto* surveyCommand = app.add_subcommand(
        "survey", "Tell on which pictures a look fails, the worst first, and by which stage; writes nothing");
    addLookWanted(*surveyCommand, asked->look);
    surveyCommand->add_option("--key", asked->key, "The picture that the look was made on; default: the first")
        ->type_name("PICTURE");
    surveyCommand->add_flag("--json", asked->asJson, "Tell it as one JSON object");
    addPicturesWanted(*surveyCommand, asked->wanted);
    surveyCommand->callback([surveyCommand, asked, &code] {
        asked->look.noteOrder(*surveyCommand);
        code = survey(*asked);
    });

    auto wished = std::make_shared<SetOptions>();
    auto* matchCommand = app.add_subcommand(
        "match", "Set each picture's exposure and white balance so that one look sits alike, run by run");
    matchCommand->add_option("--key", wished->key, "The picture that the others are matched to")
        ->required()
        ->type_name("PICTURE");
    matchCommand->add_flag("--write", wished->writes, "Keep it in the pictures' grades; else it is only told");
    matchCommand
        ->add_option("--between", wished->between,
                     "How far other runs are drawn to the key's cast and key tone, in percent")
        ->check(plainNumber())
        ->check(CLI::Range(0.0, 100.0))
        ->capture_default_str();
    matchCommand->add_flag("--json", wished->asJson, "Tell it as one JSON object");
    addPicturesWanted(*matchCommand, wished->wanted);
    matchCommand->callback([wished, &code] { code = match(*wished); });
}

} // namespace baryton
