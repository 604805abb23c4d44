#include "render/detail.h"
#include "colour/transfer.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

constexpr int kReach = 2;              ///< pixels on either side
constexpr float kPlain = 2;            ///< levels that are plain to see
constexpr float kGone = 1;             ///< levels that are not
constexpr float kGoneShare = 0.25F;    ///< of what was there
constexpr float kCutShare = 0.6F;      ///< of what was there before it was held to 0…1
constexpr double kSolid = 0.6;         ///< of the pixels around: a line along an edge is no fold
constexpr float kWhite = 0.985F;       ///< luma from which on a pixel is as good as white
constexpr float kOutside = 1.0F / 255; ///< past the ends by so much counts as cut

/// Running sums over a line, 2·kReach + 1 wide, shorter at the ends; `at(i)` reads, `put(i, mean)` writes.
template <class Read, class Write>
void means(int count, Read at, Write put) {
    double sum = 0;
    int held = 0;
    for (int i = 0; i < std::min(kReach, count); ++i) sum += at(i), ++held;
    for (int i = 0; i < count; ++i) {
        if (i + kReach < count) sum += at(i + kReach), ++held;
        if (i - kReach > 0) sum -= at(i - kReach - 1), --held;
        put(i, sum / held);
    }
}

std::vector<double> blurred(const std::vector<double>& from, int width, int height) {
    std::vector<double> across(from.size()), both(from.size());
    for (int y = 0; y < height; ++y) {
        const auto row = static_cast<std::size_t>(y) * static_cast<std::size_t>(width);
        means(
            width, [&](int x) { return from[row + static_cast<std::size_t>(x)]; },
            [&](int x, double v) { across[row + static_cast<std::size_t>(x)] = v; });
    }
    for (int x = 0; x < width; ++x) {
        const auto place = [&](int y) {
            return static_cast<std::size_t>(y) * static_cast<std::size_t>(width) + static_cast<std::size_t>(x);
        };
        means(
            height, [&](int y) { return across[place(y)]; }, [&](int y, double v) { both[place(y)] = v; });
    }
    return both;
}

} // namespace

std::vector<float> detailOf(const Picture& picture, Shown shown) {
    const int width = picture.width(), height = picture.height();
    std::vector<double> levels, squares;
    levels.reserve(static_cast<std::size_t>(width) * static_cast<std::size_t>(height));
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const auto at = [&](int k) {
                const double v = picture.row(k, y)[x];
                return shown == Shown::Held ? std::clamp(v, 0.0, 1.0) : v;
            };
            levels.push_back(255 * luma(at(0), at(1), at(2)));
        }
    for (const double v : levels) squares.push_back(v * v);
    const std::vector<double> mean = blurred(levels, width, height), square = blurred(squares, width, height);
    std::vector<float> detail(levels.size());
    for (std::size_t i = 0; i < detail.size(); ++i)
        detail[i] = static_cast<float>(std::sqrt(std::max(square[i] - mean[i] * mean[i], 0.0)));
    return detail;
}

LostDetail lostDetail(const std::vector<float>& sourceDetail, const Picture& graded) {
    const std::vector<float> detail = detailOf(graded), whole = detailOf(graded, Shown::Whole);
    std::vector<double> isLost(detail.size());
    for (std::size_t i = 0; i < detail.size(); ++i) {
        const bool isGone = detail[i] < kGone && detail[i] < kGoneShare * sourceDetail[i];
        const bool isCutOff = whole[i] - detail[i] >= kPlain && detail[i] < kCutShare * whole[i];
        isLost[i] = sourceDetail[i] >= kPlain && (isGone || isCutOff);
    }
    const std::vector<double> around = blurred(isLost, graded.width(), graded.height());
    LostDetail lost;
    std::size_t i = 0;
    for (int y = 0; y < graded.height(); ++y)
        for (int x = 0; x < graded.width(); ++x, ++i) {
            if (isLost[i] == 0 || around[i] < kSolid) continue;
            lost.pixels.push_back(i);
            const float r = graded.row(0, y)[x], g = graded.row(1, y)[x], b = graded.row(2, y)[x];
            const bool isCut = std::min({r, g, b}) < -kOutside || std::max({r, g, b}) > 1 + kOutside;
            // Black cut on all channels is a matter of tones, not of colours.
            if (std::min({r, g, b}) > 1 - kOutside || luma(r, g, b) > kWhite)
                ++lost.lights;
            else if (isCut && std::max({r, g, b}) > kOutside)
                ++lost.colours;
            else
                ++lost.tones;
        }
    if (lost.pixels.empty()) return lost;
    const auto count = static_cast<double>(lost.pixels.size());
    lost.lights /= count, lost.colours /= count, lost.tones /= count;
    lost.share = count / static_cast<double>(detail.size());
    return lost;
}

} // namespace baryton
