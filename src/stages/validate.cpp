#include "stages/validate.h"
#include "base/words.h"
#include "stages/overlay_raster.h"
#include "stages/own_field_type.h"
#include "stages/spline.h"
#include "stages/stage_type.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace baryton {

namespace {

std::string kindWord(ParameterKind kind) {
    switch (kind) {
    case ParameterKind::Number:
        return words("a number");
    case ParameterKind::Toggle:
        return words("true or false");
    case ParameterKind::CurveShape:
        return words("a list of points [[x, y], …]");
    case ParameterKind::Choice:
        return words("one of the words that baryton-cli stages lists");
    case ParameterKind::Text:
        return words("a text");
    case ParameterKind::Picture:
        return words("a picture");
    case ParameterKind::Mask:
        return words("a mask");
    case ParameterKind::LutFile:
        break;
    }
    return words("a LUT");
}

bool isOption(const ParameterType& type, const Value& value) {
    const auto* word = std::get_if<std::string>(&value);
    return !word || type.kind == ParameterKind::Text ||
           std::any_of(type.options.begin(), type.options.end(), [&](const auto& o) { return o.id == *word; });
}

constexpr double kCurveReach = 4; ///< how far curve points may lie from 0

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
        errors.emplace_back("", at, inWords("{} must be {}", words(type.name), kindWord(type.kind)),
                            words("correct the value"));
        return;
    }
    if (!isOption(type, value))
        errors.emplace_back(
            "", at, inWords("{} can't be \"{}\"", words(type.name), std::get<std::string>(value).substr(0, 40)),
            optionHint);
    if (const auto* number = std::get_if<double>(&value);
        number && !(*number >= type.minimum && *number <= type.maximum))
        errors.emplace_back("", at,
                            inWords("{} is {}, outside {}…{}", words(type.name), *number, type.minimum, type.maximum),
                            words("write a number within the range"));
    if (const auto* lut = std::get_if<LutContent>(&value); lut && !lut->table && !lut->name.empty())
        errors.emplace_back("", at, inWords("the LUT {} is named, but its content is not there", lut->name),
                            words("choose the LUT again and save"));
    if (const auto* picture = std::get_if<PictureContent>(&value); picture && !picture->encoded) {
        if (!picture->name.empty())
            errors.emplace_back("", at,
                                inWords("the picture {} is named, but its content is not there", picture->name),
                                words("choose the picture again and save"));
    } else if (const std::string problem = picture ? overlayProblem(*picture) : std::string(); !problem.empty()) {
        errors.emplace_back("", at, problem, words("choose the picture again and save"));
    }
    if (const auto* mask = std::get_if<Mask>(&value)) {
        const MaskProblem problem = problemOf(*mask);
        if (!problem.what.empty())
            errors.emplace_back("", at + problem.place, problem.what, words("correct the value"));
    }
    if (const auto* curve = std::get_if<Curve>(&value); curve && !isRisingCurve(*curve))
        errors.emplace_back(
            "", at,
            inWords("{}: the points must rise in x by at least 1/1024, lie within −4…4 and be at least two",
                    words(type.name)),
            words("sort the points, or take out those that stand on one another"));
}

template <class Item>
void validateOwnFields(const Item& item, const std::string& path, std::vector<Error>& errors) {
    for (const auto& field : ownFieldsOf(item))
        if (const auto value = field.get(item))
            validateValue(ownFieldType(field.word), *value, path + "/" + field.word,
                          words("write one of the words of docs/formats/preset.md"), errors);
}

void validateStage(const Stage& stage, Part part, const std::string& path, std::vector<Error>& errors) {
    const StageType* type = findStageType(stage.type);
    if (!type) {
        errors.emplace_back("", path + "/type", inWords("there is no stage type \"{}\" in this version", stage.type),
                            words("open it with a newer Baryton, or take the stage out"));
        return;
    }
    if (!type->standsIn(part))
        errors.emplace_back("", path + "/type", inWords("{} can't stand in {}", words(type->name), partName(part)),
                            inWords("move it to {}", partName(type->usualPart())));
    validateOwnFields(stage, path, errors);
    for (const auto& [id, value] : stage.parameters) {
        const std::string at = path + "/parameters/" + id;
        if (const ParameterType* parameter = type->parameter(id))
            validateValue(*parameter, value, at, words("write one of the words that baryton-cli stages lists"),
                          errors);
        else
            errors.emplace_back("", at, inWords("{} has no parameter \"{}\"", words(type->name), id),
                                words("see baryton-cli stages for those it has"));
    }
}

/// Whether the value is one that `repaired` keeps; a number may lie outside the range.
bool canStay(const ParameterType& type, const Value& value) {
    const auto* curve = std::get_if<Curve>(&value);
    const auto* mask = std::get_if<Mask>(&value);
    return value.index() == type.defaultValue.index() && (!curve || isRisingCurve(*curve)) &&
           (!mask || problemOf(*mask).what.empty()) && isOption(type, value);
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
