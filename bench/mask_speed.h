#pragma once
#include "picture/picture.h"

namespace baryton::bench {

/// Prints what a hundred shapes in ten layers cost, over a picture and in a view of it, beside the same layers
/// without masks; once more where the frame is made straight; and how long it takes to find an object.
void compareMasks(const Picture& picture);

} // namespace baryton::bench
