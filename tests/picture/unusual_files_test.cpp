#include "picture/memory_limit.h"
#include "picture/metadata.h"
#include "picture/picture_file.h"
#include "picture/picture_reader.h"
#include "picture/profile.h"
#include "picture/vips_support.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <cmath>
#include <exiv2/exiv2.hpp>
#include <fstream>
#include <lcms2.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

/// One picture of a TIFF, of one colour: the tags of TIFF 6.0 that a reader must have.
struct Page {
    unsigned width, height, bits, photometric;
    std::vector<unsigned> pixel; ///< the number of each sample
    unsigned sampleFormat = 1, extraSamples = 9;
};

/// A TIFF of these pages, one after the other, each in one strip without compression; of the library's own making no
/// file has pages of several sizes. Pages below the first (SubIFDs) hang from it instead.
std::string tiff(const std::vector<Page>& pages, const std::vector<Page>& below = {}) {
    std::string file("II*\0\0\0\0\0", 8);
    const auto put = [](std::string& out, unsigned value, unsigned bytes) {
        for (unsigned i = 0; i < bytes; ++i) out += static_cast<char>(value >> (8 * i) & 255);
    };
    const auto patch = [&](std::size_t at, std::size_t value) {
        std::string bytes;
        put(bytes, static_cast<unsigned>(value), 4);
        file.replace(at, 4, bytes);
    };
    // Returns where the place of the next page stands, and tells where the page itself begins.
    const auto add = [&](const Page& page, const std::vector<std::size_t>& children, std::size_t& begin) {
        const auto samples = static_cast<unsigned>(page.pixel.size());
        std::string pixel;
        for (const unsigned value : page.pixel) put(pixel, value, page.bits / 8);
        const std::size_t data = file.size();
        for (unsigned i = 0; i < page.width * page.height; ++i) file += pixel;
        if (file.size() % 2) file += '\0';
        std::vector<std::pair<unsigned, std::vector<unsigned>>> tags = {
            {256, {page.width}},
            {257, {page.height}},
            {258, std::vector<unsigned>(samples, page.bits)},
            {259, {1}},
            {262, {page.photometric}},
            {273, {static_cast<unsigned>(data)}},
            {277, {samples}},
            {278, {page.height}},
            {279, {page.width * page.height * samples * page.bits / 8}}};
        if (!children.empty()) tags.push_back({330, {children.begin(), children.end()}});
        if (page.extraSamples < 9) tags.push_back({338, {page.extraSamples}});
        tags.push_back({339, std::vector<unsigned>(samples, page.sampleFormat)});
        begin = file.size();
        const std::size_t after = begin + 2 + 12 * tags.size() + 4;
        std::string directory, extra;
        put(directory, static_cast<unsigned>(tags.size()), 2);
        for (const auto& [tag, values] : tags) {
            const bool isLong = tag == 273 || tag == 279 || tag == 330;
            put(directory, tag, 2), put(directory, isLong ? 4 : 3, 2);
            put(directory, static_cast<unsigned>(values.size()), 4);
            std::string bytes;
            for (const unsigned value : values) put(bytes, value, isLong ? 4 : 2);
            if (bytes.size() > 4) {
                put(directory, static_cast<unsigned>(after + extra.size()), 4);
                extra += bytes;
            } else {
                directory += bytes + std::string(4 - bytes.size(), '\0');
            }
        }
        const std::size_t next = begin + directory.size();
        file += directory + std::string(4, '\0') + extra;
        if (file.size() % 2) file += '\0';
        return next;
    };
    std::vector<std::size_t> children;
    for (const Page& page : below) add(page, {}, children.emplace_back());
    std::size_t link = 4;
    for (std::size_t i = 0; i < pages.size(); ++i) {
        std::size_t begin = 0;
        const std::size_t next = add(pages[i], i == 0 ? children : std::vector<std::size_t>(), begin);
        patch(link, begin);
        link = next;
    }
    return file;
}

Vec3 colourOf(const Picture& picture) {
    return {picture.row(0, 0)[0], picture.row(1, 0)[0], picture.row(2, 0)[0]};
}

const Page kThumbnail{32, 24, 8, 2, {200, 10, 10}}, kFull{320, 200, 8, 2, {10, 200, 10}},
    kOther{300, 300, 8, 2, {10, 10, 200}}, kSensor{640, 400, 16, 32803, {3000}};

/// A JPEG of one colour with Exif of a camera that writes the wide colours of DCF, without a profile.
void writeWideJpeg(const fs::path& file, std::uint16_t colourSpace) {
    initVips();
    (vips::VImage::black(64, 48, vips::VImage::option()->set("bands", 3)) + std::vector<double>{60, 200, 90})
        .cast(VIPS_FORMAT_UCHAR)
        .copy(vips::VImage::option()->set("interpretation", VIPS_INTERPRETATION_sRGB))
        .jpegsave(file.c_str(), vips::VImage::option()->set("Q", 100)->set("strip", true));
    const auto image = Exiv2::ImageFactory::open(file.string());
    image->readMetadata();
    image->exifData()["Exif.Photo.ColorSpace"] = colourSpace;
    image->exifData()["Exif.Photo.Gamma"] = Exiv2::Rational(22, 10);
    image->exifData()["Exif.Iop.InteroperabilityIndex"] = "R03";
    image->writeMetadata();
}

} // namespace

TEST(UnusualFiles, OfSeveralPicturesInATiffTheLargestIsTakenAndSaid) {
    const TempFolder folder;
    const PictureFile first = readPicture(folder.file("thumb.tif", tiff({kThumbnail, kFull, kOther})));
    EXPECT_EQ(first.picture.width(), 300) << "90 000 pixels are more than 64 000";
    ASSERT_EQ(first.remarks.size(), 1U);
    EXPECT_NE(first.remarks[0].find("3"), std::string::npos) << first.remarks[0];
    // A reduced copy of the picture beside it is nothing to tell; wherever it stands.
    const Page reduced{160, 100, 8, 2, {10, 200, 10}};
    for (const auto& bytes : {tiff({reduced, kFull}), tiff({kFull, reduced}), tiff({reduced}, {kFull})}) {
        const PictureFile read = readPicture(folder.file("reduced.tif", bytes));
        EXPECT_EQ(read.picture.width(), 320);
        EXPECT_NEAR(colourOf(read.picture)[1], 200 / 255.0, 1e-6);
        EXPECT_TRUE(read.remarks.empty()) << read.remarks[0];
    }
    EXPECT_EQ(readPictureSize(folder / "thumb.tif").width, 300);
    EXPECT_EQ(readThumbnail(folder / "thumb.tif", 100).width(), 100);
    // One picture alone says nothing.
    EXPECT_TRUE(readPicture(folder.file("one.tif", tiff({kFull}))).remarks.empty());
}

TEST(UnusualFiles, RawSensorDataIsRefusedNotTakenForGreyNorForItsThumbnail) {
    const TempFolder folder;
    for (const auto& bytes : {tiff({kThumbnail}, {kSensor}), tiff({kThumbnail, kSensor}), tiff({kSensor})}) {
        const auto file = folder.file("raw.tif", bytes);
        const Error e = errorOf([&] { readPicture(file); });
        EXPECT_EQ(e.file(), file.string());
        EXPECT_FALSE(e.hint().empty());
    }
    EXPECT_NE(errorOf([&] { readPicture(folder.file("raw.tif", tiff({kThumbnail}, {kSensor}))); })
                  .problem()
                  .find("raw sensor data"),
              std::string::npos);
    // Numbers of a kind that is never read are not called damaged.
    const Error half = errorOf([&] { readPicture(folder.file("half.tif", tiff({{8, 8, 16, 2, {1, 2, 3}, 3}}))); });
    EXPECT_EQ(half.problem().find("damaged"), std::string::npos) << half.what();
    EXPECT_EQ(half.hint().find("damaged"), std::string::npos) << half.what();
}

TEST(UnusualFiles, AnAnimationGivesItsFirstPictureAndSaysSo) {
    const TempFolder folder;
    initVips();
    const auto flat = [](double level) {
        return (vips::VImage::black(40, 30, vips::VImage::option()->set("bands", 3)) + level)
            .cast(VIPS_FORMAT_UCHAR)
            .copy(vips::VImage::option()->set("interpretation", VIPS_INTERPRETATION_sRGB));
    };
    vips::VImage strip = flat(200).join(flat(40), VIPS_DIRECTION_VERTICAL);
    strip.set("page-height", 30);
    strip.webpsave((folder / "a.webp").c_str(), vips::VImage::option()->set("lossless", true));
    const PictureFile read = readPicture(folder / "a.webp");
    EXPECT_EQ(read.picture.height(), 30);
    EXPECT_NEAR(colourOf(read.picture)[0], 200 / 255.0, 0.01);
    ASSERT_EQ(read.remarks.size(), 1U);
}

TEST(UnusualFiles, LabKeepsItsLevelsAndMeetsLittleCms) {
    const TempFolder folder;
    const cmsHPROFILE lab = cmsCreateLab4Profile(nullptr), srgb = cmsCreate_sRGBProfile();
    const cmsHTRANSFORM judge =
        cmsCreateTransform(lab, TYPE_Lab_DBL, srgb, TYPE_RGB_DBL, INTENT_RELATIVE_COLORIMETRIC, 0);
    std::set<float> levels;
    for (unsigned step = 0; step < 600; ++step) { // within two levels of eight bits
        const unsigned l = 33000 + step;
        const auto signed16 = [](int v) { return static_cast<unsigned>(v) & 0xFFFF; };
        const auto file = folder.file("lab.tif", tiff({{4, 4, 16, 8, {l, signed16(12 * 256), signed16(-20 * 256)}}}));
        const Vec3 read = colourOf(readPicture(file).picture);
        levels.insert(static_cast<float>(read[1]));
        if (step % 100) continue;
        const double in[3] = {l / 65535.0 * 100, 12, -20};
        double wanted[3];
        cmsDoTransform(judge, in, wanted, 1);
        for (unsigned c = 0; c < 3; ++c) EXPECT_NEAR(read[c], wanted[c], 1e-3) << l;
    }
    EXPECT_GT(levels.size(), 250U); // the library itself halves the sixteen bits
    cmsDeleteTransform(judge), cmsCloseProfile(lab), cmsCloseProfile(srgb);
    // Eight bits, whose numbers the library packs.
    const Vec3 grey = colourOf(readPicture(folder.file("lab8.tif", tiff({{4, 4, 8, 8, {128, 0, 0}}}))).picture);
    EXPECT_NEAR(grey[0], grey[1], 1e-3);
    EXPECT_NEAR(grey[1], 0.467, 0.005); // L* 50
}

TEST(UnusualFiles, AssociatedAlphaIsTakenOutOfTheColours) {
    const TempFolder folder;
    const auto bitsOf = [](float v) { return std::bit_cast<unsigned>(v); };
    const std::vector<Page> pages = {
        {8, 8, 8, 2, {100, 50, 25, 128}, 1, 1},
        {8, 8, 16, 2, {25700, 12850, 6425, 32896}, 1, 1},
        {8, 8, 32, 2, {bitsOf(0.392F), bitsOf(0.196F), bitsOf(0.098F), bitsOf(0.5F)}, 3, 1}};
    for (const Page& page : pages) {
        const Picture read = readPicture(folder.file("a.tif", tiff({page}))).picture;
        ASSERT_TRUE(read.hasAlpha());
        EXPECT_NEAR(colourOf(read)[0], 0.784, 0.005) << page.bits;
        EXPECT_NEAR(colourOf(read)[2], 0.196, 0.005) << page.bits;
        EXPECT_NEAR(read.row(3, 0)[0], 0.5, 0.005) << page.bits;
    }
    const Page plain{8, 8, 32, 2, {bitsOf(0.784F), bitsOf(0.392F), bitsOf(0.196F), bitsOf(0.5F)}, 3, 2};
    EXPECT_NEAR(colourOf(readPicture(folder.file("b.tif", tiff({plain}))).picture)[0], 0.784, 1e-4);
}

TEST(UnusualFiles, WideColoursOfACameraWithoutAProfileAreReadAsSuchAndWrittenAsWhatTheyAreThen) {
    const TempFolder folder;
    writeWideJpeg(folder / "wide.jpg", 0xFFFF);
    writeWideJpeg(folder / "srgb.jpg", 1); // R03 is left by programs that convert
    const PictureFile wide = readPicture(folder / "wide.jpg"), plain = readPicture(folder / "srgb.jpg");
    EXPECT_EQ(plain.profileName, "untagged");
    // The same pixels with the profile itself.
    vips::VImage tagged = vips::VImage::jpegload((folder / "wide.jpg").c_str());
    const std::string& icc = dcfWideProfile();
    tagged.set(VIPS_META_ICC_NAME, nullptr, const_cast<char*>(icc.data()), icc.size());
    tagged.pngsave((folder / "tagged.png").c_str());
    const Vec3 judge = colourOf(readPicture(folder / "tagged.png").picture), read = colourOf(wide.picture);
    for (unsigned c = 0; c < 3; ++c) EXPECT_NEAR(read[c], judge[c], 1e-4);
    EXPECT_GT(std::abs(read[0] - colourOf(plain.picture)[0]), 0.1);

    QuantisedPicture out(8, 8, 3, 8);
    writePicture(folder / "out.jpg", out, wide.metadata, {FileFormat::Jpeg, 8, 90});
    const auto image = Exiv2::ImageFactory::open((folder / "out.jpg").string());
    image->readMetadata();
    EXPECT_EQ(image->exifData()["Exif.Photo.ColorSpace"].toString(), "1");
    EXPECT_EQ(image->exifData()["Exif.Iop.InteroperabilityIndex"].toString(), "R98");
    EXPECT_EQ(image->exifData().findKey(Exiv2::ExifKey("Exif.Photo.Gamma")), image->exifData().end());
}

TEST(UnusualFiles, AProfileThatCannotBeUsedIsToldAndThePictureRead) {
    const TempFolder folder;
    initVips();
    const auto save = [&](const char* name, int bands, VipsInterpretation meaning, const std::string& icc) {
        vips::VImage image = (vips::VImage::black(8, 8, vips::VImage::option()->set("bands", bands)) + 100)
                                 .cast(VIPS_FORMAT_UCHAR)
                                 .copy(vips::VImage::option()->set("interpretation", meaning));
        image.set(VIPS_META_ICC_NAME, nullptr, const_cast<char*>(icc.data()), icc.size());
        image.tiffsave((folder / name).c_str());
        return readPicture(folder / name);
    };
    std::string damaged = dcfWideProfile();
    std::fill(damaged.begin() + 100, damaged.end(), '\x7f');
    const PictureFile broken = save("a.tif", 3, VIPS_INTERPRETATION_sRGB, damaged);
    EXPECT_NEAR(colourOf(broken.picture)[0], 100 / 255.0, 1e-6);
    EXPECT_EQ(broken.remarks.size(), 1U);
    EXPECT_EQ(broken.profileName, "untagged");
    // Grey with a profile of colours is grey by that profile.
    const PictureFile grey = save("b.tif", 1, VIPS_INTERPRETATION_B_W, dcfWideProfile());
    const Vec3 level = colourOf(grey.picture);
    EXPECT_NEAR(level[0], level[2], 1e-4);
    EXPECT_NEAR(level[1], colourOf(save("c.tif", 3, VIPS_INTERPRETATION_sRGB, dcfWideProfile()).picture)[1], 1e-5);
    EXPECT_NE(level[1], 100.0F / 255);
    // Inks with a profile of colours.
    for (const std::string& icc : {dcfWideProfile(), srgbProfile()}) {
        const PictureFile inks = save("d.tif", 4, VIPS_INTERPRETATION_CMYK, icc);
        EXPECT_EQ(inks.remarks.size(), 1U);
        EXPECT_FALSE(inks.picture.hasAlpha());
    }
}

TEST(UnusualFiles, WhatWouldTakeTooMuchMemoryIsRefusedBeforeItIsRead) {
    const TempFolder folder;
    initVips();
    const vips::VImage flat = vips::VImage::black(1200, 1000, vips::VImage::option()->set("bands", 3));
    flat.pngsave((folder / "rows.png").c_str());
    flat.pngsave((folder / "whole.png").c_str(), vips::VImage::option()->set("interlace", true));
    flat.jpegsave((folder / "whole.jpg").c_str(), vips::VImage::option()->set("interlace", true));
    flat.webpsave((folder / "whole.webp").c_str());
    setMemoryLimit(3000000);
    for (const char* name : {"whole.png", "whole.jpg", "whole.webp"}) {
        const Error e = errorOf([&] { PictureReader reader(folder / name); });
        EXPECT_EQ(e.file(), (folder / name).string());
        EXPECT_NE(e.problem().find("memory"), std::string::npos) << e.what();
    }
    PictureReader rows(folder / "rows.png");
    EXPECT_EQ(rows.rows(0, 16).height(), 16);
    EXPECT_NE(errorOf([&] { rows.keepDecoded(); }).problem().find("memory"), std::string::npos);
    EXPECT_NE(errorOf([&] { readPicture(folder / "rows.png"); }).problem().find("memory"), std::string::npos);
    setMemoryLimit(0);
    EXPECT_EQ(readPicture(folder / "whole.png").picture.width(), 1200);
}

} // namespace baryton::test
