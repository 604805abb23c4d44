#include "grade/mask.h"
#include "base/words.h"
#include "grade/mask_numbers.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

void checkPath(const std::string& place, const std::vector<StrokePoint>& points, const auto& check) {
    for (const StrokePoint& p : points) {
        check(place, p.x, -kMaskReach, kMaskReach), check(place, p.y, -kMaskReach, kMaskReach);
        check(place, p.width, 0, 1);
    }
}

void checkStroke(const MaskStroke& stroke, const std::string& place, const auto& check) {
    check(place + "/size", stroke.size, kLeastMaskLength, kLargestBrush);
    check(place + "/softness", stroke.softness, 0, 1), check(place + "/flow", stroke.flow, 0, 1);
    checkPath(place + "/path", stroke.points, check);
    if (stroke.colour)
        for (const double v : *stroke.colour) check(place + "/colour", v, -2, 2);
}

/// Calls `check` with the name, value and range of each number of a shape, `say` with what else is wrong of it.
void checkShape(const MaskShape& shape, const auto& check, const auto& say) {
    std::visit(
        [&]<class Form>(const Form& form) {
            for (const auto& number : kMaskNumbers<Form>)
                check(std::string("/") + number.word, form.*number.member, number.low, number.high);
        },
        shape.form);
    if (const auto* ramp = std::get_if<MaskRamp>(&shape.form))
        if (std::hypot(ramp->toX - ramp->fromX, ramp->toY - ramp->fromY) < kLeastMaskLength)
            say("", words("the two places of a ramp must not lie on one another"));
    if (const auto* brush = std::get_if<MaskBrush>(&shape.form)) {
        if (brush->strokes.size() > kMostStrokes)
            say("/strokes", inWords("it has {} strokes; {} is the most", brush->strokes.size(), kMostStrokes));
        std::size_t points = 0;
        for (const SharedStroke& stroke : brush->strokes) points += stroke->points.size();
        if (points > kMostBrushPoints)
            say("/strokes", inWords("its strokes go through {} places; {} is the most", points, kMostBrushPoints));
        for (std::size_t i = 0; i < brush->strokes.size(); ++i)
            checkStroke(*brush->strokes[i], "/strokes/" + std::to_string(i), check);
    }
    if (const auto* object = std::get_if<MaskObject>(&shape.form)) {
        if (object->strokes.size() > kMostStrokes)
            say("/strokes", inWords("it has {} strokes; {} is the most", object->strokes.size(), kMostStrokes));
        checkPath("/outline", object->outline, check);
        for (std::size_t i = 0; i < object->strokes.size(); ++i)
            checkStroke(*object->strokes[i], "/strokes/" + std::to_string(i), check);
    }
    const auto* other = std::get_if<MaskOfLayer>(&shape.form);
    if (!other || !other->layer.empty() || !other->mask) return;
    const MaskProblem problem = problemOf(*other->mask);
    if (!problem.what.empty()) say("/mask" + problem.place, problem.what);
}

bool sees(const Mask& mask, bool all) {
    const auto one = [all](const MaskShape& shape) {
        if (const auto* other = std::get_if<MaskOfLayer>(&shape.form)) return other->mask && sees(*other->mask, all);
        if (const auto* brush = std::get_if<MaskBrush>(&shape.form))
            return !all && std::any_of(brush->strokes.begin(), brush->strokes.end(),
                                       [](const SharedStroke& stroke) { return stroke->colour.has_value(); });
        return std::holds_alternative<MaskTones>(shape.form) || std::holds_alternative<MaskColours>(shape.form);
    };
    return all ? std::all_of(mask.shapes.begin(), mask.shapes.end(), one)
               : std::any_of(mask.shapes.begin(), mask.shapes.end(), one);
}

} // namespace

bool MaskOfLayer::operator==(const MaskOfLayer& other) const {
    return layer == other.layer && (mask == other.mask || (mask && other.mask && *mask == *other.mask));
}

bool Mask::seesColours() const {
    return sees(*this, false);
}

bool Mask::seesOnlyColours() const {
    return sees(*this, true);
}

bool Mask::isOfOnePicture() const {
    return std::any_of(shapes.begin(), shapes.end(), [](const MaskShape& shape) {
        const auto* other = std::get_if<MaskOfLayer>(&shape.form);
        return std::holds_alternative<MaskBrush>(shape.form) || std::holds_alternative<MaskObject>(shape.form) ||
               (other && other->mask && other->mask->isOfOnePicture());
    });
}

MaskProblem problemOf(const Mask& mask) {
    if (mask.shapes.size() > kMostMaskShapes)
        return {"/shapes", inWords("it has {} shapes; {} is the most", mask.shapes.size(), kMostMaskShapes)};
    MaskProblem problem;
    std::string shape;
    const auto say = [&](const std::string& place, std::string what) {
        if (problem.what.empty()) problem = {shape + place, std::move(what)};
    };
    const auto check = [&](const std::string& place, double value, double low, double high) {
        if (!(value >= low && value <= high)) say(place, inWords("{} lies outside {}…{}", value, low, high));
    };
    for (const auto& number : kWholeMaskNumbers)
        check(std::string("/") + number.word, mask.*number.member, number.low, number.high);
    for (const auto& number : kMaskNumbers<MaskPlacement>)
        check(std::string("/placement/") + number.word, mask.placement.*number.member, number.low, number.high);
    for (std::size_t i = 0; i < mask.shapes.size() && problem.what.empty(); ++i) {
        shape = "/shapes/" + std::to_string(i);
        checkShape(mask.shapes[i], check, say);
    }
    return problem;
}

} // namespace baryton
