#include "picture/picture.h"
#include "base/parallel.h"
#include "picture/light.h"
#include "picture/resample.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <new>
#include <sys/mman.h>
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

namespace {

/// The mean of 2×2 pixels weighted by their alpha, so that the hidden colour of what is transparent does not show.
void halveRowByAlpha(const Picture& picture, int plane, int above, int below, float* out) {
    const auto width = static_cast<std::size_t>(picture.width());
    std::vector<float> weighted(width), weight(width);
    for (const int y : {above, below}) {
        std::vector<float> linear(width);
        rowToLinear(picture.row(plane, y), linear.data(), width);
        const float* alpha = picture.row(3, y);
        for (std::size_t x = 0; x < width; ++x) {
            const float a = std::max(alpha[x], 0.0F);
            weighted[x] += a * linear[x], weight[x] += a;
        }
    }
    const std::size_t half = (width + 1) / 2;
    for (std::size_t x = 0; x < half; ++x) {
        const std::size_t left = 2 * x, right = std::min(2 * x + 1, width - 1);
        const float sum = weight[left] + weight[right];
        out[x] = sum > 0 ? (weighted[left] + weighted[right]) / sum : 0.0F;
    }
    rowToEncoded(out, out, half);
}

} // namespace

Picture halved(const Picture& picture) {
    Picture half((picture.width() + 1) / 2, (picture.height() + 1) / 2, picture.hasAlpha());
    half.setScale(picture.scale() * half.longSide() / picture.longSide());
    half.setFramePlace(picture.framePlace());
    const int lastY = picture.height() - 1;
    for (int plane = 0; plane < (picture.hasAlpha() ? 4 : 3); ++plane) {
        float* const base = half.row(plane, 0);
        forRows(half.height(), [&](int y) {
            const int above = 2 * y, below = std::min(2 * y + 1, lastY);
            float* const out = base + half.stride() * static_cast<std::size_t>(y);
            if (picture.hasAlpha() && plane < 3)
                halveRowByAlpha(picture, plane, above, below, out);
            else
                halveRow(picture.row(plane, above), picture.row(plane, below),
                         static_cast<std::size_t>(picture.width()), plane == 3, out);
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

Picture scaledDownTo(const Picture& picture, int longSide) {
    if (picture.longSide() <= longSide) return picture;
    const double factor = double(longSide) / picture.longSide();
    const auto side = [&](int whole) { return std::max(1, static_cast<int>(std::lround(whole * factor))); };
    return scaledDown(picture, side(picture.width()), side(picture.height()));
}

Picture cropped(const Picture& picture, int x, int y, int width, int height) {
    Picture part(width, height, picture.hasAlpha());
    part.setScale(picture.scale());
    part.setFramePlace(picture.framePlace());
    for (int plane = 0; plane < (picture.hasAlpha() ? 4 : 3); ++plane)
        for (int row = 0; row < height; ++row)
            std::memcpy(part.row(plane, row), picture.row(plane, y + row) + x,
                        static_cast<std::size_t>(width) * sizeof(float));
    return part;
}

Picture resized(const Picture& picture, int width, int height) {
    if (width == picture.width() && height == picture.height()) return picture;
    Picture result(width, height, picture.hasAlpha());
    result.setScale(picture.scale() * result.longSide() / picture.longSide());
    result.setFramePlace(picture.framePlace());
    const auto across = static_cast<std::size_t>(picture.width()), rows = static_cast<std::size_t>(picture.height());
    // Sums weighted by alpha stay within the range of their pixels only where no weight is negative.
    const auto kernel = picture.hasAlpha() ? ResampleKernel::Triangle : ResampleKernel::Lanczos;
    const ResampleAxis x(across, static_cast<std::size_t>(width), kernel),
        y(rows, static_cast<std::size_t>(height), kernel);
    std::vector<float> linear(across * rows);
    const auto resample = [&](int plane) {
        float* const base = result.row(plane, 0);
        forRows(height, [&](int row) {
            const std::size_t at = static_cast<std::size_t>(row), first = y.first[at];
            std::vector<float> whole(across + x.taps); // a row of the new height, still of the old width
            sumRows(linear.data() + first * across, across, y.weights.data() + at * y.taps,
                    std::min(y.taps, rows - first), y.core[at], across, whole.data());
            resampleRow(whole.data(), x, base + result.stride() * at);
        });
    };
    if (picture.hasAlpha()) {
        for (std::size_t row = 0; row < rows; ++row)
            std::transform(picture.row(3, static_cast<int>(row)), picture.row(3, static_cast<int>(row)) + across,
                           linear.data() + row * across, [](float a) { return std::max(a, 0.0F); });
        resample(3);
    }
    for (int plane = 0; plane < 3; ++plane) {
        forRows(picture.height(), [&](int row) {
            float* out = linear.data() + static_cast<std::size_t>(row) * across;
            rowToLinear(picture.row(plane, row), out, across);
            if (!picture.hasAlpha()) return;
            const float* alpha = picture.row(3, row);
            for (std::size_t i = 0; i < across; ++i) out[i] *= std::max(alpha[i], 0.0F);
        });
        resample(plane);
        float* const base = result.row(plane, 0);
        const float* const alphas = picture.hasAlpha() ? result.row(3, 0) : nullptr;
        forRows(height, [&](int row) {
            const std::size_t start = result.stride() * static_cast<std::size_t>(row);
            float* const out = base + start;
            for (std::size_t i = 0; alphas && i < static_cast<std::size_t>(width); ++i)
                out[i] = alphas[start + i] > 0 ? out[i] / alphas[start + i] : 0.0F;
            rowToEncoded(out, out, static_cast<std::size_t>(width));
        });
    }
    return result;
}

} // namespace baryton
