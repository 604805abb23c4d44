// What files are made of behind the grade: sizes, depths, dithering, profiles, encodings.
#include "colour/encodings.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "picture/metadata.h"
#include "picture/output_profile.h"
#include "picture/picture_writer.h"
#include "picture/profile.h"
#include "picture/quantise.h"
#include "picture/size_wish.h"
#include "picture/text_raster.h"
#include "picture/vips_support.h"
#include "support/dispatch.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <cmath>
#include <lcms2.h>
#include <numeric>

namespace baryton::test {

namespace fs = std::filesystem;

TEST(SizeWish, OneFieldIsReadByWhatStandsInIt) {
    const auto made = [](const std::string& text, int width, int height, bool enlarges = false) {
        SizeWish wish = sizeWishFromText(text);
        wish.enlarges = enlarges;
        EXPECT_EQ(sizeWishFromText(sizeWishText(wish)).kind, wish.kind) << text << ": is read again as it is written";
        const PictureSize size = outputSize({width, height}, wish);
        return std::pair(size.width, size.height);
    };
    EXPECT_EQ(made("", 300, 200), std::pair(300, 200));
    for (const char* text : {"150", "150px", " 150 PX", "150\u00a0px"})
        EXPECT_EQ(made(text, 300, 200), std::pair(150, 100)) << text;
    EXPECT_EQ(made("150", 200, 300), std::pair(100, 150));
    for (const char* text : {"150x150", "150 × 150", "150 x 150 px"})
        EXPECT_EQ(made(text, 300, 200), std::pair(150, 100)) << text;
    EXPECT_EQ(made("600 x 50", 300, 200), std::pair(75, 50));
    EXPECT_EQ(made("1.5 MP", 3000, 2000), std::pair(1500, 1000));
    EXPECT_EQ(made("1,5mp", 3000, 2000), std::pair(1500, 1000));
    EXPECT_EQ(made("50 %", 301, 201), std::pair(151, 101));
    for (const char* text : {"900", "900x900", "54 MP", "300 %"}) {
        EXPECT_EQ(made(text, 300, 200), std::pair(300, 200)) << text << ": never enlarged";
        EXPECT_GE(made(text, 300, 200, true).first, 900) << text << ": but where it is asked for";
    }
    const PictureSize most = outputSize({9000, 9000}, {SizeWish::Kind::Percent, 1000, 0, 0, true});
    EXPECT_LE(double(most.width) * most.height, 400.1e6);
    EXPECT_EQ(made("1", 3000, 2), std::pair(1, 1)) << "a side is never nothing";
    for (const char* wrong : {"x", "0", "-5", "2,400", "2.5 px", "5 km", "10 x", "x 10", "1e5 px", "nan", "0 MP",
                              "401 MP", "100001", "2400 px px", "5 % x", "0.01 %"})
        errorOf([&] { sizeWishFromText(wrong); });
}

namespace {

std::vector<std::uint8_t> dithered(const std::vector<float>& values, DitherAt at) {
    std::vector<std::uint8_t> out(values.size() * 3);
    ditherTo8(values.data(), values.data(), values.data(), nullptr, at, values.size(), out.data());
    return out;
}

} // namespace

TEST(Dither, KeepsWholeStepsAndTheMeanOfWhatLiesBetween) {
    atEveryDispatchLevel([] {
        // Every level of 8 bits, at many places.
        std::vector<float> levels(256);
        for (int i = 0; i < 256; ++i) levels[static_cast<std::size_t>(i)] = static_cast<float>(i) / 255;
        for (std::uint32_t y = 0; y < 64; ++y) {
            const auto out = dithered(levels, {y * 977, y});
            for (std::size_t i = 0; i < 256; ++i) ASSERT_EQ(out[3 * i + 1], i) << y;
        }
        // A flat tone between two: the mean is the tone, in each channel, and neighbours differ.
        const std::vector<float> flat(512, 100.3F / 255);
        double sums[3] = {};
        for (std::uint32_t y = 0; y < 512; ++y) {
            const auto out = dithered(flat, {0, y});
            for (std::size_t i = 0; i < out.size(); ++i) sums[i % 3] += out[i];
        }
        for (const double sum : sums) EXPECT_NEAR(sum / (512 * 512), 100.3, 0.02);
    });
}

TEST(Dither, IsOfItsPlaceAloneAndLeavesAlphaAlone) {
    std::vector<float> ramp(301), alpha(301);
    for (std::size_t i = 0; i < ramp.size(); ++i)
        ramp[i] = static_cast<float>(i) / 977, alpha[i] = static_cast<float>(i) / 300;
    std::vector<std::uint8_t> plain(ramp.size() * 4), whole(ramp.size() * 4), first;
    quantise8(ramp.data(), ramp.data(), ramp.data(), alpha.data(), ramp.size(), plain.data());
    atEveryDispatchLevel([&] {
        ditherTo8(ramp.data(), ramp.data(), ramp.data(), alpha.data(), {5, 9}, ramp.size(), whole.data());
        if (first.empty()) first = whole;
        EXPECT_EQ(whole, first);
        std::size_t differ = 0;
        for (std::size_t i = 0; i < ramp.size(); ++i) {
            EXPECT_EQ(whole[4 * i + 3], plain[4 * i + 3]) << "alpha";
            EXPECT_LE(std::abs(int(whole[4 * i]) - int(plain[4 * i])), 1);
            differ += whole[4 * i] != plain[4 * i];
        }
        EXPECT_GT(differ, ramp.size() / 8);
        // In pieces, as threads come by them.
        std::vector<std::uint8_t> pieces(ramp.size() * 4);
        for (std::size_t at = 0; at < ramp.size(); at += 37) {
            const std::size_t count = std::min<std::size_t>(37, ramp.size() - at);
            ditherTo8(&ramp[at], &ramp[at], &ramp[at], &alpha[at], {static_cast<std::uint32_t>(5 + at), 9}, count,
                      &pieces[4 * at]);
        }
        EXPECT_EQ(pieces, whole);
        // The formula, in double.
        for (std::size_t i = 0; i < ramp.size(); ++i)
            for (std::uint32_t c = 0; c < 3; ++c) {
                const std::uint32_t phase =
                    static_cast<std::uint32_t>(5 + i) * 3242174889U + 9U * 2447445414U + c * 0x55555555U;
                const double wave = std::abs(2 * (phase / 4294967296.0) - 1) - 0.5,
                             exact = ramp[i] * 255.0 + 0.96 * wave;
                if (std::abs(exact - std::floor(exact) - 0.5) > 1e-3) EXPECT_EQ(whole[4 * i + c], std::lround(exact));
            }
    });
}

TEST(OutputProfile, GivesTheNumbersThatAnotherLibraryReadsBack) {
    const TempFolder folder;
    const std::pair<ProfileWish, double> wishes[] = {
        {{.space = ProfileWish::Space::Srgb}, 5e-4}, // the other library's own
        {{.space = ProfileWish::Space::DisplayP3}, 3e-4},
        {{.space = ProfileWish::Space::Rec2020}, 3e-4},
        // Through the other library in both directions.
        {{.space = ProfileWish::Space::DisplayP3, .intent = RenderingIntent::Absolute}, 2e-3},
        {{.space = ProfileWish::Space::File, .file = fs::path(BARYTON_SOURCE) / "tests/fuzz/small.icc"}, 1e-3},
    };
    for (const auto& [wish, near] : wishes) {
        const OutputProfile profile(wish);
        SCOPED_TRACE(profile.name());
        EXPECT_FALSE(profile.name().empty());
        Picture picture = paintedPicture(64, 48);
        Picture device = picture;
        for (int y = 0; y < picture.height(); ++y)
            profile(device.row(0, y), device.row(1, y), device.row(2, y), static_cast<std::size_t>(picture.width()));
        // Back by Little CMS.
        const auto from =
            cmsOpenProfileFromMem(profile.icc().data(), static_cast<cmsUInt32Number>(profile.icc().size()));
        const auto to = cmsCreate_sRGBProfile();
        const auto back =
            cmsCreateTransform(from, TYPE_RGB_FLT, to, TYPE_RGB_FLT, INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_NOCACHE);
        ASSERT_NE(back, nullptr);
        double worst = 0;
        for (int y = 0; y < picture.height(); ++y)
            for (int x = 0; x < picture.width(); ++x) {
                float rgb[3];
                bool isInside = true;
                for (int c = 0; c < 3; ++c) {
                    rgb[c] = device.row(c, y)[x];
                    isInside = isInside && rgb[c] >= 0 && rgb[c] <= 1;
                }
                if (!isInside) continue; // it has no such colour
                cmsDoTransform(back, rgb, rgb, 1);
                for (int c = 0; c < 3; ++c) worst = std::max(worst, double(std::abs(rgb[c] - picture.row(c, y)[x])));
            }
        EXPECT_LT(worst, near);
        cmsDeleteTransform(back), cmsCloseProfile(from), cmsCloseProfile(to);
    }
    // Against the definition: a colour past sRGB, in the wide spaces.
    float r = 1.05F, g = -0.2F, b = 0.1F;
    const Vec3 light = {srgbToLinear(1.05), srgbToLinear(-0.2), srgbToLinear(0.1)};
    const Vec3 p3 = toEncodingPrimaries(Encoding::DisplayP3) * light;
    OutputProfile({.space = ProfileWish::Space::DisplayP3})(&r, &g, &b, 1);
    EXPECT_NEAR(r, encode(Encoding::DisplayP3, p3[0]), 1e-3);
    EXPECT_NEAR(g, encode(Encoding::DisplayP3, p3[1]), 1e-3);
    EXPECT_NEAR(b, encode(Encoding::DisplayP3, p3[2]), 1e-3);
    r = 0.8F, g = 0.3F, b = 0.02F;
    const Vec3 wide =
        toEncodingPrimaries(Encoding::Rec2020) * Vec3{srgbToLinear(0.8), srgbToLinear(0.3), srgbToLinear(0.02)};
    OutputProfile({.space = ProfileWish::Space::Rec2020})(&r, &g, &b, 1);
    EXPECT_NEAR(r, encode(Encoding::Rec2020, wide[0]), 3e-4);
    EXPECT_NEAR(g, encode(Encoding::Rec2020, wide[1]), 3e-4);
    EXPECT_NEAR(b, encode(Encoding::Rec2020, wide[2]), 3e-4);
}

TEST(OutputProfile, WhatIsNoneForFilesIsRefused) {
    const TempFolder folder;
    const auto with = [](const fs::path& file) {
        return ProfileWish{.space = ProfileWish::Space::File, .file = file};
    };
    writeFileAtomically(folder / "none.icc", "no profile at all");
    errorOf([&] { OutputProfile(with(folder / "none.icc")); });
    errorOf([&] { OutputProfile(with(folder / "missing.icc")); });
    const Error grey = errorOf([&] { OutputProfile(with(fs::path(BARYTON_SOURCE) / "tests/fuzz/grey.icc")); });
    EXPECT_NE(grey.problem().find("RGB"), std::string::npos);
    EXPECT_TRUE(profileProblem(folder / "none.icc"));
    // Cut anywhere it is refused, or it is whole enough to be used.
    const std::string& icc = displayP3Profile();
    for (std::size_t cut = 0; cut < icc.size(); cut += 13) {
        writeFileAtomically(folder / "cut.icc", icc.substr(0, cut));
        profileProblem(folder / "cut.icc");
    }
}

namespace {

/// Writes a picture as it is in memory, in the numbers of a profile.
void writeAs(const fs::path& file, const Picture& picture, const OutputFormat& format,
             const OutputProfile* profile = nullptr, const Metadata& metadata = {}) {
    const int channels = picture.hasAlpha() ? 4 : 3;
    writePictureInRows(
        file, {picture.width(), picture.height(), channels, format.bits, profile},
        [&](int y, int count, std::uint8_t* out) {
            for (int i = y; i < y + count; ++i) {
                Picture row(picture.width(), 1, picture.hasAlpha());
                for (int c = 0; c < channels; ++c) std::copy_n(picture.row(c, i), picture.width(), row.row(c, 0));
                const auto width = static_cast<std::size_t>(picture.width()), n = static_cast<std::size_t>(channels);
                if (profile) (*profile)(row.row(0, 0), row.row(1, 0), row.row(2, 0), width);
                const float* alpha = picture.hasAlpha() ? row.row(3, 0) : nullptr;
                std::uint8_t* to =
                    out + static_cast<std::size_t>(i - y) * width * n * static_cast<std::size_t>(format.bits / 8);
                if (format.bits == 8) quantise8(row.row(0, 0), row.row(1, 0), row.row(2, 0), alpha, width, to);
                if (format.bits == 16)
                    quantise16(row.row(0, 0), row.row(1, 0), row.row(2, 0), alpha, width,
                               reinterpret_cast<std::uint16_t*>(to));
                if (format.bits == 32)
                    for (std::size_t x = 0; x < width * n; ++x)
                        reinterpret_cast<float*>(to)[x] = row.row(static_cast<int>(x % n), 0)[x / n];
            }
        },
        metadata, format);
}

} // namespace

TEST(OutputFormat, EachKindHoldsWhatItSays) {
    const TempFolder folder;
    Metadata metadata;
    metadata.dotsPerInch = 240;
    const Picture painted = paintedPicture(120, 80);
    const OutputProfile p3({.space = ProfileWish::Space::DisplayP3});
    struct Kind {
        OutputFormat format;
        double apart; ///< mean CIEDE2000
    };
    const Kind kinds[] = {{{FileFormat::Jpeg, 8, 95}, 1.2},   {{FileFormat::Png, 8, 90}, 0.25},
                          {{FileFormat::Png, 16, 90}, 0.01},  {{FileFormat::Tiff, 8, 90}, 0.25},
                          {{FileFormat::Tiff, 16, 90}, 0.01}, {{FileFormat::Tiff, 32, 90}, 0.01},
                          {{FileFormat::WebP, 8, 95}, 3.0},   {{FileFormat::Avif, 8, 95}, 1.5}};
    for (const auto& [format, apart] : kinds)
        for (const OutputProfile* profile : {static_cast<const OutputProfile*>(nullptr), &p3}) {
            const fs::path file = folder / ("a." + fileExtension(format.format));
            SCOPED_TRACE(fileFormatName(format.format) + std::to_string(format.bits) + (profile ? " P3" : ""));
            writeAs(file, painted, format, profile, metadata);
            EXPECT_TRUE(isOwnWork(file)) << "so that it can be replaced";
            const PictureFile read = readPicture(file);
            ASSERT_EQ(read.picture.width(), 120);
            EXPECT_LT(meanApart(read.picture, painted), apart);
            EXPECT_EQ(read.profileName == "sRGB", profile == nullptr) << read.profileName;
        }
    // Nothing is lost in a float file: blacker than black, whiter than white.
    Picture wide = randomPicture(40, 30);
    writeAs(folder / "wide.tif", wide, {FileFormat::Tiff, 32});
    EXPECT_EQ(largestDifference(readPicture(folder / "wide.tif").picture, wide), 0);
    for (const auto& [format, bits] : {std::pair{FileFormat::Jpeg, 16},
                                       {FileFormat::Jpeg, 32},
                                       {FileFormat::Png, 32},
                                       {FileFormat::WebP, 16},
                                       {FileFormat::Avif, 16}})
        errorOf([&] { requireDepth({format, bits}); });
}

TEST(OutputFormat, AlphaStaysWhereThereIsAPlaceForIt) {
    const TempFolder folder;
    Picture picture(64, 48, true);
    for (int y = 0; y < 48; ++y)
        for (int x = 0; x < 64; ++x) {
            for (int c = 0; c < 3; ++c) picture.row(c, y)[x] = 0.5F;
            picture.row(3, y)[x] = x < 32 ? 0.25F : 1;
        }
    for (const FileFormat format : {FileFormat::Png, FileFormat::Tiff, FileFormat::WebP, FileFormat::Avif}) {
        const fs::path file = folder / ("a." + fileExtension(format));
        writeAs(file, picture, {format, 8, 95});
        const Picture read = readPicture(file).picture;
        ASSERT_TRUE(read.hasAlpha()) << file;
        EXPECT_NEAR(read.row(3, 24)[8], 0.25, 0.02) << file;
        EXPECT_NEAR(read.row(3, 24)[56], 1, 0.01) << file;
        EXPECT_NEAR(read.row(0, 24)[56], 0.5, 0.02) << file;
    }
}

TEST(OutputFormat, EncodingsAreWhatWasAskedFor) {
    const TempFolder folder;
    // Red and blue stripes, a pixel wide: what halving the colours takes.
    Picture stripes(64, 64);
    for (int y = 0; y < 64; ++y)
        for (int x = 0; x < 64; ++x) stripes.row(x % 2 ? 0 : 2, y)[x] = 0.8F;
    const auto errorWith = [&](OutputFormat format) {
        const fs::path file = folder / ("s." + fileExtension(format.format));
        writeAs(file, stripes, format);
        return meanApart(readPicture(file).picture, stripes);
    };
    for (const FileFormat format : {FileFormat::Jpeg, FileFormat::Avif}) {
        OutputFormat full{format, 8, 92}, half{format, 8, 92};
        full.chroma = Chroma::Full, half.chroma = Chroma::Half;
        EXPECT_LT(3 * errorWith(full), errorWith(half)) << fileFormatName(format);
        EXPECT_EQ(errorWith({format, 8, 92}), errorWith(full)) << "by quality";
        EXPECT_GT(errorWith({format, 8, 80}), 3 * errorWith(full));
    }
    OutputFormat webp{FileFormat::WebP, 8, 90};
    webp.isLossless = true;
    EXPECT_LT(errorWith(webp), 0.25) << "but for 8 bits";
    EXPECT_GT(errorWith({FileFormat::WebP, 8, 90}), 2);
    OutputFormat passes{FileFormat::Jpeg, 8, 90};
    passes.isProgressive = true;
    errorWith(passes);
    EXPECT_NE(vips::VImage::jpegload((folder / "s.jpg").c_str()).get_typeof("jpeg-multiscan"), 0U);
    std::map<TiffCompression, std::uintmax_t> sizes;
    for (const auto packing : {TiffCompression::None, TiffCompression::Lzw, TiffCompression::Deflate})
        for (const int bits : {8, 16, 32}) {
            OutputFormat tiff{FileFormat::Tiff, bits, 90};
            tiff.compression = packing;
            EXPECT_LT(errorWith(tiff), 0.25) << compressionName(packing) << bits;
            if (bits == 16) sizes[packing] = fs::file_size(folder / "s.tif");
        }
    EXPECT_LT(2 * sizes[TiffCompression::Lzw], sizes[TiffCompression::None]);
    EXPECT_LT(2 * sizes[TiffCompression::Deflate], sizes[TiffCompression::None]);
    // Resolution: as asked for, in the place of the picture's.
    OutputFormat print{FileFormat::Tiff, 8, 90};
    print.dotsPerInch = 360;
    Metadata metadata;
    metadata.dotsPerInch = 72;
    writeAs(folder / "p.tif", stripes, print, nullptr, metadata);
    EXPECT_NEAR(readMetadata(folder / "p.tif").dotsPerInch, 360, 0.5);
}

TEST(TextRaster, DrawsALineAndRefusesLettersThatItHasNot) {
    const Picture line = textRaster("The Tin Heron Company", 40), small = textRaster("The Tin Heron Company", 20);
    EXPECT_TRUE(line.hasAlpha());
    EXPECT_NEAR(double(line.width()) / small.width(), 2, 0.1);
    double ink = 0;
    for (int y = 0; y < line.height(); ++y)
        for (int x = 0; x < line.width(); ++x) ink += line.row(3, y)[x];
    EXPECT_GT(ink, 0.1 * line.width() * line.height());
    // Letters that stand together keep their distance: by themselves A and V are further apart.
    const int pair = textRaster("AVAVAVAV", 40).width(), apart = 4 * textRaster("AA", 40).width();
    EXPECT_LT(pair, apart);
    errorOf([] { textRaster("木", 40); });
    errorOf([] { textRaster(std::string(500, 'a'), 40); });
}

} // namespace baryton::test
