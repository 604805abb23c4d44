#include "in_vips.h"

#include <vector>

namespace baryton::bench {

vips::VImage inVips(const Picture& picture) {
    std::vector<vips::VImage> planes;
    for (int k = 0; k < 3; ++k) {
        std::vector<float> plane;
        for (int y = 0; y < picture.height(); ++y)
            plane.insert(plane.end(), picture.row(k, y), picture.row(k, y) + picture.width());
        planes.push_back(vips::VImage::new_from_memory(plane.data(), plane.size() * sizeof(float), picture.width(),
                                                       picture.height(), 1, VIPS_FORMAT_FLOAT)
                             .copy_memory());
    }
    return vips::VImage::bandjoin(planes).copy_memory();
}

} // namespace baryton::bench
