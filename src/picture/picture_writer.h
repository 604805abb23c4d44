#pragma once
#include "base/file.h"
#include "picture/output_profile.h"
#include "picture/picture_file.h"

#include <functional>

namespace baryton {

/// What a file holds: interleaved, 8 or 16 bits or 32 of float, alpha as a fourth channel.
struct FileShape {
    int width = 0, height = 0, channels = 3, bits = 8;
    const OutputProfile* profile = nullptr; ///< that its numbers are of; null: sRGB
    std::size_t rowBytes() const {
        return static_cast<std::size_t>(width) * static_cast<std::size_t>(channels * bits / 8);
    }
};

/// Gives rows y to y + count of a file, one after the other in `out`. What it throws ends the writing and comes out
/// of it again.
using GiveRows = std::function<void(int y, int count, std::uint8_t* out)>;

/// A picture file that was written.
struct WrittenPicture {
    std::filesystem::path file;       ///< where it lies, as PendingFile::keep has it; empty where it was left out
    std::vector<std::string> remarks; ///< what of the metadata could not be kept
};

/// The rows of a band, where nothing else is asked for.
constexpr int kBandRows = 128;

/// As writePicture, but asks for the picture a band at a time, from the top down, each row once: while one is encoded
/// the next one is made. It is never in memory as a whole, but for what the format itself collects (a JPEG its
/// coefficients up to 100 megapixels, to find the best tables for them; WebP and AVIF all of it).
WrittenPicture writePictureInRows(const std::filesystem::path& file, const FileShape& shape, const GiveRows& rows,
                                  const Metadata& metadata, const OutputFormat& format, const Placing& placing = {},
                                  int bandRows = kBandRows);

} // namespace baryton
