#pragma once
#include "colour/matrix.h"

#include <string>
#include <vector>

namespace baryton {

/// The spaces in which LUT files expect and give their numbers.
enum class Encoding { Srgb, Rec709, DisplayP3, Linear, AcesCct, Rec2020 };

struct EncodingType {
    Encoding encoding;
    std::string id;      ///< as it stands in files: "display-p3"
    std::string name;    ///< "Display P3"
    std::string summary; ///< one sentence on where such numbers come from
};
/// All of them, in the order of the enum.
const std::vector<EncodingType>& encodings();

/// Linear light of the space's own primaries → its numbers, and back.
///
/// - Srgb, DisplayP3: IEC 61966-2-1, odd below 0.
/// - Rec709, Rec2020: ITU-R BT.1886 with a black of 0, a pure power of 2.4, odd below 0.
/// - Linear: as it is.
/// - AcesCct: S-2016-001, straight below 0.0078125, log2 above; light above 65 504 is held there.
double encode(Encoding encoding, double linear);
double decode(Encoding encoding, double value);

/// Linear sRGB → linear light of the space's primaries: those of BT.709 (the identity), Display P3 (SMPTE EG 432-1
/// primaries, D65) and Rec. 2020 (ITU-R BT.2020), and AP1 for ACEScct, whose white (x 0.32168, y 0.33767) is reached
/// by Bradford adaptation.
const Mat3& toEncodingPrimaries(Encoding encoding);

// The constants of ACEScct, shared by the double and the vector form.
namespace acescct {
constexpr double kCutLinear = 0.0078125, kCutEncoded = 0.155251141552511;
constexpr double kSlope = 10.5402377416545, kOffset = 0.0729055341958355;
constexpr double kLogShift = 9.72, kLogScale = 17.52, kMost = 65504;
} // namespace acescct

} // namespace baryton
