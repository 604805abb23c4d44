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

    const Picture& full() const { return levels_.front(); }
    const std::vector<Picture>& levels() const { return levels_; }
    std::size_t bytes() const;

private:
    std::vector<Picture> levels_;
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
