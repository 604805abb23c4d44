#include "package/history_store.h"
#include "base/error.h"
#include "base/file.h"
#include "base/words.h"
#include "grade/content_pool.h"
#include "grade/grade_json.h"
#include "grade/json.h"

#include <algorithm>
#include <vector>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr const char* kHint = marked("it can be deleted: only the steps of earlier days are lost");

std::string textOf(const std::vector<KeptStep>& steps, std::size_t first) {
    Json states = Json::array(), list = Json::array();
    std::vector<const PictureWork*> known;
    ContentPool pool;
    const auto place = [&](const PictureWork& work) {
        // Most begin where the one before them ended.
        const auto at = std::find_if(known.rbegin(), known.rend(), [&](const PictureWork* other) {
            return *other == work && other->grade.given.highest == work.grade.given.highest;
        });
        if (at != known.rend()) return static_cast<std::size_t>(known.rend() - at) - 1;
        known.push_back(&work);
        states.push_back(workToText(work, pool));
        return known.size() - 1;
    };
    for (std::size_t i = first; i < steps.size(); ++i)
        list.push_back({{"text", steps[i].text}, {"from", place(steps[i].before)}, {"to", place(steps[i].after)}});
    const Json all = {{"format", "baryton-history"}, {"version", 1}, {"states", states}, {"steps", list}};
    return all.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace

fs::path historyFile(const fs::path& picture) {
    std::error_code failed;
    const fs::path whole = fs::weakly_canonical(picture, failed);
    return userDataFolder() / "history" / (contentHash((failed ? picture : whole).string()) + ".json");
}

std::string historyToText(const std::vector<KeptStep>& steps) {
    std::size_t first = steps.size() > kMostKeptSteps ? steps.size() - kMostKeptSteps : 0;
    while (first < steps.size()) {
        std::string text = textOf(steps, first);
        if (text.size() <= kMostHistoryBytes) return text;
        first += (steps.size() - first + 1) / 2; // the older half goes
    }
    return {};
}

std::vector<KeptStep> historyFromText(const std::string& text) {
    try {
        const Json all = Json::parse(text);
        if (all.value("format", "") != "baryton-history" || all.value("version", 0) != 1)
            throw Error("", "", words("this is no history that this version knows"), words(kHint));
        const Json& states = all.at("states");
        std::vector<PictureWork> works;
        ContentPool pool;
        for (const Json& state : states) {
            if (works.size() > 2 * kMostKeptSteps)
                throw Error("", "/states", words("there are too many states"), words(kHint));
            works.push_back(workFromText(state.get<std::string>(), pool));
        }
        std::vector<KeptStep> steps;
        for (const Json& step : all.at("steps")) {
            if (steps.size() == kMostKeptSteps)
                throw Error("", "/steps", words("there are too many steps"), words(kHint));
            steps.push_back({step.at("text").get<std::string>(), works.at(step.at("from").get<std::size_t>()),
                             works.at(step.at("to").get<std::size_t>())});
        }
        return steps;
    } catch (const Json::exception&) {
        throw Error("", "", words("this history is damaged"), words(kHint));
    } catch (const std::out_of_range&) {
        throw Error("", "/steps", words("a step names a state that is not there"), words(kHint));
    }
}

void storeHistory(const fs::path& picture, const std::vector<KeptStep>& steps) {
    const fs::path file = historyFile(picture);
    const std::string text = historyToText(steps);
    std::error_code ignored;
    if (text.empty()) {
        fs::remove(file, ignored);
        return;
    }
    fs::create_directories(file.parent_path(), ignored);
    writeFileAtomically(file, text);
}

std::vector<KeptStep> loadHistory(const fs::path& picture, const PictureWork& now) {
    const fs::path file = historyFile(picture);
    std::error_code ignored;
    if (!fs::exists(file, ignored)) return {};
    try {
        std::vector<KeptStep> steps = historyFromText(readFile(file, kMostHistoryBytes * 2));
        // Numbers go through text: compared as they are written.
        if (steps.empty() || workToText(steps.back().after) != workToText(now)) return {};
        return steps;
    } catch (const Error& e) {
        throw e.inFile(file.string());
    }
}

} // namespace baryton
