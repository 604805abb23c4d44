#pragma once
#include "colour/encodings.h"
#include "picture/picture.h"

#include <array>

namespace baryton {

/// The spaces whose numbers a LUT takes and gives.
struct LutSpaces {
    Encoding reads = Encoding::Srgb, writes = Encoding::Srgb;

    bool isPlain() const { return reads == Encoding::Srgb && writes == Encoding::Srgb; }
    /// Light needs a 1D table in front of the grid, whose nodes would else nearly all lie where pictures are light:
    /// the grid then stands in sRGB's numbers.
    bool needsShaper() const { return reads == Encoding::Linear; }
    Encoding gridReads() const { return needsShaper() ? Encoding::Srgb : reads; }
};

/// Numbers of a space in the working encoding, and back: both sides may lie outside 0…1.
std::array<float, 3> toWorking(Encoding from, const std::array<float, 3>& rgb);
std::array<float, 3> fromWorking(Encoding to, const std::array<float, 3>& rgb);
/// The same of all colours of a picture.
Picture toWorking(Encoding from, Picture rows);
Picture fromWorking(Encoding to, Picture rows);

/// "sRGB → Rec. 709".
std::string nameOf(const LutSpaces& spaces);

} // namespace baryton
