#include "grade/mask_moves.h"

namespace baryton {

bool canMirror(const MaskShape& shape) {
    return std::holds_alternative<MaskEllipse>(shape.form) || std::holds_alternative<MaskRamp>(shape.form) ||
           std::holds_alternative<MaskBrush>(shape.form);
}

MaskShape mirrored(const MaskShape& shape) {
    MaskShape next = shape;
    if (auto* ellipse = std::get_if<MaskEllipse>(&next.form))
        ellipse->x = 1 - ellipse->x, ellipse->turn = -ellipse->turn;
    if (auto* ramp = std::get_if<MaskRamp>(&next.form)) ramp->fromX = 1 - ramp->fromX, ramp->toX = 1 - ramp->toX;
    if (auto* brush = std::get_if<MaskBrush>(&next.form))
        for (SharedStroke& shared : brush->strokes) {
            MaskStroke stroke = *shared;
            for (StrokePoint& point : stroke.points) point.x = 1 - point.x;
            shared.stroke = std::make_shared<const MaskStroke>(std::move(stroke));
        }
    return next;
}

} // namespace baryton
