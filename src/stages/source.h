#pragma once
#include "picture/placement.h"
#include "picture/raw_settings.h"
#include "stages/frame.h"
#include "stages/lens.h"

namespace baryton {

/// All that a grade wants done with a picture before it is run over its pixels.
struct SourceSettings {
    RawSettings raw;
    LensSettings lens;
    FrameSettings frame;
    bool operator==(const SourceSettings&) const = default;
};
SourceSettings sourceSettingsOf(const Grade& grade);

/// What of it changes places, for a picture whose shot is known.
struct Geometry {
    LensCorrection lens;
    FrameSettings frame;
    bool isNone() const { return lens.isNone() && frame == FrameSettings(); }
    bool operator==(const Geometry&) const = default;
};
Geometry geometryOf(const SourceSettings& settings, const Shot& shot);
Geometry geometryOf(const Grade& grade, const Shot& shot);

/// Where the frame lies in a picture of this size, freed of what its lens did.
Placement placementOf(const Geometry& geometry, int width, int height);
/// A picture in its frame, freed of what its lens did.
Picture inPlace(const Picture& picture, const Geometry& geometry);

} // namespace baryton
