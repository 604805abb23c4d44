#pragma once
#include "base/task.h"
#include "grade/lut_table.h"
#include "picture/picture_file.h"

#include <filesystem>
#include <string>
#include <vector>

namespace baryton {

/// What is odd about a pattern that came back.
struct PatternAccount {
    int size = 0;                  ///< nodes along an edge
    bool isSquareCube = false;     ///< read pixel by pixel: nothing of what follows could be told
    double scaleX = 1, scaleY = 1; ///< of the picture against the pattern
    double turn = 0;               ///< degrees clockwise
    std::size_t lost = 0;          ///< colours of which no cell is in the picture: filled from those beside them
    std::size_t halfLost = 0;      ///< colours of which one of the two cells is
    std::size_t disagreeing = 0; ///< colours whose two cells differ plainly: the one that fits its neighbours counts
    double disagreement = 0;     ///< the median difference of two cells of one colour, CIEDE2000
    double noise = 0;            ///< within cells, in levels of 8 bits: the median of standard deviations
    double overshoot = 0;        ///< what sharpening adds to edges, as a share of their step
    double cornerStops = 0;      ///< a vignette that was found and taken out: light in the corners against the middle
    std::vector<std::string> remarks; ///< all that is worth telling, in words
};

struct LearntLut {
    LutTable table;
    PatternAccount account;
};

/// Learns a LUT from our own pattern, or from a square cube, after it was graded elsewhere and saved in sRGB or with
/// its profile. What is read is the mean of the inner half of each cell; a vignette is fitted to what the two cells
/// of each colour differ by, and taken out; what came back untouched is exactly what was sent. Throws Error where
/// neither pattern is found in the picture, and Cancelled when the task says so.
LearntLut learnFromPattern(const Picture& picture, const Task* task = nullptr);
/// The same from a file, with what the file says of itself among the remarks: another profile (which is undone), a
/// JPEG's losses.
LearntLut learnFromPattern(const std::filesystem::path& file, const Task* task = nullptr);

} // namespace baryton
