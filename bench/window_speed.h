#pragma once
#include "grade/grade.h"

#include <filesystem>
#include <vector>

namespace baryton::bench {

struct OpenTimes {
    double first = 0; ///< milliseconds from opening to the first painted picture, sharp enough for a fitted view
    double whole = 0; ///< until all levels of the picture itself are there and painted
};
/// Opens a picture in a new window of 1280 × 800.
OpenTimes openTimes(const std::filesystem::path& file, const std::filesystem::path& folder);

/// Milliseconds from a mouse event to the painted frame while a control is dragged in the real window, 1280 × 800,
/// with histogram and vectorscope open: a point of a curve, a wheel, a band, and a brush that paints a stroke more on
/// the mask of a layer above, which has forty.
struct DragTimes {
    std::vector<double> whole;
    std::vector<double> taking;  ///< of that, until the window has taken the event
    std::vector<double> drawing; ///< and from the request to the finished pixels, behind the window
};
struct DragsTimes {
    DragTimes curve, wheel, band, brush;
};
/// `withSecond`: while the second window shows the picture as well.
DragsTimes dragTimes(const std::filesystem::path& file, const Grade& grade, const std::filesystem::path& folder,
                     bool withSecond = false);

/// Milliseconds until all nine pictures of the grid show a preset that is pointed at, for several presets in turn.
std::vector<double> gridTimes(const std::filesystem::path& pictures, const std::filesystem::path& presets,
                              const std::filesystem::path& folder);

/// Milliseconds from one picture of a set to another whose levels are in memory, until it is painted.
std::vector<double> changeTimes(const std::filesystem::path& pictures, const std::filesystem::path& folder);

/// A folder of many pictures opened: until the window answers, until the thumbnails in sight and until all are drawn,
/// and the memory held.
struct ManyTimes {
    double usable = 0, inSight = 0, thumbnails = 0, megabytes = 0;
};
ManyTimes manyTimes(const std::filesystem::path& pictures, const std::filesystem::path& folder);

} // namespace baryton::bench
