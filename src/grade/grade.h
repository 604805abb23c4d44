#pragma once
#include "grade/lut_table.h"
#include "grade/mask.h"
#include "grade/picture_content.h"

#include <map>
#include <optional>
#include <string>
#include <variant>
#include <vector>

namespace baryton {

/// Fields of newer versions as the text of a JSON object, written back as they were; empty for none.
using UnknownFields = std::string;

struct CurvePoint {
    double x = 0, y = 0; ///< in the working encoding, 0…1
    bool operator==(const CurvePoint&) const = default;
};
/// Points by rising x; empty means the straight line.
using Curve = std::vector<CurvePoint>;

/// The value of one parameter: a number (in the unit of its description), a switch, a choice by id, a curve, a LUT, a
/// picture, a mask.
using Value = std::variant<double, bool, std::string, Curve, LutContent, PictureContent, Mask>;

/// One operation with its parameters. A parameter that is not present stands at its default; so do `enabled` (true)
/// and `strength` (1). In a preset the same struct says what is *carried*: present means carried, at whatever value.
struct Stage {
    std::string id;    ///< unique in its grade
    std::string type;  ///< the id of a stage type
    std::string label; ///< the user's name for it; empty for the type's name
    std::optional<bool> enabled;
    std::optional<double> strength; ///< 0…1
    std::map<std::string, Value> parameters;
    UnknownFields unknown;

    bool isEnabled() const { return enabled.value_or(true); }
    double strengthOrFull() const { return strength.value_or(1.0); }
    bool operator==(const Stage&) const = default;
};

/// A named run of stages with a strength of its own, laid over what comes before it by a blend mode, where its mask
/// lets it.
struct Layer {
    std::string id;
    std::string name;
    std::optional<bool> enabled;
    std::optional<double> strength;   ///< 0…1
    std::optional<std::string> blend; ///< the id of a blend mode (see render/blend.h); normal when absent
    std::optional<Mask> mask;         ///< everywhere when absent
    std::vector<Stage> stages;
    UnknownFields unknown;

    bool isEnabled() const { return enabled.value_or(true); }
    bool isMasked() const { return mask && !mask->isEmpty(); }
    double strengthOrFull() const { return strength.value_or(1.0); }
    std::string blendOrNormal() const { return blend.value_or("normal"); }
    /// Whether what its stages make takes the place of what was there, everywhere and all of it.
    bool isLaidOverWhole() const {
        return isEnabled() && strengthOrFull() == 1 && blendOrNormal() == "normal" && !isMasked();
    }
    bool operator==(const Layer&) const = default;
};

/// The highest number that an id of each stem ever had ("curves-3": 3 of "curves"), so that none comes back after its
/// stage is gone: what is kept elsewhere under an id, in takes, presets in force and steps of undo, never comes to
/// mean another stage. It is no part of what a grade *is*: grades that differ in it alone are equal.
struct GivenIds {
    std::map<std::string, int> highest;
    bool operator==(const GivenIds&) const { return true; }
};

/// No picture is longer than so many times its short side, as far as anybody reckons with.
constexpr double kMostAspect = 1000;

/// What a grade knows of its picture, so that what is relative to a frame can be laid into it. No part of what the
/// grade *is* either.
struct PictureShape {
    double aspect = 0; ///< width over height as the file has it, upright; 0 while unknown
    bool operator==(const PictureShape&) const { return true; }
};

/// Everything done to one picture, as a plain value: copying takes a snapshot, comparing finds changes.
struct Grade {
    std::vector<Stage> prep;   ///< this picture only: exposure, white balance; each type once
    std::vector<Layer> look;   ///< the style, in the order it acts
    std::vector<Stage> finish; ///< over the whole frame; each type once
    GivenIds given;
    PictureShape picture;
    UnknownFields unknown;

    bool operator==(const Grade&) const = default;
};

enum class Part { Prep, Look, Finish };
std::string partName(Part part); ///< "prep", "look", "finish"

/// Where a stage is in a grade; `layer` counts only in the Look.
struct StagePlace {
    Part part = Part::Look;
    std::size_t layer = 0, index = 0;
    bool operator==(const StagePlace&) const = default;
};

/// How many stages a grade or a preset may have, in all its layers; enough for any, and little enough for what walks
/// through them all at every move of a control.
constexpr std::size_t kMostStages = 1000;

/// All stages of a grade in the order they act.
std::vector<StagePlace> stagePlaces(const Grade& grade);
const Stage& stageAt(const Grade& grade, const StagePlace& place);
Stage& stageAt(Grade& grade, const StagePlace& place);
std::optional<StagePlace> findStage(const Grade& grade, const std::string& stageId);
/// The run of stages that a place belongs to.
std::vector<Stage>& stagesOf(Grade& grade, const StagePlace& place);

/// An id that no stage or layer of the grade has or, as far as `given` knows, had: the stem and the next number.
std::string freeId(const Grade& grade, const std::string& stem);
/// Notes in `given` the ids that stand in the grade, and those that another version of the picture has given.
void noteGivenIds(Grade& grade, const GivenIds& others = {});

} // namespace baryton
