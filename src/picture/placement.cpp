#include "picture/placement.h"
#include "picture/frame_place.h"
#include "picture/warp.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

/// Of the part in the source, where nothing is turned.
int leftOf(const Placement& p) {
    return static_cast<int>(std::lround(p.centreX - p.width / 2.0));
}
int topOf(const Placement& p) {
    return static_cast<int>(std::lround(p.centreY - p.height / 2.0));
}

} // namespace

bool Placement::copiesPixels() const {
    const double left = centreX - width / 2.0, top = centreY - height / 2.0;
    return isStraight() && !lens && angle == 0 && left == std::round(left) && top == std::round(top);
}

bool Placement::operator==(const Placement& o) const {
    const bool isSameLens = lens == o.lens || (lens && o.lens && *lens == *o.lens);
    return width == o.width && height == o.height && centreX == o.centreX && centreY == o.centreY &&
           angle == o.angle && orientation == o.orientation && perspective == o.perspective && isSameLens;
}

Placement wholeOf(int width, int height) {
    return {width, height, width / 2.0, height / 2.0};
}

Unturned::Unturned(const Placement& p)
    : placement_(p), cos_(std::cos(p.angle)), sin_(std::sin(p.angle)), isStraight_(p.isStraight()) {}

PlacedPoint Unturned::operator()(PlacedPoint at) const {
    const Placement& p = placement_;
    const double u = at.x - p.width / 2.0, v = at.y - p.height / 2.0;
    const PlacedPoint straight{p.centreX + u * cos_ + v * sin_, p.centreY - u * sin_ + v * cos_};
    return isStraight_ ? straight : through(p.perspective, straight);
}

PlacedPoint toSource(const Placement& p, PlacedPoint at, std::size_t colour) {
    const PlacedPoint there = Unturned(p)(at);
    return p.lens ? p.lens->toSource(there).colours[colour] : there;
}

double gainAt(const Placement& p, PlacedPoint at) {
    return p.lens ? p.lens->toSource(Unturned(p)(at)).gain : 1;
}

PlacedPoint fromSource(const Placement& p, PlacedPoint at) {
    if (p.lens) at = p.lens->fromSource(at);
    if (!p.isStraight()) {
        constexpr double nowhere = -1e6; // what lies behind the camera
        const Mat3 back = inverse(p.perspective);
        if (depthAt(back, at) <= 0) return {nowhere, nowhere};
        at = through(back, at);
    }
    const double x = at.x - p.centreX, y = at.y - p.centreY, c = std::cos(p.angle), s = std::sin(p.angle);
    return {p.width / 2.0 + x * c - y * s, p.height / 2.0 + x * s + y * c};
}

RowRange rowsBehind(const Placement& p, int sourceHeight, int y, int count) {
    if (p.copiesPixels()) return {topOf(p) + y, count};
    double low = 1e9, high = -1e9;
    const auto see = [&](double x, double row) {
        for (std::size_t colour = p.lens ? 0 : 2; colour < 3; ++colour) {
            const double there = std::clamp(toSource(p, {x, row + 0.5}, colour).y, -1.0, sourceHeight + 1.0);
            low = std::min(low, there), high = std::max(high, there);
        }
    };
    if (p.isStraight() && !p.lens) { // the corners are the outermost
        for (const int row : {y, y + count - 1}) see(0, row), see(p.width, row);
    } else {
        constexpr int step = 32; // between them the map bends by less than a pixel
        const auto along = [&](int row) {
            for (int x = 0; x < p.width; x += step) see(x, row);
            see(p.width, row);
        };
        for (int row = y; row < y + count; row += step) along(row);
        along(y + count - 1);
        low -= 2, high += 2; // that, and a pixel may be a mean
    }
    const int top = std::clamp(static_cast<int>(std::floor(low)) - kWarpReach - 1, 0, sourceHeight - 1);
    const int end = std::clamp(static_cast<int>(std::ceil(high)) + kWarpReach + 2, top + 1, sourceHeight);
    return {top, end - top};
}

Picture placedRows(const Picture& band, int bandTop, int sourceHeight, const Placement& placement, int y, int count,
                   int threads, const Task* task) {
    if (placement.copiesPixels())
        return cropped(band, leftOf(placement), topOf(placement) + y - bandTop, placement.width, count);
    return warpedRows(band, bandTop, sourceHeight, placement, y, count, threads, task);
}

Picture placed(const Picture& picture, const Placement& placement, int threads, const Task* task) {
    if (placement == wholeOf(picture.width(), picture.height())) return picture;
    if (task) task->throwIfCancelled();
    if (!placement.orientation.isNone()) {
        Placement rest = placement;
        rest.orientation = {};
        const Picture turned = oriented(picture, placement.orientation);
        Picture result = placed(turned, rest, threads, task);
        result.setFramePlace(std::make_shared<const FramePlace>(placement, turned.width(), turned.height()));
        return result;
    }
    Picture result = placedRows(picture, 0, picture.height(), placement, 0, placement.height, threads, task);
    result.setFramePlace(std::make_shared<const FramePlace>(placement, picture.width(), picture.height()));
    if (task) task->throwIfCancelled();
    return result;
}

} // namespace baryton
