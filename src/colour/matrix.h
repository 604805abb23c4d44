#pragma once
#include <array>

namespace baryton {

using Vec3 = std::array<double, 3>;
/// Row-major 3×3 matrix.
using Mat3 = std::array<double, 9>;

constexpr Vec3 operator*(const Mat3& m, const Vec3& v) {
    return {m[0] * v[0] + m[1] * v[1] + m[2] * v[2], m[3] * v[0] + m[4] * v[1] + m[5] * v[2],
            m[6] * v[0] + m[7] * v[1] + m[8] * v[2]};
}

constexpr Mat3 operator*(const Mat3& a, const Mat3& b) {
    Mat3 product{};
    for (unsigned row = 0; row < 3; ++row)
        for (unsigned column = 0; column < 3; ++column)
            for (unsigned k = 0; k < 3; ++k) product[3 * row + column] += a[3 * row + k] * b[3 * k + column];
    return product;
}

constexpr Mat3 diagonal(const Vec3& v) {
    return {v[0], 0, 0, 0, v[1], 0, 0, 0, v[2]};
}

/// Inverse by cofactors; the caller knows that the matrix is not singular.
constexpr Mat3 inverse(const Mat3& m) {
    const double c0 = m[4] * m[8] - m[5] * m[7], c1 = m[5] * m[6] - m[3] * m[8], c2 = m[3] * m[7] - m[4] * m[6];
    const double k = 1.0 / (m[0] * c0 + m[1] * c1 + m[2] * c2);
    return {c0 * k, (m[2] * m[7] - m[1] * m[8]) * k, (m[1] * m[5] - m[2] * m[4]) * k,
            c1 * k, (m[0] * m[8] - m[2] * m[6]) * k, (m[2] * m[3] - m[0] * m[5]) * k,
            c2 * k, (m[1] * m[6] - m[0] * m[7]) * k, (m[0] * m[4] - m[1] * m[3]) * k};
}

} // namespace baryton
