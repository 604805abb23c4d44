#include "colour/transfer.h"
#include "picture/picture_file.h"
#include "picture/profile.h"
#include "picture/vips_support.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <cmath>
#include <exiv2/exiv2.hpp>
#include <lcms2.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

/// A picture of the library's own making, so that our writer is not its own judge.
vips::VImage ramp(int width, int height, VipsBandFormat format, int bands, double full) {
    initVips();
    vips::VImage x = vips::VImage::xyz(width, height)[0].linear(full / (width - 1), 0);
    vips::VImage y = vips::VImage::xyz(width, height)[1].linear(full / (height - 1), 0);
    vips::VImage image = x;
    const vips::VImage planes[] = {x, y, x.linear(-1, full), y.linear(-1, full), x.linear(0, full)};
    for (int b = 1; b < bands; ++b) image = image.bandjoin(planes[b]);
    image = image.cast(format);
    const VipsInterpretation meaning =
        bands < 3 ? (format == VIPS_FORMAT_USHORT ? VIPS_INTERPRETATION_GREY16 : VIPS_INTERPRETATION_B_W)
                  : (format == VIPS_FORMAT_USHORT ? VIPS_INTERPRETATION_RGB16 : VIPS_INTERPRETATION_sRGB);
    return image.copy(vips::VImage::option()->set("interpretation", meaning));
}

std::string profileBytes(cmsHPROFILE profile) {
    cmsUInt32Number size = 0;
    cmsSaveProfileToMem(profile, nullptr, &size);
    std::string bytes(size, '\0');
    cmsSaveProfileToMem(profile, bytes.data(), &size);
    cmsCloseProfile(profile);
    return bytes;
}

/// A wide RGB profile with a power curve: one that must not be taken for sRGB.
std::string wideProfile() {
    const cmsCIExyY white = {0.3127, 0.3290, 1};
    const cmsCIExyYTRIPLE primaries = {{0.64, 0.33, 1}, {0.21, 0.71, 1}, {0.15, 0.06, 1}};
    cmsToneCurve* gamma = cmsBuildGamma(nullptr, 563.0 / 256);
    cmsToneCurve* curves[3] = {gamma, gamma, gamma};
    cmsHPROFILE profile = cmsCreateRGBProfile(&white, &primaries, curves);
    cmsFreeToneCurve(gamma);
    return profileBytes(profile);
}

vips::VImage tagged(const vips::VImage& image, const std::string& icc) {
    vips::VImage copy = image.copy();
    copy.set(VIPS_META_ICC_NAME, nullptr, const_cast<char*>(icc.data()), icc.size());
    return copy;
}

} // namespace

TEST(ReadPicture, EveryKindGivesTheSamePicture) {
    const TempFolder folder;
    constexpr int w = 48, h = 32;
    const struct {
        const char* name;
        VipsBandFormat format;
        double full, tolerance;
    } kinds[] = {{"a.png", VIPS_FORMAT_UCHAR, 255, 1.1 / 255}, {"b.png", VIPS_FORMAT_USHORT, 65535, 2e-5},
                 {"c.tif", VIPS_FORMAT_UCHAR, 255, 1.1 / 255}, {"d.tif", VIPS_FORMAT_USHORT, 65535, 2e-5},
                 {"e.tif", VIPS_FORMAT_FLOAT, 1, 1e-6},        {"f.jpg", VIPS_FORMAT_UCHAR, 255, 0.03},
                 {"g.webp", VIPS_FORMAT_UCHAR, 255, 0.08}};
    for (const auto& kind : kinds) {
        const auto file = folder / kind.name;
        auto* option = vips::VImage::option();
        if (std::string(kind.name) == "f.jpg")
            option->set("Q", 98)->set("subsample_mode", VIPS_FOREIGN_SUBSAMPLE_OFF);
        ramp(w, h, kind.format, 3, kind.full).write_to_file(file.c_str(), option);
        const PictureFile read = readPicture(file);
        EXPECT_EQ(read.profileName, "untagged") << kind.name;
        ASSERT_EQ(read.picture.width(), w);
        ASSERT_EQ(read.picture.height(), h);
        EXPECT_FALSE(read.picture.hasAlpha());
        for (int y = 2; y < h; y += 7)
            for (int x = 3; x < w; x += 9) {
                EXPECT_NEAR(read.picture.row(0, y)[x], double(x) / (w - 1), kind.tolerance) << kind.name;
                EXPECT_NEAR(read.picture.row(1, y)[x], double(y) / (h - 1), kind.tolerance) << kind.name;
            }
    }
}

TEST(ReadPicture, GreyAndAlpha) {
    const TempFolder folder;
    ramp(20, 10, VIPS_FORMAT_UCHAR, 1, 255).write_to_file((folder / "grey.png").c_str());
    ramp(20, 10, VIPS_FORMAT_UCHAR, 4, 255).write_to_file((folder / "alpha.png").c_str());
    const Picture grey = readPicture(folder / "grey.png").picture;
    EXPECT_EQ(grey.row(0, 3)[7], grey.row(2, 3)[7]);
    EXPECT_NEAR(grey.row(0, 3)[7], 7 / 19.0, 0.004);
    const Picture alpha = readPicture(folder / "alpha.png").picture;
    ASSERT_TRUE(alpha.hasAlpha());
    EXPECT_NEAR(alpha.row(3, 2)[5], 1 - 2 / 9.0, 0.004);
}

TEST(ReadPicture, MatrixProfilesMeetLittleCms) {
    const TempFolder folder;
    const std::string icc = wideProfile();
    tagged(ramp(32, 32, VIPS_FORMAT_USHORT, 3, 65535), icc).write_to_file((folder / "wide.tif").c_str());
    const PictureFile read = readPicture(folder / "wide.tif");
    EXPECT_EQ(read.profileName, "matrix profile");
    cmsHPROFILE from = cmsOpenProfileFromMem(icc.data(), static_cast<cmsUInt32Number>(icc.size()));
    cmsHPROFILE to = cmsCreate_sRGBProfile();
    cmsHTRANSFORM transform =
        cmsCreateTransform(from, TYPE_RGB_FLT, to, TYPE_RGB_FLT, INTENT_RELATIVE_COLORIMETRIC, 0);
    bool outside = false;
    for (int y = 0; y < 32; y += 3)
        for (int x = 0; x < 32; x += 3) {
            const float in[3] = {static_cast<float>(x) / 31, static_cast<float>(y) / 31,
                                 1 - static_cast<float>(x) / 31};
            float out[3];
            cmsDoTransform(transform, in, out, 1);
            for (int k = 0; k < 3; ++k) {
                const float ours = read.picture.row(k, y)[x];
                outside = outside || ours < -0.01F || ours > 1.01F;
                if (out[k] > 0.02F && out[k] < 0.98F) EXPECT_NEAR(ours, out[k], 2e-3) << x << ' ' << y << ' ' << k;
            }
        }
    EXPECT_TRUE(outside) << "a wide picture has colours outside sRGB, and they are not clipped";
    cmsDeleteTransform(transform);
    cmsCloseProfile(from);
    cmsCloseProfile(to);
}

TEST(ReadPicture, SrgbProfilesPassUntouched) {
    const TempFolder folder;
    tagged(ramp(16, 16, VIPS_FORMAT_USHORT, 3, 65535), srgbProfile()).write_to_file((folder / "s.png").c_str());
    const PictureFile read = readPicture(folder / "s.png");
    EXPECT_EQ(read.profileName, "sRGB");
    for (int x = 0; x < 16; ++x) EXPECT_NEAR(read.picture.row(0, 4)[x], x / 15.0, 1e-5);
    EXPECT_EQ(readPicture(demo() / "pictures/lake-fog.jpg").profileName, "sRGB");
}

TEST(ReadPicture, OrientationIsApplied) {
    const TempFolder folder;
    for (int orientation = 1; orientation <= 8; ++orientation) {
        vips::VImage image = ramp(40, 20, VIPS_FORMAT_UCHAR, 3, 255).copy();
        image.set(VIPS_META_ORIENTATION, orientation);
        const auto file = folder / (std::to_string(orientation) + ".tif");
        image.write_to_file(file.c_str());
        const Picture read = readPicture(file).picture;
        const PictureSize size = readPictureSize(file);
        EXPECT_EQ(read.width(), orientation < 5 ? 40 : 20);
        EXPECT_EQ(size.width, read.width());
        EXPECT_EQ(size.height, read.height());
        // Where the stored picture's red end (right) and green end (bottom) come to lie
        const bool redRight = orientation == 1 || orientation == 4, redLeft = orientation == 2 || orientation == 3;
        const Picture& p = read;
        if (redRight) EXPECT_GT(p.row(0, 5)[39], 0.9F) << orientation;
        if (redLeft) EXPECT_GT(p.row(0, 5)[0], 0.9F) << orientation;
        if (orientation == 5 || orientation == 6) EXPECT_GT(p.row(0, 39)[5], 0.9F) << orientation;
        if (orientation == 7 || orientation == 8) EXPECT_GT(p.row(0, 0)[5], 0.9F) << orientation;
        const Picture small = readThumbnail(file, 10);
        EXPECT_EQ(small.width(), orientation < 5 ? 10 : 5);
    }
}

TEST(ReadPicture, CmykGoesThroughItsProfile) {
    const TempFolder folder;
    // A press of our own: ink is laid by simple subtraction, told to the reader as a table profile.
    cmsHPROFILE lab = cmsCreateLab4Profile(nullptr);
    cmsPipeline* pipeline = cmsPipelineAlloc(nullptr, 4, 3);
    cmsStage* table = cmsStageAllocCLut16bit(nullptr, 9, 4, 3, nullptr);
    cmsStageSampleCLut16bit(
        table,
        [](const cmsUInt16Number in[], cmsUInt16Number out[], void*) -> cmsInt32Number {
            const double k = in[3] / 65535.0;
            cmsCIELab value = {100 * (1 - 0.9 * k) * (1 - (in[0] + in[1] + in[2]) / (3 * 65535.0)),
                               40.0 * in[1] / 65535 - 20.0 * in[0] / 65535, 0};
            cmsFloat2LabEncoded(out, &value);
            return 1;
        },
        nullptr, 0);
    cmsPipelineInsertStage(pipeline, cmsAT_END, cmsStageAllocToneCurves(nullptr, 4, nullptr));
    cmsPipelineInsertStage(pipeline, cmsAT_END, table);
    cmsPipelineInsertStage(pipeline, cmsAT_END, cmsStageAllocToneCurves(nullptr, 3, nullptr));
    cmsHPROFILE press = cmsCreateProfilePlaceholder(nullptr);
    cmsSetProfileVersion(press, 4.2);
    cmsSetDeviceClass(press, cmsSigOutputClass);
    cmsSetColorSpace(press, cmsSigCmykData);
    cmsSetPCS(press, cmsSigLabData);
    cmsWriteTag(press, cmsSigAToB0Tag, pipeline);
    cmsWriteTag(press, cmsSigAToB1Tag, pipeline);
    cmsPipelineFree(pipeline);
    cmsCloseProfile(lab);
    const std::string icc = profileBytes(press);
    ASSERT_GT(icc.size(), 1000u);
    vips::VImage image = ramp(32, 16, VIPS_FORMAT_UCHAR, 4, 255).linear(0.5, 0).cast(VIPS_FORMAT_UCHAR);
    image = image.copy(vips::VImage::option()->set("interpretation", VIPS_INTERPRETATION_CMYK));
    tagged(image, icc).write_to_file((folder / "press.tif").c_str());
    const PictureFile read = readPicture(folder / "press.tif");
    EXPECT_EQ(read.profileName, "table profile");
    EXPECT_FALSE(read.picture.hasAlpha());
    // Cyan ink grows to the right: red gives way to green.
    const auto redness = [&](int x) { return read.picture.row(0, 8)[x] - read.picture.row(1, 8)[x]; };
    EXPECT_LT(redness(30), redness(1) - 0.02F);
}

TEST(ReadPicture, BadFilesAreToldByNameAndNothingElseHappens) {
    const TempFolder folder;
    const std::string jpeg = readFile(demo() / "pictures/lake-fog.jpg");
    const struct {
        const char* name;
        std::string content;
    } files[] = {{"truncated.jpg", jpeg.substr(0, jpeg.size() / 2)},
                 {"text.jpg", "this is no picture at all, only words"},
                 {"empty.jpg", ""},
                 {"head.png", "\x89PNG\r\n\x1a\n"},
                 {"zeros.tif", std::string(4096, '\0')},
                 {"riff.webp", "RIFF\xff\xff\xff\x7fWEBPVP8 "}};
    for (const auto& f : files) {
        const auto file = folder.file(f.name, f.content);
        const Error e = errorOf([&] { readPicture(file); });
        EXPECT_EQ(e.file(), file.string());
        errorOf([&] { readThumbnail(file, 100); });
    }
    EXPECT_NE(errorOf([&] { readPicture(folder / "missing.jpg"); }).what(), nullptr);
    errorOf([&] { readPicture(folder.path()); });
    errorOf([&] { picturesInFolder(folder / "nowhere"); });
    fs::create_directory(folder / "void");
    errorOf([&] { picturesInFolder(folder / "void"); });
    if (::geteuid() != 0) {
        fs::permissions(folder / "text.jpg", fs::perms::none);
        errorOf([&] { readPicture(folder / "text.jpg"); });
    }
}

TEST(ReadPicture, OddSizesAreRead) {
    const TempFolder folder;
    ramp(2, 2, VIPS_FORMAT_UCHAR, 3, 255).crop(0, 0, 1, 1).write_to_file((folder / "one.png").c_str());
    ramp(30000, 2, VIPS_FORMAT_UCHAR, 3, 255).write_to_file((folder / "long.png").c_str());
    EXPECT_EQ(readPicture(folder / "one.png").picture.width(), 1);
    EXPECT_EQ(readThumbnail(folder / "one.png", 100).height(), 1);
    EXPECT_EQ(readPicture(folder / "long.png").picture.width(), 30000);
    EXPECT_EQ(readThumbnail(folder / "long.png", 100).width(), 100);
}

TEST(ReadPicture, FloatsThatAreNoNumbersBecomeHarmless) {
    const TempFolder folder;
    vips::VImage image = ramp(8, 8, VIPS_FORMAT_FLOAT, 3, 1);
    image =
        image.linear(0, NAN).bandjoin(image[1].linear(1e30, 0)).extract_band(1, vips::VImage::option()->set("n", 3));
    image.write_to_file((folder / "wild.tif").c_str());
    const Picture read = readPicture(folder / "wild.tif").picture;
    for (int k = 0; k < 3; ++k)
        for (int x = 0; x < 8; ++x) {
            EXPECT_TRUE(std::isfinite(read.row(k, 5)[x]));
            EXPECT_LE(std::abs(read.row(k, 5)[x]), 64);
        }
}

TEST(WritePicture, KeepsPixelsProfileAndMetadata) {
    const TempFolder folder;
    const PictureFile source = readPicture(demo() / "pictures/lantern-alley.jpg");
    ASSERT_FALSE(source.metadata.exif.empty());
    const Picture part = cropped(source.picture, 100, 100, 64, 48);
    const struct {
        FileFormat format;
        int bits;
        double tolerance;
    } kinds[] = {{FileFormat::Jpeg, 8, 0.06},
                 {FileFormat::Png, 8, 0.51 / 255},
                 {FileFormat::Png, 16, 1e-5},
                 {FileFormat::Tiff, 8, 0.51 / 255},
                 {FileFormat::Tiff, 16, 1e-5}};
    for (const auto& kind : kinds) {
        QuantisedPicture out(64, 48, 3, kind.bits);
        for (int y = 0; y < 48; ++y) out.setRow(y, 0, 64, part.row(0, y), part.row(1, y), part.row(2, y), nullptr);
        const auto file = folder / ("out." + fileExtension(kind.format));
        writePicture(file, out, source.metadata, {kind.format, kind.bits, 97});
        const PictureFile back = readPicture(file);
        EXPECT_EQ(back.profileName, "sRGB");
        EXPECT_EQ(back.metadata.camera, source.metadata.camera);
        EXPECT_EQ(back.metadata.exposure, source.metadata.exposure);
        EXPECT_LT(largestDifference(back.picture, part), kind.tolerance) << fileFormatName(kind.format) << kind.bits;
        auto exif = Exiv2::ImageFactory::open(file.string());
        exif->readMetadata();
        const auto& data = exif->exifData();
        const auto orientation = data.findKey(Exiv2::ExifKey("Exif.Image.Orientation"));
        if (orientation != data.end()) EXPECT_EQ(orientation->toLong(), 1);
        EXPECT_EQ(folder.entries(), 1u);
        fs::remove(file);
    }
}

TEST(WritePicture, AlphaIsKeptOrLaidOverTheGround) {
    const TempFolder folder;
    Picture picture(16, 16, true);
    for (int y = 0; y < 16; ++y)
        for (int x = 0; x < 16; ++x) picture.row(0, y)[x] = 1, picture.row(3, y)[x] = x < 8 ? 0.0F : 1.0F;
    const auto quantised = [&](int channels) {
        QuantisedPicture out(16, 16, channels, 8);
        for (int y = 0; y < 16; ++y)
            out.setRow(y, 0, 16, picture.row(0, y), picture.row(1, y), picture.row(2, y), picture.row(3, y));
        return out;
    };
    writePicture(folder / "a.png", quantised(4), {}, {FileFormat::Png, 8, 90});
    const Picture png = readPicture(folder / "a.png").picture;
    ASSERT_TRUE(png.hasAlpha());
    EXPECT_EQ(png.row(3, 0)[2], 0);
    EXPECT_EQ(png.row(3, 0)[12], 1);
    for (const auto& [ground, level] :
         {std::pair(Ground::White, 1.0F), std::pair(Ground::Grey, 119 / 255.0F), std::pair(Ground::Black, 0.0F)}) {
        writePicture(folder / "a.jpg", quantised(4), {}, {FileFormat::Jpeg, 8, 98, ground});
        const Picture jpeg = readPicture(folder / "a.jpg").picture;
        EXPECT_NEAR(jpeg.row(1, 8)[2], level, 0.03) << groundName(ground);
        EXPECT_GT(jpeg.row(0, 8)[13], 0.9F);
    }
}

TEST(WritePicture, TellsWhereItCannotWrite) {
    const TempFolder folder;
    folder.file("file", "x");
    const QuantisedPicture out(4, 4, 3, 8);
    const Error e = errorOf([&] { writePicture(folder / "file" / "a.png", out, {}, {FileFormat::Png, 8, 90}); });
    EXPECT_NE(std::string(e.what()).find("file"), std::string::npos);
}

TEST(ReadPicture, ReducedJpegsAreTheSamePictureSmaller) {
    const fs::path file = demo() / "pictures" / "lantern-alley.jpg";
    const PictureSize size = readPictureSize(file);
    const auto reduced = readReduced(file, 400);
    ASSERT_TRUE(reduced);
    EXPECT_GE(reduced->longSide(), 400);
    EXPECT_LT(reduced->longSide(), 800);
    const Picture whole = resized(readPicture(file).picture, reduced->width(), reduced->height());
    EXPECT_NEAR(double(reduced->width()) / reduced->height(), double(size.width) / size.height, 0.01);
    double sum = 0;
    for (int y = 0; y < whole.height(); ++y)
        for (int x = 0; x < whole.width(); ++x) sum += std::abs(whole.row(1, y)[x] - reduced->row(1, y)[x]);
    EXPECT_LT(sum / (double(whole.width()) * whole.height()), 0.02);
    EXPECT_FALSE(readReduced(file, 100000)) << "nothing to be saved";
}

} // namespace baryton::test
