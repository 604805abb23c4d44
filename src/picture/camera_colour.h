#pragma once
#include "colour/illuminant.h"
#include "colour/matrix.h"
#include "picture/raw_settings.h"

#include <vector>

namespace baryton {

/// What a camera's numbers mean, as its raw file (or the library's table of cameras) says.
struct CameraColour {
    /// XYZ of a scene (Y of its light = 1) → the camera's linear numbers, measured under a light of this temperature.
    struct Matrix {
        double kelvin = kNeutralTemperature;
        Mat3 fromXyz{};
    };
    std::vector<Matrix> matrices; ///< one, or two of different temperatures; interpolated over 1/T as DNG 1.4 does
    Vec3 neutral{1, 1, 1};        ///< the camera's numbers for white as shot, green = 1
    double exposure = 0;          ///< stops by which the camera wants its files lightened (DNG BaselineExposure)
};

/// The camera's numbers → XYZ's inverse for a light of that temperature.
Mat3 cameraFromXyz(const CameraColour& camera, double kelvin);

/// A light as it stands in a camera's numbers.
struct CameraWhite {
    Vec3 neutral;          ///< the camera's numbers of it, green = 1
    Vec3 xyz;              ///< of it, Y = 1
    TemperatureTint named; ///< the nearest setting of temperature and tint
};
/// The white of the scene as shot. Its temperature chooses the matrix, and the matrix tells its temperature: found by
/// going round until it stands (DNG 1.4, "Translating camera neutral coordinates to white balance xy").
CameraWhite whiteAsShot(const CameraColour& camera);
CameraWhite whiteOf(const CameraColour& camera, double kelvin, double tint);
/// The white for which these numbers of the camera are neutral.
CameraWhite whiteFor(const CameraColour& camera, const Vec3& numbers);
CameraWhite whiteOf(const CameraColour& camera, const RawSettings& settings);

/// Camera numbers, each divided by that of white, → linear sRGB, in which (1, 1, 1) stays white: through XYZ, the
/// light adapted to D65 by CAT16.
Mat3 linearFromBalanced(const CameraColour& camera, const CameraWhite& white);

} // namespace baryton
