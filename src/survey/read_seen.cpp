#include "survey/read_seen.h"
#include "picture/picture_file.h"
#include "stages/raw.h"
#include "stages/source.h"

namespace baryton {

namespace {

Picture framedTo(const SeenPicture& seen, const Grade& grade, int longSide) {
    if (seen.small.isEmpty()) return {};
    const Geometry geometry = geometryOf(grade, seen.shot);
    return scaledDownTo(geometry.isNone() ? seen.small : inPlace(seen.small, geometry), longSide);
}

} // namespace

SeenPicture readSeen(const std::filesystem::path& file, const Grade& grade) {
    constexpr int longSide = 480; // enough for both, also where a frame takes a part
    SeenPicture seen;
    const PictureSize size = readPictureSize(file);
    seen.small = readThumbnail(file, longSide, rawOf(grade));
    seen.shot = readShot(file);
    seen.aspect = double(size.width) / size.height;
    seen.isFine = size.bits > 8;
    return seen;
}

SurveyPicture surveyPicture(const SeenPicture& seen, const Grade& grade) {
    return {framedTo(seen, grade, kSurveySide), seen.isFine};
}

RunPicture runPicture(const SeenPicture& seen, const Grade& grade) {
    return {seen.shot, framedTo(seen, grade, kSceneSide)};
}

} // namespace baryton
