#include "survey/prep_light.h"
#include "colour/illuminant.h"
#include "stages/stage_type.h"

#include <algorithm>

namespace baryton {

namespace {

Stage* findType(std::vector<Stage>& stages, const std::string& type) {
    const auto at = std::find_if(stages.begin(), stages.end(), [&](const Stage& s) { return s.type == type; });
    return at == stages.end() ? nullptr : &*at;
}

double numberOf(const Grade& grade, const std::string& type, const std::string& id, double otherwise) {
    for (const Stage& stage : grade.prep)
        if (stage.type == type && stage.isEnabled())
            if (const auto at = stage.parameters.find(id); at != stage.parameters.end())
                if (const double* number = std::get_if<double>(&at->second)) return *number;
    return otherwise;
}

} // namespace

PrepLight prepLightOf(const Grade& grade) {
    return {numberOf(grade, "exposure", "stops", 0),
            numberOf(grade, "white-balance", "temperature", kNeutralTemperature),
            numberOf(grade, "white-balance", "tint", 0)};
}

Grade withPrepLight(Grade grade, const PrepLight& light) {
    const auto put = [&](const std::string& type, const std::map<std::string, double>& values) {
        Stage* stage = findType(grade.prep, type);
        if (!stage) stage = &*grade.prep.insert(grade.prep.begin(), makeStage(grade, type));
        stage->enabled.reset(), stage->strength.reset();
        for (const auto& [id, value] : values) {
            if (value == std::get<double>(findStageType(type)->parameter(id)->defaultValue))
                stage->parameters.erase(id);
            else
                stage->parameters[id] = value;
        }
    };
    if (prepLightOf(grade) == light) return grade;
    put("exposure", {{"stops", light.stops}});
    put("white-balance", {{"temperature", light.kelvin}, {"tint", light.tint}});
    return grade;
}

} // namespace baryton
