#include "base/error.h"
#include "base/file.h"
#include "base/utf8.h"
#include "base/version.h"
#include "batch/batch.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr const char* kReportFormat = "baryton-report";
constexpr const char* kColumns = "picture,look,format,state,file,bytes,seconds,problem,hint,note\r\n";

/// In quotes where it has to be. What a spreadsheet would take for a formula begins with an apostrophe.
std::string cellOf(std::string text) {
    if (!text.empty() && std::string_view("=+-@\t\r").find(text.front()) != std::string_view::npos)
        text.insert(text.begin(), '\'');
    if (text.find_first_of(",\"\n\r") == std::string::npos) return text;
    std::string quoted = "\"";
    for (const char c : text) quoted += c == '"' ? "\"\"" : std::string(1, c);
    return quoted + '"';
}

} // namespace

bool isReport(const fs::path& file) {
    try {
        constexpr std::size_t most = std::size_t(256) << 20;
        const std::string text = readFile(file, most);
        if (text.starts_with(kColumns)) return true;
        const auto json = nlohmann::json::parse(text, nullptr, false);
        return json.is_object() && json.value("format", nlohmann::json()) == kReportFormat;
    } catch (const Error&) {
        return false;
    }
}

std::string reportText(const BatchPlan& plan, const std::vector<BatchJob>& jobs) {
    nlohmann::json report = {{"format", kReportFormat},
                             {"version", 1},
                             {"program", std::string(kProgram) + " " + kVersion},
                             {"files", nlohmann::json::array()}};
    std::map<std::string, int> counts;
    for (const auto& job : jobs) {
        if (job.state == JobState::Elsewhere) continue;
        const std::string state = jobStateName(job.state);
        ++counts[state];
        nlohmann::json entry = {{"picture", asUtf8(plan.pictures[job.picture].string())},
                                {"look", plan.looks[job.look].name},
                                {"format", fileFormatName(plan.outputs[job.output].format.format)},
                                {"file", asUtf8(job.file.string())},
                                {"state", state}};
        if (job.state == JobState::Done) entry["bytes"] = job.bytes, entry["seconds"] = job.seconds;
        if (job.state == JobState::Failed)
            entry["error"] = {{"what", job.error}, {"place", job.errorPlace}, {"hint", job.errorHint}};
        if (!job.warning.empty()) entry["warning"] = job.warning;
        report["files"].push_back(std::move(entry));
    }
    report["counts"] = counts;
    return report.dump(1, ' ', false, nlohmann::json::error_handler_t::replace) + "\n";
}

std::string reportTable(const BatchPlan& plan, const std::vector<BatchJob>& jobs) {
    std::string table = kColumns;
    for (const BatchJob& job : jobs) {
        if (job.state == JobState::Elsewhere) continue;
        const bool isDone = job.state == JobState::Done;
        const std::string place = job.errorPlace.empty() ? "" : job.errorPlace + ": ";
        std::string row;
        for (const std::string& cell :
             {asUtf8(plan.pictures[job.picture].string()), plan.looks[job.look].name,
              fileFormatName(plan.outputs[job.output].format.format), jobStateName(job.state),
              asUtf8(job.file.string()), isDone ? std::to_string(job.bytes) : std::string(),
              isDone ? fmt::format("{:.2f}", job.seconds) : std::string(),
              job.error.empty() ? std::string() : place + job.error, job.errorHint, job.warning})
            row += (row.empty() ? "" : ",") + cellOf(cell);
        table += row + "\r\n";
    }
    return table;
}

} // namespace baryton
