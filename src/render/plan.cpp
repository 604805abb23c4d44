#include "render/plan.h"
#include "base/parallel.h"
#include "render/base_level.h"
#include "render/mask_weights.h"

#include <algorithm>
#include <cstring>
#include <stdexcept>

namespace baryton {

namespace {

/// Wide enough that margins cost little, small enough for the second cache.
constexpr int kTileWidth = 512, kTileHeight = 96;

std::size_t padded(std::size_t count) {
    return (count + kRowPad - 1) / kRowPad * kRowPad;
}

/// Three planes that a tile is worked on in, with room around it, and those of the colours that are carried along.
struct TileBuffer {
    static constexpr int kKept = 3, kInput = 6, kPlanes = 9;
    std::vector<float> floats;
    std::size_t stride = 0, planeSize = 0;
    PixelRect rect; ///< of the picture, what is around its edge included

    void reset(const PixelRect& wanted, bool carries) {
        rect = wanted;
        // Kernels run on to the next multiple of kRowPad, from wherever a row's valid part begins.
        stride = padded(static_cast<std::size_t>(rect.width)) + kRowPad;
        planeSize = stride * static_cast<std::size_t>(rect.height);
        const std::size_t size = (carries ? kPlanes : 3) * planeSize;
        if (floats.size() < size) floats.resize(size);
    }
    float* at(int plane, int x, int y) {
        return floats.data() + planeSize * static_cast<std::size_t>(plane) +
               stride * static_cast<std::size_t>(y - rect.y) + (x - rect.x);
    }
    CarriedRows carried(const Carries& carries, int x, int y) {
        CarriedRows rows;
        for (int k = 0; k < 3; ++k) {
            if (carries.kept) rows.kept[static_cast<std::size_t>(k)] = at(kKept + k, x, y);
            if (carries.input) rows.input[static_cast<std::size_t>(k)] = at(kInput + k, x, y);
        }
        return rows;
    }
};

PixelRect grown(const PixelRect& r, int margin) {
    return {r.x - margin, r.y - margin, r.width + 2 * margin, r.height + 2 * margin};
}

PixelRect within(const PixelRect& r, const Picture& picture) {
    const int x0 = std::max(r.x, 0), y0 = std::max(r.y, 0);
    return {x0, y0, std::min(r.x + r.width, picture.width()) - x0, std::min(r.y + r.height, picture.height()) - y0};
}

/// What lies around the valid part takes the nearest valid pixel.
void repeatEdges(TileBuffer& buffer, const PixelRect& valid) {
    const PixelRect& all = buffer.rect;
    for (int plane = 0; plane < 3; ++plane) {
        for (int y = valid.y; y < valid.y + valid.height; ++y) {
            float* row = buffer.at(plane, all.x, y);
            const int left = valid.x - all.x, right = left + valid.width;
            std::fill(row, row + left, row[left]);
            std::fill(row + right, row + all.width, row[right - 1]);
        }
        const auto copyRow = [&](int from, int to) {
            std::memcpy(buffer.at(plane, all.x, to), buffer.at(plane, all.x, from),
                        static_cast<std::size_t>(all.width) * sizeof(float));
        };
        for (int y = all.y; y < valid.y; ++y) copyRow(valid.y, y);
        for (int y = valid.y + valid.height; y < all.y + all.height; ++y) copyRow(valid.y + valid.height - 1, y);
    }
}

} // namespace

Plan::Plan(const Program& program, const FrameMap& frame, const Picture& pixels, int threads, const Task* task)
    : frame_(frame) {
    for (const Program::Segment& from : program.segments_) {
        if (!segments_.empty() && !segments_.back().area) { // the stage between has nothing to do at this scale
            auto& steps = segments_.back().points.steps;
            steps.insert(steps.end(), from.points.steps.begin(), from.points.steps.end());
        } else {
            segments_.emplace_back().points = from.points;
        }
        Segment& segment = segments_.back();
        segment.carries = from.carries;
        const std::size_t before = segment.points.steps.size() - from.points.steps.size();
        for (const Program::LateStage& late : from.late) {
            Kernel& kernel = segment.points.steps[before + late.step].kernel;
            if (late.isWide()) {
                if (!frame_.base) frame_.base = BaseLevel::of(pixels);
                kernel = frame_.base->kernelOf(late.stage, {late.ahead, program.options_}, threads, task);
            } else {
                kernel = late.type->compileForPixels(late.stage, columnsOf(pixels));
            }
            if (kernel.domain != late.type->lateDomain) throw std::logic_error(late.type->id + ": not in its domain");
        }
        for (const Program::LateMask& late : from.masks)
            segment.points.steps[before + late.step].mask =
                std::make_shared<const MaskWeights>(late.mask, frame_, pixels.width(), pixels.height(), threads);
        if (!from.narrow) continue;
        AreaKernel kernel = from.narrow->type->compileNarrow(from.narrow->stage, frame_.scale);
        constexpr int hardlySeen = 2; // the margin of a Gaussian below 0.8 pixels
        if (!kernel.run || (frame_.isMoving && kernel.margin <= hardlySeen)) continue;
        margin_ += kernel.margin;
        segment.area = std::move(kernel);
        segment.strength = static_cast<float>(from.narrow->stage.strengthOrFull());
    }
    if (segments_.empty() || segments_.back().area) segments_.emplace_back();
}

PixelColumns Plan::columnsOf(const Picture& picture) const {
    PixelColumns columns;
    columns.x = frame_.left + 0.5 * frame_.perPixelX, columns.dx = frame_.perPixelX;
    columns.first = frame_.column, columns.count = picture.width();
    columns.aspect = frame_.aspect, columns.scale = frame_.scale;
    columns.isMoving = frame_.isMoving;
    return columns;
}

Block Plan::blockAt(int x, int y) const {
    Block block;
    block.first = static_cast<float>(frame_.column + x);
    block.x = static_cast<float>(frame_.left + 0.5 * frame_.perPixelX);
    block.dx = static_cast<float>(frame_.perPixelX);
    block.y = static_cast<float>(frame_.top + (frame_.row + y + 0.5) * frame_.perPixelY);
    block.aspect = static_cast<float>(frame_.aspect);
    return block;
}

void Plan::runRow(const Picture& picture, const PixelRect& wanted, int y, const Program::Sink& sink) const {
    alignas(64) static thread_local float planes[3][kBlockPixels];
    const auto end = static_cast<std::size_t>(wanted.x + wanted.width);
    for (auto x = static_cast<std::size_t>(wanted.x); x < end; x += kBlockPixels) {
        const std::size_t count = std::min(kBlockPixels, end - x);
        Block block = blockAt(static_cast<int>(x), y);
        block.r = planes[0], block.g = planes[1], block.b = planes[2];
        block.count = padded(count);
        for (int k = 0; k < 3; ++k) {
            std::memcpy(planes[k], picture.row(k, y) + x, count * sizeof(float));
            std::fill(planes[k] + count, planes[k] + block.count, 0.0F);
        }
        segments_.front().points(block);
        sink(static_cast<int>(x), y, static_cast<int>(count), block.r, block.g, block.b);
    }
}

void Plan::runTile(const Picture& picture, const PixelRect& tile, const Program::Sink& sink) const {
    static thread_local TileBuffer buffers[2];
    // Backward: what each segment must leave for those behind it.
    std::vector<PixelRect> rects(segments_.size());
    rects.back() = tile;
    for (std::size_t i = segments_.size() - 1; i > 0; --i)
        rects[i - 1] = within(grown(rects[i], segments_[i - 1].area->margin), picture);

    TileBuffer* buffer = &buffers[0];
    Carries carried;
    for (std::size_t i = 0; i < segments_.size(); ++i) {
        const Segment& segment = segments_[i];
        const PixelRect& valid = rects[i];
        if (i == 0) {
            buffer->reset(segment.area ? grown(rects[1], segment.area->margin) : valid, segment.carries.any());
            for (int k = 0; k < 3; ++k)
                for (int y = valid.y; y < valid.y + valid.height; ++y)
                    std::memcpy(buffer->at(k, valid.x, y), picture.row(k, y) + valid.x,
                                static_cast<std::size_t>(valid.width) * sizeof(float));
        }
        const std::size_t count = padded(static_cast<std::size_t>(valid.width));
        for (int y = valid.y; y < valid.y + valid.height; ++y) {
            Block block = blockAt(valid.x, y);
            block.r = buffer->at(0, valid.x, y), block.g = buffer->at(1, valid.x, y);
            block.b = buffer->at(2, valid.x, y);
            block.count = count;
            float* planes[] = {block.r, block.g, block.b};
            for (float* plane : planes) std::fill(plane + valid.width, plane + count, 0.0F);
            segment.points(block, buffer->carried(carried, valid.x, y), buffer->carried(segment.carries, valid.x, y));
            if (!segment.area) sink(valid.x, y, valid.width, block.r, block.g, block.b);
        }
        if (!segment.area) return;
        repeatEdges(*buffer, valid);
        const PixelRect& out = rects[i + 1];
        TileBuffer& next = buffer == &buffers[0] ? buffers[1] : buffers[0];
        const Segment& behind = segments_[i + 1];
        next.reset(behind.area ? grown(rects[i + 2], behind.area->margin) : out,
                   segment.carries.any() || behind.carries.any());
        AreaTile area;
        area.inStride = buffer->stride, area.outStride = next.stride;
        area.width = out.width, area.height = out.height;
        const int margin = segment.area->margin;
        for (int k = 0; k < 3; ++k)
            area.in[k] = buffer->at(k, out.x - margin, out.y - margin), area.out[k] = next.at(k, out.x, out.y);
        segment.area->run(segment.area->constants.get(), area);
        for (int k = 0; k < 3 && segment.strength < 1; ++k)
            for (int y = out.y; y < out.y + out.height; ++y) {
                const float* under = buffer->at(k, out.x, y);
                float* over = next.at(k, out.x, y);
                for (int x = 0; x < out.width; ++x) over[x] = under[x] + segment.strength * (over[x] - under[x]);
            }
        for (int y = out.y; y < out.y + out.height && segment.carries.any(); ++y) {
            const CarriedRows from = buffer->carried(segment.carries, out.x, y),
                              to = next.carried(segment.carries, out.x, y);
            const std::size_t bytes = static_cast<std::size_t>(out.width) * sizeof(float);
            for (std::size_t k = 0; k < 3; ++k) {
                if (from.kept[k]) std::memcpy(to.kept[k], from.kept[k], bytes);
                if (from.input[k]) std::memcpy(to.input[k], from.input[k], bytes);
            }
        }
        buffer = &next;
        carried = segment.carries;
    }
}

void Plan::run(const Picture& picture, const PixelRect& wanted, const Program::Sink& sink, int threads,
               const Task* task) const {
    const bool isPoints = segments_.size() == 1;
    const int across = (wanted.width + kTileWidth - 1) / kTileWidth,
              down = (wanted.height + kTileHeight - 1) / kTileHeight;
    const int pieces = isPoints ? wanted.height : across * down;
    inPieces(pieces, isPoints ? 4 : 1, threads, [&](int first, int last) {
        for (int i = first; i < last; ++i) {
            if (task && task->isCancelled()) return;
            if (isPoints) {
                runRow(picture, wanted, wanted.y + i, sink);
                continue;
            }
            const int x = wanted.x + i % across * kTileWidth, y = wanted.y + i / across * kTileHeight;
            runTile(picture,
                    {x, y, std::min(kTileWidth, wanted.x + wanted.width - x),
                     std::min(kTileHeight, wanted.y + wanted.height - y)},
                    sink);
        }
    });
    if (task) task->throwIfCancelled();
}

std::array<float, 3> Plan::mean(const Picture& picture, const PixelRect& wanted) const {
    std::array<double, 3> sum{};
    run(
        picture, wanted,
        [&](int, int, int count, const float* r, const float* g, const float* b) {
            for (int i = 0; i < count; ++i) sum[0] += r[i], sum[1] += g[i], sum[2] += b[i];
        },
        1);
    std::array<float, 3> mean{};
    for (std::size_t k = 0; k < 3; ++k) mean[k] = static_cast<float>(sum[k] / (double(wanted.width) * wanted.height));
    return mean;
}

} // namespace baryton
