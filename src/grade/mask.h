#pragma once
#include <string>
#include <variant>
#include <vector>

namespace baryton {

// Where a layer acts: a list of shapes as values, free of any resolution. Places are fractions of the sides of the
// picture as its file has it (upright, neither cut nor turned), so that a frame that changes moves no mask; lengths
// are fractions of its long side, so that a circle stays one in a picture of another shape.

/// Whole inside, nothing outside: 1 − smoothstep(1 − feather, 1, r), r the distance from the middle in radii.
struct MaskEllipse {
    double x = 0.5, y = 0.5;               ///< middle
    double radiusX = 0.25, radiusY = 0.25; ///< along its own axes, of the long side
    double turn = 0;                       ///< degrees clockwise as it is seen
    double feather = 0.5;                  ///< 0…1: the part of the radius over which it fades
    bool operator==(const MaskEllipse&) const = default;
};

/// Whole up to a line through one place, nothing from one through another on; both lie across the way between the two
/// places: 1 − smootherstep.
struct MaskRamp {
    double fromX = 0.5, fromY = 0.25; ///< where it begins to fade
    double toX = 0.5, toY = 0.75;     ///< where nothing is left
    bool operator==(const MaskRamp&) const = default;
};

/// One shape and what it does to those ahead of it, a and b being their weights and its own:
/// added 1 − (1 − a)(1 − b), taken away a(1 − b), intersected ab.
struct MaskShape {
    enum class Way { Add, TakeAway, Intersect };
    std::variant<MaskEllipse, MaskRamp> form;
    Way way = Way::Add;
    bool isInverted = false;
    bool operator==(const MaskShape&) const = default;
};

/// The weight of a layer from place to place: its shapes in their order, ahead of them nothing (everything, where the
/// first takes away or intersects), turned round as a whole by choice, times the density. Without shapes there is no
/// mask.
struct Mask {
    std::vector<MaskShape> shapes;
    bool isInverted = false;
    double density = 1; ///< 0…1

    bool isEmpty() const { return shapes.empty(); }
    bool operator==(const Mask&) const = default;
};

/// How many shapes a mask may have.
constexpr std::size_t kMostMaskShapes = 200;
/// How far places may lie outside the picture, and how long a radius may be, in sides of it.
constexpr double kMaskReach = 4;
/// Radii, and the way between a ramp's two places, are at least this.
constexpr double kLeastMaskLength = 0.001;

/// What is wrong with a mask's numbers, and where below it ("/shapes/2/feather"); empty texts where nothing is.
struct MaskProblem {
    std::string place, what;
};
MaskProblem problemOf(const Mask& mask);

} // namespace baryton
