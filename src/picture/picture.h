#pragma once
#include <cstddef>
#include <memory>
#include <string>
#include <utility>

namespace baryton {

class FramePlace;

/// Rows start on multiples of this many floats, and kernels may read and write up to the next multiple.
constexpr std::size_t kRowPad = 16;

/// A picture in the working encoding: planes of 32-bit floats, row by row from the top, sRGB primaries, D65, sRGB
/// transfer curve extended below 0 and above 1. A plain value; copies share their pixels until one is written to.
class Picture {
public:
    Picture() = default;
    /// Allocates `width` × `height` pixels, all zero. Both at least 1.
    Picture(int width, int height, bool withAlpha = false);

    bool isEmpty() const { return width_ == 0; }
    int width() const { return width_; }
    int height() const { return height_; }
    bool hasAlpha() const { return planes_ > 3; }
    int longSide() const { return width_ > height_ ? width_ : height_; }
    /// Floats from one row to the next; a multiple of kRowPad.
    std::size_t stride() const { return stride_; }
    /// How many pixels it has for one of the full-size picture it was made from, along a side: 1 as it was read, less
    /// where it was made smaller. What is measured in pixels of the file needs it.
    double scale() const { return scale_; }
    void setScale(double scale) { scale_ = scale; }
    /// Where the frame that it shows, or shows a part of, lies in the picture as its file has it; null where it is
    /// that picture.
    const std::shared_ptr<const FramePlace>& framePlace() const { return framePlace_; }
    void setFramePlace(std::shared_ptr<const FramePlace> place) { framePlace_ = std::move(place); }
    std::size_t bytes() const { return planeSize() * static_cast<std::size_t>(planes_) * sizeof(float); }

    /// Row `y` of plane 0 (red), 1 (green), 2 (blue) or 3 (alpha); 64-byte aligned.
    const float* row(int plane, int y) const { return data_.get() + offset(plane, y); }
    /// The same for writing; makes the pixels this value's own first.
    float* row(int plane, int y) {
        detach();
        return data_.get() + offset(plane, y);
    }

private:
    std::size_t planeSize() const { return stride_ * static_cast<std::size_t>(height_); }
    std::size_t offset(int plane, int y) const {
        return planeSize() * static_cast<std::size_t>(plane) + stride_ * static_cast<std::size_t>(y);
    }
    void detach() {
        if (data_.use_count() > 1) copyPixels();
    }
    void copyPixels();

    int width_ = 0, height_ = 0, planes_ = 0;
    std::size_t stride_ = 0;
    double scale_ = 1;
    std::shared_ptr<const FramePlace> framePlace_;
    std::shared_ptr<float[]> data_;
};

/// The picture at another size, averaged in linear light (as light itself mixes); Lanczos where it grows smaller by
/// less than 2. Sizes at least 1.
Picture resized(const Picture& picture, int width, int height);

/// The picture at half its size, rounded up: the mean of 2×2 pixels in linear light. The step of a pyramid.
Picture halved(const Picture& picture);

/// The picture made smaller as the viewer and the output both do it, so that what is seen fitted is what is written:
/// halved as long as that leaves it at least as large as wanted, then resized.
Picture scaledDown(const Picture& picture, int width, int height);
/// The same so that its long side is `longSide`; as it is where that is no more.
Picture scaledDownTo(const Picture& picture, int longSide);

/// The part of the picture that starts at x, y; it must lie inside.
Picture cropped(const Picture& picture, int x, int y, int width, int height);

} // namespace baryton
