#pragma once
#include "grade/preset.h"

#include <cstddef>
#include <string>
#include <vector>

namespace baryton {

/// Text is a name of something that is known elsewhere; empty for none.
enum class ParameterKind { Number, Toggle, Choice, CurveShape, LutFile, Picture, Text, Mask };
/// Pixels are those of the full-size picture; PerMille are thousandths of the frame's long side.
enum class Unit { None, Stops, Kelvin, Percent, Degrees, Pixels, PerMille, Millimetres };

/// What there is to know of a parameter; editors, files, the command line and the docs all come from it.
struct ParameterType {
    std::string id;   ///< as it stands in files: "shadows.hue"
    std::string name; ///< the trade's name: "Shadows hue"
    ParameterKind kind = ParameterKind::Number;
    Unit unit = Unit::None;
    double minimum = 0, maximum = 1, step = 0.01;
    Value defaultValue = 0.0;
    std::string tooltip;  ///< what happens to the picture
    bool inverse = false; ///< sliders go evenly in 1 / value
    bool wraps = false;   ///< an angle: maximum and minimum are the same place
    struct Option {
        std::string id, name;
    };
    std::vector<Option> options{}; ///< of a Choice
    /// Where it acts only through other parameters, which those are: a hue through its amount. While all of them
    /// stand at their defaults it changes nothing.
    std::vector<std::string> actsThrough{};
    /// Where it counts only for one option of a Choice: the Choice's id, and the option's.
    std::string onlyWith{}, onlyWithOption{};
    /// A hue that is stored as an angle of the vectorscope, as pulls are; it is shown as the OKLCh hue that it pulls
    /// toward, like every other (see colour/hue_scale.h).
    bool onVectorscope = false;
};

/// Number as it is shown and typed: a percentage for Unit::Percent, a hue in OKLCh, else as stored.
double shownNumber(const ParameterType& type, double stored);
double storedNumber(const ParameterType& type, double shown);
/// With sign where the range has both, the unit, and just the digits that the step needs: "+0.40", "5200 K", "−18 %".
std::string shownText(const ParameterType& type, const Value& value);

/// What a stage says of a parameter, held to its range where it is a number; the default where it says nothing, or
/// something of the wrong kind.
Value valueIn(const ParameterType& type, const Stage& stage);
/// The place of the chosen option among a Choice's; the first for a word that is none of them.
std::size_t optionIndex(const ParameterType& type, const Value& word);

} // namespace baryton
