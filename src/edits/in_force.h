#pragma once
#include "grade/takes.h"

namespace baryton {

/// The picture with a preset put on its grade (see appliedWithStrength) and listed as in force. One that is in force
/// already under Set or Replace, by name, is taken off first, so that applying it again changes nothing. A preset
/// that changes nothing is not listed.
PictureWork withPreset(const PictureWork& work, const Preset& preset, ApplyMode mode, double strength = 1);

/// The picture with a preset taken off: values that it set and that nobody changed since go back to what they were,
/// stages and layers that it made go unless something in them was changed, a Look that it replaced comes back.
/// An index that is not there changes nothing; so below.
PictureWork withoutPreset(const PictureWork& work, std::size_t index);

/// The picture with a preset in force put on anew, at the same place, as `wanted` says: another preset (swapped),
/// mode, strength, on or off. What later presets and hands set stays.
PictureWork withPresetChanged(const PictureWork& work, std::size_t index, const InForce& wanted);

/// Whether something that the preset set was changed since, by hand. What a later preset set is no change.
bool isChangedSince(const PictureWork& work, std::size_t index);

/// The preset with the values that it has on this picture now, wherever it stands there. What it carries stays.
Preset presetAsWorn(const PictureWork& work, std::size_t index);
/// The picture after its preset was saved over with those values: what is there now is what the preset set.
PictureWork withPresetSavedOver(const PictureWork& work, std::size_t index, const Preset& preset);

/// Drops from the list what left no trace in the grade, such as after a reset.
PictureWork withoutSpentPresets(const PictureWork& work);

} // namespace baryton
