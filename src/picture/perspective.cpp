#include "picture/perspective.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

constexpr double kFrameDiagonal = 43.266615305567875; // mm, of 36 × 24
constexpr double kLeastDepth = 0.5, kMostDepth = 2;   // of the middle's: widths are doubled there, or halved

constexpr double kMostSkew = 3; // degrees, that drawn lines may be from what any camera sees of a square

double radians(double degrees) {
    return degrees * std::numbers::pi / 180;
}
double degrees(double radians) {
    return radians * 180 / std::numbers::pi;
}

double focalInPixels(double focal, double width, double height) {
    return focal / kFrameDiagonal * std::hypot(width, height);
}

Mat3 turnOf(const CameraTurn& turn) {
    const double ct = std::cos(radians(turn.tilt)), st = std::sin(radians(turn.tilt));
    const double cs = std::cos(radians(turn.swing)), ss = std::sin(radians(turn.swing));
    return Mat3{1, 0, 0, 0, ct, st, 0, -st, ct} * Mat3{cs, 0, -ss, 0, 1, 0, ss, 0, cs};
}

Vec3 cross(const Vec3& a, const Vec3& b) {
    return {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
}
double dot(const Vec3& a, const Vec3& b) {
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
}
Vec3 times(const Vec3& v, double k) {
    return {v[0] * k, v[1] * k, v[2] * k};
}
Vec3 unit(const Vec3& v) {
    return times(v, 1 / std::sqrt(dot(v, v)));
}

/// Depth at the middle of the picture.
double depthInTheMiddle(const Mat3& m, double width, double height) {
    return depthAt(m, {width / 2, height / 2});
}

/// Of R = M·Rz(−angle), whose columns are where the straight picture's axes point.
Straightening fromAxes(const Vec3& x, const Vec3& z, double focal) {
    Straightening result;
    // M's third column is (−sin swing, sin tilt · cos swing, cos tilt · cos swing).
    result.turn = {degrees(std::atan2(z[1], z[2])), degrees(-std::asin(std::clamp(z[0], -1.0, 1.0))), focal};
    const Mat3 m = turnOf(result.turn);
    result.angle =
        degrees(-std::atan2(m[1] * x[0] + m[4] * x[1] + m[7] * x[2], m[0] * x[0] + m[3] * x[1] + m[6] * x[2]));
    return result;
}

/// Where two lines meet, in pixels from the picture's middle and with a third number that is 0 where they never do;
/// nothing for two that lie in one another.
std::optional<Vec3> meetingOf(const std::vector<DrawnLine>& pair, double width, double height) {
    if (pair.size() != 2) return std::nullopt;
    const double size = std::hypot(width, height) / 2; // so that the three numbers are of one order
    Vec3 sides[2];
    for (std::size_t i = 0; i < 2; ++i) {
        const auto place = [&](PlacedPoint at) {
            return Vec3{(at.x - width / 2) / size, (at.y - height / 2) / size, 1};
        };
        sides[i] = cross(place(pair[i].from), place(pair[i].to));
        if (std::hypot(sides[i][0], sides[i][1]) < 1e-9) return std::nullopt;
        sides[i] = times(sides[i], 1 / std::hypot(sides[i][0], sides[i][1]));
    }
    const Vec3 meeting = cross(sides[0], sides[1]);
    if (std::sqrt(dot(meeting, meeting)) < 1e-3) return std::nullopt;
    return Vec3{meeting[0] * size, meeting[1] * size, meeting[2]};
}

/// What makes the two directions square to each other (Hartley and Zisserman, 8.8).
double focalFrom(const Vec3& upright, const Vec3& level, double known, double width, double height) {
    const double across = upright[0] * level[0] + upright[1] * level[1], deep = upright[2] * level[2];
    const double squared = deep != 0 ? -across / deep : 0;
    const double focal = squared > 0 ? std::sqrt(squared) / focalInPixels(1, width, height) : 0;
    return focal >= kShortestFocal && focal <= kLongestFocal ? focal : known;
}

} // namespace

PlacedPoint through(const Mat3& map, PlacedPoint at) {
    const Vec3 p = map * Vec3{at.x, at.y, 1};
    return {p[0] / p[2], p[1] / p[2]};
}

double depthAt(const Mat3& map, PlacedPoint at) {
    return map[6] * at.x + map[7] * at.y + map[8];
}

Mat3 straightToPicture(const CameraTurn& turn, double width, double height) {
    if (turn.isNone()) return kNoPerspective;
    const double f = focalInPixels(turn.focal, width, height);
    const Mat3 m = turnOf(turn);
    // The direction of the picture's middle, in the straight one: the third row of M.
    const double x = f * m[6] / m[8], y = f * m[7] / m[8];
    const double along = std::sqrt(x * x + y * y + f * f) / f;
    const double grown = std::pow(along, 1.5); // areas shrink by the third power of the depth
    const Mat3 fromPixels = {grown / f, 0, (x - grown * width / 2) / f, 0, grown / f, (y - grown * height / 2) / f, 0,
                             0,         1};
    const Mat3 toPixels = {f, 0, width / 2, 0, f, height / 2, 0, 0, 1};
    return toPixels * m * fromPixels;
}

std::vector<HalfPlane> straightOutline(const Mat3& m, double width, double height) {
    std::vector<HalfPlane> all;
    const auto add = [&](double a, double b, double c) {
        const double length = std::hypot(a, b);
        if (length > 0) all.push_back({a / length, b / length, -c / length});
    };
    // x ≥ 0 is (m·p)ₓ ≥ 0 where the depth is positive; x ≤ W is W·(m·p)_w − (m·p)ₓ ≥ 0.
    add(m[0], m[1], m[2]);
    add(width * m[6] - m[0], width * m[7] - m[1], width * m[8] - m[2]);
    add(m[3], m[4], m[5]);
    add(height * m[6] - m[3], height * m[7] - m[4], height * m[8] - m[5]);
    const double middle = depthInTheMiddle(m, width, height);
    add(m[6], m[7], m[8] - kLeastDepth * middle);
    add(-m[6], -m[7], kMostDepth * middle - m[8]);
    return all;
}

PlacedPoint toStraight(const Mat3& m, PlacedPoint picture, double width, double height) {
    const Mat3 back = inverse(m);
    const PlacedPoint middle{width / 2, height / 2};
    // The depth of a place of the straight picture is the inverse of the picture's own.
    const double here = depthAt(back, picture), there = depthAt(back, middle);
    const double allowed = std::clamp(here, there / kMostDepth, there / kLeastDepth);
    if (here != allowed) {
        const double share = (allowed - there) / (here - there);
        picture = {middle.x + share * (picture.x - middle.x), middle.y + share * (picture.y - middle.y)};
    }
    return through(back, picture);
}

Straightening turnedByQuarter(const Straightening& s, bool clockwise) {
    const double c = std::cos(radians(s.angle)), n = std::sin(radians(s.angle)), k = clockwise ? 1 : -1;
    const Mat3 quarter = {0, -k, 0, k, 0, 0, 0, 0, 1}, back = {0, k, 0, -k, 0, 0, 0, 0, 1};
    const Mat3 r = quarter * turnOf(s.turn) * Mat3{c, n, 0, -n, c, 0, 0, 0, 1} * back;
    return fromAxes({r[0], r[3], r[6]}, {r[2], r[5], r[8]}, s.turn.focal);
}

std::optional<Straightening> straightenedBy(const std::vector<DrawnLine>& upright,
                                            const std::vector<DrawnLine>& level, const CameraTurn& known,
                                            double width, double height) {
    const auto down = meetingOf(upright, width, height), across = meetingOf(level, width, height);
    if ((!down && !upright.empty()) || (!across && !level.empty()) || (!down && !across)) return std::nullopt;
    Straightening result{known, 0};
    CameraTurn& turn = result.turn;
    if (down && across) turn.focal = focalFrom(*down, *across, known.focal, width, height);
    const double f = focalInPixels(turn.focal, width, height);
    const auto direction = [&](const Vec3& meeting, std::size_t leading) {
        const Vec3 d = unit({meeting[0], meeting[1], f * meeting[2]});
        return times(d, d[leading] < 0 ? -1 : 1);
    };
    if (down && across) {
        const Vec3 y = direction(*down, 1), x = direction(*across, 0);
        if (std::abs(dot(x, y)) > std::sin(radians(kMostSkew))) return std::nullopt;
        // What they lack to be square is shared evenly.
        const Vec3 sum = unit({x[0] + y[0], x[1] + y[1], x[2] + y[2]}),
                   difference = unit({x[0] - y[0], x[1] - y[1], x[2] - y[2]});
        const Vec3 squareX = unit({sum[0] + difference[0], sum[1] + difference[1], sum[2] + difference[2]}),
                   squareY = unit({sum[0] - difference[0], sum[1] - difference[1], sum[2] - difference[2]});
        result = fromAxes(squareX, cross(squareX, squareY), turn.focal);
    } else if (down) {
        const Vec3 v = direction(*down, 1);
        const double cs = std::cos(radians(turn.swing)), ss = std::sin(radians(turn.swing));
        const double angle = std::asin(std::clamp(v[0] / cs, -1.0, 1.0));
        turn.tilt = degrees(std::atan2(ss * std::sin(angle), std::cos(angle)) - std::atan2(v[2], v[1]));
        result.angle = degrees(angle);
    } else {
        const Vec3 h = direction(*across, 0);
        const double ct = std::cos(radians(turn.tilt)), st = std::sin(radians(turn.tilt));
        const double y = ct * h[1] - st * h[2], z = st * h[1] + ct * h[2]; // without the tilt
        result.angle = -degrees(std::asin(std::clamp(y, -1.0, 1.0)));
        turn.swing = degrees(std::atan2(z, h[0]));
    }
    if (std::abs(turn.tilt) > kMostTurn || std::abs(turn.swing) > kMostTurn || std::abs(result.angle) > 45)
        return std::nullopt;
    return result;
}

} // namespace baryton
