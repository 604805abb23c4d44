#pragma once
#include "picture/picture_file.h"

#include <filesystem>
#include <string>
#include <vector>

namespace baryton {

// Pictures that grades carry inside them, so that a preset works wherever it is taken: an encoded file, sRGB with 8
// bits, upright, without metadata; JPEG, or PNG where some of it is transparent.

/// What a carried picture is at most: pixels along a side, and bytes, so that the presets that carry it stay small.
constexpr int kMostCarriedSide = 3000;
constexpr std::size_t kMostCarriedBytes = std::size_t(6) << 20;

struct CarriedPicture {
    std::string encoded;
    std::vector<std::string> remarks; ///< as PictureReader has them, and that it was made smaller
};

/// Any file that readPicture reads, as a grade carries it; made smaller where it is larger than that. Throws Error as
/// readPicture does.
CarriedPicture carriedFrom(const std::filesystem::path& file);
/// A picture of one's own making.
std::string encodeCarried(const Picture& picture);
/// width × height grey pixels of 8 bits, row by row, as a PNG that keeps each as it is.
std::string encodeGrey(const std::vector<std::uint8_t>& pixels, int width, int height);

/// Width and height, by its header alone. Throws Error as decodeCarried does.
PictureSize carriedSize(const std::string& encoded);
/// Its pixels: three or four channels of 8 bits. Throws Error for what is no whole JPEG or PNG in grey or RGB with
/// sides of at most kMostCarriedSide.
QuantisedPicture decodeCarried(const std::string& encoded);
/// The same in the working encoding.
Picture pictureOf(const QuantisedPicture& pixels);
/// Rows y to y + count of them.
Picture rowsOf(const QuantisedPicture& pixels, int y, int count);

} // namespace baryton
