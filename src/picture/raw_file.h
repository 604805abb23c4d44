#pragma once
#include "picture/camera_colour.h"
#include "picture/picture_file.h"
#include "picture/shot.h"

#include <cstdint>
#include <filesystem>
#include <memory>
#include <string>
#include <vector>

namespace baryton {

/// The extensions of cameras' raw files, lower case without dot; by these they are known, for they have no beginning
/// in common.
const std::vector<std::string>& rawExtensions();
bool isRawName(const std::filesystem::path& file);

/// What a raw file says of itself ahead of its pixels.
struct RawHeader {
    int width = 0, height = 0; ///< of the sensor's active part, before orientation
    int orientation = 1;       ///< as Exif numbers it
    std::string camera;        ///< "maker model"
    CameraColour colour;
    Shot shot;
};
/// Throws Error for what is no raw file, of a camera that is not known, of a sensor whose colours can't be judged
/// (without filters, in layers, with four colours), or larger than 400 megapixels.
RawHeader readRawHeader(const std::filesystem::path& file);

/// The pixels of a raw file with a colour for each, in the camera's own numbers: linear light, black at 0, each
/// channel times its multiplier for white as shot, the largest multiplier counted as 1.
class RawPixels {
public:
    /// Reads and demosaics by LibRaw: Fine is AHD (Hirakawa and Parks 2005; for a pattern of 6 × 6, three passes
    /// after Chuan-kai Lin), Quick is PPG (Chuan-kai Lin; one pass). `half` takes the mean of each 2 × 2 pixels
    /// instead. Throws Error as readRawHeader does, and for files that are damaged or end early.
    RawPixels(const std::filesystem::path& file, RawDemosaic demosaic, bool half);
    /// Means of `step` × `step` pixels of another, for a quick look; what does not fill a square is left out.
    RawPixels(const RawPixels& whole, int step);

    const RawHeader& header() const { return header_; }
    int width() const { return width_; }
    int height() const { return height_; }
    int longSide() const { return width_ > height_ ? width_ : height_; }
    /// Pixels for one of the sensor, along a side.
    double scale() const { return scale_; }
    /// What makes its numbers (of 0…1) a share of what the sensor can take.
    const Vec3& toSensor() const { return toSensor_; }
    /// width × height × 3 numbers of 0…65535: red, green, blue.
    const std::uint16_t* data() const { return numbers_.get(); }
    std::size_t bytes() const { return static_cast<std::size_t>(width_) * static_cast<std::size_t>(height_) * 6; }

private:
    RawHeader header_;
    int width_ = 0, height_ = 0;
    double scale_ = 1;
    Vec3 toSensor_{};
    std::unique_ptr<std::uint16_t[]> numbers_;
};

/// The JPEG that the camera put into a raw file to look at; empty where there is none. Throws Error.
std::string rawPreview(const std::filesystem::path& file);

} // namespace baryton
