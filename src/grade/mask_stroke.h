#pragma once
#include <array>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace baryton {

/// A place that a brush went through, in fractions of the picture's sides, and how wide it was there, as a share of
/// its size (by the pen's pressure).
struct StrokePoint {
    double x = 0, y = 0, width = 1;
    bool operator==(const StrokePoint&) const = default;
};

/// One stroke of a brush. Its weight at a place is that of its nearest piece, the largest of tapered capsules:
/// 1 − smoothstep(1 − softness, 1, d / r), d the distance from the line between two points and r the radius there, 1
/// / r going evenly from one to the other.
struct MaskStroke {
    double size = 0.04;    ///< radius, of the picture's long side
    double softness = 0.6; ///< 0…1: the part of the radius over which it fades
    double flow = 1;       ///< 0…1: how much one stroke lays down
    bool erases = false;
    /// The colour that it keeps to, in OKLab: its weight falls off to nothing at `kKeptColourReach` from it.
    std::optional<std::array<double, 3>> colour;
    std::vector<StrokePoint> points;
    bool operator==(const MaskStroke&) const = default;
};

/// Strokes never change once they are drawn: grades, takes and steps of undo share them.
struct SharedStroke {
    std::shared_ptr<const MaskStroke> stroke; ///< never null in a mask
    const MaskStroke& operator*() const { return *stroke; }
    const MaskStroke* operator->() const { return stroke.get(); }
    bool operator==(const SharedStroke& other) const {
        return stroke == other.stroke || (stroke && other.stroke && *stroke == *other.stroke);
    }
};

/// How far in OKLab a stroke that keeps to a colour reaches: whole up to half of it.
constexpr double kKeptColourReach = 0.14;
constexpr double kLargestBrush = 1; ///< radius
/// Of one brush, of one stroke, and of all strokes of a brush together: what a hand could paint, and little enough
/// for what is worked out at every pixel.
constexpr std::size_t kMostStrokes = 20000, kMostStrokePoints = 5000, kMostBrushPoints = 1000000;

/// The points that are left when those are taken out that lie on the way between others, within `tolerance` of the
/// long side, in place and width (Douglas and Peucker 1973); `aspect` is the picture's width over its height. Numbers
/// are rounded as files have them.
std::vector<StrokePoint> simplified(const std::vector<StrokePoint>& points, double aspect, double tolerance = 0.0004);
/// What of a stroke's size can't be seen where it is painted.
double strokeTolerance(double size);

/// The way of a hand, simplified as it goes: what one more place costs does not grow with what was drawn before it.
class DrawnPath {
public:
    /// See `simplified`.
    DrawnPath(double aspect, double tolerance) : aspect_(aspect), tolerance_(tolerance) {}
    void add(const StrokePoint& point);
    /// Those that are left of all so far.
    std::vector<StrokePoint> points() const;

private:
    double aspect_, tolerance_;
    std::vector<StrokePoint> settled_; ///< these stay
    std::vector<StrokePoint> open_;    ///< what comes may still make some of these superfluous
    std::size_t thinned_ = 0;          ///< how many of `open_` are left of an earlier thinning
};

/// "x y, x y width, …" with five decimals, and back; throws std::invalid_argument where it is none or too long.
std::string strokePath(const std::vector<StrokePoint>& points);
std::vector<StrokePoint> strokePoints(const std::string& path);

} // namespace baryton
