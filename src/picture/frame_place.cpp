#include "picture/frame_place.h"

namespace baryton {

SharePoint FramePlace::toSource(SharePoint frame) const {
    const PlacedPoint there =
        baryton::toSource(placement_, {frame.x * placement_.width, frame.y * placement_.height});
    return fromOriented(placement_.orientation, {there.x / width_, there.y / height_});
}

SharePoint FramePlace::fromSource(SharePoint source) const {
    const SharePoint here = toOriented(placement_.orientation, source);
    const PlacedPoint there = baryton::fromSource(placement_, {here.x * width_, here.y * height_});
    return {there.x / placement_.width, there.y / placement_.height};
}

double FramePlace::aspect() const {
    return placement_.orientation.swapsSides() ? height_ / width_ : width_ / height_;
}

} // namespace baryton
