#pragma once
#include "colour/matrix.h"
#include "picture/camera_colour.h"

#include <filesystem>
#include <functional>
#include <string>
#include <utility>
#include <vector>

namespace baryton::test {

/// A camera that is none: its matrix measured under daylight of 6 504 K, and one under lamps of 2 856 K.
extern const Mat3 kDayCamera, kLampCamera;
/// The camera's numbers of a colour of linear sRGB under a light (XYZ, Y = 1): adapted to it by CAT16, seen through
/// the matrix.
Vec3 seenBy(const Mat3& camera, const Vec3& light, const Vec3& linear);

/// A raw file: a known scene seen through a mosaic of colours, as an uncompressed DNG 1.4.
struct Dng {
    int width = 64, height = 48;                  ///< of the active area
    int left = 0, top = 0, right = 0, bottom = 0; ///< what the sensor has around it
    std::string pattern = "RGGB";                 ///< 2 × 2, or 6 × 6; "": a sensor without colours
    int black = 256, white = 16000;
    std::vector<std::pair<int, Mat3>> matrices{{21, kDayCamera}}; ///< Exif's LightSource → matrix
    Vec3 neutral{0.5, 1, 0.65};                                   ///< white as shot
    double exposure = 0;                                          ///< BaselineExposure
    int orientation = 1;
    std::string previewJpeg; ///< beside the raw picture, where not empty
    std::string model = "Heron One";
    /// The light that falls on a pixel of the active area, in the camera's numbers: 1 is as much as it can take.
    std::function<Vec3(int x, int y)> scene;
};
void writeDng(const std::filesystem::path& file, const Dng& dng);
/// The bytes of such a file, for those that damage them.
std::string dngBytes(const Dng& dng);

} // namespace baryton::test
