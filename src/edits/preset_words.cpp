#include "edits/preset_words.h"
#include "base/words.h"
#include "stages/finish_order.h"

#include <algorithm>
#include <fmt/format.h>
#include <set>

namespace baryton {

namespace {

std::string valuesIn(std::size_t n) {
    return n == 1 ? words("1 value") : inWords("{} values", n);
}

std::string stagesIn(std::size_t n) {
    return n == 1 ? words("1 stage") : inWords("{} stages", n);
}

/// A stage's name within a sentence: lower case in English; other languages have rules of their own.
std::string lowered(std::string text) {
    const bool isEnglish = words(" and ") == " and ";
    if (isEnglish && !text.empty()) text[0] = static_cast<char>(std::tolower(static_cast<unsigned char>(text[0])));
    return text;
}

/// What became of a curve, in levels of 0…255: "RGB point 2 to 64 → 48".
std::string curveWords(const std::string& name, Curve before, Curve after) {
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
        return different == 1 ? inWords("{} point {} to {}", name, first + 1, at(after[first]))
                              : inWords("{} {} points", name, different);
    const bool oneMore = longer.size() == shorter.size() + 1 &&
                         std::equal(longer.begin() + static_cast<std::ptrdiff_t>(first) + 1, longer.end(),
                                    shorter.begin() + static_cast<std::ptrdiff_t>(first));
    if (!oneMore) return inWords("{} curve", name);
    return after.size() > before.size() ? inWords("{} point added at {}", name, at(longer[first]))
                                        : inWords("{} point removed at {}", name, at(longer[first]));
}

} // namespace

std::string accountOf(const Preset& preset) {
    const auto carried = presentIn(preset.carried);
    std::set<std::pair<std::string, std::string>> stages; // layer and stage: ids may be empty or repeat over layers
    for (const auto& path : carried)
        if (!path.stage.empty()) stages.insert({path.layer, path.stage});
    std::string text = inWords("sets {} in {}", valuesIn(carried.size()), stagesIn(stages.size()));
    std::vector<std::string> left;
    for (const Stage& stage : startingGrade().prep) {
        const bool isCarried = std::any_of(preset.carried.prep.begin(), preset.carried.prep.end(),
                                           [&](const Stage& s) { return s.type == stage.type; });
        if (!isCarried) left.push_back(lowered(stageTitle(stage)));
    }
    for (std::size_t i = 0; i < left.size(); ++i)
        text += (i == 0 ? words(", leaves ") : i + 1 == left.size() ? words(" and ") : ", ") + left[i];
    return text;
}

std::string editText(const Grade& before, const Grade& after) {
    const auto changes = diff(before, after);
    if (changes.empty()) {
        if (before == after) return {};
        const auto count = [](const Grade& g) { return stagePlaces(g).size(); };
        return count(after) > count(before)   ? words("Add a stage")
               : count(after) < count(before) ? words("Delete a stage")
                                              : words("Move a stage");
    }
    std::set<CarryPath> stages;
    for (const auto& change : changes) stages.insert({change.path.part, change.path.layer, change.path.stage, ""});
    if (stages.size() > 1) return inWords("{} stages changed", stages.size());
    const CarryPath& path = changes.front().path;
    const auto place = findStage(after, path.stage);
    if (!place) return findStage(before, path.stage) ? words("Delete a stage") : words("Layer changed");
    const Stage& stage = stageAt(after, *place);
    const std::string title = stageTitle(stage);
    if (changes.size() > 1) return title + ": " + valuesIn(changes.size());
    if (path.parameter == kEnabledWord) return stage.isEnabled() ? inWords("{} on", title) : inWords("{} off", title);
    if (path.parameter == kStrengthWord) return inWords("{}: strength {:.0f}", title, stage.strengthOrFull() * 100);
    const StageType* type = findStageType(stage.type);
    const ParameterType* parameter = type ? type->parameter(path.parameter) : nullptr;
    if (!parameter) return title;
    if (parameter->kind == ParameterKind::CurveShape) {
        const auto curve = [&](const std::optional<Value>& v) {
            return std::get<Curve>(v.value_or(parameter->defaultValue));
        };
        return title + ": " + curveWords(parameter->name, curve(changes[0].before), curve(changes[0].after));
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
    orderFinish(result);
    if (result.look.empty()) result.look = whole.look;
    return result;
}

} // namespace baryton
