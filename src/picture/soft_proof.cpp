#include "picture/soft_proof.h"
#include "base/error.h"
#include "base/file.h"
#include "base/words.h"
#include "picture/icc_support.h"
#include "picture/profile.h"

#include <array>
#include <vector>

namespace baryton {

namespace {

constexpr std::size_t kMostProofProfile = std::size_t(32) << 20;

Error noProof(const std::filesystem::path& file) {
    return {file.string(), "", words("this profile can't show what a device makes of a picture"),
            words("choose the ICC profile of a printer, a press or a screen")};
}

/// Through these profiles, one after the other. `blackPoint` and `intents` are of each step into a profile.
IccTransform chain(std::vector<cmsHPROFILE> profiles, std::vector<cmsBool> blackPoint,
                   std::vector<cmsUInt32Number> intents, cmsUInt32Number out) {
    std::vector<cmsFloat64Number> adapted(profiles.size(), 1.0);
    return {cmsCreateExtendedTransform(nullptr, static_cast<cmsUInt32Number>(profiles.size()), profiles.data(),
                                       blackPoint.data(), intents.data(), adapted.data(), nullptr, 0, TYPE_RGB_FLT,
                                       out, cmsFLAGS_NOCACHE | cmsFLAGS_HIGHRESPRECALC),
            &cmsDeleteTransform};
}

cmsUInt32Number number(RenderingIntent intent) {
    constexpr cmsUInt32Number intents[] = {INTENT_PERCEPTUAL, INTENT_RELATIVE_COLORIMETRIC, INTENT_SATURATION,
                                           INTENT_ABSOLUTE_COLORIMETRIC};
    return intents[static_cast<std::size_t>(intent)];
}

IccProfile srgb() {
    return {cmsCreate_sRGBProfile(), &cmsCloseProfile};
}

} // namespace

SoftProof::SoftProof(const ProofWish& wish) : wish_(wish) {
    using Space = ProfileWish::Space;
    icc_ = wish.profile.space == Space::DisplayP3 ? displayP3Profile()
           : wish.profile.space == Space::Rec2020 ? rec2020Profile()
           : wish.profile.space == Space::Srgb    ? srgbProfile()
                                                  : readFile(wish.profile.file, kMostProofProfile);
    try {
        const IccProfile device = openProfile(icc_);
        if (channelsOf(device.get()) == 0) throw noProof(wish.profile.file);
        std::array<char, 256> text{};
        cmsGetProfileInfoASCII(device.get(), cmsInfoDescription, "en", "US", text.data(), text.size() - 1);
        name_ = text.data();
        if (name_.empty()) name_ = wish.profile.file.filename().string();
    } catch (const Error&) {
        throw noProof(wish.profile.file);
    }
    id_ = contentHash(icc_ + intentName(wish.profile.intent) + (wish.profile.hasBlackPoint ? "b" : "-") +
                      (wish.hasPaperWhite ? "p" : "-") + (wish.marksOutside ? "m" : "-"));
    std::array<float, 3> grey = {0.5F, 0.5F, 0.5F};
    float distance = 0;
    outside(grey.data(), &distance, 1); // a profile without a way back is told here
    show({}, grey.data(), 1);
}

SoftProof::~SoftProof() = default;

void SoftProof::show(const std::string& screenIcc, float* rgb, std::size_t count) const {
    const IccProfile from = srgb(), device = openProfile(icc_),
                     screen = screenIcc.empty() ? srgb() : openProfile(screenIcc);
    const cmsUInt32Number way = number(wish_.profile.intent);
    const cmsBool black = wish_.profile.hasBlackPoint ? 1 : 0;
    const IccTransform transform =
        chain({from.get(), device.get(), device.get(), screen.get()}, {black, black, 0, wish_.hasPaperWhite ? 0 : 1},
              {way, way, INTENT_RELATIVE_COLORIMETRIC,
               static_cast<cmsUInt32Number>(wish_.hasPaperWhite ? INTENT_ABSOLUTE_COLORIMETRIC
                                                                : INTENT_RELATIVE_COLORIMETRIC)},
              TYPE_RGB_FLT);
    if (!transform) throw noProof(wish_.profile.file);
    cmsDoTransform(transform.get(), rgb, rgb, static_cast<cmsUInt32Number>(count));
}

void SoftProof::outside(const float* rgb, float* distance, std::size_t count) const {
    const IccProfile from = srgb(), device = openProfile(icc_);
    const IccProfile lab(cmsCreateLab4Profile(nullptr), &cmsCloseProfile);
    const cmsUInt32Number relative = INTENT_RELATIVE_COLORIMETRIC;
    const IccTransform plain = chain({from.get(), lab.get()}, {0, 0}, {relative, relative}, TYPE_Lab_DBL);
    const IccTransform made = chain({from.get(), device.get(), device.get(), lab.get()}, {0, 0, 0, 0},
                                    {relative, relative, relative, relative}, TYPE_Lab_DBL);
    if (!plain || !made) throw noProof(wish_.profile.file);
    std::vector<cmsCIELab> wanted(count), found(count);
    cmsDoTransform(plain.get(), rgb, wanted.data(), static_cast<cmsUInt32Number>(count));
    cmsDoTransform(made.get(), rgb, found.data(), static_cast<cmsUInt32Number>(count));
    for (std::size_t i = 0; i < count; ++i)
        distance[i] = static_cast<float>(cmsCIE2000DeltaE(&wanted[i], &found[i], 1, 1, 1));
}

} // namespace baryton
