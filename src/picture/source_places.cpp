#include "picture/source_places.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

/// Half the distance of two samples that have the spread of `covered` pixels: a box of s pixels has the variance
/// s²/12, of which 1/12 is in a sample already. Below 1.25 (more than turning and lenses make) one sample is enough.
double halfApart(double covered) {
    constexpr double least = 1.25;
    return covered <= least ? 0 : std::sqrt((covered * covered - least * least) / 12);
}

} // namespace

SourcePlaces::SourcePlaces(const Placement& placement)
    : placement_(placement), inPicture_(placement_), isStraight_(placement.isStraight()) {
    const int longSide = std::max(placement.width, placement.height);
    step_ = longSide >= 2000 ? 8 : longSide >= 600 ? 4 : 2;
    hasMeans_ = !isStraight_;
    if (isStraight_) return;
    bool anywhere = false; // most of all at a corner
    for (const double x : {0.0, double(placement.width)})
        for (const double y : {0.0, double(placement.height)}) {
            const Place place = at(x, y);
            for (const PlacedPoint& way : {place.across, place.down}) anywhere = anywhere || way.x != 0 || way.y != 0;
        }
    hasMeans_ = anywhere;
}

SourcePlaces::Place SourcePlaces::at(double x, double y) const {
    Place place;
    const PlacedPoint here = inPicture_({x, y});
    if (placement_.lens) {
        const LensMap::Places there = placement_.lens->toSource(here);
        place.colours = there.colours;
        if (colours() == 1) place.colours[0] = there.colours[1];
        place.gain = there.gain;
    } else {
        place.colours[0] = here;
    }
    if (!hasMeans_) return place;
    // What the lens stretches is next to nothing beside what the perspective does.
    const auto apart = [&](double dx, double dy) -> PlacedPoint {
        const PlacedPoint a = inPicture_({x - dx, y - dy}), b = inPicture_({x + dx, y + dy});
        const double length = std::hypot(b.x - a.x, b.y - a.y), half = halfApart(length);
        if (half == 0) return {};
        return {(b.x - a.x) / length * half, (b.y - a.y) / length * half};
    };
    place.across = apart(0.5, 0), place.down = apart(0, 0.5);
    return place;
}

void SourcePlaces::row(int y, std::vector<Place>& places) const {
    const int count = (placement_.width + step_ - 1) / step_ + 1;
    places.resize(static_cast<std::size_t>(count));
    for (int i = 0; i < count; ++i) places[static_cast<std::size_t>(i)] = at(i * step_ + 0.5, y + 0.5);
}

} // namespace baryton
