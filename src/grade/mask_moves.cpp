#include "grade/mask_moves.h"
#include "grade/mask_numbers.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

std::vector<SharedStroke> changed(const std::vector<SharedStroke>& strokes, const auto& change) {
    std::vector<SharedStroke> next;
    next.reserve(strokes.size());
    for (const SharedStroke& shared : strokes) {
        MaskStroke stroke = *shared;
        change(stroke);
        next.push_back({std::make_shared<const MaskStroke>(std::move(stroke))});
    }
    return next;
}

} // namespace

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
        brush->strokes = changed(brush->strokes, [](MaskStroke& stroke) {
            for (StrokePoint& point : stroke.points) point.x = 1 - point.x;
        });
    return next;
}

bool isIdentity(const MaskPlacement& placement) {
    return placement.moveX == 0 && placement.moveY == 0 && placement.scale == 1 &&
           std::remainder(placement.turn, 360) == 0;
}

MaskPlacement inverse(const MaskPlacement& placement) {
    MaskPlacement back = placement;
    const double angle = -std::remainder(placement.turn, 360) * std::numbers::pi / 180;
    back.scale = 1 / placement.scale, back.turn = -placement.turn;
    back.moveX = -(placement.moveX * std::cos(angle) - placement.moveY * std::sin(angle)) / placement.scale;
    back.moveY = -(placement.moveX * std::sin(angle) + placement.moveY * std::cos(angle)) / placement.scale;
    return back;
}

MaskShape moved(const MaskShape& shape, const MaskMove& move) {
    MaskShape next = shape;
    const auto turned = [&](double by, double turn) { return by + (move.isMirrored ? -turn : turn); };
    const auto putStroke = [&](MaskStroke& stroke) {
        if (!stroke.points.empty()) stroke.size *= move.around(stroke.points[0].x, stroke.points[0].y).scale;
        for (StrokePoint& point : stroke.points) move.put(point.x, point.y);
    };
    if (auto* ellipse = std::get_if<MaskEllipse>(&next.form)) {
        const auto [scale, turn] = move.around(ellipse->x, ellipse->y);
        move.put(ellipse->x, ellipse->y);
        ellipse->radiusX *= scale, ellipse->radiusY *= scale, ellipse->turn = turned(turn, ellipse->turn);
    } else if (auto* ramp = std::get_if<MaskRamp>(&next.form)) {
        move.put(ramp->fromX, ramp->fromY), move.put(ramp->toX, ramp->toY);
    } else if (auto* brush = std::get_if<MaskBrush>(&next.form)) {
        brush->strokes = changed(brush->strokes, putStroke);
    } else if (auto* object = std::get_if<MaskObject>(&next.form)) {
        const auto [scale, turn] = move.around(object->x, object->y);
        move.put(object->x, object->y);
        object->width *= scale, object->height *= scale, object->turn += turn;
        object->grow *= scale, object->feather *= scale;
        for (StrokePoint& point : object->outline) move.put(point.x, point.y);
        object->strokes = changed(object->strokes, putStroke);
    } else if (auto* other = std::get_if<MaskOfLayer>(&next.form); other && other->mask) {
        Mask inner = settled(*other->mask, move.aspect);
        for (MaskShape& each : inner.shapes) each = moved(each, move);
        other->mask = std::make_shared<const Mask>(std::move(inner));
    }
    return next;
}

namespace {

/// By how much a shape must shrink toward the middle to lie within what a mask may have.
class Reach {
public:
    double share() const { return share_; }
    void see(double x, double y) {
        for (const double far : {std::abs(x - 0.5), std::abs(y - 0.5)})
            share_ = std::min(share_, (kMaskReach - 0.5) / far);
    }
    void seeLength(double length, double most) { share_ = std::min(share_, most / length); }
    void see(const MaskStroke& stroke) {
        seeLength(stroke.size, kLargestBrush);
        for (const StrokePoint& point : stroke.points) see(point.x, point.y);
    }

private:
    double share_ = 1;
};

/// A shape that a move took beyond what a mask may have is drawn in toward the middle as a whole, so that the middle
/// lies in it as before, and a ramp still runs the same way; its other numbers are held to their ranges.
void hold(MaskShape& shape) {
    if (auto* other = std::get_if<MaskOfLayer>(&shape.form); other && other->mask) {
        Mask inner = *other->mask;
        for (MaskShape& each : inner.shapes) hold(each);
        other->mask = std::make_shared<const Mask>(std::move(inner));
        return;
    }
    Reach reach;
    if (const auto* ellipse = std::get_if<MaskEllipse>(&shape.form)) {
        reach.see(ellipse->x, ellipse->y);
        for (const double radius : {ellipse->radiusX, ellipse->radiusY}) reach.seeLength(radius, kMaskReach);
    } else if (const auto* ramp = std::get_if<MaskRamp>(&shape.form)) {
        reach.see(ramp->fromX, ramp->fromY), reach.see(ramp->toX, ramp->toY);
    } else if (const auto* brush = std::get_if<MaskBrush>(&shape.form)) {
        for (const SharedStroke& stroke : brush->strokes) reach.see(*stroke);
    } else if (const auto* object = std::get_if<MaskObject>(&shape.form)) {
        reach.see(object->x, object->y);
        for (const double side : {object->width, object->height}) reach.seeLength(side, kMaskReach);
        for (const StrokePoint& point : object->outline) reach.see(point.x, point.y);
        for (const SharedStroke& stroke : object->strokes) reach.see(*stroke);
    }
    if (const double share = reach.share(); share < 1) {
        MaskMove inward;
        inward.put = [share](double& x, double& y) { x = 0.5 + share * (x - 0.5), y = 0.5 + share * (y - 0.5); };
        inward.around = [share](double, double) { return MaskMove::Turned{share, 0}; };
        shape = moved(shape, inward);
    }
    std::visit(
        [&]<class Form>(Form& form) {
            if constexpr (requires { form.turn; }) form.turn = std::remainder(form.turn, 360);
            for (const auto& number : kMaskNumbers<Form>)
                form.*number.member = std::clamp(form.*number.member, number.low, number.high);
            if constexpr (requires { form.strokes; })
                form.strokes = changed(form.strokes, [](MaskStroke& stroke) {
                    stroke.size = std::clamp(stroke.size, kLeastMaskLength, kLargestBrush);
                });
        },
        shape.form);
}

} // namespace

Mask moved(const Mask& mask, const MaskMove& move) {
    Mask next = mask;
    next.placement = {};
    for (MaskShape& shape : next.shapes) {
        shape = moved(placed(shape, mask.placement, move.aspect), move);
        hold(shape);
    }
    next.grow = std::clamp(mask.grow * move.scale, -kMostMaskGrowth, kMostMaskGrowth);
    next.feather = std::clamp(mask.feather * move.scale, 0.0, kMostMaskFeather);
    return next;
}

MaskShape placed(const MaskShape& shape, const MaskPlacement& placement, double aspect) {
    if (isIdentity(placement)) return shape;
    const double width = std::min(1.0, aspect), height = std::min(1.0, 1 / aspect);
    const double turn = std::remainder(placement.turn, 360), angle = turn * std::numbers::pi / 180;
    const double c = placement.scale * std::cos(angle), s = placement.scale * std::sin(angle);
    MaskMove move;
    move.put = [&](double& x, double& y) {
        const double dx = (x - placement.x) * width, dy = (y - placement.y) * height;
        x = placement.x + (placement.moveX + c * dx - s * dy) / width;
        y = placement.y + (placement.moveY + s * dx + c * dy) / height;
    };
    move.around = [&](double, double) { return MaskMove::Turned{placement.scale, turn}; };
    move.aspect = aspect;
    return moved(shape, move);
}

std::optional<MaskBounds> boundsOf(const Mask& mask, double aspect) {
    const double width = std::min(1.0, aspect), height = std::min(1.0, 1 / aspect);
    std::optional<MaskBounds> bounds;
    const auto hold = [&](double x, double y, double reachX, double reachY) {
        const MaskBounds one{x - reachX / width, y - reachY / height, x + reachX / width, y + reachY / height};
        if (!bounds) bounds = one;
        bounds->left = std::min(bounds->left, one.left), bounds->right = std::max(bounds->right, one.right);
        bounds->top = std::min(bounds->top, one.top), bounds->bottom = std::max(bounds->bottom, one.bottom);
    };
    for (const MaskShape& shape : mask.shapes) {
        if (const auto* ellipse = std::get_if<MaskEllipse>(&shape.form)) {
            const double angle = ellipse->turn * std::numbers::pi / 180, c = std::cos(angle), s = std::sin(angle);
            hold(ellipse->x, ellipse->y, std::hypot(ellipse->radiusX * c, ellipse->radiusY * s),
                 std::hypot(ellipse->radiusX * s, ellipse->radiusY * c));
        } else if (const auto* ramp = std::get_if<MaskRamp>(&shape.form)) {
            hold(ramp->fromX, ramp->fromY, 0, 0), hold(ramp->toX, ramp->toY, 0, 0);
        } else if (const auto* brush = std::get_if<MaskBrush>(&shape.form)) {
            for (const SharedStroke& stroke : brush->strokes)
                for (const StrokePoint& p : stroke->points) hold(p.x, p.y, stroke->size, stroke->size);
        } else if (const auto* object = std::get_if<MaskObject>(&shape.form)) {
            for (const StrokePoint& p : object->outline) hold(p.x, p.y, 0, 0);
        }
    }
    return bounds;
}

namespace {

/// A radius that is whole up to `inner` and nothing from `outer` on, as it is once both have moved: the edge by
/// `grow`, its ends apart by `feather`.
struct Edge {
    double radius = 0, softness = 0;
    Edge(double before, double softBefore, double grow, double feather) {
        const double outer = before + grow + feather / 2, inner = before * (1 - softBefore) + grow - feather / 2;
        radius = std::max(outer, 0.0);
        softness = outer > 0 ? std::clamp(1 - inner / outer, 0.0, 2.0) : 0;
    }
};

void grow(MaskStroke& stroke, double by, double feather) {
    const double before = stroke.size;
    const Edge edge(before, stroke.softness, stroke.erases ? -by : by, feather);
    const double wider = edge.radius - before;
    stroke.size = std::max(edge.radius, kLeastMaskLength), stroke.softness = edge.softness;
    if (edge.radius < kLeastMaskLength) stroke.flow = 0; // grown away
    // Where the pen was lighter the edge moves as far.
    for (StrokePoint& point : stroke.points)
        point.width = std::clamp((before * point.width + wider) / stroke.size, 0.0, 1.0);
}

void grow(MaskShape& shape, double by, double feather, double aspect) {
    if (auto* ellipse = std::get_if<MaskEllipse>(&shape.form)) {
        const double mean = (ellipse->radiusX + ellipse->radiusY) / 2;
        const Edge edge(mean, ellipse->feather, by, feather);
        const double wider = edge.radius - mean;
        ellipse->radiusX = std::max(ellipse->radiusX + wider, kLeastMaskLength);
        ellipse->radiusY = std::max(ellipse->radiusY + wider, kLeastMaskLength);
        ellipse->feather = edge.softness;
    } else if (auto* ramp = std::get_if<MaskRamp>(&shape.form)) {
        const double width = std::min(1.0, aspect), height = std::min(1.0, 1 / aspect);
        const double dx = (ramp->toX - ramp->fromX) * width, dy = (ramp->toY - ramp->fromY) * height;
        const double length = std::max(std::hypot(dx, dy), kLeastMaskLength);
        const double alongX = dx / length / width, alongY = dy / length / height;
        ramp->fromX += alongX * (by - feather / 2), ramp->fromY += alongY * (by - feather / 2);
        ramp->toX += alongX * (by + feather / 2), ramp->toY += alongY * (by + feather / 2);
    } else if (auto* brush = std::get_if<MaskBrush>(&shape.form)) {
        brush->strokes = changed(brush->strokes, [&](MaskStroke& stroke) { grow(stroke, by, feather); });
    } else if (auto* object = std::get_if<MaskObject>(&shape.form)) {
        object->grow += by, object->feather += feather;
    } else if (auto* other = std::get_if<MaskOfLayer>(&shape.form); other && other->mask) {
        Mask inner = settled(*other->mask, aspect);
        inner.grow = by, inner.feather = feather;
        other->mask = std::make_shared<const Mask>(std::move(inner));
    }
}

} // namespace

Mask settled(const Mask& mask, double aspect) {
    Mask next = mask;
    next.placement = {}, next.grow = 0, next.feather = 0;
    const double by = mask.isInverted ? -mask.grow : mask.grow;
    for (MaskShape& shape : next.shapes) {
        if (!isIdentity(mask.placement)) shape = placed(shape, mask.placement, aspect);
        if (by == 0 && mask.feather == 0) continue;
        const bool isLess = (shape.way == MaskShape::Way::TakeAway) != shape.isInverted;
        grow(shape, isLess ? -by : by, mask.feather, aspect);
    }
    return next;
}

} // namespace baryton
