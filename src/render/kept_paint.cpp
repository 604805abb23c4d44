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
    constexpr std::size_t most = 8, mostNumbers = 24'000'000; // a hundred megabytes
    const std::lock_guard<std::mutex> guard(lock_);
    entries_.push_front({std::move(strokes), view, std::move(bare)});
    // Whoever holds this by a frame must not be held by it in turn.
    entries_.front().view.frame.painted.reset(), entries_.front().view.frame.base.reset();
    std::size_t numbers = 0, kept = 0;
    for (const Entry& each : entries_) {
        numbers += each.bare->size();
        if (++kept > 1 && (kept > most || numbers > mostNumbers)) {
            entries_.resize(kept - 1); // the newest stays, however large
            break;
        }
    }
}

} // namespace baryton
