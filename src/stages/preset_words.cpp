#include "stages/preset_words.h"

#include <algorithm>
#include <fmt/format.h>
#include <set>

namespace baryton {

namespace {

std::string counted(std::size_t n, const std::string& one, const std::string& many) {
    return fmt::format("{} {}", n, n == 1 ? one : many);
}

std::string lowered(std::string text) {
    if (!text.empty()) text[0] = static_cast<char>(std::tolower(static_cast<unsigned char>(text[0])));
    return text;
}

/// What became of a curve, in levels of 0…255: " point 2 to 64 → 48".
std::string curveWords(Curve before, Curve after) {
    for (Curve* curve : {&before, &after})
        if (curve->empty()) *curve = {{0, 0}, {1, 1}};
    const auto at = [](const CurvePoint& p) { return fmt::format("{:.0f} → {:.0f}", p.x * 255, p.y * 255); };
    const Curve& longer = after.size() > before.size() ? after : before;
    const Curve& shorter = after.size() > before.size() ? before : after;
    const auto differs = [&](std::size_t i) { return i >= shorter.size() || !(longer[i] == shorter[i]); };
    std::size_t first = 0, different = 0;
    while (first < longer.size() && !differs(first)) ++first;
    for (std::size_t i = 0; i < longer.size(); ++i) different += differs(i);
    if (before.size() == after.size())
        return different == 1 ? fmt::format(" point {} to {}", first + 1, at(after[first]))
                              : fmt::format(" {} points", different);
    const bool oneMore = longer.size() == shorter.size() + 1 &&
                         std::equal(longer.begin() + static_cast<std::ptrdiff_t>(first) + 1, longer.end(),
                                    shorter.begin() + static_cast<std::ptrdiff_t>(first));
    if (!oneMore) return " curve";
    return (after.size() > before.size() ? " point added at " : " point removed at ") + at(longer[first]);
}

} // namespace

std::string accountOf(const Preset& preset) {
    const auto carried = presentIn(preset.carried);
    std::set<std::pair<std::string, std::string>> stages; // layer and stage: ids may be empty or repeat over layers
    for (const auto& path : carried)
        if (!path.stage.empty()) stages.insert({path.layer, path.stage});
    std::string text = fmt::format("sets {} in {}", counted(carried.size(), "value", "values"),
                                   counted(stages.size(), "stage", "stages"));
    std::vector<std::string> left;
    for (const Stage& stage : startingGrade().prep) {
        const bool isCarried = std::any_of(preset.carried.prep.begin(), preset.carried.prep.end(),
                                           [&](const Stage& s) { return s.type == stage.type; });
        if (!isCarried) left.push_back(lowered(stageTitle(stage)));
    }
    for (std::size_t i = 0; i < left.size(); ++i)
        text += (i == 0 ? ", leaves " : i + 1 == left.size() ? " and " : ", ") + left[i];
    return text;
}

std::string editText(const Grade& before, const Grade& after) {
    const auto changes = diff(before, after);
    if (changes.empty()) {
        if (before == after) return {};
        const auto count = [](const Grade& g) { return stagePlaces(g).size(); };
        return count(after) > count(before)   ? "Add a stage"
               : count(after) < count(before) ? "Delete a stage"
                                              : "Move a stage";
    }
    std::set<CarryPath> stages;
    for (const auto& change : changes) stages.insert({change.path.part, change.path.layer, change.path.stage, ""});
    if (stages.size() > 1) return counted(stages.size(), "stage", "stages") + " changed";
    const CarryPath& path = changes.front().path;
    const auto place = findStage(after, path.stage);
    if (!place) return findStage(before, path.stage) ? "Delete a stage" : "Layer changed";
    const Stage& stage = stageAt(after, *place);
    const std::string title = stageTitle(stage);
    if (changes.size() > 1) return title + ": " + counted(changes.size(), "value", "values");
    if (path.parameter == kEnabledWord) return title + (stage.isEnabled() ? " on" : " off");
    if (path.parameter == kStrengthWord)
        return fmt::format("{}: strength {:.0f}", title, stage.strengthOrFull() * 100);
    const StageType* type = findStageType(stage.type);
    const ParameterType* parameter = type ? type->parameter(path.parameter) : nullptr;
    if (!parameter) return title;
    if (parameter->kind == ParameterKind::CurveShape) {
        const auto curve = [&](const std::optional<Value>& v) { return v ? std::get<Curve>(*v) : Curve{}; };
        return title + ": " + parameter->name + curveWords(curve(changes[0].before), curve(changes[0].after));
    }
    const auto value = stage.parameters.find(path.parameter);
    return title + ": " + parameter->name + " " +
           shownText(*parameter, value == stage.parameters.end() ? parameter->defaultValue : value->second);
}

Grade completed(const Grade& grade) {
    Grade result = grade;
    const Grade whole = startingGrade();
    const auto fill = [&](std::vector<Stage>& stages, const std::vector<Stage>& wanted) {
        std::size_t at = 0;
        for (const Stage& stage : wanted) {
            const auto found =
                std::find_if(stages.begin(), stages.end(), [&](const Stage& s) { return s.type == stage.type; });
            if (found != stages.end()) {
                at = static_cast<std::size_t>(found - stages.begin()) + 1;
                continue;
            }
            Stage made = makeStage(result, stage.type);
            stages.insert(stages.begin() + static_cast<std::ptrdiff_t>(at++), std::move(made));
        }
    };
    fill(result.prep, whole.prep);
    fill(result.finish, whole.finish);
    if (result.look.empty()) result.look = whole.look;
    return result;
}

} // namespace baryton
