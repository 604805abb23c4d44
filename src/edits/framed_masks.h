#pragma once
#include "grade/preset.h"

namespace baryton {

// The masks of a grade lie in its picture; those of a preset lie in the frame, so that they come to stand in another
// picture's frame as they stood in this one's: places are fractions of the frame's sides, lengths of its long side.
// In a frame of another shape a place is at the same share of both sides and a circle stays one. What the lens did is
// left out of account, and so is all of it where the picture's shape is not known.

/// What of a grade says how a frame lies in its picture: the Frame stage, and the picture's shape.
Grade frameOnly(const Grade& grade);

/// Whether a preset has masks that are drawn, and so lie somewhere.
bool hasDrawnMasks(const Preset& preset);

/// The layers with their masks taken from the picture of a grade into its frame, and from the frame into the picture.
std::vector<Layer> masksInFrame(std::vector<Layer> look, const Grade& of);
std::vector<Layer> masksInPicture(std::vector<Layer> look, const Grade& of);

/// A preset of what `include` names of a picture's grade, its masks in the frame.
Grade presetOf(const Grade& grade, const IncludeSet& include);

} // namespace baryton
