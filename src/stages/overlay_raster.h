#pragma once
#include "grade/picture_content.h"

#include <cstddef>
#include <cstdint>
#include <memory>
#include <string>
#include <vector>

namespace baryton {

/// A carried picture made ready to be laid over, at one size: its pixels in the working encoding, colours multiplied
/// by alpha, each in one word of 10 bits a channel (red lowest), so that a vector of pixels is one gather. Around it
/// two more pixels repeat its edge; behind the last row vectors may read on (kRowPad).
struct OverlayRaster {
    static constexpr int kBorder = 2;
    static constexpr float kMost = 1023; ///< what 1 is stored as

    int width = 0, height = 0;
    std::size_t stride = 0; ///< words from one row to the next
    std::vector<std::uint32_t> colours;
    std::vector<float> alpha; ///< 0…1; empty where all is opaque
};

/// What of a carried picture is wanted.
struct OverlayShape {
    int width = 0, height = 0; ///< at most those of the picture itself
    double blurLength = 0;     ///< of motion, in pixels of that size
    double blurAngle = 0;      ///< radians, 0 across, clockwise
    bool operator==(const OverlayShape&) const = default;
};

/// Width and height of a carried picture; 0 where it can't be decoded.
OverlayShape overlaySize(const PictureContent& picture);
/// Its pixels made smaller as all pictures are (scaledDown), then blurred; null where it can't be decoded. The last
/// few are kept, up to about 160 MB. Safe to call from any thread.
std::shared_ptr<const OverlayRaster> overlayRaster(const PictureContent& picture, const OverlayShape& shape);
/// The same if it is at hand.
std::shared_ptr<const OverlayRaster> keptOverlayRaster(const PictureContent& picture, const OverlayShape& shape);
/// Why it can't be decoded, for people; empty when all is well, or its content is missing.
std::string overlayProblem(const PictureContent& picture);

} // namespace baryton
