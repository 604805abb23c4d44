#include "picture/icc_support.h"
#include "base/error.h"
#include "base/words.h"
#include "colour/spaces.h"
#include "colour/transfer.h"

#include <algorithm>
#include <cmath>

namespace baryton {

IccProfile openProfile(std::string_view icc) {
    cmsSetLogErrorHandler([](cmsContext, cmsUInt32Number, const char*) {});
    IccProfile profile(cmsOpenProfileFromMem(icc.data(), static_cast<cmsUInt32Number>(icc.size())), &cmsCloseProfile);
    if (!profile)
        throw Error("", "", words("its colour profile is damaged"),
                    words("save the picture again with a valid profile"));
    return profile;
}

int channelsOf(cmsHPROFILE profile) {
    switch (cmsGetColorSpace(profile)) {
    case cmsSigGrayData:
        return 1;
    case cmsSigRgbData:
        return 3;
    case cmsSigCmykData:
        return 4;
    default:
        return 0;
    }
}

std::string profileBytes(cmsHPROFILE profile) {
    cmsUInt32Number size = 0;
    cmsSaveProfileToMem(profile, nullptr, &size);
    std::string made(size, '\0');
    cmsSaveProfileToMem(profile, made.data(), &size);
    constexpr unsigned char date[12] = {0x07, 0xEA, 0, 1, 0, 1, 0, 0, 0, 0, 0, 0};
    std::copy(std::begin(date), std::end(date), made.begin() + 24);
    std::fill(made.begin() + 84, made.begin() + 100, '\0'); // the profile ID is a hash over the header
    return made;
}

bool readMatrix(cmsHPROFILE profile, MatrixProfile& out) {
    if (cmsGetColorSpace(profile) != cmsSigRgbData || !cmsIsMatrixShaper(profile)) return false;
    if (cmsIsTag(profile, cmsSigAToB0Tag) || cmsIsTag(profile, cmsSigDToB0Tag)) return false;
    constexpr cmsTagSignature colorants[] = {cmsSigRedColorantTag, cmsSigGreenColorantTag, cmsSigBlueColorantTag};
    constexpr cmsTagSignature curves[] = {cmsSigRedTRCTag, cmsSigGreenTRCTag, cmsSigBlueTRCTag};
    Mat3 toXyz{};
    for (unsigned i = 0; i < 3; ++i) {
        const auto* colorant = static_cast<const cmsCIEXYZ*>(cmsReadTag(profile, colorants[i]));
        out.curves[i] = static_cast<const cmsToneCurve*>(cmsReadTag(profile, curves[i]));
        if (!colorant || !out.curves[i]) return false;
        toXyz[i] = colorant->X, toXyz[3 + i] = colorant->Y, toXyz[6 + i] = colorant->Z;
    }
    out.toLinearSrgb = kXyzToSrgb * adaptation(kBradford, kD50, kD65) * toXyz;
    return true;
}

bool isSrgb(const MatrixProfile& m) {
    constexpr Mat3 identity = {1, 0, 0, 0, 1, 0, 0, 0, 1};
    for (unsigned i = 0; i < 9; ++i)
        if (std::abs(m.toLinearSrgb[i] - identity[i]) > 2e-3) return false;
    for (const auto* curve : m.curves)
        for (int i = 0; i <= 64; ++i) {
            const float v = static_cast<float>(i) / 64;
            if (std::abs(cmsEvalToneCurveFloat(curve, v) - srgbToLinear(v)) > 1e-3) return false;
        }
    return true;
}

} // namespace baryton
