#pragma once
#include "grade/grade.h"

namespace baryton {

/// How a curve passes through its points. Only the monotone one keeps rising points rising.
enum class SplineKind { Monotone, Natural };

/// A curve through points as cubic pieces, made ready to evaluate anywhere.
///
/// Monotone cubic Hermite interpolation (Fritsch and Carlson 1980): where the points rise, the curve rises, and it
/// never passes beyond the points between them. Natural: the cubic spline whose second derivative is 0 at both ends
/// (smoother, but it may swing past the points). Beyond the first and last point it goes on straight. Evaluating the
/// pieces themselves leaves no table error at all.
struct Spline {
    static constexpr std::size_t kMostPoints = 64;
    std::size_t knots = 0; ///< 0 for the straight line
    /// Piece i (0…knots) holds for x ≥ knot[i − 1]: ((c3·t + c2)·t + c1)·t + c0 with t = x − origin.
    float knot[kMostPoints]{};
    float origin[kMostPoints + 1]{}, c0[kMostPoints + 1]{}, c1[kMostPoints + 1]{}, c2[kMostPoints + 1]{},
        c3[kMostPoints + 1]{};

    explicit Spline(const Curve& points, SplineKind kind = SplineKind::Monotone);
    double operator()(double x) const;
};

/// How far points of a curve in a grade lie apart at least, in x.
constexpr double kLeastPointDistance = 1.0 / 1024;

/// True for the straight line from black to white, however many points it has.
bool isStraight(const Curve& points);

} // namespace baryton
