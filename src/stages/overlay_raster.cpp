#include "stages/overlay_raster.h"
#include "base/error.h"
#include "picture/carried_picture.h"
#include "picture/motion_blur.h"
#include "picture/picture_reader.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <mutex>

namespace baryton {

namespace {

using Content = std::shared_ptr<const std::string>;
using Raster = std::shared_ptr<const OverlayRaster>;

std::size_t bytesOf(const OverlayRaster& raster) {
    return raster.colours.size() * sizeof(std::uint32_t) + raster.alpha.size() * sizeof(float);
}

/// What was made last. Nothing is made under its lock: two that want the same at once both make it.
class Kept {
public:
    Raster find(const Content& of, const OverlayShape& shape) {
        const std::lock_guard<std::mutex> guard(lock_);
        const auto at = std::find_if(items_.begin(), items_.end(),
                                     [&](const Item& item) { return item.of == of && item.shape == shape; });
        if (at == items_.end()) return nullptr;
        std::rotate(items_.begin(), at, at + 1); // the newest stands first
        return items_.front().raster;
    }
    void put(const Content& of, const OverlayShape& shape, const Raster& raster) {
        constexpr std::size_t mostBytes = std::size_t(160) << 20;
        const std::lock_guard<std::mutex> guard(lock_);
        items_.push_front({of, shape, raster});
        std::size_t bytes = 0, count = 0;
        while (count < items_.size() && (count == 0 || bytes + bytesOf(*items_[count].raster) <= mostBytes))
            bytes += bytesOf(*items_[count++].raster);
        items_.resize(count);
    }

private:
    struct Item {
        Content of;
        OverlayShape shape;
        Raster raster;
    };
    std::mutex lock_;
    std::deque<Item> items_;
};

/// How large a content is, and whether it can be decoded.
struct Known {
    Content of;
    OverlayShape size;
    std::string problem;
    bool isTried = false; ///< decoded to its end
};

class KnownContents {
public:
    std::optional<Known> find(const Content& of) {
        const std::lock_guard<std::mutex> guard(lock_);
        for (const Known& each : items_)
            if (each.of == of) return each;
        return std::nullopt;
    }
    void put(Known known) {
        constexpr std::size_t most = 64;
        const std::lock_guard<std::mutex> guard(lock_);
        std::erase_if(items_, [&](const Known& each) { return each.of == known.of; });
        if (items_.size() == most) items_.pop_front();
        items_.push_back(std::move(known));
    }

private:
    std::mutex lock_;
    std::deque<Known> items_;
};

Kept& kept() {
    static Kept all;
    return all;
}
KnownContents& knownContents() {
    static KnownContents all;
    return all;
}

/// Writes rows of a picture, from `y` on, and the border beside them.
void putRows(const Picture& rows, int y, OverlayRaster& raster) {
    constexpr int border = OverlayRaster::kBorder;
    for (int i = 0; i < rows.height(); ++i) {
        const std::size_t start = static_cast<std::size_t>(y + i + border) * raster.stride;
        const float *r = rows.row(0, i), *g = rows.row(1, i), *b = rows.row(2, i);
        const float* a = raster.alpha.empty() ? nullptr : rows.row(3, i);
        for (int x = -border; x < raster.width + border; ++x) {
            const int from = std::clamp(x, 0, raster.width - 1);
            const std::size_t to = start + static_cast<std::size_t>(x + border);
            const float alpha = a ? std::clamp(a[from], 0.0F, 1.0F) : 1;
            const auto word = [&](float v) {
                const float level = std::clamp(v, 0.0F, 1.0F) * alpha * OverlayRaster::kMost;
                return static_cast<std::uint32_t>(std::floor(level + 0.5F));
            };
            raster.colours[to] = word(r[from]) | word(g[from]) << 10U | word(b[from]) << 20U;
            if (a) raster.alpha[to] = alpha;
        }
    }
}

/// The rows above the first and below the last.
void putBorder(OverlayRaster& raster) {
    constexpr std::size_t border = OverlayRaster::kBorder;
    const auto repeat = [&](auto& words, std::size_t from, std::size_t to) {
        if (!words.empty())
            std::copy_n(words.data() + from * raster.stride, raster.stride, words.data() + to * raster.stride);
    };
    const std::size_t last = border + static_cast<std::size_t>(raster.height) - 1;
    for (std::size_t i = 0; i < border; ++i) {
        repeat(raster.colours, border, i), repeat(raster.alpha, border, i);
        repeat(raster.colours, last, last + 1 + i), repeat(raster.alpha, last, last + 1 + i);
    }
}

OverlayRaster roomFor(int width, int height, bool hasAlpha) {
    OverlayRaster raster;
    raster.width = width, raster.height = height;
    raster.stride = static_cast<std::size_t>(width) + 2 * OverlayRaster::kBorder;
    raster.colours.resize(raster.stride * (static_cast<std::size_t>(height) + 2 * OverlayRaster::kBorder) + kRowPad);
    if (hasAlpha) raster.alpha.resize(raster.colours.size());
    return raster;
}

Raster rasterOf(const Picture& picture) {
    OverlayRaster raster = roomFor(picture.width(), picture.height(), picture.hasAlpha());
    putRows(picture, 0, raster);
    putBorder(raster);
    return std::make_shared<const OverlayRaster>(std::move(raster));
}

/// Rows of a raster as a picture again.
Picture pictureOf(const OverlayRaster& raster, int y, int count) {
    Picture picture(raster.width, count, !raster.alpha.empty());
    for (int i = 0; i < count; ++i) {
        const std::size_t start =
            static_cast<std::size_t>(y + i + OverlayRaster::kBorder) * raster.stride + OverlayRaster::kBorder;
        for (std::size_t x = 0; x < static_cast<std::size_t>(raster.width); ++x) {
            const float alpha = raster.alpha.empty() ? 1 : raster.alpha[start + x];
            const float per = alpha > 0 ? 1 / (alpha * OverlayRaster::kMost) : 0;
            for (unsigned k = 0; k < 3; ++k)
                picture.row(static_cast<int>(k), i)[x] =
                    static_cast<float>(raster.colours[start + x] >> 10 * k & 1023U) * per;
            if (!raster.alpha.empty()) picture.row(3, i)[x] = alpha;
        }
    }
    return picture;
}

/// The picture's own size, decoded where it is not known.
Raster wholeRaster(const PictureContent& picture) {
    const auto known = knownContents().find(picture.encoded);
    if (known) {
        if (!known->problem.empty()) return nullptr;
        if (Raster raster = kept().find(picture.encoded, known->size)) return raster;
    }
    try {
        const QuantisedPicture pixels = decodeCarried(*picture.encoded);
        OverlayRaster whole = roomFor(pixels.width, pixels.height, pixels.channels == 4);
        for (int y = 0; y < pixels.height; ++y) putRows(rowsOf(pixels, y, 1), y, whole);
        putBorder(whole);
        auto raster = std::make_shared<const OverlayRaster>(std::move(whole));
        const OverlayShape size{raster->width, raster->height};
        if (!known || !known->isTried) knownContents().put({picture.encoded, size, {}, true});
        kept().put(picture.encoded, size, raster);
        return raster;
    } catch (const Error& e) {
        knownContents().put({picture.encoded, {}, e.problem(), true});
        return nullptr;
    }
}

} // namespace

OverlayShape overlaySize(const PictureContent& picture) {
    if (!picture.encoded) return {};
    if (const auto known = knownContents().find(picture.encoded)) return known->size;
    Known known{picture.encoded, {}, {}, false};
    try {
        const PictureSize size = carriedSize(*picture.encoded);
        known.size = {size.width, size.height};
    } catch (const Error& e) {
        known.problem = e.problem(), known.isTried = true;
    }
    knownContents().put(known);
    return known.size;
}

Raster keptOverlayRaster(const PictureContent& picture, const OverlayShape& shape) {
    return kept().find(picture.encoded, shape);
}

Raster overlayRaster(const PictureContent& picture, const OverlayShape& shape) {
    if (!picture.encoded) return nullptr;
    if (Raster raster = kept().find(picture.encoded, shape)) return raster;
    Raster whole = wholeRaster(picture);
    if (!whole || shape == OverlayShape{whole->width, whole->height}) return whole;
    Raster raster;
    if (shape.blurLength > 0) {
        const Raster still = overlayRaster(picture, {shape.width, shape.height});
        raster = rasterOf(motionBlurred(pictureOf(*still, 0, still->height), shape.blurLength, shape.blurAngle));
    } else {
        RowSource source;
        source.width = whole->width, source.height = whole->height;
        source.hasAlpha = !whole->alpha.empty();
        source.rows = [&](int y, int count) { return pictureOf(*whole, y, count); };
        raster = rasterOf(readScaledDown(source, shape.width, shape.height));
    }
    kept().put(picture.encoded, shape, raster);
    return raster;
}

std::string overlayProblem(const PictureContent& picture) {
    if (!picture.encoded) return {};
    const auto known = knownContents().find(picture.encoded);
    if (known && known->isTried) return known->problem;
    wholeRaster(picture);
    const auto tried = knownContents().find(picture.encoded);
    return tried ? tried->problem : std::string();
}

} // namespace baryton
