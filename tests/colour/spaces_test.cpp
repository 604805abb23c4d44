#include "colour/encodings.h"
#include "colour/illuminant.h"
#include "colour/spaces.h"
#include "colour/transfer.h"

#include <cmath>
#include <gtest/gtest.h>

namespace baryton::test {

TEST(Transfer, GivesTheStandardsValues) {
    EXPECT_DOUBLE_EQ(srgbToLinear(0), 0);
    EXPECT_NEAR(srgbToLinear(1), 1, 1e-12);
    EXPECT_NEAR(srgbToLinear(0.5), 0.21404114, 1e-7);
    EXPECT_NEAR(srgbToLinear(0.04045), 0.0031308, 1e-7);
    EXPECT_NEAR(linearToSrgb(0.18), 0.46135613, 1e-7);
    for (double v = -2; v <= 4; v += 0.01) {
        EXPECT_NEAR(linearToSrgb(srgbToLinear(v)), v, 1e-6);
        EXPECT_DOUBLE_EQ(srgbToLinear(-v), -srgbToLinear(v));
    }
}

TEST(Spaces, PrimariesAndWhiteAreTheStandards) {
    const Vec3 white = kSrgbToXyz * Vec3{1, 1, 1};
    for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(white[k], kD65[k], 1e-9);
    EXPECT_NEAR(kD65[0], 0.95045593, 1e-6);
    EXPECT_NEAR(kD65[2], 1.08905775, 1e-6);
    // IEC 61966-2-1, to its four printed digits
    const Mat3 printed = {0.4124, 0.3576, 0.1805, 0.2126, 0.7152, 0.0722, 0.0193, 0.1192, 0.9505};
    for (std::size_t i = 0; i < 9; ++i) EXPECT_NEAR(kSrgbToXyz[i], printed[i], 6e-5) << i;
    const Vec3 red = kXyzToSrgb * xyzFromXy(0.64, 0.33);
    EXPECT_NEAR(red[1] / red[0], 0, 1e-9);
    EXPECT_NEAR(red[2] / red[0], 0, 1e-9);
}

TEST(Encodings, GiveTheStandardsValues) {
    // ACEScct, S-2016-001: middle grey, the end of the straight part, and the largest half float.
    EXPECT_NEAR(encode(Encoding::AcesCct, 0.18), 0.4135884, 1e-6);
    EXPECT_NEAR(encode(Encoding::AcesCct, 0), 0.0729055, 1e-7);
    EXPECT_NEAR(encode(Encoding::AcesCct, 0.0078125), 0.155251141552511, 1e-9);
    EXPECT_NEAR(encode(Encoding::AcesCct, 1), 0.5547945, 1e-6);
    EXPECT_NEAR(encode(Encoding::AcesCct, 65504), 1.467996, 1e-6);
    // BT.1886 with a black of 0: 0.5 is 18.9 % of the light.
    EXPECT_NEAR(decode(Encoding::Rec709, 0.5), 0.189465, 1e-6);
    // Display P3: its red in linear sRGB, and sRGB's red in P3, as CSS Color 4 has them.
    const Vec3 red = toEncodingPrimaries(Encoding::DisplayP3) * Vec3{1, 0, 0};
    EXPECT_NEAR(encode(Encoding::DisplayP3, red[0]), 0.917488, 1e-4);
    EXPECT_NEAR(encode(Encoding::DisplayP3, red[1]), 0.200287, 1e-4);
    EXPECT_NEAR(encode(Encoding::DisplayP3, red[2]), 0.138561, 1e-4);
    // sRGB's red in the primaries of ITU-R BT.2020, as BT.2087 prints it.
    const Vec3 wide = toEncodingPrimaries(Encoding::Rec2020) * Vec3{1, 0, 0};
    EXPECT_NEAR(wide[0], 0.6274, 1e-4);
    EXPECT_NEAR(wide[1], 0.0691, 1e-4);
    EXPECT_NEAR(wide[2], 0.0164, 1e-4);
    // AP1 from sRGB with Bradford adaptation, as the ACES reference code prints it.
    const Mat3 printed = {0.613097, 0.339523, 0.047379, 0.070194, 0.916354, 0.013452, 0.020616, 0.109570, 0.869815};
    for (std::size_t i = 0; i < 9; ++i) EXPECT_NEAR(toEncodingPrimaries(Encoding::AcesCct)[i], printed[i], 2e-5) << i;
    for (const EncodingType& space : encodings()) {
        const Vec3 white = toEncodingPrimaries(space.encoding) * Vec3{1, 1, 1};
        for (double c : white) EXPECT_NEAR(c, 1, 1e-9) << space.id;
        for (double v = -0.5; v <= 3; v += 0.01)
            EXPECT_NEAR(decode(space.encoding, encode(space.encoding, v)), v, 1e-6) << space.id;
    }
}

TEST(Spaces, OklabGivesThePublishedValues) {
    // Ottosson's own table: XYZ → Lab
    const std::pair<Vec3, Vec3> rows[] = {{{0.950, 1.000, 1.089}, {1.000, 0.000, 0.000}},
                                          {{1.000, 0.000, 0.000}, {0.450, 1.236, -0.019}},
                                          {{0.000, 1.000, 0.000}, {0.922, -0.671, 0.263}},
                                          {{0.000, 0.000, 1.000}, {0.153, -1.415, -0.449}}};
    const Vec3 white = oklabFromLinear(kXyzToSrgb * rows[0].first);
    for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(white[k], rows[0].second[k], 1e-3);
    // sRGB red, as found in the CSS Color 4 examples
    const Vec3 red = oklabFromLinear({1, 0, 0});
    EXPECT_NEAR(red[0], 0.6279554, 1e-5);
    EXPECT_NEAR(red[1], 0.2248631, 1e-5);
    EXPECT_NEAR(red[2], 0.1258463, 1e-5);
    for (double r = 0; r <= 1; r += 0.25)
        for (double g = 0; g <= 1; g += 0.25)
            for (double b = 0; b <= 1; b += 0.25) {
                const Vec3 back = linearFromOklab(oklabFromLinear({r, g, b}));
                EXPECT_NEAR(back[0], r, 1e-9);
                EXPECT_NEAR(back[1], g, 1e-9);
                EXPECT_NEAR(back[2], b, 1e-9);
            }
}

TEST(Spaces, AdaptationMapsWhiteToWhite) {
    for (const Mat3& cones : {kBradford, kCat16}) {
        const Vec3 mapped = adaptation(cones, kD50, kD65) * kD50;
        for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(mapped[k], kD65[k], 1e-9);
    }
}

TEST(Spaces, HueDirectionsHaveNoLumaAndMoveTheTraceEqually) {
    for (int degrees = 0; degrees < 360; degrees += 5) {
        const Vec3 d = hueDirection(degrees);
        EXPECT_NEAR(luma(d[0], d[1], d[2]), 0, 1e-12);
        const auto c = chromaPlane(d);
        EXPECT_NEAR(std::hypot(c[0], c[1]), 1, 1e-9) << degrees;
        EXPECT_NEAR(std::atan2(c[1], c[0]), std::remainder(degrees, 360) * M_PI / 180, 1e-9) << degrees;
    }
}

TEST(DeltaE2000, GivesThePublishedPairs) {
    // Sharma, Wu, Dalal 2005, table 1
    const struct {
        Vec3 a, b;
        double e;
    } pairs[] = {
        {{50.0000, 2.6772, -79.7751}, {50.0000, 0.0000, -82.7485}, 2.0425},
        {{50.0000, 3.1571, -77.2803}, {50.0000, 0.0000, -82.7485}, 2.8615},
        {{50.0000, 2.8361, -74.0200}, {50.0000, 0.0000, -82.7485}, 3.4412},
        {{50.0000, -1.3802, -84.2814}, {50.0000, 0.0000, -82.7485}, 1.0000},
        {{50.0000, -1.1848, -84.8006}, {50.0000, 0.0000, -82.7485}, 1.0000},
        {{50.0000, -0.9009, -85.5211}, {50.0000, 0.0000, -82.7485}, 1.0000},
        {{50.0000, 0.0000, 0.0000}, {50.0000, -1.0000, 2.0000}, 2.3669},
        {{50.0000, -1.0000, 2.0000}, {50.0000, 0.0000, 0.0000}, 2.3669},
        {{50.0000, 2.4900, -0.0010}, {50.0000, -2.4900, 0.0009}, 7.1792},
        {{50.0000, 2.4900, -0.0010}, {50.0000, -2.4900, 0.0010}, 7.1792},
        {{50.0000, 2.4900, -0.0010}, {50.0000, -2.4900, 0.0011}, 7.2195},
        {{50.0000, 2.4900, -0.0010}, {50.0000, -2.4900, 0.0012}, 7.2195},
        {{50.0000, -0.0010, 2.4900}, {50.0000, 0.0009, -2.4900}, 4.8045},
        {{50.0000, -0.0010, 2.4900}, {50.0000, 0.0010, -2.4900}, 4.8045},
        {{50.0000, -0.0010, 2.4900}, {50.0000, 0.0011, -2.4900}, 4.7461},
        {{50.0000, 2.5000, 0.0000}, {50.0000, 0.0000, -2.5000}, 4.3065},
        {{50.0000, 2.5000, 0.0000}, {73.0000, 25.0000, -18.0000}, 27.1492},
        {{50.0000, 2.5000, 0.0000}, {61.0000, -5.0000, 29.0000}, 22.8977},
        {{50.0000, 2.5000, 0.0000}, {56.0000, -27.0000, -3.0000}, 31.9030},
        {{50.0000, 2.5000, 0.0000}, {58.0000, 24.0000, 15.0000}, 19.4535},
        {{50.0000, 2.5000, 0.0000}, {50.0000, 3.1736, 0.5854}, 1.0000},
        {{50.0000, 2.5000, 0.0000}, {50.0000, 3.2972, 0.0000}, 1.0000},
        {{50.0000, 2.5000, 0.0000}, {50.0000, 1.8634, 0.5757}, 1.0000},
        {{50.0000, 2.5000, 0.0000}, {50.0000, 3.2592, 0.3350}, 1.0000},
        {{60.2574, -34.0099, 36.2677}, {60.4626, -34.1751, 39.4387}, 1.2644},
        {{63.0109, -31.0961, -5.8663}, {62.8187, -29.7946, -4.0864}, 1.2630},
        {{61.2901, 3.7196, -5.3901}, {61.4292, 2.2480, -4.9620}, 1.8731},
        {{35.0831, -44.1164, 3.7933}, {35.0232, -40.0716, 1.5901}, 1.8645},
        {{22.7233, 20.0904, -46.6940}, {23.0331, 14.9730, -42.5619}, 2.0373},
        {{36.4612, 47.8580, 18.3852}, {36.2715, 50.5065, 21.2231}, 1.4146},
        {{90.8027, -2.0831, 1.4410}, {91.1528, -1.6435, 0.0447}, 1.4441},
        {{90.9257, -0.5406, -0.9208}, {88.6381, -0.8985, -0.7239}, 1.5381},
        {{6.7747, -0.2908, -2.4247}, {5.8714, -0.0985, -2.2286}, 0.6377},
        {{2.0776, 0.0795, -1.1350}, {0.9033, -0.0636, -0.5514}, 0.9082},
    };
    ASSERT_EQ(std::size(pairs), 34u);
    for (const auto& pair : pairs) {
        EXPECT_NEAR(deltaE2000(pair.a, pair.b), pair.e, 5e-5) << pair.a[0] << ' ' << pair.a[1] << ' ' << pair.a[2];
        EXPECT_NEAR(deltaE2000(pair.b, pair.a), pair.e, 5e-5);
    }
}

TEST(Lab, WhiteAndGreyAreNeutral) {
    for (const double v : {0.0, 0.18, 0.5, 1.0}) {
        const Vec3 lab = labFromSrgb({v, v, v});
        EXPECT_NEAR(lab[1], 0, 1e-6);
        EXPECT_NEAR(lab[2], 0, 1e-6);
    }
    EXPECT_NEAR(labFromSrgb({1, 1, 1})[0], 100, 1e-6);
}

TEST(Illuminant, LociMeetThePublishedChromaticities) {
    const auto xy = [](const Vec3& xyz) {
        const double sum = xyz[0] + xyz[1] + xyz[2];
        return std::pair(xyz[0] / sum, xyz[1] / sum);
    };
    // CIE 15: D50 5 003 K, D55 5 503 K, D65 6 504 K, D75 7 504 K; A as the Planckian radiator of 2 856 K
    const struct {
        double kelvin, x, y, tolerance;
    } rows[] = {{5003, 0.34567, 0.35850, 5e-4},
                {5503, 0.33242, 0.34743, 5e-4},
                {6504, 0.31272, 0.32903, 5e-4},
                {7504, 0.29902, 0.31485, 5e-4},
                {2856, 0.44757, 0.40745, 1.5e-3}};
    for (const auto& row : rows) {
        const auto [x, y] = xy(illuminant(row.kelvin, 0));
        EXPECT_NEAR(x, row.x, row.tolerance) << row.kelvin;
        EXPECT_NEAR(y, row.y, row.tolerance) << row.kelvin;
    }
}

TEST(WhiteBalance, MakesGreyCardsNeutral) {
    for (const double kelvin : {2850.0, 5000.0, 7500.0}) {
        const Vec3 card = kXyzToSrgb * illuminant(kelvin, 0);
        const Vec3 lit = {0.18 * card[0], 0.18 * card[1], 0.18 * card[2]};
        const Vec3 out = whiteBalanceMatrix(kelvin, 0) * lit;
        const auto lab = [](const Vec3& v) {
            return labFromSrgb({linearToSrgb(v[0]), linearToSrgb(v[1]), linearToSrgb(v[2])});
        };
        const Vec3 got = lab(out);
        EXPECT_LT(deltaE2000(got, {got[0], 0, 0}), 1) << kelvin;
        const TemperatureTint found = neutralise(lit);
        EXPECT_NEAR(1e6 / found.kelvin, 1e6 / kelvin, 2) << "mired";
        EXPECT_NEAR(found.tint, 0, 0.03);
    }
}

TEST(WhiteBalance, IsTheIdentityAtItsNeutralAndContinuousElsewhere) {
    const Mat3 neutral = whiteBalanceMatrix(kNeutralTemperature, 0);
    for (std::size_t i = 0; i < 9; ++i) EXPECT_NEAR(neutral[i], i % 4 == 0 ? 1 : 0, 1e-9);
    Mat3 before = whiteBalanceMatrix(kLowestTemperature, -1);
    for (double mired = 1e6 / kLowestTemperature; mired >= 1e6 / kHighestTemperature; mired -= 0.5)
        for (const double tint : {-1.0, 0.0, 1.0}) {
            const Mat3 m = whiteBalanceMatrix(1e6 / mired, tint);
            for (const double v : m) EXPECT_TRUE(std::isfinite(v));
            const Vec3 grey = m * Vec3{0.5, 0.5, 0.5};
            for (const double v : grey) EXPECT_LT(std::abs(v), 0.5 * 20);
            if (tint == 0) {
                for (std::size_t i = 0; i < 9; ++i) {
                    if (mired < 1e6 / kLowestTemperature) EXPECT_LT(std::abs(m[i] - before[i]), 0.2) << 1e6 / mired;
                }
                before = m;
            }
        }
}

} // namespace baryton::test
