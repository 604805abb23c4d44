#pragma once
#include "picture/picture.h"

#include <filesystem>
#include <functional>
#include <vector>

namespace baryton::bench {

/// A photograph-like picture of 6000 × 4000 pixels: a demo picture enlarged, with noise as a sensor leaves it, so
/// that neighbouring pixels differ as they do in a real file. Always the same.
Picture samplePicture(const std::filesystem::path& source, int width = 6000, int height = 4000);

/// With eight bits, of quality 90.
void writeJpeg(const std::filesystem::path& file, const Picture& picture);

struct Timing {
    double median = 0, low = 0, high = 0; ///< milliseconds
};
/// Runs the contestants in turn, `rounds` times, after one round to warm up.
std::vector<Timing> sideBySide(const std::vector<std::function<void()>>& contestants, int rounds);

double percentile(std::vector<double> values, double share);

} // namespace baryton::bench
