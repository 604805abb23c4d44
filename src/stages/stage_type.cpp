#include "stages/stage_type.h"
#include "base/words.h"
#include "colour/hue_scale.h"
#include "stages/blend.h"
#include "stages/own_field_type.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <stdexcept>

namespace baryton {

double shownNumber(const ParameterType& type, double stored) {
    if (type.onVectorscope) return hueOfDirection(stored);
    return type.unit == Unit::Percent ? stored * 100 : stored;
}
double storedNumber(const ParameterType& type, double shown) {
    if (type.onVectorscope) return directionOfHue(shown);
    return type.unit == Unit::Percent ? shown / 100 : shown;
}

std::string shownText(const ParameterType& type, const Value& value) {
    if (const auto* curve = std::get_if<Curve>(&value))
        return curve->empty() ? words("straight") : inWords("{} points", curve->size());
    if (const auto* lut = std::get_if<LutContent>(&value)) return lut->name.empty() ? words("none") : lut->name;
    if (const auto* toggle = std::get_if<bool>(&value)) return *toggle ? words("on") : words("off");
    const auto* number = std::get_if<double>(&value);
    if (!number) {
        const auto& word = std::get<std::string>(value);
        for (const auto& option : type.options)
            if (option.id == word) return option.name;
        return word;
    }
    const double step = type.unit == Unit::Percent ? type.step * 100 : type.step;
    const int digits = step >= 1 ? 0 : step >= 0.1 ? 1 : 2;
    double shown = shownNumber(type, *number);
    if (std::abs(shown) < std::pow(10, -digits) / 2) shown = 0;
    std::string text = fmt::format("{:.{}f}", std::abs(shown), digits);
    if (shown < 0)
        text = "−" + text;
    else if (type.minimum < 0 && shown > 0)
        text = "+" + text;
    switch (type.unit) {
    case Unit::Kelvin:
        return text + " K";
    case Unit::Degrees:
        return text + "°";
    case Unit::Pixels:
        return text + " px";
    case Unit::PerMille:
        return text + " ‰";
    case Unit::Stops:
    case Unit::Percent:
    case Unit::None:
        break;
    }
    return text;
}

const Value& ParameterReader::value(const std::string& id) const {
    const ParameterType* parameter = type_.parameter(id);
    if (!parameter) throw std::logic_error(type_.id + " has no parameter \"" + id + "\"");
    const auto at = stage_.parameters.find(id);
    if (at != stage_.parameters.end() && at->second.index() == parameter->defaultValue.index()) return at->second;
    return parameter->defaultValue;
}

double ParameterReader::number(const std::string& id) const {
    const double number = std::get<double>(value(id));
    const ParameterType* parameter = type_.parameter(id);
    return std::clamp(number, parameter->minimum, parameter->maximum);
}
bool ParameterReader::toggle(const std::string& id) const {
    return std::get<bool>(value(id));
}
const std::string& ParameterReader::choice(const std::string& id) const {
    return std::get<std::string>(value(id));
}
int ParameterReader::choiceIndex(const std::string& id) const {
    const std::string& chosen = choice(id);
    const auto& options = type_.parameter(id)->options;
    const auto at = std::find_if(options.begin(), options.end(), [&](const auto& o) { return o.id == chosen; });
    return at == options.end() ? 0 : static_cast<int>(at - options.begin());
}
const Curve& ParameterReader::curve(const std::string& id) const {
    return std::get<Curve>(value(id));
}
const LutContent& ParameterReader::lut(const std::string& id) const {
    return std::get<LutContent>(value(id));
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
    return !type || !stage.isEnabled() || stage.strengthOrFull() <= 0 ||
           type->isNeutral(ParameterReader(*type, stage));
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

namespace {

std::string kindWord(ParameterKind kind) {
    switch (kind) {
    case ParameterKind::Number:
        return "a number";
    case ParameterKind::Toggle:
        return "true or false";
    case ParameterKind::CurveShape:
        return "a list of points [[x, y], …]";
    case ParameterKind::Choice:
        return "one of the words that baryton-cli stages lists";
    case ParameterKind::LutFile:
        break;
    }
    return "a LUT";
}

bool isOption(const ParameterType& type, const Value& value) {
    const auto* word = std::get_if<std::string>(&value);
    return !word ||
           std::any_of(type.options.begin(), type.options.end(), [&](const auto& o) { return o.id == *word; });
}

constexpr double kCurveReach = 4; ///< how far curve points may lie from 0
constexpr double kLeastPointDistance = 1.0 / 1024;

bool isRisingCurve(const Curve& curve) {
    for (std::size_t i = 0; i < curve.size(); ++i) {
        if (std::abs(curve[i].x) > kCurveReach || std::abs(curve[i].y) > kCurveReach) return false;
        if (i > 0 && curve[i].x - curve[i - 1].x < kLeastPointDistance) return false;
    }
    return curve.size() != 1;
}

void validateValue(const ParameterType& type, const Value& value, const std::string& at,
                   const std::string& optionHint, std::vector<Error>& errors) {
    if (value.index() != type.defaultValue.index()) {
        errors.emplace_back("", at, type.name + " must be " + kindWord(type.kind), "correct the value");
        return;
    }
    if (!isOption(type, value))
        errors.emplace_back("", at, type.name + " can't be \"" + std::get<std::string>(value).substr(0, 40) + "\"",
                            optionHint);
    if (const auto* number = std::get_if<double>(&value);
        number && !(*number >= type.minimum && *number <= type.maximum))
        errors.emplace_back("", at,
                            fmt::format("{} is {}, outside {}…{}", type.name, *number, type.minimum, type.maximum),
                            "write a number within the range");
    if (const auto* curve = std::get_if<Curve>(&value); curve && !isRisingCurve(*curve))
        errors.emplace_back(
            "", at, type.name + ": the points must rise in x by at least 1/1024, lie within −4…4 and be at least two",
            "sort the points, or take out those that stand on one another");
}

template <class Item>
void validateOwnFields(const Item& item, const std::string& path, std::vector<Error>& errors) {
    for (const auto& field : ownFieldsOf(item))
        if (const auto value = field.get(item))
            validateValue(ownFieldType(field.word), *value, path + "/" + field.word,
                          "write one of the words of docs/formats/preset.md", errors);
}

void validateStage(const Stage& stage, Part part, const std::string& path, std::vector<Error>& errors) {
    const StageType* type = findStageType(stage.type);
    if (!type) {
        errors.emplace_back("", path + "/type", "there is no stage type \"" + stage.type + "\" in this version",
                            "open it with a newer Baryton, or take the stage out");
        return;
    }
    if (!type->standsIn(part))
        errors.emplace_back("", path + "/type", type->name + " can't stand in " + partName(part),
                            "move it to " + partName(type->parts[0]));
    validateOwnFields(stage, path, errors);
    for (const auto& [id, value] : stage.parameters) {
        const std::string at = path + "/parameters/" + id;
        if (const ParameterType* parameter = type->parameter(id))
            validateValue(*parameter, value, at, "write one of the words that baryton-cli stages lists", errors);
        else
            errors.emplace_back("", at, type->name + " has no parameter \"" + id + "\"",
                                "see baryton-cli stages for those it has");
    }
}

/// Whether the value is one that `repaired` keeps; a number may lie outside the range.
bool canStay(const ParameterType& type, const Value& value) {
    const auto* curve = std::get_if<Curve>(&value);
    return value.index() == type.defaultValue.index() && (!curve || isRisingCurve(*curve)) && isOption(type, value);
}

void holdToRange(const ParameterType& type, Value& value) {
    if (auto* number = std::get_if<double>(&value)) *number = std::clamp(*number, type.minimum, type.maximum);
}

template <class Item>
void repairOwnFields(Item& item) {
    for (const auto& field : ownFieldsOf(item)) {
        auto value = field.get(item);
        if (!value) continue;
        const ParameterType& type = ownFieldType(field.word);
        holdToRange(type, *value);
        field.set(item, canStay(type, *value) ? value : std::nullopt);
    }
}

} // namespace

std::vector<Error> validate(const Grade& grade) {
    std::vector<Error> errors;
    for (std::size_t i = 0; i < grade.look.size(); ++i)
        validateOwnFields(grade.look[i], fmt::format("/look/{}", i), errors);
    for (const auto& place : stagePlaces(grade)) {
        const std::string path = place.part == Part::Look
                                     ? fmt::format("/look/{}/stages/{}", place.layer, place.index)
                                     : fmt::format("/{}/{}", partName(place.part), place.index);
        validateStage(stageAt(grade, place), place.part, path, errors);
    }
    return errors;
}

void requireValid(const Grade& grade) {
    if (auto errors = validate(grade); !errors.empty()) throw errors.front();
}

Grade repaired(const Grade& grade) {
    Grade result = grade;
    for (Layer& layer : result.look) repairOwnFields(layer);
    for (const auto& place : stagePlaces(result)) {
        Stage& stage = stageAt(result, place);
        repairOwnFields(stage);
        const StageType* type = findStageType(stage.type);
        if (!type) continue;
        std::erase_if(stage.parameters, [&](const auto& entry) {
            const ParameterType* parameter = type->parameter(entry.first);
            return parameter && !canStay(*parameter, entry.second);
        });
        for (auto& [id, value] : stage.parameters)
            if (const ParameterType* parameter = type->parameter(id)) holdToRange(*parameter, value);
    }
    return result;
}

} // namespace baryton
