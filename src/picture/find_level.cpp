#include "picture/find_level.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <tuple>
#include <utility>
#include <vector>

namespace baryton {

namespace {

constexpr double kReach = 15, kFirstStep = 0.5, kStep = 0.1; ///< degrees to either side, and between what is tried

struct Edge {
    float x, y, strength; ///< in pixels from the middle of the picture
};

/// Edges that run nearly along an axis: nearly across, or nearly down with x and y changing places.
struct Edges {
    std::vector<Edge> across, down;
};

Edges edgesOf(const Picture& p) {
    constexpr float least = 0.03F, hard = 0.15F; // of the range; beyond it an edge counts no more
    Edges edges;
    const auto luma = [&](int x, int y) {
        return 0.2126F * p.row(0, y)[x] + 0.7152F * p.row(1, y)[x] + 0.0722F * p.row(2, y)[x];
    };
    const float middleX = static_cast<float>(p.width()) / 2, middleY = static_cast<float>(p.height()) / 2;
    const double steep = std::tan((kReach + 5) * std::numbers::pi / 180);
    for (int y = 1; y + 1 < p.height(); ++y)
        for (int x = 1; x + 1 < p.width(); ++x) {
            const float dx = (luma(x + 1, y - 1) + 2 * luma(x + 1, y) + luma(x + 1, y + 1) - luma(x - 1, y - 1) -
                              2 * luma(x - 1, y) - luma(x - 1, y + 1)) /
                             8;
            const float dy = (luma(x - 1, y + 1) + 2 * luma(x, y + 1) + luma(x + 1, y + 1) - luma(x - 1, y - 1) -
                              2 * luma(x, y - 1) - luma(x + 1, y - 1)) /
                             8;
            const float strength = std::min(std::hypot(dx, dy), hard);
            if (strength < least) continue;
            const float u = static_cast<float>(x) + 0.5F - middleX, v = static_cast<float>(y) + 0.5F - middleY;
            if (std::abs(dx) < steep * std::abs(dy)) edges.across.push_back({u, v, strength});
            if (std::abs(dy) < steep * std::abs(dx)) edges.down.push_back({v, -u, strength});
        }
    return edges;
}

/// The sums along lines, `perPixel` of them for a pixel, that rise by an angle (the picture is level once turned by
/// it): of each edge's strength over the two lines next to it. The middle of the picture is at `halfSpan` pixels.
std::vector<double> profile(const std::vector<Edge>& edges, double degrees, double halfSpan, double perPixel = 1) {
    const double angle = degrees * std::numbers::pi / 180, c = std::cos(angle), s = std::sin(angle);
    std::vector<double> sums(static_cast<std::size_t>(2 * halfSpan * perPixel) + 3);
    for (const Edge& e : edges) {
        const double at = (e.y * c + e.x * s + halfSpan) * perPixel;
        const auto line = static_cast<std::size_t>(at);
        const double t = at - static_cast<double>(line);
        sums[line] += e.strength * (1 - t), sums[line + 1] += e.strength * t;
    }
    return sums;
}

double energy(const std::vector<double>& sums) {
    double total = 0;
    for (const double v : sums) total += v * v;
    return total;
}

} // namespace

FoundLevel findLevel(const Picture& whole) {
    constexpr int enough = 420;
    FoundLevel found;
    if (whole.width() < 32 || whole.height() < 32) return found;
    const double smaller = std::min(1.0, double(enough) / whole.longSide());
    const auto side = [&](int length) { return std::max(8, static_cast<int>(std::lround(length * smaller))); };
    const Picture picture = smaller < 1 ? scaledDown(whole, side(whole.width()), side(whole.height())) : whole;
    const Edges edges = edgesOf(picture);
    const double halfSpan = std::hypot(picture.width(), picture.height()) / 2 + 1;
    const auto score = [&](double degrees, double perPixel) {
        return energy(profile(edges.across, degrees, halfSpan, perPixel)) +
               energy(profile(edges.down, degrees, halfSpan, perPixel));
    };
    // First in large steps on broad lines, so that no peak falls between two of them; then around the best.
    constexpr int firstSteps = static_cast<int>(kReach / kFirstStep);
    std::vector<double> first;
    for (int i = -firstSteps; i <= firstSteps; ++i) first.push_back(score(i * kFirstStep, 0.5));
    const auto best = std::max_element(first.begin(), first.end());
    if (*best <= 0) return found;
    const double near = (static_cast<double>(best - first.begin()) - firstSteps) * kFirstStep;
    constexpr int steps = 8;
    std::vector<double> scores;
    for (int i = -steps; i <= steps; ++i) scores.push_back(score(near + i * kStep, 1));
    const auto peak = std::max_element(scores.begin() + 1, scores.end() - 1);
    // The top of the parabola through the peak and its neighbours.
    const double before = peak[-1], after = peak[1], bend = before - 2 * *peak + after;
    const double shift = bend < 0 ? std::clamp(0.5 * (before - after) / bend, -1.0, 1.0) : 0;
    found.angle = near + (static_cast<double>(peak - scores.begin()) - steps + shift) * kStep;
    // How far it stands out from the angle in the middle of all.
    std::vector<double> sorted = first;
    std::nth_element(sorted.begin(), sorted.begin() + firstSteps, sorted.end());
    const double rest = sorted[firstSteps] / *best;
    constexpr double wholly = 0.4; // what stands out so far is beyond doubt
    const bool isAtTheEnd = best == first.begin() || best == first.end() - 1;
    found.sureness = isAtTheEnd ? 0 : std::clamp((1 - rest) / wholly, 0.0, 1.0);

    // The line that holds most, from its first edge to its last.
    const std::vector<double> across = profile(edges.across, found.angle, halfSpan),
                              down = profile(edges.down, found.angle, halfSpan);
    const auto most = [](const std::vector<double>& sums) { return std::max_element(sums.begin(), sums.end()); };
    const bool isAcross = *most(across) >= *most(down);
    const auto& sums = isAcross ? across : down;
    const double line = static_cast<double>(most(sums) - sums.begin()) - halfSpan;
    const double angle = found.angle * std::numbers::pi / 180, c = std::cos(angle), s = std::sin(angle);
    std::vector<double> along;
    for (const Edge& e : isAcross ? edges.across : edges.down)
        if (std::abs(e.y * c + e.x * s - line) < 1.5) along.push_back(e.x * c - e.y * s);
    if (along.empty()) return found;
    // A few strays at either end are not it.
    std::sort(along.begin(), along.end());
    const double from = along[along.size() / 50], to = along[along.size() - 1 - along.size() / 50];
    const auto place = [&](double t) {
        const double x = t * c + line * s, y = line * c - t * s;
        const double u = isAcross ? x : -y, v = isAcross ? y : x;
        return std::pair(0.5 + u / picture.width(), 0.5 + v / picture.height());
    };
    std::tie(found.x0, found.y0) = place(from);
    std::tie(found.x1, found.y1) = place(to);
    return found;
}

} // namespace baryton
