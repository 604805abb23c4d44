#include "render/remedy.h"
#include "base/words.h"
#include "stages/stage_type.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

/// A place at the end of the Look where a stage acts on all that comes before it: the last layer where that is laid
/// over whole, else a new one.
std::vector<Stage>& lookEnd(Grade& grade) {
    if (grade.look.empty() || !grade.look.back().isLaidOverWhole()) {
        Layer layer;
        layer.id = freeId(grade, "layer");
        grade.look.push_back(std::move(layer));
    }
    return grade.look.back().stages;
}

/// The last stage of the Look, where it is of this type and acts whole; else a new one at the end.
Stage& lastOf(Grade& grade, const std::string& type) {
    std::vector<Stage>& stages = lookEnd(grade);
    if (stages.empty() || stages.back().type != type || !stages.back().isEnabled() ||
        stages.back().strengthOrFull() < 1)
        stages.push_back(makeStage(grade, type));
    return stages.back();
}

} // namespace

Grade remedied(const Grade& grade, const Remedy& remedy) {
    Grade mended = grade;
    const auto place = findStage(mended, remedy.stageId);
    if (!place) return grade;
    switch (remedy.kind) {
    case Remedy::Kind::HoldColours: {
        Stage& stage = lastOf(mended, "gamut");
        stage.parameters["amount"] = 1.0;
        stage.parameters["reach"] = remedy.amount;
        break;
    }
    case Remedy::Kind::RollOff:
        lastOf(mended, "tone").parameters["roll.off"] = remedy.amount;
        break;
    case Remedy::Kind::Ease:
        stageAt(mended, *place).strength = remedy.amount;
        break;
    case Remedy::Kind::FlattenFirst: {
        Stage tone = makeStage(mended, "tone");
        tone.parameters = {{"contrast", -remedy.amount},
                           {"highlights", -remedy.amount / 2},
                           {"black.end", remedy.amount / 2},
                           {"white.end", -remedy.amount / 2}};
        if (place->part != Part::Look) return grade;
        auto& stages = stagesOf(mended, *place);
        stages.insert(stages.begin() + static_cast<std::ptrdiff_t>(place->index), std::move(tone));
        break;
    }
    case Remedy::Kind::MoveAhead: {
        Stage moved = stageAt(mended, *place);
        auto& from = stagesOf(mended, *place);
        from.erase(from.begin() + static_cast<std::ptrdiff_t>(place->index));
        const auto target = findStage(mended, remedy.otherId);
        if (!target || target->part != place->part) return grade;
        auto& to = stagesOf(mended, *target);
        to.insert(to.begin() + static_cast<std::ptrdiff_t>(target->index), std::move(moved));
        break;
    }
    }
    return mended;
}

std::string remedyWords(const Grade& grade, const Remedy& remedy) {
    switch (remedy.kind) {
    case Remedy::Kind::HoldColours:
        return words("Hold colours in");
    case Remedy::Kind::RollOff:
        return words("Roll off the lights");
    case Remedy::Kind::Ease:
        return inWords("Ease to {:.0f} %", remedy.amount * 100);
    case Remedy::Kind::FlattenFirst:
        return words("Flatten it first");
    case Remedy::Kind::MoveAhead:
        break;
    }
    const auto other = findStage(grade, remedy.otherId);
    return inWords("Move ahead of {}", other ? stageTitle(grade, stageAt(grade, *other)) : std::string());
}

} // namespace baryton
