#pragma once
#include "grade/preset.h"

namespace baryton {

/// A preset that was put on a grade, and what that did, so that it can be changed or taken off again.
struct InForce {
    Preset preset; ///< as it was when it was applied
    ApplyMode mode = ApplyMode::Set;
    double strength = 1; ///< 0…2
    bool isOn = true;    ///< off: taken off, but remembered at its place

    /// The frame that its masks were laid into, as frameOnly has it; nothing without drawn masks. A frame that
    /// changes later moves none of them.
    std::optional<Grade> laidIn;

    std::vector<Change> set;         ///< values it changed in layers and stages that were there
    std::vector<Stage> madeStages;   ///< stages it made, as it made them
    std::vector<Layer> madeLayers;   ///< layers it made, without their stages
    std::size_t place = 0;           ///< where in the Look its first layer stands
    std::vector<Layer> replacedLook; ///< under Replace: the Look that was there
    std::vector<InForce> replaced;   ///< under Replace: what was in force before

    bool operator==(const InForce&) const = default;
};

/// A kept version of a picture's grade. It never changes; one goes on from it.
struct Take {
    std::string name;
    Grade grade;
    std::vector<InForce> inForce;
    bool operator==(const Take&) const = default;
};

/// A place among the takes: the state that a picture started from, which is always there.
constexpr int kStartTake = -1;

/// All that is kept for one picture: the grade in hand, which is shown and edited, and the takes.
struct PictureWork {
    Grade grade;
    std::vector<Take> takes;
    int from = kStartTake;        ///< the take that the grade in hand goes on from
    std::vector<InForce> inForce; ///< the presets put on `grade`, in the order they were
    bool operator==(const PictureWork&) const = default;
};

/// Keeps the grade in hand as it is, under a name of its own (the first free "Take n" when empty); work goes on from
/// it.
PictureWork withTakeKept(const PictureWork& work, const std::string& name = {});
/// Whether the grade in hand is just as one of the takes is.
bool isKeptAsTake(const PictureWork& work);
/// Goes on from a take. An index that is not there changes nothing; so below. What was in hand is lost unless it was
/// kept.
PictureWork withTakeInHand(const PictureWork& work, int take);
PictureWork withTakeRenamed(const PictureWork& work, int take, const std::string& name);
/// The grade in hand stays as it is.
PictureWork withTakeRemoved(const PictureWork& work, int take);

} // namespace baryton
