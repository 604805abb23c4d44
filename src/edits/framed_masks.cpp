#include "edits/framed_masks.h"
#include "grade/mask_moves.h"
#include "picture/frame_place.h"
#include "stages/frame.h"
#include "stages/stage_type.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

/// Where the frame of a grade lies in its picture; nothing where it is the picture, or nobody knows.
std::optional<FramePlace> framePlaceOf(const Grade& grade) {
    const FrameSettings frame = frameOf(grade);
    const double aspect = grade.picture.aspect;
    if (frame == FrameSettings() || aspect <= 0) return {};
    // A frame begins at whole pixels: so many that they count for nothing.
    constexpr double longSide = 1e6;
    int width = static_cast<int>(std::lround(longSide * std::min(1.0, aspect)));
    int height = static_cast<int>(std::lround(longSide * std::min(1.0, 1 / aspect)));
    const Placement placement = placementOf(frame, width, height);
    if (placement.orientation.swapsSides()) std::swap(width, height);
    return FramePlace(placement, width, height);
}

/// From the frame into the picture, or back.
MaskMove moveBetween(const FramePlace& place, double sourceAspect, bool intoPicture) {
    MaskMove move;
    const double from = intoPicture ? place.frameAspect() : sourceAspect;
    const double to = intoPicture ? sourceAspect : place.frameAspect();
    const auto there = [&place, intoPicture](double x, double y) {
        return intoPicture ? place.toSource({x, y}) : place.fromSource({x, y});
    };
    move.aspect = from;
    move.put = [there](double& x, double& y) {
        const SharePoint at = there(x, y);
        x = at.x, y = at.y;
    };
    // How a small step along each axis, in long sides, comes out in those of the other.
    const auto step = [there, from, to](double x, double y, double dx, double dy) {
        const double d = 1e-4;
        const auto side = [](double aspect) { return SharePoint{std::min(1.0, aspect), std::min(1.0, 1 / aspect)}; };
        const SharePoint old = side(from), fresh = side(to);
        const SharePoint a = there(x - d * dx / old.x, y - d * dy / old.y),
                         b = there(x + d * dx / old.x, y + d * dy / old.y);
        return SharePoint{(b.x - a.x) * fresh.x / (2 * d), (b.y - a.y) * fresh.y / (2 * d)};
    };
    move.around = [step](double x, double y) {
        const SharePoint along = step(x, y, 1, 0), down = step(x, y, 0, 1);
        const double area = along.x * down.y - along.y * down.x, way = area < 0 ? -1 : 1;
        // The nearest turn, where a camera's turn bends squares.
        const double angle = std::atan2(along.y - way * down.x, along.x + way * down.y);
        return MaskMove::Turned{std::sqrt(std::abs(area)), angle * 180 / std::numbers::pi};
    };
    const SharePoint middle = intoPicture ? SharePoint{0.5, 0.5} : place.toSource({0.5, 0.5});
    const SharePoint along = step(middle.x, middle.y, 1, 0), down = step(middle.x, middle.y, 0, 1);
    move.scale = move.around(middle.x, middle.y).scale;
    move.isMirrored = along.x * down.y - along.y * down.x < 0;
    return move;
}

std::vector<Layer> moved(std::vector<Layer> look, const Grade& of, bool intoPicture) {
    const auto place = framePlaceOf(of);
    if (!place) return look;
    const MaskMove move = moveBetween(*place, of.picture.aspect, intoPicture);
    for (Layer& layer : look)
        if (layer.isMasked() && !layer.mask->seesOnlyColours()) layer.mask = baryton::moved(*layer.mask, move);
    return look;
}

} // namespace

Grade frameOnly(const Grade& grade) {
    Grade frame;
    std::copy_if(grade.prep.begin(), grade.prep.end(), std::back_inserter(frame.prep),
                 [](const Stage& stage) { return stage.type == kFrameType; });
    frame.picture = grade.picture;
    return frame;
}

bool hasDrawnMasks(const Preset& preset) {
    return std::any_of(preset.carried.look.begin(), preset.carried.look.end(),
                       [](const Layer& layer) { return layer.isMasked() && !layer.mask->seesOnlyColours(); });
}

std::vector<Layer> masksInFrame(std::vector<Layer> look, const Grade& of) {
    return moved(std::move(look), of, false);
}

std::vector<Layer> masksInPicture(std::vector<Layer> look, const Grade& of) {
    return moved(std::move(look), of, true);
}

Grade presetOf(const Grade& grade, const IncludeSet& include) {
    Grade carried = carve(grade, include, defaultsFor(grade));
    carried.look = masksInFrame(std::move(carried.look), grade);
    return carried;
}

} // namespace baryton
