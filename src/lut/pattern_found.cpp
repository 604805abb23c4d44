#include "lut/pattern_found.h"
#include "lut/luma_plane.h"

#include <opencv2/imgproc.hpp>

#include <algorithm>
#include <cmath>
#include <complex>
#include <numbers>
#include <vector>

namespace baryton {

namespace {

using L = PatternLayout;

/// A mark of cells of `u` pixels with half a cell of the margin around it, its middle in the picture's middle.
cv::Mat markOf(double u) {
    const int side = 2 * static_cast<int>(std::floor(3 * u)) + 1;
    constexpr int fine = 4; // samples of a pixel along each axis
    cv::Mat mark(side, side, CV_32F, cv::Scalar(0));
    for (int y = 0; y < side * fine; ++y)
        for (int x = 0; x < side * fine; ++x) {
            const double dx = (x + 0.5) / fine - side / 2.0, dy = (y + 0.5) / fine - side / 2.0;
            const double far = std::max(std::abs(dx), std::abs(dy)) / u;
            const float v = far > L::kMarkSide / 2 ? 0.5F : far > 1.5 ? 0 : far > 0.5 ? 1 : 0;
            mark.at<float>(y / fine, x / fine) += v / (fine * fine);
        }
    return mark;
}

struct Mark {
    double x = 0, y = 0, score = 0; ///< its middle, in pixels of the picture
};

/// The top of a parabola through three values, −0.5…0.5.
double summit(float before, float at, float after) {
    const double bend = double(before) - 2.0 * at + after;
    return bend < 0 ? std::clamp(0.5 * (double(before) - after) / bend, -0.5, 0.5) : 0;
}

/// The best place for a mark's middle within a rectangle.
Mark findMark(const cv::Mat& luma, const cv::Rect& within, double u) {
    const cv::Mat mark = markOf(u);
    const int half = mark.cols / 2;
    const cv::Rect around(within.x - half, within.y - half, within.width + 2 * half, within.height + 2 * half);
    const cv::Rect there = around & cv::Rect(0, 0, luma.cols, luma.rows);
    if (there.width < mark.cols / 2 || there.height < mark.rows / 2) return {};
    // A mark may be cut a little by the picture's edge.
    cv::Mat padded, scores;
    cv::copyMakeBorder(luma(there), padded, there.y - around.y, around.br().y - there.br().y, there.x - around.x,
                       around.br().x - there.br().x, cv::BORDER_REPLICATE);
    cv::matchTemplate(padded, mark, scores, cv::TM_CCOEFF_NORMED);
    for (auto& v : cv::Mat_<float>(scores))
        if (!std::isfinite(v)) v = -1; // of what is flat
    double best = 0;
    cv::Point at;
    cv::minMaxLoc(scores, nullptr, &best, nullptr, &at);
    const auto score = [&](int dx, int dy) {
        return scores.at<float>(std::clamp(at.y + dy, 0, scores.rows - 1), std::clamp(at.x + dx, 0, scores.cols - 1));
    };
    const float middle = score(0, 0);
    return {around.x + at.x + half + 0.5 + summit(score(-1, 0), middle, score(1, 0)),
            around.y + at.y + half + 0.5 + summit(score(0, -1), middle, score(0, 1)), best};
}

double meanIn(const cv::Mat& luma, double x, double y, double halfWidth, double halfHeight) {
    const int left = std::max(0, static_cast<int>(std::ceil(x - halfWidth - 0.5))),
              right = std::min(luma.cols - 1, static_cast<int>(std::floor(x + halfWidth - 0.5))),
              top = std::max(0, static_cast<int>(std::ceil(y - halfHeight - 0.5))),
              bottom = std::min(luma.rows - 1, static_cast<int>(std::floor(y + halfHeight - 0.5)));
    if (left > right || top > bottom) {
        const int column = static_cast<int>(std::floor(x)), row = static_cast<int>(std::floor(y));
        const bool isInside = column >= 0 && row >= 0 && column < luma.cols && row < luma.rows;
        return isInside ? luma.at<float>(row, column) : 0;
    }
    return cv::mean(luma(cv::Rect(left, top, right - left + 1, bottom - top + 1)))[0];
}

/// The size that is written beside the upper left mark; nothing where it reads as none. `u`: a cell in pixels.
std::optional<int> sizeBeside(const cv::Mat& luma, const Mark& mark, double ux, double uy) {
    const double left = mark.x - L::kMarkAt * ux, top = mark.y - L::kMarkAt * uy;
    const double light = meanIn(luma, mark.x - ux, mark.y, ux / 4, uy / 2),
                 dark = meanIn(luma, mark.x, mark.y, ux / 4, uy / 4);
    if (light - dark < 0.02) return {};
    unsigned bits = 0;
    for (int i = 0; i < L::kBits; ++i) {
        const double x = left + (L::kBitsAt + (i + 0.5) * L::kBitWidth) * ux,
                     y = top + (L::kBitTop + L::kBitHeight / 2) * uy;
        if (x >= luma.cols) return {};
        const double v = meanIn(luma, x, y, L::kBitWidth * ux / 4, L::kBitHeight * uy / 4);
        bits = bits << 1 | unsigned(v > (light + dark) / 2);
    }
    const int size = static_cast<int>(bits >> 8);
    const bool isWhole = ((bits >> 8) ^ (bits & 0xFFU)) == 0xFFU;
    return isWhole && size >= L::kLeastSize && size <= L::kMostSize ? std::optional(size) : std::nullopt;
}

/// How wide a cell is, from how the row of bits lies: it reaches far, so its correlation with what it should be has a
/// sharp summit.
double scaleOfBits(const cv::Mat& luma, const Mark& mark, double guess, int size) {
    const unsigned bits = bitsOf(size);
    const double y = mark.y + (L::kBitTop + L::kBitHeight / 2 - L::kMarkAt) * guess;
    const auto correlation = [&](double u) {
        const double left = mark.x + (L::kBitsAt - L::kMarkAt) * u;
        const int from = static_cast<int>(std::ceil(left)), to = static_cast<int>(left + L::kBits * L::kBitWidth * u);
        cv::Mat seen(1, to - from, CV_32F), wanted(1, to - from, CV_32F), score;
        for (int x = from; x < to; ++x) {
            seen.at<float>(0, x - from) =
                static_cast<float>(meanIn(luma, x + 0.5, y, 0.5, L::kBitHeight * guess / 4));
            constexpr int fine = 8;
            float sum = 0;
            for (int i = 0; i < fine; ++i) {
                const double cells = (x + (i + 0.5) / fine - left) / u;
                const int bit = std::clamp(static_cast<int>(cells / L::kBitWidth), 0, L::kBits - 1);
                sum += static_cast<float>(bits >> (L::kBits - 1 - bit) & 1U);
            }
            wanted.at<float>(0, x - from) = sum / fine;
        }
        cv::matchTemplate(seen, wanted, score, cv::TM_CCOEFF_NORMED);
        return double(score.at<float>(0, 0));
    };
    double best = guess, most = -1;
    for (const double step : {1e-3, 1e-4})
        for (double by = -30, middle = best; by <= 30; ++by)
            if (const double score = correlation(middle * (1 + by * step)); score > most)
                most = score, best = middle * (1 + by * step);
    return best;
}

struct Seen {
    Mark mark;
    double ux = 0, uy = 0; ///< a cell in pixels
    int size = 0;
};

/// The upper left mark of a whole picture, made larger or smaller: its proportions tell what sizes it may be of.
std::optional<Seen> markOfWhole(const cv::Mat& luma) {
    constexpr double mostSquashed = 0.2, good = 0.7;
    for (int size = L::kLeastSize; size <= L::kMostSize; ++size) {
        const PatternLayout layout(size);
        const double x = double(luma.cols) / layout.width(), y = double(luma.rows) / layout.height();
        if (std::abs(x / y - 1) > mostSquashed || std::min(x, y) < 0.2 || std::max(x, y) > 3) continue;
        const double ux = x * layout.cellSide(), uy = y * layout.cellSide();
        const auto markNear = [&](double cellsX, double cellsY) { // in the corner that they are counted from
            const double middleX = cellsX > 0 ? cellsX * ux : luma.cols + cellsX * ux;
            const double middleY = cellsY > 0 ? cellsY * uy : luma.rows + cellsY * uy;
            const cv::Rect within(static_cast<int>(middleX - ux), static_cast<int>(middleY - uy),
                                  static_cast<int>(2 * ux) + 2, static_cast<int>(2 * uy) + 2);
            return findMark(luma, within, std::sqrt(ux * uy));
        };
        const Mark mark = markNear(L::kMarkAt, L::kMarkAt);
        if (mark.score > good && sizeBeside(luma, mark, ux, uy) == size &&
            markNear(-L::kMarkAt, -L::kMarkAt).score > good)
            return Seen{mark, ux, uy, size};
    }
    return {};
}

/// The upper left mark with its bits, at any scale; in a picture that is made small enough for marks of a few pixels.
std::optional<Seen> markAnywhere(const cv::Mat& luma, const Task* task) {
    constexpr double least = 1.6, most = 24, step = 1.05, enough = 3; // pixels a cell
    constexpr double good = 0.7;
    constexpr int leastSide = 48; // of what a pattern can be seen in
    std::vector<Seen> seen;
    cv::Mat halved = luma;
    double halving = 1;
    for (double u = least; u < most; u *= step) {
        const double by = std::min(1.0, enough / u);
        if (std::min(luma.cols, luma.rows) * by < leastSide) break;
        if (task) task->throwIfCancelled();
        if (by < halving / 2) { // from what is small already
            cv::Mat half;
            cv::resize(halved, half, {}, 0.5, 0.5, cv::INTER_AREA);
            halved = half, halving /= 2;
        }
        cv::Mat small = halved;
        if (by < halving) cv::resize(halved, small, {}, by / halving, by / halving, cv::INTER_AREA);
        // A mark stands near its corner, if it is there at all.
        const Mark mark = findMark(small, {0, 0, small.cols / 3, small.rows / 3}, u * by);
        if (mark.score > good) seen.push_back({{mark.x / by, mark.y / by, mark.score}, u, u, 0});
    }
    std::sort(seen.begin(), seen.end(), [](const Seen& a, const Seen& b) { return a.mark.score > b.mark.score; });
    for (const Seen& each : seen)
        for (const double finer : {0.0, -0.01, 0.01, -0.02, 0.02}) {
            const double u = each.ux * (1 + finer);
            if (const auto size = sizeBeside(luma, each.mark, u, u)) {
                const double exact = scaleOfBits(luma, each.mark, u, *size);
                return Seen{each.mark, exact, exact, *size};
            }
        }
    return {};
}

/// The map by least squares from as many marks as are in sight: of two a turn and a scale, of one where it lies.
void solve(FoundPattern& found, const std::vector<std::array<double, 4>>& pairs) {
    if (pairs.size() == 2) {
        const std::complex<double> old(pairs[1][0] - pairs[0][0], pairs[1][1] - pairs[0][1]);
        const std::complex<double> turn =
            std::complex<double>(pairs[1][2] - pairs[0][2], pairs[1][3] - pairs[0][3]) / old;
        found.map = {turn.real(), -turn.imag(), 0, turn.imag(), turn.real(), 0};
    }
    const std::size_t unknowns = pairs.size() >= 3 ? 3 : 1;
    for (std::size_t row = 0; row < 2; ++row) {
        double* const map = found.map.data() + 3 * row;
        cv::Mat left(static_cast<int>(pairs.size()), static_cast<int>(unknowns), CV_64F),
            right(static_cast<int>(pairs.size()), 1, CV_64F), answer;
        for (int i = 0; i < left.rows; ++i) {
            const auto& pair = pairs[static_cast<std::size_t>(i)];
            const double known = unknowns == 3 ? 0 : map[0] * pair[0] + map[1] * pair[1];
            if (unknowns == 3) left.at<double>(i, 0) = pair[0], left.at<double>(i, 1) = pair[1];
            left.at<double>(i, left.cols - 1) = 1;
            right.at<double>(i, 0) = pair[2 + row] - known;
        }
        cv::solve(left, right, answer, cv::DECOMP_SVD);
        if (unknowns == 3) map[0] = answer.at<double>(0), map[1] = answer.at<double>(1);
        map[2] = answer.at<double>(answer.rows - 1);
    }
}

/// A picture that was only cropped lies at whole pixels: what the search missed by is no turn and no scale.
void settle(FoundPattern& found) {
    constexpr double hair = 4e-4, near = 0.2;
    auto& m = found.map;
    const double scale = found.marks > 1 ? hair : 5e-3; // a single mark tells little of it
    const bool isStraight =
        std::abs(m[0] - 1) < scale && std::abs(m[4] - 1) < scale && std::abs(m[1]) < hair && std::abs(m[3]) < hair;
    if (!isStraight || std::abs(m[2] - std::round(m[2])) > near || std::abs(m[5] - std::round(m[5])) > near) return;
    m = {1, 0, std::round(m[2]) + 0.0, 0, 1, std::round(m[5]) + 0.0};
}

/// How far the profile from a mark's outer black into its white runs past both.
double overshootAt(const cv::Mat& luma, const Mark& mark, double ux, double uy) {
    const double left = mark.x - 2.5 * ux;
    const auto at = [&](double cells) { return meanIn(luma, left + cells * ux, mark.y, 0.5, 0.9 * uy); };
    const double dark = at(0.5), light = at(1.5);
    if (light - dark < 0.02) return 0;
    double past = 0;
    for (double d = 0.1; d < 0.4; d += 0.05) past = std::max({past, at(1 + d) - light, dark - at(1 - d)});
    return past / (light - dark);
}

} // namespace

double FoundPattern::scaleX() const {
    return std::hypot(map[0], map[3]);
}
double FoundPattern::scaleY() const {
    return std::hypot(map[1], map[4]);
}
double FoundPattern::turn() const {
    return std::atan2(map[3], map[0]) * 180 / std::numbers::pi;
}

std::optional<FoundPattern> findPattern(const Picture& picture, const Task* task) {
    constexpr int mostSide = 12000; // three times the largest, and some more
    if (std::max(picture.width(), picture.height()) > mostSide) return {};
    const cv::Mat luma = lumaPlane(picture);
    auto seen = markOfWhole(luma);
    if (!seen) seen = markAnywhere(luma, task);
    if (!seen) return {};
    FoundPattern found;
    found.size = seen->size;
    const PatternLayout layout(found.size);
    const double cell = layout.cellSide(), at = L::kMarkAt * cell, x = seen->ux / cell, y = seen->uy / cell;
    found.map = {x, 0, seen->mark.x - x * at, 0, y, seen->mark.y - y * at};
    std::vector<Mark> marks;
    for (int round = 0; round < 3; ++round) {
        std::vector<std::array<double, 4>> pairs;
        marks.clear();
        for (const double markX : {at, layout.width() - at})
            for (const double markY : {at, layout.height() - at}) {
                const auto [px, py] = found.at(markX, markY);
                const double u = cell * (found.scaleX() + found.scaleY()) / 2;
                // Far from what is known the guess is a wide one.
                const double far = std::hypot(px - seen->mark.x, py - seen->mark.y);
                const double reach = round == 0 ? 2 * u + 0.05 * far : 1.5 * u;
                const cv::Rect within(static_cast<int>(px - reach), static_cast<int>(py - reach),
                                      static_cast<int>(2 * reach) + 1, static_cast<int>(2 * reach) + 1);
                constexpr double good = 0.6;
                const Mark mark = findMark(luma, within, u);
                if (mark.score < good) continue;
                marks.push_back(mark);
                pairs.push_back({markX, markY, mark.x, mark.y});
            }
        if (pairs.empty()) return {};
        solve(found, pairs);
    }
    found.marks = static_cast<int>(marks.size());
    settle(found);
    for (const Mark& mark : marks)
        found.overshoot +=
            overshootAt(luma, mark, cell * found.scaleX(), cell * found.scaleY()) / double(marks.size());
    return found;
}

} // namespace baryton
