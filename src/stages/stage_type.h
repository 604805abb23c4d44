#pragma once
#include "picture/picture.h"
#include "stages/kernel.h"
#include "stages/parameter_type.h"

#include <functional>
#include <map>
#include <string>
#include <vector>

namespace baryton {

class StageType;

/// A stage's parameters by their ids, for editors and whoever else goes by the description; a stage's own code has
/// them as plain members (see settings.h). Asking for one that the type has not throws std::logic_error.
class ParameterReader {
public:
    ParameterReader(const StageType& type, const Stage& stage) : type_(type), stage_(stage) {}
    double number(const std::string& id) const;
    bool toggle(const std::string& id) const;
    std::string choice(const std::string& id) const;
    /// The place of the chosen option among them.
    int choiceIndex(const std::string& id) const;
    Curve curve(const std::string& id) const;
    LutContent lut(const std::string& id) const;
    PictureContent picture(const std::string& id) const;

private:
    const ParameterType& type(const std::string& id) const;
    const StageType& type_;
    const Stage& stage_;
};

/// One kind of operation: what it is (names, parameters, where it may stand) and how it is made ready to run.
class StageType {
public:
    std::string id;
    std::string name;
    std::string summary;     ///< one sentence for tooltips and the docs
    std::vector<Part> parts; ///< where it may stand, in the order of a grade
    Footprint footprint = Footprint::Colour;
    std::vector<ParameterType> parameters;
    /// True when the stage's parameters return the input bit for bit; its strength and whether it is on don't matter.
    std::function<bool(const Stage&)> isNeutral{};
    /// Of Colour and Place. Called, as those below, with a stage that is not neutral.
    std::function<Kernel(const Stage&)> compile{};
    /// Of Place, instead of `compile`, where what a pixel gets is an average over it: made ready when the pixels are
    /// known.
    std::function<Kernel(const Stage&, const PixelColumns&)> compileForPixels{};
    /// What a stage that the user adds starts with, where its defaults would show nothing.
    std::map<std::string, Value> starters{};
    /// Of Narrow; `scale` is how many pixels there are for one of the full-size picture, seldom more than 1.
    std::function<AreaKernel(const Stage&, double scale)> compileNarrow{};
    /// Of Wide; `base` is what enters the stage: the whole frame, small, in the working encoding.
    std::function<Kernel(const Stage&, const Picture& base)> compileWide{};
    /// That of the kernels which compileForPixels and compileWide make: it must be known before them.
    Domain lateDomain = Domain::Linear;

    bool bakes() const { return footprint == Footprint::Colour; }
    const ParameterType* parameter(const std::string& parameterId) const;
    bool standsIn(Part part) const;
    /// Where one goes when no part is named: the Look before Prep, the Finish before a layer.
    Part usualPart() const { return parts.back(); }
    /// Whether it can be held to a range of tones and hues (see limits.h), which takes a stage of colours.
    bool hasLimits() const { return usualPart() == Part::Look; }
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

} // namespace baryton
