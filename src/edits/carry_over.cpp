#include "edits/carry_over.h"
#include "grade/mask_links.h"

#include <algorithm>
#include <map>

namespace baryton {

namespace {

/// The layer and stage of `target` that stand for a stage of `grade`.
std::optional<StagePlace> counterpart(const Grade& target, const Grade& grade, const StagePlace& place) {
    const Stage& wanted = stageAt(grade, place);
    std::size_t k = 0; // which of its type it is, in its layer or part
    std::vector<StagePlace> found;
    for (const StagePlace& p : stagePlaces(grade))
        if (p.part == place.part && p.layer == place.layer && p.index < place.index)
            k += stageAt(grade, p).type == wanted.type;
    for (const StagePlace& p : stagePlaces(target)) {
        const Stage& stage = stageAt(target, p);
        if (p.part != place.part || stage.type != wanted.type) continue;
        if (p.part == Part::Look && target.look[p.layer].name != grade.look[place.layer].name) continue;
        if (!wanted.label.empty() && stage.label == wanted.label) return p;
        found.push_back(p);
    }
    if (k < found.size()) return found[k];
    return {};
}

bool has(const Grade& grade, const std::string& stageId) {
    return findStage(grade, stageId).has_value();
}

bool hasLayer(const Grade& grade, const std::string& name) {
    return std::any_of(grade.look.begin(), grade.look.end(), [&](const Layer& l) { return l.name == name; });
}
/// Takes what `carried` carries of its own from how it is now.
template <class Item>
void saveOwnFieldsOver(Item& carried, const Item& now) {
    for (const auto& field : ownFieldsOf(carried))
        if (field.get(carried)) field.set(carried, field.getOrDefault(now));
}
Layer& layerNamed(Grade& grade, const std::string& name) {
    return *std::find_if(grade.look.begin(), grade.look.end(), [&](const Layer& l) { return l.name == name; });
}

/// Masks that were carried and are linked to layers which were not: to those that stand for them by name, where there
/// are any. What carries masks alone leaves copies there.
void linkAgain(Grade& target, const std::vector<Layer>& carried, const std::vector<Layer>& from) {
    std::map<std::string, std::string> ids;
    for (const Layer& layer : from)
        if (hasLayer(target, layer.name)) ids[layer.id] = layerNamed(target, layer.name).id;
    for (const Layer& layer : carried) {
        const auto source = std::find_if(from.begin(), from.end(), [&](const Layer& l) { return l.id == layer.id; });
        if (!layer.mask || source == from.end() || !source->mask || !hasLayer(target, layer.name)) continue;
        const auto links = linksOf(*source->mask);
        if (links.empty() ||
            std::any_of(links.begin(), links.end(), [&](const auto& id) { return !ids.contains(id); }))
            continue;
        Layer& to = layerNamed(target, layer.name);
        to.mask = *source->mask;
        renameLinks(*to.mask, ids);
    }
}

} // namespace

Preset presetOfChanges(const Grade& before, const Grade& after) {
    IncludeSet include;
    for (const Change& change : diff(before, after)) include.push_back(change.path);
    Preset preset;
    preset.carried = carve(after, include, defaultsFor(after));
    // A stage that was added with nothing set yet is carried as it is.
    for (const StagePlace& place : stagePlaces(after)) {
        const Stage& stage = stageAt(after, place);
        if (has(before, stage.id) || has(preset.carried, stage.id)) continue;
        if (place.part == Part::Prep) preset.carried.prep.push_back(stage);
        if (place.part == Part::Finish) preset.carried.finish.push_back(stage);
        if (place.part != Part::Look) continue;
        const Layer& layer = after.look[place.layer];
        auto& look = preset.carried.look;
        auto at = std::find_if(look.begin(), look.end(), [&](const Layer& l) { return l.id == layer.id; });
        if (at == look.end()) {
            Layer made;
            made.id = layer.id, made.name = layer.name;
            at = look.insert(look.end(), std::move(made));
        }
        at->stages.push_back(stage);
    }
    return preset;
}

Grade carriedOver(const Grade& target, const Grade& before, const Grade& after) {
    const bool sameLook = target.look == before.look;
    Preset preset = presetOfChanges(before, after);
    if (sameLook) preset.carried.look.clear();
    Grade result = target;
    for (const StagePlace& place : stagePlaces(before)) {
        if ((sameLook && place.part == Part::Look) || has(after, stageAt(before, place).id)) continue;
        if (const auto gone = counterpart(target, before, place)) {
            const std::string& id = stageAt(target, *gone).id;
            if (const auto at = findStage(result, id)) {
                auto& stages = stagesOf(result, *at);
                stages.erase(stages.begin() + static_cast<std::ptrdiff_t>(at->index));
            }
        }
    }
    // Added stages go behind the one that they were put behind; the preset alone does not know it.
    std::vector<StagePlace> added;
    for (const StagePlace& place : stagePlaces(after)) {
        const std::string& id = stageAt(after, place).id;
        if (has(before, id) || (sameLook && place.part == Part::Look)) continue;
        if (place.part == Part::Look && !hasLayer(result, after.look[place.layer].name)) continue;
        added.push_back(place);
        if (const auto at = findStage(preset.carried, id)) {
            auto& stages = stagesOf(preset.carried, *at);
            stages.erase(stages.begin() + static_cast<std::ptrdiff_t>(at->index));
        }
    }
    result = applied(result, preset, ApplyMode::Set);
    linkAgain(result, preset.carried.look, after.look);
    for (const StagePlace& place : added) {
        Stage made = stageAt(after, place);
        made.id = freeId(result, made.type);
        auto& stages = place.part == Part::Prep     ? result.prep
                       : place.part == Part::Finish ? result.finish
                                                    : layerNamed(result, after.look[place.layer].name).stages;
        std::size_t at = 0;
        if (place.index > 0) {
            StagePlace ahead = place;
            --ahead.index;
            const auto neighbour = counterpart(result, after, ahead);
            at = neighbour ? neighbour->index + 1 : stages.size();
        }
        stages.insert(stages.begin() + static_cast<std::ptrdiff_t>(at), std::move(made));
    }
    if (sameLook) result.look = after.look;
    return result;
}

Preset savedOver(const Preset& preset, const Grade& grade) {
    Preset next = preset;
    for (const StagePlace& place : stagePlaces(preset.carried)) {
        const auto now = counterpart(grade, preset.carried, place);
        if (!now) continue;
        Stage& carried = stageAt(next.carried, place);
        const Stage& stage = stageAt(grade, *now);
        const StageType* type = findStageType(stage.type);
        for (auto& [id, value] : carried.parameters) {
            const auto set = stage.parameters.find(id);
            const ParameterType* parameter = type ? type->parameter(id) : nullptr;
            if (set != stage.parameters.end())
                value = set->second;
            else if (parameter)
                value = parameter->defaultValue;
        }
        saveOwnFieldsOver(carried, stage);
    }
    for (Layer& carried : next.carried.look) {
        if (!hasLayer(grade, carried.name)) continue;
        const Layer& layer = *std::find_if(grade.look.begin(), grade.look.end(),
                                           [&](const Layer& l) { return l.name == carried.name; });
        saveOwnFieldsOver(carried, layer);
    }
    return next;
}

} // namespace baryton
