#include "stages/spline.h"

#include <algorithm>
#include <cmath>

namespace baryton {

bool isStraight(const Curve& points) {
    return std::all_of(points.begin(), points.end(), [](const CurvePoint& p) { return p.x == p.y; });
}

Spline::Spline(const Curve& points) : knots(isStraight(points) ? 0 : std::min(points.size(), kMostPoints)) {
    if (knots < 2) {
        knots = 0;
        c1[0] = 1;
        return;
    }
    const std::size_t n = knots;
    std::vector<double> secant(n - 1), tangent(n);
    for (std::size_t i = 0; i + 1 < n; ++i)
        secant[i] = (points[i + 1].y - points[i].y) / (points[i + 1].x - points[i].x);
    tangent[0] = secant[0];
    tangent[n - 1] = secant[n - 2];
    for (std::size_t i = 1; i + 1 < n; ++i)
        tangent[i] = secant[i - 1] * secant[i] <= 0 ? 0 : (secant[i - 1] + secant[i]) / 2;
    for (std::size_t i = 0; i + 1 < n;
         ++i) { // pull the tangents back into the circle of radius 3 that keeps monotony
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
