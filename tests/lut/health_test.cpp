// What is told of a LUT: each fault where it was put in, and none where there is none.
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "grade/grade_json.h"
#include "lut/bake.h"
#include "lut/health.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <gtest/gtest.h>
#include <numbers>

namespace baryton::test {

namespace {

/// A table of 33 nodes that holds a function of colour.
LutTable tableOf(const std::function<Vec3(const Vec3&)>& f) {
    constexpr int n = 33;
    LutTable table;
    for (int b = 0; b < n; ++b)
        for (int g = 0; g < n; ++g)
            for (int r = 0; r < n; ++r)
                for (const double v : f({r / (n - 1.0), g / (n - 1.0), b / (n - 1.0)}))
                    table.grid.push_back(static_cast<float>(v));
    return table;
}

LutTable ofEach(const std::function<double(double)>& f) {
    return tableOf([&](const Vec3& v) { return Vec3{f(v[0]), f(v[1]), f(v[2])}; });
}

bool isTold(const LutHealth& health, const std::string& words) {
    return std::any_of(health.sentences.begin(), health.sentences.end(),
                       [&](const std::string& each) { return each.find(words) != std::string::npos; });
}

} // namespace

TEST(LutHealth, OfTheIdentityNothingIsTold) {
    const LutHealth health = healthOf(ofEach([](double v) { return v; }));
    EXPECT_TRUE(health.sentences.empty()) << health.sentences.front();
    EXPECT_NEAR(health.largestStep, 1, 1e-4);
    EXPECT_LT(health.neutralDrift, 1e-4);
    EXPECT_EQ(health.folded, 0);
    EXPECT_NEAR(health.skinTurn, 0, 0.01);
    EXPECT_NEAR(health.skinChroma, 1, 1e-3);
    EXPECT_NEAR(health.white, 1, 1e-6);
}

TEST(LutHealth, ClippingFoldsAndBandsAreFoundWhereTheyAre) {
    const LutHealth bright = healthOf(ofEach([](double v) { return std::min(1.25 * v, 1.0); }));
    for (const double share : bright.clippedHigh) EXPECT_NEAR(share, 0.2, 0.04);
    for (const double share : bright.clippedLow) EXPECT_EQ(share, 0);
    EXPECT_TRUE(isTold(bright, "clips red, green, blue at the light end"));
    const LutHealth dark = healthOf(tableOf([](const Vec3& v) {
        return Vec3{v[0], v[1], std::max(v[2] - 0.3, 0.0)};
    }));
    EXPECT_EQ(dark.clippedLow[0], 0);
    EXPECT_NEAR(dark.clippedLow[2], 0.28, 0.03);
    EXPECT_TRUE(isTold(dark, "clips blue at the dark end"));
    EXPECT_FALSE(isTold(dark, "green"));
    // Green goes back between 0.5 and 0.6.
    const LutHealth folded = healthOf(tableOf([](const Vec3& v) {
        return Vec3{v[0], v[1] - (v[1] > 0.5 ? std::min(v[1] - 0.5, 0.1) * 2 : 0), v[2]};
    }));
    EXPECT_NEAR(folded.folded, 3.0 / 32 / 3, 0.02);
    EXPECT_GT(folded.foldedAt[1], 0.45);
    EXPECT_LT(folded.foldedAt[1], 0.62);
    EXPECT_TRUE(isTold(folded, "turns tones round"));
    const LutHealth steep = healthOf(ofEach([](double v) { return 1 / (1 + std::exp(-40 * (v - 0.4))); }));
    EXPECT_GT(steep.largestStep, 6);
    EXPECT_NEAR(steep.largestStepAt, 0.4, 0.03);
    EXPECT_TRUE(isTold(steep, "bands"));
}

TEST(LutHealth, TintedGreysAndSkinAreTold) {
    const LutHealth blue = healthOf(tableOf([](const Vec3& v) {
        const double shadow = 0.15 * std::pow(1 - v[2], 3);
        return Vec3{v[0], v[1], v[2] + shadow};
    }));
    EXPECT_TRUE(isTold(blue, "toward blue"));
    EXPECT_LT(blue.neutralDriftAt, 0.3);
    for (const double turn : {15.0, -12.0}) {
        const LutHealth skin = healthOf(tableOf([&](const Vec3& v) {
            const Vec3 lab = oklabFromLinear({srgbToLinear(v[0]), srgbToLinear(v[1]), srgbToLinear(v[2])});
            const double c = std::cos(turn * std::numbers::pi / 180), s = std::sin(turn * std::numbers::pi / 180);
            const Vec3 out = linearFromOklab({lab[0], c * lab[1] - s * lab[2], s * lab[1] + c * lab[2]});
            return Vec3{linearToSrgb(out[0]), linearToSrgb(out[1]), linearToSrgb(out[2])};
        }));
        EXPECT_NEAR(skin.skinTurn, turn, 1);
        EXPECT_TRUE(isTold(skin, turn > 0 ? "toward yellow" : "toward red"));
        EXPECT_NEAR(skin.skinChroma, 1, 0.05);
    }
}

TEST(LutHealth, TheSpaceThatATableWasMadeForIsGuessed) {
    for (const Encoding made : {Encoding::AcesCct, Encoding::Linear}) {
        // A display look for such numbers, a little contrasty.
        const LutTable table = ofEach([&](double v) {
            const double shown = std::clamp(linearToSrgb(decode(made, v)), 0.0, 1.0);
            return shown + 0.08 * std::sin(2 * std::numbers::pi * (shown - 0.5)) * shown * (1 - shown) * 4 * 0.5;
        });
        const LutHealth asSrgb = healthOf(table);
        ASSERT_TRUE(asSrgb.seemsMadeFor);
        EXPECT_EQ(*asSrgb.seemsMadeFor, made);
        EXPECT_TRUE(isTold(asSrgb, "made for"));
        LutUse use;
        use.reads = made;
        const LutHealth asMade = healthOf(table, use);
        EXPECT_FALSE(asMade.seemsMadeFor);
        EXPECT_FALSE(isTold(asMade, "made for"));
    }
    // No look of ours is taken for one.
    int presets = 0;
    for (const auto& each :
         std::filesystem::recursive_directory_iterator(std::string(BARYTON_SOURCE) + "/share/presets")) {
        if (each.path().extension() != ".bpreset") continue;
        const Preset preset = readPresetFile(each.path());
        EXPECT_FALSE(healthOf(bakeLook(preset.carried, 17, "")).seemsMadeFor) << each.path();
        ++presets;
    }
    EXPECT_GT(presets, 30);
}

TEST(LutHealth, OtherSpacesAndTablesOfOneDimensionAreJudgedAsTheyAreUsed) {
    LutTable curve;
    for (int i = 0; i < 17; ++i)
        for (int k = 0; k < 3; ++k) curve.shaper.push_back(static_cast<float>(i / 16.0));
    EXPECT_TRUE(healthOf(curve).sentences.empty());
    // The identity between any two equal spaces is one.
    for (const Encoding each : {Encoding::Rec709, Encoding::DisplayP3, Encoding::AcesCct}) {
        LutUse use;
        use.reads = use.writes = each;
        const LutHealth health = healthOf(ofEach([](double v) { return v; }), use);
        EXPECT_LT(health.neutralDrift, 1e-3);
        EXPECT_NEAR(health.skinTurn, 0, 0.1);
        EXPECT_LT(health.largestStep, 1.2);
    }
}

} // namespace baryton::test
