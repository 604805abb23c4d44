#include "picture/picture.h"
#include "base/error.h"
#include "colour/transfer.h"
#include "picture/vips_support.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <new>
#include <sys/mman.h>
#include <tbb/parallel_for.h>
#include <vector>

namespace baryton {

namespace {

/// All zero, aligned to 64 bytes.
std::shared_ptr<float[]> allocate(std::size_t floats) {
    const std::size_t bytes = floats * sizeof(float);
    // Large pictures come as fresh pages, zero already and in large units: touching them costs a fraction.
    constexpr std::size_t large = std::size_t(8) << 20;
    if (bytes >= large) {
        void* pages = ::mmap(nullptr, bytes, PROT_READ | PROT_WRITE, MAP_PRIVATE | MAP_ANONYMOUS, -1, 0);
        if (pages == MAP_FAILED) throw std::bad_alloc();
        ::madvise(pages, bytes, MADV_HUGEPAGE);
        return {static_cast<float*>(pages), [bytes](float* p) { ::munmap(p, bytes); }};
    }
    constexpr std::align_val_t alignment{64};
    auto* data = static_cast<float*>(::operator new[](bytes, alignment));
    std::memset(data, 0, bytes);
    return {data, [](float* p) { ::operator delete[](p, std::align_val_t{64}); }};
}

/// The transfer curve both ways as tables, for averaging only: 4096 steps and linear interpolation stay within 2e-5.
class LinearLight {
public:
    static const LinearLight& tables() {
        static const LinearLight tables;
        return tables;
    }
    float toLinear(float v) const {
        return look(toLinear_, v, [](double x) { return srgbToLinear(x); });
    }
    float toEncoded(float l) const {
        if (l < 1.0F / 256) return static_cast<float>(linearToSrgb(l)); // too steep there for a table
        return look(toEncoded_, l, [](double x) { return linearToSrgb(x); });
    }

private:
    static constexpr int kSteps = 8192;
    LinearLight() : toLinear_(kSteps + 2), toEncoded_(kSteps + 2) {
        for (int i = 0; i < kSteps + 2; ++i) {
            toLinear_[static_cast<std::size_t>(i)] = static_cast<float>(srgbToLinear(double(i) / kSteps));
            toEncoded_[static_cast<std::size_t>(i)] = static_cast<float>(linearToSrgb(double(i) / kSteps));
        }
    }
    template <class Exact>
    static float look(const std::vector<float>& table, float v, Exact exact) {
        if (!(v >= 0 && v <= 1)) return static_cast<float>(exact(v));
        const float at = v * kSteps;
        const auto i = static_cast<std::size_t>(at);
        return table[i] + (at - static_cast<float>(i)) * (table[i + 1] - table[i]);
    }
    std::vector<float> toLinear_, toEncoded_;
};

template <class RowFunction>
void forRows(int height, RowFunction rows) {
    tbb::parallel_for(tbb::blocked_range<int>(0, height, 16), [&](const tbb::blocked_range<int>& range) {
        for (int y = range.begin(); y < range.end(); ++y) rows(y);
    });
}

} // namespace

Picture::Picture(int width, int height, bool withAlpha)
    : width_(width), height_(height), planes_(withAlpha ? 4 : 3),
      stride_((static_cast<std::size_t>(width) + kRowPad - 1) / kRowPad * kRowPad) {
    data_ = allocate(planeSize() * static_cast<std::size_t>(planes_));
}

void Picture::copyPixels() {
    auto own = allocate(planeSize() * static_cast<std::size_t>(planes_));
    std::memcpy(own.get(), data_.get(), bytes());
    data_ = std::move(own);
}

Picture halved(const Picture& picture) {
    const auto& light = LinearLight::tables();
    Picture half((picture.width() + 1) / 2, (picture.height() + 1) / 2, picture.hasAlpha());
    const int lastX = picture.width() - 1, lastY = picture.height() - 1;
    for (int plane = 0; plane < (picture.hasAlpha() ? 4 : 3); ++plane) {
        float* const base = half.row(plane, 0);
        forRows(half.height(), [&](int y) {
            const float* above = picture.row(plane, 2 * y);
            const float* below = picture.row(plane, std::min(2 * y + 1, lastY));
            float* out = base + half.stride() * static_cast<std::size_t>(y);
            for (int x = 0; x < half.width(); ++x) {
                const int left = 2 * x, right = std::min(left + 1, lastX);
                if (plane == 3) {
                    out[x] = (above[left] + above[right] + below[left] + below[right]) / 4;
                    continue;
                }
                const float sum = light.toLinear(above[left]) + light.toLinear(above[right]) +
                                  light.toLinear(below[left]) + light.toLinear(below[right]);
                out[x] = light.toEncoded(sum / 4);
            }
        });
    }
    return half;
}

Picture scaledDown(const Picture& picture, int width, int height) {
    Picture level = picture;
    while ((level.width() + 1) / 2 >= width && (level.height() + 1) / 2 >= height && level.longSide() > 1)
        level = halved(level);
    return resized(level, width, height);
}

Picture cropped(const Picture& picture, int x, int y, int width, int height) {
    Picture part(width, height, picture.hasAlpha());
    for (int plane = 0; plane < (picture.hasAlpha() ? 4 : 3); ++plane)
        for (int row = 0; row < height; ++row)
            std::memcpy(part.row(plane, row), picture.row(plane, y + row) + x,
                        static_cast<std::size_t>(width) * sizeof(float));
    return part;
}

Picture resized(const Picture& picture, int width, int height) {
    if (width == picture.width() && height == picture.height()) return picture;
    initVips();
    const auto& light = LinearLight::tables();
    Picture result(width, height, picture.hasAlpha());
    std::vector<float> linear(static_cast<std::size_t>(picture.width()) * static_cast<std::size_t>(picture.height()));
    for (int plane = 0; plane < (picture.hasAlpha() ? 4 : 3); ++plane) {
        forRows(picture.height(), [&](int y) {
            const float* in = picture.row(plane, y);
            float* out = linear.data() + static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.width());
            for (int x = 0; x < picture.width(); ++x) out[x] = plane == 3 ? in[x] : light.toLinear(in[x]);
        });
        try {
            const auto source =
                vips::VImage::new_from_memory(linear.data(), linear.size() * sizeof(float), picture.width(),
                                              picture.height(), 1, VIPS_FORMAT_FLOAT);
            const auto scaled =
                source.resize(double(width) / picture.width(), vips::VImage::option()
                                                                   ->set("vscale", double(height) / picture.height())
                                                                   ->set("kernel", VIPS_KERNEL_LANCZOS3));
            size_t size = 0;
            const VipsBytes bytes(scaled.write_to_memory(&size));
            const auto* values = static_cast<const float*>(bytes.get());
            // The library rounds the size itself: never read past what it made.
            for (int y = 0; y < height; ++y) {
                const int from = std::min(y, scaled.height() - 1);
                float* out = result.row(plane, y);
                for (int x = 0; x < width; ++x) {
                    const float v = values[static_cast<std::size_t>(from) * static_cast<std::size_t>(scaled.width()) +
                                           static_cast<std::size_t>(std::min(x, scaled.width() - 1))];
                    out[x] = plane == 3 ? v : light.toEncoded(v);
                }
            }
        } catch (const vips::VError& e) {
            throw Error("", "", std::string("cannot resize: ") + e.what(), "choose another size");
        }
    }
    return result;
}

} // namespace baryton
