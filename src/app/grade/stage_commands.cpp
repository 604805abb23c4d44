#include "app/grade/stage_commands.h"
#include "base/error.h"
#include "base/first_free.h"
#include "base/words.h"
#include "grade/mask_links.h"
#include "lut/lut_file.h"
#include "stages/finish_order.h"
#include "stages/lens.h"
#include "stages/raw.h"
#include "stages/stage_type.h"

#include <algorithm>

namespace baryton {

namespace {

void insertInPrep(std::vector<Stage>& stages, Stage stage) {
    // How far ahead a kind stands: the file, the lens, the frame, what looks at neighbours, colours.
    const auto rank = [](const Stage& which) {
        const StageType* each = findStageType(which.type);
        if (!each || which.type == kRawType) return 0;
        if (each->footprint == Footprint::Source) return which.type == kLensType ? 1 : 2;
        return each->footprint == Footprint::Narrow ? 3 : 4;
    };
    const auto where = std::find_if(stages.begin(), stages.end(),
                                    [&, own = rank(stage)](const Stage& each) { return rank(each) > own; });
    stages.insert(where, std::move(stage));
}

} // namespace

void putStage(Grade& grade, Stage stage, Part part, AddAt at, const std::string& chosen) {
    if (part == Part::Prep) return insertInPrep(grade.prep, std::move(stage));
    if (part == Part::Finish) {
        grade.finish.push_back(std::move(stage));
        return orderFinish(grade);
    }
    // Into the layer that is worked in, behind the chosen stage.
    const auto place = findStage(grade, chosen);
    const auto layer =
        std::find_if(grade.look.begin(), grade.look.end(), [&](const Layer& each) { return each.id == chosen; });
    if (at == AddAt::Chosen && layer != grade.look.end()) {
        layer->stages.push_back(std::move(stage));
    } else if (at == AddAt::Chosen && place && place->part == Part::Look) {
        auto& stages = grade.look[place->layer].stages;
        stages.insert(stages.begin() + static_cast<std::ptrdiff_t>(place->index) + 1, std::move(stage));
    } else {
        grade.look.back().stages.push_back(std::move(stage));
    }
}

void addStage(AppState& state, const std::string& type, AddAt at, std::optional<Part> wanted) {
    if (!state.hasKey()) return;
    Grade next = state.keyGrade();
    if (next.look.empty()) next.look = startingGrade().look;
    Stage stage = makeStage(next, type);
    stage.parameters = findStageType(type)->starters;
    const std::string id = stage.id;
    const Part part = wanted.value_or(findStageType(type)->usualPart());
    if (part != Part::Look)
        for (const Stage& there : part == Part::Prep ? next.prep : next.finish)
            if (there.type == type) return state.chooseStage(there.id);
    putStage(next, std::move(stage), part, at, state.chosenStage());
    state.editKey(next);
    state.chooseStage(id);
}

void addLutStage(AppState& state, const std::filesystem::path& file) {
    const ParsedLut lut = readLutFile(file);
    if (!state.hasKey())
        throw Error(file.string(), "", words("there is no picture to wear the LUT"), words("open a picture first"));
    addStage(state, "lut");
    state.editStage(state.chosenStage(), {}, [&](Stage& stage) {
        stage.parameters["file"] = LutContent{file.filename().string(), std::make_shared<const LutTable>(lut.table)};
    });
    for (const auto& remark : lut.remarks) state.tell(QString::fromStdString(remark));
}

bool canAddStage(const StageType& type, Part part) {
    if (!type.standsIn(part)) return false;
    if (part != Part::Prep) return true;
    if (type.id == kRawType) return false; // it comes with the raw file
    const auto& always = startingGrade().prep;
    return std::none_of(always.begin(), always.end(), [&](const Stage& s) { return s.type == type.id; });
}

std::vector<StageOffer> stageOffers() {
    std::vector<StageOffer> offers;
    for (const StageType* type : stageTypes()) {
        const QString name = QString::fromStdString(type->name);
        const Part usual = type->usualPart();
        if (!canAddStage(*type, usual)) continue;
        offers.push_back({type, usual,
                          usual == Part::Look   ? name
                          : usual == Part::Prep ? AppState::tr("%1 (Prep)").arg(name)
                                                : AppState::tr("%1 (Finish)").arg(name)});
        if (usual == Part::Finish && type->standsIn(Part::Look))
            offers.push_back({type, Part::Look, AppState::tr("%1 (in the layer)").arg(name)});
    }
    return offers;
}

bool holds(const Grade& grade, Part part, const std::string& type) {
    if (part == Part::Look) return false;
    const auto& stages = part == Part::Prep ? grade.prep : grade.finish;
    return std::any_of(stages.begin(), stages.end(), [&](const Stage& s) { return s.type == type; });
}

bool canAddTo(const Grade& grade, Part part) {
    return std::any_of(stageTypes().begin(), stageTypes().end(), [&](const StageType* type) {
        return canAddStage(*type, part) && !holds(grade, part, type->id);
    });
}

bool canRemoveStage(const Grade& grade, const StagePlace& place) {
    if (place.part == Part::Look) return true;
    if (stageAt(grade, place).type == kRawType) return false;
    const Grade bare = startingGrade();
    const auto& always = place.part == Part::Prep ? bare.prep : bare.finish;
    return std::none_of(always.begin(), always.end(),
                        [&](const Stage& s) { return s.type == stageAt(grade, place).type; });
}

void removeStage(AppState& state, const std::string& stageId) {
    Grade next = state.keyGrade();
    const auto place = findStage(next, stageId);
    if (!place || !canRemoveStage(next, *place)) return;
    auto& stages = stagesOf(next, *place);
    stages.erase(stages.begin() + static_cast<std::ptrdiff_t>(place->index));
    state.editKey(next);
    const auto left = stagePlaces(state.keyGrade());
    if (!left.empty())
        state.chooseStage(stageAt(state.keyGrade(), left[std::min(left.size() - 1, std::size_t(2))]).id);
}

void replaceStage(AppState& state, const std::string& stageId, const std::vector<Stage>& others) {
    Grade next = state.keyGrade();
    const auto place = findStage(next, stageId);
    if (!place || place->part != Part::Look || others.empty()) return;
    auto& stages = stagesOf(next, *place);
    stages.erase(stages.begin() + static_cast<std::ptrdiff_t>(place->index));
    std::string first;
    for (std::size_t i = 0; i < others.size(); ++i) {
        Stage stage = others[i];
        stage.id = freeId(next, stage.type);
        if (i == 0) first = stage.id;
        stages.insert(stages.begin() + static_cast<std::ptrdiff_t>(place->index + i), std::move(stage));
    }
    state.editKey(next);
    state.chooseStage(first);
}

void duplicateStage(AppState& state, const std::string& stageId) {
    Grade next = state.keyGrade();
    const auto place = findStage(next, stageId);
    if (!place || place->part != Part::Look) return;
    Stage copy = stageAt(next, *place);
    copy.id = freeId(next, copy.type);
    const std::string id = copy.id;
    auto& stages = stagesOf(next, *place);
    stages.insert(stages.begin() + static_cast<std::ptrdiff_t>(place->index) + 1, std::move(copy));
    state.editKey(next);
    state.chooseStage(id);
}

namespace {

void makeBare(Stage& stage) {
    stage.parameters.clear();
    stage.strength.reset();
    stage.enabled.reset();
}

const Layer* layerOf(const Grade& grade, const std::string& id) {
    for (const Layer& layer : grade.look)
        if (layer.id == id ||
            std::any_of(layer.stages.begin(), layer.stages.end(), [&](const Stage& stage) { return stage.id == id; }))
            return &layer;
    return nullptr;
}

/// What a part becomes: as it was opened, or bare where it already is that.
template <class Content>
Content resetOf(const Content& now, const Content& opened, const Content& bare) {
    return now == opened ? bare : opened;
}

} // namespace

void resetStage(AppState& state, const std::string& stageId) {
    if (!state.hasKey()) return;
    const Grade& opened = state.pictures().at(state.key()).opened;
    const auto then = findStage(opened, stageId), now = findStage(state.keyGrade(), stageId);
    if (!now) return;
    const bool asOpened = then && stageAt(opened, *then) == stageAt(state.keyGrade(), *now);
    state.editStage(stageId, {}, [&](Stage& stage) {
        if (then && !asOpened) {
            stage = stageAt(opened, *then);
            return;
        }
        makeBare(stage);
    });
}

void moveStage(AppState& state, const std::string& stageId, int step) {
    Grade next = state.keyGrade();
    const auto place = findStage(next, stageId);
    if (!place || place->part != Part::Look) return;
    auto& stages = stagesOf(next, *place);
    const auto to = static_cast<std::ptrdiff_t>(place->index) + step;
    if (to < 0 || to >= static_cast<std::ptrdiff_t>(stages.size())) return;
    std::swap(stages[place->index], stages[static_cast<std::size_t>(to)]);
    state.editKey(next);
}

void moveStageTo(AppState& state, const std::string& stageId, const std::string& layerId, std::size_t index) {
    Grade next = state.keyGrade();
    const auto place = findStage(next, stageId);
    if (!place || place->part != Part::Look) return;
    Stage stage = stageAt(next, *place);
    auto& from = stagesOf(next, *place);
    from.erase(from.begin() + static_cast<std::ptrdiff_t>(place->index));
    for (Layer& layer : next.look) {
        if (layer.id != layerId) continue;
        const auto at = static_cast<std::ptrdiff_t>(std::min(index, layer.stages.size()));
        layer.stages.insert(layer.stages.begin() + at, std::move(stage));
        state.editKey(next);
        return;
    }
}

namespace {

std::optional<std::size_t> layerIndex(const Grade& grade, const std::string& id) {
    for (std::size_t i = 0; i < grade.look.size(); ++i)
        if (grade.look[i].id == id) return i;
    return {};
}

std::string freeLayerName(const Grade& grade, const std::string& stem) {
    const auto taken = [&](const std::string& name) {
        return std::any_of(grade.look.begin(), grade.look.end(), [&](const Layer& l) { return l.name == name; });
    };
    return firstFree([&](int n) { return n == 1 ? stem : stem + " " + std::to_string(n); }, taken);
}

} // namespace

void resetLayer(AppState& state, const std::string& id) {
    if (!state.hasKey()) return;
    const Layer* now = layerOf(state.keyGrade(), id);
    if (!now) return;
    const Layer* then = layerOf(state.pictures().at(state.key()).opened, now->id);
    Layer bare = *now;
    bare.strength.reset(), bare.enabled.reset(), bare.blend.reset();
    for (Stage& stage : bare.stages) makeBare(stage);
    Layer wanted = then ? resetOf(*now, *then, bare) : bare;
    wanted.mask = now->mask; // what was drawn has a Delete of its own
    Grade next = state.keyGrade();
    for (Layer& layer : next.look)
        if (layer.id == wanted.id) layer = wanted;
    state.editKey(next);
}

void resetPart(AppState& state, Part part) {
    const QString text = part == Part::Prep   ? AppState::tr("Reset Prep")
                         : part == Part::Look ? AppState::tr("Reset the Look")
                                              : AppState::tr("Reset Finish");
    state.resetTargets(text, [part](const Grade& now, const Grade& opened) {
        const Grade bare = startingGrade();
        Grade next = now;
        if (part == Part::Prep) next.prep = resetOf(now.prep, opened.prep, bare.prep);
        if (part == Part::Look) next.look = resetOf(now.look, opened.look, bare.look);
        if (part == Part::Finish) next.finish = resetOf(now.finish, opened.finish, bare.finish);
        return next;
    });
}

void resetPicture(AppState& state) {
    state.resetTargets(AppState::tr("Reset the picture"),
                       [](const Grade& now, const Grade& opened) { return resetOf(now, opened, startingGrade()); });
}

void addLayer(AppState& state, const std::optional<Mask>& mask) {
    if (!state.hasKey()) return;
    Grade next = state.keyGrade();
    Layer layer;
    layer.id = freeId(next, "layer");
    layer.name = freeLayerName(next, "Layer");
    layer.mask = mask;
    const std::string id = layer.id;
    next.look.push_back(std::move(layer));
    state.editKey(next);
    state.chooseStage(id);
}

void removeLayer(AppState& state, const std::string& layerId) {
    Grade next = state.keyGrade();
    const auto at = layerIndex(next, layerId);
    if (!at || next.look.size() < 2) return;
    cutLinks(next.look, layerId);
    next.look.erase(next.look.begin() + static_cast<std::ptrdiff_t>(*at));
    state.editKey(next);
    state.chooseStage(next.look[std::min(*at, next.look.size() - 1)].id);
}

void splitLayer(AppState& state, const std::string& stageId) {
    Grade next = state.keyGrade();
    const auto place = findStage(next, stageId);
    if (!place || place->part != Part::Look || place->index == 0) return;
    Layer& below = next.look[place->layer];
    Layer above;
    above.id = freeId(next, "layer");
    above.name = freeLayerName(next, below.name);
    above.enabled = below.enabled, above.mask = below.mask;
    const auto cut = below.stages.begin() + static_cast<std::ptrdiff_t>(place->index);
    above.stages.assign(cut, below.stages.end());
    below.stages.erase(cut, below.stages.end());
    next.look.insert(next.look.begin() + static_cast<std::ptrdiff_t>(place->layer) + 1, std::move(above));
    state.editKey(next);
}

bool canMergeDown(const Grade& grade, const std::string& layerId) {
    const auto at = layerIndex(grade, layerId);
    if (!at || *at == 0) return false;
    return grade.look[*at].isLaidOverWhole() && grade.look[*at - 1].isLaidOverWhole();
}

void mergeLayerDown(AppState& state, const std::string& layerId) {
    Grade next = state.keyGrade();
    if (!canMergeDown(next, layerId)) return;
    const std::size_t at = *layerIndex(next, layerId);
    cutLinks(next.look, layerId);
    auto& below = next.look[at - 1].stages;
    below.insert(below.end(), next.look[at].stages.begin(), next.look[at].stages.end());
    const std::string id = next.look[at - 1].id;
    next.look.erase(next.look.begin() + static_cast<std::ptrdiff_t>(at));
    state.editKey(next);
    state.chooseStage(id);
}

void moveLayer(AppState& state, const std::string& layerId, int step) {
    Grade next = state.keyGrade();
    const auto at = layerIndex(next, layerId);
    if (!at) return;
    const auto to = static_cast<std::ptrdiff_t>(*at) + step;
    if (to < 0 || to >= static_cast<std::ptrdiff_t>(next.look.size())) return;
    std::swap(next.look[*at], next.look[static_cast<std::size_t>(to)]);
    state.editKey(next);
}

Grade aloneIn(const Grade& grade, const std::string& id) {
    Grade alone = grade;
    const auto turn = [&](std::vector<Stage>& stages) {
        for (Stage& stage : stages) stage.enabled = stage.id == id;
    };
    for (Layer& layer : alone.look) {
        if (layer.id == id) {
            layer.enabled.reset();
            continue;
        }
        turn(layer.stages);
        const bool holds =
            std::any_of(layer.stages.begin(), layer.stages.end(), [](const Stage& s) { return s.isEnabled(); });
        layer.enabled = holds;
    }
    turn(alone.finish);
    return alone;
}

Grade withoutMaskedLayers(const Grade& grade) {
    Grade shown = grade;
    for (Layer& layer : shown.look)
        if (layer.isMasked()) layer.enabled = false;
    return shown;
}

Grade without(const Grade& grade, const std::string& stageId) {
    Grade rest = grade;
    if (const auto place = findStage(rest, stageId)) stageAt(rest, *place).enabled = false;
    return rest;
}

} // namespace baryton
