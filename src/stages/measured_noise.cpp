#include "stages/measured_noise.h"
#include "stages/noise.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <vector>

namespace baryton {

namespace {

constexpr int kSide = 32, kLevels = 2;
constexpr int kReach = 2 * ((1 << kLevels) - 1); ///< pixels around a patch that its levels depend on
constexpr int kWide = kSide + 2 * kReach;
constexpr int kMostPatches = 600;

using Plane = std::array<float, static_cast<std::size_t>(kWide) * kWide>;

float& at(Plane& plane, int x, int y) {
    return plane[static_cast<std::size_t>(y * kWide + x)];
}

/// The plane smoothed with taps `step` apart; what lies nearer to its edge than `inset` has no meaning.
Plane smoothed(Plane& from, int step, int inset) {
    Plane across{}, both{};
    const auto five = [](float a, float b, float c, float d, float e) {
        return 0.0625F * (a + e) + 0.25F * (b + d) + 0.375F * c;
    };
    for (int y = 0; y < kWide; ++y)
        for (int x = inset; x < kWide - inset; ++x)
            at(across, x, y) = five(at(from, x - 2 * step, y), at(from, x - step, y), at(from, x, y),
                                    at(from, x + step, y), at(from, x + 2 * step, y));
    for (int y = inset; y < kWide - inset; ++y)
        for (int x = inset; x < kWide - inset; ++x)
            at(both, x, y) = five(at(across, x, y - 2 * step), at(across, x, y - step), at(across, x, y),
                                  at(across, x, y + step), at(across, x, y + 2 * step));
    return both;
}

/// The deviations of a plane's finest levels within the patch.
std::array<double, kLevels> deviationsOf(Plane plane) {
    std::array<double, kLevels> deviations{};
    std::vector<float> sizes;
    int inset = 0;
    for (int level = 0; level < kLevels; ++level) {
        inset += 2 << level;
        Plane coarse = smoothed(plane, 1 << level, inset);
        sizes.clear();
        for (int y = kReach; y < kReach + kSide; ++y)
            for (int x = kReach; x < kReach + kSide; ++x)
                sizes.push_back(std::abs(at(plane, x, y) - at(coarse, x, y)));
        const auto middle = sizes.begin() + static_cast<std::ptrdiff_t>(sizes.size() / 2);
        std::nth_element(sizes.begin(), middle, sizes.end());
        constexpr double perMedian = 1.4826;
        deviations[static_cast<std::size_t>(level)] = perMedian * double(*middle);
        plane = coarse;
    }
    return deviations;
}

/// Luma, R − y and B − y of a patch and what lies around it; false where too much of it is at an end of the range.
bool takePatch(const Picture& picture, int left, int top, std::array<Plane, 3>& planes) {
    int cut = 0;
    for (int y = 0; y < kWide; ++y)
        for (int x = 0; x < kWide; ++x) {
            const float r = picture.row(0, top + y)[left + x], g = picture.row(1, top + y)[left + x],
                        b = picture.row(2, top + y)[left + x];
            const float luma = 0.2126F * r + 0.7152F * g + 0.0722F * b;
            cut += std::min({r, g, b}) <= 0.002F || std::max({r, g, b}) >= 0.998F;
            at(planes[0], x, y) = luma, at(planes[1], x, y) = r - luma, at(planes[2], x, y) = b - luma;
        }
    return cut < kWide * kWide / 8;
}

} // namespace

MeasuredNoise measuredNoise(const Picture& picture) {
    MeasuredNoise noise;
    const int columns = picture.width() / kWide, rows = picture.height() / kWide;
    if (columns == 0 || rows == 0) return noise;
    // As many of the patches as are enough, evenly over the picture.
    const int all = columns * rows, taken = std::min(all, kMostPatches);
    std::array<std::array<std::vector<double>, kLevels>, 3> found;
    std::array<Plane, 3> planes;
    for (int i = 0; i < taken; ++i) {
        const auto patch = static_cast<int>(static_cast<long long>(i) * all / taken);
        if (!takePatch(picture, patch % columns * kWide, patch / columns * kWide, planes)) continue;
        for (std::size_t k = 0; k < planes.size(); ++k) {
            const auto deviations = deviationsOf(planes[k]);
            for (std::size_t level = 0; level < kLevels; ++level) found[k][level].push_back(deviations[level]);
        }
    }
    constexpr std::size_t least = 4, share = 7;
    if (found[0][0].size() < least) return noise;
    const auto even = [](std::vector<double>& each) {
        const auto place = each.begin() + static_cast<std::ptrdiff_t>(each.size() / share);
        std::nth_element(each.begin(), place, each.end());
        return *place;
    };
    for (std::size_t level = 0; level < kLevels; ++level) {
        noise.luma[level] = even(found[0][level]);
        noise.colour[level] = std::max(even(found[1][level]), even(found[2][level]));
    }
    noise.isKnown = true;
    return noise;
}

std::map<std::string, Value> noiseParametersFor(const MeasuredNoise& noise) {
    constexpr double deviations = 2.5;
    constexpr double least = 0.06; // an amount that is not seen
    const auto amountFor = [&](const double(&measured)[2], double (*amountOf)(std::size_t, double)) {
        double amount = 0;
        for (std::size_t level = 0; level < kLevels; ++level)
            amount = std::max(amount, amountOf(level, deviations * measured[level]));
        constexpr double percents = 100;
        return amount < least ? 0.0 : std::min(1.0, std::round(percents * amount) / percents);
    };
    return {{"luma", amountFor(noise.luma, noiseLumaAmount)}, {"colour", amountFor(noise.colour, noiseColourAmount)}};
}

} // namespace baryton
