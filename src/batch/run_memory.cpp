#include "batch/run_memory.h"
#include "base/file.h"
#include "base/words.h"
#include "batch/output_json.h"

#include <algorithm>
#include <array>
#include <nlohmann/json.hpp>

namespace baryton {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr std::size_t kMostFiles = 1000000;

json toJson(const BatchSettings& s) {
    json presets = json::array();
    for (const fs::path& preset : s.presets) presets.push_back(preset.string());
    json leftOut = json::array();
    for (const fs::path& picture : s.leftOut) leftOut.push_back(picture.string());
    json outputs = json::array();
    for (const OutputSettings& output : s.outputs) outputs.push_back(outputToJson(output));
    json wishes = json::array();
    for (const auto& [key, wish] : s.wishes)
        wishes.push_back({{"picture", key.first.string()},
                          {"look", key.second.string()},
                          {"leftOut", wish.isLeftOut},
                          {"strength", wish.strength},
                          {"instead", wish.instead.string()}});
    return {{"ownGrade", s.ownGrade},
            {"takes", s.takes},
            {"wishes", std::move(wishes)},
            {"presets", presets},
            {"leftOut", leftOut},
            {"prep", prepChoiceName(s.prep)},
            {"files", std::move(outputs)},
            {"folder", s.folder},
            {"name", s.name},
            {"ifExists", ifExistsName(s.ifExists)},
            {"asksIfExists", s.asksIfExists}};
}

BatchSettings settingsFrom(const json& j) {
    BatchSettings s;
    s.ownGrade = j.at("ownGrade").get<bool>();
    for (const json& preset : j.at("presets")) s.presets.insert(preset.get<std::string>());
    for (const json& picture : j.value("leftOut", json::array())) s.leftOut.insert(picture.get<std::string>());
    for (const json& take : j.value("takes", json::array())) s.takes.insert(take.get<std::string>());
    s.prep = prepChoiceFromName(j.at("prep").get<std::string>()).value_or(PrepChoice::Own);
    const json outputs = j.value("files", json::array());
    if (!outputs.empty()) s.outputs.clear();
    for (std::size_t i = 0; i < std::min(outputs.size(), kMostOutputs); ++i)
        s.outputs.push_back(outputFromJson(outputs[i]));
    s.folder = j.at("folder").get<std::string>();
    s.name = j.at("name").get<std::string>();
    s.ifExists = ifExistsFromName(j.at("ifExists").get<std::string>()).value_or(IfExists::Number);
    s.asksIfExists = j.value("asksIfExists", false);
    const json wishes = j.value("wishes", json::array());
    for (std::size_t i = 0; i < std::min(wishes.size(), kMostFiles); ++i) {
        const json& wish = wishes[i];
        s.wishes[{wish.at("picture").get<std::string>(), wish.at("look").get<std::string>()}] = {
            wish.at("leftOut").get<bool>(), std::clamp(wish.at("strength").get<double>(), 0.0, 2.0),
            wish.at("instead").get<std::string>()};
    }
    return s;
}

JobState stateFrom(const std::string& name) {
    for (const JobState state : {JobState::Done, JobState::Skipped, JobState::Failed, JobState::LeftOut})
        if (jobStateName(state) == name) return state;
    return JobState::Cancelled;
}

} // namespace

std::size_t RunMemory::wantedCount() const {
    return static_cast<std::size_t>(std::count_if(
        files.begin(), files.end(), [](const File& file) { return file.job.state != JobState::LeftOut; }));
}

bool RunMemory::wasInterrupted() const {
    return std::any_of(files.begin(), files.end(), [](const File& file) {
        return file.job.state == JobState::Waiting || file.job.state == JobState::Running ||
               file.job.state == JobState::Cancelled;
    });
}

fs::path runMemoryFile(const fs::path& setFolder) {
    std::error_code failed;
    const fs::path whole = fs::weakly_canonical(setFolder, failed);
    return userDataFolder() / "runs" / (contentHash((failed ? setFolder : whole).string()) + ".json");
}

std::string runMemoryToText(const RunMemory& memory) {
    json files = json::array();
    for (const auto& file : memory.files) {
        json entry = {{"picture", file.picture.string()}, {"look", file.look},
                      {"output", file.job.output},        {"grade", file.grade},
                      {"file", file.job.file.string()},   {"state", jobStateName(file.job.state)}};
        if (file.job.bytes > 0) entry["bytes"] = file.job.bytes;
        if (!file.job.error.empty()) entry["error"] = file.job.error, entry["hint"] = file.job.errorHint;
        if (!file.job.warning.empty()) entry["warning"] = file.job.warning;
        files.push_back(std::move(entry));
    }
    const json all = {{"format", "baryton-run"},
                      {"version", 1},
                      {"settings", toJson(memory.settings)},
                      {"ranWith", toJson(memory.ranWith)},
                      {"files", std::move(files)}};
    // Names of files may be any bytes; those that are no text come back as something else, and are then made again.
    return all.dump(1, ' ', false, json::error_handler_t::replace) + "\n";
}

RunMemory runMemoryFromText(const std::string& text) {
    try {
        const json all = json::parse(text);
        if (all.value("format", "") != "baryton-run" || all.value("version", 0) != 1)
            throw Error("", "", words("this is no account of a run that this version knows"),
                        words("it can be deleted: only the states of the last run are lost"));
        RunMemory memory{settingsFrom(all.at("settings")), settingsFrom(all.at("ranWith")), {}};
        const json& files = all.at("files");
        for (std::size_t i = 0; i < std::min(files.size(), kMostFiles); ++i) {
            const json& entry = files[i];
            RunMemory::File file{entry.at("picture").get<std::string>(),
                                 entry.at("look").get<std::string>(),
                                 entry.at("grade").get<std::string>(),
                                 {}};
            file.job.output = entry.value("output", std::size_t(0));
            file.job.file = entry.at("file").get<std::string>();
            file.job.state = stateFrom(entry.at("state").get<std::string>());
            file.job.bytes = entry.value("bytes", std::uintmax_t(0));
            file.job.error = entry.value("error", "");
            file.job.errorHint = entry.value("hint", "");
            file.job.warning = entry.value("warning", "");
            memory.files.push_back(std::move(file));
        }
        return memory;
    } catch (const json::exception&) {
        throw Error("", "", words("this account of a run is damaged"),
                    words("it can be deleted: only the states of the last run are lost"));
    }
}

void storeRunMemory(const fs::path& file, const RunMemory& memory) {
    std::error_code ignored;
    fs::create_directories(file.parent_path(), ignored);
    writeFileAtomically(file, runMemoryToText(memory));
}

std::optional<RunMemory> loadRunMemory(const fs::path& file) {
    std::error_code ignored;
    if (!fs::exists(file, ignored)) return std::nullopt;
    try {
        return runMemoryFromText(readFile(file));
    } catch (const Error& e) {
        throw e.inFile(file.string());
    }
}

} // namespace baryton
