#include "render/placed_base.h"

#include <algorithm>

namespace baryton {

int baseHalvings(const Placement& placement) {
    if (placement.copiesPixels()) return 0;
    const auto [width, height] = baseLevelSize(placement.width, placement.height);
    // So that half as many pixels again are left along a side as are wanted.
    const double least = 1.5 * std::max(width, height);
    int halvings = 0;
    while (std::max(placement.width, placement.height) >> (halvings + 1) >= least) ++halvings;
    return halvings;
}

Picture placedBase(const Picture& source, const Placement& placement, PictureSize size, const Task* task) {
    const auto [width, height] = baseLevelSize(size.width, size.height);
    return scaledDown(placed(source, placement, 0, task), width, height);
}

std::shared_ptr<const Pyramid> placedPyramid(const Pyramid& source, const Geometry& geometry, const Task* task) {
    const Placement placement = placementOf(geometry, source.full().width(), source.full().height());
    const auto halvings = static_cast<std::size_t>(baseHalvings(placement));
    std::function<Picture()> makeBase;
    if (halvings > 0 && halvings < source.levels().size())
        makeBase = [level = source.levels()[halvings], geometry,
                    size = PictureSize{placement.width, placement.height}] {
            return placedBase(level, placementOf(geometry, level.width(), level.height()), size);
        };
    return std::make_shared<const Pyramid>(placed(source.full(), placement, 0, task), task, makeBase);
}

} // namespace baryton
