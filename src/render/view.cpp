#include "render/view.h"

#include <algorithm>
#include <cmath>

namespace baryton {

constexpr int kSmallestLevel = 32; ///< pixels on the long side

Pyramid::Pyramid(Picture full, const Task* task) : width_(full.width()), height_(full.height()) {
    levels_.push_back(std::move(full));
    halve(task);
}

Pyramid::Pyramid(Picture smaller, int width, int height) : width_(width), height_(height) {
    levels_.push_back(std::move(smaller));
    halve(nullptr);
}

void Pyramid::halve(const Task* task) {
    while (levels_.back().longSide() > kSmallestLevel) {
        if (task) task->throwIfCancelled();
        levels_.push_back(halved(levels_.back()));
    }
}

std::size_t Pyramid::bytes() const {
    std::size_t sum = 0;
    for (const auto& level : levels_) sum += level.bytes();
    return sum;
}

namespace {

/// The region by picking the nearest pixel, where there is one or less for each pixel of the screen. The region is
/// told in pixels of the level at hand.
Picture repeated(const Picture& picture, const ViewRegion& region) {
    Picture view(region.width, region.height);
    std::vector<int> columns(static_cast<std::size_t>(region.width));
    for (int x = 0; x < region.width; ++x)
        columns[static_cast<std::size_t>(x)] =
            std::clamp(static_cast<int>(std::floor(region.left + (x + 0.5) / region.scale)), 0, picture.width() - 1);
    for (int plane = 0; plane < 3; ++plane)
        for (int y = 0; y < region.height; ++y) {
            const int from = std::clamp(static_cast<int>(std::floor(region.top + (y + 0.5) / region.scale)), 0,
                                        picture.height() - 1);
            const float* in = picture.row(plane, from);
            float* out = view.row(plane, y);
            for (int x = 0; x < region.width; ++x) out[x] = in[columns[static_cast<std::size_t>(x)]];
        }
    return view;
}

} // namespace

ViewSource viewSource(const Pyramid& pyramid, const ViewRegion& region) {
    const double fullWidth = pyramid.width(), fullHeight = pyramid.height();
    ViewSource source;
    source.frame = {region.left / fullWidth, region.top / fullHeight, 1 / (region.scale * fullWidth),
                    1 / (region.scale * fullHeight), fullWidth / fullHeight};
    const double largest = pyramid.full().width() / fullWidth; // 1, or less in a stand-in
    if (region.scale >= largest) {
        source.pixels = repeated(pyramid.full(), {region.left * largest, region.top * largest, region.width,
                                                  region.height, region.scale / largest});
        return source;
    }
    // The smallest level that is still at least as large as the view wants it.
    std::size_t index = 0;
    // Counted in pixels of the whole picture at this scale, as scaledDown does.
    const long wholeWidth = std::lround(fullWidth * region.scale),
               wholeHeight = std::lround(fullHeight * region.scale);
    while (index + 1 < pyramid.levels().size() && pyramid.levels()[index + 1].width() >= wholeWidth &&
           pyramid.levels()[index + 1].height() >= wholeHeight)
        ++index;
    const Picture& level = pyramid.levels()[index];
    const double down = level.width() / fullWidth, downY = level.height() / fullHeight;
    const int x0 = std::clamp(static_cast<int>(std::floor(region.left * down)), 0, level.width() - 1);
    const int y0 = std::clamp(static_cast<int>(std::floor(region.top * downY)), 0, level.height() - 1);
    const int x1 = std::clamp(static_cast<int>(std::ceil((region.left + region.width / region.scale) * down)), x0 + 1,
                              level.width());
    const int y1 = std::clamp(static_cast<int>(std::ceil((region.top + region.height / region.scale) * downY)),
                              y0 + 1, level.height());
    const bool all = x0 == 0 && y0 == 0 && x1 == level.width() && y1 == level.height();
    source.pixels = resized(all ? level : cropped(level, x0, y0, x1 - x0, y1 - y0), region.width, region.height);
    return source;
}

} // namespace baryton
