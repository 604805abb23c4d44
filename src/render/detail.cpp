#include "render/detail.h"
#include "colour/transfer.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace baryton {

namespace {

constexpr int kReach = 2;              ///< pixels on either side
constexpr float kPlain = 2;            ///< levels that are plain to see
constexpr float kGone = 1;             ///< levels that are not
constexpr float kGoneShare = 0.25F;    ///< of what was there
constexpr float kCutShare = 0.6F;      ///< of what was there before it was held to 0…1
constexpr float kSolid = 0.6F;         ///< of the pixels around: a line along an edge is no fold
constexpr float kWhite = 0.985F;       ///< luma from which on a pixel is as good as white
constexpr float kOutside = 1.0F / 255; ///< past the ends by so much counts as cut

/// How many of the places i − kReach … i + kReach lie inside.
int heldAround(int i, int count) {
    return std::min(i + kReach, count - 1) - std::max(i - kReach, 0) + 1;
}

/// The means over the pixels around each, of those inside, row by row from the top: of a row only the five that it
/// needs are held.
class MeansAround {
public:
    MeansAround(int width, int height) : width_(width), height_(height), shares_(std::size_t(width)) {
        for (int x = 0; x < width; ++x) shares_[std::size_t(x)] = 1.0F / float(heldAround(x, width));
        for (auto& row : across_) row.resize(std::size_t(width));
    }

    /// Takes row `y` of what is averaged.
    void take(int y, const float* in) {
        static_assert(kReach == 2);
        float* out = across_[std::size_t(y % kRows)].data();
        const auto atEnd = [&](int x) {
            float sum = 0;
            for (int i = std::max(x - kReach, 0); i <= std::min(x + kReach, width_ - 1); ++i) sum += in[i];
            out[x] = sum * shares_[std::size_t(x)];
        };
        for (int x = 0; x < std::min(kReach, width_); ++x) atEnd(x);
        for (int x = kReach; x < width_ - kReach; ++x)
            out[x] = (in[x - 2] + in[x - 1] + in[x] + in[x + 1] + in[x + 2]) * 0.2F;
        for (int x = std::max(width_ - kReach, kReach); x < width_; ++x) atEnd(x);
    }
    /// Means of row `y`, of which all rows around have been taken.
    void put(int y, float* out) const {
        std::fill_n(out, width_, 0.0F);
        for (int i = std::max(y - kReach, 0); i <= std::min(y + kReach, height_ - 1); ++i) {
            const float* in = across_[std::size_t(i % kRows)].data();
            for (int x = 0; x < width_; ++x) out[x] += in[x];
        }
        const float share = 1.0F / float(heldAround(y, height_));
        for (int x = 0; x < width_; ++x) out[x] *= share;
    }

private:
    static constexpr int kRows = 2 * kReach + 1;
    int width_, height_;
    std::vector<float> shares_;
    std::array<std::vector<float>, kRows> across_;
};

/// Calls `take(y)` for each row, and `put(y)` as soon as all around it have been taken.
template <class Take, class Put>
void rowByRow(int height, const Take& take, const Put& put) {
    for (int y = 0; y < height + kReach; ++y) {
        if (y < height) take(y);
        if (y >= kReach) put(y - kReach);
    }
}

/// A row's luma in 8-bit levels from the middle grey, so that its squares stay small.
void levelsOf(const Picture& picture, int y, Shown shown, float* out) {
    constexpr float red = luma(1, 0, 0), green = luma(0, 1, 0), blue = luma(0, 0, 1);
    // What lies farther out is cut off whatever it holds.
    const float low = shown == Shown::Held ? 0.0F : -4.0F, high = shown == Shown::Held ? 1.0F : 8.0F;
    const float *r = picture.row(0, y), *g = picture.row(1, y), *b = picture.row(2, y);
    const auto held = [low, high](float v) { return std::min(std::max(v, low), high); };
    for (int x = 0; x < picture.width(); ++x)
        out[x] = 255 * (red * held(r[x]) + green * held(g[x]) + blue * held(b[x]) - 0.5F);
}

/// Whether nothing lies outside 0…1.
bool isHeld(const Picture& picture) {
    for (int plane = 0; plane < 3; ++plane)
        for (int y = 0; y < picture.height(); ++y) {
            const float* row = picture.row(plane, y);
            if (std::any_of(row, row + picture.width(), [](float v) { return v < 0 || v > 1; })) return false;
        }
    return true;
}

} // namespace

std::vector<float> detailOf(const Picture& picture, Shown shown) {
    const int width = picture.width(), height = picture.height();
    const auto columns = static_cast<std::size_t>(width);
    MeansAround means(width, height), squares(width, height);
    std::vector<float> levels(columns), squared(columns), mean(columns);
    std::vector<float> detail(columns * static_cast<std::size_t>(height));
    const auto take = [&](int y) {
        levelsOf(picture, y, shown, levels.data());
        for (std::size_t x = 0; x < columns; ++x) squared[x] = levels[x] * levels[x];
        means.take(y, levels.data());
        squares.take(y, squared.data());
    };
    const auto put = [&](int y) {
        float* out = detail.data() + static_cast<std::size_t>(y) * columns;
        means.put(y, mean.data());
        squares.put(y, out);
        for (std::size_t x = 0; x < columns; ++x) out[x] = std::sqrt(std::max(out[x] - mean[x] * mean[x], 0.0F));
    };
    rowByRow(height, take, put);
    return detail;
}

LostDetail lostDetail(const std::vector<float>& sourceDetail, const Picture& graded) {
    const int width = graded.width(), height = graded.height();
    const auto columns = static_cast<std::size_t>(width);
    const std::vector<float> detail = detailOf(graded);
    const std::vector<float> whole = isHeld(graded) ? detail : detailOf(graded, Shown::Whole);
    LostDetail lost;
    std::vector<float> isLost(detail.size()), around(columns);
    for (std::size_t i = 0; i < detail.size(); ++i) {
        const bool isGone = detail[i] < kGone && detail[i] < kGoneShare * sourceDetail[i];
        const bool isCutOff = whole[i] - detail[i] >= kPlain && detail[i] < kCutShare * whole[i];
        isLost[i] = sourceDetail[i] >= kPlain && (isGone || isCutOff) ? 1.0F : 0.0F;
    }
    MeansAround means(width, height);
    const auto count = [&](int y) {
        means.put(y, around.data());
        const float *red = graded.row(0, y), *green = graded.row(1, y), *blue = graded.row(2, y);
        for (std::size_t x = 0; x < columns; ++x) {
            const std::size_t i = static_cast<std::size_t>(y) * columns + x;
            if (isLost[i] == 0 || around[x] < kSolid) continue;
            lost.pixels.push_back(i);
            const float r = red[x], g = green[x], b = blue[x];
            const bool isCut = std::min({r, g, b}) < -kOutside || std::max({r, g, b}) > 1 + kOutside;
            // Black cut on all channels is a matter of tones, not of colours.
            if (std::min({r, g, b}) > 1 - kOutside || luma(r, g, b) > kWhite)
                ++lost.lights;
            else if (isCut && std::max({r, g, b}) > kOutside)
                ++lost.colours;
            else
                ++lost.tones;
        }
    };
    rowByRow(
        height, [&](int y) { means.take(y, isLost.data() + static_cast<std::size_t>(y) * columns); }, count);
    if (lost.pixels.empty()) return lost;
    const auto pixels = static_cast<double>(lost.pixels.size());
    lost.lights /= pixels, lost.colours /= pixels, lost.tones /= pixels;
    lost.share = pixels / static_cast<double>(detail.size());
    return lost;
}

} // namespace baryton
