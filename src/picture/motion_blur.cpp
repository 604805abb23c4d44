#include "picture/motion_blur.h"
#include "base/parallel.h"
#include "picture/light.h"

#include <algorithm>
#include <cmath>
#include <utility>
#include <vector>

namespace baryton {

namespace {

/// A plane seen with the axis along which lines run (more or less) first.
struct Axes {
    float* values;
    std::ptrdiff_t alongStep, acrossStep; ///< floats
    int along, across;                    ///< pixels

    float& at(int i, int j) const { return values[i * alongStep + j * acrossStep]; }
};

/// The integral of a row of pixels, each as wide as 1 around its place, from its left edge on.
class Integral {
public:
    explicit Integral(const std::vector<float>& row) : row_(row), sums_(row.size() + 1) {
        for (std::size_t i = 0; i < row.size(); ++i) sums_[i + 1] = sums_[i] + double(row[i]);
    }
    double operator()(double place) const {
        const double at = place + 0.5, last = static_cast<double>(row_.size());
        if (at <= 0) return at * double(row_.front());
        if (at >= last) return sums_.back() + (at - last) * double(row_.back());
        const auto i = static_cast<std::size_t>(at);
        return sums_[i] + (at - static_cast<double>(i)) * double(row_[i]);
    }

private:
    const std::vector<float>& row_;
    std::vector<double> sums_;
};

/// The mean over `half` pixels to either side, on lines that rise by `slope` across for each pixel along.
void blurLines(const Axes& plane, double half, double slope) {
    const double middle = (plane.along - 1) / 2.0, rise = std::abs(slope) * middle;
    const int first = static_cast<int>(std::floor(-rise)) - 1;
    const int lines = static_cast<int>(std::ceil(plane.across - 1 + rise)) + 2 - first;
    const auto width = static_cast<std::size_t>(plane.along);
    std::vector<float> means(width * static_cast<std::size_t>(lines));
    inPieces(lines, 16, 0, [&](int from, int to) {
        std::vector<float> line(width);
        for (int j = from; j < to; ++j) {
            for (int i = 0; i < plane.along; ++i) {
                const double y = std::clamp(j + first + slope * (i - middle), 0.0, plane.across - 1.0);
                const int above = static_cast<int>(y), below = std::min(above + 1, plane.across - 1);
                const auto share = static_cast<float>(y - above);
                const float a = plane.at(i, above), b = plane.at(i, below);
                line[static_cast<std::size_t>(i)] = a + share * (b - a);
            }
            const Integral integral(line);
            float* out = means.data() + width * static_cast<std::size_t>(j);
            for (int i = 0; i < plane.along; ++i)
                out[i] = static_cast<float>((integral(i + half) - integral(i - half)) / (2 * half));
        }
    });
    forRows(plane.across, [&](int j) {
        for (int i = 0; i < plane.along; ++i) {
            const double line = j - slope * (i - middle) - first;
            const int above = std::clamp(static_cast<int>(line), 0, lines - 2);
            const auto share = static_cast<float>(line - above);
            const float* at = means.data() + width * static_cast<std::size_t>(above) + i;
            plane.at(i, j) = at[0] + share * (at[width] - at[0]);
        }
    });
}

} // namespace

Picture motionBlurred(const Picture& picture, double length, double angle) {
    if (!(length > 0)) return picture;
    Picture light = picture;
    const auto width = static_cast<std::size_t>(picture.width());
    float* const planes[4] = {light.row(0, 0), light.row(1, 0), light.row(2, 0),
                              light.hasAlpha() ? light.row(3, 0) : nullptr};
    const auto stride = static_cast<std::ptrdiff_t>(light.stride());
    forRows(light.height(), [&](int y) {
        for (int k = 0; k < 3; ++k) {
            float* row = planes[k] + stride * y;
            rowToLinear(row, row, width);
            if (planes[3])
                for (std::size_t x = 0; x < width; ++x)
                    row[x] *= planes[3][stride * y + static_cast<std::ptrdiff_t>(x)];
        }
    });
    const double c = std::cos(angle), s = std::sin(angle);
    const bool runsDown = std::abs(s) > std::abs(c);
    for (float* plane : planes) {
        if (!plane) continue;
        Axes axes{plane, 1, stride, light.width(), light.height()};
        if (runsDown) std::swap(axes.alongStep, axes.acrossStep), std::swap(axes.along, axes.across);
        blurLines(axes, length / 2 * (runsDown ? std::abs(s) : std::abs(c)), runsDown ? c / s : s / c);
    }
    forRows(light.height(), [&](int y) {
        for (int k = 0; k < 3; ++k) {
            float* row = planes[k] + stride * y;
            if (planes[3])
                for (std::size_t x = 0; x < width; ++x) {
                    const float alpha = planes[3][stride * y + static_cast<std::ptrdiff_t>(x)];
                    row[x] = alpha > 1e-6F ? row[x] / alpha : 0;
                }
            rowToEncoded(row, row, width);
        }
    });
    return light;
}

} // namespace baryton
