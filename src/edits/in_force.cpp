#include "edits/in_force.h"
#include "base/first_free.h"
#include "edits/apply_strength.h"
#include "edits/carry_over.h"
#include "edits/framed_masks.h"
#include "edits/preset_words.h"
#include "stages/validate.h"

#include <algorithm>
#include <map>
#include <set>

namespace baryton {

namespace {

Layer* layerOf(Grade& grade, const std::string& id) {
    const auto at = std::find_if(grade.look.begin(), grade.look.end(), [&](const Layer& l) { return l.id == id; });
    return at == grade.look.end() ? nullptr : &*at;
}

Stage* stageOf(Grade& grade, const std::string& id) {
    const auto at = findStage(grade, id);
    return at ? &stageAt(grade, *at) : nullptr;
}

/// Whether what the path means is there at all.
bool exists(Grade& grade, const CarryPath& path) {
    return path.stage.empty() ? layerOf(grade, path.layer) != nullptr : stageOf(grade, path.stage) != nullptr;
}

/// The value of a path, nothing at its default.
std::optional<Value> valueAt(Grade& grade, const CarryPath& path) {
    if (path.stage.empty()) {
        const Layer* layer = layerOf(grade, path.layer);
        const auto* field = layer ? ownField(*layer, path.parameter) : nullptr;
        return field ? field->get(*layer) : std::nullopt;
    }
    const Stage* stage = stageOf(grade, path.stage);
    if (!stage) return std::nullopt;
    if (const auto* field = ownField(*stage, path.parameter)) return field->get(*stage);
    const auto at = stage->parameters.find(path.parameter);
    return at == stage->parameters.end() ? std::nullopt : std::optional(at->second);
}

void setAt(Grade& grade, const CarryPath& path, const std::optional<Value>& value) {
    if (path.stage.empty()) {
        Layer* layer = layerOf(grade, path.layer);
        if (const auto* field = layer ? ownField(*layer, path.parameter) : nullptr) field->set(*layer, value);
        return;
    }
    Stage* stage = stageOf(grade, path.stage);
    if (!stage) return;
    if (const auto* field = ownField(*stage, path.parameter))
        field->set(*stage, value);
    else if (value)
        stage->parameters[path.parameter] = *value;
    else
        stage->parameters.erase(path.parameter);
}

/// The paths of a made stage or layer, with the values it was made with.
std::vector<Change> madeValues(const InForce& preset) {
    std::vector<Change> values;
    for (const Stage& stage : preset.madeStages) {
        for (const auto& field : ownFieldsOf(stage))
            if (auto value = field.get(stage)) values.push_back({{Part::Look, "", stage.id, field.word}, {}, value});
        for (const auto& [id, value] : stage.parameters)
            values.push_back({{Part::Look, "", stage.id, id}, {}, value});
    }
    return values;
}

bool samePath(const CarryPath& a, const CarryPath& b) {
    return a.stage == b.stage && a.parameter == b.parameter && (!a.stage.empty() || a.layer == b.layer);
}

/// The first of the presets after `index` that set a path.
Change* laterSetter(std::vector<InForce>& all, std::size_t index, const CarryPath& path) {
    for (std::size_t i = index + 1; i < all.size(); ++i)
        for (Change& change : all[i].set)
            if (samePath(change.path, path)) return &change;
    return nullptr;
}

bool isEmptied(const Stage& stage) {
    return !hasOwnFields(stage) && stage.parameters.empty();
}

std::vector<Stage>* runOf(Grade& grade, const std::string& stageId) {
    const auto at = findStage(grade, stageId);
    return at ? &stagesOf(grade, *at) : nullptr;
}

/// Fills in what the step from one grade to the other did.
void record(InForce& entry, const Grade& before, const Grade& after) {
    entry.set.clear();
    entry.madeStages.clear();
    entry.madeLayers.clear();
    Grade old = before, now = after;
    for (Change& change : diff(before, after)) {
        const CarryPath& path = change.path;
        if (!exists(old, path) || !exists(now, path)) continue;
        change.before = valueAt(old, path);
        change.after = valueAt(now, path);
        entry.set.push_back(std::move(change));
    }
    for (const StagePlace& place : stagePlaces(after))
        if (const Stage& stage = stageAt(after, place); !findStage(before, stage.id))
            entry.madeStages.push_back(stage);
    bool first = true;
    for (std::size_t i = 0; i < after.look.size(); ++i) {
        const Layer& layer = after.look[i];
        if (layerOf(old, layer.id)) continue;
        if (first) entry.place = i;
        first = false;
        Layer made = layer;
        made.stages.clear();
        entry.madeLayers.push_back(std::move(made));
    }
    if (first && !entry.isOn) entry.place = after.look.size();
    const bool replacesLook = entry.mode == ApplyMode::Replace && !entry.preset.carried.look.empty();
    entry.replacedLook = replacesLook ? before.look : std::vector<Layer>{};
}

/// The ids of the layers and of what stands in them.
std::set<std::string> idsOf(const std::vector<Layer>& look) {
    std::set<std::string> ids;
    for (const Layer& layer : look) {
        ids.insert(layer.id);
        for (const Stage& stage : layer.stages) ids.insert(stage.id);
    }
    return ids;
}

/// Gives layers and stages whose id is taken another one; from the old one to the new.
std::map<std::string, std::string> renameTaken(std::vector<Layer>& look, std::set<std::string> taken) {
    const std::set<std::string> own = idsOf(look), others = taken;
    taken.insert(own.begin(), own.end());
    std::map<std::string, std::string> renamed;
    const auto rename = [&](std::string& id, const std::string& stem) {
        if (!others.contains(id)) return;
        const std::string fresh = firstFree([&](int n) { return stem + "-" + std::to_string(n); },
                                            [&](const std::string& each) { return taken.contains(each); });
        taken.insert(fresh);
        renamed[id] = fresh;
        id = fresh;
    };
    for (Layer& layer : look) {
        rename(layer.id, "layer");
        for (Stage& stage : layer.stages) rename(stage.id, stage.type);
    }
    return renamed;
}

/// Lets a record speak of layers and stages by their new ids.
void follow(InForce& entry, const std::map<std::string, std::string>& renamed) {
    const auto to = [&](std::string& id) {
        if (const auto at = renamed.find(id); at != renamed.end()) id = at->second;
    };
    for (Change& change : entry.set)
        if (change.path.part == Part::Look) to(change.path.layer), to(change.path.stage);
    for (Stage& stage : entry.madeStages) to(stage.id);
    for (Layer& layer : entry.madeLayers) to(layer.id);
}

/// Undoes what the record says, as far as nobody changed it since, and lets later records start from what was there.
void revert(PictureWork& work, std::size_t index) {
    InForce entry = work.inForce[index];
    Grade& grade = work.grade;
    for (const Change& change : entry.set) {
        if (Change* later = laterSetter(work.inForce, index, change.path)) {
            if (later->before == change.after) later->before = change.before;
        } else if (exists(grade, change.path) && valueAt(grade, change.path) == change.after) {
            setAt(grade, change.path, change.before);
        }
    }
    for (const Change& change : madeValues(entry)) {
        if (Change* later = laterSetter(work.inForce, index, change.path)) {
            if (later->before == change.after) later->before.reset();
        } else if (valueAt(grade, change.path) == change.after) {
            setAt(grade, change.path, std::nullopt);
        }
    }
    for (const Stage& made : entry.madeStages)
        if (auto* run = runOf(grade, made.id))
            std::erase_if(*run, [&](const Stage& s) { return s.id == made.id && isEmptied(s); });
    for (const Layer& made : entry.madeLayers)
        std::erase_if(grade.look, [&](const Layer& l) { return l.id == made.id && l.stages.empty(); });
    if (entry.mode == ApplyMode::Replace && entry.isOn) {
        // Since it was put aside, others may have been given its ids.
        std::set<std::string> taken = idsOf(grade.look);
        for (const auto* stages : {&grade.prep, &grade.finish})
            for (const Stage& stage : *stages) taken.insert(stage.id);
        const auto renamed = renameTaken(entry.replacedLook, std::move(taken));
        for (std::size_t i = 0; i < index; ++i) follow(work.inForce[i], renamed);
        for (InForce& each : work.inForce[index].replaced) follow(each, renamed);
        grade.look.insert(grade.look.begin(), entry.replacedLook.begin(), entry.replacedLook.end());
        // What was put on later stands above the Look that comes back.
        for (std::size_t i = index + 1; i < work.inForce.size(); ++i)
            work.inForce[i].place += entry.replacedLook.size();
    }
    grade = repaired(completed(grade)); // a record read from a file may hold anything
    work.inForce[index].set.clear();
    work.inForce[index].madeStages.clear();
    work.inForce[index].madeLayers.clear();
    work.inForce[index].replacedLook.clear();
}

/// The layers that a record made, moved to where they stood before.
void moveLayersTo(Grade& grade, const InForce& entry, std::size_t place) {
    std::vector<Layer> moved;
    for (const Layer& made : entry.madeLayers) {
        const auto at =
            std::find_if(grade.look.begin(), grade.look.end(), [&](const Layer& l) { return l.id == made.id; });
        if (at == grade.look.end()) continue;
        moved.push_back(std::move(*at));
        grade.look.erase(at);
    }
    const auto to = static_cast<std::ptrdiff_t>(std::min(place, grade.look.size()));
    grade.look.insert(grade.look.begin() + to, moved.begin(), moved.end());
}

} // namespace

PictureWork withPreset(const PictureWork& work, const Preset& preset, ApplyMode mode, double strength) {
    PictureWork next = work;
    next.grade = completed(next.grade);
    if (mode != ApplyMode::AddAbove)
        for (std::size_t i = next.inForce.size(); i-- > 0;)
            if (next.inForce[i].preset.name == preset.name && next.inForce[i].mode == mode)
                next = withoutPreset(next, i);
    InForce entry;
    entry.preset = preset;
    entry.preset.covers.clear(); // for the library; a grade has the picture itself
    entry.mode = mode;
    entry.strength = strength;
    const Grade before = next.grade;
    next.grade = completed(appliedWithStrength(before, preset, mode, strength));
    if (next.grade == before) return next;
    if (hasDrawnMasks(preset)) entry.laidIn = frameOnly(next.grade);
    record(entry, before, next.grade);
    if (!entry.replacedLook.empty()) {
        entry.replaced = std::move(next.inForce);
        next.inForce.clear();
    }
    next.inForce.push_back(std::move(entry));
    return next;
}

PictureWork withoutPreset(const PictureWork& work, std::size_t index) {
    if (index >= work.inForce.size()) return work;
    PictureWork next = work;
    if (next.inForce[index].isOn) revert(next, index);
    const std::vector<InForce> back = next.inForce[index].replaced;
    const auto at = next.inForce.erase(next.inForce.begin() + static_cast<std::ptrdiff_t>(index));
    next.inForce.insert(at, back.begin(), back.end());
    return next;
}

PictureWork withPresetChanged(const PictureWork& work, std::size_t index, const InForce& wanted) {
    if (index >= work.inForce.size()) return work;
    PictureWork next = work;
    const std::size_t place = next.inForce[index].place;
    if (next.inForce[index].isOn) revert(next, index);
    InForce& entry = next.inForce[index];
    if (entry.preset != wanted.preset) entry.laidIn.reset();
    entry.preset = wanted.preset;
    entry.mode = wanted.mode;
    entry.strength = wanted.strength;
    entry.isOn = wanted.isOn;
    if (!entry.isOn) return next;
    // A Replace keeps what was put on above it: only the Look below its old place is replaced.
    Grade above;
    if (entry.mode == ApplyMode::Replace) {
        std::vector<std::string> later;
        for (std::size_t i = index + 1; i < next.inForce.size(); ++i)
            for (const Layer& layer : next.inForce[i].madeLayers) later.push_back(layer.id);
        std::erase_if(next.grade.look, [&](const Layer& l) {
            if (std::find(later.begin(), later.end(), l.id) == later.end()) return false;
            above.look.push_back(l);
            return true;
        });
    }
    // What was set later is put aside: this preset goes onto what was there before, and what was set later onto it.
    Grade before = next.grade;
    std::vector<std::pair<Change*, std::optional<Value>>> held;
    for (std::size_t i = index + 1; i < next.inForce.size(); ++i)
        for (Change& change : next.inForce[i].set)
            if (laterSetter(next.inForce, index, change.path) == &change && exists(before, change.path)) {
                held.emplace_back(&change, valueAt(before, change.path));
                setAt(before, change.path, change.before);
            }
    Grade after = appliedWithStrength(before, entry.preset, entry.mode, entry.strength, entry.laidIn);
    if (hasDrawnMasks(entry.preset) && !entry.laidIn) entry.laidIn = frameOnly(after);
    renameTaken(after.look, idsOf(above.look));
    record(entry, before, after);
    if (entry.mode == ApplyMode::Replace)
        after.look.insert(after.look.end(), above.look.begin(), above.look.end());
    else
        moveLayersTo(after, entry, place);
    entry.place = entry.mode == ApplyMode::Replace ? 0 : place;
    for (auto& [later, value] : held) {
        later->before = valueAt(after, later->path);
        setAt(after, later->path, value);
    }
    next.grade = repaired(completed(after));
    return next;
}

bool isChangedSince(const PictureWork& work, std::size_t index) {
    PictureWork now = work;
    const InForce& entry = now.inForce.at(index);
    if (!entry.isOn) return false;
    const auto differs = [&](const Change& change) {
        return !laterSetter(now.inForce, index, change.path) && !(valueAt(now.grade, change.path) == change.after);
    };
    const auto made = madeValues(entry);
    if (std::any_of(entry.set.begin(), entry.set.end(), differs)) return true;
    if (std::any_of(made.begin(), made.end(), differs)) return true;
    return std::any_of(entry.madeLayers.begin(), entry.madeLayers.end(), [&](const Layer& was) {
        const Layer* layer = layerOf(now.grade, was.id);
        const auto& fields = ownFieldsOf(was);
        return !layer ||
               std::any_of(fields.begin(), fields.end(), [&](const auto& f) { return f.get(*layer) != f.get(was); });
    });
}

Preset presetAsWorn(const PictureWork& work, std::size_t index) {
    const InForce& entry = work.inForce.at(index);
    Grade grade = work.grade;
    if (entry.mode == ApplyMode::AddAbove) {
        // Its own layers, under the names that they have in the preset.
        grade.look.clear();
        for (std::size_t i = 0; i < std::min(entry.madeLayers.size(), entry.preset.carried.look.size()); ++i)
            for (const Layer& layer : work.grade.look)
                if (layer.id == entry.madeLayers[i].id) {
                    grade.look.push_back(layer);
                    grade.look.back().name = entry.preset.carried.look[i].name;
                }
    }
    // Masks that nobody touched are those of the preset, as long as the frame is the one that they were laid into.
    const Grade frame = frameOnly(work.grade);
    const std::vector<Layer> laid = masksInPicture(entry.preset.carried.look, frame);
    std::vector<Layer> framed = masksInFrame(grade.look, frame);
    for (std::size_t l = 0; l < framed.size() && entry.laidIn == frame; ++l)
        for (std::size_t i = 0; i < laid.size(); ++i)
            if (grade.look[l].mask == laid[i].mask) framed[l].mask = entry.preset.carried.look[i].mask;
    grade.look = std::move(framed);
    return savedOver(entry.preset, grade);
}

PictureWork withPresetSavedOver(const PictureWork& work, std::size_t index, const Preset& preset) {
    PictureWork next = work;
    InForce& entry = next.inForce.at(index);
    entry.preset = preset;
    entry.preset.covers.clear();
    if (hasDrawnMasks(preset)) entry.laidIn = frameOnly(next.grade);
    for (Change& change : entry.set)
        if (!laterSetter(next.inForce, index, change.path)) change.after = valueAt(next.grade, change.path);
    for (Stage& made : entry.madeStages)
        if (const Stage* now = stageOf(next.grade, made.id)) made = *now;
    return next;
}

PictureWork withoutSpentPresets(const PictureWork& work) {
    PictureWork next = work;
    std::vector<InForce> left;
    for (std::size_t i = 0; i < work.inForce.size(); ++i) {
        const InForce& entry = work.inForce[i];
        const auto stands = [&](const Change& change) {
            return laterSetter(next.inForce, i, change.path) ||
                   (exists(next.grade, change.path) && valueAt(next.grade, change.path) == change.after);
        };
        const auto made = madeValues(entry);
        const bool trace = std::any_of(entry.set.begin(), entry.set.end(), stands) ||
                           std::any_of(made.begin(), made.end(), stands) ||
                           std::any_of(entry.madeStages.begin(), entry.madeStages.end(),
                                       [&](const Stage& s) { return findStage(next.grade, s.id).has_value(); });
        if (!entry.isOn || trace) left.push_back(entry);
    }
    next.inForce = std::move(left);
    return next;
}

} // namespace baryton
