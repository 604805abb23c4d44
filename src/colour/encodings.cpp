#include "colour/encodings.h"
#include "colour/spaces.h"
#include "colour/transfer.h"

#include <algorithm>
#include <cmath>

namespace baryton {

const std::vector<EncodingType>& encodings() {
    static const std::vector<EncodingType> all = {
        {Encoding::Srgb, "srgb", "sRGB", "The numbers of most pictures and screens."},
        {Encoding::Rec709, "rec709", "Rec. 709", "Video numbers for a screen after BT.1886, a power of 2.4."},
        {Encoding::DisplayP3, "display-p3", "Display P3", "The numbers of wide-gamut screens and phones."},
        {Encoding::Linear, "linear", "Linear", "Light itself, with the primaries of sRGB."},
        {Encoding::AcesCct, "acescct", "ACEScct", "Logarithmic numbers of the ACES grading space."},
        {Encoding::Rec2020, "rec2020", "Rec. 2020",
         "Wide-gamut video numbers for a screen after BT.1886, a power of 2.4."}};
    return all;
}

double encode(Encoding encoding, double linear) {
    switch (encoding) {
    case Encoding::Srgb:
    case Encoding::DisplayP3:
        return linearToSrgb(linear);
    case Encoding::Rec709:
    case Encoding::Rec2020:
        return std::copysign(std::pow(std::abs(linear), 1 / 2.4), linear);
    case Encoding::Linear:
        return linear;
    case Encoding::AcesCct:
        using namespace acescct;
        return linear <= kCutLinear ? kSlope * linear + kOffset
                                    : (std::log2(std::min(linear, kMost)) + kLogShift) / kLogScale;
    }
    return linear;
}

double decode(Encoding encoding, double value) {
    switch (encoding) {
    case Encoding::Srgb:
    case Encoding::DisplayP3:
        return srgbToLinear(value);
    case Encoding::Rec709:
    case Encoding::Rec2020:
        return std::copysign(std::pow(std::abs(value), 2.4), value);
    case Encoding::Linear:
        return value;
    case Encoding::AcesCct:
        using namespace acescct;
        return value <= kCutEncoded ? (value - kOffset) / kSlope
                                    : std::min(std::exp2(value * kLogScale - kLogShift), kMost);
    }
    return value;
}

const Mat3& toEncodingPrimaries(Encoding encoding) {
    static const Mat3 same = diagonal({1, 1, 1});
    static const Mat3 p3 =
        inverse(rgbToXyz(xyzFromXy(0.680, 0.320), xyzFromXy(0.265, 0.690), xyzFromXy(0.150, 0.060), kD65)) *
        kSrgbToXyz;
    static const Mat3 ap1 = [] {
        const Vec3 white = xyzFromXy(0.32168, 0.33767);
        const Mat3 toXyz = rgbToXyz(xyzFromXy(0.713, 0.293), xyzFromXy(0.165, 0.830), xyzFromXy(0.128, 0.044), white);
        return inverse(toXyz) * adaptation(kBradford, kD65, white) * kSrgbToXyz;
    }();
    static const Mat3 bt2020 =
        inverse(rgbToXyz(xyzFromXy(0.708, 0.292), xyzFromXy(0.170, 0.797), xyzFromXy(0.131, 0.046), kD65)) *
        kSrgbToXyz;
    if (encoding == Encoding::DisplayP3) return p3;
    if (encoding == Encoding::Rec2020) return bt2020;
    return encoding == Encoding::AcesCct ? ap1 : same;
}

} // namespace baryton
