#include "stages/stage_type.h"
#include "stages/blend.h"

#include <algorithm>
#include <stdexcept>

namespace baryton {

const ParameterType& ParameterReader::type(const std::string& id) const {
    const ParameterType* parameter = type_.parameter(id);
    if (!parameter) throw std::logic_error(type_.id + " has no parameter \"" + id + "\"");
    return *parameter;
}

double ParameterReader::number(const std::string& id) const {
    return std::get<double>(valueIn(type(id), stage_));
}
bool ParameterReader::toggle(const std::string& id) const {
    return std::get<bool>(valueIn(type(id), stage_));
}
std::string ParameterReader::choice(const std::string& id) const {
    return std::get<std::string>(valueIn(type(id), stage_));
}
int ParameterReader::choiceIndex(const std::string& id) const {
    return static_cast<int>(optionIndex(type(id), valueIn(type(id), stage_)));
}
Curve ParameterReader::curve(const std::string& id) const {
    return std::get<Curve>(valueIn(type(id), stage_));
}
LutContent ParameterReader::lut(const std::string& id) const {
    return std::get<LutContent>(valueIn(type(id), stage_));
}

PictureContent ParameterReader::picture(const std::string& id) const {
    return std::get<PictureContent>(valueIn(type(id), stage_));
}

const ParameterType* StageType::parameter(const std::string& parameterId) const {
    const auto at =
        std::find_if(parameters.begin(), parameters.end(), [&](const auto& p) { return p.id == parameterId; });
    return at == parameters.end() ? nullptr : &*at;
}

bool StageType::standsIn(Part part) const {
    return std::find(parts.begin(), parts.end(), part) != parts.end();
}

const StageType* findStageType(const std::string& id) {
    for (const StageType* type : stageTypes())
        if (type->id == id) return type;
    return nullptr;
}

bool isNeutral(const Stage& stage) {
    const StageType* type = findStageType(stage.type);
    return !type || !stage.isEnabled() || stage.strengthOrFull() <= 0 || type->isNeutral(stage);
}

bool isNeutral(const Grade& grade) {
    for (const Layer& layer : grade.look)
        if (layer.isEnabled() && layer.strengthOrFull() > 0 &&
            blendModeFrom(layer.blendOrNormal()) != BlendMode::Normal)
            return false;
    const auto places = stagePlaces(grade);
    return std::all_of(places.begin(), places.end(), [&](const StagePlace& place) {
        if (place.part == Part::Look) {
            const Layer& layer = grade.look[place.layer];
            if (!layer.isEnabled() || layer.strengthOrFull() <= 0) return true;
        }
        return isNeutral(stageAt(grade, place));
    });
}

std::map<std::string, std::map<std::string, Value>> defaultsFor(const Grade& grade) {
    std::map<std::string, std::map<std::string, Value>> all;
    for (const auto& place : stagePlaces(grade)) {
        const Stage& stage = stageAt(grade, place);
        if (const StageType* type = findStageType(stage.type))
            for (const auto& parameter : type->parameters) all[stage.id][parameter.id] = parameter.defaultValue;
    }
    return all;
}

std::string stageTitle(const Stage& stage) {
    if (!stage.label.empty()) return stage.label;
    const StageType* type = findStageType(stage.type);
    return type ? type->name : stage.type;
}

std::string stageTitle(const Grade& grade, const Stage& stage) {
    const std::string title = stageTitle(stage);
    int number = 1;
    for (const StagePlace& place : stagePlaces(grade)) {
        const Stage& other = stageAt(grade, place);
        if (other.id == stage.id) break;
        number += stageTitle(other) == title;
    }
    return number == 1 ? title : title + " " + std::to_string(number);
}

Stage makeStage(const Grade& grade, const std::string& type) {
    Stage stage;
    stage.type = type;
    stage.id = freeId(grade, type);
    return stage;
}

Grade startingGrade() {
    Grade grade;
    for (const char* type : {"exposure", "white-balance"}) grade.prep.push_back(makeStage(grade, type));
    grade.look.emplace_back();
    grade.look[0].id = "layer-1";
    grade.look[0].name = "Base";
    for (const char* type : {"curves", "wheels", "saturation"})
        grade.look[0].stages.push_back(makeStage(grade, type));
    grade.finish.push_back(makeStage(grade, "vignette"));
    return grade;
}

} // namespace baryton
