#include "render/kept_paint.h"

#include <algorithm>

namespace baryton {

bool KeptPaint::View::operator==(const View& other) const {
    const FrameMap &a = frame, &b = other.frame;
    return width == other.width && height == other.height && a.left == b.left && a.top == b.top &&
           a.perPixelX == b.perPixelX && a.perPixelY == b.perPixelY && a.aspect == b.aspect && a.column == b.column &&
           a.row == b.row && a.place == b.place;
}

KeptPaint::Found KeptPaint::find(const std::vector<SharedStroke>& strokes, const View& view) {
    const std::lock_guard<std::mutex> guard(lock_);
    Found found;
    for (const Entry& each : entries_)
        if (each.strokes.size() > found.strokes && each.strokes.size() <= strokes.size() && each.view == view &&
            std::equal(each.strokes.begin(), each.strokes.end(), strokes.begin()))
            found = {each.strokes.size(), each.bare};
    return found;
}

void KeptPaint::keep(std::vector<SharedStroke> strokes, const View& view, Plane bare) {
    constexpr std::size_t most = 8; // a few megabytes each
    const std::lock_guard<std::mutex> guard(lock_);
    if (entries_.size() == most) entries_.pop_back();
    entries_.push_front({std::move(strokes), view, std::move(bare)});
}

} // namespace baryton
