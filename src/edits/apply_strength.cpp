#include "edits/apply_strength.h"
#include "edits/framed_masks.h"
#include "stages/own_field_type.h"
#include "stages/spline.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace baryton {

Value between(const ParameterType& type, const Value& from, const Value& to, double strength) {
    if (const auto* a = std::get_if<double>(&from), *b = std::get_if<double>(&to); a && b) {
        if (!type.wraps) return std::clamp(*a + (*b - *a) * strength, type.minimum, type.maximum);
        const double span = type.maximum - type.minimum;
        return std::fmod(*a + std::remainder(*b - *a, span) * strength - type.minimum + 2 * span, span) +
               type.minimum;
    }
    if (std::holds_alternative<Curve>(from) && std::holds_alternative<Curve>(to)) {
        const Spline a(std::get<Curve>(from)), b(std::get<Curve>(to));
        std::set<double> places{0, 1};
        for (const auto* curve : {&std::get<Curve>(from), &std::get<Curve>(to)})
            for (const CurvePoint& p : *curve) places.insert(p.x);
        Curve mixed;
        for (const double x : places) {
            // Points of both that all but coincide are one; the last is the end.
            if (!mixed.empty() && x - mixed.back().x < kLeastPointDistance) {
                if (x < 1) continue;
                mixed.pop_back();
            }
            mixed.push_back({x, std::clamp(a(x) + (b(x) - a(x)) * strength, 0.0, 1.0)});
        }
        return mixed;
    }
    return strength < 0.5 ? from : to;
}

namespace {

/// The own fields part of the way from another's.
template <class Item>
void blendOwnFields(Item& item, const Item& from, double strength) {
    for (const auto& field : ownFieldsOf(item))
        if (field.get(item) != field.get(from)) {
            const Value mixed =
                between(ownFieldType(field.word), field.getOrDefault(from), field.getOrDefault(item), strength);
            // What goes back to where it was leaves no trace.
            field.set(item, mixed == field.getOrDefault(from) ? field.get(from) : std::optional(mixed));
        }
}

/// The stage part of the way from another, or from its defaults.
void blend(Stage& stage, const Stage* from, double strength) {
    const StageType* type = findStageType(stage.type);
    if (!type) return;
    for (auto& [id, value] : stage.parameters) {
        const ParameterType* parameter = type->parameter(id);
        if (!parameter) continue;
        const auto old = from ? from->parameters.find(id) : stage.parameters.end();
        const Value before = from && old != from->parameters.end() ? old->second : parameter->defaultValue;
        if (before == value) continue;
        value = between(*parameter, before, value, strength);
    }
    if (!from) return;
    for (const auto& [id, before] : from->parameters) { // what goes back to its default goes there part of the way
        const ParameterType* parameter = type->parameter(id);
        if (parameter && !stage.parameters.contains(id))
            stage.parameters[id] = between(*parameter, before, parameter->defaultValue, strength);
    }
    blendOwnFields(stage, *from, strength);
}

} // namespace

Grade appliedWithStrength(const Grade& grade, const Preset& preset, ApplyMode mode, double strength,
                          const std::optional<Grade>& laidIn) {
    Grade whole = applied(grade, preset, mode, 1);
    if (hasDrawnMasks(preset)) {
        Preset laid = preset;
        laid.carried.look = masksInPicture(preset.carried.look, laidIn ? *laidIn : whole);
        whole = applied(grade, laid, mode, 1);
    }
    if (strength == 1) return whole;
    if (strength == 0) return grade;
    for (const StagePlace& place : stagePlaces(whole)) {
        Stage& stage = stageAt(whole, place);
        if (const auto before = findStage(grade, stage.id)) {
            blend(stage, &stageAt(grade, *before), strength);
            continue;
        }
        const bool inNewLayer = place.part == Part::Look &&
                                std::none_of(grade.look.begin(), grade.look.end(),
                                             [&](const Layer& l) { return l.id == whole.look[place.layer].id; });
        // A layer of its own has a strength of its own; elsewhere the stage's takes its place.
        if (strength > 1)
            blend(stage, nullptr, strength);
        else if (!inNewLayer)
            stage.strength = stage.strengthOrFull() * strength;
    }
    for (Layer& layer : whole.look) {
        const auto old =
            std::find_if(grade.look.begin(), grade.look.end(), [&](const Layer& l) { return l.id == layer.id; });
        if (old == grade.look.end()) {
            if (strength < 1) layer.strength = layer.strengthOrFull() * strength;
            continue;
        }
        blendOwnFields(layer, *old, strength);
    }
    return whole;
}

} // namespace baryton
