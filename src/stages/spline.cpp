#include "stages/spline.h"

#include <algorithm>
#include <cmath>

namespace baryton {

bool isStraight(const Curve& points) {
    return std::all_of(points.begin(), points.end(), [](const CurvePoint& p) { return p.x == p.y; });
}

namespace {

/// Fritsch and Carlson 1980: means of the neighbouring secants, 0 at turns, pulled back into the circle of radius 3
/// that keeps monotony.
std::vector<double> monotoneTangents(const std::vector<double>& secant) {
    const std::size_t n = secant.size() + 1;
    std::vector<double> tangent(n);
    tangent[0] = secant[0];
    tangent[n - 1] = secant[n - 2];
    for (std::size_t i = 1; i + 1 < n; ++i)
        tangent[i] = secant[i - 1] * secant[i] <= 0 ? 0 : (secant[i - 1] + secant[i]) / 2;
    for (std::size_t i = 0; i + 1 < n; ++i) {
        if (secant[i] == 0) {
            tangent[i] = tangent[i + 1] = 0;
            continue;
        }
        const double a = tangent[i] / secant[i], b = tangent[i + 1] / secant[i], square = a * a + b * b;
        if (square > 9) {
            const double k = 3 / std::sqrt(square);
            tangent[i] = k * a * secant[i];
            tangent[i + 1] = k * b * secant[i];
        }
    }
    return tangent;
}

/// The tangents of the natural cubic spline: a tridiagonal system, solved by elimination (Thomas).
std::vector<double> naturalTangents(const Curve& points, const std::vector<double>& secant) {
    const std::size_t n = points.size();
    const auto width = [&](std::size_t i) { return points[i + 1].x - points[i].x; };
    std::vector<double> above(n), right(n), tangent(n);
    above[0] = 0.5, right[0] = 1.5 * secant[0]; // 2·m0 + m1 = 3·secant
    for (std::size_t i = 1; i < n; ++i) {
        const bool last = i + 1 == n;
        const double lower = last ? 1 : 1 / width(i - 1), upper = last ? 0 : 1 / width(i);
        const double middle = last ? 2 : 2 * (lower + upper);
        const double wanted = last ? 3 * secant[i - 1] : 3 * (secant[i - 1] * lower + secant[i] * upper);
        const double pivot = middle - lower * above[i - 1];
        above[i] = upper / pivot;
        right[i] = (wanted - lower * right[i - 1]) / pivot;
    }
    tangent[n - 1] = right[n - 1];
    for (std::size_t i = n - 1; i-- > 0;) tangent[i] = right[i] - above[i] * tangent[i + 1];
    return tangent;
}

} // namespace

Spline::Spline(const Curve& points, SplineKind kind)
    : knots(isStraight(points) ? 0 : std::min(points.size(), kMostPoints)) {
    if (knots < 2) {
        knots = 0;
        c1[0] = 1;
        return;
    }
    const std::size_t n = knots;
    std::vector<double> secant(n - 1);
    for (std::size_t i = 0; i + 1 < n; ++i)
        secant[i] = (points[i + 1].y - points[i].y) / (points[i + 1].x - points[i].x);
    const std::vector<double> tangent =
        kind == SplineKind::Monotone
            ? monotoneTangents(secant)
            : naturalTangents(Curve(points.begin(), points.begin() + static_cast<std::ptrdiff_t>(n)), secant);
    const auto piece = [&](std::size_t i, double x, double k0, double k1, double k2, double k3) {
        origin[i] = static_cast<float>(x), c0[i] = static_cast<float>(k0), c1[i] = static_cast<float>(k1);
        c2[i] = static_cast<float>(k2), c3[i] = static_cast<float>(k3);
    };
    piece(0, points[0].x, points[0].y, tangent[0], 0, 0);
    for (std::size_t i = 0; i + 1 < n; ++i) {
        const double h = points[i + 1].x - points[i].x;
        piece(i + 1, points[i].x, points[i].y, tangent[i], (3 * secant[i] - 2 * tangent[i] - tangent[i + 1]) / h,
              (tangent[i] + tangent[i + 1] - 2 * secant[i]) / (h * h));
    }
    piece(n, points[n - 1].x, points[n - 1].y, tangent[n - 1], 0, 0);
    for (std::size_t i = 0; i < n; ++i) knot[i] = static_cast<float>(points[i].x);
}

double Spline::operator()(double x) const {
    std::size_t i = 0;
    while (i < knots && x >= knot[i]) ++i;
    const double t = x - origin[i];
    return ((c3[i] * t + c2[i]) * t + c1[i]) * t + c0[i];
}

} // namespace baryton
