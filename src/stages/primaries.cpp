// Primaries: turns and stretches the three corners of the colour triangle. Formula in primaries.h.
#include "stages/primaries.h"
#include "colour/spaces.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

constexpr double kCorners[3][2] = {{0.64, 0.33}, {0.30, 0.60}, {0.15, 0.06}}; // IEC 61966-2-1
constexpr double kWhite[2] = {0.3127, 0.3290};

/// The corners, part of the way, as columns of XYZ with Y of 1, or nothing where a corner has no chromaticity.
Mat3 cornersAt(const PrimariesSettings& s, double share) {
    Mat3 m{};
    for (std::size_t i = 0; i < 3; ++i) {
        const double dx = kCorners[i][0] - kWhite[0], dy = kCorners[i][1] - kWhite[1];
        const double angle = share * s.turn[i] * std::numbers::pi / 180, length = 1 + share * s.reach[i];
        const double x = kWhite[0] + length * (dx * std::cos(angle) - dy * std::sin(angle));
        const double y = std::max(1e-3, kWhite[1] + length * (dx * std::sin(angle) + dy * std::cos(angle)));
        m[i] = x / y, m[3 + i] = 1, m[6 + i] = (1 - x - y) / y;
    }
    return m;
}

/// White's weights on the corners; far below zero where the triangle has closed.
Vec3 weightsOf(const Mat3& corners) {
    const double c0 = corners[4] * corners[8] - corners[5] * corners[7],
                 c1 = corners[5] * corners[6] - corners[3] * corners[8],
                 c2 = corners[3] * corners[7] - corners[4] * corners[6];
    const double determinant = corners[0] * c0 + corners[1] * c1 + corners[2] * c2;
    if (std::abs(determinant) < 1e-6) return {-1, -1, -1};
    return inverse(corners) * kD65;
}

} // namespace

Mat3 primariesMatrix(const PrimariesSettings& settings, double* slid) {
    constexpr double leastShare = 0.25;
    const Vec3 usual = weightsOf(cornersAt(settings, 0));
    const auto holds = [&](double share) {
        const Vec3 w = weightsOf(cornersAt(settings, share));
        for (std::size_t i = 0; i < 3; ++i)
            if (w[i] < leastShare * usual[i]) return false;
        return true;
    };
    // The first share of the way that fails is looked for from 0 upward, so that the answer moves smoothly.
    constexpr int steps = 64;
    double share = 1;
    for (int i = 1; i <= steps; ++i) {
        if (holds(double(i) / steps)) continue;
        double low = double(i - 1) / steps, high = double(i) / steps;
        for (int round = 0; round < 40; ++round) {
            const double middle = (low + high) / 2;
            (holds(middle) ? low : high) = middle;
        }
        share = low;
        break;
    }
    if (slid) *slid = share;
    const Mat3 corners = cornersAt(settings, share);
    return kXyzToSrgb * (corners * diagonal(weightsOf(corners)));
}

namespace {

struct PrimariesParameters {
    struct Corner {
        double turn = 0, reach = 0; ///< degrees; −0.6…0.4

        bool operator==(const Corner&) const = default;
    };
    std::array<Corner, 4> corners; ///< red, green, blue, all
};

SettingList<PrimariesParameters> primariesParameters() {
    using namespace describe;
    using P = PrimariesParameters;
    constexpr const char* names[][2] = {{"red", "Red"}, {"green", "Green"}, {"blue", "Blue"}, {"all", "All"}};
    SettingList<P> all;
    for (std::size_t i = 0; i < std::size(names); ++i) {
        const std::string id = names[i][0], name = names[i][1];
        all.emplace_back(entry(&P::corners, i, &P::Corner::turn),
                         number(id + ".turn", name + " turn", -45, 45, 1, 0,
                                "Turns this corner's colours toward their neighbours.", Unit::Degrees));
        all.emplace_back(entry(&P::corners, i, &P::Corner::reach),
                         percent(id + ".reach", name + " reach", -60, 40, 0,
                                 "Draws this corner's colours toward white, or away from it."));
    }
    return all;
}

} // namespace

const StageType& primariesType() {
    using P = PrimariesParameters;
    static const StageType type = stageType<P>({
        .id = "primaries",
        .name = "Primaries",
        .summary = "Turns and stretches the picture's red, green and blue; every other colour follows, white stays.",
        .parts = {Part::Look},
        .settings = primariesParameters(),
        .isNeutral =
            [](const P& p) {
                return std::all_of(p.corners.begin(), p.corners.end(),
                                   [](const auto& corner) { return corner == P::Corner(); });
            },
        .compile =
            [](const P& p) {
                PrimariesSettings s;
                for (std::size_t i = 0; i < 3; ++i) {
                    s.turn[i] = std::clamp(p.corners[i].turn + p.corners[3].turn, -45.0, 45.0);
                    s.reach[i] = std::clamp(p.corners[i].reach + p.corners[3].reach, -0.6, 0.4);
                }
                return matrixKernel(primariesMatrix(s));
            },
    });
    return type;
}

} // namespace baryton
