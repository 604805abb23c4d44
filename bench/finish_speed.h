#pragma once
#include "picture/picture.h"

namespace baryton::bench {

/// Prints how long each stage that looks around or lies over the frame takes alone over a picture on two threads,
/// beside libvips doing the nearest thing that it has, in the same floats.
void compareFinish(const Picture& picture);

} // namespace baryton::bench
