#pragma once
#include "grade/own_fields.h"

namespace baryton {

/// A file that carries chosen parts of a grade. In `carried`, what is present is carried (also at its default), what
/// is absent is left alone when the preset is applied.
struct Preset {
    std::string name;
    std::string notes;               ///< when to use it
    std::string author;              ///< who made it
    std::vector<std::string> covers; ///< small JPEG files that show it, as bytes
    Grade carried;
    UnknownFields unknown;

    bool operator==(const Preset&) const = default;
};

enum class ApplyMode {
    Set,      ///< sets just what is carried, in the layers and stages that are there
    AddAbove, ///< the carried layers go above what is there, under the preset's name; Prep and Finish are set
    Replace,  ///< the Look and the Finish become the preset's, each where one is carried; Prep is set. No id of what
              ///< goes is used again
};

/// The grade with the preset applied.
///
/// Set: a layer is matched by name (else made, on top); a stage within it by label, else as the k-th of its type
/// (else put after the stage that comes before it in the preset). Prep and Finish hold each type once, so there every
/// mode sets. Strength 0…1 is multiplied into added layers; under Set it counts only as 1.
Grade applied(const Grade& grade, const Preset& preset, ApplyMode mode, double strength = 1);

/// "set", "add", "replace", as files and the command line name them; nothing for other words.
std::string applyModeId(ApplyMode mode);
std::optional<ApplyMode> applyModeFromId(const std::string& id);

/// One thing of a grade that a preset can carry: a parameter of a stage, or an own field of a stage or layer.
struct CarryPath {
    Part part = Part::Look;
    std::string layer;     ///< layer id, in the Look
    std::string stage;     ///< stage id; empty when the layer itself is meant
    std::string parameter; ///< parameter id, or the word of an own field
    auto operator<=>(const CarryPath&) const = default;
};

using IncludeSet = std::vector<CarryPath>;

/// Everything present in a grade, in the order it acts.
IncludeSet presentIn(const Grade& grade);

/// A preset's content: of `grade` just what `include` names. A named parameter that is absent in the grade (at its
/// default) is taken from `defaults`, which holds for each stage id the default of every parameter.
Grade carve(const Grade& grade, const IncludeSet& include,
            const std::map<std::string, std::map<std::string, Value>>& defaults);

/// The preset without some of its entries; stages and layers of which nothing is left go with them.
Preset withoutEntries(const Preset& preset, const IncludeSet& gone);
/// The preset with another value of one entry. A path that it does not carry changes nothing.
Preset withEntry(const Preset& preset, const CarryPath& path, const Value& value);

/// One difference between two grades.
struct Change {
    CarryPath path;
    std::optional<Value> before, after; ///< nothing where it stands at its default
    bool operator==(const Change&) const = default;
};
/// What differs from `before` to `after` in the stages and layers that both have (by id), and in those only one has.
std::vector<Change> diff(const Grade& before, const Grade& after);

} // namespace baryton
