#include "picture/profile.h"
#include "base/error.h"
#include "base/words.h"
#include "colour/spaces.h"
#include "colour/transfer.h"

#include <algorithm>
#include <cmath>
#include <lcms2.h>
#include <memory>
#include <tbb/parallel_for.h>
#include <vector>

namespace baryton {

namespace {

using Profile = std::unique_ptr<void, decltype(&cmsCloseProfile)>;
using Transform = std::unique_ptr<void, decltype(&cmsDeleteTransform)>;

Profile open(std::string_view icc) {
    cmsSetLogErrorHandler([](cmsContext, cmsUInt32Number, const char*) {});
    Profile profile(cmsOpenProfileFromMem(icc.data(), static_cast<cmsUInt32Number>(icc.size())), &cmsCloseProfile);
    if (!profile)
        throw Error("", "", words("the colour profile in the file is damaged"),
                    words("save the picture again with a valid profile"));
    return profile;
}

struct MatrixProfile {
    Mat3 toLinearSrgb{};
    const cmsToneCurve* curves[3]{};
};

/// Fills `out` and says true when the profile is made of three curves and three colorants.
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

void runMatrix(Picture& picture, const MatrixProfile& m) {
    // 16-bit input falls on the entries exactly; float input is interpolated, and continued in a straight line
    // outside 0…1.
    constexpr std::size_t last = 65535;
    std::vector<float> tables[3];
    for (unsigned c = 0; c < 3; ++c) {
        tables[c].resize(last + 1);
        for (std::size_t i = 0; i <= last; ++i)
            tables[c][i] = cmsEvalToneCurveFloat(m.curves[c], static_cast<float>(i) / last);
    }
    const auto look = [&](const std::vector<float>& t, float v) {
        const float at = v * last;
        const auto i = static_cast<std::size_t>(std::clamp(at, 0.0F, static_cast<float>(last - 1)));
        return t[i] + (at - static_cast<float>(i)) * (t[i + 1] - t[i]);
    };
    float* planes[3] = {picture.row(0, 0), picture.row(1, 0), picture.row(2, 0)};
    tbb::parallel_for(0, picture.height(), [&](int y) {
        const std::size_t start = picture.stride() * static_cast<std::size_t>(y);
        for (std::size_t x = start; x < start + static_cast<std::size_t>(picture.width()); ++x) {
            const Vec3 rgb = m.toLinearSrgb * Vec3{look(tables[0], planes[0][x]), look(tables[1], planes[1][x]),
                                                   look(tables[2], planes[2][x])};
            for (unsigned c = 0; c < 3; ++c) planes[c][x] = static_cast<float>(linearToSrgb(rgb[c]));
        }
    });
}

void runTransform(Picture& picture, cmsHPROFILE from, int channels, const Picture* black) {
    const cmsColorSpaceSignature space = cmsGetColorSpace(from);
    const cmsColorSpaceSignature wanted = channels == 1   ? cmsSigGrayData
                                          : channels == 3 ? cmsSigRgbData
                                                          : cmsSigCmykData;
    if (space != wanted)
        throw Error("", "", inWords("the colour profile is for another kind of picture ({} channels here)", channels),
                    words("save the picture again with a profile that fits it"));
    const Profile to(cmsCreate_sRGBProfile(), &cmsCloseProfile);
    const cmsUInt32Number in = channels == 1 ? TYPE_GRAY_FLT : channels == 3 ? TYPE_RGB_FLT : TYPE_CMYK_FLT;
    const Transform transform(cmsCreateTransform(from, in, to.get(), TYPE_RGB_FLT, INTENT_RELATIVE_COLORIMETRIC,
                                                 cmsFLAGS_BLACKPOINTCOMPENSATION | cmsFLAGS_NOCACHE),
                              &cmsDeleteTransform);
    if (!transform)
        throw Error("", "", words("the colour profile can't be used to read the picture"),
                    words("save the picture again with another profile"));
    const auto width = static_cast<std::size_t>(picture.width());
    float* planes[3] = {picture.row(0, 0), picture.row(1, 0), picture.row(2, 0)};
    tbb::parallel_for(0, picture.height(), [&](int y) {
        const auto n = static_cast<std::size_t>(channels);
        std::vector<float> device(width * n), rgb(width * 3);
        const std::size_t start = picture.stride() * static_cast<std::size_t>(y);
        const float inkScale = channels == 4 ? 100.0F : 1.0F; // Little CMS counts float ink in percent
        for (std::size_t x = 0; x < width; ++x)
            for (std::size_t c = 0; c < n; ++c)
                device[x * n + c] = inkScale * (c == 3 ? black->row(0, y)[x] : planes[c][start + x]);
        cmsDoTransform(transform.get(), device.data(), rgb.data(), static_cast<cmsUInt32Number>(width));
        for (std::size_t x = 0; x < width; ++x)
            for (std::size_t c = 0; c < 3; ++c) planes[c][start + x] = rgb[x * 3 + c];
    });
}

} // namespace

ProfileKind profileKind(std::string_view icc) {
    const Profile profile = open(icc);
    MatrixProfile matrix;
    if (!readMatrix(profile.get(), matrix)) return ProfileKind::Table;
    return isSrgb(matrix) ? ProfileKind::Srgb : ProfileKind::Matrix;
}

void toWorkingEncoding(Picture& picture, std::string_view icc, int channels, const Picture* black) {
    const Profile profile = open(icc);
    MatrixProfile matrix;
    if (channels == 3 && readMatrix(profile.get(), matrix)) {
        if (!isSrgb(matrix)) runMatrix(picture, matrix);
        return;
    }
    runTransform(picture, profile.get(), channels, black);
}

void toDevice(std::string_view icc, float* rgb, std::size_t count) {
    const Profile to = open(icc);
    if (cmsGetColorSpace(to.get()) != cmsSigRgbData)
        throw Error("", "", words("the profile is not one of a monitor"),
                    words("choose the profile made for this screen"));
    const Profile from(cmsCreate_sRGBProfile(), &cmsCloseProfile);
    const Transform transform(cmsCreateTransform(from.get(), TYPE_RGB_FLT, to.get(), TYPE_RGB_FLT,
                                                 INTENT_RELATIVE_COLORIMETRIC,
                                                 cmsFLAGS_BLACKPOINTCOMPENSATION | cmsFLAGS_NOCACHE),
                              &cmsDeleteTransform);
    if (!transform)
        throw Error("", "", words("the profile can't be used for output"),
                    words("choose the profile made for this screen"));
    cmsDoTransform(transform.get(), rgb, rgb, static_cast<cmsUInt32Number>(count));
}

const std::string& srgbProfile() {
    static const std::string bytes = [] {
        const Profile profile(cmsCreate_sRGBProfile(), &cmsCloseProfile);
        // The library stamps the moment of making into the header; the same bytes every time are worth more here.
        cmsUInt32Number size = 0;
        cmsSaveProfileToMem(profile.get(), nullptr, &size);
        std::string made(size, '\0');
        cmsSaveProfileToMem(profile.get(), made.data(), &size);
        constexpr unsigned char date[12] = {0x07, 0xEA, 0, 1, 0, 1, 0, 0, 0, 0, 0, 0};
        std::copy(std::begin(date), std::end(date), made.begin() + 24);
        std::fill(made.begin() + 84, made.begin() + 100, '\0'); // the profile ID is a hash over the header
        return made;
    }();
    return bytes;
}

} // namespace baryton
