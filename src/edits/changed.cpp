#include "edits/changed.h"

#include <algorithm>

namespace baryton {

bool isFelt(const Stage& stage, const std::string& parameter) {
    const StageType* type = findStageType(stage.type);
    const ParameterType* p = type ? type->parameter(parameter) : nullptr;
    if (!p) return true;
    if (!p->onlyWith.empty() && ParameterReader(*type, stage).choice(p->onlyWith) != p->onlyWithOption) return false;
    if (p->actsThrough.empty()) return true;
    return std::any_of(p->actsThrough.begin(), p->actsThrough.end(), [&](const std::string& id) {
        const auto value = stage.parameters.find(id);
        return value != stage.parameters.end() && value->second != type->parameter(id)->defaultValue;
    });
}

IncludeSet changedIn(const Grade& grade) {
    IncludeSet all = presentIn(grade);
    std::erase_if(all, [&](const CarryPath& path) {
        if (path.part == Part::Prep) return true;
        const auto place = path.stage.empty() ? std::nullopt : findStage(grade, path.stage);
        return place && !isFelt(stageAt(grade, *place), path.parameter);
    });
    return all;
}

} // namespace baryton
