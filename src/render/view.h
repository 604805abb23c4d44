#pragma once
#include "picture/picture.h"
#include "render/program.h"

#include <memory>
#include <vector>

namespace baryton {

/// An open picture at all its halvings, so that every zoom starts from something of about its size.
class Pyramid {
public:
    explicit Pyramid(Picture full, const Task* task = nullptr);
    /// A stand-in while the picture itself is still being read: a smaller version of a picture of width × height.
    Pyramid(Picture smaller, int width, int height);

    /// The largest level: the picture itself, unless this is a stand-in.
    const Picture& full() const { return levels_.front(); }
    /// Size of the picture itself.
    int width() const { return width_; }
    int height() const { return height_; }
    bool isStandIn() const { return full().width() != width_; }
    const std::vector<Picture>& levels() const { return levels_; }
    std::size_t bytes() const;

private:
    void halve(const Task* task);

    std::vector<Picture> levels_;
    int width_, height_;
};

/// What a viewer shows of a picture: a rectangle of the frame at a scale.
struct ViewRegion {
    double left = 0, top = 0;  ///< of the visible part, in pixels of the full picture
    int width = 0, height = 0; ///< in device pixels of the screen
    double scale = 1;          ///< device pixels per picture pixel

    bool operator==(const ViewRegion&) const = default;
};

/// The source pixels of a region, at the region's size. At scale 1 these are the picture's own pixels, so that what
/// is shown is what the file will have; smaller scales average in linear light; larger ones repeat pixels.
struct ViewSource {
    Picture pixels;
    FrameMap frame;
};
ViewSource viewSource(const Pyramid& pyramid, const ViewRegion& region);

} // namespace baryton
