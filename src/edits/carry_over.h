#pragma once
#include "stages/stage_type.h"

namespace baryton {

/// What an edit of one picture makes of another: `target` with everything that differs from `before` to `after`, and
/// nothing else. Values come as they are; stages are found by layer name, label, or as the k-th of their type, as
/// presets find them. Stages that were added are added, those that were removed are removed. Where the target's Look
/// is the one that was edited, it becomes the edited one.
Grade carriedOver(const Grade& target, const Grade& before, const Grade& after);

/// The preset that does again what an edit did: it carries what differs, values back at their defaults too.
Preset presetOfChanges(const Grade& before, const Grade& after);

/// The preset with the values that a grade has now. What it carries stays just what it was; entries for which the
/// grade has no stage keep their values.
Preset savedOver(const Preset& preset, const Grade& grade);

} // namespace baryton
