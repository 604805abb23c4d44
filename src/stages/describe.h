#pragma once
#include "stages/stage_type.h"

namespace baryton::describe {

// The few shapes of parameter descriptions, so that a stage says only what is particular to it.

inline ParameterType percent(std::string id, std::string name, double low, double high, double standard,
                             std::string tooltip) {
    return {std::move(id), std::move(name), ParameterKind::Number, Unit::Percent, low / 100, high / 100,
            0.01,          standard / 100,  std::move(tooltip)};
}
inline ParameterType stops(std::string id, std::string name, double reach, std::string tooltip) {
    return {std::move(id), std::move(name),   ParameterKind::Number, Unit::Stops, -reach, reach, 0.05,
            0.0,           std::move(tooltip)};
}
inline ParameterType hue(std::string id, std::string name, std::string tooltip) {
    return {std::move(id),
            std::move(name),
            ParameterKind::Number,
            Unit::Degrees,
            0,
            360,
            1,
            0.0,
            std::move(tooltip),
            false,
            true};
}
/// One that begins elsewhere than at red.
inline ParameterType hueFrom(std::string id, std::string name, double standard, std::string tooltip) {
    ParameterType type = hue(std::move(id), std::move(name), std::move(tooltip));
    type.defaultValue = standard;
    return type;
}
/// A hue that is stored as an angle of the vectorscope.
inline ParameterType pullHue(std::string id, std::string name, std::string tooltip) {
    ParameterType type = hue(std::move(id), std::move(name), std::move(tooltip));
    type.onVectorscope = true;
    return type;
}
/// What acts only through others: through any of these.
inline ParameterType through(std::vector<std::string> others, ParameterType type) {
    type.actsThrough = std::move(others);
    return type;
}
/// What counts only for one option of a choice.
inline ParameterType onlyWith(std::string choice, std::string option, ParameterType type) {
    type.onlyWith = std::move(choice), type.onlyWithOption = std::move(option);
    return type;
}
inline ParameterType number(std::string id, std::string name, double low, double high, double step, double standard,
                            std::string tooltip, Unit unit = Unit::None) {
    return {std::move(id), std::move(name), ParameterKind::Number, unit, low, high,
            step,          standard,        std::move(tooltip)};
}
inline ParameterType toggle(std::string id, std::string name, std::string tooltip) {
    return {std::move(id), std::move(name), ParameterKind::Toggle, Unit::None, 0, 1, 1, false, std::move(tooltip)};
}
/// The first option is the default.
inline ParameterType choice(std::string id, std::string name, std::vector<ParameterType::Option> options,
                            std::string tooltip) {
    ParameterType type{std::move(id),      std::move(name),   ParameterKind::Choice, Unit::None, 0, 1, 1,
                       options.front().id, std::move(tooltip)};
    type.options = std::move(options);
    return type;
}
inline ParameterType text(std::string id, std::string name, std::string tooltip) {
    return {std::move(id), std::move(name),   ParameterKind::Text, Unit::None, 0, 1, 1,
            std::string(), std::move(tooltip)};
}
inline ParameterType picture(std::string id, std::string name, std::string tooltip) {
    return {std::move(id),    std::move(name),   ParameterKind::Picture, Unit::None, 0, 1, 1,
            PictureContent{}, std::move(tooltip)};
}
inline ParameterType curve(std::string id, std::string name, std::string tooltip) {
    return {std::move(id), std::move(name), ParameterKind::CurveShape, Unit::None, 0, 1,
            1.0 / 255,     Curve{},         std::move(tooltip)};
}

} // namespace baryton::describe
