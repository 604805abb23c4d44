#pragma once
#include "base/task.h"
#include "picture/output_format.h"
#include "picture/picture.h"
#include "picture/raw_settings.h"

#include <cstdint>
#include <filesystem>
#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace baryton {

/// What the camera and earlier programs wrote into a file; kept so that it can be written into ours.
struct Metadata {
    std::string exif, iptc, xmp;      ///< as Exiv2 encodes them (XMP as a packet); empty where there is none
    std::string camera;               ///< "maker model", empty when unknown
    std::string exposure;             ///< "1/40 s f/2 ISO 800", what of it is known
    double dotsPerInch = 0;           ///< for printing; 0 where the file says nothing
    std::vector<std::string> leftOut; ///< names of parts of Exif that were too large to be kept
};

class RawPixels;

struct PictureFile {
    Picture picture;
    std::shared_ptr<const RawPixels> raw{}; ///< what it was developed from; none of other files
    Metadata metadata;
    std::string profileName;          ///< "sRGB", "untagged", or the kind of conversion that was done
    std::vector<std::string> remarks; ///< as PictureReader has them
};

/// File name extensions that Baryton opens, lower case without dot.
const std::vector<std::string>& readableExtensions();
bool isReadableName(const std::filesystem::path& file);
/// The readable pictures directly in a folder, by name. Throws Error when the folder can't be read or holds none.
std::vector<std::filesystem::path> picturesInFolder(const std::filesystem::path& folder);
/// Leaves out each JPEG beside a raw file of the same name, two of one shot; returns how many.
std::size_t leaveOutPairs(std::vector<std::filesystem::path>& files);

/// Reads JPEG, PNG, TIFF (8, 16 bit, float; grey, RGB, Lab, CMYK, with alpha), WebP or AVIF, by content, into the
/// working encoding: orientation applied, the ICC profile honoured, untagged taken as sRGB, or as DCF's wide colour
/// space where the camera says so, or a camera's raw file, by its name. Of several pictures in a file the largest is
/// read. NaN become 0, values are held to −64…64. Throws Error for anything that is not a whole picture of one of
/// these kinds, larger than 400 megapixels, or for which there is not enough memory (memory_limit.h).
PictureFile readPicture(const std::filesystem::path& file, const RawSettings& raw = {});

/// The same, shrunk while it is read so that the long side is about `longSide` (never enlarged): for thumbnails.
Picture readThumbnail(const std::filesystem::path& file, int longSide, const RawSettings& raw = {});

/// A version of a JPEG at a half, a quarter or an eighth of its size, whichever is the smallest with a long side of
/// at least `longSide`, or of a raw file at half: the file is decoded no further than that, in a fraction of the
/// time. Nothing where that saves nothing: small pictures, and other kinds of file.
std::optional<Picture> readReduced(const std::filesystem::path& file, int longSide, const RawSettings& raw = {});

/// What the camera made of a raw file to look at, with a long side of at least `longSide` where it has that; nothing
/// for other files, and where there is none that can be read.
std::optional<Picture> readPreview(const std::filesystem::path& file, int longSide);

/// Width and height after orientation, and bits of a channel, from the header alone.
struct PictureSize {
    int width = 0, height = 0;
    int bits = 8;
    /// More than 8 bits: its levels lie too near each other to show as bands.
    bool isFine() const { return bits > 8; }
};
PictureSize readPictureSize(const std::filesystem::path& file);
/// True for a file that begins as a picture that can be read.
bool isPictureFile(const std::filesystem::path& file);

/// A picture quantised for a file: interleaved, 8 or 16 bits, with alpha as the last channel where there is one.
struct QuantisedPicture {
    int width = 0, height = 0, channels = 3, bits = 8;
    std::vector<std::uint8_t> bytes;

    QuantisedPicture(int width, int height, int channels, int bits);
    /// Quantises `count` pixels from r, g, b (and a, or null) to row y at x: clipped to 0…1, rounded to nearest.
    void setRow(int y, int x, int count, const float* r, const float* g, const float* b, const float* a);
};

/// Encodes and writes atomically, with the sRGB profile and the metadata (orientation, thumbnail and what described
/// the old file's layout left out). Alpha is kept, in a JPEG laid over the ground.
void writePicture(const std::filesystem::path& file, const QuantisedPicture& picture, const Metadata& metadata,
                  const OutputFormat& format);

} // namespace baryton
