#pragma once
#include "picture/picture.h"

#include <vips/vips8>

namespace baryton::bench {

/// The picture's colours as an image of libvips, in memory: three bands of floats.
vips::VImage inVips(const Picture& picture);

} // namespace baryton::bench
