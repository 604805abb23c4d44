#include "lut/by_grid.h"

#include <algorithm>

namespace baryton {

std::vector<GridSize> fidelityByGrid(const Grade& grade, const LutExport& wanted, const std::vector<int>& sizes,
                                     const std::vector<Picture>& pictures, const Task* task,
                                     const std::function<void(const GridSize&)>& soFar) {
    std::vector<GridSize> all;
    for (const int size : sizes) {
        if (task) task->throwIfCancelled();
        const std::string text = lutText(bakeLook(grade, size, wanted.title, wanted), wanted.format, wanted.spaces);
        all.push_back({size, measureFidelity(parseLut(text).table, grade, pictures, wanted, task), text.size()});
        if (soFar) soFar(all.back());
    }
    return all;
}

std::optional<int> smallestWithin(const std::vector<GridSize>& sizes, double apart) {
    const auto enough = std::find_if(sizes.begin(), sizes.end(), [&](const GridSize& each) {
        return each.fidelity.cube.percentile99 <= apart && each.fidelity.pictures.percentile99 <= apart;
    });
    if (enough == sizes.end()) return {};
    return enough->size;
}

} // namespace baryton
