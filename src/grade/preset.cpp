#include "grade/preset.h"
#include "grade/mask_links.h"

#include <algorithm>
#include <set>

namespace baryton {

namespace {

void setCarried(Stage& target, const Stage& carried) {
    setOwnFields(target, carried);
    for (const auto& [id, value] : carried.parameters) target.parameters[id] = value;
}

/// The stage of `stages` that `carried[index]` means, or nothing.
std::optional<std::size_t> match(const std::vector<Stage>& stages, const std::vector<Stage>& carried,
                                 std::size_t index) {
    const Stage& wanted = carried[index];
    if (!wanted.label.empty())
        for (std::size_t i = 0; i < stages.size(); ++i)
            if (stages[i].type == wanted.type && stages[i].label == wanted.label) return i;
    std::size_t k = 0;
    for (std::size_t i = 0; i < index; ++i) k += carried[i].type == wanted.type;
    for (std::size_t i = 0; i < stages.size(); ++i)
        if (stages[i].type == wanted.type && k-- == 0) return i;
    return std::nullopt;
}

void setStages(Grade& grade, std::vector<Stage>& stages, const std::vector<Stage>& carried) {
    std::size_t after = 0; // where a stage that is not there yet goes: behind its neighbour in the preset
    for (std::size_t i = 0; i < carried.size(); ++i) {
        if (const auto at = match(stages, carried, i)) {
            setCarried(stages[*at], carried[i]);
            after = *at + 1;
            continue;
        }
        Stage made = carried[i];
        made.id = freeId(grade, made.type);
        // And behind all of its type, so that it is found as the k-th of them another time.
        for (std::size_t k = after; k < stages.size(); ++k)
            if (stages[k].type == made.type) after = k + 1;
        stages.insert(stages.begin() + static_cast<std::ptrdiff_t>(after), std::move(made));
        ++after;
    }
}

} // namespace

std::string applyModeId(ApplyMode mode) {
    return mode == ApplyMode::Set ? "set" : mode == ApplyMode::AddAbove ? "add" : "replace";
}

std::optional<ApplyMode> applyModeFromId(const std::string& id) {
    for (const ApplyMode mode : {ApplyMode::Set, ApplyMode::AddAbove, ApplyMode::Replace})
        if (applyModeId(mode) == id) return mode;
    return std::nullopt;
}

Grade applied(const Grade& grade, const Preset& preset, ApplyMode mode, double strength) {
    Grade result = grade;
    const auto below = static_cast<std::ptrdiff_t>(
        mode == ApplyMode::Replace && !preset.carried.look.empty() ? grade.look.size() : 0);
    if (mode == ApplyMode::Replace && !preset.carried.finish.empty())
        for (Stage& stage : result.finish) {
            stage.enabled.reset();
            stage.strength.reset();
            stage.parameters.clear();
        }
    setStages(result, result.prep, preset.carried.prep);
    std::map<std::string, std::string> newIds; // of the preset's layers, for masks that are linked to them
    std::vector<std::string> masked;
    for (const Layer& carried : preset.carried.look) {
        // Under Replace the old Look stays below until the end, so that its ids are not given again.
        auto at = result.look.end();
        if (mode != ApplyMode::AddAbove)
            at = std::find_if(result.look.begin() + below, result.look.end(),
                              [&](const Layer& l) { return l.name == carried.name; });
        if (at != result.look.end()) {
            newIds[carried.id] = at->id;
            if (carried.mask) masked.push_back(at->id);
            setOwnFields(*at, carried);
            setStages(result, at->stages, carried.stages);
            continue;
        }
        Layer made = carried;
        made.id = freeId(result, "layer");
        newIds[carried.id] = made.id;
        if (carried.mask) masked.push_back(made.id);
        made.stages.clear();
        if (mode == ApplyMode::AddAbove) {
            made.name = preset.carried.look.size() == 1 ? preset.name : preset.name + " · " + carried.name;
            if (strength != 1) made.strength = made.strengthOrFull() * strength;
        }
        result.look.push_back(std::move(made));
        setStages(result, result.look.back().stages, carried.stages);
    }
    for (Layer& layer : result.look)
        if (std::find(masked.begin(), masked.end(), layer.id) != masked.end()) renameLinks(*layer.mask, newIds);
    setStages(result, result.finish, preset.carried.finish);
    result.look.erase(result.look.begin(), result.look.begin() + below);
    return result;
}

namespace {

/// Calls `visit` with the path and the value of everything that is present, in the order it stands in the grade.
template <class Visit>
void visitPresent(const Grade& grade, const Visit& visit) {
    const auto visitOwn = [&](CarryPath path, const auto& item) {
        for (const auto& field : ownFieldsOf(item))
            if (const auto value = field.get(item)) path.parameter = field.word, visit(path, *value);
    };
    const auto visitStage = [&](Part part, const std::string& layer, const Stage& stage) {
        visitOwn({part, layer, stage.id, ""}, stage);
        for (const auto& [id, value] : stage.parameters) visit({part, layer, stage.id, id}, value);
    };
    for (const Stage& stage : grade.prep) visitStage(Part::Prep, "", stage);
    for (const Layer& layer : grade.look) {
        visitOwn({Part::Look, layer.id, "", ""}, layer);
        for (const Stage& stage : layer.stages) visitStage(Part::Look, layer.id, stage);
    }
    for (const Stage& stage : grade.finish) visitStage(Part::Finish, "", stage);
}

} // namespace

IncludeSet presentIn(const Grade& grade) {
    IncludeSet set;
    visitPresent(grade, [&](CarryPath path, const Value&) { set.push_back(std::move(path)); });
    return set;
}

Grade carve(const Grade& grade, const IncludeSet& include,
            const std::map<std::string, std::map<std::string, Value>>& defaults) {
    const std::set<CarryPath> wanted(include.begin(), include.end());
    const auto carveStage = [&](Part part, const std::string& layer, const Stage& stage, std::vector<Stage>& out) {
        Stage carved;
        carved.id = stage.id;
        carved.type = stage.type;
        carved.label = stage.label;
        bool any = false;
        const auto has = [&](const std::string& word) {
            const bool found = wanted.contains({part, layer, stage.id, word});
            any = any || found;
            return found;
        };
        for (const auto& field : ownFieldsOf(stage))
            if (has(field.word)) field.set(carved, field.getOrDefault(stage));
        for (const auto& [id, value] : stage.parameters)
            if (has(id)) carved.parameters[id] = value;
        if (const auto known = defaults.find(stage.id); known != defaults.end())
            for (const auto& [id, value] : known->second)
                if (!stage.parameters.contains(id) && has(id)) carved.parameters[id] = value;
        if (any) out.push_back(std::move(carved));
    };
    Grade result;
    for (const auto& stage : grade.prep) carveStage(Part::Prep, "", stage, result.prep);
    for (const auto& layer : grade.look) {
        Layer carved;
        carved.id = layer.id;
        carved.name = layer.name;
        for (const auto& field : ownFieldsOf(layer))
            if (wanted.contains({Part::Look, layer.id, "", field.word})) field.set(carved, field.getOrDefault(layer));
        for (const auto& stage : layer.stages) carveStage(Part::Look, layer.id, stage, carved.stages);
        if (hasOwnFields(carved) || !carved.stages.empty()) result.look.push_back(std::move(carved));
    }
    for (const auto& stage : grade.finish) carveStage(Part::Finish, "", stage, result.finish);
    cutLinksOutOf(result.look, grade.look); // a layer that is not carried can't be linked to
    return result;
}

Preset withoutEntries(const Preset& preset, const IncludeSet& gone) {
    IncludeSet left;
    for (const CarryPath& path : presentIn(preset.carried))
        if (std::find(gone.begin(), gone.end(), path) == gone.end()) left.push_back(path);
    Preset next = preset;
    next.carried = carve(preset.carried, left, {});
    next.carried.unknown = preset.carried.unknown;
    return next;
}

Preset withEntry(const Preset& preset, const CarryPath& path, const Value& value) {
    Preset next = preset;
    const auto carried = presentIn(preset.carried);
    if (std::find(carried.begin(), carried.end(), path) == carried.end()) return next;
    const auto set = [&](auto& item) {
        const auto* field = ownField(item, path.parameter);
        if (field && field->defaultValue.index() == value.index()) field->set(item, value);
    };
    if (path.stage.empty()) {
        for (Layer& layer : next.carried.look)
            if (layer.id == path.layer) set(layer);
        return next;
    }
    if (const auto place = findStage(next.carried, path.stage)) {
        Stage& stage = stageAt(next.carried, *place);
        set(stage);
        if (const auto at = stage.parameters.find(path.parameter); at != stage.parameters.end()) at->second = value;
    }
    return next;
}

std::vector<Change> diff(const Grade& before, const Grade& after) {
    const auto values = [](const Grade& grade) {
        std::map<CarryPath, Value> all;
        visitPresent(grade, [&](CarryPath path, const Value& value) { all[std::move(path)] = value; });
        return all;
    };
    const auto old = values(before), now = values(after);
    std::vector<Change> changes;
    for (const auto& [path, value] : old) {
        const auto at = now.find(path);
        if (at == now.end())
            changes.push_back({path, value, std::nullopt});
        else if (!(at->second == value))
            changes.push_back({path, value, at->second});
    }
    for (const auto& [path, value] : now)
        if (!old.contains(path)) changes.push_back({path, std::nullopt, value});
    return changes;
}

} // namespace baryton
