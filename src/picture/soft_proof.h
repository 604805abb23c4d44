#pragma once
#include "picture/output_profile.h"

#include <string>

namespace baryton {

/// As what a picture is to be shown: what a printer's or another screen's profile makes of it.
struct ProofWish {
    ProfileWish profile{};      ///< here also one of inks (CMYK) or of grey
    bool hasPaperWhite = false; ///< white as the paper's own, black as the ink's, beside the screen's white
    bool marksOutside = true;   ///< colours that the device does not have are marked

    bool operator==(const ProofWish&) const = default;
};

/// The way there and back, through Little CMS: from the working encoding to the device by the wish's intent, and from
/// there to a screen. Values outside 0…1 are clipped.
class SoftProof {
public:
    /// Reads the file, where it is one. Throws Error when that is no profile of a device, or knows no way to it and
    /// back.
    explicit SoftProof(const ProofWish& wish);
    ~SoftProof();

    /// What the profile calls itself, or else its file.
    const std::string& name() const { return name_; }
    /// A name for what it does; the same for the same profile and wish.
    const std::string& id() const { return id_; }
    /// Red, green, blue of `count` colours, in place: as a screen with this profile shows them (none: sRGB).
    void show(const std::string& screenIcc, float* rgb, std::size_t count) const;
    /// How far each colour is from what the device can make of it, relative colorimetric: CIEDE2000 (Sharma et al.
    /// 2005), between CIELAB of D50. Into `distance`.
    void outside(const float* rgb, float* distance, std::size_t count) const;
    /// From which distance on a colour counts as outside: profiles of tables are no truer there and back.
    static constexpr float kOutside = 2.0F;

private:
    ProofWish wish_;
    std::string icc_, name_, id_;
};

} // namespace baryton
