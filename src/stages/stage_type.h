#pragma once
#include "base/error.h"
#include "grade/preset.h"
#include "picture/picture.h"
#include "stages/kernel.h"

#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace baryton {

enum class ParameterKind { Number, Toggle, Choice, CurveShape, LutFile };
/// Pixels are those of the full-size picture; PerMille are thousandths of the frame's long side.
enum class Unit { None, Stops, Kelvin, Percent, Degrees, Pixels, PerMille };

/// What there is to know of a parameter; editors, files, the command line and the docs all come from it.
struct ParameterType {
    std::string id;   ///< as it stands in files: "shadows.hue"
    std::string name; ///< the trade's name: "Shadows hue"
    ParameterKind kind = ParameterKind::Number;
    Unit unit = Unit::None;
    double minimum = 0, maximum = 1, step = 0.01;
    Value defaultValue = 0.0;
    std::string tooltip; ///< what happens to the picture
    bool mired = false;  ///< sliders go evenly in 1e6 / value
    bool wraps = false;  ///< an angle: maximum and minimum are the same place
    struct Option {
        std::string id, name;
    };
    std::vector<Option> options{}; ///< of a Choice
    /// Where it acts only through other parameters, which those are: a hue through its amount. While all of them
    /// stand at their defaults it changes nothing.
    std::vector<std::string> actsThrough{};
    /// A hue that is stored as an angle of the vectorscope, as pulls are; it is shown as the OKLCh hue that it pulls
    /// toward, like every other (see colour/hue_scale.h).
    bool onVectorscope = false;
};

/// Number as it is shown and typed: a percentage for Unit::Percent, a hue in OKLCh, else as stored.
double shownNumber(const ParameterType& type, double stored);
double storedNumber(const ParameterType& type, double shown);
/// With sign where the range has both, the unit, and just the digits that the step needs: "+0.40", "5200 K", "−18 %".
std::string shownText(const ParameterType& type, const Value& value);

class StageType;

/// A stage's parameters with the defaults filled in. Asking for one that the type has not throws std::logic_error.
class ParameterReader {
public:
    ParameterReader(const StageType& type, const Stage& stage) : type_(type), stage_(stage) {}
    double number(const std::string& id) const;
    bool toggle(const std::string& id) const;
    const std::string& choice(const std::string& id) const;
    /// The place of the chosen option among them.
    int choiceIndex(const std::string& id) const;
    const Curve& curve(const std::string& id) const;
    const LutContent& lut(const std::string& id) const;

private:
    const Value& value(const std::string& id) const;
    const StageType& type_;
    const Stage& stage_;
};

/// One kind of operation: what it is (names, parameters, where it may stand) and how it is made ready to run.
class StageType {
public:
    std::string id;
    std::string name;
    std::string summary; ///< one sentence for tooltips and the docs
    std::vector<Part> parts;
    Footprint footprint = Footprint::Colour;
    std::vector<ParameterType> parameters;
    /// True when these parameters return the input bit for bit.
    std::function<bool(const ParameterReader&)> isNeutral;
    /// Of Colour and Place. Called, as the two below, with parameters in their ranges and not neutral.
    std::function<Kernel(const ParameterReader&)> compile;
    /// What a stage that the user adds starts with, where its defaults would show nothing.
    std::map<std::string, Value> starters{};
    /// Of Narrow; `scale` is how many pixels there are for one of the full-size picture, seldom more than 1.
    std::function<AreaKernel(const ParameterReader&, double scale)> compileNarrow{};
    /// Of Wide; `base` is what enters the stage: the whole frame, small, in the working encoding.
    std::function<Kernel(const ParameterReader&, const Picture& base)> compileWide{};

    bool bakes() const { return footprint == Footprint::Colour; }
    const ParameterType* parameter(const std::string& parameterId) const;
    bool standsIn(Part part) const;
};

/// All stage types, in the order in which they are offered. Filled once, before main.
const std::vector<const StageType*>& stageTypes();
/// The type with this id, or nothing for a type that this version does not know.
const StageType* findStageType(const std::string& id);

/// True when the stage does not change the picture: off, at strength 0, at neutral parameters, or of unknown type.
bool isNeutral(const Stage& stage);
/// True when no stage of the grade changes the picture.
bool isNeutral(const Grade& grade);
/// The defaults of every parameter of every stage in the grade, as `carve` wants them.
std::map<std::string, std::map<std::string, Value>> defaultsFor(const Grade& grade);
/// The stage's own name: its label, else its type's name, else the id of the unknown type.
std::string stageTitle(const Stage& stage);
/// The same, with a number where an earlier stage of the grade has the same name: "Curves", "Curves 2".
std::string stageTitle(const Grade& grade, const Stage& stage);

/// A fresh stage of a type, at its defaults, with an id that is free in the grade.
Stage makeStage(const Grade& grade, const std::string& type);
/// The stages that a picture starts with, all neutral.
Grade startingGrade();

/// What is wrong with a grade: unknown stages or parameters, values of the wrong kind or out of range, stages where
/// they may not stand. Each names the JSON path. Empty when all is well.
std::vector<Error> validate(const Grade& grade);
/// Throws the first of them.
void requireValid(const Grade& grade);
/// The grade with every value that `validate` would refuse put right: numbers held to their ranges, values of a wrong
/// kind dropped. Unknown stages and parameters are kept. For grades that come back from a user's folder.
Grade repaired(const Grade& grade);

} // namespace baryton
