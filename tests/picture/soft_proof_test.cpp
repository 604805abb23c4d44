// What another device makes of colours, against Little CMS's own proofing and by what must hold.
#include "picture/profile.h"
#include "picture/soft_proof.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <lcms2.h>

namespace baryton::test {

namespace {

using Closed = std::unique_ptr<void, decltype(&cmsCloseProfile)>;

/// A device whose primaries lie half way to its white; where there is a paper, that is not white.
std::string smallDevice(bool hasPaper = false) {
    const cmsCIExyY white = {0.3457, 0.3585, 1};
    const cmsCIExyYTRIPLE primaries = {{0.49, 0.345, 1}, {0.325, 0.47, 1}, {0.25, 0.21, 1}};
    cmsToneCurve* curve = cmsBuildGamma(nullptr, 2.2);
    cmsToneCurve* const curves[3] = {curve, curve, curve};
    const Closed profile(cmsCreateRGBProfile(&white, &primaries, curves), &cmsCloseProfile);
    cmsFreeToneCurve(curve);
    if (hasPaper) {
        const cmsCIEXYZ paper = {0.80, 0.82, 0.55};
        cmsSetProfileVersion(profile.get(), 2.4);
        cmsSetDeviceClass(profile.get(), cmsSigOutputClass);
        cmsWriteTag(profile.get(), cmsSigMediaWhitePointTag, &paper);
    }
    cmsUInt32Number size = 0;
    cmsSaveProfileToMem(profile.get(), nullptr, &size);
    std::string bytes(size, '\0');
    cmsSaveProfileToMem(profile.get(), bytes.data(), &size);
    return bytes;
}

ProofWish wishOf(const std::filesystem::path& file) {
    ProofWish wish;
    wish.profile.space = ProfileWish::Space::File;
    wish.profile.file = file;
    return wish;
}

float farFrom(const SoftProof& proof, std::array<float, 3> colour) {
    float distance = 0;
    proof.outside(colour.data(), &distance, 1);
    return distance;
}

std::array<float, 3> shownBy(const SoftProof& proof, std::array<float, 3> colour, const std::string& screen = {}) {
    proof.show(screen, colour.data(), 1);
    return colour;
}

} // namespace

TEST(SoftProof, WhatTheDeviceHasStaysAndWhatItHasNotIsOutside) {
    const TempFolder folder;
    const SoftProof same({});
    const SoftProof small(wishOf(folder.file("small.icc", smallDevice())));
    Random random(5);
    for (int i = 0; i < 200; ++i) {
        const std::array<float, 3> colour = {float(uniform(random, 0, 1)), float(uniform(random, 0, 1)),
                                             float(uniform(random, 0, 1))};
        EXPECT_LT(farFrom(same, colour), 0.1F);
        const auto shown = shownBy(same, colour);
        for (std::size_t c = 0; c < 3; ++c) EXPECT_NEAR(shown[c], colour[c], 0.004);
        // What the small device shows, it can show.
        EXPECT_LT(farFrom(small, shownBy(small, colour)), SoftProof::kOutside);
    }
    EXPECT_LT(farFrom(small, {0.5F, 0.5F, 0.5F}), 0.5F);
    for (const auto& vivid :
         {std::array{1.0F, 0.0F, 0.0F}, std::array{0.0F, 1.0F, 0.0F}, std::array{0.0F, 0.0F, 1.0F}})
        EXPECT_GT(farFrom(small, vivid), 10.0F);
}

TEST(SoftProof, ShowsWhatLittleCmsProofs) {
    const TempFolder folder;
    const std::string device = smallDevice(), screen = displayP3Profile();
    for (const RenderingIntent intent :
         {RenderingIntent::Perceptual, RenderingIntent::Relative, RenderingIntent::Absolute}) {
        ProofWish wish = wishOf(folder.file("small.icc", device));
        wish.profile.intent = intent;
        wish.profile.hasBlackPoint = false;
        wish.hasPaperWhite = true;
        const SoftProof proof(wish);
        const Closed from(cmsCreate_sRGBProfile(), &cmsCloseProfile);
        const Closed through(cmsOpenProfileFromMem(device.data(), cmsUInt32Number(device.size())), &cmsCloseProfile);
        const Closed to(cmsOpenProfileFromMem(screen.data(), cmsUInt32Number(screen.size())), &cmsCloseProfile);
        const cmsUInt32Number way = intent == RenderingIntent::Perceptual ? INTENT_PERCEPTUAL
                                    : intent == RenderingIntent::Relative ? INTENT_RELATIVE_COLORIMETRIC
                                                                          : INTENT_ABSOLUTE_COLORIMETRIC;
        const std::unique_ptr<void, decltype(&cmsDeleteTransform)> judge(
            cmsCreateProofingTransform(from.get(), TYPE_RGB_FLT, to.get(), TYPE_RGB_FLT, through.get(), way,
                                       INTENT_ABSOLUTE_COLORIMETRIC, cmsFLAGS_SOFTPROOFING | cmsFLAGS_NOCACHE),
            &cmsDeleteTransform);
        ASSERT_TRUE(judge);
        Random random(9);
        for (int i = 0; i < 100; ++i) {
            std::array<float, 3> colour = {float(uniform(random, 0, 1)), float(uniform(random, 0, 1)),
                                           float(uniform(random, 0, 1))};
            const auto shown = shownBy(proof, colour, screen);
            cmsDoTransform(judge.get(), colour.data(), colour.data(), 1);
            for (std::size_t c = 0; c < 3; ++c) EXPECT_NEAR(shown[c], colour[c], 0.006) << intentName(intent);
        }
    }
}

TEST(SoftProof, PaperWhiteIsThePapers) {
    const TempFolder folder;
    ProofWish wish = wishOf(folder.file("paper.icc", smallDevice(true)));
    const auto plain = shownBy(SoftProof(wish), {1, 1, 1});
    for (const float c : plain) EXPECT_NEAR(c, 1, 0.01);
    wish.hasPaperWhite = true;
    const auto paper = shownBy(SoftProof(wish), {1, 1, 1});
    EXPECT_LT(paper[2], 0.92F);
    EXPECT_GT(paper[0], paper[2] + 0.05F) << "a warm paper";
    EXPECT_NE(SoftProof(wish).id(), SoftProof(wishOf(wish.profile.file)).id());
}

TEST(SoftProof, GreyAndBrokenProfiles) {
    const std::filesystem::path seeds = std::filesystem::path(BARYTON_SOURCE) / "tests/fuzz";
    const SoftProof grey(wishOf(seeds / "grey.icc"));
    const auto red = shownBy(grey, {0.9F, 0.1F, 0.1F});
    EXPECT_NEAR(red[0], red[1], 0.01);
    EXPECT_NEAR(red[1], red[2], 0.01);
    EXPECT_GT(farFrom(grey, {0.9F, 0.1F, 0.1F}), 10.0F);
    const TempFolder folder;
    const std::string whole = smallDevice();
    for (std::size_t cut = 0; cut < whole.size(); cut += 37) try {
            const SoftProof proof(wishOf(folder.file("cut.icc", whole.substr(0, cut))));
            shownBy(proof, {0.5F, 0.5F, 0.5F});
        } catch (const Error& e) {
            EXPECT_FALSE(e.hint().empty());
        }
    const Error error = errorOf([&] { SoftProof(wishOf(folder.file("none.icc", "no profile"))); });
    EXPECT_NE(std::string(error.what()).find("none.icc"), std::string::npos);
    errorOf([&] { SoftProof(wishOf(folder / "gone.icc")); });
}

} // namespace baryton::test
