#pragma once
#include "picture/picture.h"

#include <memory>
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

/// How many channels a profile is for: 1 (grey), 3 (RGB), 4 (CMYK), 0 for others. Throws Error as profileKind does.
int profileChannels(std::string_view icc);

/// The wide colour space that cameras write without a profile (DCF 2.0, JEITA CP-3461B, 5.2: option file): primaries
/// (0.64, 0.33), (0.21, 0.71), (0.15, 0.06), white D65, a power of 563/256.
const std::string& dcfWideProfile();

/// From planes of device values (0…1 for full scale) to the working encoding, made once for a file and used on any
/// part of it.
///
/// Matrix profiles run as our own curves and matrix, colorants adapted from D50 by Bradford; nothing is clipped.
/// Table profiles go through Little CMS, relative colorimetric with black point compensation, and may clip at their
/// ends. sRGB is left as it is.
class ProfileConversion {
public:
    /// `channels` is 1 (grey), 3, or 4 (CMYK). Throws Error when the profile does not fit them.
    ProfileConversion(std::string_view icc, int channels);
    /// From CIE L*a*b* of D50 in its own numbers: 0…100 and about −128…127.
    static ProfileConversion fromLab();
    ~ProfileConversion();
    ProfileConversion(ProfileConversion&&) noexcept;
    ProfileConversion& operator=(ProfileConversion&&) noexcept;

    /// In place; grey stands in plane 0, `black` holds the fourth plane of CMYK, of the picture's size and stride.
    void operator()(Picture& picture, const Picture* black = nullptr) const;

private:
    struct Tables;
    struct Lcms;
    explicit ProfileConversion(std::unique_ptr<const Lcms> lcms);
    std::unique_ptr<const Tables> tables_; ///< of a matrix profile
    std::unique_ptr<const Lcms> lcms_;     ///< of others; neither for sRGB
};

/// Colours of the working encoding as the numbers that a device (a monitor) with this profile wants: `rgb` holds red,
/// green, blue of `count` colours and is converted in place, relative colorimetric with black point compensation.
/// Throws Error when the profile is not one of an RGB device.
void toDevice(std::string_view icc, float* rgb, std::size_t count);

/// The profiles that written files carry: sRGB; Display P3 (SMPTE EG 432-1 primaries, D65, sRGB's curve); Rec. 2020
/// (ITU-R BT.2020 primaries, the power of 2.4 of BT.1886).
const std::string& srgbProfile();
const std::string& displayP3Profile();
const std::string& rec2020Profile();

} // namespace baryton
