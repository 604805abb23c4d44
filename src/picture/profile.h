#pragma once
#include "picture/picture.h"

#include <string>
#include <string_view>

namespace baryton {

/// What an ICC profile is to us; decides the path a picture takes to the working encoding.
enum class ProfileKind {
    Srgb,   ///< pixels are taken as they are
    Matrix, ///< our own curves and matrix
    Table,  ///< through Little CMS (look-up tables, CMYK, grey)
};

/// The kind of a profile. Throws Error when the bytes are no profile that Little CMS can open.
ProfileKind profileKind(std::string_view icc);

/// Converts planes of device values (0…1 for full scale) in place to the working encoding.
///
/// Matrix profiles run as our own curves and matrix, colorants adapted from D50 by Bradford; nothing is clipped.
/// Table profiles go through Little CMS, relative colorimetric with black point compensation, and may clip at their
/// ends. `channels` is 1 (grey, in plane 0), 3, or 4 (CMYK; `black` holds the fourth plane, of the picture's size and
/// stride). Throws Error when the profile does not fit the number of channels.
void toWorkingEncoding(Picture& picture, std::string_view icc, int channels, const Picture* black = nullptr);

/// Colours of the working encoding as the numbers that a device (a monitor) with this profile wants: `rgb` holds red,
/// green, blue of `count` colours and is converted in place, relative colorimetric with black point compensation.
/// Throws Error when the profile is not one of an RGB device.
void toDevice(std::string_view icc, float* rgb, std::size_t count);

/// The sRGB profile that written files carry.
const std::string& srgbProfile();

} // namespace baryton
