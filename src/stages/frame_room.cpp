#include "stages/frame_room.h"
#include "colour/matrix.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace baryton {

namespace {

constexpr double kSlack = 1e-6; // pixels, for what is found by solving equations

double determinant(const Mat3& m) {
    return m[0] * (m[4] * m[8] - m[5] * m[7]) - m[1] * (m[3] * m[8] - m[5] * m[6]) +
           m[2] * (m[3] * m[7] - m[4] * m[6]);
}

} // namespace

FrameRoom::FrameRoom(std::vector<HalfPlane> outline, double proportions, double angle)
    : outline_(std::move(outline)) {
    const double c = std::cos(angle), s = std::sin(angle);
    for (const HalfPlane& side : outline_)
        reach_.push_back(proportions * std::abs(side.a * c - side.b * s) + std::abs(side.a * s + side.b * c));
}

double FrameRoom::roomAround(PlacedPoint middle, double b) const {
    double least = std::numeric_limits<double>::max();
    for (std::size_t i = 0; i < outline_.size(); ++i)
        least = std::min(least, outline_[i].room(middle) - b * reach_[i]);
    return least;
}

double FrameRoom::largest() const {
    // The best place of a linear program in three unknowns is where three of its bounds meet.
    double best = 0;
    for (std::size_t i = 0; i < outline_.size(); ++i)
        for (std::size_t j = i + 1; j < outline_.size(); ++j)
            for (std::size_t k = j + 1; k < outline_.size(); ++k) {
                const HalfPlane &p = outline_[i], &q = outline_[j], &r = outline_[k];
                const Mat3 m = {p.a, p.b, -reach_[i], q.a, q.b, -reach_[j], r.a, r.b, -reach_[k]};
                if (std::abs(determinant(m)) < 1e-12) continue;
                const Vec3 at = inverse(m) * Vec3{p.c, q.c, r.c};
                if (at[2] > best && roomAround({at[0], at[1]}, at[2]) >= -kSlack) best = at[2];
            }
    return best;
}

PlacedPoint FrameRoom::middleNear(PlacedPoint wanted, double b) const {
    if (roomAround(wanted, b) >= 0) return wanted;
    PlacedPoint best = wanted;
    double nearest = std::numeric_limits<double>::max();
    const auto offer = [&](PlacedPoint at) {
        const double away = std::hypot(at.x - wanted.x, at.y - wanted.y);
        if (away < nearest && roomAround(at, b) >= -kSlack) nearest = away, best = at;
    };
    for (std::size_t i = 0; i < outline_.size(); ++i) {
        const HalfPlane& p = outline_[i];
        const double lacks = reach_[i] * b - p.room(wanted);
        offer({wanted.x + lacks * p.a, wanted.y + lacks * p.b});
        for (std::size_t j = i + 1; j < outline_.size(); ++j) {
            const HalfPlane& q = outline_[j];
            const double det = p.a * q.b - p.b * q.a, c = p.c + reach_[i] * b, d = q.c + reach_[j] * b;
            if (std::abs(det) > 1e-12) offer({(c * q.b - p.b * d) / det, (p.a * d - c * q.a) / det});
        }
    }
    return best;
}

} // namespace baryton
