#pragma once
// What profiles are made of, for the files here that read and write them.
#include "colour/matrix.h"

#include <lcms2.h>
#include <memory>
#include <string>
#include <string_view>

namespace baryton {

using IccProfile = std::unique_ptr<void, decltype(&cmsCloseProfile)>;
using IccTransform = std::unique_ptr<void, decltype(&cmsDeleteTransform)>;

/// Throws Error when the bytes are no profile.
IccProfile openProfile(std::string_view icc);
/// 1 (grey), 3 (RGB), 4 (CMYK), 0 for others.
int channelsOf(cmsHPROFILE profile);
/// The bytes of a profile made here: the same every time, though the library stamps the moment into them.
std::string profileBytes(cmsHPROFILE profile);

struct MatrixProfile {
    Mat3 toLinearSrgb{};
    const cmsToneCurve* curves[3]{}; ///< the profile's own
};
/// Fills `out` and says true when the profile is made of three curves and three colorants.
bool readMatrix(cmsHPROFILE profile, MatrixProfile& out);
bool isSrgb(const MatrixProfile& matrix);

} // namespace baryton
