#include "grade/cut_grade.h"
#include "grade/mask_links.h"

#include <algorithm>

namespace baryton {

Grade upTo(const Grade& grade, const std::string& stageId) {
    if (const auto place = findStage(grade, stageId)) return upTo(grade, *place);
    Grade before = grade;
    const auto isIt = [&](const Layer& layer) { return layer.id == stageId; };
    if (std::any_of(grade.look.begin(), grade.look.end(), isIt)) before.look.clear(), before.finish.clear();
    return before;
}

Grade upTo(const Grade& grade, const StagePlace& place) {
    Grade before = grade;
    resolveLinks(before.look); // while the layers that they lead to are there
    auto& stages = stagesOf(before, place);
    stages.erase(stages.begin() + static_cast<std::ptrdiff_t>(place.index), stages.end());
    if (place.part == Part::Look) {
        before.look.resize(place.layer + 1);
        Layer& layer = before.look.back();
        layer.strength.reset(), layer.blend.reset(), layer.enabled.reset(), layer.mask.reset();
    }
    if (place.part != Part::Finish) before.finish.clear();
    if (place.part == Part::Prep) before.look.clear();
    return before;
}

std::optional<Grade> fromOn(const Grade& grade, const std::string& stageId) {
    const auto place = findStage(grade, stageId);
    if (!place) return {};
    Grade rest = grade;
    resolveLinks(rest.look);
    const auto cut = [&](std::vector<Stage>& stages) {
        stages.erase(stages.begin(), stages.begin() + static_cast<std::ptrdiff_t>(place->index));
    };
    if (place->part == Part::Prep) {
        cut(rest.prep);
        return rest;
    }
    rest.prep.clear();
    if (place->part == Part::Look) {
        const Layer& layer = grade.look[place->layer];
        if (!layer.isLaidOverWhole() && place->index > 0) return {};
        // Masks that see colours see what enters the Look, which the rest no longer knows of.
        const bool isFirst = place->layer == 0 && place->index == 0;
        if (!isFirst && std::any_of(rest.look.begin() + static_cast<std::ptrdiff_t>(place->layer), rest.look.end(),
                                    [](const Layer& each) { return each.isMasked() && each.mask->seesColours(); }))
            return {};
        rest.look.erase(rest.look.begin(), rest.look.begin() + static_cast<std::ptrdiff_t>(place->layer));
        cut(rest.look.front().stages);
        return rest;
    }
    rest.look.clear();
    cut(rest.finish);
    return rest;
}

} // namespace baryton
