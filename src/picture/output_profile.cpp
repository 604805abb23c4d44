#include "picture/output_profile.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "picture/output_profile.cpp"
#include <hwy/foreach_target.h>
#endif

#include "colour/transfer-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// Working encoding → light of other primaries, in sRGB's curve, in place. The last values are worked on in padded
/// copies, by the same code.
void ToPrimaries(const float* m, float* const* planes, std::size_t count) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    const auto step = [&](float* const* at) {
        const V r = ToLinear(hn::LoadU(d, at[0])), g = ToLinear(hn::LoadU(d, at[1])),
                b = ToLinear(hn::LoadU(d, at[2]));
        for (int k = 0; k < 3; ++k) {
            const V light =
                hn::MulAdd(Splat(m[3 * k]), r, hn::MulAdd(Splat(m[3 * k + 1]), g, hn::Mul(Splat(m[3 * k + 2]), b)));
            hn::StoreU(ToEncoded(light), d, at[k]);
        }
    };
    std::size_t i = 0;
    for (; i + lanes <= count; i += lanes) {
        float* at[] = {planes[0] + i, planes[1] + i, planes[2] + i};
        step(at);
    }
    if (i == count) return;
    HWY_ALIGN float rest[3][HWY_MAX_BYTES / sizeof(float)] = {};
    float* at[] = {rest[0], rest[1], rest[2]};
    for (int k = 0; k < 3; ++k)
        for (std::size_t j = i; j < count; ++j) rest[k][j - i] = planes[k][j];
    step(at);
    for (int k = 0; k < 3; ++k)
        for (std::size_t j = i; j < count; ++j) planes[k][j] = rest[k][j - i];
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "base/enum_names.h"
#include "base/error.h"
#include "base/file.h"
#include "base/words.h"
#include "colour/transfer.h"
#include "picture/icc_support.h"
#include "picture/profile.h"

#include <algorithm>
#include <array>
#include <vector>

namespace baryton {

HWY_EXPORT(ToPrimaries);

namespace {

constexpr EnumNames<4> kSpaceNames = {"srgb", "display-p3", "rec2020", "file"};
constexpr EnumNames<4> kIntentNames = {"perceptual", "relative", "saturation", "absolute"};
/// Of presses the largest are a few megabytes.
constexpr std::size_t kMostProfile = std::size_t(32) << 20;

// Texts stand in free functions, where the collector of texts finds them without a class.
std::string noProfileText() {
    return words("this is no ICC profile");
}
std::string noRgbText() {
    return words("the profile is not one of an RGB device");
}
std::string noWayText() {
    return words("it says nothing of the way to its device's numbers");
}
Error notForFiles(const std::filesystem::path& file, const std::string& what) {
    return {file.string(), "", what, words("choose an ICC profile of an RGB printer, screen or working space")};
}

} // namespace

std::string spaceName(ProfileWish::Space space) {
    return nameIn(kSpaceNames, space);
}
std::optional<ProfileWish::Space> spaceFromName(const std::string& name) {
    return valueIn<ProfileWish::Space>(kSpaceNames, name);
}
std::string intentName(RenderingIntent intent) {
    return nameIn(kIntentNames, intent);
}
std::optional<RenderingIntent> intentFromName(const std::string& name) {
    return valueIn<RenderingIntent>(kIntentNames, name);
}

struct OutputProfile::Matrix {
    std::array<float, 9> fromLinearSrgb{};
    /// A device's number for each value that its light has in sRGB's curve, in which dark tones lie wide apart; empty
    /// where its own curve is that one.
    static constexpr std::size_t kLast = 65535;
    std::array<std::vector<float>, 3> curves;

    Matrix(const MatrixProfile& profile, bool hasSrgbCurve) {
        const Mat3 back = inverse(profile.toLinearSrgb);
        std::copy(back.begin(), back.end(), fromLinearSrgb.begin());
        for (unsigned c = 0; c < 3; ++c)
            if (!hasSrgbCurve) curves[c] = inverseOf(profile.curves[c]);
    }

    /// Walks up the curve beside the values that are asked for, which go up as well.
    static std::vector<float> inverseOf(const cmsToneCurve* curve) {
        constexpr int steps = 4 * static_cast<int>(kLast);
        const auto light = [&](int i) { return double(cmsEvalToneCurveFloat(curve, static_cast<float>(i) / steps)); };
        std::vector<float> inverse(kLast + 1);
        int at = 0;
        double below = light(0), above = light(1);
        for (std::size_t i = 0; i <= kLast; ++i) {
            const double wanted = srgbToLinear(double(i) / kLast);
            while (at + 1 < steps && above < wanted) ++at, below = above, above = light(at + 1);
            const double part = above > below ? std::clamp((wanted - below) / (above - below), 0.0, 1.0) : 0;
            inverse[i] = static_cast<float>((at + part) / steps);
        }
        return inverse;
    }

    void run(float* r, float* g, float* b, std::size_t count) const {
        float* planes[] = {r, g, b};
        HWY_DYNAMIC_DISPATCH(ToPrimaries)(fromLinearSrgb.data(), planes, count);
        for (unsigned c = 0; c < 3; ++c) {
            const std::vector<float>& table = curves[c];
            if (table.empty()) continue;
            for (std::size_t x = 0; x < count; ++x) { // continued in a straight line outside 0…1
                const float at = planes[c][x] * kLast;
                const auto i = static_cast<std::size_t>(std::clamp(at, 0.0F, static_cast<float>(kLast - 1)));
                planes[c][x] = table[i] + (at - static_cast<float>(i)) * (table[i + 1] - table[i]);
            }
        }
    }
};

struct OutputProfile::Table {
    IccTransform transform{nullptr, &cmsDeleteTransform};

    Table(cmsHPROFILE to, const ProfileWish& wish) {
        constexpr cmsUInt32Number intents[] = {INTENT_PERCEPTUAL, INTENT_RELATIVE_COLORIMETRIC, INTENT_SATURATION,
                                               INTENT_ABSOLUTE_COLORIMETRIC};
        const IccProfile from(cmsCreate_sRGBProfile(), &cmsCloseProfile);
        const cmsUInt32Number black = wish.hasBlackPoint ? cmsFLAGS_BLACKPOINTCOMPENSATION : 0;
        transform.reset(cmsCreateTransform(from.get(), TYPE_RGB_FLT, to, TYPE_RGB_FLT,
                                           intents[static_cast<std::size_t>(wish.intent)], black | cmsFLAGS_NOCACHE));
        if (!transform) throw notForFiles(wish.file, noWayText());
    }

    void run(float* r, float* g, float* b, std::size_t count) const {
        static thread_local std::vector<float> pixels;
        pixels.resize(3 * count);
        float* planes[] = {r, g, b};
        for (std::size_t c = 0; c < 3; ++c)
            for (std::size_t x = 0; x < count; ++x) pixels[3 * x + c] = planes[c][x];
        cmsDoTransform(transform.get(), pixels.data(), pixels.data(), static_cast<cmsUInt32Number>(count));
        for (std::size_t c = 0; c < 3; ++c)
            for (std::size_t x = 0; x < count; ++x) planes[c][x] = pixels[3 * x + c];
    }
};

OutputProfile::OutputProfile(const ProfileWish& wish) {
    using Space = ProfileWish::Space;
    const auto kept = [](const std::string& bytes) {
        return std::shared_ptr<const std::string>(&bytes, [](auto*) {});
    };
    icc_ = wish.space == Space::DisplayP3 ? kept(displayP3Profile())
           : wish.space == Space::Rec2020 ? kept(rec2020Profile())
           : wish.space == Space::Srgb    ? kept(srgbProfile())
                                          : std::make_shared<const std::string>(readFile(wish.file, kMostProfile));
    if (wish.space == Space::Srgb) return;
    IccProfile profile(nullptr, &cmsCloseProfile);
    try {
        profile = openProfile(*icc_);
    } catch (const Error&) {
        throw notForFiles(wish.file, noProfileText());
    }
    if (channelsOf(profile.get()) != 3) throw notForFiles(wish.file, noRgbText());
    MatrixProfile matrix;
    if (wish.intent == RenderingIntent::Absolute || !readMatrix(profile.get(), matrix))
        table_ = std::make_unique<const Table>(profile.get(), wish);
    else // one that is nearly sRGB is still not sRGB
        matrix_ = std::make_unique<const Matrix>(matrix, wish.space == Space::DisplayP3);
}

OutputProfile::~OutputProfile() = default;
OutputProfile::OutputProfile(OutputProfile&&) noexcept = default;
OutputProfile& OutputProfile::operator=(OutputProfile&&) noexcept = default;

const std::string& OutputProfile::icc() const {
    return *icc_;
}

std::string OutputProfile::name() const {
    const IccProfile profile = openProfile(*icc_);
    std::array<char, 256> text{};
    cmsGetProfileInfoASCII(profile.get(), cmsInfoDescription, "en", "US", text.data(), text.size() - 1);
    return text.data();
}

void OutputProfile::operator()(float* r, float* g, float* b, std::size_t count) const {
    if (matrix_) matrix_->run(r, g, b, count);
    if (table_) table_->run(r, g, b, count);
}

std::optional<std::string> profileProblem(const std::filesystem::path& file) {
    try {
        OutputProfile({.space = ProfileWish::Space::File, .file = file});
        return std::nullopt;
    } catch (const Error& e) {
        return e.what();
    }
}

} // namespace baryton
#endif
