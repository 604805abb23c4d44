#pragma once
#include "grade/preset.h"

namespace baryton {

/// A preset that was put on a grade, and what that did, so that it can be changed or taken off again.
struct InForce {
    Preset preset; ///< as it was when it was applied
    ApplyMode mode = ApplyMode::Set;
    double strength = 1; ///< 0…2
    bool isOn = true;    ///< off: taken off, but remembered at its place

    std::vector<Change> set;         ///< values it changed in layers and stages that were there
    std::vector<Stage> madeStages;   ///< stages it made, as it made them
    std::vector<Layer> madeLayers;   ///< layers it made, without their stages
    std::size_t place = 0;           ///< where in the Look its first layer stands
    std::vector<Layer> replacedLook; ///< under Replace: the Look that was there
    std::vector<InForce> replaced;   ///< under Replace: what was in force before

    bool operator==(const InForce&) const = default;
};

/// A kept version of a picture's grade.
struct Take {
    std::string name;
    Grade grade;
    std::vector<InForce> inForce;
    bool operator==(const Take&) const = default;
};

/// All that is kept for one picture: the grade that is shown and edited, and the takes, of which it is one. Without
/// takes there is just the grade; with them `takes[active].grade` is the state at which that take was last left.
struct PictureWork {
    Grade grade;
    std::vector<Take> takes;
    std::size_t active = 0;
    std::vector<InForce> inForce; ///< the presets put on `grade`, in the order they were
    bool operator==(const PictureWork&) const = default;
};

/// The takes as they are now, the active one with the grade in hand; one when none was kept.
std::vector<Take> takesOf(const PictureWork& work);
/// Keeps the grade as it is under a name of its own (the first free "Take n" when empty) and goes on in a copy of it.
PictureWork withTakeKept(const PictureWork& work, const std::string& name = {});
/// Goes on with another take. An index that is not there changes nothing; so below.
PictureWork withTakeChosen(const PictureWork& work, std::size_t index);
PictureWork withTakeRenamed(const PictureWork& work, std::size_t index, const std::string& name);
/// The last take stays. When the active one goes, its neighbour is chosen.
PictureWork withTakeRemoved(const PictureWork& work, std::size_t index);

} // namespace baryton
