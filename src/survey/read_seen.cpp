#include "survey/read_seen.h"
#include "stages/source.h"

namespace baryton {

namespace {

Picture framedTo(const SmallPicture& seen, const Grade& grade, int longSide) {
    if (seen.picture.isEmpty()) return {};
    const Geometry geometry = geometryOf(grade, seen.shot);
    return scaledDownTo(geometry.isNone() ? seen.picture : inPlace(seen.picture, geometry), longSide);
}

} // namespace

SurveyPicture surveyPicture(const SmallPicture& seen, const Grade& grade) {
    return {framedTo(seen, grade, kSurveySide), seen.size.isFine()};
}

RunPicture runPicture(const SmallPicture& seen, const Grade& grade) {
    return {seen.shot, framedTo(seen, grade, kSceneSide)};
}

} // namespace baryton
