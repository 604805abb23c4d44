#pragma once
#include "picture/picture.h"

#include <filesystem>

namespace baryton::bench {

/// Milliseconds, medians: a raw file of a picture's size opened as the window does it, the library alone doing the
/// same, and the white set anew.
struct RawTimes {
    double preview = 0, half = 0, fine = 0, quick = 0;
    double libraryHalf = 0, libraryFine = 0;
    double smallAgain = 0, wholeAgain = 0;
};
RawTimes rawTimes(const Picture& picture, const std::filesystem::path& folder, int rounds);

} // namespace baryton::bench
