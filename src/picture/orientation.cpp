#include "picture/orientation.h"
#include "base/parallel.h"

#include <algorithm>

namespace baryton {

Orientation orientationFromExif(int number) {
    switch (number) {
    case 2:
        return {0, true};
    case 3:
        return {2, false};
    case 4:
        return {2, true};
    case 5:
        return {3, true};
    case 6:
        return {1, false};
    case 7:
        return {1, true};
    case 8:
        return {3, false};
    default:
        return {};
    }
}

Orientation turnedOnce(const Orientation& o) {
    return {(o.quarterTurns + 1) % 4, o.mirrored};
}

Orientation mirroredOnce(const Orientation& o) {
    // A mirror ahead of turns instead of behind them: they go the other way.
    return {(4 - o.quarterTurns) % 4, !o.mirrored};
}

SharePoint toOriented(const Orientation& o, SharePoint at) {
    if (o.mirrored) at.x = 1 - at.x;
    for (int i = 0; i < o.quarterTurns; ++i) at = {1 - at.y, at.x};
    return at;
}

SharePoint fromOriented(const Orientation& o, SharePoint at) {
    for (int i = 0; i < o.quarterTurns; ++i) at = {at.y, 1 - at.x};
    if (o.mirrored) at.x = 1 - at.x;
    return at;
}

Picture oriented(const Picture& picture, const Orientation& o) {
    if (o.isNone()) return picture;
    const int width = o.swapsSides() ? picture.height() : picture.width(),
              height = o.swapsSides() ? picture.width() : picture.height();
    Picture out(width, height, picture.hasAlpha());
    out.setScale(picture.scale());
    out.row(0, 0); // its own before threads write to it
    forRows(height, [&](int y) {
        // The place of the row's first pixel in the picture, and the step from one to the next.
        const auto place = [&](int x) {
            const SharePoint at = fromOriented(o, {(x + 0.5) / width, (y + 0.5) / height});
            return std::pair(static_cast<int>(at.x * picture.width()), static_cast<int>(at.y * picture.height()));
        };
        const auto [firstX, firstY] = place(0);
        const auto [lastX, lastY] = place(width - 1);
        const int stepX = (lastX > firstX) - (lastX < firstX), stepY = (lastY > firstY) - (lastY < firstY);
        for (int plane = 0; plane < (picture.hasAlpha() ? 4 : 3); ++plane) {
            float* to = out.row(plane, y);
            const float* from = picture.row(plane, firstY) + firstX;
            const std::ptrdiff_t step = stepX + stepY * static_cast<std::ptrdiff_t>(picture.stride());
            for (int x = 0; x < width; ++x) to[x] = from[x * step];
        }
    });
    return out;
}

} // namespace baryton
