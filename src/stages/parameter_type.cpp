#include "stages/parameter_type.h"
#include "base/words.h"
#include "colour/hue_scale.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

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
    if (const auto* picture = std::get_if<PictureContent>(&value))
        return picture->name.empty() ? words("none") : picture->name;
    if (const auto* lut = std::get_if<LutContent>(&value)) return lut->name.empty() ? words("none") : lut->name;
    if (const auto* mask = std::get_if<Mask>(&value))
        return mask->isEmpty()            ? words("none")
               : mask->shapes.size() == 1 ? words("one shape")
                                          : inWords("{} shapes", mask->shapes.size());
    if (const auto* toggle = std::get_if<bool>(&value)) return *toggle ? words("on") : words("off");
    const auto* number = std::get_if<double>(&value);
    if (!number) {
        const auto& word = std::get<std::string>(value);
        for (const auto& option : type.options)
            if (option.id == word) return option.name;
        return word.empty() ? words("none") : word;
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
    case Unit::Millimetres:
        return text + " mm";
    case Unit::Stops:
    case Unit::Percent:
    case Unit::None:
        break;
    }
    return text;
}

Value valueIn(const ParameterType& type, const Stage& stage) {
    const auto at = stage.parameters.find(type.id);
    if (at == stage.parameters.end() || at->second.index() != type.defaultValue.index()) return type.defaultValue;
    const auto* number = std::get_if<double>(&at->second);
    return number ? std::clamp(*number, type.minimum, type.maximum) : at->second;
}

std::size_t optionIndex(const ParameterType& type, const Value& word) {
    const auto& chosen = std::get<std::string>(word);
    const auto at = std::find_if(type.options.begin(), type.options.end(),
                                 [&](const ParameterType::Option& option) { return option.id == chosen; });
    return at == type.options.end() ? 0 : static_cast<std::size_t>(at - type.options.begin());
}

} // namespace baryton
