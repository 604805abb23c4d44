#include "render/view.h"
#include "base/parallel.h"
#include "render/plan.h"

#include <algorithm>
#include <cmath>

namespace baryton {

constexpr int kSmallestLevel = 32; ///< pixels on the long side

Pyramid::Pyramid(Picture full, const Task* task, std::function<Picture()> makeBase)
    : width_(full.width()), height_(full.height()), makeBase_(std::move(makeBase)) {
    levels_.push_back(std::move(full));
    halve(task);
}

Pyramid::Pyramid(Picture smaller, int width, int height) : width_(width), height_(height) {
    smaller.setScale(double(smaller.longSide()) / std::max(width, height));
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

std::shared_ptr<const BaseLevel> Pyramid::base() const {
    const std::lock_guard<std::mutex> guard(baseLock_);
    if (!base_ && makeBase_) base_ = std::make_shared<const BaseLevel>(makeBase_());
    if (!base_) {
        const auto [width, height] = baseLevelSize(full().width(), full().height());
        // The level that scaledDown comes to.
        std::size_t index = 0;
        while (index + 1 < levels_.size() && levels_[index + 1].width() >= width &&
               levels_[index + 1].height() >= height)
            ++index;
        base_ = std::make_shared<const BaseLevel>(resized(levels_[index], width, height));
    }
    return base_;
}

std::shared_ptr<const BaseLevel> Pyramid::quickBase() const {
    constexpr int side = 400;
    const std::lock_guard<std::mutex> guard(baseLock_);
    if (!quickBase_) {
        std::size_t index = 0;
        while (index + 1 < levels_.size() && levels_[index].longSide() > side) ++index;
        quickBase_ = std::make_shared<const BaseLevel>(levels_[index]);
    }
    return quickBase_;
}

double gradedScale(const Pyramid& pyramid, const ViewRegion& region) {
    return std::min(region.scale, double(pyramid.full().width()) / pyramid.width());
}

namespace {

/// Which pixels of a level stand in each column (or row) of the screen, and the part of the level that they span.
struct Repeat {
    std::vector<int> from; ///< in pixels of the level
    int first = 0, count = 0;

    Repeat(double start, int length, double perPixel, int most) : from(static_cast<std::size_t>(length)) {
        for (int i = 0; i < length; ++i)
            from[static_cast<std::size_t>(i)] =
                std::clamp(static_cast<int>(std::floor(start + (i + 0.5) / perPixel)), 0, most - 1);
        first = from.front(), count = from.back() - first + 1;
    }
    bool isOneToOne() const { return count == static_cast<int>(from.size()); }
    /// Within the part.
    std::vector<int> map() const {
        std::vector<int> places = from;
        for (int& place : places) place -= first;
        return places;
    }
};

/// The picture's own pixels, where there is one or less for each of the screen.
void takePixels(ViewSource& source, const Pyramid& pyramid, const ViewRegion& region, int margin) {
    const Picture& full = pyramid.full();
    const double down = double(full.width()) / pyramid.width(); // 1, or less in a stand-in
    const double downY = double(full.height()) / pyramid.height();
    const Repeat across(region.left * down, region.width, region.scale / down, full.width());
    const Repeat along(region.top * downY, region.height, region.scale / downY, full.height());
    const int x0 = std::max(across.first - margin, 0), y0 = std::max(along.first - margin, 0);
    const int x1 = std::min(across.first + across.count + margin, full.width()),
              y1 = std::min(along.first + along.count + margin, full.height());
    source.pixels = cropped(full, x0, y0, x1 - x0, y1 - y0);
    source.frame = FrameMap::whole(full).part(x0, y0);
    source.wanted = {across.first - x0, along.first - y0, across.count, along.count};
    if (across.isOneToOne() && along.isOneToOne()) return;
    source.columns = across.map(), source.rows = along.map();
}

/// Averages of the picture's pixels.
void takeAverages(ViewSource& source, const Pyramid& pyramid, const ViewRegion& region, int margin) {
    const double fullWidth = pyramid.width(), fullHeight = pyramid.height();
    const auto room = [&](double length) {
        return std::clamp(static_cast<int>(std::floor(length * region.scale + 1e-6)), 0, margin);
    };
    const int left = room(region.left), top = room(region.top);
    const int width = region.width + left + room(fullWidth - region.left - region.width / region.scale);
    const int height = region.height + top + room(fullHeight - region.top - region.height / region.scale);
    const double x = region.left - left / region.scale, y = region.top - top / region.scale;
    source.wanted = {left, top, region.width, region.height};
    source.frame.left = x / fullWidth, source.frame.top = y / fullHeight;
    source.frame.perPixelX = 1 / (region.scale * fullWidth), source.frame.perPixelY = 1 / (region.scale * fullHeight);
    source.frame.aspect = fullWidth / fullHeight;
    source.frame.place = pyramid.full().framePlace();
    source.frame.scale = region.scale;

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
    const int x0 = std::clamp(static_cast<int>(std::floor(x * down)), 0, level.width() - 1);
    const int y0 = std::clamp(static_cast<int>(std::floor(y * downY)), 0, level.height() - 1);
    const int x1 = std::clamp(static_cast<int>(std::ceil((x + width / region.scale) * down)), x0 + 1, level.width());
    const int y1 =
        std::clamp(static_cast<int>(std::ceil((y + height / region.scale) * downY)), y0 + 1, level.height());
    const bool all = x0 == 0 && y0 == 0 && x1 == level.width() && y1 == level.height();
    source.pixels = resized(all ? level : cropped(level, x0, y0, x1 - x0, y1 - y0), width, height);
}

} // namespace

ViewSource viewSource(const Pyramid& pyramid, const ViewRegion& region, const ViewNeeds& needs) {
    ViewSource source;
    source.width = region.width, source.height = region.height;
    if (region.scale >= double(pyramid.full().width()) / pyramid.width())
        takePixels(source, pyramid, region, needs.margin);
    else
        takeAverages(source, pyramid, region, needs.margin);
    if (needs.base) source.frame.base = pyramid.base();
    return source;
}

void runOverView(const Program& program, const ViewSource& source, const Program::Sink& sink, int threads,
                 const Task* task) {
    const Plan plan(program, source.frame, source.pixels, threads, task);
    const PixelRect& wanted = source.wanted;
    if (source.columns.empty()) {
        plan.run(
            source.pixels, wanted,
            [&](int x, int y, int count, const float* r, const float* g, const float* b) {
                sink(x - wanted.x, y - wanted.y, count, r, g, b);
            },
            threads, task);
        return;
    }
    Picture graded(wanted.width, wanted.height);
    plan.run(source.pixels, wanted, into(graded, wanted.x, wanted.y), threads, task);
    const Picture& from = graded;
    inPieces(source.height, 16, 0, [&](int first, int last) {
        std::vector<float> row[3];
        for (auto& each : row) each.resize(source.columns.size());
        for (int y = first; y < last; ++y) {
            for (int k = 0; k < 3; ++k) {
                const float* in = from.row(k, source.rows[static_cast<std::size_t>(y)]);
                for (std::size_t x = 0; x < source.columns.size(); ++x)
                    row[static_cast<std::size_t>(k)][x] = in[source.columns[x]];
            }
            sink(0, y, source.width, row[0].data(), row[1].data(), row[2].data());
        }
    });
}

} // namespace baryton
