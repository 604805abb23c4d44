#include "grade/mask.h"
#include "base/words.h"

#include <cmath>

namespace baryton {

namespace {

/// Calls `check` with the name, value and range of each number of a shape.
template <class Check>
void eachNumber(const MaskShape& shape, const Check& check) {
    if (const auto* ellipse = std::get_if<MaskEllipse>(&shape.form)) {
        check("x", ellipse->x, -kMaskReach, kMaskReach), check("y", ellipse->y, -kMaskReach, kMaskReach);
        check("radiusX", ellipse->radiusX, kLeastMaskLength, kMaskReach);
        check("radiusY", ellipse->radiusY, kLeastMaskLength, kMaskReach);
        check("turn", ellipse->turn, -360, 360), check("feather", ellipse->feather, 0, 1);
        return;
    }
    const auto& ramp = std::get<MaskRamp>(shape.form);
    check("fromX", ramp.fromX, -kMaskReach, kMaskReach), check("fromY", ramp.fromY, -kMaskReach, kMaskReach);
    check("toX", ramp.toX, -kMaskReach, kMaskReach), check("toY", ramp.toY, -kMaskReach, kMaskReach);
}

} // namespace

MaskProblem problemOf(const Mask& mask) {
    if (mask.shapes.size() > kMostMaskShapes)
        return {"/shapes", inWords("it has {} shapes; {} is the most", mask.shapes.size(), kMostMaskShapes)};
    MaskProblem problem;
    const auto check = [&](const std::string& place, double value, double low, double high) {
        if (problem.what.empty() && !(value >= low && value <= high))
            problem = {place, inWords("{} lies outside {}…{}", value, low, high)};
    };
    check("/density", mask.density, 0, 1);
    for (std::size_t i = 0; i < mask.shapes.size(); ++i) {
        const std::string place = "/shapes/" + std::to_string(i);
        eachNumber(mask.shapes[i], [&](const char* name, double value, double low, double high) {
            check(place + "/" + name, value, low, high);
        });
        const auto* ramp = std::get_if<MaskRamp>(&mask.shapes[i].form);
        if (ramp && problem.what.empty() &&
            std::hypot(ramp->toX - ramp->fromX, ramp->toY - ramp->fromY) < kLeastMaskLength)
            problem = {place, words("the two places of a ramp must not lie on one another")};
    }
    return problem;
}

} // namespace baryton
