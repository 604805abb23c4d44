#include "stages/source.h"
#include "stages/raw.h"

#include <utility>

namespace baryton {

SourceSettings sourceSettingsOf(const Grade& grade) {
    return {rawOf(grade), lensOf(grade), frameOf(grade)};
}

Geometry geometryOf(const SourceSettings& settings, const Shot& shot) {
    return {correctionFor(settings.lens, shot), settings.frame};
}

Geometry geometryOf(const Grade& grade, const Shot& shot) {
    return {correctionFor(lensOf(grade), shot), frameOf(grade)};
}

Placement placementOf(const Geometry& geometry, int width, int height) {
    Placement placement = placementOf(geometry.frame, width, height);
    if (placement.orientation.swapsSides()) std::swap(width, height);
    placement.lens = LensMap::of(geometry.lens, width, height, placement.orientation);
    return placement;
}

Picture inPlace(const Picture& picture, const Geometry& geometry) {
    return placed(picture, placementOf(geometry, picture.width(), picture.height()));
}

} // namespace baryton
