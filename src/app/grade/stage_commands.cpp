#include "app/grade/stage_commands.h"
#include "stages/stage_type.h"

#include <algorithm>

namespace baryton {

void addStage(AppState& state, const std::string& type) {
    if (!state.hasKey()) return;
    Grade next = state.keyGrade();
    if (next.look.empty()) next.look = startingGrade().look;
    Stage stage = makeStage(next, type);
    stage.parameters = findStageType(type)->starters;
    const std::string id = stage.id;
    // Into the layer that is worked in, behind the chosen stage.
    auto place = findStage(next, state.chosenStage());
    if (place && place->part == Part::Look) {
        auto& stages = next.look[place->layer].stages;
        stages.insert(stages.begin() + static_cast<std::ptrdiff_t>(place->index) + 1, std::move(stage));
    } else {
        next.look.back().stages.push_back(std::move(stage));
    }
    state.editKey(next);
    state.chooseStage(id);
}

void removeStage(AppState& state, const std::string& stageId) {
    Grade next = state.keyGrade();
    const auto place = findStage(next, stageId);
    if (!place || place->part != Part::Look) return;
    auto& stages = stagesOf(next, *place);
    stages.erase(stages.begin() + static_cast<std::ptrdiff_t>(place->index));
    if (stages.empty() && next.look.size() > 1)
        next.look.erase(next.look.begin() + static_cast<std::ptrdiff_t>(place->layer));
    state.editKey(next);
    const auto left = stagePlaces(state.keyGrade());
    if (!left.empty())
        state.chooseStage(stageAt(state.keyGrade(), left[std::min(left.size() - 1, std::size_t(2))]).id);
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

void resetStage(AppState& state, const std::string& stageId) {
    state.editStage(stageId, {}, [](Stage& stage) {
        stage.parameters.clear();
        stage.strength.reset();
        stage.enabled.reset();
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

} // namespace baryton
