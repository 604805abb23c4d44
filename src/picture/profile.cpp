#include "picture/profile.h"
#include "base/error.h"
#include "base/parallel.h"
#include "base/words.h"
#include "colour/transfer.h"
#include "picture/icc_support.h"

#include <algorithm>
#include <memory>
#include <vector>

namespace baryton {

struct ProfileConversion::Tables {
    // 16-bit input falls on the entries exactly; float input is interpolated, and continued in a straight line
    // outside 0…1.
    static constexpr std::size_t kLast = 65535;
    std::vector<float> curves[3];
    Mat3 toLinearSrgb;

    explicit Tables(const MatrixProfile& m) : toLinearSrgb(m.toLinearSrgb) {
        for (unsigned c = 0; c < 3; ++c) {
            curves[c].resize(kLast + 1);
            for (std::size_t i = 0; i <= kLast; ++i)
                curves[c][i] = cmsEvalToneCurveFloat(m.curves[c], static_cast<float>(i) / kLast);
        }
    }

    void run(Picture& picture) const {
        const auto look = [](const std::vector<float>& t, float v) {
            const float at = v * kLast;
            const auto i = static_cast<std::size_t>(std::clamp(at, 0.0F, static_cast<float>(kLast - 1)));
            return t[i] + (at - static_cast<float>(i)) * (t[i + 1] - t[i]);
        };
        float* planes[3] = {picture.row(0, 0), picture.row(1, 0), picture.row(2, 0)};
        forRows(picture.height(), [&](int y) {
            const std::size_t start = picture.stride() * static_cast<std::size_t>(y);
            for (std::size_t x = start; x < start + static_cast<std::size_t>(picture.width()); ++x) {
                const Vec3 rgb = toLinearSrgb * Vec3{look(curves[0], planes[0][x]), look(curves[1], planes[1][x]),
                                                     look(curves[2], planes[2][x])};
                for (unsigned c = 0; c < 3; ++c) planes[c][x] = static_cast<float>(linearToSrgb(rgb[c]));
            }
        });
    }
};

struct ProfileConversion::Lcms {
    IccTransform transform;
    std::size_t channels;

    Lcms(cmsHPROFILE from, int channelCount)
        : transform(nullptr, &cmsDeleteTransform), channels(static_cast<std::size_t>(channelCount)) {
        const bool isLab = cmsGetColorSpace(from) == cmsSigLabData;
        if (!isLab && channelsOf(from) != channelCount)
            throw Error("", "",
                        inWords("its colour profile is for another kind of picture ({} channels here)", channelCount),
                        words("save the picture again with a profile that fits it"));
        const IccProfile to(cmsCreate_sRGBProfile(), &cmsCloseProfile);
        const cmsUInt32Number in = isLab               ? TYPE_Lab_FLT
                                   : channelCount == 1 ? TYPE_GRAY_FLT
                                   : channelCount == 3 ? TYPE_RGB_FLT
                                                       : TYPE_CMYK_FLT;
        transform.reset(cmsCreateTransform(from, in, to.get(), TYPE_RGB_FLT, INTENT_RELATIVE_COLORIMETRIC,
                                           cmsFLAGS_BLACKPOINTCOMPENSATION | cmsFLAGS_NOCACHE));
        if (!transform)
            throw Error("", "", words("its colour profile can't be used to read a picture"),
                        words("save the picture again with another profile"));
    }

    void run(Picture& picture, const Picture* black) const {
        const auto width = static_cast<std::size_t>(picture.width()), n = channels;
        float* planes[3] = {picture.row(0, 0), picture.row(1, 0), picture.row(2, 0)};
        forRows(picture.height(), [&](int y) {
            std::vector<float> device(width * n), rgb(width * 3);
            const std::size_t start = picture.stride() * static_cast<std::size_t>(y);
            const float inkScale = n == 4 ? 100.0F : 1.0F; // Little CMS counts float ink in percent
            for (std::size_t x = 0; x < width; ++x)
                for (std::size_t c = 0; c < n; ++c)
                    device[x * n + c] = inkScale * (c == 3 ? black->row(0, y)[x] : planes[c][start + x]);
            cmsDoTransform(transform.get(), device.data(), rgb.data(), static_cast<cmsUInt32Number>(width));
            for (std::size_t x = 0; x < width; ++x)
                for (std::size_t c = 0; c < 3; ++c) planes[c][start + x] = rgb[x * 3 + c];
        });
    }
};

ProfileConversion::ProfileConversion(std::string_view icc, int channels) {
    const IccProfile profile = openProfile(icc);
    MatrixProfile matrix;
    if (channels != 3 || !readMatrix(profile.get(), matrix))
        lcms_ = std::make_unique<Lcms>(profile.get(), channels);
    else if (!isSrgb(matrix))
        tables_ = std::make_unique<Tables>(matrix);
}

ProfileConversion::ProfileConversion(std::unique_ptr<const Lcms> lcms) : lcms_(std::move(lcms)) {}

ProfileConversion ProfileConversion::fromLab() {
    const IccProfile lab(cmsCreateLab4Profile(nullptr), &cmsCloseProfile);
    return ProfileConversion(std::make_unique<const Lcms>(lab.get(), 3));
}

ProfileConversion::~ProfileConversion() = default;
ProfileConversion::ProfileConversion(ProfileConversion&&) noexcept = default;
ProfileConversion& ProfileConversion::operator=(ProfileConversion&&) noexcept = default;

void ProfileConversion::operator()(Picture& picture, const Picture* black) const {
    if (tables_) tables_->run(picture);
    if (lcms_) lcms_->run(picture, black);
}

ProfileKind profileKind(std::string_view icc) {
    const IccProfile profile = openProfile(icc);
    MatrixProfile matrix;
    if (!readMatrix(profile.get(), matrix)) return ProfileKind::Table;
    return isSrgb(matrix) ? ProfileKind::Srgb : ProfileKind::Matrix;
}

int profileChannels(std::string_view icc) {
    return channelsOf(openProfile(icc).get());
}

void toDevice(std::string_view icc, float* rgb, std::size_t count) {
    const IccProfile to = openProfile(icc);
    if (cmsGetColorSpace(to.get()) != cmsSigRgbData)
        throw Error("", "", words("the profile is not one of a monitor"),
                    words("choose the profile made for this screen"));
    const IccProfile from(cmsCreate_sRGBProfile(), &cmsCloseProfile);
    const IccTransform transform(cmsCreateTransform(from.get(), TYPE_RGB_FLT, to.get(), TYPE_RGB_FLT,
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
        const IccProfile profile(cmsCreate_sRGBProfile(), &cmsCloseProfile);
        return profileBytes(profile.get());
    }();
    return bytes;
}

namespace {

std::string rgbProfile(const char* name, const cmsCIExyYTRIPLE& primaries, cmsToneCurve* curve) {
    constexpr cmsCIExyY white = {0.3127, 0.3290, 1};
    const std::unique_ptr<cmsToneCurve, decltype(&cmsFreeToneCurve)> owned(curve, &cmsFreeToneCurve);
    cmsToneCurve* const curves[3] = {curve, curve, curve};
    const IccProfile profile(cmsCreateRGBProfile(&white, &primaries, curves), &cmsCloseProfile);
    const std::unique_ptr<cmsMLU, decltype(&cmsMLUfree)> words(cmsMLUalloc(nullptr, 1), &cmsMLUfree);
    cmsMLUsetASCII(words.get(), "en", "US", name);
    cmsWriteTag(profile.get(), cmsSigProfileDescriptionTag, words.get());
    return profileBytes(profile.get());
}

} // namespace

const std::string& dcfWideProfile() {
    static const std::string bytes = rgbProfile("DCF option", {{0.64, 0.33, 1}, {0.21, 0.71, 1}, {0.15, 0.06, 1}},
                                                cmsBuildGamma(nullptr, 563.0 / 256));
    return bytes;
}

const std::string& displayP3Profile() {
    constexpr cmsFloat64Number srgb[] = {2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045};
    static const std::string bytes =
        rgbProfile("Display P3", {{0.680, 0.320, 1}, {0.265, 0.690, 1}, {0.150, 0.060, 1}},
                   cmsBuildParametricToneCurve(nullptr, 4, srgb));
    return bytes;
}

const std::string& rec2020Profile() {
    static const std::string bytes = rgbProfile(
        "Rec. 2020", {{0.708, 0.292, 1}, {0.170, 0.797, 1}, {0.131, 0.046, 1}}, cmsBuildGamma(nullptr, 2.4));
    return bytes;
}

} // namespace baryton
